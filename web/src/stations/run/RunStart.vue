<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { format } from 'date-fns';
import { mdiArrowLeft, mdiClose, mdiFileDelimitedOutline, mdiPlay, mdiPrinterOutline } from '@mdi/js';
import { doneGaps, MOST_ROWS, planRun, readCount, refused, sheet, type Refusal, type Report, type RunPlan } from '@pendrix/core';
import type { RunRecord } from '../../storage/storage.ts';
import { save } from '../../ui/files.ts';
import FigureText from '../../ui/FigureText.vue';
import GradeTag from '../../ui/GradeTag.vue';
import ReadField from '../../ui/ReadField.vue';
import RichText from '../../ui/RichText.vue';
import SheetTable from './SheetTable.vue';

/** Before the machine: which count, its sheet, and the start. With `running`, the sheet of a run that is under way. */
const { report, first, running = null, past } = defineProps<{
  report: Report;
  first: number | null;
  running?: { readonly plan: RunPlan; readonly gap: number } | null;
  past: readonly RunRecord[];
}>();
const emit = defineEmits<{ start: [plan: RunPlan]; back: []; forget: [run: RunRecord] }>();

const count = ref<number | null>(running?.plan.divisions ?? first ?? report.counts.find((c) => c <= MOST_ROWS) ?? null);
watch(
  () => first,
  (now) => {
    if (now !== null) count.value = now;
  },
);
const plan = computed(() => running?.plan ?? (count.value === null ? null : planRun(report.drive, count.value)));
const head = computed(() => plan.value && sheet(plan.value));
const opened = computed(() => (plan.value && !running ? report.opened(plan.value.divisions) : null));
const table = ref<{ readonly all: () => void } | null>(null);
const MOST_CHIPS = 24;

function choose(text: string): Refusal | null {
  const read = readCount(text, { min: 1, max: MOST_ROWS, unit: 'divisions', example: '73' });
  if (!read.ok) return read.refusal.code === 'tooLarge' ? refused('tooManyRows', text, { limit: String(MOST_ROWS) }).refusal : read.refusal;
  count.value = read.value;
  return null;
}
async function saveCsv(): Promise<void> {
  if (!plan.value) return;
  const { sheetCsv } = await import('@pendrix/core/files/csv');
  save(`targets-${plan.value.divisions}.csv`, sheetCsv(plan.value), 'text/csv');
}
async function print(): Promise<void> {
  table.value?.all();
  await nextTick();
  window.print();
}
</script>

<template>
  <div class="page">
    <section class="left">
      <header class="sub">
        <h2>Run</h2>
        <span class="q">{{ plan ? `sheet of ${plan.divisions} targets` : 'nothing to run yet' }}</span>
        <span class="sp"></span>
        <template v-if="plan">
          <v-btn variant="text" :prepend-icon="mdiPrinterOutline" @click="print">Print</v-btn>
          <v-btn variant="text" :prepend-icon="mdiFileDelimitedOutline" @click="saveCsv">CSV</v-btn>
        </template>
      </header>
      <div v-if="!running" class="counts">
        <div class="chips" role="group" aria-label="Counts the job asks for">
          <button v-for="c in report.counts.slice(0, MOST_CHIPS)" :key="c" type="button" class="chip mono" :aria-pressed="c === count" @click="count = c">{{ c }}</button>
          <span v-if="report.counts.length > MOST_CHIPS" class="quiet">and {{ report.counts.length - MOST_CHIPS }} more</span>
        </div>
        <ReadField class="other" label="Count" :value="count === null ? '' : String(count)" placeholder="73" :commit="choose" />
      </div>
      <h1 v-if="plan" class="print-only">{{ report.drive.name }}: {{ plan.divisions }} divisions, {{ plan.stepsPerTurn }} microsteps a turn</h1>
      <div v-if="plan" class="scroll sheet" tabindex="0" aria-label="Sheet of targets"><SheetTable ref="table" :plan="plan" :now="running?.gap ?? 0" /></div>
      <div v-else class="teach">
        <h3>Choose a count to run</h3>
        <p class="quiet">A run goes from gap to gap of one wheel. Ask for divisions in the Job, or write a count above, for example 60.</p>
      </div>
    </section>
    <aside class="right">
      <template v-if="plan && head">
        <div class="now ground on-ground">
          <p class="big mono">{{ plan.divisions }}</p>
          <p>gaps to cut</p>
        </div>
        <dl class="lines facts">
          <div><dt>Steps a turn</dt><dd class="num"><RichText :text="head.steps" /></dd></div>
          <div><dt>From gap to gap, microsteps</dt><dd class="num"><RichText :text="head.step" /></dd></div>
          <div><dt>The same in turns of the crank</dt><dd class="num"><RichText :text="head.crank" /></dd></div>
          <template v-if="opened">
            <div><dt>Grade</dt><dd><GradeTag :graded="opened.row.graded" /></dd></div>
            <div><dt>Worst error</dt><dd><FigureText class="num" :figure="opened.worst" /></dd></div>
          </template>
        </dl>
        <div class="start">
          <v-btn v-if="running" class="large" variant="flat" height="64" :prepend-icon="mdiArrowLeft" @click="emit('back')">Back to gap {{ running.gap }}</v-btn>
          <v-btn v-else class="large" variant="flat" height="64" :prepend-icon="mdiPlay" @click="emit('start', plan)">Start at gap 1</v-btn>
          <p v-if="!running" class="quiet">Set the work on its mark first. Space goes on, Backspace goes back; every move is kept, so the laptop may be shut at any time.</p>
        </div>
      </template>
      <div v-if="past.length > 0 && !running" class="past scroll">
        <h3>Runs before</h3>
        <ul>
          <li v-for="r in past" :key="r.id">
            <span>{{ format(r.touchedAt, 'd MMM HH:mm') }}</span><span class="mono">{{ doneGaps(r.state) }} of {{ r.state.plan.divisions }}</span>
            <button type="button" class="icon-button" :aria-label="`Forget the run of ${r.state.plan.divisions}`" @click="emit('forget', r)"><v-icon :icon="mdiClose" size="16" /></button>
          </li>
        </ul>
      </div>
    </aside>
  </div>
