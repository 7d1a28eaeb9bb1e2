<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { isSession, planAgain, planDiffers, sessionDiffers } from '@pendrix/core';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ToggleChoice from '../../ui/ToggleChoice.vue';
import FollowingBench from './FollowingBench.vue';
import FramesBench from './FramesBench.vue';
import RunBench from './RunBench.vue';
import RunStart from './RunStart.vue';
import SessionStart from './SessionStart.vue';
import { useRun } from './use-run.ts';

/** Stand at the machine: the sheet, the runs and the start, or the run that is on the bench. Its id is in the address, so that a reload finds it. */
const { id, record, tree, look } = useOpenDrive();
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
/** what every bench can say: away to the list, the end, the warning seen */
const leaving = {
  others: runs.leave,
  end: () => void runs.end(),
  seen: () => void (resumed.value = false),
};
/** gap by gap, or on a clock */
const places = computed(() => (run.value && !isSession(run.value.state) ? run.value.state : null));
const session = computed(() => (run.value && isSession(run.value.state) ? run.value.state : null));
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
  const { drive } = report.value;
  if (places.value) return planDiffers(places.value.plan, planAgain(drive, places.value.plan));
  return session.value !== null && sessionDiffers(record.value?.drive ?? drive, report.value, session.value);
});

/** What may be run here: places always, frames and a rate where the job asks for them. */
const kinds = computed(() => [
  { value: 'places', title: report.value.kinematics.travel ? 'Marks' : 'Gaps' },
  ...((report.value.drive.job.sweeps?.length ?? 0) > 0 ? [{ value: 'frames', title: 'Frames' }] : []),
  ...(report.value.duties.rates.length > 0 ? [{ value: 'following', title: 'Follow' }] : []),
]);
const asked = ref<string | null>(null);
const kind = computed(() => {
  const own = asked.value ?? route.query['kind'];
  if (kinds.value.some((k) => k.value === own)) return own as string;
  const { counts, drive } = report.value;
  const placed = first.value !== null || counts.length > 0 || (drive.job.moves ?? '') !== '';
  return placed || kinds.value.length === 1 ? 'places' : kinds.value[1]!.value;
});
</script>

<template>
  <RunBench
    v-if="run && places && !sheetOpen"
    :name="run.name"
    :state="places"
    :report="report"
    :differs="differs"
    :resumed="resumed"
    :put="runs.put"
    v-on="leaving"
    @go="runs.event"
    @sheet="sheetOpen = true"
  />
  <FramesBench
    v-else-if="run && session?.session === 'frames'"
    :name="run.name"
    :state="session"
    :resumed="resumed"
    :differs="differs"
    :tell="runs.session"
    v-on="leaving"
  />
  <FollowingBench
    v-else-if="run && session?.session === 'following'"
    :name="run.name"
    :state="session"
    :resumed="resumed"
    :differs="differs"
    :tell="runs.session"
    v-on="leaving"
  />
  <SessionStart
    v-else-if="kind === 'frames' || kind === 'following'"
    :key="kind"
    :kind="kind"
    :report="report"
    :runs="runs"
  >
    <ToggleChoice label="What is run" :value="kind" :options="kinds" @choose="(k) => (asked = k)" />
  </SessionStart>
  <RunStart
    v-else
    :key="run?.id ?? 'start'"
    :report="report"
    :first="first"
    :running="places ? { plan: places.plan, gap: places.gap } : null"
    :runs="runs"
    @back="sheetOpen = false"
  >
    <ToggleChoice
      v-if="kinds.length > 1 && !places"
      label="What is run"
      :value="kind"
      :options="kinds"
      @choose="(k) => (asked = k)"
    />
  </RunStart>
</template>
