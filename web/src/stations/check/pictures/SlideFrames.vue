<script setup lang="ts">
import { computed, useTemplateRef } from 'vue';
import type { FramesPicture } from '@pendrix/core';

/** A slide from its side: where each frame should stand, above, and where it does, below, the error drawn larger. */
const { picture } = defineProps<{ picture: FramesPicture }>();
const slide = useTemplateRef<SVGSVGElement>('slide');
defineExpose({ svg: slide });
const [WIDTH, EDGE] = [452, 16];
/** Marks that can still be told apart. */
const MOST = 72;
const shown = computed(() => {
  const every = Math.ceil(picture.frames.length / MOST);
  return picture.frames.filter((_, i) => i % every === 0);
});
const span = computed(() => {
  const [a, b] = [picture.frames[0]!.ideal, picture.frames.at(-1)!.ideal];
  return { from: a, way: b - a || 1 };
});
const x = (v: number): number => EDGE + ((WIDTH - 2 * EDGE) * (v - span.value.from)) / span.value.way;
/** 1, 2 or 5 of a power of ten: the largest at which no mark passes its neighbour. */
const times = computed(() => {
  const most = Math.max(1e-12, ...picture.frames.map((f) => Math.abs(f.off)));
  const want = Math.abs(span.value.way) / MOST / most;
  const ten = 10 ** Math.floor(Math.log10(Math.max(1, want)));
  const first = [5, 2, 1].find((n) => n * ten <= want) ?? 1;
  return first * ten;
});
const wanted = computed(() => shown.value.map((f) => `M${x(f.ideal).toFixed(2)} 22v26`).join(''));
const real = computed(() =>
  shown.value.map((f) => `M${x(f.ideal + f.off * times.value).toFixed(2)} 58v26`).join(''),
);
</script>

<template>
  <svg
    ref="slide"
    viewBox="0 0 452 108"
    data-size="452 108"
    role="img"
    :aria-label="`${picture.title}: ${picture.message}`"
  >
    <text x="16" y="15">as wanted</text>
    <path class="wanted" :d="wanted" />
    <path class="rail" d="M10 53H442" />
    <path class="real" :d="real" />
    <text x="16" y="100">as it would stand, errors {{ times.toLocaleString('en-GB') }}×</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: auto;
  background: var(--p-ground);
}
.wanted,
.rail {
  stroke: var(--p-scribe3);
}
.real {
  stroke: var(--p-scribe);
  stroke-width: 1.4;
}
text {
  fill: var(--p-scribe);
  font: 400 13px var(--text);
}
</style>
