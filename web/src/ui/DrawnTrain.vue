<script setup lang="ts">
import { computed } from 'vue';
import type { Drawing, DrawnWheel, Motion, Picture, Stroke } from '@pendrix/core';
import DrawnLabel from './DrawnLabel.vue';
import RichSvg from './RichSvg.vue';

/** The parts of a train in scribed lines, for a picture of it alone or of several. What turns tells by which shaft. */
const {
  drawing,
  picture = null,
  selected = null,
  small = false,
  shafts = null,
  litTo = Infinity,
} = defineProps<{
  drawing: Drawing;
  /** words, senses and the scale bar; not for a small one */
  picture?: Picture | null;
  selected?: number | null;
  small?: boolean;
  /** which each of its shafts is among those that turn; as they are counted unless said */
  shafts?: readonly number[] | null;
  /** stages from here on are not on the path that is looked at */
  litTo?: number;
}>();
const emit = defineEmits<{ choose: [stage: number] }>();
const last = computed(() => 1 + Math.max(-1, ...drawing.tags.map((t) => t.stage)));
const which = (shaft: number): number => shafts?.[shaft] ?? shaft;

const off = (stage: number): boolean => stage >= litTo;
const tone = (stage: number): string => (stage === selected ? 'sel' : 's1');
const inked = (s: Stroke, stage: number): string => (s.tone === 's1' ? tone(stage) : s.tone);
/** What turns is found by its motion when a frame is drawn. */
const moving = (m: Motion): string => JSON.stringify({ ...m, shaft: which(m.shaft) });
const about = (shaft: number, x: number, y: number): string =>
  moving({ shaft, cx: x, cy: y, orbit: 0, mx: x, my: y, spin: 1 });
const wheelTurns = (w: DrawnWheel): string => about(w.role === 'driver' ? w.stage : w.stage + 1, w.x, w.y);
const hub = (w: DrawnWheel): number => Math.min(9, w.r * 0.3);
/** Rings show their body outside the teeth, wheels inside. */
const body = (w: DrawnWheel): number =>
  w.ring ? w.r + Math.max(5, w.r * 0.12) : w.r - Math.max(5, w.r * 0.14);
const circle = (w: DrawnWheel, r: number): string =>
  `M${w.x - r} ${w.y}a${r} ${r} 0 1 1 ${2 * r} 0a${r} ${r} 0 1 1 ${-2 * r} 0z`;
const hubOf = (w: DrawnWheel): string => (small ? '' : circle(w, hub(w)));
/** What is scribed inside a rim: the body, and spokes where there is room. */
const inner = (w: DrawnWheel): string => {
  const shown = !w.ring && body(w) > 3;
  const rim = shown ? circle(w, small ? Math.max(1.6, w.r - 2.4) : body(w)) : '';
  const [from, to] = [Math.max(hub(w) * 2.4, w.r * 0.3), body(w) - 3];
  if (small || w.ring || to - from < 12) return rim;
  const spokes = Array.from({ length: 6 }, (_, i) => {
    const a = (i * Math.PI) / 3 + 0.5;
    const [c, s] = [Math.cos(a), Math.sin(a)];
    return `M${(w.x + from * c).toFixed(1)} ${(w.y + from * s).toFixed(1)}L${(w.x + to * c).toFixed(1)} ${(w.y + to * s).toFixed(1)}`;
  });
  return rim + spokes.join('');
};
</script>

