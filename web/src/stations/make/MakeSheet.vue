<script setup lang="ts">
import { madeOf } from '@pendrix/core';
import type { Report } from '@pendrix/core';

/** All of Make on paper: the cut list, what each wheel of the work is turned and measured to, belts, and the build with a box a step. */
const { report } = defineProps<{ report: Report }>();
/** the build has boxes to tick, and the rest sheets of their own */
const CUT = ['wheels', 'work', 'belts'];
const tables = madeOf(report)
  .tables()
  .filter((t) => CUT.includes(t.id));
const steps = madeOf(report).build;
</script>

<template>
  <h1>{{ report.drive.name }}: to make</h1>
  <template v-for="t in tables" :key="t.id">
    <h2>{{ t.title }}</h2>
    <table :class="{ narrow: t.head.length > 8 }">
      <thead>
        <tr>
          <th v-for="h in t.head" :key="h" :class="{ l: t.id === 'work' }">{{ h }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in t.rows" :key="i">
          <td v-for="(c, j) in r" :key="j" :class="{ l: t.id === 'work' }">{{ c }}</td>
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
