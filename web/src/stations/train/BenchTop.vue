<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Report } from '@pendrix/core';
import { useNextFrame } from '../../ui/next-frame.ts';
import type { Turning } from '../../ui/turning.ts';
import DrawingBench from './DrawingBench.vue';
import ShaftColumns from './ShaftColumns.vue';

/** The drawing and the figures under its shafts. The verdict and the cards have the first frame after an edit, these the next two. */
const { report, column, selected, turning, room } = defineProps<{
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
const made = computed(() => drawn.value.picture(column, HEIGHT));
const picture = useNextFrame(() => made.value);
const under = useNextFrame(() => report, 3);
const drawing = ref<InstanceType<typeof DrawingBench> | null>(null);
defineExpose({ svg: computed(() => drawing.value?.svg ?? null) });
</script>

<template>
  <DrawingBench
    ref="drawing"
    :picture="picture"
    :selected="selected"
    :turning="turning"
    :room="room"
    @choose="(s) => emit('choose', s)"
  />
  <ShaftColumns :shafts="under.train.shafts" :work="under.train.work" :column="column" />
</template>
