<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { mdiContentCopy, mdiDownload, mdiPlus } from '@mdi/js';
import { DutyChart } from '../../ui/duty-chart.ts';
import { plainText, type RateWay } from '@pendrix/core';
import { useCopy } from '../../ui/copy.ts';
import FigureText from '../../ui/FigureText.vue';
import { exportText, useSaveExport } from '../../ui/exporting.ts';
import GradeTag from '../../ui/GradeTag.vue';
import ControllerFields from '../../ui/ControllerFields.vue';
import DutyLines from '../../ui/DutyLines.vue';
import { useReport } from '../../ui/open-drive.ts';
import RichText from '../../ui/RichText.vue';
import { useDuty } from '../../ui/use-duty.ts';
import CheckHead from './CheckHead.vue';
import RateFields from '../../ui/RateFields.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';
import FieldGroup from '../../ui/FieldGroup.vue';

/** Rates: whole ticks between two steps, one interval always or the rest shared out, and the constants for a program. */
const report = useReport();
const saveExport = useSaveExport();
const copy = useCopy();
const rates = useDuty('rates');
const timer = useDuty('timer');
const all = computed(() => report.value.duties.rates);
const budgets = computed(() => report.value.duties.one('controller'));
const at = ref(0);
const shown = computed(() => all.value[Math.min(at.value, all.value.length - 1)] ?? null);
const index = computed(() => (shown.value ? all.value.indexOf(shown.value) : 0));
/** What stands in the file; the other whole interval is the same way of waiting. */
const inForce = (w: RateWay): boolean => w === shown.value?.chosen;
const choose = (w: RateWay): void => {
  if (w.how === 'spread' || w.how === 'fixed') timer.set(0)('how', w.how === 'spread' ? '' : 'fixed');
};

const header = shallowRef<string | null>(null);
watch(
  () => report.value.drive,
  async (drive) => {
    const text = await exportText(drive, 'cheader');
    if (report.value.drive === drive) header.value = text.ok ? text.value : null;
  },
  { immediate: true },
);
const saveHeader = (): Promise<void> => saveExport(report.value.drive, 'cheader');
const saveRates = (): Promise<void> => saveExport(report.value.drive, 'csv', { of: 'rates' }, 'rates');
const copyHeader = (): Promise<void> =>
  copy(header.value ?? '', 'The constants are', 'Save the file instead.');
function another(): void {
  rates.add();
  at.value = all.value.length - 1;
}
</script>

