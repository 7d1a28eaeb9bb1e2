<script setup lang="ts">
import { computed } from 'vue';
import { blankOf, gearOutline, threadCutBlank, type MadeWheel } from '@pendrix/core';

/** The wheel whole, and three of its teeth larger. True outline: what is drawn is what the file holds. */
const { wheel } = defineProps<{ wheel: MadeWheel }>();
const SIZE = 240;
const gear = computed(() => wheel.gear);
const outside = computed(() => {
  if (gear.value)
    return (
      Math.max(blankOf(gear.value).outsideMm, blankOf(gear.value).rootMm) +
      (gear.value.inner ? 6 * gear.value.moduleMm : 0)
    );
  if (wheel.threadPitchMm !== null) return threadCutBlank(wheel.threadPitchMm, wheel.teeth).outsideMm;
  return (wheel.beltPitchMm! * wheel.teeth) / Math.PI;
});
const scale = computed(() => (SIZE - 20) / outside.value);
const points = computed(() => (gear.value ? gearOutline(gear.value, 0.25) : []));
const at = (mm: number): string => (mm * scale.value).toFixed(2);
const rim = computed(
  () => points.value.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${at(x)} ${at(-y)}`).join('') + 'Z',
);
/** "0.8 : 1" on a screen of 96 dots an inch */
const ratio = computed(() => {
  const r = (scale.value * 25.4) / 96;
  return r >= 1 ? `${Number(r.toPrecision(2))} : 1` : `1 : ${Number((1 / r).toPrecision(2))}`;
});

const [WIDE, HIGH] = [392, 200];
/** three teeth across the window, px for a mm */
const zoom = computed(() => (gear.value ? WIDE / (3.1 * Math.PI * gear.value.moduleMm) : 1));
const closeUp = computed(() => {
  const g = gear.value;
  if (!g) return null;
  const b = blankOf(g);
  const middle = (b.outsideMm + b.rootMm) / 4;
  const near = Math.ceil((2.4 / g.teeth) * points.value.length) + 40;
  const n = points.value.length;
  // the first tooth stands on top: what is near it is at the start and at the end of the line
  const part = [...points.value.slice(Math.max(0, n - near)), ...points.value.slice(0, Math.min(n, near))];
  const px = (x: number): string => (WIDE / 2 + x * zoom.value).toFixed(2);
  const py = (y: number): string => (HIGH / 2 - (y - middle) * zoom.value).toFixed(2);
  return {
    line: part.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${px(x)} ${py(y)}`).join(''),
    circles: [b.outsideMm, b.pitchMm, b.rootMm, b.baseMm].map((d) => ({
      r: (d / 2) * zoom.value,
      cy: Number(py(0)),
    })),
    tooth: { from: px(-b.thicknessMm / 2), to: px(b.thicknessMm / 2) },
    top: py(b.outsideMm / 2),
    bottom: py(b.rootMm / 2),
  };
});
const facts = computed(() => {
  if (!gear.value) return [];
  const b = blankOf(gear.value);
  return [
    [b.outsideMm.toFixed(2), gear.value.inner ? 'tips inside' : 'outside'],
    [b.pitchMm.toFixed(2), 'pitch circle'],
    [b.rootMm.toFixed(2), 'root'],
    [b.baseMm.toFixed(2), 'base circle'],
    [`${Number(((zoom.value * 25.4) / 96).toPrecision(2))} : 1`, 'this view'],
  ];
});
</script>

<template>
  <div class="drawing">
    <svg
      :viewBox="`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`"
      :width="SIZE"
      :height="SIZE"
      role="img"
      :aria-label="`${wheel.label}, ${wheel.teeth} teeth, ${ratio}`"
    >
      <path v-if="gear" class="rim" :d="rim" />
      <circle v-else class="rim" :r="at(outside / 2)" />
      <circle v-if="gear?.inner" class="rim" :r="at(outside / 2)" />
      <circle v-if="wheel.boreMm && !gear?.inner" class="bore" :r="at(wheel.boreMm / 2)" />
      <path class="cross" d="M-9 0H9M0 -9V9" />
      <text x="-114" y="-106">{{ ratio }}</text>
    </svg>
    <div v-if="closeUp" class="near">
      <svg :viewBox="`0 0 ${WIDE} ${HIGH}`" :width="WIDE" :height="HIGH" role="img" aria-label="Three teeth">
        <circle
          v-for="(c, i) in closeUp.circles"
          :key="i"
          class="circle"
          :class="`c${i}`"
          :cx="WIDE / 2"
          :cy="c.cy"
          :r="c.r"
        />
        <path class="rim" :d="closeUp.line" />
        <path
          class="dim"
          :d="`M${closeUp.tooth.from} 8v16M${closeUp.tooth.to} 8v16M${closeUp.tooth.from} 16H${closeUp.tooth.to}`"
        />
        <text :x="Number(closeUp.tooth.to) + 6" y="20">
          {{ blankOf(gear!).thicknessMm.toFixed(3) }} tooth
        </text>
        <path
          class="dim"
          :d="`M378 ${closeUp.top}h10M378 ${closeUp.bottom}h10M384 ${closeUp.top}V${closeUp.bottom}`"
        />
        <text x="372" :y="HIGH / 2 + 4" text-anchor="end">{{ blankOf(gear!).depthMm.toFixed(2) }}</text>
      </svg>
      <dl>
        <div v-for="[value, label] in facts" :key="label">
          <dt>{{ label }}</dt>
          <dd>{{ value }}</dd>
        </div>
      </dl>
    </div>
  </div>
</template>

<style scoped>
.drawing {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  align-items: center;
  background: var(--p-ground);
  color: var(--p-scribe);
  padding: 12px 20px;
}
.rim {
  fill: none;
  stroke: var(--p-scribe);
  stroke-width: 1.2;
}
.near .rim {
  stroke-width: 1.8;
}
.near svg {
  border: 1px solid var(--p-scribe);
  background: color-mix(in srgb, var(--p-ground-light) 40%, transparent);
  max-width: 100%;
}
.bore {
  fill: none;
  stroke: var(--p-bright);
  stroke-width: 1.6;
}
.cross,
.dim {
  fill: none;
  stroke: var(--p-scribe2);
}
.circle {
  fill: none;
  stroke: var(--p-scribe2);
  stroke-width: 0.8;
}
.c1 {
  stroke-dasharray: 8 3 2 3;
}
.c3 {
  stroke-dasharray: 2 3;
}
text {
  fill: var(--p-scribe);
  font: 400 13px var(--text);
}
/* a line may run behind a measure, not through it */
.near text {
  paint-order: stroke;
  stroke: var(--p-ground);
  stroke-width: 5px;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  margin-top: 6px;
}
dl > div {
  display: flex;
  flex-direction: column-reverse;
}
dt {
  font-size: 13px;
}
dd {
  font: 650 16px/20px var(--mono);
}
</style>
