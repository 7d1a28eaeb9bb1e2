<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId } from 'vue';
import {
  commonPartInputs,
  partCell,
  refusalMessage,
  type PartColumn,
  type Refusal,
  type ShelfPart,
} from '@pendrix/core';

/**
 * A cell that is written in. What is typed is kept on Enter, Tab or by leaving it, and sorts and filters only then; Escape leaves it as
 * it was. What cannot be read is said under it, and the cell waits.
 */
const { part, column, commit } = defineProps<{
  part: ShelfPart;
  column: PartColumn;
  /** tries the text; a refusal changes nothing */
  commit: (text: string) => Refusal | null;
}>();
const emit = defineEmits<{ done: [to: 'down' | 'right' | 'left' | 'stay'] }>();
const id = useId();
const cell = partCell(part, column);
const before = cell?.show(part) ?? '';
const text = ref(before);
const refusal = ref<Refusal | null>(null);
const field = ref<{ readonly $el: HTMLElement } | null>(null);
const words = computed(() => refusal.value && refusalMessage(refusal.value));
const choices = computed(() => {
  const spec = commonPartInputs.find((i) => i.key === column);
  return spec?.type === 'choice' ? [...spec.options] : null;
});
const known = ref(part.known ?? 'counted');
/** it is left once: by a key, and then by the focus that goes */
let left = false;

onMounted(async () => {
  await nextTick();
  const input = field.value?.$el.querySelector('input');
  input?.focus();
  input?.select();
});

function keep(to: 'down' | 'right' | 'left' | 'stay'): void {
  if (left) return;
  refusal.value = text.value === before ? null : commit(text.value);
  if (refusal.value) return;
  left = true;
  emit('done', to);
}
function blur(): void {
  // what cannot be kept is given up with the cell
  if (refusal.value || left) return;
  keep('stay');
  if (refusal.value) emit('done', 'stay');
}
function onKey(e: KeyboardEvent): void {
  e.stopPropagation();
  if (e.key === 'Escape') {
    left = true;
    emit('done', 'stay');
  } else if (e.key === 'Enter') keep('down');
  else if (e.key === 'Tab') keep(e.shiftKey ? 'left' : 'right');
  else return;
  e.preventDefault();
}
function chooseKnown(value: string): void {
  commit(value);
  left = true;
  emit('done', 'stay');
}
</script>

<template>
  <span v-if="cell === null" class="quiet">none</span>
  <v-select
    v-else-if="choices"
    ref="field"
    v-model="known"
    class="cell"
    aria-label="Known by"
    :items="choices"
    @update:model-value="chooseKnown"
    @keydown.escape.stop="emit('done', 'stay')"
  />
  <span v-else class="holder">
    <v-text-field
      :id="id"
      ref="field"
      v-model="text"
      class="cell"
      :error="refusal !== null"
      :aria-label="cell.label"
      :aria-invalid="refusal !== null"
      :aria-describedby="refusal ? `${id}-message` : undefined"
      autocomplete="off"
      spellcheck="false"
      @update:model-value="refusal = null"
      @keydown="onKey"
      @focusout="blur"
    />
    <span v-if="words" :id="`${id}-message`" class="told" role="status"
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
  --v-input-control-height: 1.4375rem;
  margin: 0 -0.25rem;
}
.cell :deep(.v-field) {
  --v-field-padding-start: 0.25rem;
  --v-field-padding-end: 0.25rem;
}
.cell :deep(.v-field__input) {
  min-height: 1.4375rem;
  text-align: inherit;
}
.told {
  position: absolute;
  z-index: 5;
  top: 1.5625rem;
  right: 0;
  width: max-content;
  max-width: 18.75rem;
  padding: 0.375rem 0.625rem;
  background: var(--p-surface);
  border: 1px solid var(--p-red);
  border-radius: 2px;
  font: 400 0.8125rem/1.125rem var(--text);
  text-align: left;
  white-space: normal;
}
.told b {
  color: var(--p-red);
}
</style>
