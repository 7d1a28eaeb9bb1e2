<script setup lang="ts">
/** A key with a mark alone; its name is told at the pointer, at focus and to screen readers. */
const { size = 20 } = defineProps<{ icon: string; label: string; size?: number; disabled?: boolean }>();
</script>

<template>
  <v-btn class="icon-button" variant="text" icon :disabled="disabled" :aria-label="label">
    <v-icon :icon="icon" :size="size" />
    <v-tooltip v-if="!disabled" activator="parent" :text="label" :aria-label="label" />
  </v-btn>
</template>
