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
  min-height: 126px;
}
.shaft {
  display: grid;
  grid-row: 1 / -1;
  grid-template-rows: subgrid;
  align-content: start;
  padding: 7px 16px 6px 20px;
  position: relative;
}
.last .row {
  max-width: 180px;
}
.shaft + .shaft::before {
  content: '';
  position: absolute;
  left: 0;
  top: 8px;
  bottom: 8px;
  width: 1px;
  background: var(--p-scribe3);
}
h4 {
  font-size: 14px;
  line-height: 18px;
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
  gap: 0 8px;
  font-size: 13px;
  line-height: 18.5px;
  min-height: 18.5px;
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
  margin-block: -4px;
}
.num {
  margin-left: auto;
  text-align: right;
  color: var(--p-scribe);
  font-size: 14px;
  letter-spacing: -0.02em;
}
</style>