<template>
  <path v-if="small" class="ch" :d="`M8 ${drawing.source.y}H${drawing.width - 10}`" />
  <g v-for="(sh, i) in drawing.shafts" :key="`s${i}`" class="s2" :class="{ dim: off(i) }">
    <path v-if="small" :d="`M${sh.x1} ${sh.y}H${sh.x2}`" stroke-dasharray="5 3" />
    <path
      v-else
      :d="`M${sh.x1} ${sh.y - 4}H${sh.x2}M${sh.x1} ${sh.y + 4}H${sh.x2}`"
      :stroke-dasharray="sh.far ? '7 4' : undefined"
    />
  </g>
  <g>
    <path v-for="(st, i) in drawing.source.still" :key="i" :class="[st.tone, { bg: st.filled }]" :d="st.d" />
    <g :data-moves="about(0, drawing.source.x, drawing.source.y)">
      <path
        v-for="(st, i) in drawing.source.turning"
        :key="i"
        :class="[st.tone, { bg: st.filled }]"
        :d="st.d"
      />
    </g>
  </g>
  <g
    v-for="(b, i) in drawing.boxes"
    :key="`x${i}`"
    class="part"
    :class="{ dim: off(b.stage) }"
    @click="emit('choose', b.stage)"
  >
    <rect
      class="bg"
      :class="tone(b.stage)"
      :x="b.x - b.half"
      :y="b.y - b.half"
      :width="2 * b.half"
      :height="2 * b.half"
    />
    <text
      v-if="b.label"
      class="ln"
      :x="b.x"
      :y="b.y + 5"
      text-anchor="middle"
      :textLength="b.label.length > 6 ? 2 * b.half - 6 : undefined"
      lengthAdjust="spacingAndGlyphs"
    >
      {{ b.label }}
    </text>
    <path v-else-if="small" class="s3" :d="`M${b.x - b.half} ${b.y - b.half}l${2 * b.half} ${2 * b.half}`" />
  </g>
  <g
    v-for="(w, i) in drawing.wheels"
    :key="`w${i}`"
    v-memo="[w.x, w.y, w.r, w.rim, w.teeth, w.ring, w.stage, w.stage === selected, small, shafts, litTo]"
    class="part"
    :class="{ on: w.stage === selected, dim: off(w.stage) }"
    :data-moves="wheelTurns(w)"
    @click="emit('choose', w.stage)"
  >
    <circle v-if="w.ring" :cx="w.x" :cy="w.y" :r="body(w)" class="fillable" :class="tone(w.stage)" />
    <path v-if="w.rim" class="thin fillable bg" :class="tone(w.stage)" :d="w.rim + hubOf(w)" />
    <circle
      v-else
      class="rim fillable bg"
      :class="tone(w.stage)"
      :cx="w.x"
      :cy="w.y"
      :r="w.r"
      :stroke-dasharray="w.dash || undefined"
    />
    <path v-if="inner(w)" class="s2" :d="inner(w)" />
    <circle v-if="!small && w.rim" class="ch2" :cx="w.x" :cy="w.y" :r="w.r" />
    <circle v-if="small && w.r > 14" class="s3" :cx="w.x" :cy="w.y" :r="w.r * 0.3" />
    <circle class="s1f" :cx="w.x" :cy="w.y" :r="small ? 1.2 : 1.8" />
  </g>
  <g
    v-for="(m, i) in drawing.members"
    :key="`e${i}`"
    v-memo="[m.d, m.motion.spin, m.motion.orbit, m.stage, m.stage === selected, shafts, litTo]"
    class="part"
    :class="{ on: m.stage === selected, dim: off(m.stage) }"
    :data-moves="moving(m.motion)"
    @click="emit('choose', m.stage)"
  >
    <path :class="[inked(m, m.stage), 'thin', { bg: m.filled, fillable: m.filled }]" :d="m.d" />
  </g>
  <g
    v-for="(b, i) in drawing.belts"
    :key="`b${i}`"
    class="part"
    :class="{ dim: off(b.stage) }"
    @click="emit('choose', b.stage)"
  >
    <path v-if="small" class="s1" :d="b.path" />
    <template v-else>
      <path
        :d="b.path"
        fill="none"
        :stroke="b.stage === selected ? 'var(--p-bright)' : 'var(--p-scribe)'"
        :stroke-width="b.toothed ? 5 : 3.4"
      />
      <path :d="b.path" fill="none" stroke="var(--p-ground)" :stroke-width="b.toothed ? 2.4 : 1.4" />
      <path
        v-if="b.toothed"
        :d="b.path"
        fill="none"
        :stroke="b.stage === selected ? 'var(--p-bright)' : 'var(--p-scribe)'"
        stroke-width="1.6"
        stroke-dasharray="1.4 2.9"
        :data-runs="JSON.stringify({ shaft: which(b.stage), px: 2 * Math.PI * b.r, period: 4.3 })"
      />
    </template>
  </g>
  <g
    v-for="(w, i) in drawing.worms"
    :key="`m${i}`"
    class="part"
    :class="{ dim: off(w.stage) }"
    @click="emit('choose', w.stage)"
  >
    <rect class="bg" :class="tone(w.stage)" :x="w.x" :y="w.y" :width="w.w" :height="w.h" />
    <svg :x="w.x" :y="w.y" :width="w.w" :height="w.h" :viewBox="`${w.x} ${w.y} ${w.w} ${w.h}`">
      <path
        class="thin"
        :class="tone(w.stage)"
        :d="w.threads"
        :data-slides="JSON.stringify({ shaft: which(w.stage + (w.after ? 1 : 0)), px: w.pitch })"
      />
    </svg>
  </g>
  <g :class="{ dim: off(last - 1) }">
    <path v-for="(st, i) in drawing.work.still" :key="i" :class="[st.tone, { bg: st.filled }]" :d="st.d" />
    <g :data-moves="about(last, drawing.work.x, drawing.work.y)">
      <path
        v-for="(st, i) in drawing.work.turning"
        :key="i"
        :class="[st.tone, { bg: st.filled }]"
        :d="st.d"
      />
    </g>
  </g>
  <template v-if="picture">
    <path
      class="ch"
      :d="`M${drawing.source.x} 20V${drawing.height}M${drawing.work.x} 20V${drawing.height}`"
      opacity=".55"
    />
    <g v-if="picture.encoder">
      <path class="s1 bg" :d="picture.encoder.disc" />
      <text class="lt" :x="picture.encoder.x" :y="picture.encoder.y" text-anchor="middle">
        <RichSvg :text="picture.encoder.message" />
      </text>
    </g>
    <g v-for="(a, i) in picture.arrows" :key="`a${i}`">
      <path class="s1" :d="a.line" />
      <path class="s1f" :d="a.head" />
    </g>
    <g
      v-for="(l, i) in picture.labels"
      :key="`l${i}`"
      class="label"
      :class="{ lit: l.stage !== null && l.stage === selected, dim: l.stage !== null && off(l.stage) }"
      :transform="`translate(${l.x} ${l.y})`"
    >
      <DrawnLabel :title="l.title" :message="JSON.stringify(l.message)" />
    </g>
    <g v-if="picture.bar">
      <path
        v-if="picture.bar.length > 0"
        class="s2"
        :d="`M${picture.bar.x} ${picture.bar.y}h${picture.bar.length}M${picture.bar.x} ${picture.bar.y - 5}v10M${picture.bar.x + picture.bar.length / 2} ${picture.bar.y - 3}v6M${picture.bar.x + picture.bar.length} ${picture.bar.y - 5}v10`"
      />
      <text
        class="lt"
        :x="picture.bar.x + (picture.bar.length > 0 ? picture.bar.length + 8 : 0)"
        :y="picture.bar.y + 4.5"
      >
        {{ picture.bar.message }}
      </text>
    </g>
  </template>
</template>

<style scoped>
.part {
  cursor: pointer;
}
.on .fillable {
  fill: var(--p-ground-light);
}
/* what another output alone has */
.dim {
  opacity: 0.5;
}
.lit :deep(text) {
  fill: var(--p-bright);
}
</style>
