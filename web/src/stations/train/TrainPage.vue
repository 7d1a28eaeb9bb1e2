<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { VueDraggable, type SortableEvent } from 'vue-draggable-plus';
import type { StageKindId } from '@pendrix/core';
import FactorLedger from '../../ui/FactorLedger.vue';
import FigureText from '../../ui/FigureText.vue';
import { useNextFrame } from '../../ui/next-frame.ts';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { stations } from '../../ui/stations.ts';
import TrainDrawing from '../../ui/TrainDrawing.vue';
import AddStage from './AddStage.vue';
import ShaftColumns from './ShaftColumns.vue';
import SourceCard from './SourceCard.vue';
import StageCard from './StageCard.vue';

/** What turns what, and does it come out even? Part, shaft column and card stand in one vertical line. */
const COLUMN = 205;
const { edit } = useOpenDrive();
const report = useReport();
const cards = ref<HTMLElement | null>(null);
const selected = ref<number | null>(null);
const said = ref('');

const stages = computed(() => report.value.drive.train.stages);
/** Sortable wants a list of its own; what it does to it is taken back and done as an edit. */
const sortable = computed({ get: () => [...stages.value], set: () => {} });
/** The verdict and the cards follow the keystroke, the drawing and the ledger the frame after. */
const drawn = useNextFrame(() => report.value);
const picture = computed(() => drawn.value.picture(COLUMN, 314));
const width = computed(() => `${picture.value.drawing.width}px`);

/** A menu gives the focus back to its key when it closes; only then does the card take it. */
const MENU_CLOSES_MS = 80;
async function focusCard(at: number): Promise<void> {
  await nextTick();
  await new Promise((r) => setTimeout(r, MENU_CLOSES_MS));
  cards.value
    ?.querySelectorAll<HTMLElement>('[data-stage]')
    [at]?.querySelector<HTMLElement>('.card input, .card select')
    ?.focus();
}
function add(kind: StageKindId, at: number): void {
  if (edit({ do: 'addStage', kind, at })) return;
  said.value = `Stage ${at + 1} added`;
  void focusCard(at);
}
function move(from: number, to: number): void {
  if (from === to || edit({ do: 'moveStage', from, to })) return;
  selected.value = to;
  said.value = `Stage moved to place ${to + 1}`;
  void focusCard(to);
}
function remove(at: number): void {
  edit({ do: 'removeStage', at });
  selected.value = null;
  said.value = `Stage ${at + 1} removed`;
}
function dropped(e: SortableEvent): void {
  if (e.oldIndex !== undefined && e.newIndex !== undefined) move(e.oldIndex, e.newIndex);
}
</script>

<template>
  <div class="page">
    <section class="left">
      <header class="sub">
        <h2>Train</h2>
        <span class="q">{{ stations.train.asks }}</span>
        <span class="sp"></span>
        <span class="quiet ratio"
          >reduction <FigureText class="mono" :figure="report.train.ratio" /> : 1</span
        >
        <AddStage large where="at the end" @add="(kind) => add(kind, stages.length)" />
      </header>
      <div class="scroll bench" tabindex="0" aria-label="The train, from the motor to the work">
        <div class="strip" :style="{ width, minWidth: '100%' }">
          <div class="ground drawing">
            <TrainDrawing
              :drawing="picture.drawing"
              :picture="picture"
              :alt="picture.alt"
              :selected="selected"
              @choose="(s) => (selected = s)"
            />
          </div>
          <ShaftColumns :shafts="drawn.train.shafts" :work="drawn.train.work" :column="COLUMN" />
          <div ref="cards" class="cards">
            <SourceCard :source="report.drive.train.source" :report="report.train.source" :edit="edit" />
            <VueDraggable v-model="sortable" class="stages" handle=".handle" :animation="0" @end="dropped">
              <div v-for="(stage, i) in stages" :key="i" class="slot" :data-stage="i">
                <span class="between"
                  ><AddStage
                    :where="i === 0 ? 'after the motor' : `before stage ${i + 1}`"
                    @add="(kind) => add(kind, i)"
                /></span>
                <StageCard
                  :stage="stage"
                  :report="report.train.stages[i]!"
                  :at="i"
                  :last="stages.length - 1"
                  :selected="selected === i"
                  :edit="edit"
                  @select="selected = i"
                  @move="(to) => move(i, to)"
                  @remove="remove(i)"
                />
              </div>
            </VueDraggable>
            <section class="card work" aria-label="Work">
              <span class="between"
                ><AddStage where="before the work" @add="(kind) => add(kind, stages.length)"
              /></span>
              <header><h3>Work</h3></header>
              <p v-if="stages.length === 0" class="quiet">
                The motor turns the work itself. Add a belt, a worm or a pair of wheels between them.
              </p>
              <p v-else class="quiet">A table, a dial or an arbor that turns all the way round.</p>
            </section>
          </div>
        </div>
      </div>
      <p class="sr-only" role="status">{{ said }}</p>
    </section>
    <aside class="right scroll" tabindex="0" aria-label="Factor ledger">
      <header class="sub">
        <h2>Factor ledger</h2>
        <span class="sp"></span>
        <span class="quiet total"><FigureText class="mono" :figure="report.train.steps" /> a turn</span>
      </header>
      <div class="book"><FactorLedger :ledger="drawn.train.ledger" /></div>
      <p v-if="drawn.train.ledger.unlisted > 0" class="quiet more">
        and {{ drawn.train.ledger.unlisted }} counts more
      </p>
      <div v-if="drawn.train.ledger.missing.length > 0 && report.counts.length > 0" class="missing">
        <p v-for="m in drawn.train.ledger.missing" :key="m.strong">
          <b>{{ m.strong }}</b> {{ m.rest }}
        </p>
      </div>
      <p v-else-if="report.counts.length === 0" class="quiet more">
        Ask for divisions in the Job, and their primes stand here against the train's.
      </p>
    </aside>
  </div>
</template>

<style scoped src="./train.css"></style>
