<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import {
  encoderInputs,
  outputKindOf,
  outputs,
  type Drive,
  type Edit,
  type OutputKindId,
  type Refusal,
  type Report,
  onCard,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import FigureText from '../../ui/FigureText.vue';
import GradeTag from '../../ui/GradeTag.vue';
import ReadField from '../../ui/ReadField.vue';
import InputFields from '../../ui/InputFields.vue';
import TrainCard from './TrainCard.vue';
import FoldPanel from '../../ui/FoldPanel.vue';

/** The work: what kind of output, its moves, how far it may turn, and the encoder that watches the train. */
const {
  drive,
  report,
  shared = 0,
  edit,
} = defineProps<{
  drive: Drive;
  report: Report['built'];
  /** stages that it shares with the train it hangs on: its encoder is told by its own shafts */
  shared?: number;
  edit: (e: Edit, editSession?: string) => Refusal | null;
}>();

const kind = computed(() => outputKindOf(drive.train.output));
const kinds = Object.entries(outputs).map(([value, k]) => ({ value, title: k.title }));
const refusal = ref<Refusal | null>(null);
const choose = (v: string): void => {
  refusal.value = edit({ do: 'outputKind', kind: v as OutputKindId });
};
const set = (key: string, text: string, editSession?: string): Refusal | null =>
  edit({ do: 'output', key, text }, editSession);
const setEncoder = (key: string, text: string, editSession?: string): Refusal | null =>
  edit({ do: 'encoder', key, text }, editSession);
const setMoves = (text: string, editSession: string): Refusal | null =>
  edit({ do: 'moves', text }, editSession);
const encoder = computed(() => drive.encoder && { ...drive.encoder, shaft: drive.encoder.shaft - shared });
const limits = computed(() => ({ back: '', forth: '', why: '', ...drive.train.limits }));
const limit =
  (key: 'back' | 'forth' | 'why') =>
  (text: string, editSession: string): Refusal | null =>
    edit({ do: 'limits', ...limits.value, [key]: text }, editSession);
const facts = computed(() => {
  if (drive.train.stages.length > 0) return report.work.facts;
  return [
    ...report.work.facts,
    'The source turns the work itself. Add a belt, a worm or a pair of wheels between them.',
  ];
});
watch(
  () => drive.train.output.kind,
  () => (refusal.value = null),
);
</script>

<template>
  <TrainCard title="Work" label="Work" :facts="facts">
    <ChoiceField label="Kind" :value="drive.train.output.kind" :options="kinds" @choose="choose" />
    <p v-if="refusal" class="refusal" role="status">
      Write a radius for the tolerance in the Job first: a table measures it along a circle.
    </p>
    <InputFields :specs="onCard(kind.inputs)" :data="drive.train.output" :set="set" />
    <ReadField
      v-if="kind.glyph !== 'table'"
      class="below"
      label="Moves that must come out even"
      :value="drive.job.moves ?? ''"
      placeholder="1, 1/8 in, 2π"
      hint="each a distance along the output, mm unless you say in"
      :commit="setMoves"
    />
    <template #after>
      <ul v-if="report.work.moves.length > 0" class="moves">
        <li v-for="m in report.work.moves" :key="m.figure.key">
          <span>{{ m.label }}</span><FigureText class="mono" :figure="m.figure" />
          <GradeTag :graded="m.graded" />
        </li>
      </ul>
      <FoldPanel class="more" title="Limits of turning" :open="drive.train.limits !== undefined">
        <ReadField
          label="Back"
          unit="turns"
          :value="limits.back"
          placeholder="0"
          hint="how far it may turn back from home"
          :commit="limit('back')"
        />
        <ReadField
          label="Forth"
          unit="turns"
          :value="limits.forth"
          placeholder="no limit"
          hint="how far it may turn on from home"
          :commit="limit('forth')"
        />
        <ReadField
          v-if="drive.train.limits"
          class="below"
          label="Why"
          :value="limits.why"
          placeholder="cables through the axis"
          :commit="limit('why')"
        />
        <p v-if="drive.train.limits" class="fact">
          A run keeps within them: it is taken back, not round, and one that cannot fit is refused.
        </p>
      </FoldPanel>
      <FoldPanel class="more" title="Encoder" :open="drive.encoder !== undefined">
        <template v-if="encoder && report.encoder">
          <InputFields :specs="encoderInputs" :data="encoder" :set="setEncoder" />
          <p class="counts">
            <FigureText class="mono" :figure="report.encoder.counts" /> counts a turn of the work
          </p>
          <p class="fact">{{ report.encoder.one }}</p>
          <p v-for="g in report.encoder.groups" :key="g.graded.word" class="group">
            <GradeTag :graded="g.graded" /> <span>{{ g.counts }}</span>
          </p>
          <v-btn variant="text" @click="edit({ do: 'removeEncoder' })">Remove the encoder</v-btn>
        </template>
        <template v-else>
          <p class="fact">It counts where a shaft really is: on the source’s, the work’s, or any between.</p>
          <v-btn @click="edit({ do: 'addEncoder' })">Add an encoder</v-btn>
        </template>
      </FoldPanel>
    </template>
  </TrainCard>
</template>

<style scoped>
.card {
  flex: 1 0 12.8125rem;
}
.card :deep(.fields),
.more,
.card :deep(.fact),
.moves {
  max-width: 16.25rem;
}
.more {
  border-top: 1px solid var(--p-hair);
  margin-top: 0.25rem;
}
.fact {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  color: var(--p-quiet);
  padding: 0.1875rem 0 0.25rem;
}
.counts {
  font-size: 0.875rem;
  padding-top: 0.375rem;
}
.counts .mono {
  font-weight: 600;
}
.group {
  font-size: 0.875rem;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 0.5rem;
}
.moves {
  border-top: 1px solid var(--p-hair);
  margin-top: 0.375rem;
}
.moves li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 0.5rem;
  font-size: 0.875rem;
  padding: 0.25rem 0;
  border-bottom: 1px dotted var(--p-dotted);
}
.moves li > :last-child {
  grid-column: 1 / -1;
}
</style>
