<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useDropZone, useFileDialog } from '@vueuse/core';
import { mdiFileDownloadOutline, mdiFileImportOutline, mdiLightbulbOutline, mdiPlus } from '@mdi/js';
import { counted, runPlace } from '@pendrix/core';
import type { DriveRecord } from '../../records/kinds.ts';
import { useRecords } from '../../records/records.ts';
import { useImporting } from '../../stores/importing.ts';
import { useNotices } from '../../stores/notices.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { backUpAll, lastBackup } from '../../ui/backup.ts';
import EmptyState from '../../ui/EmptyState.vue';
import NotRead from '../../ui/NotRead.vue';
import { readWorkshopFile, saveDrive } from '../../ui/files.ts';
import GradeTag from '../../ui/GradeTag.vue';
import MarkIcon from '../../ui/MarkIcon.vue';
import DriveHeads from './DriveHeads.vue';
import DriveRow from './DriveRow.vue';
import RestoreKey from './RestoreKey.vue';
import { useDemo } from './use-demo.ts';
import { useJudged } from './use-judged.ts';
import { sized } from '../../ui/rem.ts';

/** All drives with their verdicts; new ones, demo ones, ones from files. */
const LongList = defineAsyncComponent(() => import('./LongList.vue'));
const workshop = useWorkshop();
const records = useRecords();
const notices = useNotices();
const importing = useImporting();
const router = useRouter();
/** Only where something of the database cannot be read. */
const RecordsApart = defineAsyncComponent(() => import('./RecordsApart.vue'));
const page = ref<HTMLElement | null>(null);

const drives = computed(() => workshop.drives);
const { tally, attention, done } = useJudged(() => workshop.drives);
/** A longer list shows only the rows that are in view. */
const MAX_WHOLE = 100;
const upper = (s: string): string => s.replace(/^./, (c) => c.toUpperCase());
/** where the runs of each drive stand */
const standing = computed(() => {
  const out = new Map<string, string>();
  for (const run of workshop.runs.values()) {
    if (run.state.finished || run.ended) continue;
    const before = out.get(run.driveId);
    out.set(run.driveId, before === undefined ? runPlace(run.state, Date.now()) : 'several runs');
  }
  return out;
});

/** how many there are, once that is known */
const told = computed(() =>
  drives.value.length > 0 || !records.unread
    ? upper(counted(drives.value.length, 'drive').replace('none', 'no'))
    : 'Drives',
);

const demo = useDemo();
/** what stands here is the demo workshop, put in place at the first start */
const demoInPlace = ref(false);
watch(
  () => records.unread,
  async (unread) => {
    if (!unread) demoInPlace.value = await demo.openAtFirst();
  },
  { immediate: true },
);
function startEmpty(): void {
  demoInPlace.value = false;
  const { drive, part } = records.tables;
  const step = records.change('start empty', [
    ...[...drive.keys()].map((id) => ({ kind: 'drive', id, row: null }) as const),
    ...[...part.keys()].map((id) => ({ kind: 'part', id, row: null }) as const),
  ]);
  notices.tell({
    message: 'The demo workshop is put away. "Open the demo workshop" brings it back.',
    tone: 'plain',
    act: { label: 'Undo', do: () => void records.undoStep(step.id) },
  });
}

async function takeFiles(files: readonly File[]): Promise<void> {
  for (const file of files) importing.takeRead(file.name, await readWorkshopFile(file));
}
const { open: chooseFile, onChange } = useFileDialog({ accept: '.json,application/json', reset: true });
onChange((files) => void takeFiles([...(files ?? [])]));
const { isOverDropZone } = useDropZone(page, { onDrop: (files) => void takeFiles(files ?? []) });

function makeNew(): void {
  void router.push({ name: 'job', params: { id: workshop.create().id }, query: { new: '1' } });
}

function remove(r: DriveRecord): void {
  const step = workshop.remove(r.id);
  if (!step) return;
  const runs = step.changes.length - 1;
  notices.tell({
    message: `${r.drive.name} is deleted${runs > 0 ? `, with ${counted(runs, 'run')}` : ''}.`,
    tone: 'plain',
    act: { label: 'Undo', do: () => void records.undoStep(step.id) },
  });
}

