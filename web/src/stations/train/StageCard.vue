<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  mdiArrowLeft,
  mdiArrowRight,
  mdiBookshelf,
  mdiContentDuplicate,
  mdiDeleteOutline,
  mdiDotsVertical,
  mdiDragVertical,
  mdiPin,
  mdiPinOff,
} from '@mdi/js';
import {
  follows,
  MAX_STAGES,
  partLabel,
  readCount,
  stageInputs,
  type Edit,
  type Refusal,
  type Stage,
  type StageReport,
  onCard,
} from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import { keyHandler } from '../../ui/keys.ts';
import InputFields from '../../ui/InputFields.vue';
import TrainCard from './TrainCard.vue';
import IconButton from '../../ui/IconButton.vue';
import DialogCard from '../../ui/DialogCard.vue';
import ReadField from '../../ui/ReadField.vue';

/** One stage: its inputs, the steps a turn so far, and what can be done with it. */
const {
  stage,
  report,
  at,
  last,
  row = 1,
  selected,
  word,
  edit,
} = defineProps<{
  stage: Stage;
  report: StageReport;
  at: number;
  last: number;
  /** so many equal ones in a row stand on this card */
  row?: number;
  selected: boolean;
  /** what the running figure counts: "steps a turn" */
  word: string;
  edit: (e: Edit, editSession?: string) => Refusal | null;
}>();
const emit = defineEmits<{ select: []; move: [to: number]; remove: []; shelf: []; alone: [] }>();
const shelf = useShelf();
/** what it follows, each line by its name; one that is gone says so */
const lines = computed(() =>
  follows(stage).map((id) => {
    const part = shelf.byId.get(id);
    return part ? partLabel(part) : 'a deleted part';
  }),
);

/** how many of this stage there are to be, itself counted */
const timesOpen = ref(false);
const times = ref(2);
function setTimes(text: string): Refusal | null {
  const read = readCount(text, { min: 2, max: MAX_STAGES, unit: 'stages', example: '16' });
  if (read.ok) times.value = read.value;
  return read.ok ? null : read.refusal;
}
function repeat(): void {
  if (edit({ do: 'repeatStage', at, times: times.value - 1 }) === null) timesOpen.value = false;
}
const specs = computed(() => onCard(stageInputs(stage)));
const set = (key: string, text: string, editSession?: string): Refusal | null =>
  edit({ do: 'stage', at, key, text }, editSession);

const moveTo = (to: number): void => {
  if (to >= 0 && to <= last) emit('move', to);
};
const keys = keyHandler({ moveLeft: () => moveTo(at - 1), moveRight: () => moveTo(at + 1) });
</script>

<template>
  <TrainCard
    :title="row > 1 ? `${report.title} × ${row}` : report.title"
    :label="`${row > 1 ? `Stages ${at + 1} to ${at + row}` : `Stage ${at + 1}`}: ${report.title} ${report.label}`"
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
          <IconButton
            v-bind="props"
            :label="`Actions for stage ${at + 1}, ${report.title}`"
            :icon="mdiDotsVertical"
            :size="18"
          />
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
          <v-list-item
            :prepend-icon="mdiContentDuplicate"
            title="Duplicate"
            @click="edit({ do: 'repeatStage', at, times: 1 })"
          />
          <v-list-item
            :prepend-icon="mdiContentDuplicate"
            title="This stage × n…"
            subtitle="so many of it in a row"
            @click="timesOpen = true"
          />
          <v-list-item :prepend-icon="mdiBookshelf" title="From the shelf…" @click="emit('shelf')" />
          <v-list-item :prepend-icon="mdiDeleteOutline" title="Remove" @click="emit('remove')" />
        </v-list>
      </v-menu>
    </template>
    <DialogCard v-model="timesOpen" :title="`${report.title} × n`" :width="380">
      <ReadField
        label="How many in all"
        :value="String(times)"
        autofocus
        :commit="setTimes"
        @keydown.enter="repeat"
      />
      <template #actions>
        <v-btn variant="text" @click="timesOpen = false">Cancel</v-btn>
        <v-btn variant="flat" @click="repeat">Make {{ times }}</v-btn>
      </template>
    </DialogCard>
    <p v-if="stage.kept" class="follows">
      <v-icon :icon="mdiPin" size="16" /><span>kept: Find and cures leave it as it is</span>
    </p>
    <p v-if="lines.length > 0" class="follows">
      <v-icon :icon="mdiBookshelf" size="16" />
      <span
        >linked to {{ lines.join(' and ') }}
        <v-btn variant="text" height="24" @click="emit('alone')">Unlink</v-btn></span
      >
    </p>
    <InputFields :specs="specs" :data="stage" :set="set" />
  </TrainCard>
</template>

<style scoped>
.handle {
  cursor: grab;
  margin: 0 2px 0 -0.75rem;
  color: var(--p-tick-ten);
  opacity: 1;
}
.follows {
  display: flex;
  gap: 0.375rem;
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  color: var(--p-even);
}
.icon-button {
  margin-right: -0.625rem;
  color: var(--p-quiet);
}
</style>
