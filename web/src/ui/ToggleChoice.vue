<script setup lang="ts" generic="T extends string | number | boolean">
/** One of a few words that all stand there. */
defineProps<{
  label: string;
  value: T;
  options: readonly {
    readonly value: T;
    readonly title: string;
    readonly hint?: string;
    readonly disabled?: boolean;
  }[];
}>();
const emit = defineEmits<{ choose: [value: T] }>();
</script>

<template>
  <v-btn-toggle
    role="group"
    :aria-label="label"
    :model-value="value"
    @update:model-value="(v: T) => emit('choose', v)"
  >
    <v-btn
      v-for="o in options"
      :key="String(o.value)"
      :value="o.value"
      :title="o.hint"
      :disabled="o.disabled ?? false"
      :aria-pressed="o.value === value"
      >{{ o.title }}</v-btn
    >
  </v-btn-toggle>
</template>
