<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiArrowExpandHorizontal, mdiArrowULeftTop, mdiMinus, mdiPlus } from '@mdi/js';
import type { Picture } from '@pendrix/core';
import TrainDrawing from '../../ui/TrainDrawing.vue';
import type { Turning } from '../../ui/turning.ts';
import { keyHandler } from '../../ui/keys.ts';
import IconButton from '../../ui/IconButton.vue';
import { useView } from './use-view.ts';

/** The drawing over its columns; zoomed, a window that is panned with the pointer or the arrows. */
const { picture, selected, turning, room } = defineProps<{
  picture: Picture;
  selected: number | null;
  turning: Turning | null;
  /** width that is seen of the strip, px */
  room: number;
}>();
const emit = defineEmits<{ choose: [stage: number] }>();
const drawing = ref<InstanceType<typeof TrainDrawing> | null>(null);
const pane = ref<HTMLElement | null>(null);
const view = useView(
  pane,
  () => picture.drawing,
  () => room,
);
const { zoomed } = view;
const longer = computed(() => picture.drawing.width > room + 1 || zoomed.value);
const STEP = 60;
const zoomKeys = keyHandler({
  larger: () => view.by(1.25),
  smaller: () => view.by(0.8),
  plain: view.plain,
  whole: view.whole,
});
const panKeys = keyHandler({
  left: () => view.pan(STEP, 0),
  right: () => view.pan(-STEP, 0),
  up: () => view.pan(0, STEP),
  down: () => view.pan(0, -STEP),
});
function keys(e: KeyboardEvent): void {
  zoomKeys(e);
  if (zoomed.value) panKeys(e);
}
function choose(stage: number): void {
  if (!view.moved()) emit('choose', stage);
}
defineExpose({ svg: computed(() => drawing.value?.svg ?? null) });
</script>

<template>
  <div
    ref="pane"
    class="ground pane"
    :class="{ zoomed }"
    :style="zoomed ? { width: `${room}px` } : {}"
    tabindex="0"
    role="group"
    aria-label="Drawing: plus and minus zoom, 0 goes back, W shows the whole train"
    @keydown="keys"
  >
    <TrainDrawing
      ref="drawing"
      :drawing="picture.drawing"
      :picture="picture"
      :alt="picture.alt"
      :selected="selected"
      :turning="turning"
      :view-box="view.viewBox.value"
      @choose="choose"
    />
  </div>
  <div class="tools on-ground" :style="{ left: `${room - (zoomed ? 150 : 116)}px` }">
    <IconButton label="Smaller" :icon="mdiMinus" :size="16" @click="view.by(0.8)" />
    <IconButton
      label="Whole train"
      :icon="mdiArrowExpandHorizontal"
      :size="16"
      :disabled="!longer"
      @click="view.whole()"
    />
    <IconButton label="Larger" :icon="mdiPlus" :size="16" @click="view.by(1.25)" />
    <IconButton
      v-if="zoomed"
      label="Over its columns again"
      :icon="mdiArrowULeftTop"
      :size="16"
      @click="view.plain()"
    />
  </div>
</template>

<style scoped>
.pane {
  height: 314px;
  overflow: hidden;
  /* What is drawn here moves nothing around it. */
  contain: strict;
}
.pane :deep(svg) {
  display: block;
}
.zoomed {
  position: sticky;
  left: 0;
  cursor: grab;
  touch-action: none;
}
.tools {
  position: sticky;
  display: flex;
  width: 0;
  height: 0;
  top: 0;
  white-space: nowrap;
}
.tools :deep(.v-btn) {
  top: -310px;
  color: var(--p-scribe);
  background: var(--p-ground-deep);
  border: 1px solid var(--p-scribe3);
  margin-left: -1px;
}
.tools :deep(.v-btn--disabled) {
  color: var(--p-scribe3) !important;
}
</style>
