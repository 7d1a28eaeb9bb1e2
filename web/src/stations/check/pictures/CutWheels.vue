<script setup lang="ts">
import { computed, useTemplateRef } from 'vue';
import { signedAngle, type WheelPicture } from '@pendrix/core';

/** The wheel beside a perfect one: every tooth where the simulation puts it, the error drawn larger. */
const {
  picture,
  size = 142,
  worst = '',
} = defineProps<{ picture: WheelPicture; size?: number; worst?: string }>();
/** Teeth that can be told apart. */
const MOST = 400;
const TIMES = 100;
const divisions = computed(() => picture.divisions);
const errors = computed(() => (picture.divisions <= MOST ? picture.errors : null));
const cutWheel = useTemplateRef<SVGSVGElement>('cutWheel');
defineExpose({ svg: cutWheel });

const R = 62;
const point = (turns: number, r: number): string => {
  const a = 2 * Math.PI * turns;
  return `${(71 + r * Math.sin(a)).toFixed(2)} ${(71 - r * Math.cos(a)).toFixed(2)}`;
};
/** A rim of teeth, each ½ gap wide, at these places. */
const rim = (places: readonly number[]): string =>
  places
    .map((p, i) => {
      const half = 0.25 / divisions.value;
      return `${i === 0 ? 'M' : 'L'}${point(p - half, R)}L${point(p - half, R + 7)}L${point(p + half, R + 7)}L${point(p + half, R)}`;
    })
    .join('') + 'Z';
const perfect = computed(() => Array.from({ length: divisions.value }, (_, i) => i / divisions.value));
const cut = computed(() => (errors.value ?? []).map((e, i) => i / divisions.value + (e * TIMES) / 1_296_000));
const curve = computed(() => {
  const all = errors.value ?? [];
  const most = Math.max(1e-9, ...all.map(Math.abs));
  return `${all.map((e, i) => `${i === 0 ? 'M' : 'L'}${point(i / divisions.value, 34 + (14 * e) / most)}`).join('')}Z`;
});
const ticks = computed(() => perfect.value.map((p) => `M${point(p, R + 9)}L${point(p, R + 13)}`).join(''));
</script>

<template>
  <section v-if="errors" class="cut" aria-label="As it would be cut">
    <header>
      <b>{{ divisions }}, as it would be cut</b>
      <span>simulated, spacing {{ TIMES }}×</span>
      <span>seed {{ picture.seed }}</span>
    </header>
    <div class="wheels" :class="{ below: size > 160 }">
      <svg
        viewBox="0 0 142 142"
        :width="size"
        :height="size"
        role="img"
        :aria-label="`A perfect wheel of ${divisions}`"
      >
        <path class="rim" :d="rim(perfect)" />
        <circle class="fine" cx="71" cy="71" r="56" />
        <text x="71" y="68" text-anchor="middle">perfect</text>
      </svg>
      <svg
        ref="cutWheel"
        viewBox="0 0 142 142"
        data-size="142 142"
        :width="size"
        :height="size"
        role="img"
        :aria-label="`The wheel of ${divisions} with its errors ${TIMES} times as large`"
      >
        <path class="ticks" :d="ticks" />
        <path class="rim" :d="rim(cut)" />
        <circle class="fine" cx="71" cy="71" r="34" />
        <path class="rim" :d="curve" />
      </svg>
      <dl>
        <dt>fattest tooth, {{ picture.widest.at }}</dt>
        <dd>{{ signedAngle(picture.widest.arcsec) }}</dd>
        <dt>thinnest, {{ picture.narrowest.at }}</dt>
        <dd>{{ signedAngle(picture.narrowest.arcsec) }}</dd>
        <dt>farthest off, {{ picture.farthest.at }}</dt>
        <dd>{{ signedAngle(picture.farthest.arcsec) }}</dd>
      </dl>
    </div>
    <p v-if="worst">
      The budget has every cause at its worst, {{ worst }}; this is one wheel of chance, so it differs.
    </p>
  </section>
</template>

<style scoped>
.cut {
  background: var(--p-ground);
  color: var(--p-scribe);
  padding: 10px 16px 14px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
  font-size: 14px;
  --field-width: 64px;
}
.wheels {
  display: flex;
  gap: 12px;
  align-items: center;
}
.below {
  flex-wrap: wrap;
}
.below dl {
  display: grid;
  grid-template-columns: repeat(3, auto);
  grid-auto-flow: column;
  grid-template-rows: auto auto;
  gap: 0 24px;
}
.rim {
  fill: none;
  stroke: var(--p-scribe);
  stroke-width: 1.1;
}
.fine,
.ticks {
  fill: none;
  stroke: var(--p-scribe3);
  stroke-width: 0.8;
  opacity: 0.7;
}
text {
  fill: var(--p-scribe);
  font: 650 13px var(--text);
}
dl {
  font-size: 13px;
}
dd {
  font: 600 16px/20px var(--mono);
  margin-bottom: 4px;
}
p {
  font-size: 13px;
}
</style>
