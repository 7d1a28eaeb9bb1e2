<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { mdiContentCopy, mdiDownload, mdiPlus } from '@mdi/js';
import { DutyChart } from '../../ui/duty-chart.ts';
import { plainText, type RateWay } from '@pendrix/core';
import { useCopy } from '../../ui/copy.ts';
import FigureText from '../../ui/FigureText.vue';
import { fileStem, save } from '../../ui/files.ts';
import GradeTag from '../../ui/GradeTag.vue';
import ControllerFields from '../../ui/ControllerFields.vue';
import DutyLines from '../../ui/DutyLines.vue';
import { useReport } from '../../ui/open-drive.ts';
import RichText from '../../ui/RichText.vue';
import { useDuty } from '../../ui/use-duty.ts';
import CheckHead from './CheckHead.vue';
import RateFields from '../../ui/RateFields.vue';

/** Rates: whole ticks between two steps, one interval always or the rest shared out, and the constants for a program. */
const report = useReport();
const copy = useCopy();
const rates = useDuty('rates');
const timer = useDuty('timer');
const all = computed(() => report.value.duties.rates);
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
    const { cHeader } = await import('@pendrix/core/files/c-header');
    if (report.value.drive === drive) header.value = cHeader(drive);
  },
  { immediate: true },
);
async function saveHeader(): Promise<void> {
  if (header.value) save(`${await fileStem(report.value.drive)}.h`, header.value, 'text/x-c');
}
async function saveRates(): Promise<void> {
  const { ratesCsv } = await import('@pendrix/core/files/tables');
  save('rates.csv', ratesCsv(all.value), 'text/csv');
}
const copyHeader = (): Promise<void> =>
  copy(header.value ?? '', 'The constants are', 'Save the file instead.');
function another(): void {
  rates.add();
  at.value = all.value.length - 1;
}
</script>

<template>
  <div class="page">
    <section class="left">
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
              <span v-if="all.length > 1" class="seg" role="radiogroup" aria-label="Rate">
                <label v-for="(r, i) in all" :key="r.key"
                  ><input v-model="at" type="radio" name="rate" :value="i" />{{ r.name }}</label
                >
              </span>
              <h3 v-else>{{ shown.name.replace(/^./, (c) => c.toUpperCase()) }}, {{ shown.sense }}</h3>
              <GradeTag :graded="shown.graded" />
              <span class="sp"></span>
              <v-btn variant="text" :prepend-icon="mdiPlus" @click="another">Another rate</v-btn>
            </div>
            <RateFields :at="index" />
          </div>
          <div class="block"><ControllerFields across keeping /></div>
          <table v-if="shown.ways.length > 0" class="ways" aria-label="Ways to keep the rate">
            <thead>
              <tr>
                <th scope="col">Between microsteps</th>
                <th scope="col">ticks</th>
                <th scope="col" class="r">ppm</th>
                <th scope="col" class="r">5 min</th>
                <th scope="col" class="r">1 hour</th>
                <th scope="col" class="r">s a day</th>
                <th scope="col">Grade</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="w in shown.ways" :key="w.how" :class="{ on: inForce(w) }">
                <th scope="row">
                  <label
                    ><input
                      v-if="w.how === 'spread' || w.how === 'fixed'"
                      type="radio"
                      name="way"
                      :checked="inForce(w)"
                      @change="choose(w)"
                    /><span v-else class="gap"></span>{{ w.title }}</label
                  >
                </th>
                <td class="ticks"><RichText :text="w.ticks" /></td>
                <td class="num">{{ w.ppm }}</td>
                <td class="num">{{ w.fiveMinutes }}</td>
                <td class="num">{{ w.hour }}</td>
                <td class="num">{{ w.day }}</td>
                <td><GradeTag :graded="w.graded" /></td>
              </tr>
            </tbody>
          </table>
          <DutyChart v-if="shown.drift" :chart="shown.drift" />
          <section v-if="shown.causes.length > 0" class="block" aria-label="What puts the rate out">
            <h3>What puts it out</h3>
            <DutyLines :duty="{ lines: shown.causes, message: [shown.largest] }" />
          </section>
          <div v-if="shown.message.length > 0" class="block told">
            <p v-for="s in shown.message" :key="s">{{ s }}</p>
          </div>
        </template>
      </div>
    </section>
    <aside class="right scroll" tabindex="0" aria-label="Constants">
      <header class="sub">
        <h3>Constants</h3>
        <span class="q">for your program</span>
        <span class="sp"></span>
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
      <DutyLines
        v-if="report.duties.controller && report.duties.controller.lines.length > 0"
        class="budgets"
        :duty="report.duties.controller"
      />
      <pre v-if="header" class="code" tabindex="0" aria-label="C header" v-text="header"></pre>
      <p v-else class="teach quiet">A rate, a motor with steps and a timer make the constants.</p>
      <p v-if="shown" class="sr-only" role="status">
        {{ shown.name }}: {{ shown.graded.word
        }}{{ shown.figures[0] ? `, ${plainText(shown.figures[0].text)} ticks` : '' }}
      </p>
    </aside>
  </div>
</template>

<style scoped src="./duty.css"></style>
<style scoped>
.budgets {
  padding: 0 16px;
}
.budgets :deep(.duty-lines > div) {
  grid-template-columns: minmax(0, 1fr) auto;
}
.budgets :deep(.note) {
  grid-column: 1 / -1;
}
.ways {
  width: 100%;
  background: var(--p-surface);
  border-bottom: 1px solid var(--p-hair);
  font-size: 14px;
}
.ways thead th {
  font: 400 13px/26px var(--text);
  color: var(--p-quiet);
  text-align: left;
  padding: 0 5px;
  white-space: nowrap;
}
.ways thead .r {
  text-align: right;
}
.ways td,
.ways tbody th {
  height: 36px;
  border-top: 1px solid var(--p-row);
  padding: 0 5px;
  text-align: left;
  white-space: nowrap;
}
.ways .num {
  text-align: right;
  letter-spacing: -0.02em;
}
.ways tr > :first-child {
  padding-left: 20px;
}
.ways tr > :last-child {
  padding-right: 14px;
}
.ways label {
  display: inline-flex;
  align-items: center;
  gap: 9px;
  font-weight: 400;
  min-height: 32px;
}
.ways .on label {
  font-weight: 650;
}
.ways .on > * {
  background: var(--p-tint);
}
.ways .on > :first-child {
  box-shadow: inset 3px 0 0 var(--p-blue);
}
.ticks {
  font-family: var(--mono);
}
.ticks :deep(*) {
  white-space: nowrap;
}
@media (max-width: 700px) {
  .ways {
    display: block;
    overflow-x: auto;
  }
}
@media (max-width: 1180px) {
  .ways :is(th, td):nth-child(4),
  .ways :is(th, td):nth-child(6) {
    display: none;
  }
}
.gap {
  width: 21px;
}
.told p {
  font-size: 14px;
  line-height: 20px;
}
.figures {
  padding: 4px 16px 8px 20px;
  border-bottom: 1px solid var(--p-hair);
}
.figures .num {
  font-size: 14px;
  font-weight: 600;
}
</style>
