<script setup lang="ts">
import { computed, ref } from 'vue';
import type { DrawnArbor, PlanPicture } from '@pendrix/core';
import { keyHandler } from '../../../ui/keys.ts';
import { useTurning, type Turning } from '../../../ui/turning.ts';

/** The arbors from before the plate: wheels in mesh, distances, clashes. Arbors are moved by the pointer or by keys. */
const { picture, alt, chosen, turning } = defineProps<{
  picture: PlanPicture;
  alt: string;
  /** an arbor */
  chosen: number | null;
  turning: Turning | null;
}>();
const emit = defineEmits<{
  choose: [arbor: number];
  /** to a place in the picture; `session` is one pull */
  move: [arbor: number, x: number, y: number, session: string];
  /** by keys: mm along x and y, or degrees */
  nudge: [arbor: number, dx: number, dy: number, coarse: boolean];
  pin: [arbor: number];
  other: [arbor: number];
  wheel: [wheel: number];
}>();
const svg = ref<SVGSVGElement | null>(null);
defineExpose({ svg });
useTurning(
  svg,
  () => turning,
  () => picture,
);
const moves = (shaft: number, x: number, y: number): string =>
  JSON.stringify({ shaft, cx: x, cy: y, orbit: 0, mx: x, my: y, spin: 1 });

const pulled = ref<{ readonly arbor: number; readonly session: string } | null>(null);
function down(e: PointerEvent, arbor: DrawnArbor): void {
  emit('choose', arbor.id);
  if (arbor.how === 'solved' || e.button !== 0) return;
  pulled.value = { arbor: arbor.id, session: `arbor-${arbor.id}-${Date.now()}` };
  (e.currentTarget as Element).setPointerCapture(e.pointerId);
}
function pull(e: PointerEvent): void {
  const matrix = svg.value?.getScreenCTM();
  if (!pulled.value || !matrix) return;
  const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
  emit('move', pulled.value.arbor, at.x, at.y, pulled.value.session);
}
/** The keys of one arbor; what they do not take goes on. */
const keysOf = (a: DrawnArbor): ((e: KeyboardEvent) => void) =>
  keyHandler({
    arborLeft: () => emit('nudge', a.id, -1, 0, false),
    arborRight: () => emit('nudge', a.id, 1, 0, false),
    arborUp: () => emit('nudge', a.id, 0, 1, false),
    arborDown: () => emit('nudge', a.id, 0, -1, false),
    arborLeftFar: () => emit('nudge', a.id, -1, 0, true),
    arborRightFar: () => emit('nudge', a.id, 1, 0, true),
    arborUpFar: () => emit('nudge', a.id, 0, 1, true),
    arborDownFar: () => emit('nudge', a.id, 0, -1, true),
    pinArbor: () => emit('pin', a.id),
    otherPlace: () => emit('other', a.id),
    chooseArbor: () => emit('choose', a.id),
  });
function key(e: KeyboardEvent, arbor: DrawnArbor): void {
  keysOf(arbor)(e);
  if (e.defaultPrevented) e.stopPropagation();
}
const ticks = (a: DrawnArbor): string => {
  const r = (a.rings.at(-1) ?? 3) + 3;
  return [45, 135, 225, 315]
    .map((deg) => {
      const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
      return `M${(a.x + r * c).toFixed(1)} ${(a.y + r * s).toFixed(1)}L${(a.x + (r + 6) * c).toFixed(1)} ${(a.y + (r + 6) * s).toFixed(1)}`;
    })
    .join('');
};
const told = (a: DrawnArbor): string =>
  `Arbor ${a.name}, ${a.how}${a.outputs.length > 0 ? `, carries ${a.outputs.join(', ')}` : ''}`;
const litWheels = computed(() => picture.wheels.filter((w) => w.lit));
</script>