<template>
  <TwoColumns aside="Constants" shares="minmax(0, 716fr) minmax(0, 484px)">
    <CheckHead open="rate">
      <v-btn v-if="all.length > 0" variant="text" :prepend-icon="mdiDownload" @click="saveRates">CSV</v-btn>
    </CheckHead>
    <div class="scroll main">
      <div v-if="!shown" class="teach">
        <h3>No rate is asked</h3>
        <p class="quiet">
          The stars, the sun, a tide dial, or any time of one turn: the ticks between two steps are reckoned
          exactly, and what is rounded away is said.
        </p>
        <v-btn :prepend-icon="mdiPlus" @click="another">Follow the stars</v-btn>
      </div>
      <template v-else>
        <div class="block">
          <div class="head">
            <ToggleChoice
              v-if="all.length > 1"
              label="Rate"
              :value="at"
              :options="all.map((r, i) => ({ value: i, title: r.name }))"
              @choose="(i) => (at = i)"
            />
            <h3 v-else>{{ shown.name.replace(/^./, (c) => c.toUpperCase()) }}, {{ shown.sense }}</h3>
            <GradeTag :graded="shown.graded" />
            <v-spacer />
            <v-btn variant="text" :prepend-icon="mdiPlus" @click="another">Another rate</v-btn>
          </div>
          <FieldGroup title="Rate"><RateFields :at="index" /></FieldGroup>
          <ControllerFields across keeping />
        </div>
        <v-table v-if="shown.ways.length > 0" v-focus-scroll class="ways">
          <caption class="sr-only">
            Ways to keep the rate
          </caption>
          <thead>
            <tr>
              <th scope="col">Between microsteps</th>
              <th scope="col">ticks</th>
              <th scope="col" class="num">ppm</th>
              <th scope="col" class="num">5 min</th>
              <th scope="col" class="num">1 hour</th>
              <th scope="col" class="num">s a day</th>
              <th scope="col">Grade</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in shown.ways" :key="w.how" :class="{ on: inForce(w) }">
              <th scope="row">
                <v-radio-group
                  v-if="w.how === 'spread' || w.how === 'fixed'"
                  hide-details
                  :model-value="inForce(w)"
                  @update:model-value="choose(w)"
                  ><v-radio density="compact" :ripple="false" :value="true" :label="w.title"
                /></v-radio-group>
                <span v-else class="gap">{{ w.title }}</span>
              </th>
              <td class="ticks"><RichText :text="w.ticks" /></td>
              <td class="num">{{ w.ppm }}</td>
              <td class="num">{{ w.fiveMinutes }}</td>
              <td class="num">{{ w.hour }}</td>
              <td class="num">{{ w.day }}</td>
              <td><GradeTag :graded="w.graded" /></td>
            </tr>
          </tbody>
        </v-table>
        <DutyChart v-if="shown.drift" :chart="shown.drift" />
        <section v-if="shown.causes.length > 0" class="block" aria-label="What puts the rate out">
          <h3>What puts it out</h3>
          <DutyLines :duty="{ lines: shown.causes, message: [shown.largest] }" />
        </section>
        <section v-if="shown.shafts.length > 0" class="block" aria-label="What each shaft does">
          <h3>What each shaft does in 5 min</h3>
          <DutyLines :duty="{ lines: shown.shafts, message: [] }" />
        </section>
        <div v-if="shown.message.length > 0" class="block told">
          <p v-for="s in shown.message" :key="s">{{ s }}</p>
        </div>
      </template>
    </div>
    <template #aside>
      <header class="sub">
        <h3>Constants</h3>
        <span class="q">for your program</span>
        <v-spacer />
        <template v-if="header">
          <v-btn variant="text" :prepend-icon="mdiContentCopy" @click="copyHeader">Copy</v-btn>
          <v-btn variant="text" :prepend-icon="mdiDownload" @click="saveHeader">Save</v-btn>
        </template>
      </header>
      <dl v-if="shown" class="lines figures">
        <div v-for="f in shown.figures" :key="f.key">
          <dt>{{ f.label.replace(/^./, (c) => c.toUpperCase()) }}</dt>
          <dd><FigureText class="num" :figure="f" /></dd>
        </div>
        <div v-if="shown.doubt">
          <dt>It holds</dt>
          <dd>{{ shown.doubt }}</dd>
        </div>
      </dl>
      <DutyLines v-if="budgets && budgets.lines.length > 0" class="budgets" :duty="budgets" />
      <pre v-if="header" class="code" tabindex="0" aria-label="C header" v-text="header"></pre>
      <p v-else class="teach quiet">A rate, a motor with steps and a timer make the constants.</p>
      <p v-if="shown" class="sr-only" role="status">
        {{ shown.name }}: {{ shown.graded.word
        }}{{ shown.figures[0] ? `, ${plainText(shown.figures[0].text)} ticks` : '' }}
      </p>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
<style scoped>
.budgets {
  padding: 0 1rem 0 1.25rem;
}
.budgets :deep(.duty-lines > div) {
  grid-template-columns: minmax(0, 1fr) auto;
}
.budgets :deep(.note) {
  grid-column: 1 / -1;
}
.ways :deep(.v-label) {
  font: inherit;
  opacity: 1;
  color: var(--p-ink);
}
.ways th[scope='row'] {
  font-weight: 400;
}
.ways .on th[scope='row'] {
  font-weight: 650;
}
.ticks {
  font-family: var(--mono);
}
.ticks :deep(*) {
  white-space: nowrap;
}
@media (max-width: 1180px) {
  .ways :is(th, td):nth-child(4),
  .ways :is(th, td):nth-child(6) {
    display: none;
  }
}
.gap {
  padding-left: 1.75rem;
}
.told p {
  font-size: 0.875rem;
  line-height: 1.25rem;
}
.figures {
  padding: 0.25rem 1rem 0.5rem 1.25rem;
  border-bottom: 1px solid var(--p-hair);
}
.figures .num {
  font-size: 0.875rem;
  font-weight: 600;
}
</style>
