<script setup lang="ts">
import { computed } from 'vue';
import { mdiAlertOutline, mdiFileDelimitedOutline } from '@mdi/js';
import {
  layerName,
  MAX_LAYER,
  trainsOf,
  type ArborsReport,
  type Edit,
  type PlanCure,
  type Refusal,
  type TreeReport,
} from '@pendrix/core';
import ChoiceField from '../../../ui/ChoiceField.vue';
import FigureText from '../../../ui/FigureText.vue';
import GradeTag from '../../../ui/GradeTag.vue';
import ReadField from '../../../ui/ReadField.vue';

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
const troubles = computed(() => [...arbors.differs, ...arbors.clashes]);
const arbor = computed(() => (chosen === null ? null : (arbors.plan.arbors[chosen] ?? null)));
const names = computed(() => trainsOf(tree.drive).map((t) => t.name));
/** The stage that turns the chosen arbor, with what the plan sets of it. */
const stage = computed(() => {
  const set = arbor.value?.set;
  if (!set || set.stage === null) return null;
  return trainsOf(tree.drive)[set.train]!.stages[set.stage] ?? null;
});
const set =
  (key: string, what: string) =>
  (text: string, session?: string): Refusal | null => {
    const at = arbor.value;
    if (!at) return null;
    return edit(
      {
        do: 'arbor',
        train: names.value[at.set.train]!,
        stage: at.set.stage,
        set: { [key]: text },
        label: `arbor ${at.name}: ${what} ${text}`.trim(),
      },
      session,
    );
  };
const LAYERS = [1, -1].flatMap((sign) =>
  Array.from({ length: MAX_LAYER }, (_, i) => ({
    value: String(sign * (i + 1)),
    title: layerName(sign * (i + 1)),
  })),
);
const layerNow = computed(() => {
  const at = arbor.value?.set;
  const mesh = arbors.plan.meshes.find((m) => m.train === at?.train && m.stage === at.stage);
  return mesh ? String(arbors.plan.wheels[mesh.driven]!.layer) : '1';
});
const bore = computed(() => {
  const { outBoreMm, boreMm } = (stage.value ?? {}) as { outBoreMm?: number; boreMm?: number };
  return outBoreMm ?? boreMm;
});
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
          <td class="r"><FigureText class="mono" :figure="b.figures.ratio" /></td>
          <td class="r">
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
  <section v-if="arbor" class="chosen" :aria-label="`Arbor ${arbor.name}`">
    <h3>
      Arbor {{ arbor.name }}<span class="q"> {{ arbors.rows[arbor.id]!.how }}</span>
    </h3>
    <div class="fields">
      <ChoiceField
        v-if="stage"
        label="Layer of its pair"
        across
        :value="layerNow"
        :options="LAYERS"
        @choose="(v) => set('layer', 'layer')(v)"
      />
      <ReadField
        label="Axis"
        :value="stage?.axis ?? ''"
        placeholder="its own"
        hint="arbors of one name stand on one axis: tubes, hands"
        :commit="set('axis', 'axis')"
      />
      <ReadField
        label="Bore"
        unit="mm"
        :value="bore === undefined ? '' : String(bore)"
        placeholder="4"
        :commit="set(stage ? 'outBoreMm' : 'boreMm', 'bore')"
      />
      <ReadField
        v-if="stage"
        label="Distance"
        unit="mm"
        :value="stage.distanceMm ?? ''"
        placeholder="as the teeth want"
        :commit="set('distanceMm', 'distance')"
      />
    </div>
    <div class="keys">
      <v-btn @click="emit('pin', arbor.id)"
        >{{ arbor.how === 'pinned' ? 'Unpin' : 'Pin it here' }} <kbd>P</kbd></v-btn
      >
      <v-btn v-if="arbor.how === 'solved'" @click="emit('other', arbor.id)"
        >The other place <kbd>O</kbd></v-btn
      >
    </div>
    <p class="q small">
      {{
        arbor.how === 'solved'
          ? 'It stands where two distances meet.'
          : arbor.how === 'pinned'
            ? 'Pull it, or move it by the arrows: 0.1 mm, with Shift 1 mm.'
            : 'Pull it along its arc, or turn it by the arrows: 0.5°, with Shift 5°.'
      }}
    </p>
  </section>
  <v-spacer />
  <div v-if="troubles.length > 0" class="foot scroll">
    <section v-for="t in troubles" :key="t.title" class="trouble" :class="t.kind">
      <h3><v-icon :icon="mdiAlertOutline" size="17" />{{ t.title }}</h3>
      <p>{{ t.message }}</p>
      <div v-for="c in t.cures" :key="c.title" class="cure">
        <p>
          <b>{{ c.title }}</b><span v-if="t.kind === 'differs'">{{ c.message }}</span>
        </p>
        <v-btn variant="flat" @click="emit('take', c)">Take it</v-btn>
      </div>
    </section>
  </div>
</template>

<style scoped>
.rows {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
.rows thead th {
  font-size: 13px;
  font-weight: 400;
  color: var(--p-quiet);
  text-align: left;
  padding: 5px 8px 5px 0;
}
.rows tbody tr {
  border-top: 1px solid var(--p-row);
}
.rows :is(th, td) {
  padding: 1px 10px 1px 0;
  vertical-align: top;
}
.rows :is(th, td):first-child {
  padding-left: 16px;
  text-align: left;
  font-weight: 400;
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
  min-height: 24px;
}
.rows th :deep(.grade) {
  display: flex;
  font-size: 13px;
}
.arbors button {
  min-width: 24px;
}
.days {
  display: block;
  font-size: 13px;
}
.wheel {
  display: inline-block;
  margin-right: 9px;
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
  margin-right: 5px;
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
  font-size: 13px;
}
.note {
  padding: 6px 16px;
  font-size: 13px;
  line-height: 18px;
  color: var(--p-quiet);
  border-top: 1px solid var(--p-row);
}
.chosen {
  padding: 10px 16px 12px;
  border-top: 1px solid var(--p-hair);
  display: grid;
  gap: 8px;
}
.fields {
  display: grid;
  gap: 4px;
}
.keys {
  display: flex;
  gap: 8px;
}
/* what wants mending stays in sight, whatever the list above it does */
.foot {
  position: sticky;
  bottom: 0;
  flex: none;
  max-height: 46%;
  overflow: auto;
}
.trouble {
  border-top: 2px solid var(--p-amber);
  background: var(--p-amber-ground);
  padding: 8px 16px 10px;
  font-size: 14px;
  line-height: 19px;
}
.trouble h3 {
  display: flex;
  gap: 6px;
  align-items: center;
  color: var(--p-amber);
}
.trouble > p {
  color: var(--p-amber-text);
}
.cure {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--p-amber-rule, var(--p-hair));
  margin-top: 6px;
  padding-top: 6px;
}
.cure span {
  display: block;
}
</style>
