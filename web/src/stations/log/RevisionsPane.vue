<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiArrowULeftTop, mdiSourceCommit } from '@mdi/js';
import {
  backWarning,
  compareRevisions,
  refusalSentence,
  seriesChart,
  sharesChart,
  shareText,
  type Drive,
  type LogReport,
  type Refusal,
} from '@pendrix/core';
import { useNotices } from '../../stores/notices.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import { thisMinute } from '../../ui/clock.ts';
import CompareTable from '../../ui/CompareTable.vue';
import { DutyChart } from '../../ui/duty-chart.ts';
import { useOpenDrive } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';

/** Revisions: the design kept with its reason, two compared figure by figure, an earlier one brought back. */
const { drive, report } = defineProps<{ drive: Drive; report: LogReport }>();
const { edit } = useOpenDrive();
const notices = useNotices();
const revisions = computed(() => drive.revisions ?? []);
const choices = computed(() => [
  { value: '0', title: 'as it stands' },
  ...revisions.value.map((r) => ({ value: String(r.n), title: `${r.n}: ${r.reason}` })).reverse(),
]);
const a = ref<string | null>(null);
const b = ref('0');
const first = computed(() => a.value ?? String(revisions.value.at(-1)?.n ?? 0));
const rows = computed(() => compareRevisions(drive, Number(first.value), Number(b.value)) ?? []);
const differ = computed(() => rows.value.filter((r) => r.differs).length);
const name = (n: string): string => (n === '0' ? 'as it stands' : `revision ${n}`);

/** over time, the first few that were read more than once */
const shares = computed(() => sharesChart(report.shares));
const charts = computed(() => report.series.flatMap((s) => seriesChart(s) ?? []).slice(0, 3));

const reason = ref('');
/** what is typed is kept until the design is */
function setReason(text: string): Refusal | null {
  reason.value = text;
  return null;
}
function tell(refused: Refusal | null): void {
  if (refused) notices.tell({ message: refusalSentence(refused), tone: 'bad' });
}
function keep(): void {
  const refused = edit({ do: 'keep', reason: reason.value, at: thisMinute() });
  if (!refused) reason.value = '';
  tell(refused);
}
const back = computed(() => (first.value === '0' ? null : Number(first.value)));
const warning = computed(() => (back.value === null ? null : backWarning(drive, back.value)));
const asking = ref(false);
function goBack(): void {
  asking.value = false;
  if (back.value !== null) tell(edit({ do: 'goBack', to: back.value, at: thisMinute() }));
}
</script>

<template>
  <section aria-label="Revisions" tabindex="0">
    <header>
      <h3>Revisions</h3>
      <span v-if="rows.length > 0" class="quiet">{{ differ }} of {{ rows.length }} differ</span>
    </header>
    <div class="keep">
      <ReadField
        label="Keep the design, because"
        :value="reason"
        placeholder="the worm bound once a turn"
        :commit="setReason"
      />
      <v-btn :prepend-icon="mdiSourceCommit" :disabled="reason.trim() === ''" @click="keep">Keep</v-btn>
    </div>
    <p v-if="revisions.length === 0" class="quiet says">
      A revision is the design at a moment with its reason. Keep one before you change something: it can be
      compared figure by figure, and brought back without losing what came after it.
    </p>
    <template v-else>
      <div class="pick">
        <ChoiceField label="Compare" :value="first" :options="choices" @choose="(v) => (a = v)" />
        <ChoiceField label="with" :value="b" :options="choices" @choose="(v) => (b = v)" />
      </div>
      <CompareTable :rows="rows" :a-name="name(first)" :b-name="name(b)" />
      <div v-if="back !== null" class="back">
        <v-btn v-if="!asking" variant="text" :prepend-icon="mdiArrowULeftTop" @click="asking = true"
          >Go back to revision {{ back }}</v-btn
        >
        <div v-else role="alertdialog" aria-label="Going back">
          <p>
            The design becomes that of revision {{ back }} again, as a revision of its own. What stands now is
            kept, and what came after it stays visible as taken back.
          </p>
          <p v-if="warning" class="warn-text">{{ warning }}</p>
          <v-btn @click="goBack">Go back</v-btn>
          <v-btn variant="text" @click="asking = false">Leave it</v-btn>
        </div>
      </div>
    </template>
    <template v-if="report.series.length > 0">
      <h3 class="sub-head">Measured, each on its revision</h3>
      <DutyChart v-for="c in charts" :key="c.key" :chart="c" />
      <table>
        <tbody>
          <template v-for="s in report.series" :key="s.name + s.unit">
            <tr v-for="(p, i) in s.points" :key="i">
              <td class="day">{{ p.at.slice(0, 10) }}</td>
              <td>{{ p.revision ?? '–' }}</td>
              <th scope="row">{{ s.name }}</th>
              <td class="num">
                {{ p.value }}<template v-if="p.plusMinus !== null"> ± {{ p.plusMinus }}</template>
                <small>{{ s.unit }}</small>
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </template>
    <template v-if="report.shares.length > 0">
      <h3 class="sub-head">Exposures kept <small class="quiet">the share, 95 % of the time</small></h3>
      <DutyChart v-if="shares" :chart="shares" />
      <table>
        <tbody>
          <tr v-for="s in report.shares" :key="String(s.revision)">
            <td>{{ s.revision ?? '–' }}</td>
            <td class="num">{{ shareText(s) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped src="./log.css"></style>
<style scoped>
.keep,
.pick {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 0.5rem;
  padding: 0.25rem 0.75rem 0.5rem 1.25rem;
}
.keep {
  --field-width: 14.375rem;
}
.keep :deep(.read-field),
.pick :deep(.choice-field) {
  flex-wrap: wrap;
}
.pick {
  --field-width: 9.375rem;
}
.back {
  padding: 0.375rem 0.75rem 0.625rem 1.25rem;
  font-size: 0.875rem;
  line-height: 1.25rem;
}
.warn-text {
  color: var(--p-amber);
  font-weight: 650;
}
.day {
  white-space: nowrap;
}
</style>
