<script setup lang="ts">
import { computed } from 'vue';
import type { DutyTable } from '@pendrix/core';

/** Rows of a table as text; the first of many, the file has them all. */
const { table, most = 200 } = defineProps<{ table: DutyTable; most?: number }>();
const rows = computed(() => table.rows.slice(0, most));
</script>

<template>
  <v-table v-focus-scroll class="text-table" fixed-header>
    <caption class="sr-only">
      {{
        table.title
      }}
    </caption>
    <thead>
      <tr>
        <th v-for="h in table.head" :key="h" scope="col" class="num">{{ h }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="i">
        <td v-for="(cell, j) in row" :key="j" class="num">{{ cell.replace(/^-/, '−') }}</td>
      </tr>
    </tbody>
  </v-table>
  <p v-if="rows.length < table.rows.length" class="quiet beside">
    {{ table.rows.length - rows.length }} more in the file.
  </p>
</template>

<style scoped>
.text-table {
  --v-table-row-height: 1.4375rem;
}
</style>
