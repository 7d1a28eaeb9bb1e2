<script setup lang="ts">
import { computed } from 'vue';
import { cellLabels, CELLS, type OutputReport, type VerdictCell } from '@pendrix/core';
import GradeTag from './GradeTag.vue';
import RichText from './RichText.vue';
import { useOpenDrive } from './open-drive.ts';

/** Every output with its row of verdicts; what none of them is asked has no column. Pressing one looks at it, in every station. */
const { tree, output, look } = useOpenDrive();
const outputs = computed(() => tree.value?.outputs ?? []);
const cellOf = (o: OutputReport, cell: (typeof CELLS)[number]): VerdictCell =>
  o.verdict.find((c) => c.cell === cell)!;
const columns = computed(() =>
  CELLS.filter((cell) => outputs.value.some((o) => cellOf(o, cell).figure !== null)),
);
</script>

<template>
  <div class="wide scroll" tabindex="0" aria-label="Outputs with their verdicts">
    <table>
      <thead>
        <tr>
          <th scope="col">Output</th>
          <th v-for="cell in columns" :key="cell" scope="col">{{ cellLabels[cell] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="o in outputs" :key="o.at" :class="{ on: o.at === output }">
          <th scope="row">
            <button type="button" :aria-pressed="o.at === output" @click="look(o.name)">
              <b>{{ o.name }}</b><span>{{ o.begins }}</span>
            </button>
          </th>
          <td v-for="cell in columns" :key="cell">
            <template v-if="cellOf(o, cell).figure"
              ><RichText class="value mono" :text="cellOf(o, cell).figure!.text" /><GradeTag
                v-if="cellOf(o, cell).graded"
                :graded="cellOf(o, cell).graded!"
            /></template>
            <span v-else class="quiet">{{ cellOf(o, cell).absent }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 0.875rem;
}
thead th {
  text-align: left;
  font-size: 0.8125rem;
  font-weight: 400;
  color: var(--p-quiet);
  padding: 0.25rem 0.625rem 0.375rem 0;
}
tbody tr {
  border-top: 1px solid var(--p-row);
}
tbody .on {
  background: var(--p-tint);
  box-shadow: inset 3px 0 var(--p-blue);
}
tbody th {
  text-align: left;
  font-weight: 400;
  padding: 0;
}
button {
  display: block;
  width: 100%;
  min-height: 2.75rem;
  padding: 0.25rem 0.625rem;
  text-align: left;
}
button b {
  display: block;
}
button span,
.quiet {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  color: var(--p-quiet);
}
.on b {
  color: var(--p-blue);
}
td {
  padding: 0.3125rem 0.75rem 0.3125rem 0;
  vertical-align: top;
}
.value {
  display: block;
  font-weight: 600;
  white-space: nowrap;
}
td :deep(.grade) {
  font-size: 0.8125rem;
  line-height: 1rem;
}
</style>
