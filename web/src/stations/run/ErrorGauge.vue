<script setup lang="ts">
import { computed } from 'vue';
import { errorScale, type ErrorUnit, type Grade } from '@pendrix/core';

/** Where the work stands on a scale of the tolerance. */
const {
  error,
  unit,
  limit,
  tone,
  narrow = false,
} = defineProps<{ error: number; unit: ErrorUnit; limit: number; tone: Grade; narrow?: boolean }>();
const W = computed(() => (narrow ? 358 : 720));
const scale = computed(() => errorScale(limit, unit));
const X = (v: number): number => W.value / 2 + (v / scale.value.reach) * (W.value / 2);
const at = computed(() => Math.max(0, Math.min(W.value, X(error))));
const length = { long: 20, middle: 13, short: 8 } as const;
</script>

<template>
  <svg :viewBox="`0 -12 ${W} 54`" class="gauge" aria-hidden="true">
    <rect :x="X(-scale.limit)" y="0" :width="X(scale.limit) - X(-scale.limit)" height="20" class="band" />
    <g v-for="t in scale.ticks" :key="t.at">
      <path :d="`M${X(t.at)} 20v-${length[t.size]}`" :class="t.size" />
      <text v-if="t.label" :x="X(t.at)" y="38" text-anchor="middle" class="label">{{ t.label }}</text>
    </g>
    <path :d="`M0 20.5H${W}`" class="base" />
    <g :class="`tone-${tone}`">
      <path :d="`M${at} 20V-3`" stroke="currentColor" stroke-width="2.5" />
      <path :d="`M${at} 2l-6 -11h12z`" fill="currentColor" />
    </g>
  </svg>
</template>

<style scoped>
.gauge {
  width: 100%;
  height: auto;
  overflow: visible;
}
.band {
  fill: var(--p-even-ground);
  stroke: none;
}
.long,
.base {
  stroke: var(--p-ink);
}
.middle,
.short {
  stroke: var(--p-tick-ten);
}
.label {
  font: 400 14px var(--mono);
  fill: var(--p-quiet);
}
</style>
