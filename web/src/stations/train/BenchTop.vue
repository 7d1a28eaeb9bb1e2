<script setup lang="ts">
import { computed, ref } from 'vue';
import { treePicture, type Path, type Report, type TreeReport } from '@pendrix/core';
import { useNextFrame } from '../../ui/next-frame.ts';
import TrainDrawing from '../../ui/TrainDrawing.vue';
import TreeDrawing from '../../ui/TreeDrawing.vue';
import type { Turning } from '../../ui/turning.ts';
import DrawingBench from './DrawingBench.vue';
import ShaftColumns from './ShaftColumns.vue';

/** The drawing and the figures under its shafts. The verdict and the cards have the first frame after an edit, these the next two. */
const { report, tree, path, column, selected, turning, room, fold } = defineProps<{
  fold: boolean;
  report: Report;
  tree: TreeReport;
  path: Path;
  column: number;
  selected: number | null;
  turning: Turning | null;
  room: number;
}>();
const emit = defineEmits<{ choose: [stage: number]; look: [train: number, stage: number] }>();
const HEIGHT = 314;
/** Of several trains each has a row, about so high. */
const ROW = 104;
const MOST = 470;
const drawn = useNextFrame(() => ({ report, tree, path }));
const height = computed(() => Math.min(MOST, Math.max(HEIGHT, ROW * drawn.value.tree.outputs.length)));
/** Worked out in one frame, drawn in the next. */
const made = computed(() => {
  const now = drawn.value;
  return now.tree.several
    ? { one: null, all: treePicture(now.tree.drive, column, height.value), path: now.path }
    : { one: now.report.picture(column, HEIGHT, fold), all: null, path: now.path };
});
const shown = useNextFrame(() => made.value);
const under = useNextFrame(() => ({ report, path, tree }), 3);
const one = computed(() => shown.value.one);
const all = computed(() => shown.value.all);
const size = computed(() => all.value ?? one.value!.drawing);
/** where the chosen stage is drawn, folded or not */
const drawnStage = computed(() =>
  selected === null || !one.value
    ? null
    : one.value.runs.findIndex((r) => r.at <= selected && selected < r.at + r.count),
);
const turningShafts = computed(
  () => turning && (one.value ? { ...turning, shafts: one.value.shafts } : turning),
);
/** Of every train on the path the stages that are: all of the one whose output it is. */
const lit = computed(() => {
  const { train, root, places } = shown.value.path;
  const out = new Map<number, number>([[root, 0]]);
  for (const p of places) out.set(p.train, p.stage + 1);
  return out.set(train, Infinity);
});
const chosen = computed(() => (selected === null ? null : (shown.value.path.places[selected] ?? null)));
function choose(train: number, stage: number): void {
  const at = path.places.findIndex((p) => p.train === train && p.stage === stage);
  if (at >= 0) emit('choose', at);
  else emit('look', train, stage);
}
const shafts = computed(() => {
  const list = under.value.report.built.shafts;
  if (!one.value) {
    const output = under.value.tree.outputs[under.value.path.train];
    return list.map((s) => ({ ...s, title: output?.shafts[s.index] ?? s.title }));
  }
  const seen = new Set(one.value.shafts);
  return list.filter((s) => seen.has(s.index));
});
const single = ref<InstanceType<typeof TrainDrawing> | null>(null);
const several = ref<InstanceType<typeof TreeDrawing> | null>(null);
defineExpose({ svg: computed(() => single.value?.svg ?? several.value?.svg ?? null) });
</script>

<template>
  <DrawingBench v-slot="{ viewBox, moved }" :size="size" :room="room">
    <TreeDrawing
      v-if="all"
      ref="several"
      :picture="all"
      :lit="lit"
      :chosen="chosen"
      :turning="turningShafts"
      :view-box="viewBox"
      @choose="(train, stage) => moved() || choose(train, stage)"
    />
    <TrainDrawing
      v-else-if="one"
      ref="single"
      :drawing="one.drawing"
      :picture="one"
      :alt="one.alt"
      :selected="drawnStage"
      :turning="turningShafts"
      :view-box="viewBox"
      @choose="(s) => moved() || emit('choose', one!.runs[s]!.at)"
    />
  </DrawingBench>
  <ShaftColumns :shafts="shafts" :work="under.report.built.work" :column="column" />
</template>
