<script setup lang="ts">
import { computed } from 'vue';
import { showInput, type InputSpec, type InputValue, type Refusal } from '@pendrix/core';
import CheckField from './CheckField.vue';
import ChoiceField from './ChoiceField.vue';
import FoldPanel from './FoldPanel.vue';
import ReadField from './ReadField.vue';

/** The inputs that a kind declares, as fields: the less used ones folded away. An optional one that is absent shows its estimate, quiet. */
const {
  specs,
  data,
  set,
  across = false,
} = defineProps<{
  specs: readonly InputSpec[];
  data: object;
  set: (key: string, text: string, session?: string) => Refusal | null;
  /** side by side, as many as there is room for */
  across?: boolean;
}>();

const valueOf = (spec: InputSpec): InputValue | undefined =>
  (data as Readonly<Record<string, InputValue>>)[spec.key];
const estimate = (spec: InputSpec): string =>
  spec.optional && valueOf(spec) === undefined && spec.default !== null ? String(spec.default) : '';
/** one for each field, the same at every drawing: a field whose value stays is not drawn again */
const commits = computed(
  () =>
    new Map(
      specs.map(({ key }) => [
        key,
        (text: string, session: string): Refusal | null => set(key, text, session),
      ]),
    ),
);
const groups = computed(() => [specs.filter((s) => !s.more), specs.filter((s) => s.more)] as const);
const filled = computed(() => groups.value[1].filter((s) => valueOf(s) !== undefined).length);
/** Room for the longest choice. */
const widthOf = (options: readonly { readonly title: string }[]): string =>
  `${Math.max(...options.map((o) => o.title.length)) * 7.4 + 52}px`;
const long = (spec: InputSpec): boolean => ['clock', 'period', 'exact'].includes(spec.type);
const wide = (spec: InputSpec): boolean => spec.type === 'pairs' || spec.type === 'text';
</script>

<template>
  <component
    :is="i === 0 ? 'div' : FoldPanel"
    v-for="(group, i) in groups.filter((g) => g.length > 0)"
    :key="i"
    class="inputs"
    :class="{ across }"
    v-bind="i === 0 ? {} : { title: 'More', note: filled > 0 ? `${filled} given` : '' }"
  >
    <template v-for="spec in group" :key="spec.key">
      <ChoiceField
        v-if="spec.type === 'choice'"
        :label="spec.label"
        :across="across"
        :style="across ? { '--field-width': widthOf(spec.options) } : {}"
        :value="String(valueOf(spec) ?? spec.default)"
        :options="spec.options"
        @choose="(v) => set(spec.key, v)"
      />
      <CheckField
        v-else-if="spec.type === 'flag'"
        :label="spec.label"
        :hint="spec.hint ?? ''"
        :value="valueOf(spec) === true"
        @set="(on) => set(spec.key, on ? 'true' : '')"
      />
      <ReadField
        v-else
        :label="spec.label"
        :class="{ below: wide(spec), long: long(spec) }"
        :value="showInput(spec, valueOf(spec))"
        :unit="spec.unit ?? ''"
        :hint="spec.hint ?? ''"
        :placeholder="estimate(spec)"
        :commit="commits.get(spec.key)!"
      />
    </template>
    <slot v-if="i === 0" />
  </component>
</template>

<style scoped>
.inputs {
  display: flex;
  flex-direction: column;
  gap: 0.25rem;
}
.across:not(.v-expansion-panels),
.across :deep(.v-expansion-panel-text__wrapper) {
  display: flex;
  flex-flow: row wrap;
  align-items: flex-start;
  gap: 0.5rem 1rem;
}
.across :deep(.read-field.below) {
  grid-template-columns: auto minmax(0, 1fr);
  --field-width: 8.75rem;
}
.across :deep(.long) {
  --field-width: 7.75rem;
}
.across :deep(:has(> .refusal)) {
  flex: 1 0 100%;
  justify-content: start;
}
</style>
