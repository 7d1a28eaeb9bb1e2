<script setup lang="ts">
/** A yes or no with its words. */
defineProps<{ label: string; value: boolean; hint?: string }>();
const emit = defineEmits<{ set: [value: boolean] }>();
</script>

<template>
  <v-checkbox
    :label="label"
    :model-value="value"
    :title="hint"
    @update:model-value="(v: boolean | null) => emit('set', v === true)"
  />
</template>
