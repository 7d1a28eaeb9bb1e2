<script setup lang="ts">
import { computed } from 'vue';
import { sheet, type RunPlan } from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import { MAX_PRINTED } from '../../ui/printing.ts';
import RichText from '../../ui/RichText.vue';
import DmsText from './DmsText.vue';
import { NAMES, sheetHeads } from './sheet-columns.ts';

/** The sheet of targets as it is printed: every line, with room to tick it off. */
const { title, plan } = defineProps<{ title: string; plan: RunPlan }>();
const whole = computed(() => sheet(plan));
const rows = computed(() =>
  Array.from({ length: Math.min(whole.value.length, MAX_PRINTED) }, (_, i) => whole.value.row(i)),
);
const left = computed(() => whole.value.length - rows.value.length);
</script>

<template>
  <h1>{{ title }}: {{ plan.divisions }} divisions{{ plan.doubt ? `, ${plan.doubt}` : '' }}</h1>
  <p>
    <RichText :text="whole.steps" /> {{ whole.unit }} a turn of the work, from gap to gap
    <RichText :text="whole.step" />
  </p>
  <table>
    <thead>
      <tr>
        <th v-for="h in sheetHeads(whole)" :key="h" scope="col">{{ h }}</th>
        <th scope="col">Done</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="`${row.is}${row.gap}`">
        <th scope="row">{{ NAMES[row.is] || row.gap }}</th>
        <td>{{ row.is === 'gap' ? row.move : '' }}</td>
        <td><Digits :text="row.target" /></td>
        <td v-if="!whole.plate"><Digits :text="row.moved" /></td>
        <td v-if="!whole.plate">{{ row.error }}</td>
        <td><DmsText :of="row.position" /></td>
        <td><RichText :text="row.crank" /></td>
        <td>☐</td>
      </tr>
    </tbody>
  </table>
  <p v-if="left > 0">{{ left }} more lines; the CSV file has them all.</p>
</template>
