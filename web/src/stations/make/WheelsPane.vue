<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiAlertOutline, mdiFileDelimitedOutline, mdiRotateRight, mdiSvg, mdiVectorLine } from '@mdi/js';
import {
  madeOf,
  duties,
  dutiesIn,
  stageInputs,
  type InputSpec,
  type MadeWheel,
  type Refusal,
} from '@pendrix/core';
import { useRoute } from 'vue-router';
import ChoiceField from '../../ui/ChoiceField.vue';
import { useSaveExport } from '../../ui/exporting.ts';
import InputFields from '../../ui/InputFields.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import WheelDrawing from './WheelDrawing.vue';

/** One wheel: its blank, its cutter and its passes, what to measure when it is cut, and its drawing. */
const { edit } = useOpenDrive();
const report = useReport();
const route = useRoute();
const saveExport = useSaveExport();
const drive = computed(() => report.value.drive);
const all = computed(() => madeOf(report.value).wheels);
const asked = ref<string | null>(null);
/** a wheel that is cut before one that is bought */
const entry = computed(
  () =>
    all.value.find((w) => w.wheel.key === asked.value) ??
    all.value.find((w) => w.wheel.as !== 'pulley') ??
    all.value[0] ??
    null,
);
const shown = computed(() => entry.value?.of() ?? null);
const wheel = computed(() => entry.value?.wheel ?? null);
/** the blank and what is measured of it, what is empty left out */
const told = computed(() => {
  const { blank = [], mesh = [], measure = [] } = shown.value ?? {};
  return [
    { title: 'Blank', rows: blank },
    { title: 'In mesh', rows: mesh },
    { title: 'Measure when cut', rows: measure },
  ].filter(({ title, rows }) => title === 'Blank' || rows.length > 0);
});

/** two wheels side by side: only there one can give the other's shift back */
const pairOfWheels = computed(() => {
  const own = all.value.filter((w) => w.wheel.stage === wheel.value?.stage && w.wheel.stage !== null);
  return own.length === 2 && own.every((w) => w.wheel.as === 'gear');
});

/** What of a stage says how this wheel is made. */
const keysOf = ({ as, shiftKey, boreKey }: MadeWheel): readonly string[] => [
  ...(as === 'pulley' ? ['pitchMm'] : ['moduleMm', 'diametralPitch', 'pressureAngleDeg', shiftKey ?? '']),
  ...(pairOfWheels.value ? ['shiftBack'] : []),
  ...(as === 'gear' || as === 'ring' ? ['helixDeg', 'hand'] : []),
  ...(as === 'wormWheel' ? ['cut', 'threadPitchMm', 'wormDiameterMm'] : []),
  boreKey,
  'faceMm',
];
const specs = computed<readonly InputSpec[]>(() => {
  const at = wheel.value;
  if (!at) return [];
  if (at.stage === null) return duties.blank.inputs;
  const keys = keysOf(at);
  return stageInputs(drive.value.train.stages[at.stage]!)
    .filter((i) => keys.includes(i.key))
    .sort((a, b) => keys.indexOf(a.key) - keys.indexOf(b.key))
    .map(({ more: _, ...i }) => i as InputSpec);
});
const data = computed(() => {
  const at = wheel.value;
  if (!at) return {};
  return at.stage === null ? (dutiesIn(drive.value, 'blank')[0] ?? {}) : drive.value.train.stages[at.stage]!;
});
function set(key: string, text: string, session?: string): Refusal | null {
  const at = wheel.value;
  if (!at) return null;
  if (at.stage !== null) return edit({ do: 'stage', at: at.stage, key, text }, session);
  if (dutiesIn(drive.value, 'blank').length === 0) {
    const refused = edit({ do: 'addDuty', duty: 'blank' }, session);
    if (refused) return refused;
  }
  return edit({ do: 'duty', duty: 'blank', at: 0, key, text }, session);
}
const draw = (as: 'svg' | 'dxf'): void => {
  if (wheel.value) void saveExport(drive.value, as, { of: wheel.value.key }, wheel.value.key);
};
</script>

