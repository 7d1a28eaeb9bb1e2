<script setup lang="ts">
import { computed } from 'vue';
import {
  mdiArrowLeft,
  mdiArrowRight,
  mdiBookshelf,
  mdiDeleteOutline,
  mdiDotsVertical,
  mdiDragVertical,
  mdiPin,
  mdiPinOff,
} from '@mdi/js';
import {
  follows,
  partLabel,
  stageInputs,
  type Edit,
  type Refusal,
  type Stage,
  type StageReport,
} from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import InputFields from '../../ui/InputFields.vue';
import TrainCard from './TrainCard.vue';

/** One stage: its inputs, the steps a turn so far, and what can be done with it. */
const { stage, report, at, last, selected, word, edit } = defineProps<{
  stage: Stage;
  report: StageReport;
  at: number;
  last: number;
  selected: boolean;
  /** what the running figure counts: "steps a turn" */
  word: string;
  edit: (e: Edit, burst?: string) => Refusal | null;
}>();
const emit = defineEmits<{ select: []; move: [to: number]; remove: []; shelf: []; alone: [] }>();
const shelf = useShelf();
/** what it follows, each line by its name; one that is gone says so */
const lines = computed(() =>
  follows(stage).map((id) => {
    const part = shelf.byId.get(id);
    return part ? partLabel(part) : 'a line that is gone';
  }),
);

const specs = computed(() => stageInputs(stage));
const set = (key: string, text: string, burst?: string): Refusal | null =>
  edit({ do: 'stage', at, key, text }, burst);

function keys(e: KeyboardEvent): void {
  if (!e.altKey || e.ctrlKey || e.metaKey) return;
  const to = e.key === 'ArrowLeft' ? at - 1 : e.key === 'ArrowRight' ? at + 1 : null;
  if (to === null) return;
  e.preventDefault();
  if (to >= 0 && to <= last) emit('move', to);
}
</script>

<template>
  <TrainCard
    :title="report.title"
    :label="`Stage ${at + 1}: ${report.title} ${report.label}`"
    :steps="report.stepsSoFar"
    :word="word"
    :facts="report.facts"
    :warns="report.warns"
    :on="selected"
    @focusin="emit('select')"
    @click="emit('select')"
    @keydown="keys"
  >
    <template #handle
      ><v-icon class="handle" :icon="mdiDragVertical" size="18" title="Drag to reorder"
    /></template>
    <template #menu>
      <v-menu location="bottom end">
        <template #activator="{ props }">
          <button
            type="button"
            class="icon-button"
            v-bind="props"
            :aria-label="`What to do with stage ${at + 1}, ${report.title}`"
          >
            <v-icon :icon="mdiDotsVertical" size="18" />
          </button>
        </template>
        <v-list>
          <v-list-item
            :prepend-icon="mdiArrowLeft"
            title="Move towards the motor"
            :disabled="at === 0"
            @click="emit('move', at - 1)"
          />
          <v-list-item
            :prepend-icon="mdiArrowRight"
            title="Move towards the work"
            :disabled="at === last"
            @click="emit('move', at + 1)"
          />
          <v-list-item
            :prepend-icon="stage.kept ? mdiPinOff : mdiPin"
            :title="stage.kept ? 'Let it be changed' : 'Keep this stage'"
            @click="edit({ do: 'stage', at, key: 'kept', text: stage.kept ? '' : 'true' })"
          />
          <v-list-item :prepend-icon="mdiBookshelf" title="From the shelf…" @click="emit('shelf')" />
          <v-list-item :prepend-icon="mdiDeleteOutline" title="Remove" @click="emit('remove')" />
        </v-list>
      </v-menu>
    </template>
    <p v-if="stage.kept" class="follows">
      <v-icon :icon="mdiPin" size="16" /><span>kept: Find and cures leave it as it is</span>
    </p>
    <p v-if="lines.length > 0" class="follows">
      <v-icon :icon="mdiBookshelf" size="16" />
      <span
        >follows {{ lines.join(' and ') }}
        <button type="button" @click="emit('alone')">Stand alone</button></span
      >
    </p>
    <InputFields :specs="specs" :data="stage" :set="set" />
  </TrainCard>
</template>

<style scoped>
.handle {
  cursor: grab;
  margin: 0 2px 0 -12px;
  color: var(--p-tick-ten);
  opacity: 1;
}
.follows {
  display: flex;
  gap: 6px;
  font-size: 13px;
  line-height: 17px;
  color: var(--p-even);
}
.follows button {
  color: var(--p-blue);
  font-weight: 600;
  min-height: 24px;
}
.icon-button {
  margin-right: -10px;
  color: var(--p-quiet);
}
</style>
