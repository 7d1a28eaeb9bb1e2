<script setup lang="ts">
import { computed } from 'vue';
import {
  mdiBattery50,
  mdiClose,
  mdiFileDelimitedOutline,
  mdiPlus,
  mdiPowerPlugOffOutline,
  mdiThermometer,
  mdiWeatherWindy,
} from '@mdi/js';
import { measuredOf, curveText, loadInputsOf, sourceKindOf, type Refusal } from '@pendrix/core';
import { DutyChart } from '../../ui/duty-chart.ts';
import { useSaveExport } from '../../ui/exporting.ts';
import BenchForms from '../../ui/BenchForms.vue';
import FoldPanel from '../../ui/FoldPanel.vue';
import GradeTag from '../../ui/GradeTag.vue';
import IconButton from '../../ui/IconButton.vue';
import InputFields from '../../ui/InputFields.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { useSeveralEdits } from '../../ui/several-edits.ts';
import TwoColumns from '../../ui/TwoColumns.vue';
import { useDuty } from '../../ui/use-duty.ts';
import WorkingKey from '../../ui/WorkingKey.vue';
import CheckHead from './CheckHead.vue';
import TorqueCurve from './force/TorqueCurve.vue';
import WhatIf from './WhatIf.vue';

/** Has the motor enough, do the teeth bear it, does it shake, does it stay when the power goes. */
const { edit } = useOpenDrive();
const report = useReport();
const { list, set, add, remove } = useDuty('load');
const specs = computed(() => loadInputsOf(report.value.kinematics.travel !== null));
const force = computed(() => report.value.judged.force);
const duty = computed(() => report.value.duties.one('load'));
const source = computed(() => report.value.drive.train.source);
const motor = computed(() =>
  sourceKindOf(source.value).inputs.filter((i) => i.judged && !['measured', 'dataSheet'].includes(i.key)),
);
const setMotor = (key: string, text: string, session?: string): Refusal | null =>
  edit({ do: 'source', key, text }, session);
const cures = computed(() => report.value.judged.forceCures);
const chart = computed(() => report.value.judged.torque);
const most = computed(() => Math.max(1e-9, ...(force.value?.asked ?? []).map((a) => a.nm)));
const saveExport = useSaveExport();
const take = useSeveralEdits();
const ICONS = {
  heat: mdiThermometer,
  battery: mdiBattery50,
  tipping: mdiWeatherWindy,
  powerOff: mdiPowerPlugOffOutline,
} as const;
</script>

