<script setup lang="ts">
import { computed } from 'vue';
import type { ChooseReport } from '@pendrix/core/choose/index';
import DrawnTrain from '../../ui/DrawnTrain.vue';
import GradeTag from '../../ui/GradeTag.vue';
import RichText from '../../ui/RichText.vue';

/** Drives side by side: the measures in their order, then the rest; a row in which they differ where it counts is lit. */
const { report, opened } = defineProps<{ report: ChooseReport; opened: string | null }>();
const emit = defineEmits<{ open: [key: string] }>();

const [WIDTH, HEIGHT] = [157, 64];
/** Widths of the row heads and of a drive, rem. */
const [FIRST, EACH] = [9.75, 9.875];
const drawings = computed(() => report.columns.map((c) => c.picture(WIDTH, HEIGHT)));
</script>

<template>
  <table class="choose" :style="{ width: `${FIRST + report.columns.length * EACH}rem` }">
    <thead>
      <tr>
        <th scope="col" class="first">
          <b>{{ report.unbeaten === 1 ? 'One' : report.unbeaten }} of {{ report.considered }}</b>
          <span class="quiet">nothing is better in all that counts</span>
        </th>
        <th v-for="(c, i) in report.columns" :key="c.key" scope="col" :class="{ on: c.key === opened }">
          <svg
            class="drawing"
            :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
            role="img"
            :aria-label="`${c.title}, drawn`"
            preserveAspectRatio="xMidYMid slice"
          >
            <DrawnTrain :drawing="drawings[i]!" small />
          </svg>
          <button
            type="button"
            class="name"
            :aria-pressed="c.key === opened"
            :disabled="c.present"
            @click="emit('open', c.key)"
          >
            <b>{{ c.title }}</b>
            <span class="quiet">{{ c.subtitle }}</span>
          </button>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in report.rows" :key="r.id" :class="{ lit: r.lit }">
        <th scope="row">
          <span v-if="r.counts !== null" class="ordinal">{{ r.counts }}</span><span class="title">{{
            r.title
          }}</span>
        </th>
        <td v-for="(cell, i) in r.cells" :key="i" :class="{ on: report.columns[i]!.key === opened }">
          <RichText v-if="cell.text.length > 0" class="mono" :text="cell.text" />
          <GradeTag v-if="cell.graded" :graded="cell.graded" />
          <span v-if="cell.note" class="quiet">{{ cell.note }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.choose {
  table-layout: fixed;
  border-collapse: separate;
  border-spacing: 0;
  font-size: 0.875rem;
  background: var(--p-surface);
}
th,
td {
  text-align: left;
  font-weight: 400;
  vertical-align: middle;
}
thead th {
  vertical-align: top;
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--p-surface);
  border-bottom: 1px solid var(--p-hair);
}
th:first-child {
  position: sticky;
  left: 0;
  z-index: 2;
  width: 9.75rem;
  background: inherit;
  padding: 0.375rem 0.5rem 0.375rem 1rem;
}
thead th:first-child {
  z-index: 3;
  background: var(--p-surface);
  padding-top: 0.75rem;
}
tbody tr {
  background: var(--p-surface);
}
tbody tr.lit {
  background: var(--p-even-ground);
}
.first .quiet,
.name .quiet {
  display: block;
  font-size: 0.8125rem;
  line-height: 1.0625rem;
}
thead th:not(:first-child) {
  border-left: 1px solid var(--p-row);
}
.drawing {
  display: block;
  width: 100%;
  height: 4rem;
  background: var(--p-ground);
}
.name {
  display: block;
  width: 100%;
  min-height: 3rem;
  padding: 0.375rem 0.5rem;
  text-align: left;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  cursor: pointer;
}
.name:disabled {
  cursor: default;
}
.on {
  box-shadow:
    inset 2px 0 0 var(--p-blue),
    inset -2px 0 0 var(--p-blue);
}
td.on,
th.on {
  background: var(--p-tint);
}
tr:last-child td.on {
  box-shadow:
    inset 2px -2px 0 var(--p-blue),
    inset -2px 0 0 var(--p-blue);
}
tbody th,
td {
  border-bottom: 1px solid var(--p-row);
  height: 2.1875rem;
}
td {
  padding: 0.25rem 0.5rem;
  border-left: 1px solid var(--p-row);
  overflow-wrap: anywhere;
}
td > * {
  margin-right: 0.375rem;
}
td :deep(.grade) {
  white-space: normal;
}
td .quiet {
  display: inline-block;
  font-size: 0.8125rem;
}
.title {
  font-weight: 500;
}
tbody th:not(:has(.ordinal)) .title {
  margin-left: 1.625rem;
  font-weight: 400;
}
</style>
