<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import { useRoute } from 'vue-router';
import { mdiCogs, mdiHelpCircleOutline, mdiRulerSquareCompass } from '@mdi/js';
import { asksFirst, type Refusal } from '@pendrix/core';
import FigureText from '../../ui/FigureText.vue';
import GradeTag from '../../ui/GradeTag.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import { stations } from '../../ui/stations.ts';
import DutyAsks from './DutyAsks.vue';
import DutySections from './DutySections.vue';
import DivisionsField from './DivisionsField.vue';
import OwesLedger from './OwesLedger.vue';
import StepsScale from './StepsScale.vue';
import BetweenAsks from '../../ui/BetweenAsks.vue';
import OutputsTable from '../../ui/OutputsTable.vue';
import ToleranceFields from './ToleranceFields.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

const StartPage = defineAsyncComponent(() => import('./StartPage.vue'));
const StartSummary = defineAsyncComponent(() => import('./StartSummary.vue'));

/** What must it do, and how well? A new drive asks first. */
const route = useRoute();
const { edit, editAt, id, record, tree } = useOpenDrive();
const report = useReport();
const job = computed(() => report.value.drive.job);
const isNew = computed(() => route.query['new'] === '1');
const drive = computed(() => record.value!.drive);
const asks = computed(() => asksFirst(drive.value) || route.query['asks'] === '1');
const ask = (): void => void editAt(0, { do: 'addDuty', duty: 'start' });

const rename = (name: string, editSession: string): Refusal | null =>
  edit({ do: 'rename', name }, editSession);
const divide = (text: string, editSession: string): Refusal | null =>
  edit({ do: 'divisions', text }, editSession);
const move = (text: string, editSession: string): Refusal | null => edit({ do: 'moves', text }, editSession);
/** What travels asks for moves as well as for counts. */
const linear = computed(() => report.value.kinematics.travel !== null);
const note = (text: string): Refusal | null => edit({ do: 'notes', text }, 'notes');
const asked = computed(() => report.value.duties.asked || (tree.value?.between.length ?? 0) > 0);
const examples = [
  ['60', 'sixty to the turn'],
  ['60, 73, 95', 'three wheels'],
  ['60-63', '60, 61, 62 and 63'],
  ['2x36', 'two times thirty-six, 72'],
] as const;
</script>

<template>
  <StartPage v-if="asks" :drive="drive" />
  <TwoColumns v-else aside="What this asks of the train" shares="minmax(0, 752fr) minmax(0, 448px)">
    <header class="sub">
      <h2>Job</h2>
      <span class="q">{{ stations.job.asks }}</span>
      <v-spacer />
      <v-menu location="bottom end" :close-on-content-click="false">
        <template #activator="{ props }"
          ><v-btn v-bind="props" variant="text" :prepend-icon="mdiHelpCircleOutline"
            >How to write it</v-btn
          ></template
        >
        <v-card class="how">
          <h3>Counts are written as you would say them</h3>
          <dl class="lines">
            <div v-for="[write, means] in examples" :key="write">
              <dt class="mono">{{ write }}</dt>
              <dd class="quiet">{{ means }}</dd>
            </div>
            <div>
              <dt class="mono">15″ 54′ 0.9°</dt>
              <dd class="quiet">angles</dd>
            </div>
            <div>
              <dt class="mono">30 mm, 5 µm, 1/8 in</dt>
              <dd class="quiet">lengths</dd>
            </div>
          </dl>
        </v-card>
      </v-menu>
    </header>
    <div class="scroll sections">
      <div class="sec">
        <h3>Drive<small>its name</small></h3>
        <ReadField
          class="wide"
          label="Name of the drive"
          :labelled="false"
          :value="report.drive.name"
          :commit="rename"
        />
      </div>
      <div v-if="drive.start?.aim" class="sec">
        <h3>Asked first<small>and what was answered</small></h3>
        <StartSummary :drive="drive" />
      </div>
      <template v-if="tree?.several">
        <div class="sec">
          <h3>Outputs<small>each with its verdict</small></h3>
          <OutputsTable />
        </div>
        <div class="sec">
          <h3>Between outputs<small>ratios that must hold</small></h3>
          <BetweenAsks />
        </div>
      </template>
      <div class="sec">
        <h3>
          Divide<small>{{
            tree?.several ? `one turn of ${report.drive.train.name}` : 'counts, one turn'
          }}</small>
        </h3>
        <DivisionsField
          :value="job.divisions"
          :in-force="report.counts.length"
          :commit="divide"
          :focus-first="isNew"
        />
      </div>
      <div v-if="linear" class="sec">
        <h3>Move<small>along its travel</small></h3>
        <div>
          <ReadField
            class="wide"
            label="Moves that must come out even"
            :labelled="false"
            :value="job.moves ?? ''"
            placeholder="for example 1, 0.5 mm, 1/8 in, 2π"
            :commit="move"
          />
          <ul class="moves">
            <li v-for="m in report.built.work.moves" :key="m.figure.key">
              <span>{{ m.label }}</span> <GradeTag :graded="m.graded" />
            </li>
          </ul>
        </div>
      </div>
      <DutySections />
      <div class="sec">
        <h3>Tolerance<small>at the work</small></h3>
        <ToleranceFields :tolerance="report.asked.tolerance" :linear="linear" :edit="edit" />
      </div>
      <div class="sec">
        <h3>Notes<small>for whoever opens it next</small></h3>
        <v-textarea
          :model-value="job.notes ?? ''"
          maxlength="2000"
          rows="4"
          aria-label="Notes"
          placeholder="the material, the cutter, what went wrong last time"
          @update:model-value="note"
        />
      </div>
    </div>
    <template #aside>
      <header class="sub"><h2>What this asks of the train</h2></header>
      <DutyAsks />
      <template v-if="report.counts.length > 0">
        <div class="block"><OwesLedger v-if="report.asked.owes" :owes="report.asked.owes" /></div>
        <div class="block ruled">
          <h3>Steps wanted, a turn</h3>
          <StepsScale :pins="report.asked.asks.pins" />
          <div class="lines">
            <div v-for="line in report.asked.asks.lines" :key="line.label">
              <span>{{ line.label }}</span><FigureText class="num" :figure="line.figure" />
            </div>
            <div>
              <span>The present train has</span><FigureText class="num" :figure="report.built.steps" />
            </div>
          </div>
        </div>
        <v-spacer />
        <div v-if="report.asked.asks.honest" class="honest">
          <b>{{ report.asked.asks.honest.strong }}</b> {{ report.asked.asks.honest.rest }}
        </div>
        <div class="go">
          <v-btn variant="flat" :prepend-icon="mdiCogs" :to="{ name: 'train', params: { id } }"
            >Open the train</v-btn
          >
          <v-btn :prepend-icon="mdiRulerSquareCompass" :to="{ name: 'check', params: { id } }"
            >Check it</v-btn
          >
        </div>
      </template>
      <div v-else-if="!asked" class="teach">
        <h3>{{ linear && job.moves ? 'No counts are asked' : 'Nothing is asked yet' }}</h3>
        <p class="quiet">
          Write the counts that a turn must be divided into: the teeth of the wheels you want to cut, the
          marks of a dial, the stops of a table.
        </p>
        <v-btn @click="divide('60, 73, 95, 97', 'example')">Try 60, 73, 95, 97</v-btn>
        <v-btn v-if="!drive.start" variant="text" @click="ask">Ask me first</v-btn>
      </div>
    </template>
  </TwoColumns>
</template>

<style scoped src="./job.css"></style>
