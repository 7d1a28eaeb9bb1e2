<script setup lang="ts">
import { computed } from 'vue';
import type { TreeReport } from '@pendrix/core';
import ChoiceField from './ChoiceField.vue';

/** Which output of a drive is looked at, for every station at once. */
const { tree, output } = defineProps<{ tree: TreeReport; output: number }>();
const emit = defineEmits<{ look: [train: string] }>();
const options = computed(() =>
  tree.outputs.map(({ name, begins }) => ({ value: name, title: name, subtitle: begins })),
);
</script>

<template>
  <ChoiceField
    class="output"
    across
    label="Output"
    :value="tree.outputs[output]!.name"
    :options="options"
    @choose="(name) => emit('look', name)"
  />
</template>

<style scoped>
.output {
  --field-width: 9.375rem;
  flex: none;
  font-size: 0.875rem;
  margin: 0 0.5rem;
}
@media (max-width: 700px) {
  .output {
    --field-width: 6.5rem;
    margin: 0;
  }
  .output :deep(label) {
    display: none;
  }
}
</style>
