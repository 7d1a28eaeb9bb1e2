<script setup lang="ts">
import { computed } from 'vue';
import { mdiFileDelimitedOutline } from '@mdi/js';
import type { ArborsReport, Edit, PlanCure, Refusal, TreeReport } from '@pendrix/core';
import FigureText from '../../../ui/FigureText.vue';
import GradeTag from '../../../ui/GradeTag.vue';
import { useSettled } from '../../../ui/settled.ts';
import ArborFields from './ArborFields.vue';
import PlanTroubles from './PlanTroubles.vue';

/** Beside the plan: what the outputs come to, the arbors with their wheels, what wants mending, and the arbor that is chosen. */
const { tree, arbors, output, chosen, edit } = defineProps<{
  tree: TreeReport;
  arbors: ArborsReport;
  output: number;
  chosen: number | null;
  edit: (edit: Edit, session?: string) => Refusal | null;
}>();
const emit = defineEmits<{
  look: [train: string];
  choose: [arbor: number];
  take: [cure: PlanCure];
  csv: [];
  pin: [arbor: number];
  other: [arbor: number];
}>();
/** Cures are tried on the whole plan: while an arbor is pulled they wait. */
const { settled } = useSettled(() => arbors);
const troubles = computed(() => [...settled.value.differs, ...settled.value.clashes]);
const arbor = computed(() => (chosen === null ? null : (arbors.plan.arbors[chosen] ?? null)));
</script>

<template>
  <template v-if="tree.several && tree.between.length > 0">
    <header class="sub"><h2>Outputs</h2></header>
    <table class="rows">
      <thead>
        <tr>
          <th scope="col">ratio</th>
          <th scope="col" class="r">wanted</th>
          <th scope="col" class="r">the teeth make</th>
          <th scope="col" class="r">off, in 100 y</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in tree.between" :key="b.key" :class="{ on: tree.outputs[output]!.name === b.to }">
          <th scope="row">
            <button type="button" @click="emit('look', b.to)">{{ b.to }}</button><GradeTag
              :graded="b.graded"
            />
          </th>
          <td class="r mono">{{ b.wanted }}</td>
          <td class="r off"><FigureText class="mono" :figure="b.figures.ratio" /></td>
          <td class="r off">
            <FigureText class="mono" :figure="b.figures.off" /><span class="days">{{
              b.message.replace(' in 100 years', '')
            }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </template>
  <header class="sub">
    <h2>Arbors</h2>
    <span class="q">{{ arbors.module }}</span>
    <v-spacer />
    <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="emit('csv')">CSV</v-btn>
  </header>
  <table class="rows arbors">
    <thead>
      <tr>
        <th scope="col" colspan="2"><span class="sr-only">arbor</span></th>
        <th scope="col">wheels and layer</th>
        <th scope="col" class="r">bore</th>
        <th scope="col" class="r">distance</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in arbors.rows" :key="r.id" :class="{ on: r.id === chosen }">
        <th scope="row">
          <button
            type="button"
            :aria-pressed="r.id === chosen"
            :aria-label="`Arbor ${r.name}`"
            @click="emit('choose', r.id)"
          >
            {{ r.name }}
          </button>
        </th>
        <td class="q">{{ r.how }}</td>
        <td>
          <span v-for="w in r.wheels" :key="w.id" class="wheel" :class="{ lit: w.trains.includes(output) }"
            ><b class="mono">{{ w.teeth }}</b> {{ w.layer }}</span
          >
        </td>
        <td class="r mono bores">{{ r.bores }}</td>
        <td class="r">
          <span v-for="(d, i) in r.distances" :key="i" class="d"
            ><span class="q">{{ d.to }}</span>
            <b class="mono" :class="{ differs: d.differs }">{{ d.mm }}</b></span
          >
        </td>
      </tr>
    </tbody>
  </table>
  <p v-for="m in arbors.message" :key="m" class="note">{{ m }}</p>
  <ArborFields
    v-if="arbor"
    :tree="tree"
    :arbors="arbors"
    :arbor="arbor"
    :edit="edit"
    @pin="emit('pin', arbor.id)"
    @other="emit('other', arbor.id)"
  />
  <v-spacer />
  <PlanTroubles v-if="troubles.length > 0" :troubles="troubles" @take="(c) => emit('take', c)" />
</template>

<style scoped>
.rows {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.875rem;
}
.rows thead th {
  font-size: 0.8125rem;
  font-weight: 400;
  color: var(--p-quiet);
  text-align: left;
  padding: 0.3125rem 0.5rem 0.3125rem 0;
}
.rows tbody tr {
  border-top: 1px solid var(--p-row);
}
.rows :is(th, td) {
  padding: 1px 0.625rem 1px 0;
  vertical-align: top;
}
.rows :is(th, td):first-child {
  padding-left: 1rem;
  text-align: left;
  font-weight: 400;
}
.rows :is(th, td):last-child {
  padding-right: 1rem;
}
.rows .r {
  text-align: right;
}
.rows .on {
  background: var(--p-tint);
  box-shadow: inset 3px 0 var(--p-blue);
}
.rows button {
  font-weight: 700;
  min-height: 1.5rem;
}
.rows th :deep(.grade) {
  display: flex;
  font-size: 0.8125rem;
}
.arbors button {
  min-width: 1.5rem;
}
.off {
  white-space: nowrap;
}
.days {
  display: block;
  font-size: 0.8125rem;
}
.wheel {
  display: inline-block;
  margin-right: 0.5625rem;
  color: var(--p-quiet);
}
.wheel b {
  color: var(--p-ink);
}
.wheel.lit b {
  color: var(--p-blue);
}
.d {
  display: block;
  white-space: nowrap;
}
.d .q {
  margin-right: 0.3125rem;
}
.bores {
  white-space: nowrap;
  letter-spacing: -0.06em;
}
.differs {
  color: var(--p-amber);
}
.q {
  color: var(--p-quiet);
  font-weight: 400;
}
.small {
  font-size: 0.8125rem;
}
@media (max-width: 1180px) {
  .rows :is(th, td):not(:last-child) {
    padding-right: 0.375rem;
  }
}
.note {
  padding: 0.375rem 1rem;
  font-size: 0.8125rem;
  line-height: 1.125rem;
  color: var(--p-quiet);
  border-top: 1px solid var(--p-row);
}
</style>
