<script setup lang="ts">
import { LOG_HEAD, logRows, type LogRow } from '@pendrix/core';

/** The log on paper. */
const { title, rows } = defineProps<{ title: string; rows: readonly LogRow[] }>();
const lines = logRows(rows);
</script>

<template>
  <h1>{{ title }}: log</h1>
  <table>
    <thead>
      <tr>
        <th v-for="h in LOG_HEAD" :key="h" class="l" scope="col">{{ h }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(r, i) in lines" :key="i">
        <td v-for="(c, j) in r" :key="j" class="l">{{ c }}</td>
      </tr>
    </tbody>
  </table>
</template>
