<script setup lang="ts">
import { ref } from 'vue';
import type { TreePicture } from '@pendrix/core';
import DrawnTrain from './DrawnTrain.vue';
import { useTurning, type Turning } from './turning.ts';

/** All trains of a drive in scribed lines, one below the other at one scale; the path to the output that is looked at is lit. */
const {
  picture,
  lit,
  chosen = null,
  turning = null,
  viewBox = '',
} = defineProps<{
  picture: TreePicture;
  /** trains on that path, and how many stages of each */
  lit: ReadonlyMap<number, number>;
  /** a stage of a train */
  chosen?: { readonly train: number; readonly stage: number } | null;
  turning?: Turning | null;
  viewBox?: string;
}>();
const emit = defineEmits<{ choose: [train: number, stage: number] }>();
const svg = ref<SVGSVGElement | null>(null);
defineExpose({ svg });
useTurning(
  svg,
  () => turning,
  () => picture,
);
</script>

<template>
  <svg
    ref="svg"
    class="scribed"
    :width="viewBox ? '100%' : picture.width"
    :height="picture.height"
    :viewBox="viewBox || `0 0 ${picture.width} ${picture.height}`"
    :data-size="`${picture.width} ${picture.height}`"
    role="img"
    :aria-label="picture.alt"
  >
    <path
      v-for="r in picture.rows.filter((row) => row.link)"
      :key="`l${r.at}`"
      :class="lit.has(r.at) ? 'link lit' : 'link'"
      :d="`M${r.link!.x} ${r.link!.y1}V${r.link!.y2}`"
    />
    <g
      v-for="r in picture.rows"
      :key="r.at"
      :transform="`translate(${r.x} ${r.y})`"
      :class="{ dim: !lit.has(r.at) }"
    >
      <DrawnTrain
        :drawing="r.picture.drawing"
        :picture="r.picture"
        :selected="chosen?.train === r.at ? chosen.stage : null"
        :shafts="r.shafts"
        :lit-to="lit.get(r.at) ?? Infinity"
        @choose="(stage) => emit('choose', r.at, stage)"
      />
      <text class="name" :x="r.picture.drawing.width - 12" y="20" text-anchor="end">{{ r.name }}</text>
    </g>
  </svg>
</template>

<style scoped>
.link {
  fill: none;
  stroke: var(--p-scribe2);
  stroke-width: 1.4;
  stroke-dasharray: 12 3 2 3;
}
.link.lit {
  stroke: var(--p-bright);
}
.dim {
  opacity: 0.55;
}
.name {
  font: 600 15px var(--text);
  fill: var(--p-scribe);
}
g:not(.dim) > .name {
  fill: var(--p-bright);
}
</style>
