<script setup lang="ts">
import { computed, ref } from 'vue';
import { plainText, SEED, type Refusal } from '@pendrix/core';
import { DutyChart } from '../../ui/duty-chart.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import GradeTag from '../../ui/GradeTag.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import { useSeveralEdits } from '../../ui/several-edits.ts';
import TwoColumns from '../../ui/TwoColumns.vue';
import WorkingKey from '../../ui/WorkingKey.vue';
import BudgetTable from './errors/BudgetTable.vue';
import CancelMatrix from './errors/CancelMatrix.vue';
import CutWheels from './pictures/CutWheels.vue';
import { usePicture } from './pictures/use-picture.ts';
import CheckHead from './CheckHead.vue';
import WhatIf from './WhatIf.vue';

/** Every cause of error at the output: what it makes, what would take it out, and the sum against the tolerance. */
const { edit } = useOpenDrive();
const report = useReport();
const errors = computed(() => report.value.judged.errors);
const asked = ref<string | null>(null);
const open = computed(() => {
  const key = asked.value ?? errors.value.first;
  return key === null ? null : (errors.value.of(key) ?? errors.value.of(errors.value.first ?? ''));
});
const tolerance = computed(() => report.value.asked.tolerance);
const setTolerance = (text: string, session: string): Refusal | null =>
  edit({ do: 'tolerance', as: tolerance.value.as === 'length' ? 'length' : 'angle', text }, session);
const take = useSeveralEdits();
const divisions = computed(() => {
  const [, d] = (open.value?.key ?? '').split('.');
  return d === undefined ? null : Number(d);
});
const { picture } = usePicture(() => ({
  drive: report.value.drive,
  key: divisions.value === null ? null : `divide.${divisions.value}`,
  seed: SEED,
}));
</script>

<template>
  <TwoColumns aside="Which shafts cancel" shares="minmax(0, 760fr) minmax(0, 440px)">
    <CheckHead open="errors"><WorkingKey v-if="open" :figure="open.worst.figure" /></CheckHead>
    <div v-if="!open" class="teach">
      <h3>Nothing to budget yet</h3>
      <p class="quiet">
        Ask in the Job what a turn is divided into, or a rate to follow: then each cause of error stands here
        with what it makes at the work.
      </p>
    </div>
    <template v-else>
      <div class="want">
        <ChoiceField
          label="Budget for"
          :value="open.key"
          :options="errors.choices.map((c) => ({ value: c.key, title: c.title }))"
          @choose="(v) => (asked = v)"
        />
        <ReadField label="Tolerance" :value="tolerance.field" placeholder="none" :commit="setTolerance" />
      </div>
      <div class="scroll main">
        <BudgetTable :budget="open" :tolerance="errors.tolerance" @edit="take" />
        <section v-if="open.message" class="block" aria-label="What would help">
          <p class="say">
            <b>{{ open.message.strong }}</b> {{ open.message.rest }}
          </p>
          <ul v-if="open.cures.length > 0" class="cures">
            <li v-for="c in open.cures" :key="c.title">
              <div>
                <b>{{ c.title }}</b>
                <p>
                  <GradeTag :graded="c.graded" /> <span class="quiet">{{ c.likely }}</span>
                </p>
              </div>
              <v-btn @click="take([c.edit])">Take it</v-btn>
            </li>
          </ul>
          <p v-if="errors.finest" class="quiet">{{ errors.finest }}</p>
        </section>
        <WhatIf :what="{ of: 'errors', key: open.key }" @keep="take" />
      </div>
    </template>
    <template #aside>
      <CancelMatrix
        v-if="errors.samples"
        :samples="errors.samples"
        :divisions="divisions"
        @choose="(d) => (asked = `divide.${d}`)"
      />
      <div v-else class="pane">
        <h2>Which shafts cancel</h2>
        <p class="quiet">
          When a turn is divided, a shaft that turns whole between two places always stands alike.
        </p>
      </div>
      <section v-if="errors.reach" class="reach">
        <DutyChart :chart="errors.reach.chart" />
        <p class="quiet">{{ errors.reach.message }}</p>
      </section>
      <CutWheels
        v-if="open && divisions !== null && picture?.kind === 'divide'"
        :picture="picture"
        :worst="plainText(open.worst.figure.text)"
      />
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
<style scoped>
.want {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 1.25rem;
  min-height: 3rem;
  padding: 0.375rem 1rem 0.375rem 1.25rem;
  border-bottom: 1px solid var(--p-hair);
  --field-width: 8rem;
}
.say {
  font-size: 0.9375rem;
}
.cures {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17.5rem, 1fr));
  gap: 0.5rem 1.25rem;
  margin-top: 0.625rem;
}
.cures li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 0.75rem;
}
.block .quiet {
  font-size: 0.875rem;
  margin-top: 0.5rem;
}
.cures p .quiet {
  margin: 0 0 0 0.5rem;
}
.pane {
  padding: 0.625rem 1rem;
}
.reach {
  border-top: 1px solid var(--p-hair);
  padding-bottom: 0.5rem;
}
.reach .quiet {
  padding: 0 1rem;
  font-size: 0.875rem;
}
</style>
