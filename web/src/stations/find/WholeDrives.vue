<script setup lang="ts">
import { computed, h, ref, watch } from 'vue';
import {
  mdiCheckDecagramOutline,
  mdiCompare,
  mdiContentDuplicate,
  mdiFileDelimitedOutline,
  mdiPrinterOutline,
  mdiReload,
  mdiScaleBalance,
} from '@mdi/js';
import { refusalMessage, smallPicture, type Edit, type Refusal, type Report } from '@pendrix/core';
import {
  chooseReport,
  chooseTable,
  chosenOf,
  takenFrom,
  type ChooseColumn,
} from '@pendrix/core/choose/index';
import { useRecords } from '../../records/records.ts';
import { useChoosing } from '../../stores/choosing.ts';
import { useShelf } from '../../stores/shelf.ts';
import ComparePanel from '../../ui/ComparePanel.vue';
import DrawnTrain from '../../ui/DrawnTrain.vue';
import { fileStem, save } from '../../ui/files.ts';
import { reportOf } from '../../ui/open-drive.ts';
import { usePrintSheet } from '../../ui/printing.ts';
import { useSettled } from '../../ui/settled.ts';
import BesideList from './BesideList.vue';
import ChoosePanel from './ChoosePanel.vue';
import ChooseSheet from './ChooseSheet.vue';
import ChooseTable from './ChooseTable.vue';
import { useTaking, type Taken } from './taking.ts';

/** Which drive would do this job? Whole drives from what there is, beside the present one. */
const { driveId, present, edit } = defineProps<{
  driveId: string;
  present: Report;
  edit: (edit: Edit, session?: string) => Refusal | null;
}>();
const choosing = useChoosing();
const shelf = useShelf();
const records = useRecords();

/** Columns that stand side by side before somebody asks for more. */
const FEW = 5;
const all = ref(false);
const { settled } = useSettled(() => [present.drive, shelf.parts, records.ready] as const);
watch(
  settled,
  ([drive, , ready]) => {
    if (ready) void choosing.search(driveId, drive);
  },
  { immediate: true },
);
const mine = computed(() => (choosing.choosing?.driveId === driveId ? choosing.choosing : null));
const report = computed(() =>
  mine.value?.answer
    ? chooseReport(
        mine.value.request,
        chosenOf(mine.value.answer),
        present.drive,
        all.value ? Infinity : FEW - 1,
      )
    : null,
);
const refusal = computed(() => choosing.refusal && refusalMessage(choosing.refusal));

const opened = ref<string | null>(null);
const column = computed(() => {
  const columns = report.value?.columns ?? [];
  return columns.find((c) => c.key === opened.value && !c.present) ?? columns.find((c) => !c.present) ?? null;
});
const comparing = ref(false);
const [WIDTH, HEIGHT] = [440, 112];
const drawings = computed(() =>
  [present.drive, ...(column.value ? [column.value.drive] : [])].map((d) =>
    smallPicture(d, WIDTH, HEIGHT, present.counts[0] ?? 0),
  ),
);
const compared = computed(() => (comparing.value && column.value ? reportOf(column.value.drive) : null));

async function saveCsv(): Promise<void> {
  if (!report.value) return;
  const { writeCsv } = await import('@pendrix/core/files/csv');
  const { head, rows } = chooseTable(report.value);
  save(`${await fileStem(present.drive)}-drives.csv`, writeCsv(head, rows), 'text/csv');
}
const print = usePrintSheet(() =>
  report.value ? h(ChooseSheet, { title: present.drive.name, report: report.value }) : null,
);
const taking = useTaking();
const takenOf = ({ drive }: Pick<ChooseColumn, 'drive'>): Taken => takenFrom(present.drive, drive);
function use(chosen: ChooseColumn, revision: boolean): void {
  const { name } = chosen.drive;
  const news = `The drive is now ${name}${revision ? ', kept as a revision' : ''}.`;
  taking.take(takenOf(chosen), name, news, revision ? `chosen: ${name}` : undefined);
}
const again = (): void => void choosing.again(driveId, present.drive);
</script>

