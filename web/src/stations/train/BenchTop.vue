<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Report } from '@pendrix/core';
import { useNextFrame } from '../../ui/next-frame.ts';
import type { Turning } from '../../ui/turning.ts';
import DrawingBench from './DrawingBench.vue';
import ShaftColumns from './ShaftColumns.vue';

/** The drawing and the figures under its shafts. The verdict and the cards have the first frame after an edit, these the next two. */
const { report, column, selected, turning, room, fold } = defineProps<{
  fold: boolean;
  report: Report;
  column: number;
  selected: number | null;
  turning: Turning | null;
  room: number;
}>();
const emit = defineEmits<{ choose: [stage: number] }>();
const HEIGHT = 314;
const drawn = useNextFrame(() => report);
/** Worked out in one frame, drawn in the next. */
const made = computed(() => drawn.value.picture(column, HEIGHT, fold));
const picture = useNextFrame(() => made.value);
const under = useNextFrame(() => report, 3);
/** where the chosen stage is drawn, folded or not */
const drawnStage = computed(() =>
  selected === null
    ? null
    : picture.value.runs.findIndex((r) => r.at <= selected && selected < r.at + r.count),
);
const turningShafts = computed(() => turning && { ...turning, shafts: picture.value.shafts });
const shafts = computed(() => {
  const shown = new Set(picture.value.shafts);
  return under.value.train.shafts.filter((s) => shown.has(s.index));
});
const drawing = ref<InstanceType<typeof DrawingBench> | null>(null);
defineExpose({ svg: computed(() => drawing.value?.svg ?? null) });
</script>

<template>
  <DrawingBench
    ref="drawing"
    :picture="picture"
    :selected="drawnStage"
    :turning="turningShafts"
    :room="room"
    @choose="(s) => emit('choose', picture.runs[s]!.at)"
  />
  <ShaftColumns :shafts="shafts" :work="under.train.work" :column="column" />
</template>
