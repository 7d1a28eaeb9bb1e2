<script setup lang="ts">
import { computed, useId } from 'vue';
import { limitText } from '@pendrix/core';

/** One error as a bar: whole up to the tolerance, hatched beyond it; hollow when it is taken out. The tolerance is a dash through every row. */
const {
  arcsec,
  scale,
  tolerance,
  out = false,
  head = false,
} = defineProps<{
  arcsec: number | null;
  /** ″ over its width */
  scale: number;
  tolerance: number | null;
  out?: boolean;
  head?: boolean;
}>();
const WIDTH = 120;
const x = (value: number): number => (value / scale) * WIDTH;
const end = computed(() => Math.min(WIDTH, x(arcsec ?? 0)));
const limit = computed(() => (tolerance === null ? null : x(tolerance)));
const within = computed(() => Math.min(end.value, limit.value ?? WIDTH));
const over = computed(() => arcsec !== null && x(arcsec) > WIDTH);
const hatch = useId();
</script>

<template>
  <svg class="bar" viewBox="0 0 120 34" width="120" height="34" aria-hidden="true">
    <defs>
      <pattern :id="hatch" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V4" class="miss" stroke-width="2.4" />
      </pattern>
    </defs>
    <template v-if="arcsec !== null && end > 0">
      <rect v-if="out" class="hollow" x="0.5" y="12.5" :width="Math.max(1, end - 1)" height="9" />
      <template v-else>
        <rect class="fill" x="0" y="12" :width="Math.max(1, within)" height="10" />
        <rect
          v-if="end > within"
          class="beyond"
          :x="within"
          y="12.5"
          :width="end - within"
          height="9"
          :fill="`url(#${hatch})`"
        />
      </template>
      <path v-if="over" class="break" d="M104 11l6 12M110 11l6 12" />
    </template>
    <path v-if="limit !== null && limit <= WIDTH" class="limit" :d="`M${limit} ${head ? 22 : 0}V34`" />
    <text v-if="head && limit !== null" class="word" :x="Math.min(limit, 96)" y="16" text-anchor="middle">
      ±{{ limitText(tolerance!) }}
    </text>
  </svg>
</template>

<style scoped>
.bar {
  display: block;
}
.fill {
  fill: var(--p-blue);
}
.beyond {
  stroke: var(--p-red);
}
.miss {
  stroke: var(--p-red);
}
.hollow {
  fill: none;
  stroke: var(--p-quiet);
  stroke-dasharray: 3 2;
}
.break {
  stroke: var(--p-paper);
  stroke-width: 3;
}
.limit {
  stroke: var(--p-even);
  stroke-dasharray: 4 3;
}
.word {
  fill: var(--p-even);
  font: 650 13px var(--text);
}
</style>
