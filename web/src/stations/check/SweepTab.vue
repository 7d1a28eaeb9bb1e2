<script setup lang="ts">
import { refusalSentence, error, type Refusal } from '@pendrix/core';
import { computed, ref } from 'vue';
import { mdiCodeTags, mdiFileDelimitedOutline, mdiPlus } from '@mdi/js';
import { DutyChart } from '../../ui/duty-chart.ts';
import DutyLines from '../../ui/DutyLines.vue';
import { saveExport, useSaveExport } from '../../ui/exporting.ts';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import TextTable from '../../ui/TextTable.vue';
import { useDuty } from '../../ui/use-duty.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import CheckHead from './CheckHead.vue';
import DutyFold from './DutyFold.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import InputFields from '../../ui/InputFields.vue';

/** Sweeps in frames: uneven motion, the time of an interval, several axes on one clock. */
const { tree, editAt } = useOpenDrive();
const report = useReport();
/** Sweeps of all trains are one shot. */
const whole = computed(() => tree.value!.drive);
const together = computed(() => tree.value!.outputs[0]!.report.duties.together);
const saveTable = useSaveExport();
const { list, specs, set, add, remove } = useDuty('sweeps');
const sweeps = computed(() => report.value.duties.of('sweeps'));
/** Axes of the shot, of whatever train. */
const axes = computed(() => tree.value!.outputs.flatMap((o) => o.report.duties.of('sweeps')).length);
const chosen = ref(0);
const shown = computed(() => sweeps.value[Math.min(chosen.value, sweeps.value.length - 1)] ?? null);
const ramp = computed(() => report.value.duties.one('ramp'));

/** Fields that all axes of a shot share: set once, for all of them. */
const SHARED = [
  'frames',
  'intervalSeconds',
  'exposureSeconds',
  'writeSeconds',
  'settleSeconds',
  'marginSeconds',
  'fps',
];
const shared = specs.filter((i) => SHARED.includes(i.key));
const own = specs.filter((i) => !SHARED.includes(i.key));
/** One step for all axes, of every train; what one of them refuses none takes. */
function setAll(key: string, text: string, session = `${key}-${Date.now()}`): Refusal | null {
  for (const { at: output, report: of } of tree.value!.outputs)
    for (let at = 0; at < of.duties.of('sweeps').length; at++) {
      const refused = editAt(output, { do: 'duty', duty: 'sweeps', at, key, text }, session);
      if (refused) return refused;
    }
  return null;
}

const letters = ref('');
const dwell = ref<'s' | 'ms'>('s');
const shutter = ref('');
/** What is wrong with the letters or with the shot; said where the file would have been made. */
const refusal = ref<Refusal | null>(null);

async function saveMoves(): Promise<void> {
  refusal.value = await saveExport(whole.value, 'gcode', {
    dwell: dwell.value,
    ...(letters.value.trim() && { axes: letters.value }),
    ...(shutter.value.trim() && { shutter: shutter.value.trim() }),
  });
}
const setLetters = (text: string): Refusal | null => {
  letters.value = text;
  return null;
};
const setShutter = (text: string): Refusal | null => {
  if (text.trim() !== '' && !/^[A-Za-z][\w. ]{0,30}$/.test(text.trim()))
    return error('badValue', text, { example: 'M240' }).refusal;
  shutter.value = text;
  return null;
};
/** Another axis of the shot begins with what all of them share. */
function another(): void {
  const first = list.value[0] as Readonly<Record<string, unknown>> | undefined;
  const same = SHARED.flatMap((key) => (first?.[key] === undefined ? [] : [[key, first[key]] as const]));
  add(Object.fromEntries(same));
  chosen.value = sweeps.value.length - 1;
}
</script>

<template>
  <TwoColumns aside="Frame by frame" shares="minmax(0, 716fr) minmax(0, 484px)">
    <CheckHead open="sweep" />
    <div class="scroll main">
      <div v-if="sweeps.length === 0" class="teach">
        <h3>No sweep is asked</h3>
        <p class="quiet">
          A slide or a turn in frames: from where to where, in how many frames. Each frame gets its own whole
          microstep, and what the eye would see of the rounding is said.
        </p>
      </div>
      <section v-if="axes > 1 && list[0]" class="block" aria-label="All axes">
        <div class="head">
          <h3>All axes</h3>
          <span class="quiet">what they share on one clock</span>
        </div>
        <InputFields across :specs="shared" :data="list[0]" :set="setAll" />
      </section>
      <DutyFold
        v-for="(duty, at) in sweeps"
        :key="at"
        :duty="duty"
        :specs="axes > 1 ? own : specs"
        :data="list[at]!"
        :set="set(at)"
        @remove="remove(at)"
        @focusin="chosen = at"
      />
      <p v-if="together" class="warn">{{ together }}</p>
      <section v-if="sweeps.length > 0" class="block" aria-label="The shot as G-code">
        <div class="head">
          <h3>The shot as G-code</h3>
          <span class="quiet">all axes frame by frame, from mark to mark one interval</span>
        </div>
        <div class="gcode">
          <ReadField
            class="letters"
            label="Letters"
            :value="letters"
            placeholder="slide=X, pan=A"
            hint="a letter for each sweep by its name; X to W for lengths, A to C for angles unless said"
            :commit="setLetters"
          />
          <ChoiceField
            label="Dwells in"
            :value="dwell"
            :options="[
              { value: 's', title: 'seconds' },
              { value: 'ms', title: 'milliseconds' },
            ]"
            @choose="(v) => (dwell = v === 'ms' ? 'ms' : 's')"
          />
          <ReadField label="Shutter" :value="shutter" placeholder="M240" :commit="setShutter" />
          <v-btn :prepend-icon="mdiCodeTags" @click="saveMoves">Save G-code</v-btn>
        </div>
        <p v-if="refusal" class="refusal" role="alert">{{ refusalSentence(refusal) }}</p>
      </section>
      <div class="actions">
        <v-btn :prepend-icon="mdiPlus" @click="another">{{
          sweeps.length === 0 ? 'Ask for a sweep' : 'Another axis'
        }}</v-btn>
      </div>
    </div>
    <template #aside>
      <template v-if="shown">
        <header class="sub">
          <h3>{{ shown.title }}, frame by frame</h3>
        </header>
        <DutyChart v-for="c in shown.charts" :key="c.key" :chart="c" />
        <div v-if="ramp" class="block">
          <div class="head">
            <h3>{{ ramp.title }}</h3>
            <v-spacer />
            <v-btn
              v-if="ramp.table"
              variant="text"
              :prepend-icon="mdiFileDelimitedOutline"
              @click="saveTable(report.drive, 'csv', { of: ramp.key }, 'intervals')"
              >CSV</v-btn
            >
          </div>
          <DutyLines :duty="ramp" />
        </div>
        <TextTable v-if="shown.table" :table="shown.table" />
      </template>
      <div v-else class="teach"><h3>Frame by frame</h3></div>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
<style scoped>
.gcode {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-start;
  gap: 0.5rem 1rem;
}
.letters {
  --field-width: 9.375rem;
}
.refusal {
  font-size: 0.8125rem;
  color: var(--p-red);
  padding-top: 0.375rem;
}
</style>
