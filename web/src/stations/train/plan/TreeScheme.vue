<script setup lang="ts">
import { computed } from 'vue';
import { kindOf, trainsOf, treeOrder, type ArborsReport, type TreeReport } from '@pendrix/core';
import FigureText from '../../../ui/FigureText.vue';

/** The trains as rows: pairs on their lines, arbors by name; shared ones stand once, branches leave them. */
const { tree, arbors, output } = defineProps<{
  tree: TreeReport;
  arbors: ArborsReport;
  output: number;
}>();
const emit = defineEmits<{ look: [train: string]; choose: [arbor: number] }>();
const COLUMN = 132;
const ROW = 43;
const trains = computed(() => trainsOf(tree.drive));
const lit = computed(
  () => new Set(tree.outputs[output]!.hangs.map((h) => `${h.from.train}.${h.from.shaft}`)),
);
/** The arbor of a shaft, by whose it is. */
const arborOf = (train: number, shaft: number) =>
  arbors.plan.arbors.find((a) => a.shafts.some((s) => s.train === train && s.shaft === shaft));
const order = computed(() => treeOrder(trains.value));
const rows = computed(() =>
  order.value.map((at) => {
    const o = tree.outputs[at]!;
    const { stages, from } = trains.value[o.at]!;
    const up = from ? order.value.indexOf(trains.value.findIndex((t) => t.name === from.train)) : -1;
    return {
      o,
      shared: o.shared,
      up,
      stages: stages.map((stage, i) => ({
        label: kindOf(stage).label(stage).replace(/ : /g, ':'),
        arbor: arborOf(o.at, i + 1),
        on: lit.value.has(`${o.name}.${i + 1}`),
      })),
      first: from ? null : arborOf(o.at, 0),
      /** the way from where it leaves to its first pair belongs to the path too */
      on: o.at === output || lit.value.has(`${o.name}.1`),
    };
  }),
);
const width = computed(
  () => 60 + COLUMN * Math.max(1, ...rows.value.map((r) => r.shared + r.stages.length)) + 190,
);
const X = (column: number): number => 34 + COLUMN * column;
const Y = (row: number): number => 26 + ROW * row;
</script>

<template>
  <div class="scroll tree" tabindex="0" aria-label="Tree of the trains">
    <div class="room" :style="{ width: `${width}px`, height: `${Y(rows.length - 1) + 40}px` }">
      <svg :width="width" :height="Y(rows.length - 1) + 40" aria-hidden="true">
        <g v-for="(r, i) in rows" :key="i" :class="{ on: r.on }">
          <path v-if="r.up >= 0" :d="`M${X(r.shared)} ${Y(r.up)}V${Y(i)}`" />
          <path :d="`M${X(r.shared)} ${Y(i)}H${X(r.shared + r.stages.length)}`" />
        </g>
        <g v-for="(r, i) in rows" :key="`o${i}`">
          <template v-for="(s, j) in r.stages" :key="j">
            <path v-if="s.on" class="path" :d="`M${X(r.shared + j)} ${Y(i)}H${X(r.shared + j + 1)}`" />
          </template>
          <path v-if="r.up >= 0 && r.on" class="path" :d="`M${X(r.shared)} ${Y(r.up)}V${Y(i)}`" />
        </g>
      </svg>
      <template v-for="(r, i) in rows" :key="i">
        <button
          v-if="r.first"
          type="button"
          class="node"
          :class="{ on: lit.has(`${r.o.name}.0`) }"
          :style="{ left: `${X(0)}px`, top: `${Y(i)}px` }"
          :aria-label="`Arbor ${r.first.name}`"
          @click="emit('choose', r.first.id)"
        >
          {{ r.first.name }}
        </button>
        <template v-for="(s, j) in r.stages" :key="j">
          <span
            class="pair mono"
            :class="{ on: s.on }"
            :style="{ left: `${X(r.shared + j + 0.5)}px`, top: `${Y(i)}px` }"
            >{{ s.label }}</span
          >
          <button
            v-if="s.arbor"
            type="button"
            class="node"
            :class="{ on: s.on }"
            :style="{ left: `${X(r.shared + j + 1)}px`, top: `${Y(i)}px` }"
            :aria-label="`Arbor ${s.arbor.name}`"
            @click="emit('choose', s.arbor.id)"
          >
            {{ s.arbor.name }}
          </button>
        </template>
        <span
          class="end"
          :class="{ on: r.o.at === output }"
          :style="{ left: `${X(r.shared + r.stages.length) + 22}px`, top: `${Y(i)}px` }"
        >
          <button
            v-if="tree.several"
            type="button"
            :aria-pressed="r.o.at === output"
            @click="emit('look', r.o.name)"
          >
            {{ r.o.name }}
          </button>
          <FigureText class="mono" :figure="r.o.report.built.ratio" />
        </span>
      </template>
    </div>
  </div>
</template>

<style scoped>
.tree {
  flex: 0 1 224px;
  min-height: 96px;
  overflow: auto;
  border-top: 1px solid var(--p-hair);
  background: var(--p-paper);
}
.room {
  position: relative;
}
svg {
  position: absolute;
  inset: 0;
  fill: none;
  stroke: #8b96a0;
  stroke-width: 1.5;
}
:root[data-theme='night'] svg {
  stroke: var(--p-tick-ten);
}
.path {
  stroke: var(--p-blue);
  stroke-width: 3;
}
.node,
.pair,
.end {
  position: absolute;
  transform: translateY(-50%);
}
.node {
  margin-left: -12px;
  width: 24px;
  height: 24px;
  border-radius: 50%;
  border: 1.5px solid var(--p-field);
  background: var(--p-surface);
  font-size: 13px;
  font-weight: 700;
  display: grid;
  place-items: center;
  padding: 0;
}
.node.on {
  background: var(--p-blue);
  border-color: var(--p-blue);
  color: var(--p-on-blue, #fff);
}
:root[data-theme='night'] .node.on {
  color: #000;
}
.pair {
  margin-left: -34px;
  width: 68px;
  text-align: center;
  border: 1px solid var(--p-field);
  background: var(--p-surface);
  border-radius: 2px;
  font-size: 13.5px;
  font-weight: 600;
  line-height: 22px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.pair.on {
  border-color: var(--p-blue);
  color: var(--p-blue);
}
.end {
  display: flex;
  gap: 12px;
  align-items: center;
  white-space: nowrap;
  font-size: 14px;
}
.end button {
  min-height: 32px;
  font-size: 15px;
}
.end.on button {
  color: var(--p-blue);
  font-weight: 700;
}
</style>
