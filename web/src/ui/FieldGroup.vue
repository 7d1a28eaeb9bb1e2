<script setup lang="ts">
import { useId } from 'vue';

/** Fields that belong together, with what they are at their left. */
defineProps<{ title: string }>();
const id = useId();
</script>

<template>
  <div class="field-group" role="group" :aria-labelledby="id">
    <h4 :id="id" class="quiet">{{ title }}</h4>
    <slot />
  </div>
</template>

<style scoped>
.field-group {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr);
  align-items: start;
  padding-top: 8px;
}
h4 {
  font-size: 13px;
  line-height: 32px;
}
@media (max-width: 700px) {
  .field-group {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
