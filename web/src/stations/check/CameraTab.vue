<script setup lang="ts">
import { computed } from 'vue';
import { mdiPlus } from '@mdi/js';
import { DutyChart } from '../../ui/duty-chart.ts';
import { useReport } from '../../ui/open-drive.ts';
import { useDuty } from '../../ui/use-duty.ts';
import CheckHead from './CheckHead.vue';
import DutyFold from './DutyFold.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

/** What a camera sees of the drive; beside it two axes that are not polar. */
const report = useReport();
const camera = useDuty('camera');
const axes = useDuty('altAz');
const seen = computed(() => report.value.duties.camera);
const pointed = computed(() => report.value.duties.altAz);
</script>

<template>
  <TwoColumns aside="Altitude and azimuth" shares="minmax(0, 716fr) minmax(0, 484px)">
    <CheckHead open="camera" />
    <div class="scroll main">
      <template v-if="seen">
        <DutyFold
          :duty="seen"
          :specs="camera.specs"
          :data="camera.list.value[0]!"
          :set="camera.set(0)"
          @remove="camera.remove(0)"
        />
        <DutyChart v-for="c in seen.charts" :key="c.key" :chart="c" />
      </template>
      <div v-else class="teach">
        <h3>No camera yet</h3>
        <p class="quiet">
          Its lens and its pixels: then a drift is a trail, and the longest exposure that stays round is
          known.
        </p>
        <v-btn :prepend-icon="mdiPlus" @click="camera.add()">Add a camera</v-btn>
      </div>
    </div>
    <template #aside>
      <header class="sub"><h3>Altitude and azimuth</h3></header>
      <template v-if="pointed">
        <DutyFold
          :duty="pointed"
          :specs="axes.specs"
          :data="axes.list.value[0]!"
          :set="axes.set(0)"
          @remove="axes.remove(0)"
        />
        <DutyChart v-for="c in pointed.charts" :key="c.key" :chart="c" />
      </template>
      <div v-else class="teach">
        <p class="quiet">
          Two axes that are not polar: how fast each must turn along a star’s path, and how the picture turns.
        </p>
        <v-btn :prepend-icon="mdiPlus" @click="axes.add()">Add two axes</v-btn>
      </div>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
