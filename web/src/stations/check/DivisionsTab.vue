<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import {
  mdiChevronDown,
  mdiCodeTags,
  mdiContentCopy,
  mdiDownload,
  mdiFileDelimitedOutline,
  mdiPrinterOutline,
  mdiTableLarge,
} from '@mdi/js';
import { MAX_ROWS, plainText, refusalSentence, type Refusal } from '@pendrix/core';
import { useNotices } from '../../stores/notices.ts';
import { useCopy } from '../../ui/copy.ts';
import { exportText, useSaveExport } from '../../ui/exporting.ts';
import FigureText from '../../ui/FigureText.vue';
import GradeTag from '../../ui/GradeTag.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import RichText from '../../ui/RichText.vue';
import CheckHead from './CheckHead.vue';
import CountMap from './CountMap.vue';
import DivisionsTable from './DivisionsTable.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import WorkingKey from '../../ui/WorkingKey.vue';

/** Divisions: how good is it? */
const ErrorCharts = defineAsyncComponent(() => import('./ErrorCharts.vue'));
const { edit, id } = useOpenDrive();
const report = useReport();
const copy = useCopy();
const route = useRoute();
const notices = useNotices();
const saveExport = useSaveExport();

const MAP_TO = 145;
const chosen = ref<number | null>(null);
watch(
  () => route.query['count'],
  (count) => {
    if (typeof count === 'string' && /^\d{1,8}$/.test(count) && Number(count) > 0)
      chosen.value = Number(count);
  },
  { immediate: true },
);
/** The opened count: the one chosen, else the one that is rounded most, else the first. */
const selected = computed(() => {
  if (chosen.value !== null) return chosen.value;
  return report.value.judged.most ?? report.value.counts[0] ?? null;
});
const opened = computed(() => (selected.value === null ? null : report.value.opened(selected.value)));
const chart = computed(() => (selected.value === null ? null : report.value.chart(selected.value)));
const map = computed(() => report.value.map(2, MAP_TO));
const tolerance = computed(() => report.value.asked.tolerance);

const setDivisions = (text: string, editSession: string): Refusal | null =>
  edit({ do: 'divisions', text }, editSession);
const setTolerance = (text: string, editSession: string): Refusal | null =>
  edit({ do: 'tolerance', as: tolerance.value.as === 'length' ? 'length' : 'angle', text }, editSession);

const TABLE = { of: 'divisions' };
const saveCsv = (): Promise<void> => saveExport(report.value.drive, 'csv', TABLE, 'divisions');
/** The places of the opened count, one after the other, on a rotary axis. */
const saveMoves = (): Promise<void> =>
  saveExport(report.value.drive, 'gcode', { divisions: selected.value! }, `divide-${selected.value}`);
async function copyCsv(): Promise<void> {
  const text = await exportText(report.value.drive, 'csv', TABLE);
  if (text.ok) await copy(text.value, 'The table, as CSV, is', 'Save it as CSV instead.');
  else notices.tell({ message: refusalSentence(text.refusal), tone: 'bad' });
}
</script>

<template>
  <TwoColumns aside="One division, gap by gap" shares="minmax(0, 716fr) minmax(0, 484px)">
    <CheckHead open="divisions">
      <v-menu v-if="report.counts.length > 0" location="bottom end">
        <template #activator="{ props }">
          <v-btn v-bind="props" variant="text" :prepend-icon="mdiDownload" :append-icon="mdiChevronDown"
            >Save</v-btn
          >
        </template>
        <v-list density="compact">
          <v-list-item :prepend-icon="mdiContentCopy" title="Copy the table" @click="copyCsv" />
          <v-list-item :prepend-icon="mdiFileDelimitedOutline" title="The table as CSV" @click="saveCsv" />
          <v-list-item
            v-if="selected !== null"
            :prepend-icon="mdiCodeTags"
            :title="`The places of ${selected} as G-code`"
            @click="saveMoves"
          />
        </v-list>
      </v-menu>
    </CheckHead>
    <div class="scroll main">
      <div class="want">
        <ReadField
          class="wanted"
          label="Wanted"
          :value="report.drive.job.divisions"
          placeholder="60, 73-76"
          :commit="setDivisions"
        />
        <ReadField
          class="tolerance"
          label="Tolerance"
          :value="tolerance.field"
          placeholder="none"
          :commit="setTolerance"
        />
        <v-spacer />
        <GradeTag v-for="g in report.judged.tally" :key="g.grade" :graded="g" />
      </div>
      <template v-if="report.counts.length > 0">
        <DivisionsTable
          :rows="report.judged.rows"
          :unit="report.judged.unit"
          :selected="selected"
          @choose="(d) => (chosen = d)"
        />
        <div v-if="report.judged.message" class="message">
          <p>
            <RichText :text="report.judged.message" />
            <span v-if="report.judged.idle">{{ report.judged.idle }}</span>
          </p>
          <v-btn :prepend-icon="mdiTableLarge" :to="{ name: 'train', params: { id } }">See the ledger</v-btn>
        </div>
        <div v-else class="message">
          <p class="tone-even"><b>Every count comes out even.</b></p>
        </div>
      </template>
      <div v-else class="teach">
        <h3>Nothing to judge yet</h3>
        <p class="quiet">
          Write what a turn must be divided into, for example 60, 73-76; each count is judged as you type.
        </p>
      </div>
      <CountMap :map="map" :wanted="report.counts" :selected="selected" @choose="(d) => (chosen = d)" />
    </div>
    <template #aside>
      <template v-if="opened && selected !== null">
        <header class="sub">
          <h3>{{ selected }}, gap by gap</h3>
          <span class="q">error at the work</span>
          <v-spacer />
          <WorkingKey :figure="opened.worst" />
          <v-btn
            v-if="selected <= MAX_ROWS"
            variant="text"
            :prepend-icon="mdiPrinterOutline"
            :to="{ name: 'run', params: { id }, query: { count: selected } }"
            >Sheet</v-btn
          >
        </header>
        <ErrorCharts v-if="chart" :chart="chart" :unit="report.judged.unit" />
        <p v-else class="quiet many">
          {{ selected }} places are too many to draw one by one; the figures below hold for all of them.
        </p>
        <dl class="lines figures">
          <div>
            <dt>Worst error</dt>
            <dd><FigureText class="num" :figure="opened.worst" /></dd>
          </div>
          <div>
            <dt>Spacing, one gap against the next</dt>
            <dd><FigureText class="num" :figure="opened.spacing" /></dd>
          </div>
          <div>
            <dt>Closing, if one count is repeated</dt>
            <dd><FigureText class="num" :figure="opened.closing" /></dd>
          </div>
        </dl>
        <p v-if="opened.share" class="share">{{ opened.share }}.</p>
        <p class="sr-only" role="status">
          {{ selected }}: {{ opened.row.graded.word }}, worst {{ plainText(opened.worst.text) }}
        </p>
      </template>
      <div v-else class="teach">
        <h3>Gap by gap</h3>
        <p class="quiet">
          Choose a count in the map or write one above, and the error at each of its gaps is drawn here.
        </p>
      </div>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
<style scoped src="./check.css"></style>
<style scoped>
.share {
  padding: 0.375rem 1rem 0.75rem 1.125rem;
  font-size: 0.875rem;
}
</style>
