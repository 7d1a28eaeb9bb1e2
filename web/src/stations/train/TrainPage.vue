<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useElementSize } from '@vueuse/core';
import { VueDraggable } from 'vue-draggable-plus';
import {
  aloneAt,
  freeTrainName,
  refusalSentence,
  report as reportFor,
  stageRuns,
  type Edit,
  type Hang,
  type InputValue,
  type Refusal,
  type Source,
  type Stage,
  type StageToUse,
  type StageRun,
} from '@pendrix/core';
import { useNotices } from '../../stores/notices.ts';
import FigureText from '../../ui/FigureText.vue';
import { useKept } from '../../ui/kept.ts';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import AddStage from './AddStage.vue';
import AddTrain from './AddTrain.vue';
import ComparePanel from '../../ui/ComparePanel.vue';
import BenchTop from './BenchTop.vue';
import FromShelf from './FromShelf.vue';
import LedgerColumn from './LedgerColumn.vue';
import SourceCard from './SourceCard.vue';
import StageCard from './StageCard.vue';
import TrainMenu from './TrainMenu.vue';
import TrainsBar from './TrainsBar.vue';
import TrueRatio from './TrueRatio.vue';
import WorkCard from './WorkCard.vue';
import { useCards } from './use-cards.ts';
import { useCompare } from './use-compare.ts';
import { useSpeed } from './use-speed.ts';
import ToggleChoice from '../../ui/ToggleChoice.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

const PlanPage = defineAsyncComponent(() => import('./plan/PlanPage.vue'));
/** What turns what, and does it come out even? Part, shaft column and card stand in one vertical line. */
const COLUMN = 205;
const { edit, id, tree: openTree, path: openPath, output, look } = useOpenDrive();
const [tree, path] = [computed(() => openTree.value!), computed(() => openPath.value!)];
const notices = useNotices();
const report = useReport();
const [route, router] = [useRoute(), useRouter()];
/** The arbor plan is a second view of the drawing; the address tells which, so that a reload finds it. */
const planned = computed(() => route.query['view'] === 'plan');
const show = (view?: 'plan'): void => void router.replace({ query: { ...route.query, view } });
const cards = ref<HTMLElement | null>(null);
const bench = ref<HTMLElement | null>(null);
const { width: room } = useElementSize(bench);
const { selected, said, add, move, remove, dropped } = useCards(cards, edit, (refusal) =>
  notices.tell({ message: refusalSentence(refusal), tone: 'bad' }),
);

const stages = computed(() => report.value.drive.train.stages);
/** Sortable wants a list of its own; what it does to it is taken back and done as an edit. */
const sortable = computed({ get: () => [...stages.value], set: () => {} });
/** Long rows of equal stages are one card, one column, one part of the drawing, until they are unfolded. */
const unfolded = ref(false);
const runs = computed(() => stageRuns(report.value.drive.train, !unfolded.value && !tree.value.several));
const folds = computed(
  () => !tree.value.several && stageRuns(report.value.drive.train).some((r) => r.count > 1),
);
const foldedNow = computed(() => runs.value.some((r) => r.count > 1));
const width = computed(() => `${COLUMN * (runs.value.length + 2)}px`);
/** What is typed on the card of a run goes into every stage of it, in one step. */
const editRun =
  ({ at, count }: StageRun) =>
  (e: Edit, session?: string): Refusal | null => {
    if (count === 1 || e.do !== 'stage') return edit(e, session);
    const one = session ?? `run-${at}-${Date.now()}`;
    for (let i = at; i < at + count; i++) {
      const refused = edit({ ...e, at: i }, one);
      if (refused) return refused;
    }
    return null;
  };
const { speed, speedShown, speeds, turning } = useSpeed(
  () => report.value,
  () => tree.value,
);
const sourceReport = useKept(() => report.value.built.source);
const dismissed = useKept(() => report.value.drive.dismissed ?? []);
const takeSource = (source: Source, label: string): void =>
  void edit({ do: 'train', train: { ...report.value.drive.train, source }, label });
