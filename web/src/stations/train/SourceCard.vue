<script setup lang="ts">
import { computed } from 'vue';
import { sourceKindOf, type Edit, type Refusal, type Report, type Source } from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import InputFields from './InputFields.vue';
import TrainCard from './TrainCard.vue';

/** The motor: full steps, the driver's modes, and the one in use. */
const { source, report, edit } = defineProps<{
  source: Source;
  report: Report['train']['source'];
  edit: (e: Edit, burst?: string) => Refusal | null;
}>();

const kind = computed(() => sourceKindOf(source));
const set = (key: string, text: string, burst?: string): Refusal | null =>
  edit({ do: 'source', key, text }, burst);
const setModes = (text: string, burst: string): Refusal | null => edit({ do: 'modes', text }, burst);
const modes = computed(() =>
  source.modes.map((m) => ({ value: String(m), title: m === 1 ? 'Full step' : `1/${m}` })),
);
</script>

<template>
  <TrainCard :title="kind.title" :label="kind.title" :steps="report.steps" :facts="report.facts">
    <InputFields :specs="kind.inputs" :data="source" :set="set" />
    <ChoiceField
      label="Microsteps"
      :value="String(source.mode)"
      :options="modes"
      @choose="(v) => edit({ do: 'mode', mode: Number(v) })"
    />
    <ReadField
      class="modes"
      label="Driver’s modes"
      :value="source.modes.join(', ')"
      hint="all the microsteps a step that the driver can be set to"
      :commit="setModes"
    />
  </TrainCard>
</template>

<style scoped>
.card {
  border-left: 0;
}
.modes {
  --field-width: 100%;
  grid-template-columns: minmax(0, 1fr);
  row-gap: 4px;
}
.modes :deep(input) {
  letter-spacing: -0.06em;
}
</style>
