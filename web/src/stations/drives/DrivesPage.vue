<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { useDropZone, useFileDialog } from '@vueuse/core';
import { mdiFileDownloadOutline, mdiFileImportOutline, mdiLightbulbOutline, mdiPlus } from '@mdi/js';
import { CELLS, cellLabels, counted, gradeWords, type Graded } from '@pendrix/core';
import type { DriveRecord } from '../../storage/storage.ts';
import { useNotices } from '../../stores/notices.ts';
import { useShelf } from '../../stores/shelf.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { demoDrives, demoParts, fileRefusal, readDriveFile, saveBackup, saveDrive } from '../../ui/files.ts';
import GradeTag from '../../ui/GradeTag.vue';
import MarkIcon from '../../ui/MarkIcon.vue';
import { reportOf } from '../../ui/open-drive.ts';
import DriveRow from './DriveRow.vue';

/** All drives with their verdicts; new ones, demo ones, ones from files. */
const workshop = useWorkshop();
const shelf = useShelf();
const notices = useNotices();
const router = useRouter();
const page = ref<HTMLElement | null>(null);

const drives = computed(() => workshop.drives);
const worst = (r: DriveRecord): Graded['grade'] => reportOf(r.drive).verdict[1]?.graded?.grade ?? 'unknown';
const tally = computed<readonly Graded[]>(() =>
  (['even', 'evenMicrostep', 'rounded', 'misses', 'unknown'] as const).flatMap((grade) => {
    const n = drives.value.filter((r) => worst(r) === grade).length;
    return n > 0 ? [{ grade, word: `${n} ${gradeWords[grade]}` }] : [];
  }),
);
const wanting = computed(() =>
  drives.value.flatMap((r) => {
    const says =
      reportOf(r.drive).attention ??
      reportOf(r.drive)
        .marks(0)
        .find((m) => m.mark === 'diamond')?.reason ??
      null;
    return says ? [{ id: r.id, name: r.drive.name, says }] : [];
  }),
);
const standing = (r: DriveRecord): string => {
  const run = workshop.runsOf(r.id).find((x) => !x.state.finished);
  return run ? `gap ${run.state.gap} of ${run.state.plan.divisions}` : '';
};

function added(records: readonly DriveRecord[], what: string): void {
  const undoAll = (): void => records.forEach((r) => workshop.undo({ id: r.id, whole: true }));
  notices.tell({
    says: `${what}: ${records
      .map((r) => r.drive.name)
      .slice(0, 5)
      .join(', ')}.`,
    tone: 'plain',
    act: { label: 'Undo', do: undoAll },
  });
}

async function openDemo(): Promise<void> {
  const parts = await demoParts();
  // what is on the shelf already stays as it is
  const missing = parts.filter((p) => !shelf.byId.has(p.id));
  if (missing.length > 0) shelf.take(missing, new Map(), 'the Lantern Hill shelf');
  added(workshop.importDrives(await demoDrives()), 'The Lantern Hill workshop is here');
}

async function takeFiles(files: readonly File[]): Promise<void> {
  for (const file of files) {
    const read = await readDriveFile(file);
    if (read.ok)
      added(
        workshop.importDrives(read.value),
        `${counted(read.value.length, 'drive')} imported`.replace(/^./, (c) => c.toUpperCase()),
      );
    else notices.tell({ says: fileRefusal(file.name, read), tone: 'bad' });
  }
}

const { open: chooseFile, onChange } = useFileDialog({ accept: '.json,application/json', reset: true });
onChange((files) => void takeFiles([...(files ?? [])]));
const { isOverDropZone } = useDropZone(page, { onDrop: (files) => void takeFiles(files ?? []) });

function makeNew(): void {
  void router.push({ name: 'job', params: { id: workshop.create().id }, query: { new: '1' } });
}

function remove(r: DriveRecord): void {
  workshop.remove(r.id);
  notices.tell({
    says: `${r.drive.name} is deleted.`,
    tone: 'plain',
    act: { label: 'Undo', do: () => void workshop.undo({ id: r.id, whole: true }) },
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
      <b>{{
        counted(drives.length, 'drive')
          .replace('none', 'No')
          .replace(/^./, (c) => c.toUpperCase())
      }}</b>
      <GradeTag v-for="g in tally" :key="g.grade" :graded="g" />
      <span class="sp"></span>
      <v-btn :prepend-icon="mdiLightbulbOutline" @click="openDemo">Open the demo workshop</v-btn>
      <v-btn :prepend-icon="mdiFileImportOutline" @click="chooseFile()">Import a file</v-btn>
      <v-btn variant="flat" :prepend-icon="mdiPlus" @click="makeNew">New drive</v-btn>
    </header>
    <div v-if="drives.length > 0" class="scroll list">
      <table>
        <thead>
          <tr>
            <th class="picture">Train, to scale within its line</th>
            <th class="name">Drive</th>
            <th v-for="cell in CELLS" :key="cell" class="cell">{{ cellLabels[cell] }}</th>
            <th class="touched">Touched</th>
          </tr>
        </thead>
        <tbody>
          <DriveRow
            v-for="r in drives"
            :key="r.id"
            :record="r"
            :standing="standing(r)"
            :rename="renamed(r)"
            @duplicate="workshop.duplicate(r.id)"
            @remove="remove(r)"
            @export="saveDrive(r.drive)"
          />
        </tbody>
      </table>
    </div>
    <div v-else class="empty">
      <h2>A drive is a job and the train that does it</h2>
      <p>
        For example: wheels of 60, 73, 95 and 97 teeth, cut with a 200-step motor, a belt 20 : 76 and a worm 1
        : 90. Pendrix shows which of them come out even, and why.
      </p>
      <v-btn variant="flat" :prepend-icon="mdiPlus" @click="makeNew">Make the first drive</v-btn>
    </div>
    <footer>
      <div class="drop">
        <v-icon :icon="mdiFileImportOutline" size="26" />
        <p>
          <b>Drop a drive or a workshop here</b
          ><span class="quiet">a file whose name ends in .pendrix.json</span>
        </p>
        <v-btn
          v-if="drives.length > 0"
          variant="text"
          :prepend-icon="mdiFileDownloadOutline"
          @click="saveBackup(drives.map((r) => r.drive))"
          >Back up all</v-btn
        >
      </div>
      <div class="wanting scroll">
        <h3 v-if="wanting.length > 0" class="tone-rounded">
          <MarkIcon name="diamond" :size="11" />{{
            counted(wanting.length, 'wants', 'want').replace(/^./, (c) => c.toUpperCase())
          }}
          attention
        </h3>
        <h3 v-else class="quiet">Nothing wants attention</h3>
        <RouterLink v-for="w in wanting" :key="w.id" :to="{ name: 'check', params: { id: w.id } }"
          ><b>{{ w.name }}</b
          ><span>{{ w.says }}</span></RouterLink
        >
      </div>
    </footer>
  </section>
</template>

<style scoped src="./drives.css"></style>