/** A stage of a train that is not on the path: its output is looked at, and the stage chosen. */
function lookAt(train: number, stage: number): void {
  look(tree.value.outputs[train]!.name);
  selected.value = path.value.places.findIndex((p) => p.train === train && p.stage === stage);
}
/** The new one is looked at. */
function addTrain(from: Hang | null): void {
  const name = freeTrainName(tree.value.drive);
  if (edit({ do: 'addTrain', name, from }) === null) look(name);
}
watch(output, () => (selected.value = null), { flush: 'sync' });
const top = ref<InstanceType<typeof BenchTop> | null>(null);
const { pinned, pair, pin, unpin, backToA, tryCure, take, drop, comparePinned } = useCompare(
  // each output has a train A of its own
  () => id.value && (output.value === 0 ? id.value : `${id.value}/${path.value.drive.train.name ?? ''}`),
  () => report.value,
  edit,
  (drive) => reportFor(drive),
);

/** Where a stage of the shelf goes: in between, or in the place of one. */
const shelfAt = ref<{ readonly at: number; readonly replace: boolean } | null>(null);
const shelfOpen = computed({
  get: () => shelfAt.value !== null,
  set: (open) => {
    if (!open) shelfAt.value = null;
  },
});
function takeFromShelf({ kind, ...values }: Stage): void {
  const where = shelfAt.value;
  shelfAt.value = null;
  if (!where) return;
  const inputs = Object.fromEntries(Object.entries(values)) as Readonly<Record<string, InputValue>>;
  if (where.replace) edit({ do: 'replaceStage', at: where.at, kind, with: inputs });
  else add(kind, where.at, inputs);
}
function alone(at: number): void {
  edit({ do: 'train', train: aloneAt(report.value.drive.train, at), label: 'the stage stands alone' });
}

const ratioOpen = ref(false);
/** The stage that a true ratio takes the place of: a chosen one that is known by a ratio; null adds one. */
const ratioAt = computed(() => {
  const chosen = selected.value === null ? undefined : stages.value[selected.value];
  return chosen?.kind === 'box' || chosen?.kind === 'ratio' ? selected.value : null;
});
function useRatio({ kind, values }: StageToUse): void {
  const at = ratioAt.value;
  const done =
    at === null
      ? add(kind, stages.value.length, values)
      : edit({ do: 'replaceStage', at, kind, with: values }) === null;
  if (done) ratioOpen.value = false;
}
</script>

