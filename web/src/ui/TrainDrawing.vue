<script setup lang="ts">
import { ref } from 'vue';
import type { Drawing, Picture } from '@pendrix/core';
import DrawnTrain from './DrawnTrain.vue';
import { useTurning, type Turning } from './turning.ts';

/** A train in scribed lines. `small` leaves out what would blur; a stage can be marked and chosen; it can be set turning. */
const {
  drawing,
  alt,
  picture = null,
  selected = null,
  small = false,
  turning = null,
  viewBox = '',
} = defineProps<{
  drawing: Drawing;
  /** the same in words */
  alt: string;
  /** words, senses and the scale bar; not for a small one */
  picture?: Picture | null;
  selected?: number | null;
  small?: boolean;
  turning?: Turning | null;
  /** another part of the drawing than all of it */
  viewBox?: string;
}>();
const emit = defineEmits<{ choose: [stage: number] }>();
const svg = ref<SVGSVGElement | null>(null);
defineExpose({ svg });
useTurning(
  svg,
  () => (small ? null : turning),
  () => drawing,
);
</script>

<template>
  <svg
    ref="svg"
    class="scribed"
    :width="viewBox ? '100%' : drawing.width"
    :height="drawing.height"
    :viewBox="viewBox || `0 0 ${drawing.width} ${drawing.height}`"
    :data-size="`${drawing.width} ${drawing.height}`"
    role="img"
    :aria-label="alt"
    :class="{ small }"
  >
    <DrawnTrain
      :drawing="drawing"
      :picture="picture"
      :selected="selected"
      :small="small"
      @choose="(stage) => emit('choose', stage)"
    />
  </svg>
</template>

<style scoped>
.small :deep(.part) {
  cursor: inherit;
}
.small :deep(.rim) {
  stroke-width: 1.8;
}
.small :deep(.s1) {
  stroke-width: 1.3;
}
</style>
