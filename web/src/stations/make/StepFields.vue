<script setup lang="ts">
import { FASTENERS, type BuildStep, type Fastener, type Refusal } from '@pendrix/core';
import CheckField from '../../ui/CheckField.vue';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';

/** What can be changed of a step of a build or a set-up. */
const { step, text } = defineProps<{
  step: BuildStep;
  text: (key: 'title' | 'gate' | 'way' | 'tools') => (typed: string) => Refusal | null;
}>();
const emit = defineEmits<{ change: [more: Partial<BuildStep>] }>();
</script>

<template>
  <div class="edit">
    <ReadField label="Step" :value="step.title" :commit="text('title')" />
    <ReadField label="Gate" :value="step.gate ?? ''" placeholder="none" :commit="text('gate')" />
    <ReadField label="Way round" :value="step.way ?? ''" :commit="text('way')" />
    <ReadField label="Tools" :value="step.tools ?? ''" :commit="text('tools')" />
    <ChoiceField
      label="Screws"
      :value="step.fastener ?? ''"
      :options="[{ value: '', title: 'none' }, ...FASTENERS.map((f) => ({ value: f, title: f }))]"
      @choose="(v) => emit('change', { fastener: (v || undefined) as Fastener })"
    />
    <CheckField
      label="needs two people"
      :value="step.two ?? false"
      @set="(v: boolean) => emit('change', { two: v })"
    />
  </div>
</template>

<style scoped>
.edit {
  display: grid;
  gap: 0.25rem;
  padding-top: 0.375rem;
  --field-width: 18.75rem;
}
</style>
