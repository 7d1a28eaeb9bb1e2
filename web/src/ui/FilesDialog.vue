<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { computedAsync } from '@vueuse/core';
import { mdiDownload } from '@mdi/js';
import DialogCard from './DialogCard.vue';
import { offersOf, useSaveExport, type PageOffer } from './exporting.ts';
import { useReport } from './open-drive.ts';

/** Every file that a drive has, one by one: what the pack holds all of. */
const open = defineModel<boolean>({ required: true });
const report = useReport();
const saveExport = useSaveExport();
const offers = computedAsync(
  async (): Promise<readonly PageOffer[]> => (open.value ? offersOf(report.value.drive) : []),
  [],
);
const words = ref('');
watch(open, () => (words.value = ''));
const shown = computed(() => {
  const wanted = words.value.toLowerCase().split(/\s+/).filter(Boolean);
  return offers.value.filter((o) => {
    const text = `${o.title} ${o.file}`.toLowerCase();
    return wanted.every((w) => text.includes(w));
  });
});
/** its folder goes into its name: "run-sheets-73.csv" */
const name = (file: string): string => file.replaceAll('/', '-');
const save = (o: PageOffer): Promise<void> => {
  const stem = name(o.file).replace(/\.[^.]+$/, '');
  return saveExport(report.value.drive, o.as, o.options, stem);
};
</script>

<template>
  <DialogCard v-model="open" title="Files of this drive" :width="640">
    <v-text-field v-model="words" label="Show those with" placeholder="wheel 3 dxf" autofocus hide-details />
    <p class="quiet count" role="status">{{ shown.length }} of {{ offers.length }}</p>
    <ul class="files" tabindex="0" aria-label="Files">
      <li v-for="o in shown" :key="o.file">
        <span>{{ o.title }}</span>
        <span class="mono quiet">{{ name(o.file) }}</span>
        <v-btn
          variant="text"
          :prepend-icon="mdiDownload"
          :aria-label="`Save ${name(o.file)}`"
          @click="save(o)"
          >Save</v-btn
        >
      </li>
    </ul>
    <p v-if="offers.length > 0 && shown.length === 0" class="quiet">No file has these words.</p>
  </DialogCard>
</template>

<style scoped>
.count {
  margin: 0.375rem 0 2px;
}
.files {
  list-style: none;
  max-height: min(26.25rem, 56vh);
  overflow: auto;
}
.files li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  align-items: center;
  gap: 0.75rem;
  min-height: 2.25rem;
  border-top: 1px solid var(--p-row);
}
.files .mono {
  overflow-wrap: anywhere;
}
</style>
