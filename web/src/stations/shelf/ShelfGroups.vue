<script setup lang="ts">
import type { ShelfGroup, ShelfReport } from '@pendrix/core';

/** The groups of the shelf, each shown or left out, and what the lines that are shown come to. */
defineProps<{ report: ShelfReport; groups: readonly ShelfGroup[] }>();
const emit = defineEmits<{ toggle: [group: ShelfGroup] }>();
</script>

<template>
  <div class="groups">
    <div role="group" aria-label="Groups shown">
      <button
        v-for="g in report.groups"
        :key="g.id"
        type="button"
        :class="{ on: groups.includes(g.id), none: g.lines === 0 }"
        :aria-pressed="groups.includes(g.id)"
        @click="emit('toggle', g.id)"
      >
        <span>{{ g.title }}</span><span class="mono">{{ g.lines === 0 ? '–' : g.lines }}</span>
      </button>
    </div>
    <dl>
      <div>
        <dt>lines shown</dt>
        <dd class="mono">{{ report.lines }}</dd>
      </div>
      <div>
        <dt>pieces</dt>
        <dd class="mono">{{ report.pieces }}</dd>
      </div>
      <div>
        <dt>in use</dt>
        <dd class="mono">{{ report.inUse }}</dd>
      </div>
      <div>
        <dt>worth</dt>
        <dd>
          <span class="mono">{{ report.worth }}</span><span class="u">€</span>
        </dd>
      </div>
    </dl>
    <p class="quiet">{{ report.worthMessage }}</p>
  </div>
</template>

<style scoped>
.groups {
  padding-top: 0.375rem;
}
button {
  display: flex;
  justify-content: space-between;
  align-items: center;
  width: 100%;
  height: 2rem;
  padding: 0 0.75rem 0 1.25rem;
  font-size: 0.875rem;
  text-align: left;
}
button > .mono {
  color: var(--p-quiet);
}
button:hover {
  background: var(--p-tint);
}
button.none {
  color: var(--p-quiet);
}
button.on {
  background: var(--p-surface);
  box-shadow: inset 3px 0 0 var(--p-blue);
  color: var(--p-blue);
  font-weight: 650;
}
button:focus-visible {
  outline-offset: -2px;
}
dl {
  margin: 0.5rem 0.75rem 0 1.25rem;
  padding-top: 0.5rem;
  border-top: 1px solid var(--p-hair);
  font-size: 0.875rem;
}
dl > div {
  display: flex;
  justify-content: space-between;
  line-height: 1.375rem;
}
dt {
  color: var(--p-quiet);
}
p {
  margin: 0.5rem 0.75rem 0.75rem 1.25rem;
  font-size: 0.8125rem;
  line-height: 1.125rem;
}
</style>
