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
  gap: 12px;
  align-items: center;
  text-align: center;
  max-width: 460px;
  padding: 20px;
}
</style>
