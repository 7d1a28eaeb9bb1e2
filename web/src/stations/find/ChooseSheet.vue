<script setup lang="ts">
import { chooseTable, type ChooseReport } from '@pendrix/core/choose/index';

/** Drives compared, on paper: so many side by side as an upright page has room for, the next below them. */
const { title, report } = defineProps<{ title: string; report: ChooseReport }>();
const BESIDE = 3;
const { head, rows } = chooseTable(report);
const blocks = Array.from({ length: Math.ceil(rows.length / BESIDE) }, (_, i) =>
  rows.slice(i * BESIDE, (i + 1) * BESIDE),
);
</script>

<template>
  <h1>{{ title }}: whole drives</h1>
  <table v-for="(drives, b) in blocks" :key="b" class="beside">
    <thead>
      <tr>
        <td></td>
        <th v-for="(drive, i) in drives" :key="i" class="l" scope="col">{{ drive[0] }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(h, m) in head.slice(1)" :key="h">
        <th class="l" scope="row">{{ h }}</th>
        <td v-for="(drive, i) in drives" :key="i" class="l">{{ drive[m + 1] }}</td>
      </tr>
    </tbody>
  </table>
  <p v-for="d in report.dropped" :key="d.family">{{ d.family }}: {{ d.by }}</p>
  <p>{{ report.certificate }}</p>
</template>

<style scoped>
.beside {
  width: 100%;
  table-layout: fixed;
  margin-bottom: 5mm;
}
.beside th[scope='col'] {
  overflow-wrap: anywhere;
}
.beside th[scope='row'],
.beside thead td {
  width: 24%;
}
</style>
