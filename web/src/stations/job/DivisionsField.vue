<script setup lang="ts">
import { computed, onMounted, ref, useId, watch } from 'vue';
import { mdiAlertCircleOutline } from '@mdi/js';
import { leftOutSays, piecesReport, refusalSays, type Refusal } from '@pendrix/core';
import RichText from '../../ui/RichText.vue';

/** The division list: each piece typed is read back as a chip; a refused one is named, and the last good list stays in force. */
const { value, inForce, commit, focusFirst } = defineProps<{
  value: string;
  inForce: number;
  commit: (text: string, burst: string) => Refusal | null;
  focusFirst: boolean;
}>();
const id = useId();
const draft = ref(value);
const refusal = ref<Refusal | null>(null);
const field = ref<HTMLInputElement | null>(null);
let burst = '';
let typed = false;

const MOST_CHIPS = 40;
const pieces = computed(() => piecesReport(draft.value.slice(0, 4000)));
const says = computed(() =>
  refusal.value ? (leftOutSays(draft.value, inForce) ?? { ...refusalSays(refusal.value) }) : null,
);

watch(
  () => value,
  (now) => {
    if (typed) {
      typed = false;
      return;
    }
    draft.value = now;
    refusal.value = null;
  },
);
function input(): void {
  refusal.value = commit(draft.value, burst);
  typed = refusal.value === null && draft.value.trim() !== value;
}
function escape(e: KeyboardEvent): void {
  if (!refusal.value) return;
  e.stopPropagation();
  draft.value = value;
  refusal.value = null;
}
onMounted(() => {
  if (focusFirst) field.value?.focus();
});
</script>

<template>
  <div>
    <label :for="id" class="sr-only">Divisions of one turn</label>
    <span class="fld big" :class="{ bad: refusal }">
      <input
        :id="id"
        ref="field"
        v-model="draft"
        type="text"
        autocomplete="off"
        spellcheck="false"
        placeholder="for example 60, 73-76, 2x36"
        :aria-invalid="refusal !== null"
        :aria-describedby="refusal ? `${id}-says` : undefined"
        @input="input"
        @focus="burst = `${id}-${Date.now()}`"
        @keydown.escape="escape"
      />
    </span>
    <ul v-if="pieces.length > 0" class="pieces" aria-label="As it is read">
      <li v-for="(p, i) in pieces.slice(0, MOST_CHIPS)" :key="i" :class="{ bad: p.refused }">
        <b class="mono">{{ p.text }}</b><RichText :text="p.says" />
      </li>
      <li v-if="pieces.length > MOST_CHIPS">and {{ pieces.length - MOST_CHIPS }} more</li>
    </ul>
    <p v-if="says" :id="`${id}-says`" class="refusal" role="status">
      <v-icon :icon="mdiAlertCircleOutline" size="18" /><span
        ><b>{{ says.says }}</b> {{ says.cure }}</span
      >
    </p>
  </div>
</template>

<style scoped>
.big {
  width: 100%;
  font-size: 15px;
}
.pieces {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 7px;
  max-height: 96px;
  overflow: auto;
}
.pieces li {
  display: inline-flex;
  align-items: baseline;
  gap: 7px;
  border: 1px solid var(--p-hair);
  background: var(--p-surface);
  border-radius: 2px;
  padding: 2px 8px;
  font-size: 13px;
  line-height: 20px;
  color: var(--p-quiet);
}
.pieces b {
  font-size: 14px;
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