<template>
  <TwoColumns
    aside="What is asked, and what bears it"
    shares="minmax(0, 744fr) minmax(0, 456px)"
    :wide="!force"
  >
    <CheckHead open="force">
      <template v-if="duty">
        <v-btn
          variant="text"
          :prepend-icon="mdiFileDelimitedOutline"
          @click="saveExport(report.drive, 'csv', { of: 'load' }, 'load')"
          >CSV</v-btn
        >
        <WorkingKey :figure="duty.lines[0]!.figure" />
      </template>
    </CheckHead>
    <div v-if="!force || !chart" class="teach">
      <h3>No load given</h3>
      <p class="quiet">
        Friction, a tool, a mass off its axis, a ramp: then the motor and each mesh are judged by it, from
        standstill to the speed at which nothing is left.
      </p>
      <v-btn :prepend-icon="mdiPlus" @click="add()">Give a load</v-btn>
    </div>
    <div v-else class="scroll main">
      <section class="block" aria-label="Load">
        <div class="head">
          <h3>Load</h3>
          <GradeTag :graded="force.graded" />
          <v-spacer />
          <IconButton label="Remove the load" :icon="mdiClose" :size="18" @click="remove(0)" />
        </div>
        <InputFields across :specs="specs" :data="list[0]!" :set="set(0)" />
        <FoldPanel v-if="motor.length > 0" title="The motor" :open="force.motor.margin === null">
          <InputFields across :specs="motor" :data="source" :set="setMotor" />
          <TorqueCurve
            v-if="source.kind === 'stepper'"
            :text="curveText(source.torqueCurve)"
            :commit="(text, session) => edit({ do: 'torqueCurve', text }, session)"
          />
        </FoldPanel>
      </section>
      <DutyChart :chart="chart" />
      <table class="speeds">
        <caption class="sr-only">
          Torque by speed
        </caption>
        <thead>
          <tr>
            <th scope="col" class="num">Work, rpm</th>
            <th scope="col" class="num">Full steps/s</th>
            <th scope="col" class="num">Needs, mN·m</th>
            <th scope="col" class="num">Has, mN·m</th>
            <th scope="col" class="num">Margin</th>
            <th scope="col">What happens there</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(s, i) in force.speeds" :key="i" :class="{ asked: s.asked }">
            <td class="num">{{ s.rpm }}</td>
            <td class="num">{{ s.stepRate }}</td>
            <td class="num">{{ s.needs }}</td>
            <td class="num">{{ s.has }}</td>
            <td class="num">
              <b>{{ s.margin }}</b>
            </td>
            <td>
              <GradeTag :graded="s.graded" />
              <span :class="s.shakes ? 'shakes' : 'quiet'">{{ s.message }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <WhatIf :what="{ of: 'force' }" @keep="take" />
      <FoldPanel
        class="panel"
        title="Tests and reckonings"
        note="a minute each; what a test gives is marked as measured"
      >
        <BenchForms :forms="measuredOf(report).load" />
      </FoldPanel>
    </div>
    <template v-if="force" #aside>
      <header class="sub">
        <h2>What is asked</h2>
        <span class="q">N·m at the work</span>
      </header>
      <dl class="asked-rows">
        <div v-for="a in force.asked" :key="a.title">
          <dt>{{ a.title }}</dt>
          <dd class="quiet">{{ a.message }}</dd>
          <dd class="bar"><i :style="{ width: `${(100 * a.nm) / most}%` }" /></dd>
          <dd class="num">{{ a.text }}</dd>
        </div>
        <div class="total">
          <dt>Wanted</dt>
          <dd class="quiet wide">{{ force.atMotor }}</dd>
          <dd class="num">{{ force.total }}</dd>
        </div>
      </dl>
      <section v-if="force.meshes.length > 0" class="teeth" aria-label="Teeth">
        <table>
          <caption class="sr-only">
            Load on the teeth
          </caption>
          <thead>
            <tr>
              <th scope="col"><b>Teeth</b></th>
              <th scope="col" class="num">load, N</th>
              <th scope="col" class="num">bears</th>
              <th scope="col" class="num">margin</th>
              <th scope="col"><span class="sr-only">grade</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(m, i) in force.meshes" :key="i" :class="{ first: i === 0 && m.margin !== '' }">
              <th scope="row">
                {{ m.title }}<span class="q">{{ m.message }}</span>
              </th>
              <td class="num">{{ m.load }}</td>
              <td class="num">{{ m.bears }}</td>
              <td class="num">
                <b>{{ m.margin }}</b>
              </td>
              <td><GradeTag :graded="m.graded" /></td>
            </tr>
          </tbody>
        </table>
      </section>
      <ul class="stand">
        <li v-for="s in force.stand" :key="s.id">
          <v-icon :icon="ICONS[s.id]" size="20" />
          <span
            ><b>{{ s.title }}</b> {{ s.message }}</span
          >
          <GradeTag v-if="s.graded" :graded="s.graded" /><b v-else>{{ s.value }}</b>
        </li>
      </ul>
      <p class="say">
        <b>{{ force.message.strong }}</b> {{ force.message.rest }}
      </p>
      <ul v-if="cures.length > 0" class="cures" aria-label="What would mend it">
        <li v-for="c in cures" :key="c.title">
          <div>
            <b>{{ c.title }}</b>
            <p>
              <GradeTag :graded="c.graded" /> <span class="quiet">{{ c.message }}</span>
            </p>
          </div>
          <v-btn @click="take([c.edit])">Take it</v-btn>
        </li>
      </ul>
      <p class="say caution">
        What turns and what hangs can crush: keep hands out while it is powered, and put a stop under a
        weight. Local rules and a qualified person come first.
      </p>
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
<style scoped src="./force/force.css"></style>
