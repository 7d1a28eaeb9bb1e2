<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { mdiFileUploadOutline, mdiFlaskOutline, mdiStop } from '@mdi/js';
import {
  measuredOf,
  clearComponents,
  componentRows,
  recordValues,
  divisionRecordReport,
  refusalSentence,
  signedAngle,
  takenFrom,
  angleText,
  bumpGiven,
  freeEntryId,
  type Drive,
  type LogValue,
  type Taken,
} from '@pendrix/core';
import { useSettings } from '../../stores/settings.ts';
import { useNotices } from '../../stores/notices.ts';
import { thisMinute } from '../../ui/clock.ts';
import BenchForms from '../../ui/BenchForms.vue';
import ChoiceField from '../../ui/ChoiceField.vue';
import { DutyChart } from '../../ui/duty-chart.ts';
import { readText } from '../../ui/files.ts';
import FoldPanel from '../../ui/FoldPanel.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { useSeveralEdits } from '../../ui/several-edits.ts';
import BumpKey from './BumpKey.vue';
import RecordColumns from './RecordColumns.vue';
import { useRecord } from './use-record.ts';

/** A record of following or of a divided wheel, read back to its causes; what it tells flows back into the drive as measured. */
const { drive } = defineProps<{ drive: Drive }>();
const { edit } = useOpenDrive();
const looked = useReport();
const take = useSeveralEdits();
const notices = useNotices();
const settings = useSettings();
/** which of the job's rates the record follows */
const rates = computed(() => looked.value.duties.rates.map((r) => r.name));
const rate = ref<string | undefined>(undefined);
const { read, name, columns, say, progress, load, again, sample, stop } = useRecord(
  () => looked.value.drive,
  () => rate.value,
);
watch(rate, () => {
  if (read.value?.is === 'tracking') void again();
});
const forms = computed(() => measuredOf(looked.value).motion);
const felt = ref<Readonly<Record<string, string>>>({});
const input = ref<HTMLInputElement | null>(null);

async function choose(): Promise<void> {
  const file = input.value?.files?.[0];
  if (!file) return;
  const text = await readText(file);
  if (input.value) input.value.value = '';
  if (text.ok) await load(file.name, text.value);
  else notices.tell({ message: refusalSentence(text.refusal), tone: 'bad' });
}
/** asked at once where the heads do not tell */
const asks = computed(() => read.value?.is === 'refused' && read.value.refusal.code === 'noColumn');
const tracking = computed(() => (read.value?.is === 'tracking' ? read.value : null));
const rows = computed(() => (tracking.value ? componentRows(tracking.value.fit) : null));
const dividing = computed(() =>
  read.value?.is === 'dividing' ? divisionRecordReport(read.value.fit, null) : null,
);
const widest = computed(() => Math.max(1, ...(rows.value?.rows ?? []).map((r) => r.arcsec ?? 0)));
/** what of it can be taken over, the largest first */
const takes = computed(() =>
  (tracking.value ? clearComponents(tracking.value.fit) : [])
    .flatMap((c) => takenFrom(looked.value.drive, c) ?? [])
    .slice(0, 3),
);
function put(words: string, values: readonly LogValue[]): void {
  const last = drive.revisions?.at(-1)?.n;
  const refused = edit({
    do: 'log',
    entry: {
      id: freeEntryId(drive),
      kind: 'measurement',
      at: thisMinute(),
      words,
      values,
      ...(last !== undefined && { revision: last }),
    },
    message: 'a record in the log',
  });
  notices.tell(
    refused
      ? { message: refusalSentence(refused), tone: 'bad' }
      : { message: 'It is in the log as a measurement.', tone: 'plain' },
  );
}
/** Taken over and kept with its reason in one step: what the record changed is not asked again in a year. */
const keepRevision = ({ title, edits }: Taken): void =>
  take([...edits, { do: 'keep', reason: `measured: ${title} (${name.value})`, at: thisMinute() }]);
function keepTracking(): void {
  const fit = tracking.value?.fit;
  if (!fit) return;
  put(`tracked, ${tracking.value.readings} readings (${name.value})`, recordValues(fit));
}
function keepDividing(): void {
  if (read.value?.is !== 'dividing' || !dividing.value) return;
  put(`divided wheel: ${dividing.value.best.title} (${name.value})`, [
    { name: 'division error rms', value: Number(read.value.fit.rms.toPrecision(4)), unit: '″' },
  ]);
}
</script>

