<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { useDropZone, useEventListener, useFileDialog } from '@vueuse/core';
import {
  mdiContentPaste,
  mdiFileDelimitedOutline,
  mdiFileDownloadOutline,
  mdiFileImportOutline,
  mdiLightbulbOutline,
  mdiPlus,
} from '@mdi/js';
import { counted, partKinds, type PartColumn, type PartKindId, type Refusal } from '@pendrix/core';
import { useNotices } from '../../stores/notices.ts';
import { useRecords } from '../../records/records.ts';
import { useShelf } from '../../stores/shelf.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { useImporting } from '../../stores/importing.ts';
import { demoWorkshop, fileRefusal, readText, readWorkshopFile, saveShelf } from '../../ui/files.ts';
import PartPanel from './PartPanel.vue';
import PastePanel from './PastePanel.vue';
import ShelfGroups from './ShelfGroups.vue';
import ShelfTable from './ShelfTable.vue';
import { useShelfView } from './use-shelf-view.ts';
import EmptyState from '../../ui/EmptyState.vue';
import NotRead from '../../ui/NotRead.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

/** What do I own or could buy? Shared by all drives. */
const shelf = useShelf();
const importing = useImporting();
const records = useRecords();
const workshop = useWorkshop();
const notices = useNotices();
const page = ref<{ readonly $el: HTMLElement } | null>(null);
const zone = computed(() => page.value?.$el ?? null);
const table = ref<InstanceType<typeof ShelfTable> | null>(null);
const { view, report, chosen, picked, choose, chooseAll, letGo, toggleGroup, sortBy } = useShelfView();
const pasting = ref(false);
const pasted = ref('');

const sharedBy = computed(() =>
  workshop.drives.length === 0
    ? 'Shared by all drives'
    : `Shared by all ${counted(workshop.drives.length, 'drive')}`,
);
const edit = (id: string, column: PartColumn, text: string): Refusal | null => {
  const read = shelf.edit(id, column, text);
  return read && !read.ok ? read.refusal : null;
};

function told(message: string): void {
  notices.tell({
    message,
    tone: 'plain',
    act: { label: 'Undo', do: () => void records.undo({ kind: 'part', id: null, whole: true }) },
  });
}
async function add(kind: PartKindId): Promise<void> {
  const part = shelf.add(kind);
  view.groups = [];
  view.filter = '';
  choose(part.id);
  // the list without a filter comes when the key was painted
  for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
  await nextTick();
  await table.value?.show(part.id);
}
function remove(): void {
  const ids = picked.value;
  if (ids.length === 0) return;
  shelf.remove(ids);
  letGo();
  told(`${counted(ids.length, 'line')} deleted from the shelf.`.replace(/^./, (c) => c.toUpperCase()));
}
function duplicate(): void {
  const ids = shelf.duplicate(picked.value);
  letGo();
  for (const id of ids) choose(id, 'more');
}
async function starter(): Promise<void> {
  const { parts } = await demoWorkshop();
  importing.take(
    { drives: [], parts, runs: [] },
    'the Lantern Hill shelf',
    `The Lantern Hill shelf is here: ${parts.length} lines.`,
  );
}

async function takeFiles(files: readonly File[]): Promise<void> {
  for (const file of files) {
    if (!/\.json$/i.test(file.name)) {
      const text = await readText(file);
      if (text.ok) {
        pasted.value = text.value;
        pasting.value = true;
      } else notices.tell({ message: fileRefusal(file.name, text), tone: 'bad' });
    } else importing.takeRead(file.name, await readWorkshopFile(file));
  }
}
const { open: chooseFile, onChange } = useFileDialog({
  accept: '.json,.csv,.tsv,.txt,application/json,text/csv',
  reset: true,
});
onChange((files) => void takeFiles([...(files ?? [])]));
const { isOverDropZone } = useDropZone(zone, { onDrop: (files) => void takeFiles(files ?? []) });
// A table that is pasted anywhere on the page, but not into a field, opens what reads it.
useEventListener(document, 'paste', (e) => {
  if (e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)) return;
  const text = e.clipboardData?.getData('text/plain') ?? '';
  if (text.trim() === '') return;
  pasted.value = text;
  pasting.value = true;
});
watch(pasting, (open) => {
  if (!open) pasted.value = '';
});
const side = computed(() => (pasting.value ? 'paste' : picked.value.length > 0 ? 'part' : null));
const KINDS = Object.values(partKinds).map((k) => ({ kind: k.kind as PartKindId, title: k.title }));
</script>

