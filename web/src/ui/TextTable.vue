<script setup lang="ts">
import { computed } from 'vue';
import type { DutyTable } from '@pendrix/core';

/** Rows of a table as text; the first of many, the file has them all. */
const { table, most = 200 } = defineProps<{ table: DutyTable; most?: number }>();
const rows = computed(() => table.rows.slice(0, most));
</script>

<template>
  <table class="text-table">
    <caption class="sr-only">
      {{
        table.title
      }}
    </caption>
    <thead>
      <tr>
        <th v-for="h in table.head" :key="h" scope="col">{{ h }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="i">
        <td v-for="(cell, j) in row" :key="j">{{ cell.replace(/^-/, '−') }}</td>
      </tr>
    </tbody>
  </table>
  <p v-if="rows.length < table.rows.length" class="rest quiet">
    {{ table.rows.length - rows.length }} more in the file.
  </p>
</template>

<style scoped>
.text-table {
  width: 100%;
  font-size: 14px;
  border-collapse: collapse;
}
th {
  position: sticky;
  top: 0;
  background: var(--p-surface);
  font: 400 13px/18px var(--text);
  color: var(--p-quiet);
  text-align: right;
  padding: 5px 16px 5px 8px;
  border-bottom: 1px solid var(--p-hair);
}
td {
  font-family: var(--mono);
  text-align: right;
  line-height: 22px;
  padding: 0 16px 0 8px;
  border-bottom: 1px solid var(--p-row);
}
.rest {
  font-size: 13px;
  padding: 8px 20px;
}
</style>
