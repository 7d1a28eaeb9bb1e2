<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import {
  freeEntryId,
  LOG_KINDS,
  logKindChoices,
  readExposure,
  readValues,
  refusalSentence,
  valuesText,
  type Drive,
  type LogEntry,
  type LogKind,
} from '@pendrix/core';
import { thisMinute } from '../../ui/clock.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import DialogCard from '../../ui/DialogCard.vue';
import { useOpenDrive } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';

/** One entry, new or changed: what kind, when, words, figures with units, and what it closes or when it falls due. */
const { drive, entry, open } = defineProps<{
  drive: Drive;
  entry: LogEntry | null;
  open: readonly LogEntry[];
}>();
const shown = defineModel<boolean>({ required: true });
const { edit } = useOpenDrive();
const kind = ref<LogKind>('measurement');
const at = ref('');
const words = ref('');
const figures = ref('');
const due = ref('');
const closes = ref('');
const lens = ref({ focalMm: '', seconds: '', kept: '', taken: '' });
const refused = ref<string | null>(null);
watch(shown, (is) => {
  if (!is) return;
  kind.value = entry?.kind ?? 'measurement';
  at.value = entry?.at ?? thisMinute();
  words.value = entry?.words ?? '';
  figures.value = valuesText(entry?.values ?? []);
  due.value = entry?.due ?? '';
  closes.value = entry?.closes ?? '';
  const e = entry?.exposure;
  lens.value = {
    focalMm: e ? String(e.focalMm) : '',
    seconds: e ? String(e.seconds) : '',
    kept: e ? String(e.kept) : '',
    taken: e ? String(e.taken) : '',
  };
  refused.value = null;
});
const closable = computed(() => [
  { value: '', title: 'none' },
  ...open.map((c) => ({ value: c.id, title: c.words })),
  ...(entry?.closes && !open.some((c) => c.id === entry.closes)
    ? [{ value: entry.closes, title: drive.log?.find((e) => e.id === entry.closes)?.words ?? entry.closes }]
    : []),
]);
/** a field of the form: nothing is stored before Add */
const into =
  (set: (text: string) => void) =>
  (text: string): null => {
    set(text);
    return null;
  };
function put(): void {
  const values = readValues(figures.value);
  if (!values.ok) {
    refused.value = refusalSentence(values.refusal);
    return;
  }
  const revision = entry ? entry.revision : drive.revisions?.at(-1)?.n;
  const exposure = kind.value === 'exposure' ? readExposure(lens.value) : null;
  if (exposure && !exposure.ok) {
    refused.value = refusalSentence(exposure.refusal);
    return;
  }
  const refusal = edit({
    do: 'log',
    message: entry ? 'entry changed' : 'entry added',
    entry: {
      id: entry?.id ?? freeEntryId(drive),
      kind: kind.value,
      at: at.value.trim(),
      words: words.value.trim(),
      ...(revision !== undefined && { revision }),
      ...(values.value.length > 0 && { values: values.value }),
      ...(exposure && { exposure: exposure.value }),
      ...(due.value.trim() !== '' && { due: due.value.trim() }),
      ...(kind.value === 'measurement' && closes.value !== '' && { closes: closes.value }),
    },
  });
  refused.value = refusal && refusalSentence(refusal);
  if (!refusal) shown.value = false;
}
function remove(): void {
  if (entry) edit({ do: 'log', remove: entry.id, message: 'entry deleted' });
  shown.value = false;
}
</script>

<template>
  <DialogCard v-model="shown" :title="entry ? 'Change the entry' : 'A new entry'" :width="620">
    <form id="entry" class="form" @submit.prevent="put">
      <ChoiceField
        label="Kind"
        :value="kind"
        :options="logKindChoices(LOG_KINDS)"
        @choose="(k) => (kind = k as LogKind)"
      />
      <ReadField label="When" :value="at" placeholder="2026-11-28 21:40" :commit="into((v) => (at = v))" />
      <label class="words">
        <span>Words</span>
        <v-textarea v-model="words" rows="3" auto-grow :maxlength="2000" autofocus aria-label="Words" />
      </label>
      <ReadField
        label="Figures"
        :value="figures"
        placeholder="play at 60 mm 40 ± 6 ″; noise 52 dB"
        hint="name, value, ± and unit; several with ;"
        :commit="into((v) => (figures = v))"
      />
      <div v-if="kind === 'exposure'" class="lens">
        <ReadField label="Lens" unit="mm" :value="lens.focalMm" :commit="into((v) => (lens.focalMm = v))" />
        <ReadField label="Each" unit="s" :value="lens.seconds" :commit="into((v) => (lens.seconds = v))" />
        <ReadField label="Kept" :value="lens.kept" :commit="into((v) => (lens.kept = v))" />
        <ReadField label="Taken" :value="lens.taken" :commit="into((v) => (lens.taken = v))" />
      </div>
      <ReadField
        v-if="kind === 'lubrication' || kind === 'part' || kind === 'adjustment'"
        label="Due again"
        :value="due"
        placeholder="2027-03-01"
        :commit="into((v) => (due = v))"
      />
      <ChoiceField
        v-if="kind === 'measurement' && closable.length > 1"
        label="Closes the complaint"
        :value="closes"
        :options="closable"
        @choose="(v) => (closes = v)"
      />
      <p v-if="refused" class="refusal" role="alert">{{ refused }}</p>
    </form>
    <template #actions>
      <v-btn v-if="entry" variant="text" @click="remove">Delete</v-btn>
      <v-spacer />
      <v-btn variant="text" @click="shown = false">Cancel</v-btn>
      <v-btn variant="flat" type="submit" form="entry">{{ entry ? 'Keep' : 'Add' }}</v-btn>
    </template>
  </DialogCard>
</template>

<style scoped>
.form {
  display: grid;
  gap: 0.625rem;
  padding: 0.5rem 1.25rem 0.25rem;
  --field-width: 25rem;
}
.words {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 0.75rem;
}
.words > :last-child {
  flex: 0 0 25rem;
}
.lens {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
  --field-width: 4.5rem;
}
@media (max-width: 600px) {
  .form {
    --field-width: 100%;
  }
  .words {
    flex-direction: column;
  }
  .words > :last-child {
    flex: none;
    width: 100%;
  }
}
</style>
