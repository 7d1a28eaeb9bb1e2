<script setup lang="ts">
import { computed, useTemplateRef } from 'vue';
import { measured, type RipplePicture } from '@pendrix/core';

/** A turntable seen from above: how fast it goes at each place of one turn, drawn about the ring of an even speed. */
const { picture } = defineProps<{ picture: RipplePicture }>();
const disc = useTemplateRef<SVGSVGElement>('disc');
defineExpose({ svg: disc });
const [R, ROOM, C] = [92, 26, 130];
const most = computed(() => Math.max(1e-12, ...picture.curve.map(Math.abs)));
const ring = computed(
  () =>
    `${picture.curve
      .map((v, i) => {
        const a = (2 * Math.PI * i) / picture.curve.length;
        const r = R + (ROOM * v) / most.value;
        return `${i === 0 ? 'M' : 'L'}${(C + r * Math.sin(a)).toFixed(2)} ${(C - r * Math.cos(a)).toFixed(2)}`;
      })
      .join('')}Z`,
);
</script>

<template>
  <svg
    ref="disc"
    viewBox="0 0 260 260"
    data-size="260 260"
    width="260"
    height="260"
    role="img"
    :aria-label="`${picture.title}: ${picture.message}`"
  >
    <circle class="even" :cx="C" :cy="C" :r="R" />
    <circle class="fine" :cx="C" :cy="C" :r="R - ROOM" />
    <circle class="fine" :cx="C" :cy="C" :r="R + ROOM" />
    <path class="ring" :d="ring" />
    <path class="fine" :d="`M${C - 6} ${C}h12M${C} ${C - 6}v12`" />
    <text :x="C" :y="C + 30" text-anchor="middle">outer ring +{{ measured(most) }} %</text>
    <text :x="C" :y="C + 46" text-anchor="middle">inner −{{ measured(most) }} %</text>
  </svg>
</template>

<style scoped>
svg {
  background: var(--p-ground);
}
.even {
  fill: none;
  stroke: var(--p-scribe2);
  stroke-dasharray: 4 3;
}
.fine {
  fill: none;
  stroke: var(--p-scribe3);
}
.ring {
  fill: none;
  stroke: var(--p-scribe);
  stroke-width: 1.6;
}
text {
  fill: var(--p-scribe);
  font: 400 13px var(--text);
}
</style>
