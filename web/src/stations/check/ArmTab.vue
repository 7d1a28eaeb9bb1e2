<script setup lang="ts">
import { computed } from 'vue';
import { mdiPlus } from '@mdi/js';
import { outputKindOf, type Refusal, onCard } from '@pendrix/core';
import { DutyChart } from '../../ui/duty-chart.ts';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import TextTable from '../../ui/TextTable.vue';
import CheckHead from './CheckHead.vue';
import DutyFold from './DutyFold.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

/** The tangent arm that is the output: how far a steady screw goes wrong, and what puts it right. */
const { edit } = useOpenDrive();
const report = useReport();
const arm = computed(() => report.value.duties.one('arm'));
const output = computed(() => report.value.drive.train.output);
const set = (key: string, text: string, editSession?: string): Refusal | null =>
  edit({ do: 'output', key, text }, editSession);
/** The arm that a wanted screw speed asks for, when it is not the one that stands there. */
const wanted = computed(() => {
  const radius = arm.value?.lines.find((l) => l.figure.key === 'arm.radius')?.figure.value;
  return typeof radius === 'number' ? radius.toFixed(4) : null;
});
</script>

<template>
  <TwoColumns aside="Correction table" shares="minmax(0, 716fr) minmax(0, 484px)">
    <CheckHead open="arm" />
    <div class="scroll main">
      <template v-if="arm">
        <DutyFold
          :duty="arm"
          :specs="onCard(outputKindOf(output).inputs)"
          :data="output"
          :set="set"
          @remove="edit({ do: 'outputKind', kind: 'rotary' })"
        />
        <div v-if="wanted" class="actions">
          <v-btn @click="set('armMm', wanted)">Make the arm {{ wanted }} mm</v-btn>
        </div>
        <DutyChart v-for="c in arm.charts" :key="c.key" :chart="c" />
      </template>
      <div v-else class="teach">
        <h3>The output is no tangent arm</h3>
        <p class="quiet">
          A screw that opens a hinge, as in a barn door: it follows the job’s first rate, or the stars when
          none is asked, through the whole train before it.
        </p>
        <v-btn :prepend-icon="mdiPlus" @click="edit({ do: 'outputKind', kind: 'tangentArm' })"
          >Make the output a tangent arm</v-btn
        >
      </div>
    </div>
    <template #aside>
      <template v-if="arm?.table">
        <header class="sub">
          <h3>{{ arm.table.title }}</h3>
          <span class="q">one speed a minute</span>
        </header>
        <TextTable :table="arm.table" />
      </template>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
