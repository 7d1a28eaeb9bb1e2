<script setup lang="ts">
import type { OpenedPlate, PlatesReport } from '@pendrix/core';
import RichText from '../../ui/RichText.vue';

/** The wanted counts by the plates as they are printed, and the opened one step by step. */
defineProps<{ title: string; plates: PlatesReport; opened: OpenedPlate | null }>();
</script>

<template>
  <h1>{{ title }}: dividing by the plates</h1>
  <p>{{ plates.circles }}, {{ plates.message }}</p>
  <table>
    <thead>
      <tr>
        <th class="l" scope="col">Wanted</th>
        <th class="l" scope="col">Turns</th>
        <th class="l" scope="col">Grade</th>
        <th class="l" scope="col">Move the crank</th>
        <th class="l" scope="col">Plate</th>
        <th scope="col">Arms over</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in plates.rows" :key="row.divisions">
        <th class="l" scope="row">{{ row.divisions }}</th>
        <td class="l"><RichText :text="row.turns" /></td>
        <td class="l">{{ row.graded.word }}</td>
        <td class="l"><RichText :text="row.move" /></td>
        <td class="l">{{ row.plate }}</td>
        <td>{{ row.arms }}</td>
      </tr>
    </tbody>
  </table>
  <template v-if="opened">
    <h1>{{ opened.title }}</h1>
    <p>{{ opened.graded.word }}</p>
    <ol>
      <li v-for="(s, i) in opened.procedure" :key="s">{{ i + 1 }}. {{ s }}</li>
    </ol>
  </template>
</template>
