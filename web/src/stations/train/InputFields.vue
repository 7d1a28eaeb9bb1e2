<script setup lang="ts">
import { showInput, type InputSpec, type InputValue, type Refusal } from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';

/** The inputs that a kind of stage or source declares, as fields. An optional one that is absent shows its estimate, quiet. */
const { specs, data, set } = defineProps<{
  specs: readonly InputSpec[];
  data: object;
  set: (key: string, text: string, burst?: string) => Refusal | null;
}>();

const valueOf = (spec: InputSpec): InputValue | undefined =>
  (data as Readonly<Record<string, InputValue>>)[spec.key];
const estimate = (spec: InputSpec): string =>
  'optional' in spec && valueOf(spec) === undefined ? String(spec.default) : '';
const commit =
  (spec: InputSpec) =>
  (text: string, burst: string): Refusal | null =>
    set(spec.key, text, burst);
</script>

<template>
  <template v-for="spec in specs" :key="spec.key">
    <ChoiceField
      v-if="spec.type === 'choice'"
      :label="spec.label"
      :value="String(valueOf(spec) ?? spec.default)"
      :options="spec.options"
      @choose="(v) => set(spec.key, v)"
    />
    <ReadField
      v-else
      :label="spec.label"
      :value="showInput(spec, valueOf(spec))"
      :unit="spec.unit ?? ''"
      :hint="spec.hint ?? ''"
      :placeholder="estimate(spec)"
      :commit="commit(spec)"
    />
  </template>
</template>
