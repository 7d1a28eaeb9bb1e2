<script setup lang="ts">
import { computed } from 'vue';
import { showInput, type InputSpec, type InputValue, type Refusal } from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';

/** The inputs that a kind declares, as fields: the less used ones folded away. An optional one that is absent shows its estimate, quiet. */
const { specs, data, set } = defineProps<{
  specs: readonly InputSpec[];
  data: object;
  set: (key: string, text: string, burst?: string) => Refusal | null;
}>();

const valueOf = (spec: InputSpec): InputValue | undefined =>
  (data as Readonly<Record<string, InputValue>>)[spec.key];
const estimate = (spec: InputSpec): string =>
  spec.optional && valueOf(spec) === undefined && spec.default !== null ? String(spec.default) : '';
const commit =
  (spec: InputSpec) =>
  (text: string, burst: string): Refusal | null =>
    set(spec.key, text, burst);
const groups = computed(() => [specs.filter((s) => !s.more), specs.filter((s) => s.more)] as const);
const filled = computed(() => groups.value[1].filter((s) => valueOf(s) !== undefined).length);
const wide = (spec: InputSpec): boolean => spec.type === 'pairs' || spec.type === 'text';
</script>

<template>
  <component
    :is="i === 0 ? 'div' : 'details'"
    v-for="(group, i) in groups.filter((g) => g.length > 0)"
    :key="i"
    class="inputs fold"
  >
    <summary v-if="i === 1">
      More<span v-if="filled > 0" class="quiet">, {{ filled }} given</span>
    </summary>
    <template v-for="spec in group" :key="spec.key">
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
        :class="{ below: wide(spec) }"
        :value="showInput(spec, valueOf(spec))"
        :unit="spec.unit ?? ''"
        :hint="spec.hint ?? ''"
        :placeholder="estimate(spec)"
        :commit="commit(spec)"
      />
    </template>
    <slot v-if="i === 0" />
  </component>
</template>

<style scoped>
.inputs {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
details.inputs {
  display: block;
}
details.inputs > :not(summary) {
  margin-bottom: 4px;
}
summary .quiet {
  font-weight: 400;
}
</style>
