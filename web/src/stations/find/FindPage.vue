<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { mdiCheckDecagramOutline, mdiFileDelimitedOutline, mdiReload } from '@mdi/js';
import {
  FIND_ORDERS,
  findReport,
  foundMessage,
  foundTrain,
  fromShelf,
  keptOnPath,
  refusalMessage,
  withFound,
  type CureReport,
  type FindOrder,
  type FindRow,
  type FoundRow,
  type Stage,
} from '@pendrix/core';
import { useFinding } from '../../stores/finding.ts';
import { useRecords } from '../../records/records.ts';
import { useShelf } from '../../stores/shelf.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import CurePanel from '../../ui/CurePanel.vue';
import { useCures } from '../../ui/use-cures.ts';
import { saveFound } from '../../ui/files.ts';
import { reportOf, useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { afterLoading, useNextFrame } from '../../ui/next-frame.ts';
import { useSettled } from '../../ui/settled.ts';
import FindForm from './FindForm.vue';
import { useTaking } from './taking.ts';
import TwoBranches from './TwoBranches.vue';
import FindList from './FindList.vue';
import FindOpened from './FindOpened.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

/** Which trains would come out even? The search follows what is asked as it is written. */
const WholeDrives = defineAsyncComponent(() => import('./WholeDrives.vue').then(afterLoading));
const FindChart = defineAsyncComponent(() => import('./FindChart.vue').then(afterLoading));
const { edit, id, path, tree, look } = useOpenDrive();
const WAYS = [
  { value: 'train', title: 'One train' },
  { value: 'branches', title: 'Two branches' },
  { value: 'drives', title: 'Whole drives' },
] as const;
const way = computed(() => {
  const question = present.value.drive.find?.question;
  return WAYS.find((w) => w.value === question)?.value ?? 'train';
});
const one = computed(() => way.value === 'train');
function usedTwo([first]: readonly [string, string]): void {
  look(first);
  if (id.value !== null) void router.push({ name: 'train', params: { id: id.value } });
}
const present = useReport();
const finding = useFinding();
const shelf = useShelf();
const records = useRecords();
const router = useRouter();

const all = ref(false);
const order = ref<FindOrder>('best');
const ORDERS = Object.entries(FIND_ORDERS).map(([value, title]) => ({ value, title }));

/** Each output has a search of its own. */
const searchId = computed(() => `${id.value ?? ''}${path.value!.train === 0 ? '' : `#${path.value!.train}`}`);
/** Of a branch the stages that it shares stay as they are. */
const searched = computed(() => keptOnPath(path.value!));
const { settled } = useSettled(() => [searched.value, shelf.parts, records.ready] as const);
watch(
  settled,
  ([drive, , ready]) => {
    if (id.value !== null && ready && way.value === 'train') void finding.search(searchId.value, drive);
  },
  { immediate: true },
);

const mine = computed(() => (finding.finding?.driveId === searchId.value ? finding.finding : null));
const report = computed(() =>
  mine.value?.answer
    ? findReport(mine.value.request, mine.value.answer, all.value, order.value, searched.value)
    : null,
);
// The list comes first, the chart in a frame of its own: neither is long then.
const points = useNextFrame(() => report.value?.points ?? [], 2);
const refusal = computed(() => finding.refusal && refusalMessage(finding.refusal));

const opened = ref<string | null>(null);
/** another train of the opened row's ratio */
const other = shallowRef<FoundRow | null>(null);
function open(key: string): void {
  opened.value = key;
  other.value = null;
}
/** All that was found: a row that is opened stays open when others beat it. */
const everything = computed(() =>
  mine.value?.answer ? findReport(mine.value.request, mine.value.answer, true) : null,
);
const rowOf = (from: typeof report.value): FindRow | null =>
  from?.groups.flatMap((g) => g.rows).find((r) => r.key === opened.value) ?? null;
const row = computed<FindRow | null>(() => {
  if (opened.value === null) return null;
  const found = rowOf(report.value) ?? rowOf(everything.value);
  if (!found || !other.value) return found;
  return { ...found, row: other.value, teeth: String(other.value.teeth) };
});
const found = computed(() =>
  row.value && mine.value ? reportOf(withFound(searched.value, mine.value.request, row.value.row)) : null,
);

/** What the train takes of the shelf, beside what other drives take of it. */
const owned = (stages: readonly Stage[]): readonly Stage[] =>
  fromShelf(stages, shelf.parts, (p) => p.own - shelf.usedBeside(p.id, present.value.drive.name));

const taking = useTaking();
function use(): void {
  if (!row.value || !mine.value) return;
  const train = foundTrain(searched.value, mine.value.request, row.value.row);
  const what = foundMessage(row.value.row);
  taking.take({ train: { ...train, stages: owned(train.stages) } }, what, `The train is now ${what}.`);
}
function copy(): void {
  if (!row.value || !mine.value) return;
  taking.copy(
    { train: foundTrain(searched.value, mine.value.request, row.value.row) },
    foundMessage(row.value.row),
  );
}
/** Nothing found comes out even: what the present train lacks, and what would cure it, stands below what misses least. */
const cures = useCures(() => present.value);
const lacking = computed(
  () =>
    mine.value?.request.asked.question === 'divisions' &&
    report.value?.proven === true &&
    cures.missing.value.length > 0 &&
    present.value.divider !== null &&
    report.value.groups.every((g) => g.rows.every((r) => ['misses', 'near'].includes(r.row.kind))),
);
const takeCure = (cure: CureReport): void =>
  void edit({ do: 'train', train: cure.train, label: cure.message.toLowerCase() });
const again = (): void => {
  if (id.value !== null) void finding.again(searchId.value, searched.value);
};
</script>

<template>
  <TwoColumns class="find" aside="The opened train" shares="minmax(0, 1fr) 320px" :wide="!row || !one">
    <header class="sub">
      <h2>Find</h2>
      <span class="q">{{
        way === 'drives' ? 'Which drive would do this job?' : 'Which trains would come out even?'
      }}</span>
      <v-spacer />
      <ToggleChoice
        label="Search for"
        :value="way"
        :options="WAYS"
        @choose="(v) => edit({ do: 'find', key: 'question', text: v === 'train' ? '' : v })"
      />
      <ChoiceField
        v-if="one"
        class="order"
        across
        label="Sort by"
        :value="order"
        :options="ORDERS"
        @choose="(v) => (order = v as FindOrder)"
      />
      <ToggleChoice
        v-if="report && one"
        label="Shown"
        :value="all"
        :options="[
          { value: false, title: `Best trade-offs ${report.shown}` },
          { value: true, title: `All ${report.all}${report.proven ? '' : ' so far'}` },
        ]"
        @choose="(v) => (all = v)"
      />
      <v-btn
        v-if="report && report.all > 0 && one"
        variant="text"
        :prepend-icon="mdiFileDelimitedOutline"
        @click="saveFound(report.groups.flatMap((g) => g.rows))"
        >CSV</v-btn
      >
    </header>
    <WholeDrives
      v-if="way === 'drives' && id !== null"
      :drive-id="searchId"
      :present="reportOf(searched)"
      :edit="edit"
    />
    <div v-else class="body">
      <FindForm :drive="present.drive" :shelf="shelf.parts" :edit="edit" />
      <TwoBranches
        v-if="way === 'branches' && path && tree"
        :path="path"
        :tree="tree"
        :edit="edit"
        @used="usedTwo"
      />
      <div v-else class="results">
        <template v-if="report">
          <p class="asked">
            <b>{{ report.asked }}</b>
            <span v-if="refusal" class="tone-misses"> {{ refusal.message }} {{ refusal.cure }}</span>
          </p>
          <FindList
            :report="report"
            :opened="opened"
            :ticks="mine?.request.asked.question === 'rate'"
            @open="open"
          />
          <CurePanel
            v-if="lacking"
            class="cures"
            verb="Take it"
            :missing="cures.missing.value"
            :chosen="cures.chosen.value"
            :block="cures.block.value"
            :fresh="cures.fresh.value"
            @choose="cures.choose"
            @compare="takeCure"
          />
          <FindChart v-if="points.length > 0 && !lacking" :points="points" :opened="opened" @open="open" />
        </template>
        <div v-else class="teach">
          <template v-if="refusal">
            <h3>Nothing is searched for yet</h3>
            <p class="quiet">
              <b>{{ refusal.message }}</b> {{ refusal.cure }} Write at the left what the drive must divide by,
              for example 73, 97; the trains appear as you write.
            </p>
          </template>
          <p v-else-if="finding.failed" class="tone-misses">
            The search failed. Widen or narrow what is asked, or ask again.
          </p>
          <p v-else class="quiet">Searching: the first trains are here in a moment.</p>
        </div>
        <div v-if="report" class="certificate" :class="{ open: !report.proven }" role="status">
          <v-icon :icon="mdiCheckDecagramOutline" size="20" />
          <p>
            <b v-if="report.reason">{{ `${report.reason} ` }}</b>
            <span>{{ report.certificate }}</span>
            <span v-if="report.must">{{ ` ${report.must}` }}</span>
          </p>
          <v-btn v-if="mine?.stopped || finding.failed" :prepend-icon="mdiReload" @click="again">Go on</v-btn>
        </div>
      </div>
    </div>
    <template #aside>
      <FindOpened
        v-if="row && found"
        :row="row"
        :present="present"
        :found="found"
        @close="opened = null"
        @use="use"
        @copy="copy"
        @other="(o) => (other = o)"
      />
    </template>
  </TwoColumns>
</template>

<style scoped src="./find.css"></style>
