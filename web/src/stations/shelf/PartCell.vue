<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import {
  commonPartInputs,
  partCell,
  refusalMessage,
  type PartColumn,
  type Refusal,
  type ShelfPart,
} from '@pendrix/core';
import { useDraft } from '../../ui/draft.ts';

/** A cell that is written in: every keystroke is handed on; what cannot be read is said under it and changes nothing. */
const { part, column, commit } = defineProps<{
  part: ShelfPart;
  column: PartColumn;
  commit: (text: string, burst: string) => Refusal | null;
}>();
const emit = defineEmits<{ done: [to: 'down' | 'right' | 'stay'] }>();
const field = ref<HTMLInputElement | HTMLSelectElement | null>(null);
const before = partCell(part, column)?.show(part) ?? '';
const { id, text, refusal, input, focus } = useDraft(
  () => partCell(part, column)?.show(part) ?? '',
  (t, b) => commit(t, b),
);
const words = computed(() => refusal.value && refusalMessage(refusal.value));
const choices = computed(() => {
  const spec = commonPartInputs.find((i) => i.key === column);
  return spec?.type === 'choice' ? spec.options : null;
});
const known = ref(column === 'known' ? (part.known ?? 'counted') : '');

onMounted(() => {
  field.value?.focus();
  if (field.value instanceof HTMLInputElement) field.value.select();
});

function onKey(e: KeyboardEvent): void {
  if (e.key === 'Escape') {
    if (text.value !== before) commit(before, `${id}-back`);
    emit('done', 'stay');
  } else if (e.key === 'Enter') emit('done', 'down');
  else if (e.key === 'Tab' && !e.shiftKey) emit('done', 'right');
  else {
    e.stopPropagation();
    return;
  }
  e.preventDefault();
  e.stopPropagation();
}
function chooseKnown(): void {
  commit(known.value, `${id}-known`);
}
</script>

<template>
  <span v-if="partCell(part, column) === null" class="none quiet">none</span>
  <select
    v-else-if="choices"
    ref="field"
    v-model="known"
    class="cell"
    aria-label="Known by"
    @change="chooseKnown"
    @keydown="onKey"
    @blur="emit('done', 'stay')"
  >
    <option v-for="o in choices" :key="o.value" :value="o.value">{{ o.title }}</option>
  </select>
  <span v-else class="holder">
    <input
      :id="id"
      ref="field"
      v-model="text"
      class="cell"
      :class="{ bad: refusal }"
      type="text"
      autocomplete="off"
      spellcheck="false"
      :aria-label="partCell(part, column)?.label"
      :aria-invalid="refusal !== null"
      :aria-describedby="refusal ? `${id}-message` : undefined"
      @input="input"
      @focus="focus"
      @keydown="onKey"
      @blur="emit('done', 'stay')"
    />
    <span v-if="words" :id="`${id}-message`" class="says" role="status"
      ><b>{{ words.message }}</b> {{ words.cure }}</span
    >
  </span>
</template>

<style scoped>
.holder {
  position: relative;
  display: block;
}
.cell {
  width: 100%;
  height: 23px;
  border: 0;
  outline: 2px solid var(--p-blue);
  outline-offset: -1px;
  background: var(--p-surface);
  color: var(--p-ink);
  font: inherit;
  text-align: inherit;
  padding: 0 3px;
  border-radius: 2px;
}
.cell.bad {
  outline-color: var(--p-red);
}
.message {
  position: absolute;
  z-index: 5;
  top: 25px;
  right: 0;
  width: max-content;
  max-width: 300px;
  padding: 6px 10px;
  background: var(--p-surface);
  border: 1px solid var(--p-red);
  border-radius: 2px;
  font: 400 13px/18px var(--text);
  letter-spacing: 0;
  text-align: left;
  white-space: normal;
}
.message b {
  color: var(--p-red);
}
</style>
