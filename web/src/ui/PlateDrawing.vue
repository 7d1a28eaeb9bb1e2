<script setup lang="ts">
import { computed } from 'vue';
import type { PlatePicture } from '@pendrix/core';

/** A plate seen from the crank, with the holes of one move and the sector arms. */
const { picture } = defineProps<{ picture: PlatePicture; title: string }>();
const SIZES = { start: 0.034, end: 0.034, between: 0.026, on: 0.024, other: 0.014 } as const;
const arm = (angle: number): string => {
  const [x, y] = [Math.sin(angle), -Math.cos(angle)];
  return `M ${0.14 * x} ${0.14 * y} L ${1.02 * x} ${1.02 * y}`;
};
/** The slice between the arms. */
const slice = computed(() => {
  if (!picture.arms) return null;
  const [a, b] = picture.arms;
  if (b - a < 0.01 || b - a > 2 * Math.PI - 0.01) return null;
  const p = (t: number): string => `${Math.sin(t)} ${-Math.cos(t)}`;
  return `M 0 0 L ${p(a)} A 1 1 0 ${b - a > Math.PI ? 1 : 0} 1 ${p(b)} Z`;
});
</script>

<template>
  <svg viewBox="-1.12 -1.1 2.24 2.2" role="img" :aria-label="title" class="plate">
    <circle class="edge" r="1" />
    <path v-if="slice" class="slice" :d="slice" />
    <circle v-for="r in picture.rings" :key="r.holes" class="ring" :class="{ used: r.used }" :r="r.r" />
    <circle
      v-for="(d, i) in picture.dots"
      :key="i"
      class="hole"
      :class="d.is"
      :cx="d.x"
      :cy="d.y"
      :r="SIZES[d.is]"
    />
    <template v-if="picture.arms">
      <path v-for="(a, i) in picture.arms" :key="i" class="arm" :d="arm(a)" />
    </template>
    <circle class="hub" r="0.16" />
    <circle class="hub in" r="0.07" />
  </svg>
</template>

<style scoped>
.plate {
  display: block;
  height: 100%;
  max-width: 100%;
}
.edge {
  fill: var(--p-ground);
  stroke: var(--p-scribe);
  stroke-width: 0.008;
}
.slice {
  fill: var(--p-ground-light);
}
.ring {
  fill: none;
  stroke: var(--p-centre);
  stroke-width: 0.006;
  stroke-dasharray: 0.06 0.02 0.012 0.02;
}
.ring.used {
  stroke: var(--p-scribe);
}
.hole {
  fill: var(--p-ground);
  stroke: var(--p-scribe2);
  stroke-width: 0.007;
}
.hole.on {
  stroke: var(--p-scribe);
  stroke-width: 0.011;
}
.hole.between {
  fill: var(--p-scribe3);
  stroke: var(--p-scribe);
  stroke-width: 0.011;
}
.hole.start,
.hole.end {
  fill: var(--p-bright);
  stroke: var(--p-bright);
}
.arm {
  stroke: var(--p-bright);
  stroke-width: 0.022;
  fill: none;
}
.hub {
  fill: var(--p-ground);
  stroke: var(--p-scribe);
  stroke-width: 0.01;
}
.hub.in {
  fill: var(--p-ground-light);
}
</style>
