<script setup lang="ts">
import { computed } from 'vue';
import { plateSetup, sheet, workReport, type Drive, type RunPlan } from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import { MAX_PRINTED } from '../../ui/printing.ts';
import RichText from '../../ui/RichText.vue';
import PlaceText from './PlaceText.vue';
import { NAMES, sheetHeads } from './sheet-columns.ts';

/** The sheet of targets as it is printed: every line, with room to tick it off. */
const { title, plan, drive } = defineProps<{ title: string; plan: RunPlan; drive: Drive }>();
/** how the wheel of this count is cut, where the work is a wheel */
const wheel = computed(() => workReport(drive, plan.divisions));
const whole = computed(() => sheet(plan));
const rows = computed(() =>
  Array.from({ length: Math.min(whole.value.length, MAX_PRINTED) }, (_, i) => whole.value.row(i)),
);
const left = computed(() => whole.value.length - rows.value.length);
</script>

<template>
  <h1>
    {{ title }}: {{ plan.divisions }} {{ plan.scale ? `marks, one every ${plan.scale.move}` : 'divisions'
    }}{{ plan.doubt ? `, ${plan.doubt}` : '' }}
  </h1>
  <p>
    <RichText :text="whole.steps" /> {{ whole.unit }} a turn of the work, from {{ whole.place }} to
    {{ whole.place }}
    <RichText :text="whole.step" />
  </p>
  <p v-if="plan.plate">Set at the head: {{ plateSetup(plan.plate) }}.</p>
  <table>
    <thead>
      <tr>
        <th v-for="h in sheetHeads(whole)" :key="h" scope="col">{{ h }}</th>
        <th scope="col">Done</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="`${row.is}${row.gap}`">
        <th scope="row">{{ NAMES[whole.place][row.is] || row.gap }}</th>
        <td>{{ row.is === 'gap' ? row.move : '' }}</td>
        <td><Digits :text="row.target" /></td>
        <td v-if="!whole.plate"><Digits :text="row.moved" /></td>
        <td v-if="!whole.plate">{{ row.error }}</td>
        <td><PlaceText :of="row.position" /></td>
        <td><RichText :text="row.crank" /></td>
        <td>☐</td>
      </tr>
    </tbody>
  </table>
  <template v-if="wheel">
    <h2>Cut list: {{ wheel.title }}</h2>
    <p>
      {{ wheel.blank.map((b) => `${b.label} ${b.text} ${b.unit}`).join('; ') }}.
      <template v-if="wheel.passes.length > 0"
        >Depth after each pass: {{ wheel.passes.map((x) => x.depth).join(', ') }} mm.</template
      >
      {{
        wheel.cutter
          ? `Cutter ${wheel.cutter.range}, custom A ${wheel.cutter.customA}, B ${wheel.cutter.customB}.`
          : wheel.cutterMessage
      }}
      <template v-if="wheel.measure.length > 0"
        >Measure: {{ wheel.measure.map((m) => `${m.label} ${m.text} ${m.unit}`).join('; ') }}.</template
      >
    </p>
    <p>Spindle stopped before hands, gauges or the clamp are touched.</p>
  </template>
  <p v-if="left > 0">{{ left }} more lines; the CSV file has them all.</p>
</template>
