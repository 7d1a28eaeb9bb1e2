<script setup lang="ts">
import { computed } from 'vue';
import {
  kindOf,
  searchedKinds,
  findForm,
  findInputs,
  type Drive,
  type Edit,
  type StageKindId,
  type FindSettings,
  type Refusal,
  type ShelfPart,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import KeepStages from './KeepStages.vue';
import CheckField from '../../ui/CheckField.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';

/** What is searched for and from what: read from the job, and bent here. Everything is kept with the drive. */
const { drive, shelf, edit } = defineProps<{
  drive: Drive;
  shelf: readonly ShelfPart[];
  edit: (edit: Edit, editSession?: string) => Refusal | null;
}>();
const form = computed(() => findForm(drive, shelf));
const set = computed<FindSettings>(() => drive.find ?? {});

const commit =
  (key: keyof FindSettings) =>
  (text: string, editSession: string): Refusal | null =>
    edit({ do: 'find', key, text }, editSession);
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

const kinds = searchedKinds.map((kind) => ({ kind, title: kindOf({ kind }).search!.title }));
function toggle(kind: StageKindId): void {
  const now = form.value.kinds;
  const next = now.includes(kind) ? now.filter((k) => k !== kind) : [...now, kind];
  choose('kinds', next.join(', '));
}
const from = computed(() => (set.value.divisions === undefined ? 'from the Job' : 'changed here'));
const STAGES = [1, 2, 3, 4, 5].map((n) => ({ value: n, title: String(n) }));
/** What set an end of the steps, where nobody typed them. */
const STEPS_BY = {
  camera: 'From where one step is a pixel of the camera at most.',
  counter: 'From where the counter holds the time between two steps.',
  speed: 'Up to what the controller’s speed allows.',
} as const;
</script>

<template>
  <form class="form" @submit.prevent>
    <h3>
      Wanted<span v-if="form.question === 'divisions'" class="q">{{ from }}</span>
    </h3>
    <ToggleChoice
      v-if="form.question !== 'branches'"
      class="full"
      label="Question"
      :value="form.question"
      :options="optionsOf('question').filter((o) => o.value !== 'branches' && o.value !== 'drives')"
      @choose="(v) => choose('question', v)"
    />
    <ReadField
      v-if="form.question === 'divisions'"
      label="Divide by"
      :value="form.divisions"
      placeholder="73, 97"
      :commit="commit('divisions')"
    />
    <ReadField
      v-if="form.question === 'ratio' || form.question === 'branches'"
      label="Ratio"
      unit=": 1"
      :value="form.target"
      :commit="commit('target')"
    />
    <ReadField
      v-if="form.question === 'branches'"
      label="Second ratio"
      unit=": 1"
      :value="form.target2"
      placeholder="12"
      :commit="commit('target2')"
    />
    <template v-if="form.question === 'rate'">
      <ReadField label="One turn in" unit="s" :value="form.periodSeconds" :commit="commit('periodSeconds')" />
      <p v-if="form.turns === 'screw'" class="quiet">Of the screw, as its arm starts.</p>
      <ReadField label="Timer" unit="Hz" :value="form.tickHz" :commit="commit('tickHz')" />
      <ReadField label="Counter" unit="bits" :value="String(form.bits)" :commit="commit('bits')" />
    </template>
    <template v-if="form.question === 'divisions' || form.question === 'rate'">
      <ReadField label="Motor" unit="a turn" :value="String(form.fullSteps)" :commit="commit('fullSteps')" />
      <ChoiceField
        label="Finest step"
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
      <p v-for="by in form.stepsBy" :key="by" class="quiet">{{ STEPS_BY[by] }}</p>
    </template>
    <ReadField
      v-if="form.question !== 'divisions'"
      label="Max error"
      unit="ppm"
      :placeholder="form.question === 'branches' ? 'exact' : '1000'"
      :value="typed('errorPpm')"
      :commit="commit('errorPpm')"
    />

    <h3>Parts</h3>
    <ToggleChoice
      v-if="form.question !== 'branches'"
      class="full"
      label="Parts"
      :value="form.made"
      :options="optionsOf('made')"
      @choose="(v) => choose('made', v)"
    />
    <ReadField
      v-if="form.made !== 'shelf' || form.question === 'branches'"
      label="Wheels"
      unit="teeth"
      :value="form.wheels.replace('-', '–')"
      :commit="commit('wheels')"
    />
    <template v-if="form.question !== 'branches'">
      <div class="kinds" role="group" aria-label="Kinds of stage">
        <CheckField
          v-for="k in kinds"
          :key="k.kind"
          :label="k.title"
          :value="form.kinds.includes(k.kind)"
          @set="toggle(k.kind)"
        />
      </div>

      <KeepStages :drive="drive" :edit="edit" />

      <h3>Limits</h3>
      <div class="upto">
        <span>{{ drive.train.stages.some((s) => s.kept) ? 'Stages beside' : 'Max stages' }}</span>
        <ToggleChoice
          label="Max stages"
          :value="form.maxStages"
          :options="STAGES"
          @choose="(n) => choose('maxStages', String(n))"
        />
      </div>
      <ReadField
        label="Max ratio of a pair"
        unit=": 1"
        placeholder="any"
        :value="typed('pairRatio')"
        :commit="commit('pairRatio')"
      />
      <ReadField
        label="Max teeth"
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
        label="Min output speed"
        unit="rpm"
        placeholder="any"
        :value="typed('leastRpm')"
        :commit="commit('leastRpm')"
      />
      <ReadField
        v-if="form.made !== 'shelf'"
        label="Max cost"
        unit="€"
        placeholder="any"
        :value="typed('mostCost')"
        :commit="commit('mostCost')"
      />
      <ReadField
        v-if="form.question === 'divisions'"
        label="Max drift a turn"
        unit="ppm"
        placeholder="tolerance"
        hint="how far a train that nearly comes out even may drift each turn"
        :value="typed('errorPpm')"
        :commit="commit('errorPpm')"
      />
      <ChoiceField
        label="Hunting tooth"
        :value="set.meet ?? 'any'"
        :options="optionsOf('meet')"
        @choose="(v) => choose('meet', v)"
      />
      <ChoiceField
        label="Self-locking"
        :value="set.holds ?? 'any'"
        :options="optionsOf('holds')"
        @choose="(v) => choose('holds', v)"
      />
      <ChoiceField
        label="Backlash"
        :value="set.play ?? 'any'"
        :options="optionsOf('play')"
        @choose="(v) => choose('play', v)"
      />
    </template>
  </form>
</template>

<style scoped>
.form {
  --field-width: 7.25rem;
  padding: 0 1rem 1rem 1.25rem;
  display: flex;
  flex-direction: column;
  gap: 0.25rem;
  overflow: hidden auto;
}
.form :deep(h3) {
  display: flex;
  align-items: center;
  height: 2rem;
  flex: none;
  margin: 0.25rem -1rem 2px -1.25rem;
  padding: 0 1rem 0 1.25rem;
  border-bottom: 1px solid var(--p-row);
}
.form > h3:first-child {
  margin-top: 0;
}
h3 .q {
  margin-left: auto;
  font-size: 0.8125rem;
  font-weight: 400;
  color: var(--p-quiet);
}
.long {
  --field-width: 9.25rem;
}
.kinds {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.form :deep(label),
.upto :deep(.v-btn) {
  min-width: 1.625rem;
  padding-inline: 0.375rem;
}
.upto > span {
  white-space: nowrap;
}
.upto {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 0.5rem;
  font-size: 0.875rem;
}
</style>
