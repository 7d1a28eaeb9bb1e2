<script setup lang="ts">
import { computed } from 'vue';
import type { AsksReport } from '@pendrix/core';
import RichSvg from '../../ui/RichSvg.vue';

/** A scale of powers of ten with a pin for each wanted number of steps. */
const { pins, width = 412 } = defineProps<{ pins: AsksReport['pins']; width?: number }>();
const Y = 58;
const range = computed(() => {
  const logs = pins.map((p) => p.log10);
  const low = Math.max(0, Math.floor(Math.min(...logs, 3) - 0.3));
  return { low, high: Math.max(low + 4, Math.ceil(Math.max(...logs, 6) + 0.4)) };
});
const X = (log: number): number => ((log - range.value.low) / (range.value.high - range.value.low)) * width;
const every = computed(() => Math.ceil((range.value.high - range.value.low) / 9));
const powers = computed(() => {
  const out: number[] = [];
  for (let e = range.value.low; e <= range.value.high; e += every.value) out.push(e);
  return out;
});
const ticks = computed(() => {
  if (every.value > 1) return [];
  const out: { x: number; h: number }[] = [];
  for (let e = range.value.low; e < range.value.high; e++)
    for (let k = 2; k < 10; k++) out.push({ x: X(e + Math.log10(k)), h: k === 5 ? 7 : 4 });
  return out;
});
/** Labels take a row each, so that they never run into one another; those on the right half read leftwards. */
const placed = computed(() =>
  pins.map((p, i) => ({ ...p, x: X(p.log10), row: i, left: X(p.log10) > width * 0.55 })),
);
const alt = computed(
  () =>
    `On a scale of powers of ten: ${pins.map((p) => `${p.message} near 10 to the ${p.log10.toFixed(1)}`).join(', ')}.`,
);
</script>

<template>
  <svg class="scale" :width="width" height="78" :viewBox="`0 0 ${width} 78`" role="img" :aria-label="alt">
    <path v-for="(t, i) in ticks" :key="i" :d="`M${t.x} ${Y}v-${t.h}`" class="tick" />
    <g v-for="e in powers" :key="e">
      <path :d="`M${X(e)} ${Y}v-10`" class="ten" />
      <text
        :x="X(e)"
        :y="Y + 18"
        :text-anchor="e === powers[0] ? 'start' : X(e) > width - 12 ? 'end' : 'middle'"
        class="ax"
      >
        <RichSvg :text="['10', { sup: String(e) }]" />
      </text>
    </g>
    <path :d="`M0 ${Y + 0.5}H${width}`" class="ink" />
    <g v-for="p in placed" :key="p.message" :class="p.tone">
      <path :d="`M${p.x} ${Y}V${8 + p.row * 15}`" stroke="currentColor" stroke-width="2" />
      <path :d="`M${p.x} ${Y - 1}l-5 -9h10z`" fill="currentColor" />
      <text
        :x="p.x + (p.left ? -6 : 6)"
        :y="14 + p.row * 15"
        :text-anchor="p.left ? 'end' : 'start'"
        class="an"
      >
        {{ p.message }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.scale {
  overflow: visible;
  max-width: 100%;
}
.tick {
  stroke: var(--p-tick);
}
.ten {
  stroke: var(--p-quiet);
}
.ink {
  stroke: var(--p-ink);
}
.ax {
  font: 400 13px var(--mono);
  fill: var(--p-quiet);
}
.an {
  font: 600 13px var(--text);
  fill: currentColor;
  paint-order: stroke;
  stroke: var(--p-surface);
  stroke-width: 3px;
}
.even {
  color: var(--p-even);
}
.present {
  color: var(--p-blue);
}
.all {
  color: var(--p-amber);
}
</style>
