<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { format } from 'date-fns';
import { mdiArrowLeft, mdiClose, mdiFileDelimitedOutline, mdiPlay, mdiPrinterOutline } from '@mdi/js';
import {
  doneGaps,
  noRun,
  MOST_ROWS,
  planRun,
  readCount,
  refusalSays,
  refused,
  sheet,
  type Refusal,
  type Report,
  type RunPlan,
} from '@pendrix/core';
import type { RunRecord } from '../../storage/storage.ts';
import { save } from '../../ui/files.ts';
import FigureText from '../../ui/FigureText.vue';
import GradeTag from '../../ui/GradeTag.vue';
import ReadField from '../../ui/ReadField.vue';
import RichText from '../../ui/RichText.vue';
import SheetTable from './SheetTable.vue';

/** Before the machine: which count, its sheet, and the start. With `running`, the sheet of a run that is under way. */
const {
  report,
  first,
  running = null,
  past,
} = defineProps<{
  report: Report;
  first: number | null;
  running?: { readonly plan: RunPlan; readonly gap: number } | null;
  past: readonly RunRecord[];
}>();
const emit = defineEmits<{ start: [plan: RunPlan]; back: []; forget: [run: RunRecord] }>();

const count = ref<number | null>(
  running?.plan.divisions ?? first ?? report.counts.find((c) => c <= MOST_ROWS) ?? null,
);
watch(
  () => first,
  (now) => {
    if (now !== null) count.value = now;
  },
);
const plan = computed(
  () => running?.plan ?? (count.value === null ? null : planRun(report.drive, count.value)),
);
/** Why there is no run of that count: no circle, no steps, no room to turn. */
const limited = computed(() => {
  const refusal = count.value === null || running ? null : noRun(report.drive, count.value);
  return refusal && refusalSays(refusal);
});
const head = computed(() => plan.value && sheet(plan.value));
const byHand = computed(() => plan.value?.plate !== undefined);
const opened = computed(() =>
  plan.value && !running && !byHand.value ? report.opened(plan.value.divisions) : null,
);
const onPlates = computed(() =>
  plan.value && byHand.value ? (report.plates?.opened(plan.value.divisions) ?? null) : null,
);
const table = ref<{ readonly all: () => void } | null>(null);
const MOST_CHIPS = 24;
const upper = (s: string): string => s.replace(/^./, (c) => c.toUpperCase());

function choose(text: string): Refusal | null {
  const read = readCount(text, { min: 1, max: MOST_ROWS, unit: 'divisions', example: '73' });
  if (!read.ok)
    return read.refusal.code === 'tooLarge'
      ? refused('tooManyRows', text, { limit: String(MOST_ROWS) }).refusal
      : read.refusal;
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
          <button
            v-for="c in report.counts.slice(0, MOST_CHIPS)"
            :key="c"
            type="button"
            class="chip mono"
            :aria-pressed="c === count"
            @click="count = c"
          >
            {{ c }}
          </button>
          <span v-if="report.counts.length > MOST_CHIPS" class="quiet"
            >and {{ report.counts.length - MOST_CHIPS }} more</span
          >
        </div>
        <ReadField
          class="other"
          label="Count"
          :value="count === null ? '' : String(count)"
          placeholder="73"
          :commit="choose"
        />
      </div>
      <h1 v-if="plan" class="print-only">
        {{ report.drive.name }}: {{ plan.divisions }} divisions{{ plan.doubt ? `, ${plan.doubt}` : '' }}
      </h1>
      <div v-if="plan" class="scroll sheet" tabindex="0" aria-label="Sheet of targets">
        <SheetTable ref="table" :plan="plan" :now="running?.gap ?? 0" />
      </div>
      <div v-else-if="limited" class="teach" role="status">
        <h3>{{ limited.says }}</h3>
        <p class="quiet">{{ limited.cure }}</p>
      </div>
      <div v-else class="teach">
        <h3>Choose a count to run</h3>
        <p class="quiet">
          A run goes from gap to gap of one wheel. Ask for divisions in the Job, or write a count above, for
          example 60.
        </p>
      </div>
    </section>
    <aside class="right">
      <template v-if="plan && head">
        <div class="now ground on-ground">
          <p class="big mono">{{ plan.divisions }}</p>
          <p>gaps to cut</p>
        </div>
        <dl class="lines facts">
          <div>
            <dt>{{ upper(head.unit) }} a turn of the work</dt>
            <dd class="num"><RichText :text="head.steps" /></dd>
          </div>
          <div v-if="!byHand">
            <dt>From gap to gap, {{ head.unit }}</dt>
            <dd class="num"><RichText :text="head.step" /></dd>
          </div>
          <div>
            <dt>{{ byHand ? 'Each move of the crank' : 'The same in turns of the crank' }}</dt>
            <dd class="num"><RichText :text="head.crank" /></dd>
          </div>
          <div v-if="onPlates">
            <dt>Grade</dt>
            <dd><GradeTag :graded="onPlates.graded" /></dd>
          </div>
          <div v-if="plan.doubt">
            <dt>It holds</dt>
            <dd>{{ plan.doubt }}</dd>
          </div>
          <template v-if="opened">
            <div>
              <dt>Grade</dt>
              <dd><GradeTag :graded="opened.row.graded" /></dd>
            </div>
            <div>
              <dt>Worst error</dt>
              <dd><FigureText class="num" :figure="opened.worst" /></dd>
            </div>
          </template>
        </dl>
        <div class="start">
          <v-btn
            v-if="running"
            class="large"
            variant="flat"
            height="64"
            :prepend-icon="mdiArrowLeft"
            @click="emit('back')"
            >Back to gap {{ running.gap }}</v-btn
          >
          <v-btn
            v-else
            class="large"
            variant="flat"
            height="64"
            :prepend-icon="mdiPlay"
            :disabled="limited !== null"
            @click="emit('start', plan)"
            >Start at gap 1</v-btn
          >
          <p v-if="limited" class="limited" role="status">{{ limited.says }} {{ limited.cure }}</p>
          <p v-else-if="!running" class="quiet">
            Set the work on its mark first. Space goes on, Backspace goes back; every move is kept, so the
            laptop may be shut at any time.
          </p>
        </div>
      </template>
      <div v-if="past.length > 0 && !running" class="past scroll">
        <h3>Runs before</h3>
        <ul>
          <li v-for="r in past" :key="r.id">
            <span>{{ format(r.touchedAt, 'd MMM HH:mm') }}</span><span class="mono"
              >{{ doneGaps(r.state) }} of {{ r.state.plan.divisions }}</span
            >
            <button
              type="button"
              class="icon-button"
              :aria-label="`Delete the run of ${r.state.plan.divisions}`"
              @click="emit('forget', r)"
            >
              <v-icon :icon="mdiClose" size="16" />
            </button>
          </li>
        </ul>
      </div>
    </aside>
  </div>
</template>

<style scoped src="./run-start.css"></style>
