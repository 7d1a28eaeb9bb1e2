<script setup lang="ts">
import { ref } from 'vue';
import { refusalMessage, type Refusal } from '@pendrix/core';

/** The name of a drive, written over in its place: Enter and leaving keep it, Escape does not. */
const { name, rename } = defineProps<{ name: string; rename: (name: string) => Refusal | null }>();
const emit = defineEmits<{ done: [] }>();
const draft = ref(name);
const refusal = ref<Refusal | null>(null);
let left = false;
function end(keep: boolean): void {
  if (left) return;
  refusal.value = keep ? rename(draft.value) : null;
  if (refusal.value) return;
  left = true;
  emit('done');
}
</script>

<template>
  <form @submit.prevent="end(true)">
    <v-text-field
      v-model="draft"
      class="words"
      autofocus
      aria-label="Name of the drive"
      :error="refusal !== null"
      :aria-invalid="refusal !== null"
      @focusin="($event.target as HTMLInputElement).select()"
      @keydown.escape.stop="end(false)"
      @focusout="end(true)"
    />
    <span v-if="refusal" class="tone-misses" role="alert">{{ refusalMessage(refusal).message }}</span>
  </form>
</template>

<style scoped>
.tone-misses {
  display: block;
  font-size: 0.8125rem;
  color: var(--p-red);
}
</style>
