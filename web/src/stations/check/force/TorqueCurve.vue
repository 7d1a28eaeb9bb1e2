<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { refusalSentence, type Refusal } from '@pendrix/core';

/** A torque curve off a data sheet, pasted: a point a line. It is taken as it is typed, and refused in a sentence while it cannot be read. */
const { text, commit } = defineProps<{ text: string; commit: (text: string) => Refusal | null }>();
const typed = ref(text);
const refusal = ref<Refusal | null>(null);
const words = computed(() => (refusal.value ? refusalSentence(refusal.value) : null));
watch(
  () => text,
  (now) => {
    if (!refusal.value) typed.value = now;
  },
);
function take(value: string): void {
  typed.value = value;
  refusal.value = commit(value);
}
</script>

<template>
  <v-textarea
    label="Torque curve, full steps/s and N·m, a point a line"
    :model-value="typed"
    rows="3"
    auto-grow
    placeholder="500, 0.40"
    :error="refusal !== null"
    @update:model-value="take"
  />
  <p v-if="words" class="refusal" role="status">{{ words }}</p>
</template>
