<script setup lang="ts">
import { computed } from 'vue';
import { refusalSentence, type Refusal } from '@pendrix/core';
import { useDraft } from '../../../ui/draft.ts';

/** A torque curve off a data sheet, pasted: a point a line. It is taken as it is typed, and refused in a sentence while it cannot be read. */
const { text: inForce, commit } = defineProps<{
  text: string;
  commit: (text: string, session: string) => Refusal | null;
}>();
const { text, refusal, input, focus, blur, escape } = useDraft(
  () => inForce,
  (typed, session) => commit(typed, session),
);
const words = computed(() => (refusal.value ? refusalSentence(refusal.value) : null));
</script>

<template>
  <v-textarea
    v-model="text"
    label="Torque curve, full steps/s and N·m, a point a line"
    rows="3"
    auto-grow
    placeholder="500, 0.40"
    :error="refusal !== null"
    @update:model-value="input"
    @focusin="focus"
    @focusout="blur"
    @keydown.escape="escape"
  />
  <p v-if="words" class="refusal" role="status">{{ words }}</p>
</template>
