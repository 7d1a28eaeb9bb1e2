<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiArrowExpandHorizontal, mdiArrowULeftTop, mdiMinus, mdiPlus } from '@mdi/js';
import { keyHandler } from '../../ui/keys.ts';
import IconButton from '../../ui/IconButton.vue';
import { useView } from './use-view.ts';

/** The pane of a drawing over its columns; zoomed, a window that is panned with the pointer or the arrows. */
const { size, room } = defineProps<{
  /** of the drawing in it, px */
  size: { readonly width: number; readonly height: number };
  /** width that is seen of the strip, px */
  room: number;
}>();
const pane = ref<HTMLElement | null>(null);
const view = useView(
  pane,
  () => size,
  () => room,
);
const { zoomed } = view;
const longer = computed(() => size.width > room + 1 || zoomed.value);
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
</script>

<template>
  <div
    ref="pane"
    class="ground pane"
    :class="{ zoomed }"
    :style="{ height: `${size.height}px`, ...(zoomed && { width: `${room}px` }) }"
    tabindex="0"
    role="group"
    aria-label="Drawing: plus and minus zoom, 0 goes back, W shows the whole train"
    @keydown="keys"
  >
    <slot :view-box="view.viewBox.value" :moved="view.moved" />
  </div>
  <div
    class="tools on-ground"
    :style="{ left: `${room - (zoomed ? 150 : 116)}px`, '--above': `${4 - size.height}px` }"
  >
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
  top: var(--above);
  color: var(--p-scribe);
  background: var(--p-ground-deep);
  border: 1px solid var(--p-scribe3);
  margin-left: -1px;
}
.tools :deep(.v-btn--disabled) {
  color: var(--p-scribe3) !important;
}
</style>
