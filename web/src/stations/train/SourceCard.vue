<script setup lang="ts">
import { computed } from 'vue';
import { mdiSwapHorizontal } from '@mdi/js';
import {
  partLabel,
  sourceKindOf,
  sourceOfPart,
  sources,
  type Edit,
  type Refusal,
  type Report,
  type Source,
  type SourceKindId,
  onCard,
} from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import ReadField from '../../ui/ReadField.vue';
import InputFields from '../../ui/InputFields.vue';
import ControllerFields from '../../ui/ControllerFields.vue';
import TrainCard from './TrainCard.vue';
import IconButton from '../../ui/IconButton.vue';
import FoldPanel from '../../ui/FoldPanel.vue';

/** What drives the train: its own inputs, and for a stepper the driver's modes and the one in use. */
const { source, report, dismissed, hasController, edit } = defineProps<{
  source: Source;
  report: Report['built']['source'];
  dismissed: readonly string[];
  hasController: boolean;
  edit: (e: Edit, editSession?: string) => Refusal | null;
}>();
/** another source from the shelf, or the same one alone */
const emit = defineEmits<{ take: [source: Source, label: string] }>();

const shelf = useShelf();
const kind = computed(() => sourceKindOf(source));
const kinds = Object.entries(sources) as readonly (readonly [
  SourceKindId,
  { readonly title: string; readonly message: string },
])[];
const stepper = computed(() => (source.kind === 'stepper' ? source : null));
const set = (key: string, text: string, editSession?: string): Refusal | null =>
  edit({ do: 'source', key, text }, editSession);
/** the mode in use when the list was begun to be typed: half a list must not lose it */
let typing = { session: '', mode: 1 };
function setModes(text: string, editSession: string): Refusal | null {
  if (typing.session !== editSession) typing = { session: editSession, mode: stepper.value?.mode ?? 1 };
  return edit({ do: 'modes', text, mode: typing.mode }, editSession);
}
const modes = computed(() =>
  (stepper.value?.modes ?? []).map((m) => ({ value: String(m), title: m === 1 ? 'Full step' : `1/${m}` })),
);
/** Motors and drivers of the shelf that this source can follow; by hand it stands alone. */
const fromShelf = computed(() =>
  (
    [
      ['Motor of shelf', 'motor', 'partId'],
      ['Driver of shelf', 'driver', 'driverPartId'],
    ] as const
  ).flatMap(([label, kindId, key]) => {
    const lines = shelf.parts.filter((p) => p.kind === kindId);
    const options = [
      { value: '', title: 'by hand' },
      ...lines.map((p) => ({ value: p.id, title: partLabel(p) })),
    ];
    return lines.length === 0 ? [] : [{ label, key, value: source[key] ?? '', options }];
  }),
);
function takeFrom(id: string, key: 'partId' | 'driverPartId'): void {
  const part = shelf.byId.get(id);
  if (part) {
    const taken = sourceOfPart(part, source);
    if (taken) emit('take', taken, `take ${partLabel(part)} from the shelf`);
    return;
  }
  const { [key]: _, ...alone } = source;
  emit('take', alone, 'the source stands alone');
}
const caution = computed(() => {
  const { caution: known } = kind.value;
  return known && !dismissed.includes(known.id) ? known : null;
});
</script>

<template>
  <TrainCard
    :title="kind.title"
    :label="kind.title"
    :steps="report.steps"
    :word="report.word"
    :facts="report.facts"
  >
    <template #menu>
      <v-menu location="bottom end">
        <template #activator="{ props }">
          <IconButton
            v-bind="props"
            :label="`Another source than the ${kind.title.toLowerCase()}`"
            :icon="mdiSwapHorizontal"
            :size="18"
          />
        </template>
        <v-list>
          <v-list-item
            v-for="[id, info] in kinds"
            :key="id"
            :title="info.title"
            :subtitle="info.message"
            :active="id === source.kind"
            @click="edit({ do: 'sourceKind', kind: id })"
          />
        </v-list>
      </v-menu>
    </template>
    <p v-if="caution" class="caution">
      {{ caution.message }}
      <v-btn variant="text" @click="edit({ do: 'dismiss', caution: caution.id })">Dismiss</v-btn>
    </p>
    <InputFields :specs="onCard(kind.inputs)" :data="source" :set="set">
      <template v-if="stepper">
        <ChoiceField
          label="Microsteps"
          :value="String(stepper.mode)"
          :options="modes"
          @choose="(v) => edit({ do: 'mode', mode: Number(v) })"
        />
        <ReadField
          class="modes below"
          label="Microstep settings"
          :value="stepper.modes.join(', ')"
          hint="all the microsteps a step that the driver can be set to"
          :commit="setModes"
        />
        <ChoiceField
          v-for="from in fromShelf"
          :key="from.label"
          :label="from.label"
          :value="from.value"
          :options="from.options"
          @choose="(id) => takeFrom(id, from.key)"
        />
      </template>
    </InputFields>
    <template #after>
      <FoldPanel class="more" title="Controller" :open="hasController"><ControllerFields /></FoldPanel>
    </template>
  </TrainCard>
</template>

<style scoped>
.card {
  border-left: 0;
}
.icon-button {
  margin-right: -0.625rem;
  color: var(--p-quiet);
}
.caution {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  background: var(--p-amber-ground);
  border-top: 2px solid var(--p-amber);
  padding: 0.375rem 0.5rem;
}
.more {
  border-top: 1px solid var(--p-hair);
  margin-top: 0.25rem;
}
.modes :deep(input) {
  letter-spacing: -0.06em;
}
</style>
