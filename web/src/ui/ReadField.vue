<script setup lang="ts">
import { computed } from 'vue';
import { mdiAlertCircleOutline } from '@mdi/js';
import { refusalMessage, type Refusal } from '@pendrix/core';
import { useDraft } from './draft.ts';

/**
 * A field that takes what people write. Every keystroke is handed to `commit`; what cannot be read is said under the field
 * and the last good value stays in force.
 */
const {
  value,
  commit,
  label,
  unit = '',
  hint = '',
  placeholder = '',
  labelled = true,
} = defineProps<{
  label: string;
  /** the value in force, as text */
  value: string;
  /** tries the text; a refusal changes nothing. `burst` is one visit to the field */
  commit: (text: string, burst: string) => Refusal | null;
  unit?: string;
  hint?: string;
  placeholder?: string;
  /** false when a visible label stands elsewhere and this one is for screen readers only */
  labelled?: boolean;
}>();

const { id, text, refusal, input, focus, blur, escape } = useDraft(
  () => value,
  (t, burst) => commit(t, burst),
);
const words = computed(() => refusal.value && refusalMessage(refusal.value));
</script>

<template>
  <div class="read-field">
    <label :for="id" :class="{ 'sr-only': !labelled }">{{ label }}</label>
    <span class="fld" :class="{ bad: refusal }">
      <input
        :id="id"
        v-model="text"
        type="text"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        :placeholder="placeholder"
        :title="hint"
        :aria-invalid="refusal !== null"
        :aria-describedby="refusal ? `${id}-message` : undefined"
        @input="input"
        @focus="focus"
        @blur="blur"
        @keydown.escape="escape"
      />
      <span v-if="unit" class="u">{{ unit }}</span>
    </span>
    <p v-if="words" :id="`${id}-message`" class="refusal" role="status">
      <v-icon :icon="mdiAlertCircleOutline" size="17" /><span
        ><b>{{ words.message }}</b> {{ words.cure }}</span
      >
    </p>
  </div>
</template>

<style scoped>
.read-field {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  column-gap: 8px;
  font-size: 14px;
  min-width: 0;
}
.fld {
  width: var(--field-width, 92px);
  justify-self: end;
}
/* Under its label instead of beside it. */
.read-field.below {
  --field-width: 100%;
  grid-template-columns: minmax(0, 1fr);
  row-gap: 4px;
}
.refusal {
  grid-column: 1 / -1;
}
</style>
