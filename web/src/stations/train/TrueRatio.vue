<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import {
  compare,
  decimal,
  exactly,
  knownBoxes,
  labelInterval,
  grouped,
  MAX_WHEEL_SETS,
  middleOf,
  pairsRatio,
  rational,
  ratioInterval,
  readCount,
  readNumber,
  readReduction,
  error,
  isNegative,
  isZero,
  simplestIn,
  toText,
  wheelSets,
  type Interval,
  type InputValue,
  type Rational,
  type Refusal,
  type StageKindId,
} from '@pendrix/core';
import ReadField from '../../ui/ReadField.vue';
import { useTrains } from './use-trains.ts';
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
const emit = defineEmits<{
  use: [kind: StageKindId, values: Readonly<Record<string, InputValue>>];
}>();

const by = ref<'count' | 'label'>('count');
const perTurn = ref<Rational>(rational(fullSteps));
const turns = ref<Rational>(rational(10));
const steps = ref<Rational | null>(null);
const off = ref<Rational>(rational(4));
const label = ref<Rational>(rational(64));
const percent = ref<Rational>(rational(1));
const teeth = ref({ from: 8, to: 60 });
const pairs = ref(2);
const { trains, busy, failed, search, stop, clear } = useTrains();

const interval = computed<Interval | null>(() => {
  if (by.value === 'label') return labelInterval(label.value, percent.value);
  if (!steps.value) return null;
  return ratioInterval({ perTurn: perTurn.value, turns: turns.value, steps: steps.value, error: off.value });
});
const fractions = computed(() => (interval.value ? simplestIn(interval.value, 8) : []));
const middle = computed(() =>
  interval.value
    ? `${decimal(interval.value.low, 5)} to ${decimal(interval.value.high, 5)}`
    : by.value === 'count'
      ? 'Type how many steps the source made.'
      : 'The label may not be off by all of itself.',
);
watch(open, (now) => {
  if (now) perTurn.value = rational(fullSteps);
  else clear();
});
watch([interval, teeth, pairs], clear);

const number =
  (take: (value: Rational) => void, zero = false) =>
  (text: string): Refusal | null => {
    const read = readNumber(text);
    if (!read.ok) return read.refusal;
    if (isNegative(read.value)) return error('negative', text, { example: '10' }).refusal;
    if (isZero(read.value) && !zero) return error('zero', text, { example: '10' }).refusal;
    take(read.value);
    return null;
  };
