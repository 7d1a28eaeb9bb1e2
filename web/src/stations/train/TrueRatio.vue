<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import {
  setTrueRatio,
  trueRatioAsked,
  trueRatioReport,
  type Refusal,
  type StageToUse,
  type TrueRatioAsked,
} from '@pendrix/core';
import ReadField from '../../ui/ReadField.vue';
import { useWheels } from '../../ui/use-wheels.ts';
import WheelRange from '../../ui/WheelRange.vue';
import DialogCard from '../../ui/DialogCard.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';

/** What a gearbox really is: from a count at the machine, or from its label; and the wheels that would make it. */
const open = defineModel<boolean>({ required: true });
const { fullSteps, replaces } = defineProps<{
  /** of the drive's source, to start with */
  fullSteps: number;
  /** the stage that the ratio takes the place of, counted from 0; null goes in at the end */
  replaces: number | null;
}>();
const emit = defineEmits<{ use: [stage: StageToUse] }>();

const asked = shallowRef<TrueRatioAsked>(trueRatioAsked(fullSteps));
const told = computed(() => trueRatioReport(asked.value));
const { rows: trains, busy, failed, search, stop, clear } = useWheels('trains');
watch(open, (now) => {
  if (now) asked.value = { ...asked.value, perTurn: String(fullSteps) };
  else clear();
});
watch(asked, clear);

/** what is read, in the order it is read, and what to do for it */
const FIELDS = {
  count: {
    how: 'Put a mark on the output, let the source turn it some whole turns, and count its steps.',
    fields: [
      { key: 'turns', label: 'Turns of the output' },
      { key: 'steps', label: 'Steps counted', placeholder: '27469' },
      { key: 'off', label: 'give or take' },
      { key: 'perTurn', label: 'Steps a turn' },
    ],
  },
  label: {
    how: 'What is printed on it, and how far that may be from the truth.',
    fields: [
      { key: 'label', label: 'Printed' },
      { key: 'percent', label: 'may be off by', unit: '%' },
    ],
  },
} as const;
const given = computed(() => FIELDS[asked.value.by]);
const set =
  (key: Parameters<typeof setTrueRatio>[1]) =>
  (text: string): Refusal | null => {
    const next = setTrueRatio(asked.value, key, text);
    if (!next.ok) return next.refusal;
    asked.value = next.value;
    return null;
  };
</script>

<template>
  <DialogCard v-model="open" title="True ratio" :width="760">
    <p class="quiet where">
      {{
        replaces === null
          ? 'What you use becomes a stage before the work.'
          : `What you use takes the place of stage ${replaces + 1}.`
      }}
    </p>
    <ToggleChoice
      label="Known from"
      :value="asked.by"
      :options="[
        { value: 'count', title: 'From a count' },
        { value: 'label', title: 'From the label' },
      ]"
      @choose="(by) => (asked = { ...asked, by })"
    />
    <div class="two">
      <div class="given">
        <p class="quiet">{{ given.how }}</p>
        <ReadField
          v-for="{ key, ...field } in given.fields"
          :key="key"
          v-bind="field"
          :value="asked[key]"
          :commit="set(key)"
        />
        <p class="span" role="status">
          <b class="mono">{{ told.message }}</b>
        </p>
        <p v-if="told.measured" class="as-measured">
          <span class="mono">{{ told.measured.text }}</span>
          <v-btn aria-label="Use it as measured" @click="emit('use', told.measured.use)"
            >Use as measured</v-btn
          >
          <small class="quiet">its ± then stands in every verdict</small>
        </p>
      </div>
      <div class="found" tabindex="0">
        <h3>Simplest fractions in it<small class="quiet">, a guess each until teeth are counted</small></h3>
        <ul v-if="told.fractions.length > 0">
          <li v-for="r in told.fractions" :key="r.text">
            <span class="mono">{{ r.text }}</span><span class="mono quiet">{{ r.value }}</span>
            <v-btn :aria-label="`Use ${r.text}`" @click="emit('use', r.use)">Use</v-btn>
          </li>
        </ul>
        <p v-else class="quiet">None yet.</p>
        <h3>Boxes that are often met</h3>
        <ul>
          <li v-for="b in told.boxes" :key="b.title" :class="{ fits: b.inside }">
            <span
              >{{ b.title }}<small>sold as {{ b.label }} : 1{{ b.inside ? ', lies in it' : '' }}</small></span
            ><span class="mono quiet">{{ b.value }}</span>
            <v-btn :aria-label="`Use the ${b.title}`" @click="emit('use', b.use)">Use</v-btn>
          </li>
        </ul>
      </div>
    </div>
    <section class="wheels" aria-label="From wheels">
      <div class="line">
        <h3>From wheels of</h3>
        <WheelRange
          :range="asked.teeth"
          :least="4"
          of="a wheel"
          :set="(teeth) => (asked = { ...asked, teeth })"
        />
        <span>teeth, up to</span>
        <ReadField label="Most pairs" :labelled="false" :value="String(asked.pairs)" :commit="set('pairs')" />
        <span>pairs</span>
        <v-btn v-if="busy" @click="stop">Stop</v-btn>
        <v-btn v-else variant="flat" :disabled="told.refuses !== null" @click="search(asked)">Look</v-btn>
      </div>
      <p v-if="told.refuses" class="quiet" role="status">{{ told.refuses }}</p>
      <p v-else-if="busy" class="quiet" role="status">Trying the wheels…</p>
      <p v-else-if="failed" class="quiet" role="alert">The search broke off; look again.</p>
      <p v-else-if="trains?.length === 0" class="quiet" role="status">
        No wheels of that range make a ratio in it. Allow more pairs, or a wider range.
      </p>
      <ul v-if="trains && trains.length > 0" class="list" tabindex="0" aria-label="Wheel trains">
        <li v-for="t in trains" :key="t.text">
          <span class="mono">{{ t.text }}</span><span class="mono quiet">{{ t.value }}</span>
          <span class="mono">{{ t.words }}</span>
          <v-btn :aria-label="`Use ${t.text} from wheels`" @click="emit('use', t.use)">Use</v-btn>
        </li>
      </ul>
    </section>
  </DialogCard>
</template>

<style scoped src="./true-ratio.css"></style>
