<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef } from 'vue';
import { useFileDialog } from '@vueuse/core';
import { mdiFileDownloadOutline, mdiFileRestoreOutline } from '@mdi/js';
import { counted, refusalSentence } from '@pendrix/core';
import type { WorkshopRead } from '@pendrix/core/files/index';
import { useRecords } from '../../records/records.ts';
import { useImporting } from '../../stores/importing.ts';
import { useNotices } from '../../stores/notices.ts';
import { backUpAll } from '../../ui/backup.ts';
import { readWorkshopFile } from '../../ui/files.ts';

const DialogCard = defineAsyncComponent(() => import('../../ui/DialogCard.vue'));

/** A backup in the place of everything that is here, or beside it. Nothing happens before it is chosen; one Undo takes it back. */
const records = useRecords();
const importing = useImporting();
const notices = useNotices();
const open = ref(false);
const file = shallowRef<{ readonly name: string; readonly read: WorkshopRead } | null>(null);
const { open: choose, onChange } = useFileDialog({
  accept: '.json,application/json',
  multiple: false,
  reset: true,
});
async function read(files: FileList | null): Promise<void> {
  const [one] = files ?? [];
  if (!one) return;
  const found = await readWorkshopFile(one);
  if (!found.ok) {
    notices.tell({ message: `${one.name} is left out. ${refusalSentence(found.refusal)}`, tone: 'bad' });
    return;
  }
  file.value = { name: one.name, read: found.value };
  open.value = true;
}
onChange((files) => void read(files));
const sizes = (drives: number, parts: number, runs: number): string =>
  [counted(drives, 'drive'), counted(parts, 'shelf line'), counted(runs, 'run')]
    .join(', ')
    .replace(/none /g, 'no ');
const here = computed(() => {
  const { drive, part, run } = records.tables;
  return sizes(drive.size, part.size, run.size);
});
const there = computed(() => {
  const read = file.value?.read;
  return read ? sizes(read.drives.length, read.parts.length, read.runs.length) : '';
});
function take(how: 'beside' | 'instead'): void {
  const one = file.value;
  open.value = false;
  if (one) importing.takeRead(one.name, { ok: true, value: one.read }, how);
}
</script>

<template>
  <v-btn variant="text" aria-label="Restore a backup" :prepend-icon="mdiFileRestoreOutline" @click="choose()"
    >Restore</v-btn
  >
  <DialogCard v-if="file" v-model="open" title="Restore a backup" :width="520">
    <div class="form">
      <p>
        <b>{{ file?.name }}</b> holds {{ there }}.
      </p>
      <p>
        Here there are {{ here }}. Replaced, they are gone from the lists; one Undo brings all of them back.
      </p>
      <p v-if="file?.read.left.length" class="tone-rounded">
        {{ counted(file.read.left.length, 'record') }} of the file cannot be read and would be left out.
      </p>
      <p>
        <v-btn variant="text" :prepend-icon="mdiFileDownloadOutline" @click="backUpAll()"
          >Back up all first</v-btn
        >
      </p>
    </div>
    <template #actions>
      <v-spacer />
      <v-btn variant="text" @click="open = false">Cancel</v-btn>
      <v-btn variant="outlined" @click="take('beside')">Put it beside</v-btn>
      <v-btn variant="flat" @click="take('instead')">Replace everything</v-btn>
    </template>
  </DialogCard>
</template>