const renamed = (r: DriveRecord) => (name: string) => {
  const result = workshop.edit(r.id, { do: 'rename', name });
  return result.ok ? null : result.refusal;
};
</script>

<template>
  <section ref="page" class="drives" :class="{ over: isOverDropZone }">
    <header class="top">
      <b>{{ told }}</b>
      <GradeTag v-for="g in tally" :key="g.grade" :graded="g" />
      <v-spacer />
      <v-btn v-if="!demoInPlace" :prepend-icon="mdiLightbulbOutline" @click="demo.open()"
        >Open the demo workshop</v-btn
      >
      <v-btn :prepend-icon="mdiFileImportOutline" @click="chooseFile()">Import a file</v-btn>
      <v-btn variant="flat" :prepend-icon="mdiPlus" @click="makeNew">New drive</v-btn>
    </header>
    <p v-if="demoInPlace" class="first" role="status">
      <v-icon :icon="mdiLightbulbOutline" size="20" /><span
        ><b>This is the demo workshop of Lantern Hill</b>, to look around in and to bend. Open a drive, or
        make your own.</span
      >
      <v-spacer />
      <v-btn variant="text" @click="startEmpty">Start empty</v-btn>
      <v-btn variant="text" @click="demoInPlace = false">Keep it</v-btn>
    </p>
    <RecordsApart v-if="records.apart.length > 0" />
    <LongList v-if="drives.length > MAX_WHOLE" class="list" :items="drives" :item-height="sized(71)">
      <template #headers><DriveHeads /></template>
      <template #row="{ item, measure }">
        <DriveRow
          :ref="measure"
          :record="item"
          :standing="standing.get(item.id) ?? ''"
          :rename="renamed(item)"
          @duplicate="workshop.duplicate(item.id)"
          @remove="remove(item)"
          @export="saveDrive(item.drive)"
        />
      </template>
    </LongList>
    <v-table v-else-if="drives.length > 0" v-focus-scroll class="list" fixed-header>
      <thead>
        <DriveHeads />
      </thead>
      <tbody>
        <DriveRow
          v-for="r in drives"
          :key="r.id"
          :record="r"
          :standing="standing.get(r.id) ?? ''"
          :rename="renamed(r)"
          @duplicate="workshop.duplicate(r.id)"
          @remove="remove(r)"
          @export="saveDrive(r.drive)"
        />
      </tbody>
    </v-table>
    <NotRead v-else-if="records.unread" :why="records.unread" />
    <EmptyState
      v-else
      title="A drive is a job and the train that does it"
      text="For example: wheels of 60, 73, 95 and 97 teeth, cut with a 200-step motor, a belt 20 : 76 and a worm 1 : 90. Pendrix shows which of them come out even, and why."
    >
      <v-btn variant="flat" :prepend-icon="mdiPlus" @click="makeNew">Make the first drive</v-btn>
    </EmptyState>
    <footer>
      <div class="drop">
        <v-icon :icon="mdiFileImportOutline" size="26" />
        <p>
          <b>Drop a drive, a shelf or a workshop here</b
          ><span class="quiet">.pendrix.json or .shelf.json</span>
        </p>
        <div v-if="drives.length > 0" class="kept">
          <v-btn variant="text" :prepend-icon="mdiFileDownloadOutline" @click="backUpAll()">Back up all</v-btn
          ><RestoreKey />
          <span class="backup" :class="{ 'tone-rounded': lastBackup.old }">{{
            lastBackup.old ? `${lastBackup.words}: time for another` : lastBackup.words
          }}</span>
        </div>
      </div>
      <div class="wanting scroll">
        <h3 v-if="attention.length > 0" class="tone-rounded">
          <MarkIcon name="diamond" :size="11" />{{
            upper(counted(attention.length, 'drive needs', 'drives need'))
          }}
          attention
        </h3>
        <h3 v-else-if="!records.unread" class="quiet">
          {{ done ? 'Nothing needs attention' : 'Judging the drives…' }}
        </h3>
        <RouterLink v-for="w in attention" :key="w.id" :to="{ name: 'check', params: { id: w.id } }"
          ><b>{{ w.name }}</b
          ><span>{{ w.why }}</span></RouterLink
        >
      </div>
    </footer>
  </section>
</template>

<style scoped src="./drives.css"></style>
