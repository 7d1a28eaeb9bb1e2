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
  grid-template-columns: 4rem minmax(0, 1fr);
  align-items: start;
  padding-top: 0.5rem;
}
h4 {
  font-size: 0.8125rem;
  line-height: 2rem;
}
@media (max-width: 700px) {
  .field-group {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
