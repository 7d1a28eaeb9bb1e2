<script setup lang="ts">
import type { Report, ShaftReport } from '@pendrix/core';
import FigureText from '../../ui/FigureText.vue';

/** Under every shaft: what a maker wants to know of it. */
defineProps<{ shafts: readonly ShaftReport[]; work: Report['built']['work']; column: number }>();
</script>

<template>
  <div class="shafts on-ground">
    <section
      v-for="shaft in shafts"
      :key="shaft.index"
      class="shaft"
      :style="{ width: `${column}px` }"
      :aria-label="`${shaft.title}, ${shaft.carries}`"
    >
      <h4>
        <b>{{ shaft.title }}</b> <span>{{ shaft.carries }}</span>
      </h4>
      <div class="rows">
        <div v-for="row in shaft.rows" :key="row.label" class="row">
          <span>{{ row.label }}</span><FigureText class="num" :figure="row.figure" />
        </div>
      </div>
    </section>
    <section class="shaft last" :style="{ minWidth: `${column}px` }" aria-label="Work">
      <h4>
        <b>{{ work.title === 'Table' ? 'Work' : work.title }}</b> <span>{{ work.carries }}</span>
      </h4>
      <div class="rows">
        <div v-for="row in work.rows" :key="row.label" class="row">
          <span>{{ row.label }}</span><FigureText class="num" :figure="row.figure" />
        </div>
      </div>
    </section>
  </div>
</template>

<style scoped>
.shafts {
  contain: content;
  /* the rows of all columns begin on one line, however long one head is */
  display: grid;
  grid-template-rows: auto 1fr;
  grid-auto-flow: column;
  justify-content: start;
  background: var(--p-ground-deep);
  border-top: 1px solid var(--p-scribe3);
  color: var(--p-scribe);
  min-height: 7.875rem;
}
.shaft {
  display: grid;
  grid-row: 1 / -1;
  grid-template-rows: subgrid;
  align-content: start;
  padding: 0.4375rem 1rem 0.375rem 1.25rem;
  position: relative;
}
.last .row {
  max-width: 11.25rem;
}
.shaft + .shaft::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0.5rem;
  bottom: 0.5rem;
  width: 1px;
  background: var(--p-scribe3);
}
h4 {
  font-size: 0.875rem;
  line-height: 1.125rem;
  margin-bottom: 2px;
  overflow-wrap: break-word;
}
h4 span {
  color: var(--p-scribe-text);
}
.row {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 0 0.5rem;
  font-size: 0.8125rem;
  line-height: 1.15625rem;
  min-height: 1.15625rem;
  color: var(--p-scribe-text);
}
.row > span:first-child {
  white-space: nowrap;
}
.num :deep(.u) {
  color: var(--p-scribe-text);
}
.num :deep(.fr) {
  font-size: 0.68em;
  margin-block: -0.25rem;
}
.num {
  margin-left: auto;
  text-align: right;
  color: var(--p-scribe);
  font-size: 0.875rem;
  letter-spacing: -0.02em;
}
</style>
