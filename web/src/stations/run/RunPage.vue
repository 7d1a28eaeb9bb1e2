<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { planAgain, planDiffers } from '@pendrix/core';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import RunBench from './RunBench.vue';
import RunStart from './RunStart.vue';
import { useRun } from './use-run.ts';

/** Stand at the machine: the sheet, the runs and the start, or the run that is on the bench. Its id is in the address, so that a reload finds it. */
const { id, edit, tree, look } = useOpenDrive();
const looked = useReport();
const route = useRoute();
const router = useRouter();

const chosen = computed<string | null>({
  get: () => (typeof route.query['run'] === 'string' ? route.query['run'] : null),
  set: (run) => void router.replace({ query: { ...route.query, run: run ?? undefined } }),
});
const runs = useRun(id.value ?? '', chosen);
const { run, resumed } = runs;
const sheetOpen = ref(false);
/** A run stays with the output it was begun on, whichever is looked at. */
const report = computed(() => {
  const name = run.value?.state.plan.train;
  const its = tree.value?.outputs.find((o) => o.name === name);
  return its ? its.report : looked.value;
});
watch(
  () => run.value?.state.plan.train,
  (name) => {
    if (name !== undefined && tree.value?.outputs.some((o) => o.name === name)) look(name);
  },
  { immediate: true },
);

const first = computed(() => {
  const count = route.query['count'];
  return typeof count === 'string' && /^\d{1,6}$/.test(count) && Number(count) > 0 && Number(count) <= 100_000
    ? Number(count)
    : null;
});
const differs = computed(() => {
  const plan = run.value?.state.plan;
  return plan !== undefined && planDiffers(plan, planAgain(report.value.drive, plan));
});
</script>

<template>
  <RunBench
    v-if="run && !sheetOpen"
    :name="run.name"
    :state="run.state"
    :report="report"
    :differs="differs"
    :resumed="resumed"
    :put="runs.put"
    @go="runs.event"
    @end="runs.end"
    @sheet="sheetOpen = true"
    @others="runs.leave"
    @seen="resumed = false"
    @dismiss="(caution) => edit({ do: 'dismiss', caution })"
  />
  <RunStart
    v-else
    :key="run?.id ?? 'start'"
    :report="report"
    :first="first"
    :running="run ? { plan: run.state.plan, gap: run.state.gap } : null"
    :runs="runs"
    @back="sheetOpen = false"
  />
</template>