<template>
  <PlanPage v-if="planned" @tree="show()" />
  <TwoColumns v-else :aside="pair ? 'Comparison of trains' : 'Factor ledger'" shares="minmax(0, 1fr) 380px">
    <header class="sub">
      <h2>Train</h2>
      <ToggleChoice
        v-if="tree.planned"
        label="View"
        value="tree"
        :options="[
          { value: 'tree', title: 'Tree' },
          { value: 'plan', title: 'Arbor plan' },
        ]"
        @choose="(v) => v === 'plan' && show('plan')"
      />
      <span v-if="!tree.several" class="quiet ratio"
        >reduction <FigureText class="mono" :figure="report.built.ratio" /> : 1</span
      >
      <v-spacer />
      <ToggleChoice label="Drawing" :value="speedShown" :options="speeds" @choose="(s) => (speed = s)" />
      <AddTrain :tree="tree" :output="output" @add="addTrain" />
      <v-btn v-if="folds" variant="text" @click="unfolded = !unfolded">{{
        unfolded ? 'Fold equal stages' : 'Show every stage'
      }}</v-btn>
      <TrainMenu
        :pinned="pinned !== null"
        :svg="() => top?.svg ?? null"
        :drive="report.drive"
        @ratio="ratioOpen = true"
        @pin="pin"
        @unpin="unpin"
        @compare="comparePinned"
      />
      <AddStage
        large
        where="at the end"
        @add="(kind) => add(kind, stages.length)"
        @shelf="shelfAt = { at: stages.length, replace: false }"
      />
    </header>
    <TrainsBar v-if="tree.several" :tree="tree" :output="output" :edit="edit" @look="look" />
    <p v-if="pinned" class="pinned">
      <b>A is pinned.</b> What you change now is B.
      <v-btn variant="text" @click="comparePinned">Compare A and B</v-btn>
      <v-btn variant="text" @click="backToA">Back to A</v-btn>
      <v-btn variant="text" @click="unpin">Unpin A</v-btn>
    </p>
    <div ref="bench" class="scroll bench" tabindex="0" aria-label="The train, from the motor to the work">
      <div class="strip" :style="{ width, minWidth: '100%' }">
        <BenchTop
          ref="top"
          :report="report"
          :tree="tree"
          :path="path"
          :column="COLUMN"
          :selected="selected"
          :turning="turning"
          :room="room"
          :fold="!unfolded"
          @choose="(s) => (selected = s)"
          @look="lookAt"
        />
        <div ref="cards" class="cards">
          <SourceCard
            :source="report.drive.train.source"
            :report="sourceReport"
            :dismissed="dismissed"
            :has-controller="report.drive.timer !== undefined"
            :edit="edit"
            @take="takeSource"
          />
          <VueDraggable
            v-model="sortable"
            class="stages"
            handle=".handle"
            :animation="0"
            :disabled="foldedNow"
            @end="dropped"
          >
            <div v-for="run in runs" :key="run.at" class="slot" :data-stage="run.at">
              <span class="between"
                ><AddStage
                  :where="run.at === 0 ? 'after the motor' : `before stage ${run.at + 1}`"
                  @add="(kind) => add(kind, run.at)"
                  @shelf="shelfAt = { at: run.at, replace: false }"
              /></span>
              <StageCard
                :stage="stages[run.at]!"
                :row="run.count"
                :report="report.built.stages[run.at + run.count - 1]!"
                :at="run.at"
                :last="stages.length - 1"
                :selected="selected === run.at"
                :word="report.built.source.word"
                :edit="editRun(run)"
                @select="selected = run.at"
                @move="(to) => move(run.at, to)"
                @remove="remove(run.at)"
                @shelf="shelfAt = { at: run.at, replace: true }"
                @alone="alone(run.at)"
              />
            </div>
          </VueDraggable>
          <div class="slot work">
            <span class="between"
              ><AddStage
                where="before the work"
                @add="(kind) => add(kind, stages.length)"
                @shelf="shelfAt = { at: stages.length, replace: false }"
            /></span>
            <WorkCard :drive="report.drive" :report="report.built" :shared="path.shared" :edit="edit" />
          </div>
        </div>
      </div>
    </div>
    <p class="sr-only" role="status">{{ said }}</p>
    <template #aside>
      <ComparePanel
        v-if="pair"
        :key="pair.title"
        :a="pair.a"
        :b="pair.b"
        :title="pair.title"
        :a-name="pair.aName"
        :b-name="pair.bName"
        @close="drop"
      >
        <template v-if="pair.cure">
          <v-btn variant="flat" @click="take">Take it</v-btn>
          <v-btn @click="drop">Discard</v-btn>
        </template>
        <template v-else>
          <v-btn @click="backToA">Back to A</v-btn>
          <v-btn @click="unpin">Keep B, unpin A</v-btn>
        </template>
      </ComparePanel>
      <LedgerColumn v-else :report="report" @compare="tryCure" />
    </template>
  </TwoColumns>
  <FromShelf v-model="shelfOpen" @take="takeFromShelf" />
  <TrueRatio v-model="ratioOpen" :full-steps="report.built.fullSteps" :replaces="ratioAt" @use="useRatio" />
</template>

<style scoped src="./train.css"></style>
