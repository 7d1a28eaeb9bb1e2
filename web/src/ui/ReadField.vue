<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { mdiAlertCircleOutline } from '@mdi/js';
import { readingOf, refusalMessage, type Refusal } from '@pendrix/core';
import { useDraft } from './draft.ts';

/**
 * A field that takes what people write. Every keystroke is handed to `commit`; what cannot be read is said under the field
 * and the last good value stays in force. Escape puts back what stood there.
 */
const {
  value,
  commit,
  label,
  unit = '',
  hint = '',
  placeholder = '',
  labelled = true,
  autofocus = false,
} = defineProps<{
  label: string;
  /** the value in force, as text */
  value: string;
  /** tries the text; a refusal changes nothing. `session` is one visit to the field */
  commit: (text: string, session: string) => Refusal | null;
  unit?: string;
  hint?: string;
  placeholder?: string;
  /** false when a visible label stands elsewhere and this one is for screen readers only */
  labelled?: boolean;
  autofocus?: boolean;
}>();

const { id, text, refusal, partly, input, focus, mouseup, blur, escape } = useDraft(
  () => value,
  (t, session) => commit(t, session),
);
/** "12,5" or "1 200": what it was taken for */
const reading = computed(() => (refusal.value ? null : readingOf(text.value)));
const words = computed(() => refusal.value && refusalMessage(refusal.value));
const field = ref<{ readonly focus: () => void } | null>(null);
onMounted(() => {
  if (autofocus) field.value?.focus();
});
defineExpose({ text, refusal });
</script>

<template>
  <div class="read-field">
    <label :for="id" :class="{ 'sr-only': !labelled }">{{ label }}</label>
    <v-text-field
      :id="id"
      ref="field"
      v-model="text"
      :suffix="unit"
      :placeholder="placeholder"
      :title="hint"
      :error="refusal !== null"
      :aria-invalid="refusal !== null"
      :aria-describedby="refusal ? `${id}-message` : undefined"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      @update:model-value="input"
      @focusin="focus"
      @mouseup="mouseup"
      @focusout="blur"
      @keydown.escape="escape"
    />
    <slot />
    <p v-if="reading" class="quiet reading" role="status">read as {{ reading }}</p>
    <p v-if="words" :id="`${id}-message`" class="refusal" role="status">
      <v-icon :icon="mdiAlertCircleOutline" size="17" /><span
        ><b>{{ words.message }}</b> {{ words.cure
        }}<template v-if="partly !== null"> Until then {{ partly || 'nothing' }} is in force.</template></span
      >
    </p>
  </div>
</template>