const setLabel = (text: string): Refusal | null => {
  const read = readReduction(text);
  if (!read.ok) return read.refusal;
  if (isNegative(read.value.value)) return error('negative', text, { example: '45:1' }).refusal;
  label.value = read.value.value;
  return null;
};
const setPairs = (text: string): Refusal | null => {
  const read = readCount(text, { min: 1, max: 4, unit: 'pairs', example: '2' });
  if (!read.ok) return read.refusal;
  pairs.value = read.value;
  return null;
};
/** More sets of wheels than can be held are refused before they are looked through. */
const tooMany = computed(() => wheelSets(teeth.value, pairs.value) > MAX_WHEEL_SETS);
const shown = (r: Rational | null): string => (r === null ? '' : toText(r));
/** A fraction that fits is a guess, however it was found: it counts as printed until teeth are counted. */
const useRatio = (r: string): void => emit('use', 'ratio', { value: r, provenance: 'nominal' });
/** What was counted, as it was counted, with its ±. */
const measuredRatio = computed(() =>
  by.value === 'count' && interval.value ? middleOf(interval.value) : null,
);
const useMeasured = (): void => {
  const m = measuredRatio.value;
  if (!m) return;
  const sure = isZero(m.plusMinus);
  emit('use', 'ratio', {
    value: toText(m.ratio),
    provenance: sure ? 'nominal' : 'measured',
    ...(sure ? {} : { plusMinus: toText(m.plusMinus) }),
  });
};
const boxPairs = (
  driven: readonly number[],
  drivers: readonly number[],
): Readonly<Record<string, InputValue>> => ({
  pairs: driven.map((z, i) => [drivers[i]!, z] as const),
  guessed: true,
});
const boxes = knownBoxes.map((b) => ({ ...b, ratio: pairsRatio(b.pairs) }));
const inside = (r: Rational): boolean => {
  const i = interval.value;
  if (!i) return false;
  return compare(i.low, r) <= 0 && compare(r, i.high) <= 0;
};
const trainRatio = (r: string): string => decimal(exactly(r), 5);
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
      :value="by"
      :options="[
        { value: 'count', title: 'From a count' },
        { value: 'label', title: 'From the label' },
      ]"
      @choose="(v) => (by = v)"
    />
    <div class="two">
      <div class="given">
        <template v-if="by === 'count'">
          <p class="quiet">
            Put a mark on the output, let the source turn it some whole turns, and count its steps.
          </p>
          <ReadField label="Turns of the output" :value="shown(turns)" :commit="number((v) => (turns = v))" />
          <ReadField
            label="Steps counted"
            :value="shown(steps)"
            placeholder="27469"
            :commit="number((v) => (steps = v))"
          />
          <ReadField label="give or take" :value="shown(off)" :commit="number((v) => (off = v), true)" />
          <ReadField label="Steps a turn" :value="shown(perTurn)" :commit="number((v) => (perTurn = v))" />
        </template>
        <template v-else>
          <p class="quiet">What is printed on it, and how far that may be from the truth.</p>
          <ReadField label="Printed" :value="shown(label)" :commit="setLabel" />
          <ReadField
            label="may be off by"
            unit="%"
            :value="shown(percent)"
            :commit="number((v) => (percent = v), true)"
          />
        </template>
        <p class="span" role="status">
          <b class="mono">{{ middle }}</b>
        </p>
        <p v-if="measuredRatio" class="as-measured">
          <span class="mono"
            >{{ decimal(measuredRatio.ratio, 6) }} ± {{ decimal(measuredRatio.plusMinus, 6) }}</span
          >
          <v-btn aria-label="Use it as measured" @click="useMeasured">Use as measured</v-btn>
          <small class="quiet">its ± then stands in every verdict</small>
        </p>
      </div>
      <div class="found" tabindex="0">
        <h3>Simplest fractions in it<small class="quiet">, a guess each until teeth are counted</small></h3>
        <ul v-if="fractions.length > 0">
          <li v-for="r in fractions" :key="toText(r)">
            <span class="mono">{{ toText(r) }}</span><span class="mono quiet">{{ decimal(r, 5) }}</span>
            <v-btn :aria-label="`Use ${toText(r)}`" @click="useRatio(toText(r))">Use</v-btn>
          </li>
        </ul>
        <p v-else class="quiet">None yet.</p>
        <h3>Boxes that are often met</h3>
        <ul>
          <li v-for="b in boxes" :key="b.title" :class="{ fits: inside(b.ratio) }">
            <span
              >{{ b.title
              }}<small>sold as {{ b.label }} : 1{{ inside(b.ratio) ? ', lies in it' : '' }}</small></span
            ><span class="mono quiet">{{ decimal(b.ratio, 5) }}</span>
            <v-btn
              :aria-label="`Use the ${b.title}`"
              @click="emit('use', 'box', { pairs: b.pairs, ratio: b.label, guessed: true })"
              >Use</v-btn
            >
          </li>
        </ul>
      </div>
    </div>
    <section class="wheels" aria-label="From wheels">
      <div class="line">
        <h3>From wheels of</h3>
        <WheelRange :range="teeth" :least="4" of="a wheel" :set="(r) => (teeth = r)" />
        <span>teeth, up to</span>
        <ReadField label="Most pairs" :labelled="false" :value="String(pairs)" :commit="setPairs" />
        <span>pairs</span>
        <v-btn v-if="busy" @click="stop">Stop</v-btn>
        <v-btn
          v-else
          variant="flat"
          :disabled="!interval || tooMany"
          @click="interval && search(interval, teeth, pairs)"
          >Look</v-btn
        >
      </div>
      <p v-if="tooMany" class="quiet" role="status">
        These are more than {{ grouped(String(MAX_WHEEL_SETS)) }} sets of wheels. Allow fewer pairs, or a
        narrower range.
      </p>
      <p v-else-if="busy" class="quiet" role="status">Trying the wheels…</p>
      <p v-else-if="failed" class="quiet" role="alert">The search broke off; look again.</p>
      <p v-else-if="trains?.length === 0" class="quiet" role="status">
        No wheels of that range make a ratio in it. Allow more pairs, or a wider range.
      </p>
      <ul v-if="trains && trains.length > 0" class="list" tabindex="0" aria-label="Wheel trains">
        <li v-for="t in trains" :key="t.ratio">
          <span class="mono">{{ t.ratio }}</span><span class="mono quiet">{{ trainRatio(t.ratio) }}</span>
          <span class="mono">{{ t.driven.map((z, i) => `${t.drivers[i]}:${z}`).join('  ') }}</span>
          <v-btn
            :aria-label="`Use ${t.ratio} from wheels`"
            @click="emit('use', 'box', boxPairs(t.driven, t.drivers))"
            >Use</v-btn
          >
        </li>
      </ul>
    </section>
  </DialogCard>
</template>

<style scoped src="./true-ratio.css"></style>
