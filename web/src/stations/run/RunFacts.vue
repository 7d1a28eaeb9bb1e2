<script setup lang="ts">
import { computed } from 'vue';
import { plateSetup, sheet, type Report, type RunPlan } from '@pendrix/core';
import FigureText from '../../ui/FigureText.vue';
import GradeTag from '../../ui/GradeTag.vue';
import RichText from '../../ui/RichText.vue';

/** What a run will follow, in a few lines. */
const { report, plan, running } = defineProps<{ report: Report; plan: RunPlan; running: boolean }>();
const head = computed(() => sheet(plan));
const byHand = computed(() => plan.plate !== undefined);
const opened = computed(() =>
  !running && !byHand.value && !plan.scale ? report.opened(plan.divisions) : null,
);
const onPlates = computed(() => (byHand.value ? (report.plates?.opened(plan.divisions) ?? null) : null));
const upper = (s: string): string => s.replace(/^./, (c) => c.toUpperCase());
</script>

<template>
  <dl class="lines facts">
    <div>
      <dt>{{ upper(head.unit) }} a turn of the {{ plan.scale ? 'last shaft' : 'work' }}</dt>
      <dd class="num"><RichText :text="head.steps" /></dd>
    </div>
    <div v-if="!byHand">
      <dt>From {{ head.place }} to {{ head.place }}, {{ head.unit }}</dt>
      <dd class="num"><RichText :text="head.step" /></dd>
    </div>
    <div>
      <dt>{{ byHand ? 'Each move of the crank' : `The same in turns of the ${head.source}` }}</dt>
      <dd class="num"><RichText :text="head.crank" /></dd>
    </div>
    <div v-if="plan.plate">
      <dt>Set at the head</dt>
      <dd>{{ plateSetup(plan.plate) }}</dd>
    </div>
    <div v-if="onPlates">
      <dt>Grade</dt>
      <dd><GradeTag :graded="onPlates.graded" /></dd>
    </div>
    <div v-if="plan.doubt">
      <dt>It holds</dt>
      <dd>{{ plan.doubt }}</dd>
    </div>
    <template v-if="opened">
      <div>
        <dt>Grade</dt>
        <dd><GradeTag :graded="opened.row.graded" /></dd>
      </div>
      <div>
        <dt>Worst error</dt>
        <dd><FigureText class="num" :figure="opened.worst" /></dd>
      </div>
    </template>
  </dl>
</template>

<style scoped src="./run-start.css"></style>
