<script setup lang="ts">
import { computed, useId } from 'vue';

/** One of a few choices, with its label. */
const {
  options,
  across = false,
  labelled = true,
  placeholder = '',
} = defineProps<{
  label: string;
  value: string;
  options: readonly { readonly value: string; readonly title: string; readonly subtitle?: string }[];
  /** in a row of fields, its width given */
  across?: boolean;
  labelled?: boolean;
  placeholder?: string;
}>();
const emit = defineEmits<{ choose: [value: string] }>();
/** A title longer than the field: the label goes above it. */
const stacked = computed(() => !across && labelled && options.some((o) => o.title.length > 12));
const id = useId();
</script>

<template>
  <div class="choice-field" :class="{ stacked }">
    <label :id="`${id}-label`" :for="id" :class="{ 'sr-only': !labelled }">{{ label }}</label>
    <v-select
      :id="id"
      :model-value="value"
      :items="options"
      :placeholder="placeholder"
      :aria-labelledby="`${id}-label`"
      @update:model-value="(v: string) => emit('choose', v)"
    />
  </div>
</template>