<template>
  <div class="whole">
    <ChoosePanel :present="present" :report="report" :edit="edit" />
    <div class="drives">
      <ComparePanel
        v-if="report && compared && column"
        class="differs"
        :a="present"
        :b="compared"
        :title="column.drive.name"
        a-name="Present"
        b-name="This one"
        @close="comparing = false"
      >
        <svg
          v-for="(drawing, i) in drawings"
          :key="i"
          class="drawing"
          :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
          role="img"
          :aria-label="i === 0 ? 'The present drive, drawn' : 'This one, drawn'"
        >
          <DrawnTrain :drawing="drawing" small />
        </svg>
      </ComparePanel>
      <div
        v-else-if="report && report.columns.length > 0"
        class="table scroll"
        tabindex="0"
        aria-label="Drives compared"
      >
        <ChooseTable :report="report" :opened="column?.key ?? null" @open="(key) => (opened = key)" />
        <BesideList
          v-if="column && mine"
          :request="mine.request"
          :column="column"
          @copy="(b) => taking.copy(takenOf(b), b.change)"
        />
      </div>
      <div v-else class="teach">
        <template v-if="refusal">
          <h3>Nothing to choose for yet</h3>
          <p class="quiet">
            <b>{{ refusal.message }}</b> {{ refusal.cure }} Say in the Job what it must do, and have a motor
            on the Shelf, or choose from anything.
          </p>
        </template>
        <p v-else-if="choosing.failed" class="tone-misses">It failed. Ask for fewer stages, or again.</p>
        <template v-else-if="report">
          <h3>No drive of this pool does it</h3>
          <p v-if="report.conflict"><b>Two askings exclude one another.</b> {{ report.conflict }}</p>
          <p class="quiet">
            What dropped out, and by what, stands at the left. Choose from more, or allow more stages.
          </p>
        </template>
        <p v-else class="quiet">Judging drives: the first are here in a moment.</p>
      </div>
      <div v-if="report && column" class="decides" role="status">
        <v-icon :icon="mdiScaleBalance" size="20" />
        <p>
          <b>{{ column.drive.name }}.</b> {{ column.decides }}
          <template v-for="t in report.turns" :key="t">{{ ' ' + t }}</template>
        </p>
        <div class="acts">
          <v-btn
            variant="flat"
            :prepend-icon="mdiContentDuplicate"
            @click="taking.copy(takenOf(column), column.drive.name)"
            >Try it in a copy</v-btn
          >
          <v-btn :prepend-icon="mdiCompare" :aria-pressed="comparing" @click="comparing = !comparing"
            >What differs</v-btn
          >
          <v-btn @click="use(column, false)">Use it</v-btn>
          <v-btn variant="text" @click="use(column, true)">Use it and keep a revision</v-btn>
        </div>
      </div>
      <div v-if="report" class="certificate" :class="{ open: !mine?.answer?.proven }" role="status">
        <v-icon :icon="mdiCheckDecagramOutline" size="20" />
        <p>{{ report.certificate }}</p>
        <v-btn v-if="report.unbeaten > FEW - 1" variant="text" @click="all = !all">{{
          all ? 'The first few' : `All ${report.unbeaten}`
        }}</v-btn>
        <v-btn v-if="mine?.stopped || choosing.failed" :prepend-icon="mdiReload" @click="again">Go on</v-btn>
        <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv">CSV</v-btn>
        <v-btn variant="text" :prepend-icon="mdiPrinterOutline" @click="print">Sheet</v-btn>
      </div>
    </div>
  </div>
</template>

<style scoped src="./find.css"></style>
<style scoped>
.whole {
  flex: 1 1 0;
  min-height: 0;
  display: grid;
  grid-template-columns: 16rem minmax(0, 1fr);
}
.whole > * {
  min-height: 0;
}
.drives {
  display: flex;
  flex-direction: column;
  border-left: 1px solid var(--p-hair);
}
.table {
  flex: 1 1 0;
  min-height: 8rem;
}
.differs {
  flex: 1 1 0;
  min-height: 8rem;
  overflow: auto;
}
.drawing {
  flex: 1;
  height: 7rem;
  background: var(--p-ground);
}
.decides {
  flex: none;
  display: flex;
  gap: 0.75rem;
  align-items: flex-start;
  padding: 0.75rem 1rem;
  background: var(--p-amber-ground);
  border-top: 2px solid var(--p-amber);
  font-size: 0.875rem;
  line-height: 1.25rem;
}
.decides > .v-icon {
  color: var(--p-amber);
  flex: none;
}
.decides p {
  flex: 1;
}
.acts {
  display: grid;
  grid-template-columns: auto auto;
  gap: 0.375rem 0.5rem;
}
.certificate {
  align-items: center;
}
@media (max-width: 960px) {
  .whole {
    display: flex;
    flex: none;
    flex-direction: column-reverse;
  }
  .table,
  .differs {
    flex: none;
  }
  .drives {
    border-left: 0;
  }
  .decides,
  .certificate {
    flex-wrap: wrap;
  }
  .acts {
    grid-template-columns: auto;
  }
}
</style>