<template>
  <TwoColumns
    ref="page"
    class="shelf"
    :class="{ over: isOverDropZone }"
    :wide="side === null"
    aside="Chosen parts, or a table to paste"
    shares="minmax(0, 844fr) minmax(300px, 356fr)"
  >
    <header class="sub">
      <h2>Shelf</h2>
      <span class="q">{{ sharedBy }}</span>
      <v-spacer />
      <v-btn variant="text" :prepend-icon="mdiContentPaste" @click="pasting = true">Paste</v-btn>
      <v-btn variant="text" :prepend-icon="mdiFileImportOutline" @click="chooseFile()">Import</v-btn>
      <template v-if="shelf.parts.length > 0">
        <v-btn
          class="save"
          variant="text"
          :prepend-icon="mdiFileDelimitedOutline"
          @click="saveShelf(shelf.parts, 'csv')"
          >CSV</v-btn
        >
        <v-btn
          class="save"
          variant="text"
          :prepend-icon="mdiFileDownloadOutline"
          @click="saveShelf(shelf.parts, 'json')"
          >JSON</v-btn
        >
      </template>
      <v-menu>
        <template #activator="{ props }">
          <v-btn v-bind="props" :prepend-icon="mdiPlus">Add a part</v-btn>
        </template>
        <v-list density="compact">
          <v-list-item v-for="k in KINDS" :key="k.kind" :title="k.title" @click="add(k.kind)" />
        </v-list>
      </v-menu>
    </header>
    <div class="body">
      <div class="aside">
        <div class="filter">
          <v-text-field
            v-model="view.filter"
            class="words"
            type="search"
            aria-label="Filter"
            placeholder="Filter"
            autocomplete="off"
          />
        </div>
        <ShelfGroups :report="report" :groups="view.groups" @toggle="toggleGroup" />
      </div>
      <NotRead v-if="shelf.parts.length === 0 && records.unread" :why="records.unread" />
      <EmptyState
        v-else-if="shelf.parts.length === 0"
        title="Nothing on the shelf yet"
        text="Put here what you own or could buy: wheels by their teeth and module, worms, gearboxes, motors. Find then searches for trains that come out even from these very parts. Add one, paste a list from a spreadsheet, or start with a made-up shelf."
      >
        <v-btn variant="flat" :prepend-icon="mdiLightbulbOutline" @click="starter"
          >Put the Lantern Hill shelf here</v-btn
        >
      </EmptyState>
      <EmptyState v-else-if="report.lines === 0" title="No line has all of these words" />
      <ShelfTable
        v-else
        ref="table"
        :report="report"
        :chosen="chosen"
        :sort="view.sort"
        :down="view.down"
        :edit="edit"
        @choose="choose"
        @choose-all="chooseAll"
        @sort="sortBy"
        @remove="remove"
      />
    </div>
    <template #aside>
      <PastePanel v-if="side === 'paste'" v-model="pasted" @close="pasting = false" @taken="told" />
      <PartPanel v-else :ids="picked" @remove="remove" @duplicate="duplicate" />
    </template>
  </TwoColumns>
</template>

<style scoped>
.shelf.over {
  outline: 3px dashed var(--p-blue);
  outline-offset: -6px;
}
.sub .v-btn {
  flex: none;
}
.sub {
  gap: 0.375rem;
}
.sub .q {
  margin-left: 0.375rem;
}
.body {
  flex: 1 1 0;
  min-height: 0;
  display: grid;
  grid-template-columns: 10.75rem minmax(0, 1fr);
}
.body > * {
  min-height: 0;
  min-width: 0;
}
.body > .grid {
  border-left: 1px solid var(--p-hair);
}
.aside {
  overflow: hidden auto;
}
.filter {
  padding: 0.5rem 0.75rem 2px 1.25rem;
}
@media (max-width: 1180px) {
  .shelf.shelf:not(.wide) {
    grid-template: minmax(0, 3fr) minmax(0, 2fr) / minmax(0, 1fr);
  }
  .shelf > :deep(.right) {
    border-left: 0;
    border-top: 1px solid var(--p-hair);
  }
  .sub .q {
    display: none;
  }
}
@media (max-width: 960px) {
  .shelf.shelf {
    display: grid;
    overflow: hidden;
  }
  .sub .save,
  .aside {
    display: none;
  }
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