<template>
  <section aria-label="A record" tabindex="0">
    <header>
      <h3>{{ read ? `${name}, read back` : 'A record' }}</h3>
      <v-spacer />
      <v-btn variant="text" :prepend-icon="mdiFileUploadOutline" @click="input?.click()">Open</v-btn>
      <v-btn variant="text" :prepend-icon="mdiFlaskOutline" @click="sample">Sample</v-btn>
      <input
        ref="input"
        class="sr-only"
        type="file"
        accept=".csv,text/csv,text/plain"
        aria-label="Record to read"
        @change="choose"
      />
    </header>
    <ChoiceField
      v-if="rates.length > 1"
      class="which"
      label="It follows"
      :value="rate ?? rates[0]!"
      :options="rates.map((value) => ({ value, title: value }))"
      @choose="(v) => (rate = v)"
    />
    <p v-if="progress !== null" class="says" role="status">
      {{ Math.floor(100 * progress) }} % fitted
      <v-btn variant="text" :prepend-icon="mdiStop" @click="stop">Stop</v-btn>
    </p>
    <p v-else-if="!read" class="quiet says">
      A CSV of times and errors in ″, ′, ° or px (<b>time_s</b>, <b>error_arcsec</b>; also hh:mm:ss and dates)
      of a drive that follows, or of <b>error_arcsec</b> at each place of a wheel that was divided. It is read
      back to the parts of the train that made it. Sample makes one up, so that you can try it.
    </p>
    <p v-else-if="read.is === 'refused'" class="says refused" role="alert">
      {{ refusalSentence(read.refusal) }}
    </p>
    <FoldPanel
      v-if="columns && columns.columns.length > 0"
      class="small-tests"
      title="Which column is what"
      :open="asks"
    >
      <RecordColumns
        :seen="columns"
        :heads="settings.columns[columns.key] ?? []"
        @say="(index, head) => void say(index, head)"
      />
    </FoldPanel>
    <template v-if="tracking && rows">
      <DutyChart :chart="tracking.chart" />
      <p class="quiet says">{{ tracking.chart.message }} Blue the fit, dashed the drift.</p>
      <table>
        <tbody>
          <tr v-for="r in rows.rows.slice(0, 8)" :key="r.cause">
            <th scope="row">
              {{ r.cause }} <small>{{ r.period }}</small>
            </th>
            <td class="bar" aria-hidden="true">
              <i :style="{ width: `${(44 * (r.arcsec ?? 0)) / widest}px` }" />
            </td>
            <td class="num">{{ r.amplitude }}</td>
            <td class="num quiet">{{ r.error }}</td>
            <td class="num quiet">{{ r.share }}</td>
          </tr>
          <tr>
            <th scope="row">drift, steady <small>an hour</small></th>
            <td />
            <td class="num">{{ signedAngle(tracking.fit.driftArcsecPerHour) }}</td>
            <td class="num quiet">±{{ angleText(tracking.fit.driftError) }}</td>
            <td />
          </tr>
        </tbody>
      </table>
      <p v-for="u in rows.untold" :key="u.reason" class="says">
        <b>{{ u.reason.replace(/^./, (c) => c.toUpperCase()) }}:</b> {{ u.causes }}.
      </p>
      <p v-for="m in tracking.says" :key="m" class="says">{{ m }}</p>
      <div class="take">
        <p v-for="t in takes" :key="t.title">
          <span
            ><b>{{ t.title }}</b
            >, {{ t.message }}.</span
          >
          <v-btn @click="take(t.edits)">Take it as measured</v-btn>
          <v-btn variant="text" :aria-label="`Take ${t.title} and keep a revision`" @click="keepRevision(t)"
            >Take it and keep a revision</v-btn
          >
        </p>
        <v-btn variant="text" @click="keepTracking">Put it into the log</v-btn>
      </div>
    </template>
    <template v-if="dividing">
      <p class="says">
        <b>{{ dividing.best.title.replace(/^./, (c) => c.toUpperCase()) }}</b><template
          v-if="dividing.best.explains"
          >: {{ dividing.best.explains }}.</template
        >
        {{ dividing.best.message }}
      </p>
      <p v-for="o in dividing.others" :key="o.title" class="quiet says">or {{ o.title }}, {{ o.explains }}</p>
      <p class="quiet says">{{ dividing.rms }} root mean square about the mean.</p>
      <div class="take"><v-btn variant="text" @click="keepDividing">Put it into the log</v-btn></div>
    </template>
    <FoldPanel class="small-tests" title="Small tests" :open="false">
      <BumpKey @read="(b) => (felt = bumpGiven(b))" />
      <BenchForms :forms="forms" :given="felt" />
    </FoldPanel>
  </section>
</template>

<style scoped src="./log.css"></style>
<style scoped>
header {
  align-items: center;
}
.bar {
  width: 3.25rem;
}
table small {
  display: block;
}
.bar i {
  display: block;
  height: 0.5rem;
  background: var(--p-blue);
}
.small-tests {
  padding: 0.5rem 1rem 0.75rem 1.25rem;
}
.take {
  padding: 0.5rem 1rem 0.75rem 1.25rem;
  background: var(--p-even-ground);
  font-size: 0.875rem;
  line-height: 1.25rem;
}
.take p {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.5rem;
  align-items: center;
  padding-bottom: 0.375rem;
}
</style>
