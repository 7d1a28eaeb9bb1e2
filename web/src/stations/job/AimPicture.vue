<script setup lang="ts">
import type { AimId } from '@pendrix/core/start/index';

/** What a drive shall do, scribed on blue. */
defineProps<{ aim: AimId }>();

const [W, H] = [176, 84];
const at = (cx: number, cy: number, r: number, turns: number): string =>
  `${(cx + r * Math.cos(turns * 2 * Math.PI)).toFixed(1)} ${(cy + r * Math.sin(turns * 2 * Math.PI)).toFixed(1)}`;

/** The rim of a toothed wheel: between root and tip, tooth by tooth. */
function rim(cx: number, cy: number, r: number, teeth: number, depth: number): string {
  const each = (i: number): string =>
    [
      [0.05, 0],
      [0.2, depth],
      [0.55, depth],
      [0.7, 0],
    ]
      .map(([part, out]) => at(cx, cy, r - depth / 2 + out!, (i + part!) / teeth))
      .join('L');
  return `M${Array.from({ length: teeth }, (_, i) => each(i)).join('L')}Z`;
}
/** Stars that trail about the pole. */
const trails = Array.from({ length: 11 }, (_, i) => {
  const r = 9 + i * 6.2;
  const from = -0.52 + (((i * 7) % 5) * 0.5) / 6.3;
  return `M${at(88, 66, r, from)}A${r} ${r} 0 0 1 ${at(88, 66, r, from + 0.1)}`;
});
const hours = Array.from({ length: 12 }, (_, i) => `M${at(66, 42, 30, i / 12)}L${at(66, 42, 26, i / 12)}`);
const marks = [0, 1, 2, 3, 4].map((i) => `M88 42L${at(88, 42, 21, -0.25 + i * 0.027)}`);
</script>

<template>
  <svg class="aim-picture" :viewBox="`0 0 ${W} ${H}`" aria-hidden="true" preserveAspectRatio="xMidYMid slice">
    <g v-if="aim === 'divide'">
      <path class="axis" d="M8 42H168" />
      <path class="main" :d="rim(88, 42, 31, 37, 3)" />
      <circle class="fine" cx="88" cy="42" r="21" />
      <path class="main" d="M88 9V1M83 1H93" />
      <path v-for="(d, i) in marks" :key="i" :class="i ? 'fine' : 'main'" :d="d" />
    </g>
    <g v-else-if="aim === 'sky'">
      <path v-for="(d, i) in trails" :key="i" :class="i % 3 ? 'second' : 'main'" :d="d" />
      <circle class="dot" cx="88" cy="66" r="1.7" />
      <path class="fine" d="M4 78l34 -7 22 5 30 -4 26 6 24 -8 34 8" />
    </g>
    <g v-else-if="aim === 'camera'">
      <path class="second" d="M14 60H162M14 65H162M96 60v-5M112 60v-5M128 60v-5M144 60v-5" />
      <rect class="main" x="44" y="44" width="34" height="15" />
      <rect class="main" x="52" y="24" width="18" height="15" />
      <circle class="second" cx="61" cy="31.5" r="4.6" />
      <path class="main" d="M88 50h34l-7 -4.5m7 4.5l-7 4.5" />
    </g>
    <g v-else-if="aim === 'table'">
      <ellipse class="main" cx="88" cy="50" rx="52" ry="15" />
      <path class="second" d="M36 50v6c0 8 23 15 52 15s52 -7 52 -15v-6" />
      <path class="main" d="M72 44c0 -20 8 -28 16 -28s16 8 16 28" />
      <path class="main" d="M130 38c8 3 12 7 12 12l-6 -4m6 4l4 -6" />
    </g>
    <g v-else-if="aim === 'movement'">
      <circle class="main" cx="66" cy="42" r="30" />
      <path class="main" d="M66 42V19M66 42l16 9" />
      <path v-for="d in hours" :key="d" class="second" :d="d" />
      <path class="second" :d="rim(124, 36, 20, 26, 2.2)" />
      <path class="second" :d="rim(146, 62, 10, 12, 2.2)" />
    </g>
    <g v-else>
      <path class="main" :d="rim(58, 42, 15, 15, 3)" />
      <path class="main" :d="rim(112, 42, 37, 37, 3)" />
      <circle class="second" cx="58" cy="42" r="3" />
      <circle class="second" cx="112" cy="42" r="3" />
    </g>
  </svg>
</template>

<style scoped>
.aim-picture {
  display: block;
  width: 100%;
  height: 5.25rem;
  background: var(--p-ground);
  fill: none;
  stroke-width: 1.4;
  stroke-linecap: round;
}
.main {
  stroke: var(--p-scribe);
}
.second {
  stroke: var(--p-scribe2);
  stroke-width: 1.2;
}
.fine {
  stroke: var(--p-scribe3);
  stroke-width: 1.2;
}
.axis {
  stroke: var(--p-scribe3);
  stroke-width: 1;
  stroke-dasharray: 12 3 2 3;
  stroke-linecap: butt;
}
.dot {
  fill: var(--p-scribe);
}
</style>
