<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiArrowExpandHorizontal, mdiMinus, mdiPlus } from '@mdi/js';
import type { Picture } from '@pendrix/core';
import TrainDrawing from '../../ui/TrainDrawing.vue';
import type { Turning } from '../../ui/turning.ts';
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
const view = useView(
  () => picture.drawing,
  () => room,
);
const zoomed = computed(() => view.zoom.value !== 1);
const longer = computed(() => picture.drawing.width > room + 1 || zoomed.value);
let from: readonly [number, number] | null = null;
let moved = false;

function down(e: PointerEvent): void {
  if (!zoomed.value || e.button !== 0) return;
  from = [e.clientX, e.clientY];
  moved = false;
}
function move(e: PointerEvent): void {
  if (!from) return;
  const [dx, dy] = [e.clientX - from[0], e.clientY - from[1]];
  if (!moved && Math.hypot(dx, dy) < 4) return;
  if (!moved) (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
  moved = true;
  from = [e.clientX, e.clientY];
  view.pan(dx, dy);
}
const up = (): void => {
  from = null;
};
function wheel(e: WheelEvent): void {
  if (!e.ctrlKey && !e.metaKey) return;
  e.preventDefault();
  view.by(e.deltaY < 0 ? 1.15 : 1 / 1.15);
}
function keys(e: KeyboardEvent): void {
  if (e.ctrlKey || e.metaKey || e.altKey) return;
  const step = 60;
  const acts: Readonly<Record<string, () => void>> = {
    '+': () => view.by(1.25),
    '=': () => view.by(1.25),
    '-': () => view.by(0.8),
    '0': view.plain,
    w: view.whole,
    ...(zoomed.value
      ? {
          ArrowLeft: () => view.pan(step, 0),
          ArrowRight: () => view.pan(-step, 0),
          ArrowUp: () => view.pan(0, step),
          ArrowDown: () => view.pan(0, -step),
        }
      : {}),
  };
  const act = acts[e.key];
  if (!act) return;
  e.preventDefault();
  act();
}
function choose(stage: number): void {
  if (!moved) emit('choose', stage);
}
defineExpose({ svg: computed(() => drawing.value?.svg ?? null) });
</script>

<template>
  <div
    class="ground pane"
    :class="{ zoomed }"
    :style="zoomed ? { width: `${room}px` } : {}"
    tabindex="0"
    role="group"
    aria-label="Drawing: plus and minus zoom, 0 goes back, W shows the whole train"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
    @wheel="wheel"
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
    <button type="button" aria-label="Smaller" title="Smaller (−)" @click="view.by(0.8)">
      <v-icon :icon="mdiMinus" size="16" />
    </button>
    <button
      type="button"
      aria-label="Whole train"
      title="Whole train (W)"
      :disabled="!longer"
      @click="view.whole()"
    >
      <v-icon :icon="mdiArrowExpandHorizontal" size="16" />
    </button>
    <button type="button" aria-label="Larger" title="Larger (+)" @click="view.by(1.25)">
      <v-icon :icon="mdiPlus" size="16" />
    </button>
    <button v-if="zoomed" type="button" class="one" title="Over its columns again (0)" @click="view.plain()">
      1:1
    </button>
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
.tools button {
  position: relative;
  top: -310px;
  flex: none;
  width: 32px;
  height: 32px;
  display: flex;
  align-items: center;
  justify-content: center;
  color: var(--p-scribe);
  background: var(--p-ground-deep);
  border: 1px solid var(--p-scribe3);
  margin-left: -1px;
}
.tools button[disabled] {
  color: var(--p-scribe3);
}
.one {
  font: 600 13px var(--mono);
}
</style>