<template>
  <Teleport defer to="#make-tools">
    <v-btn
      v-if="all.length > 0"
      variant="text"
      :prepend-icon="mdiFileDelimitedOutline"
      @click="saveExport(drive, 'csv', { of: 'wheels' }, 'cut-list')"
      >List</v-btn
    >
    <template v-if="shown && !shown.refusal">
      <v-btn variant="text" :prepend-icon="mdiSvg" @click="draw('svg')">SVG</v-btn>
      <v-btn variant="text" :prepend-icon="mdiVectorLine" @click="draw('dxf')">DXF</v-btn>
    </template>
  </Teleport>
  <div v-if="!entry || !shown || !wheel" class="teach">
    <h3>No wheel to make</h3>
    <p class="quiet">
      Give the train a pair of wheels, a worm or a belt, or ask in the Job for counts to divide: each wheel
      then stands here with its blank and its cutter.
    </p>
  </div>
  <template v-else>
    <div class="want">
      <ChoiceField
        across
        class="which"
        label="Wheel"
        :value="wheel.key"
        :options="all.map((w) => ({ value: w.wheel.key, title: w.title }))"
        @choose="(v) => (asked = v)"
      />
      <span class="quiet">{{ shown.stage }}</span>
      <InputFields across :specs="specs" :data="data" :set="set" />
    </div>
    <div class="scroll main" tabindex="0" role="region" aria-label="How it is made">
      <p v-if="shown.refusal" class="refusal" role="status">{{ shown.refusal }}</p>
      <WheelDrawing v-else :wheel="wheel" />
      <div class="halves">
        <section aria-label="Blank">
          <template v-for="part in told" :key="part.title">
            <h3>{{ part.title }}</h3>
            <dl>
              <div v-for="(r, i) in part.rows" :key="i">
                <dt>{{ r.label }}</dt>
                <dd>
                  {{ r.text }}<small>{{ r.unit }}</small>
                </dd>
              </div>
            </dl>
          </template>
        </section>
        <section aria-label="Cutter">
          <h3>Cutter</h3>
          <div v-if="shown.cutter" class="cutter">
            <div>
              <b>{{ shown.cutter.range }}</b><small>teeth, the range</small>
            </div>
            <div>
              <b>{{ shown.cutter.customA }}</b><small>custom A, rack is 1</small>
            </div>
            <div>
              <b>{{ shown.cutter.customB }}</b><small>custom B, rack is 8</small>
            </div>
          </div>
          <p v-else class="quiet">{{ shown.cutterMessage }}</p>
          <template v-if="shown.passes.length > 0">
            <h3>Passes <small class="quiet">from touch-off, each all the way round</small></h3>
            <table>
              <thead>
                <tr>
                  <th scope="col">Pass</th>
                  <th scope="col">feed in</th>
                  <th scope="col">depth then</th>
                  <th scope="col">gap at the rim</th>
                  <th scope="col">left to cut</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="p in shown.passes" :key="p.title">
                  <th scope="row">{{ p.title }}</th>
                  <td>{{ p.feed }}</td>
                  <td>{{ p.depth }}</td>
                  <td>{{ p.gap }}</td>
                  <td>{{ p.left }}</td>
                </tr>
              </tbody>
            </table>
          </template>
          <p v-for="m in shown.message" :key="m" class="quiet says">{{ m }}</p>
          <p class="caution">
            <v-icon :icon="mdiAlertOutline" size="18" /> Spindle stopped before you measure or touch the
            clamp. The machine’s own rules and a qualified person come before this list.
          </p>
          <v-btn
            v-if="wheel.number === null"
            :prepend-icon="mdiRotateRight"
            :to="{ name: 'run', params: route.params, query: { count: wheel.teeth } }"
            >Run this wheel</v-btn
          >
        </section>
      </div>
    </div>
  </template>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.which {
  --field-width: 12.5rem;
}
</style>
