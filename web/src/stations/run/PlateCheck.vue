<script setup lang="ts">
import type { BenchReport } from '@pendrix/core';

/** By plates: what has to be seen at this gap, so that a slip of a hole is found before more is cut. */
const { plate } = defineProps<{ plate: NonNullable<BenchReport['plate']> }>();
const emit = defineEmits<{ back: [gap: number] }>();
</script>

<template>
  <p v-if="plate.check" class="check-turn">{{ plate.check }}</p>
  <p v-if="plate.slip" class="check-turn slip">
    <span>{{ plate.slip.message }}</span>
    <v-btn variant="text" @click="emit('back', plate.slip.since)"
      >It is not: back to gap {{ plate.slip.since }}</v-btn
    >
  </p>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
<style scoped>
.slip {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.75rem;
}
</style>
