<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { planDiffers, planRun, type RunPlan } from '@pendrix/core';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import RunBench from './RunBench.vue';
import RunStart from './RunStart.vue';
import { useRun } from './use-run.ts';

/** Stand at the machine: the sheet and the start, or the run that is under way. */
const { id, edit } = useOpenDrive();
const report = useReport();
const route = useRoute();
const { run, past, resumed, start, event, end, forget } = useRun(id.value ?? '');
const sheetOpen = ref(false);

const first = computed(() => {
  const count = route.query['count'];
  return typeof count === 'string' && /^\d{1,6}$/.test(count) && Number(count) > 0 && Number(count) <= 100_000
    ? Number(count)
    : null;
});
const differs = computed(() => {
  const plan = run.value?.state.plan;
  return plan !== undefined && planDiffers(plan, planRun(report.value.drive, plan.divisions));
});
const begin = (plan: RunPlan): void => {
  sheetOpen.value = false;
  void start(plan);
};
</script>

<template>
  <RunBench
    v-if="run && !sheetOpen"
    :state="run.state"
    :report="report"
    :differs="differs"
    :resumed="resumed"
    @go="event"
    @end="end"
    @sheet="sheetOpen = true"
    @seen="resumed = false"
    @dismiss="(caution) => edit({ do: 'dismiss', caution })"
  />
  <RunStart
    v-else
    :key="run?.id ?? 'start'"
    :report="report"
    :first="first"
    :running="run ? { plan: run.state.plan, gap: run.state.gap } : null"
    :past="past"
    @start="begin"
    @back="sheetOpen = false"
    @forget="forget"
  />
</template>
