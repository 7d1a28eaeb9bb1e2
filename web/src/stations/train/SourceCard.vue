<script setup lang="ts">
import { computed } from 'vue';
import {
  grouped,
  showInput,
  sourceKindOf,
  type Edit,
  type InputSpec,
  type InputValue,
  type Refusal,
  type Source,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import RichText from '../../ui/RichText.vue';

/** The motor: full steps, the driver's modes, and the one in use. */
const { source, facts, edit } = defineProps<{
  source: Source;
  facts: readonly string[];
  edit: (e: Edit, burst?: string) => Refusal | null;
}>();

const kind = computed(() => sourceKindOf(source));
const shown = (spec: InputSpec): string =>
  showInput(spec, (source as unknown as Readonly<Record<string, InputValue>>)[spec.key]);
const commit =
  (spec: InputSpec) =>
  (text: string, burst: string): Refusal | null =>
    edit({ do: 'source', key: spec.key, text }, burst);
const setModes = (text: string, burst: string): Refusal | null => edit({ do: 'modes', text }, burst);
const modes = computed(() =>
  source.modes.map((m) => ({ value: String(m), title: m === 1 ? 'Full step' : `1/${m}` })),
);
const steps = computed(() => [grouped(String(source.fullSteps * source.mode))]);
</script>

<template>
  <section class="card" :aria-label="kind.title">
    <header>
      <h3>{{ kind.title }}</h3>
    </header>
    <div class="fields">
      <template v-for="spec in kind.inputs" :key="spec.key">
        <ReadField
          :label="spec.label"
          :value="shown(spec)"
          :unit="spec.unit ?? ''"
          :hint="spec.hint ?? ''"
          :commit="commit(spec)"
        />
      </template>
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
    </div>
    <footer><span>steps a turn</span><RichText class="mono" :text="steps" /></footer>
    <p v-for="fact in facts" :key="fact" class="fact">{{ fact }}</p>
  </section>
</template>

<style scoped>
.card {
  width: 205px;
  flex: none;
  padding: 0 16px 0 20px;
  display: flex;
  flex-direction: column;
}
header {
  height: 36px;
  flex: none;
  display: flex;
  align-items: center;
}
.fields {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.modes {
  --field-width: 100%;
  grid-template-columns: minmax(0, 1fr);
  row-gap: 4px;
}
.modes :deep(input) {
  letter-spacing: -0.06em;
}
.fact {
  font-size: 13px;
  line-height: 17px;
  color: var(--p-quiet);
  padding: 3px 0 4px;
}
footer {
  margin-top: 4px;
  border-top: 1px solid var(--p-hair);
  padding: 5px 0 8px;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 13px;
  color: var(--p-quiet);
}
footer .mono {
  font-size: 14px;
  font-weight: 600;
  color: var(--p-ink);
}
</style>
