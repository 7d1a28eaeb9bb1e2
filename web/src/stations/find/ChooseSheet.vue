<script setup lang="ts">
import { chooseTable, type ChooseReport } from '@pendrix/core/choose/index';

/** Drives compared, on paper: each a row, so that many go on a page. */
const { title, report } = defineProps<{ title: string; report: ChooseReport }>();
const { head, rows } = chooseTable(report);
</script>

<template>
  <h1>{{ title }}: whole drives</h1>
  <table>
    <thead>
      <tr>
        <th v-for="h in head" :key="h" class="l" scope="col">{{ h }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(r, i) in rows" :key="i">
        <td v-for="(c, j) in r" :key="j" class="l">{{ c }}</td>
      </tr>
    </tbody>
  </table>
  <p v-for="d in report.dropped" :key="d.family">{{ d.family }}: {{ d.by }}</p>
  <p>{{ report.certificate }}</p>
</template>
