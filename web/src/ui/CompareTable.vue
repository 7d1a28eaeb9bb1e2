<script setup lang="ts">
import { plainText, type CompareRow } from '@pendrix/core';
import GradeTag from './GradeTag.vue';
import RichText from './RichText.vue';

/** Figures of two trains side by side; what differs is marked, what is equal goes quiet. */
defineProps<{ rows: readonly CompareRow[]; aName: string; bName: string }>();
const alt = (side: CompareRow['a']): string => `${plainText(side.text)} ${side.graded?.word ?? ''}`;
</script>

<template>
  <table>
    <thead>
      <tr>
        <th></th>
        <th>{{ aName }}</th>
        <th>{{ bName }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.label" :class="{ differs: row.differs }">
        <th scope="row">{{ row.label }}<span v-if="row.differs" class="sr-only">, differs</span></th>
        <td v-for="(side, i) in [row.a, row.b]" :key="i" :aria-label="alt(side)">
          <RichText class="fig" :text="side.text" />
          <GradeTag v-if="side.graded" :graded="side.graded" />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.8125rem;
  table-layout: fixed;
}
thead th {
  text-align: left;
  font-weight: 650;
  padding: 0.25rem 0.5rem;
  border-bottom: 1px solid var(--p-ink);
}
th:first-child {
  width: 27%;
  padding-left: 0.875rem;
}
tbody th {
  text-align: left;
  font-weight: 400;
  color: var(--p-quiet);
  vertical-align: top;
  padding: 0.3125rem 0.5rem;
}
td {
  vertical-align: top;
  padding: 0.3125rem 0.5rem;
  color: var(--p-quiet);
  overflow-wrap: anywhere;
}
td .fig {
  display: block;
  font-size: 0.875rem;
  font-variant-numeric: tabular-nums;
}
td :deep(.grade) {
  font-size: 0.8125rem;
  gap: 0.25rem;
}
td :deep(.grade > span) {
  white-space: normal;
}
tr {
  border-bottom: 1px solid var(--p-row);
}
.differs {
  background: var(--p-tint);
}
.differs th,
.differs td {
  color: var(--p-ink);
}
.differs th:first-child {
  box-shadow: inset 3px 0 0 var(--p-blue);
}
</style>
