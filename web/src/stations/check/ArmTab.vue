<script setup lang="ts">
import { computed } from 'vue';
import { mdiPlus } from '@mdi/js';
import { DutyChart } from '../../ui/duty-chart.ts';
import { useReport } from '../../ui/open-drive.ts';
import TextTable from '../../ui/TextTable.vue';
import { useDuty } from '../../ui/use-duty.ts';
import CheckHead from './CheckHead.vue';
import DutyFold from './DutyFold.vue';

/** A tangent arm: how far a steady screw goes wrong, and what puts it right. */
const report = useReport();
const { list, specs, set, add, remove } = useDuty('arm');
const arm = computed(() => report.value.duties.arm);
</script>

<template>
  <div class="page">
    <section class="left">
      <CheckHead open="arm" />
      <div class="scroll main">
        <template v-if="arm">
          <DutyFold :duty="arm" :specs="specs" :data="list[0]!" :set="set(0)" @remove="remove(0)" />
          <DutyChart v-for="c in arm.charts" :key="c.key" :chart="c" />
        </template>
        <div v-else class="teach">
          <h3>No tangent arm</h3>
          <p class="quiet">
            A screw that opens a hinge follows the job’s first rate, or the stars when none is asked.
          </p>
          <v-btn :prepend-icon="mdiPlus" @click="add()">Give a tangent arm</v-btn>
        </div>
      </div>
    </section>
    <aside class="right scroll" tabindex="0" aria-label="Correction table">
      <template v-if="arm?.table">
        <header class="sub">
          <h3>{{ arm.table.title }}</h3>
          <span class="q">one speed a minute</span>
        </header>
        <TextTable :table="arm.table" />
      </template>
    </aside>
  </div>
</template>

<style scoped src="./duty.css"></style>
