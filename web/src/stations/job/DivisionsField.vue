<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { mdiAlertCircleOutline } from '@mdi/js';
import { leftOutMessage, piecesReport, refusalMessage, type Refusal } from '@pendrix/core';
import { useDraft } from '../../ui/draft.ts';
import RichText from '../../ui/RichText.vue';

/** The division list: each piece typed is read back as a chip; a refused one is named, and the last good list stays in force. */
const { value, inForce, commit, focusFirst } = defineProps<{
  value: string;
  inForce: number;
  commit: (text: string, session: string) => Refusal | null;
  focusFirst: boolean;
}>();
const { id, text, refusal, input, focus, mouseup, blur, escape } = useDraft(
  () => value,
  (t, session) => commit(t, session),
);
const field = ref<{ readonly focus: () => void } | null>(null);

const MAX_CHIPS = 40;
/** A text too long to be taken is read back only as far as it can be looked at. */
const MAX_READ = 4000;
const pieces = computed(() => piecesReport(text.value.slice(0, MAX_READ)));
const message = computed(
  () => refusal.value && (leftOutMessage(text.value, inForce) ?? refusalMessage(refusal.value)),
);
onMounted(() => {
  if (focusFirst) field.value?.focus();
});
</script>

<template>
  <div>
    <label :for="id" class="sr-only">Divisions of one turn</label>
    <v-text-field
      :id="id"
      ref="field"
      v-model="text"
      placeholder="for example 60, 73-76, 2x36"
      :error="refusal !== null"
      :aria-invalid="refusal !== null"
      :aria-describedby="refusal ? `${id}-message` : undefined"
      autocomplete="off"
      spellcheck="false"
      @update:model-value="input"
      @focusin="focus"
      @mouseup="mouseup"
      @focusout="blur"
      @keydown.escape="escape"
    />
    <ul v-if="pieces.length > 0" class="pieces" aria-label="As it is read">
      <li v-for="(p, i) in pieces.slice(0, MAX_CHIPS)" :key="i" :class="{ bad: p.refused }">
        <b class="mono">{{ p.text }}</b><RichText :text="p.message" />
      </li>
      <li v-if="pieces.length > MAX_CHIPS">and {{ pieces.length - MAX_CHIPS }} more</li>
    </ul>
    <p v-if="message" :id="`${id}-message`" class="refusal" role="status">
      <v-icon :icon="mdiAlertCircleOutline" size="18" /><span
        ><b>{{ message.message }}</b> {{ message.cure }}</span
      >
    </p>
  </div>
</template>

<style scoped>
.pieces {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem;
  margin-top: 0.4375rem;
  max-height: 6rem;
  overflow: auto;
}
.pieces li {
  display: inline-flex;
  align-items: baseline;
  gap: 0.4375rem;
  border: 1px solid var(--p-hair);
  background: var(--p-surface);
  border-radius: 2px;
  padding: 2px 0.5rem;
  font-size: 0.8125rem;
  line-height: 1.25rem;
  color: var(--p-quiet);
}
.pieces b {
  font-size: 0.875rem;
  font-weight: 600;
  color: var(--p-ink);
}
.pieces .bad,
.pieces .bad b {
  border-color: var(--p-red);
  background: var(--p-red-ground);
  color: var(--p-red);
}
</style>
