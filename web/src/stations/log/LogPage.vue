<script setup lang="ts">
import { computed, h, ref } from 'vue';
import { useElementSize } from '@vueuse/core';
import { mdiFileDelimitedOutline, mdiPlus, mdiPrinterOutline } from '@mdi/js';
import {
  LOG_HEAD,
  logFilters,
  logReport,
  logRows,
  timeLine,
  type LogEntry,
  type LogFilter,
} from '@pendrix/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { today } from '../../ui/clock.ts';
import { fileStem, save } from '../../ui/files.ts';
import { useOpenDrive } from '../../ui/open-drive.ts';
import { usePrintSheet } from '../../ui/printing.ts';
import SubBar from '../../ui/SubBar.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';
import EntriesPane from './EntriesPane.vue';
import EntryDialog from './EntryDialog.vue';
import LogSheet from './LogSheet.vue';
import RecordPane from './RecordPane.vue';
import RevisionsPane from './RevisionsPane.vue';
import TimeLineDrawing from './TimeLineDrawing.vue';

/** What was measured, changed and learnt: the time line, revisions compared, a record read, and every entry. */
const { id, tree } = useOpenDrive();
const workshop = useWorkshop();
/** the log is the whole drive's, whichever output is looked at */
const drive = computed(() => tree.value!.drive);
const filter = ref<LogFilter>('all');
const sought = ref('');
const runs = computed(() =>
  workshop.runsOf(id.value ?? '').map((r) => ({ id: r.id, name: r.name, state: r.state })),
);
const asked = (which: LogFilter, words: string) => ({
  runs: runs.value,
  filter: which,
  sought: words,
  day: today(),
  offset: new Date().getTimezoneOffset(),
});
const log = computed(() => logReport(drive.value, asked(filter.value, sought.value)));
const all = computed(() => logReport(drive.value, asked('all', '')));
/** a head of the time line, px, and the line itself */
const HEAD_PX = 157;
const GUTTER_PX = 36;
const frame = ref<HTMLElement | null>(null);
const { width } = useElementSize(frame);
const wide = computed(() => Math.max(300, width.value - GUTTER_PX));
const line = computed(() =>
  timeLine(
    drive.value,
    all.value.rows.map((r) => r.line),
    HEAD_PX / wide.value,
  ),
);
const filters = Object.entries(logFilters).map(([value, title]) => ({ value: value as LogFilter, title }));

const writing = ref(false);
const changed = ref<LogEntry | null>(null);
function write(entry: LogEntry | null): void {
  changed.value = entry;
  writing.value = true;
}
async function saveCsv(): Promise<void> {
  const { writeCsv } = await import('@pendrix/core/files/csv');
  save(`${await fileStem(drive.value)}-log.csv`, writeCsv(LOG_HEAD, logRows(log.value.rows)), 'text/csv');
}
const print = usePrintSheet(() => h(LogSheet, { title: drive.value.name, rows: log.value.rows }));
</script>

<template>
  <div ref="frame" class="log">
    <SubBar title="Log">
      <template #start>
        <ToggleChoice
          class="filters"
          label="What is shown"
          :value="filter"
          :options="filters"
          @choose="(f) => (filter = f)"
        />
      </template>
      <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv">CSV</v-btn>
      <v-btn variant="text" :prepend-icon="mdiPrinterOutline" @click="print">Sheet</v-btn>
      <v-btn variant="flat" :prepend-icon="mdiPlus" @click="write(null)">Add an entry</v-btn>
    </SubBar>
    <TimeLineDrawing v-if="line" :line="line" :width="wide" />
    <div class="columns">
      <RevisionsPane :drive="drive" :report="all" />
      <RecordPane :drive="drive" />
      <EntriesPane
        v-model:sought="sought"
        :report="log"
        :drive="drive"
        :filtered="filter !== 'all' || sought !== ''"
        @change="write"
        @add="write(null)"
      />
    </div>
    <EntryDialog v-model="writing" :drive="drive" :entry="changed" :open="log.open" />
  </div>
</template>

<style scoped>
.log {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
  overflow: auto;
}
.filters {
  margin-left: 0.25rem;
}
.columns {
  flex: 1;
  min-height: 20rem;
  display: grid;
  grid-template-columns: minmax(0, 372fr) minmax(0, 452fr) minmax(0, 376fr);
  border-top: 1px solid var(--p-hair);
}
.columns > :deep(*) {
  min-width: 0;
  overflow: auto;
}
.columns > :deep(* + *) {
  border-left: 1px solid var(--p-hair);
}
@media (max-width: 1180px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    flex: none;
  }
  .columns > :deep(* + *) {
    border-left: 0;
    border-top: 1px solid var(--p-hair);
  }
}
</style>
