<script setup lang="ts">
import { computed } from 'vue';
import { mdiContentCopy } from '@mdi/js';
import type { StripReport } from '@pendrix/core';
import GradeTag from '../../ui/GradeTag.vue';
import { useCopy } from '../../ui/copy.ts';
import FoldPanel from '../../ui/FoldPanel.vue';

/** All counts from 2 to 400 in rows of fifty, a mark for each that comes out even; the same as a list. */
const { strip, asked } = defineProps<{ strip: StripReport; asked: readonly number[] }>();
const copy = useCopy();
const STEP = 6.9;
const ROW = 15;
const PER = 50;
const X = (n: number): number => 30 + ((n - 1) % PER) * STEP;
const Y = (n: number): number => 10 + Math.floor((n - 1) / PER) * ROW;
const marks = (grade: string): string =>
  strip.map
    .filter((m) => m.grade === grade)
    .map((m) => `M${X(m.divisions).toFixed(1)} ${Y(m.divisions) - 4}v8`)
    .join('');
const even = computed(() => marks('even'));
const fine = computed(() => marks('evenMicrostep'));
const rest = computed(() =>
  strip.map
    .filter((m) => m.grade !== 'even' && m.grade !== 'evenMicrostep')
    .map((m) => `M${X(m.divisions).toFixed(1)} ${Y(m.divisions) + 3}v1.4`)
    .join(''),
);
const rings = computed(() => asked.filter((n) => n >= 2 && n <= 400));
const copyList = (): Promise<void> => copy(strip.list, 'The list is', 'Select the list and copy it by hand.');
</script>

<template>
  <FoldPanel class="strip" title="What comes out even, 2 to 400">
    <template #title>
      <h3>What comes out even, 2 to 400</h3>
      <v-spacer />
      <span class="in-line tally">
        <GradeTag :graded="{ grade: 'even', word: String(strip.even) }" />
        <GradeTag
          v-if="strip.microstep > 0"
          :graded="{ grade: 'evenMicrostep', word: String(strip.microstep) }"
        />
      </span>
    </template>
    <svg
      width="378"
      height="128"
      viewBox="0 0 378 128"
      role="img"
      :aria-label="`Even: ${strip.list || 'none'}`"
    >
      <text v-for="row in 8" :key="row" x="24" :y="Y((row - 1) * 50 + 1) + 4" text-anchor="end" class="m">
        {{ (row - 1) * 50 + 1 }}
      </text>
      <path class="rest" :d="rest" />
      <path class="even" :d="even" />
      <path class="fine" :d="fine" />
      <circle v-for="n in rings" :key="n" class="ring" :cx="X(n)" :cy="Y(n)" r="5.6" />
    </svg>
    <p class="key quiet">Tall: on whole steps. Tall and open: on a microstep. Ringed: asked for.</p>
    <p class="list">{{ strip.list || 'No count from 2 to 400 comes out even.' }}</p>
    <v-btn v-if="strip.list" variant="text" :prepend-icon="mdiContentCopy" @click="copyList"
      >Copy the list</v-btn
    >
  </FoldPanel>
</template>

<style scoped>
.tally {
  margin-right: 6px;
}
.strip {
  border-top: 1px solid var(--p-hair);
  padding: 0 14px;
}
svg {
  max-width: 100%;
}
.m {
  font: 400 12px var(--mono);
  fill: var(--p-quiet);
}
.rest {
  stroke: var(--p-tick);
  stroke-width: 1.4;
}
.even {
  stroke: var(--p-even);
  stroke-width: 2.6;
}
.fine {
  stroke: var(--p-even);
  stroke-width: 2.6;
  stroke-dasharray: 2.4 3;
}
.ring {
  fill: none;
  stroke: var(--p-blue);
  stroke-width: 1.4;
}
.key {
  font-size: 13px;
}
.list {
  font: 400 13px/19px var(--mono);
  letter-spacing: -0.04em;
  max-height: 120px;
  overflow: auto;
}
</style>
