<script setup lang="ts">
import { computed, h, ref, watch } from 'vue';
import { mdiArrowLeft, mdiFileDelimitedOutline, mdiPlay, mdiPrinterOutline } from '@mdi/js';
import {
  movesAsked,
  placeWord,
  readCount,
  minutesOf,
  setupAgain,
  setupStands,
  startRun,
  type Refusal,
  type Report,
  type RunPlan,
} from '@pendrix/core';
import { useSaveExport } from '../../ui/exporting.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import { useOpenDrive } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import RunFacts from './RunFacts.vue';
import RunList from './RunList.vue';
import { usePrintSheet } from '../../ui/printing.ts';
import PrintedSheet from './PrintedSheet.vue';
import SetupSign from './SetupSign.vue';
import SheetTable from './SheetTable.vue';
import { usePlanChoice } from './use-run-plan.ts';
import type { CurrentRun } from './use-run.ts';
import TwoColumns from '../../ui/TwoColumns.vue';
import EmptyState from '../../ui/EmptyState.vue';

/** Before the machine: which count, its sheet, and the start. With `running`, the sheet of a run that is under way. */
const {
  report,
  first,
  running = null,
  runs,
} = defineProps<{
  report: Report;
  first: number | null;
  running?: { readonly plan: RunPlan; readonly gap: number } | null;
  runs: CurrentRun;
}>();
const emit = defineEmits<{ back: [] }>();

/** A grid: another output that steps on each time this one has made its turn. */
const { tree, edit } = useOpenDrive();
const others = computed(() =>
  (tree.value?.outputs ?? []).filter((o) => o.name !== report.drive.train.name && o.report.divider !== null),
);
const {
  plan,
  limited,
  count,
  setCount,
  move,
  setMove,
  rowsBy,
  rowsCount,
  setRows,
  setRowsMany,
  passes,
  setPasses,
} = usePlanChoice(
  () => report,
  () => others.value,
  () => first,
  running?.plan ?? null,
);
const moves = computed(() => movesAsked(report.drive));
const place = computed(() => (plan.value ? placeWord(plan.value) : 'gap'));
/** Where it begins, and what this blank is called. */
const gap = ref(1);
const name = ref<string | null>(null);
watch(
  () => plan.value?.divisions,
  () => (gap.value = 1),
);
const named = computed(() => name.value ?? (plan.value ? runs.nameFor(startRun(plan.value, 0)) : ''));
function setGap(text: string): Refusal | null {
  const read = readCount(text, {
    min: 1,
    max: plan.value?.divisions ?? 1,
    unit: `${place.value}s`,
    example: '1',
  });
  if (read.ok) gap.value = read.value;
  return read.ok ? null : read.refusal;
}
function setName(text: string): Refusal | null {
  name.value = text.trim() === '' ? null : text.trim().slice(0, 60);
  return null;
}
/** The set-up is signed off, or skipped with a reason, for each blank anew. */
const setup = computed(() => report.drive.setup ?? null);
const signed = computed(() => setupStands(setup.value ?? undefined).signed);
async function start(): Promise<void> {
  if (!plan.value) return;
  const list = setup.value;
  const minutes = list ? minutesOf(list.steps) : 0;
  const set = { ...(minutes > 0 && { minutes }), ...(list?.skipped && { skipped: list.skipped }) };
  await runs.begin(startRun(plan.value, Date.now(), gap.value, set), named.value);
  if (list)
    edit({ do: 'build', list: 'setup', steps: setupAgain(list.steps), message: 'set-up for the next blank' });
}
const MAX_CHIPS = 24;
const saveExport = useSaveExport();

async function saveCsv(): Promise<void> {
  if (!plan.value) return;
  const { divisions, scale } = plan.value;
  const asked = { divisions, ...(scale && { move: scale.move }) };
  await saveExport(report.drive, 'csv', asked, `${scale ? 'marks' : 'targets'}-${divisions}`);
}
const print = usePrintSheet(() =>
  plan.value ? h(PrintedSheet, { title: report.drive.name, plan: plan.value, drive: report.drive }) : null,
);
</script>

