<script setup lang="ts">
import { computed, useId } from 'vue';
import {
  FIND_KINDS,
  findForm,
  findInputs,
  type Drive,
  type Edit,
  type FindKind,
  type FindSettings,
  type Refusal,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import KeepStages from './KeepStages.vue';

/** What is searched for and from what: read from the job, and bent here. Everything is kept with the drive. */
const { drive, edit } = defineProps<{
  drive: Drive;
  edit: (edit: Edit, burst?: string) => Refusal | null;
}>();
const name = useId();
const form = computed(() => findForm(drive));
const set = computed<FindSettings>(() => drive.find ?? {});

const commit =
  (key: keyof FindSettings) =>
  (text: string, burst: string): Refusal | null =>
    edit({ do: 'find', key, text }, burst);
const choose = (key: keyof FindSettings, text: string): void => {
  edit({ do: 'find', key, text });
};
const typed = (key: keyof FindSettings): string => {
  const value = set.value[key];
  return value === undefined ? '' : String(value);
};
const optionsOf = (key: string): readonly { readonly value: string; readonly title: string }[] => {
  const spec = findInputs.find((i) => i.key === key);
  return spec?.type === 'choice' ? spec.options : [];
};
const modes = computed(() =>
  form.value.modes.map((m) => ({ value: String(m), title: m === 1 ? 'full steps' : `1/${m}` })),
);

const KIND_WORDS: Readonly<Record<FindKind, string>> = {
  spur: 'Spur pairs',
  belt: 'Belts',
  worm: 'Worms',
  box: 'Boxes',
  planetary: 'Planetary',
  ratio: 'Plain ratios',
};
function toggle(kind: FindKind): void {
  const kinds = form.value.kinds;
  const next = kinds.includes(kind) ? kinds.filter((k) => k !== kind) : [...kinds, kind];
  choose('kinds', next.join(', '));
}
const from = computed(() => (set.value.divisions === undefined ? 'from the Job' : 'bent here'));
const STAGES = [1, 2, 3, 4] as const;
</script>

<template>
  <form class="form" @submit.prevent>
    <h3>
      Wanted<span v-if="form.question === 'divisions'" class="q">{{ from }}</span>
    </h3>
    <span class="seg full" role="radiogroup" aria-label="Question">
      <label v-for="o in optionsOf('question')" :key="o.value"
        ><input
          type="radio"
          :name="`${name}-q`"
          :checked="form.question === o.value"
          @change="choose('question', o.value)"
        />{{ o.title }}</label
      >
    </span>
    <ReadField
      v-if="form.question === 'divisions'"
      label="Divide by"
      :value="form.divisions"
      placeholder="73, 97"
      :commit="commit('divisions')"
    />
    <ReadField
      v-if="form.question === 'ratio'"
      label="Ratio"
      unit=": 1"
      :value="form.target"
      :commit="commit('target')"
    />
    <template v-if="form.question === 'rate'">
      <ReadField label="One turn in" unit="s" :value="form.periodSeconds" :commit="commit('periodSeconds')" />
      <ReadField label="Timer" unit="Hz" :value="form.tickHz" :commit="commit('tickHz')" />
      <ReadField label="Counter" unit="bits" :value="String(form.bits)" :commit="commit('bits')" />
    </template>
    <template v-if="form.question !== 'ratio'">
      <ReadField label="Motor" unit="a turn" :value="String(form.fullSteps)" :commit="commit('fullSteps')" />
      <ChoiceField
        label="Modes to"
        :value="String(form.finest)"
        :options="modes"
        @choose="(v) => choose('finest', v)"
      />
      <ReadField
        class="long"
        label="Steps"
        placeholder="any"
        :value="form.steps.replace('-', '–')"
        :commit="commit('steps')"
      />
    </template>
    <ReadField
      v-if="form.question !== 'divisions'"
      label="Off by, most"
      unit="ppm"
      placeholder="1000"
      :value="typed('errorPpm')"
      :commit="commit('errorPpm')"
    />

    <h3>Made from</h3>
    <span class="seg full" role="radiogroup" aria-label="Made from">
      <label
        v-for="o in optionsOf('made')"
        :key="o.value"
        :title="o.value === 'few' ? 'what I own, and up to two wheels bought' : ''"
        ><input
          type="radio"
          :name="`${name}-made`"
          :checked="form.made === o.value"
          @change="choose('made', o.value)"
        />{{ o.title }}</label
      >
    </span>
    <ReadField
      v-if="form.made !== 'shelf'"
      label="Wheels"
      unit="teeth"
      :value="form.wheels.replace('-', '–')"
      :commit="commit('wheels')"
    />
    <div class="kinds" role="group" aria-label="Kinds of stage">
      <label v-for="k in FIND_KINDS" :key="k"
        ><input type="checkbox" :checked="form.kinds.includes(k)" @change="toggle(k)" />{{
          KIND_WORDS[k]
        }}</label
      >
    </div>

    <KeepStages :drive="drive" :edit="edit" />

    <h3>Limits</h3>
    <div class="upto">
      <span>{{ drive.train.stages.some((s) => s.kept) ? 'Stages beside' : 'Stages, most' }}</span>
      <span class="seg" role="radiogroup" aria-label="Most stages">
        <label v-for="n in STAGES" :key="n"
          ><input
            type="radio"
            :name="`${name}-stages`"
            :checked="form.maxStages === n"
            @change="choose('maxStages', String(n))"
          />{{ n }}</label
        >
      </span>
    </div>
    <ReadField
      label="One pair to"
      unit=": 1"
      placeholder="any"
      :value="typed('pairRatio')"
      :commit="commit('pairRatio')"
    />
    <ReadField
      label="Teeth, most"
      placeholder="any"
      :value="typed('mostTeeth')"
      :commit="commit('mostTeeth')"
    />
    <ReadField
      class="long"
      label="Ratio"
      placeholder="any"
      :value="form.between.replace('-', '–')"
      :commit="commit('between')"
    />
    <ReadField
      label="Work, least"
      unit="rpm"
      placeholder="any"
      :value="typed('leastRpm')"
      :commit="commit('leastRpm')"
    />
    <ReadField
      v-if="form.made !== 'shelf'"
      label="Cost, most"
      unit="€"
      placeholder="any"
      :value="typed('mostCost')"
      :commit="commit('mostCost')"
    />
    <ReadField
      v-if="form.question === 'divisions'"
      label="Creep, most"
      unit="ppm"
      placeholder="tolerance"
      hint="how far a train that nearly comes out even may creep each turn"
      :value="typed('errorPpm')"
      :commit="commit('errorPpm')"
    />
    <ChoiceField
      label="Teeth meet"
      :value="set.meet ?? 'any'"
      :options="optionsOf('meet')"
      @choose="(v) => choose('meet', v)"
    />
    <ChoiceField
      label="When still"
      :value="set.holds ?? 'any'"
      :options="optionsOf('holds')"
      @choose="(v) => choose('holds', v)"
    />
    <ChoiceField
      label="Play"
      :value="set.play ?? 'any'"
      :options="optionsOf('play')"
      @choose="(v) => choose('play', v)"
    />
  </form>
</template>

<style scoped>
.form {
  --field-width: 116px;
  padding: 0 16px 16px 20px;
  display: flex;
  flex-direction: column;
  gap: 4px;
  overflow: hidden auto;
}
h3 {
  display: flex;
  align-items: center;
  height: 32px;
  flex: none;
  margin: 4px -16px 2px -20px;
  padding: 0 16px 0 20px;
  border-bottom: 1px solid var(--p-row);
}
h3:first-child {
  margin-top: 0;
}
h3 .q {
  margin-left: auto;
  font-size: 13px;
  font-weight: 400;
  color: var(--p-quiet);
}
.upto .seg label {
  padding: 0 9px;
}
.long {
  --field-width: 148px;
}
.seg.full {
  display: flex;
}
.seg.full label {
  flex: 1 1 auto;
  justify-content: center;
  padding: 0 4px;
}
.kinds {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.kinds label {
  display: flex;
  align-items: center;
  gap: 8px;
  height: 32px;
  font-size: 14px;
}
.kinds input {
  width: 16px;
  height: 16px;
  accent-color: var(--p-blue);
}
.form :deep(label),
.upto > span {
  white-space: nowrap;
}
.upto {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  font-size: 14px;
}
</style>
