<script setup lang="ts">
import {
  BELT_HEAD,
  beltRows,
  buildStates,
  WHEEL_HEAD,
  WORK_HEAD,
  workRows,
  wheelRows,
  type Report,
} from '@pendrix/core';

/** All of Make on paper: the cut list, what each wheel of the work is turned and measured to, belts, and the build with a box a step. */
const { report } = defineProps<{ report: Report }>();
const { drive } = report;
const wheels = wheelRows(drive);
const belts = beltRows(drive);
const work = workRows(drive);
const steps = buildStates(drive.build?.steps ?? []);
</script>

<template>
  <h1>{{ drive.name }}: to make</h1>
  <template v-if="wheels.length > 0">
    <h2>Wheels of the train</h2>
    <table class="narrow">
      <thead>
        <tr>
          <th v-for="h in WHEEL_HEAD" :key="h">{{ h }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in wheels" :key="i">
          <td v-for="(c, j) in r" :key="j">{{ c }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <template v-if="work.length > 0">
    <h2>Wheels of the work</h2>
    <table>
      <thead>
        <tr>
          <th v-for="h in WORK_HEAD" :key="h" class="l">{{ h }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in work" :key="i">
          <td v-for="(c, j) in r" :key="j" class="l">{{ c }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <template v-if="belts.length > 0">
    <h2>Belts</h2>
    <table>
      <thead>
        <tr>
          <th v-for="h in BELT_HEAD" :key="h">{{ h }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in belts" :key="i">
          <td v-for="(c, j) in r" :key="j">{{ c }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <template v-if="steps.length > 0">
    <h2>Build</h2>
    <table>
      <thead>
        <tr>
          <th class="l">Step</th>
          <th class="l">Gate</th>
          <th class="l">Screws, way, tools</th>
          <th class="l">Done</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(s, i) in steps" :key="s.step.id">
          <td class="l">{{ i + 1 }}. {{ s.step.title }}{{ s.step.two ? ' (two people)' : '' }}</td>
          <td class="l">{{ s.step.gate ?? '' }}</td>
          <td class="l">{{ [s.step.fastener, s.step.way, s.step.tools].filter(Boolean).join('; ') }}</td>
          <td class="l">{{ s.step.done ?? '□' }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <p>
    Spindle stopped before you measure or touch the clamp. The machine’s own rules, local rules and a
    qualified person come before this sheet.
  </p>
</template>

<style scoped>
h2 {
  font-size: 12pt;
  line-height: 16pt;
  margin-top: 12pt;
}
.narrow {
  font-size: 8pt;
  line-height: 10pt;
}
.narrow :is(th, td) {
  white-space: normal;
  padding-inline: 2pt;
}
</style>
