<script setup lang="ts">
import { computed } from 'vue';
import { mdiPlus } from '@mdi/js';
import { useReport } from '../../ui/open-drive.ts';
import { useDuty } from '../../ui/use-duty.ts';
import CheckHead from './CheckHead.vue';
import DutyFold from './DutyFold.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

/** Speeds at the work and at the motor, and knobs turned by hand. */
const report = useReport();
const spins = useDuty('spins');
const knob = useDuty('knob');
const reports = computed(() => report.value.duties.spins);
const hand = computed(() => report.value.duties.knob);
</script>

<template>
  <TwoColumns aside="Hand knob" shares="minmax(0, 716fr) minmax(0, 484px)">
    <CheckHead open="spin" />
    <div class="scroll main">
      <div v-if="reports.length === 0" class="teach">
        <h3>No speed is asked</h3>
        <p class="quiet">
          A range of speeds at the work: what the motor must turn at, and how smooth it looks.
        </p>
      </div>
      <DutyFold
        v-for="(duty, at) in reports"
        :key="at"
        :duty="duty"
        :specs="spins.specs"
        :data="spins.list.value[at]!"
        :set="spins.set(at)"
        @remove="spins.remove(at)"
      />
      <div class="actions">
        <v-btn :prepend-icon="mdiPlus" @click="spins.add()">Ask for a range of speeds</v-btn>
      </div>
    </div>
    <template #aside>
      <header class="sub"><h3>Turned by hand</h3></header>
      <DutyFold
        v-if="hand"
        :duty="hand"
        :specs="knob.specs"
        :data="knob.list.value[0]!"
        :set="knob.set(0)"
        @remove="knob.remove(0)"
      />
      <div v-else class="teach">
        <p class="quiet">
          A knob on the motor’s shaft: how far one mark turns the work, and how many turns go across a range.
        </p>
        <v-btn :prepend-icon="mdiPlus" @click="knob.add()">Add a hand knob</v-btn>
      </div>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
