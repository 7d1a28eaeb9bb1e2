<script setup lang="ts">
/** Where there is nothing to show: what it is for, an example, and the way to begin. */
defineProps<{ title: string; text?: string }>();
</script>

<template>
  <div class="empty-state">
    <h2>{{ title }}</h2>
    <p v-if="text" class="quiet">{{ text }}</p>
    <slot />
  </div>
</template>

<style scoped>
.empty-state {
  margin: auto;
  display: flex;
  flex-direction: column;
  gap: 0.75rem;
  align-items: center;
  text-align: center;
  max-width: 28.75rem;
  padding: 1.25rem;
}
</style>