<template>
  <TwoColumns class="run-start" aside="What is run" shares="minmax(0, 760fr) minmax(0, 440px)">
    <header class="sub">
      <h2>Run</h2>
      <span class="q">{{
        plan ? `sheet of ${plan.divisions} ${plan.scale ? 'marks' : 'targets'}` : 'nothing to run yet'
      }}</span>
      <v-spacer />
      <slot />
      <template v-if="plan">
        <v-btn variant="text" :prepend-icon="mdiPrinterOutline" @click="print">Print</v-btn>
        <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv">CSV</v-btn>
      </template>
    </header>
    <div v-if="!running" class="counts">
      <div v-if="moves.length > 0" class="chips" role="group" aria-label="Moves the job asks for">
        <v-btn
          v-for="m in moves.slice(0, MAX_CHIPS)"
          :key="m"
          class="chip mono"
          :variant="m === move ? 'flat' : 'outlined'"
          :aria-pressed="m === move"
          @click="setMove(m)"
          >{{ m }}</v-btn
        >
      </div>
      <div v-if="report.counts.length > 0" class="chips" role="group" aria-label="Divisions the job asks for">
        <v-btn
          v-for="c in report.counts.slice(0, MAX_CHIPS)"
          :key="c"
          class="chip mono"
          :variant="c === count && move === '' ? 'flat' : 'outlined'"
          :aria-pressed="c === count && move === ''"
          @click="((count = c), (move = ''))"
          >{{ c }}</v-btn
        >
        <span v-if="report.counts.length > MAX_CHIPS" class="quiet"
          >and {{ report.counts.length - MAX_CHIPS }} more</span
        >
      </div>
      <div class="other">
        <ReadField
          v-if="report.kinematics.travel"
          label="From mark to mark"
          :value="move"
          placeholder="0.5 mm"
          :commit="setMove"
        />
        <ReadField
          :label="move ? 'Marks' : 'Divisions'"
          :value="count === null ? '' : String(count)"
          placeholder="73"
          :commit="setCount"
        />
      </div>
    </div>
    <SheetTable v-if="plan" :key="`${plan.divisions} ${move}`" :plan="plan" :now="running?.gap ?? 0" />
    <EmptyState v-else-if="limited" role="status" :title="limited.message" :text="limited.cure" />
    <EmptyState
      v-else
      title="Choose a count to run"
      text="A run goes from gap to gap of one wheel. Ask for divisions in the Job, or write a count above, for example 60."
    />
    <template #aside>
      <template v-if="plan">
        <div class="now ground on-ground">
          <p class="big mono">{{ plan.divisions }}</p>
          <p>
            {{
              plan.rows
                ? `${place}s in each of ${plan.rowCount} rows`
                : plan.scale
                  ? 'marks to make'
                  : 'gaps to cut'
            }}
          </p>
        </div>
        <RunFacts :report="report" :plan="plan" :running="running !== null" />
        <SetupSign v-if="setup && !running" :setup="setup" />
        <div class="start">
          <v-btn
            v-if="running"
            class="large"
            variant="flat"
            height="64"
            :prepend-icon="mdiArrowLeft"
            @click="emit('back')"
            >Back to {{ place }} {{ running.gap }}</v-btn
          >
          <template v-else>
            <div class="begin">
              <ReadField label="Name of this blank" :value="named" :commit="setName" />
              <template v-if="others.length > 0">
                <ChoiceField
                  label="In a grid with"
                  :value="rowsBy"
                  :options="[
                    { value: '', title: 'nothing' },
                    ...others.map((o) => ({ value: o.name, title: o.name })),
                  ]"
                  @choose="(v) => (rowsBy = v)"
                />
                <ReadField
                  v-if="rowsBy !== ''"
                  :label="`Divisions of ${rowsBy}`"
                  :value="String(rowsCount)"
                  :commit="setRows"
                />
                <ReadField
                  v-if="plan.rows"
                  label="Rows, from its home"
                  :value="String(plan.rowCount ?? 1)"
                  hint="within its limits"
                  :commit="setRowsMany"
                />
              </template>
              <ReadField
                v-if="!plan.rows && !plan.scale"
                label="Passes, all the way round"
                :value="String(passes)"
                hint="deeper each time"
                :commit="setPasses"
              />
              <ReadField :label="`Start at ${place}`" :value="String(gap)" :commit="setGap" />
            </div>
            <v-btn
              class="large"
              variant="flat"
              height="64"
              :prepend-icon="mdiPlay"
              :disabled="!signed"
              @click="start"
              >Start at {{ place }} {{ gap }}</v-btn
            >
          </template>
          <p v-if="!signed" class="limited" role="status">
            The first {{ place }} waits for the set-up: sign it off above, or say why it is skipped.
          </p>
          <p v-else-if="!running" class="quiet">
            Set the work on its mark first. Space goes on, Backspace goes back; every move is kept, so the
            laptop may be shut at any time.
          </p>
        </div>
      </template>
      <RunList v-if="!running" :runs="runs" />
    </template>
  </TwoColumns>
</template>

<style scoped src="./run-start.css"></style>