</template>

<style scoped>
.page { flex: 1; min-height: 0; display: grid; grid-template-columns: minmax(0, 760fr) minmax(0, 440px); }
.left { display: flex; flex-direction: column; min-height: 0; min-width: 0; }
.sub .v-btn { margin-right: -8px; }
.counts { display: flex; align-items: flex-start; flex-wrap: wrap; gap: 10px 18px; padding: 11px 20px; border-bottom: 1px solid var(--p-hair); }
.chips { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
.chip { min-width: 44px; height: 32px; padding: 0 10px; border: 1px solid var(--p-field); border-radius: 2px; background: var(--p-surface); font-size: 15px; text-align: center; }
.chip[aria-pressed='true'] { background: var(--p-blue); border-color: var(--p-blue); color: var(--p-on-blue); font-weight: 650; }
.other { margin-left: auto; }
.sheet { flex: 1; min-height: 0; }
.teach { margin: auto; max-width: 380px; text-align: center; display: flex; flex-direction: column; gap: 10px; padding: 20px; }
.right { background: var(--p-surface); border-left: 1px solid var(--p-hair); display: flex; flex-direction: column; min-height: 0; }
.now { height: 168px; display: flex; flex-direction: column; align-items: center; justify-content: center; font-size: 18px; flex: none; }
.big { font-size: 84px; line-height: 88px; font-weight: 650; letter-spacing: -.04em; color: var(--p-bright); }
.facts { padding: 8px 20px; }
.facts > div { line-height: 32px; font-size: 15px; }
.facts .num { font-size: 15px; font-weight: 600; }
.start { padding: 12px 20px 16px; display: flex; flex-direction: column; gap: 12px; }
.start p { font-size: 14px; }
.large { font-size: 20px; border-bottom: 4px solid var(--p-blue-deep); }
.past { border-top: 1px solid var(--p-hair); padding: 10px 12px 10px 20px; min-height: 80px; }
.past li { display: flex; align-items: center; gap: 14px; font-size: 14px; line-height: 32px; border-bottom: 1px solid var(--p-row); }
.past li .mono { margin-left: auto; }
.print-only { display: none; }
@media (max-width: 1100px) { .page { grid-template-columns: minmax(0, 1fr) 340px; } }
@media (max-width: 900px) {
  .page { display: flex; flex-direction: column-reverse; overflow: auto; }
  .sheet { min-height: 300px; flex: none; overflow-x: auto; }
  .now { height: 110px; }
  .big { font-size: 56px; line-height: 60px; }
  .left, .right { border: 0; min-height: auto; }
}
@media print {
  .page, .left { display: block; }
  .right, .sub, .counts { display: none; }
  .print-only { display: block; font-size: 14pt; font-weight: 650; margin-bottom: 8pt; }
  .sheet { overflow: visible; }
}
</style>