<template>
  <svg
    ref="svg"
    class="scribed"
    :width="picture.width"
    :height="picture.height"
    :viewBox="`0 0 ${picture.width} ${picture.height}`"
    :data-size="`${picture.width} ${picture.height}`"
    role="group"
    :aria-label="alt"
    @pointermove="pull"
    @pointerup="pulled = null"
    @pointercancel="pulled = null"
  >
    <g
      v-for="w in picture.wheels"
      :key="w.id"
      class="wheel"
      :class="{ behind: w.behind, lit: w.lit }"
      @click="emit('wheel', w.id)"
    >
      <g :data-moves="moves(w.shaft, w.x, w.y)">
        <g :transform="`rotate(${w.phase} ${w.x} ${w.y})`">
          <path v-if="w.rim" class="rim" :d="w.rim" />
          <circle v-else class="rim" :cx="w.x" :cy="w.y" :r="w.r" />
        </g>
      </g>
    </g>
    <!-- the path that is looked at once more, above what covers it -->
    <g
      v-for="w in litWheels"
      :key="`l${w.id}`"
      class="again"
      :class="{ behind: w.behind }"
      aria-hidden="true"
    >
      <g :data-moves="moves(w.shaft, w.x, w.y)">
        <g :transform="`rotate(${w.phase} ${w.x} ${w.y})`">
          <path v-if="w.rim" :d="w.rim" />
          <circle v-else :cx="w.x" :cy="w.y" :r="w.r" />
        </g>
      </g>
    </g>
    <g v-for="(l, i) in picture.lines" :key="`d${i}`" :class="{ differs: l.differs }">
      <path class="centres" :d="`M${l.x1} ${l.y1}L${l.x2} ${l.y2}`" />
      <rect
        class="plate"
        :x="l.at.x - l.plate.w / 2"
        :y="l.at.y - l.plate.h / 2"
        :width="l.plate.w"
        :height="l.plate.h"
      />
      <text class="mm" :x="l.at.x" :y="l.at.y + 5" text-anchor="middle">
        {{ l.text }}
      </text>
    </g>
    <circle v-for="(c, i) in picture.clashes" :key="`c${i}`" class="clash" :cx="c.x" :cy="c.y" :r="c.r" />
    <text
      v-for="w in picture.wheels"
      :key="`t${w.id}`"
      class="teeth"
      :class="{ bright: w.lit }"
      :x="w.label.x"
      :y="w.label.y"
      text-anchor="middle"
    >
      {{ w.label.teeth }}
      <tspan class="layer" dx="-4">{{ w.label.layer }}</tspan>
    </text>
    <g
      v-for="a in picture.arbors"
      :key="`a${a.id}`"
      class="arbor"
      :class="[a.how, { chosen: a.id === chosen }]"
      tabindex="0"
      role="button"
      :aria-pressed="a.id === chosen"
      :aria-label="told(a)"
      @pointerdown="(e) => down(e, a)"
      @keydown="(e) => key(e, a)"
    >
      <circle v-if="a.arc" class="arc" :cx="a.arc.x" :cy="a.arc.y" :r="a.arc.r" />
      <circle class="hit" :cx="a.x" :cy="a.y" r="16" />
      <circle v-for="(r, i) in a.rings" :key="i" class="ring" :cx="a.x" :cy="a.y" :r="r" />
      <path v-if="a.how === 'pinned'" class="ring" :d="ticks(a)" />
      <text class="name" :x="a.x" :y="a.y + 4.5" text-anchor="middle">{{ a.name }}</text>
    </g>
    <g :transform="`translate(20 ${picture.height - 16})`">
      <path class="s2" :d="`M0 0h${picture.bar.length}M0 -5v10M${picture.bar.length} -5v10`" />
      <text class="lt" :x="picture.bar.length + 8" y="4.5">{{ picture.bar.text }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  touch-action: none;
}
.wheel {
  cursor: pointer;
}
.rim {
  stroke: var(--p-scribe);
  stroke-width: 1.2;
  fill: color-mix(in srgb, var(--p-ground) 76%, transparent);
}
.behind .rim {
  stroke: var(--p-scribe2);
  stroke-width: 1.1;
  stroke-dasharray: 5 3;
}
.lit .rim {
  fill: color-mix(in srgb, var(--p-ground-light) 76%, transparent);
}
.again path,
.again circle {
  fill: none;
  stroke: var(--p-bright);
  stroke-width: 1.7;
  pointer-events: none;
}
.again.behind path,
.again.behind circle {
  stroke-width: 1.25;
  stroke-dasharray: 5 3;
}
.centres {
  fill: none;
  stroke: #8fa3da;
  stroke-width: 1;
  stroke-dasharray: 12 3 2 3;
  pointer-events: none;
}
:root[data-theme='night'] .centres {
  stroke: var(--p-centre);
}
.plate {
  fill: var(--p-ground-deep);
  opacity: 0.86;
}
.mm,
.teeth {
  font: 600 14px var(--mono);
  fill: var(--p-scribe);
  pointer-events: none;
}
.bright {
  fill: var(--p-bright);
}
.layer {
  font: 400 13px var(--text);
  fill: var(--p-scribe-text);
}
.differs .mm {
  fill: var(--p-clash);
}
.differs .plate {
  stroke: var(--p-clash);
  opacity: 1;
}
.clash {
  fill: none;
  stroke: var(--p-clash);
  stroke-width: 2.4;
  pointer-events: none;
}
.arbor {
  cursor: pointer;
}
.arbor.pinned,
.arbor.swings {
  cursor: grab;
}
.hit {
  fill: transparent;
}
.ring {
  fill: var(--p-ground);
  fill-opacity: 0.6;
  stroke: var(--p-bright);
  stroke-width: 1.4;
}
.arc {
  display: none;
  fill: none;
  stroke: var(--p-scribe2);
  stroke-dasharray: 1.5 4;
  pointer-events: none;
}
.arbor:hover .arc,
.arbor:focus .arc,
.chosen .arc {
  display: inline;
}
.arbor:focus {
  outline: none;
}
.arbor:focus-visible .hit,
.chosen .hit {
  stroke: var(--p-bright);
  stroke-width: 2;
}
.name {
  font: 700 13px var(--text);
  fill: var(--p-bright);
  pointer-events: none;
}
</style>
