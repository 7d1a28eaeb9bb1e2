<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { mdiListBoxOutline, mdiPlus } from '@mdi/js';
import {
  buildFromTrain,
  buildStates,
  minutesOf,
  movedStep,
  refusalSentence,
  reopened,
  withDone,
  withStep,
  withStepText,
  setupAgain,
  setupOf,
  setupStands,
  type BuildStep,
  type Refusal,
} from '@pendrix/core';
import { useNotices } from '../../stores/notices.ts';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';
import StepRow from './StepRow.vue';

/**
 * The build in its order, or the set-up at the machine: a gate that is not passed stops what comes after it, and going back reopens in order.
 * Which of the two stands in the address.
 */
const { edit } = useOpenDrive();
const report = useReport();
const route = useRoute();
const router = useRouter();
const list = computed<'build' | 'setup'>(() => (route.query['list'] === 'setup' ? 'setup' : 'build'));
const toList = (to: 'build' | 'setup'): void =>
  void router.replace({ query: { ...route.query, list: to === 'setup' ? to : undefined } });
const kept = computed(() => report.value.drive[list.value]);
/** why a set-up is not gone through this time */
const skipped = computed(() => kept.value?.skipped);
const notices = useNotices();
const steps = computed(() => kept.value?.steps ?? []);
const states = computed(() => buildStates(steps.value));
/** it says why for all that come after it */
const firstStopped = computed(() => states.value.find((s) => s.is === 'stopped')?.step.id ?? null);
const done = computed(() => states.value.filter((s) => s.is === 'done').length);
const minutes = computed(() => minutesOf(steps.value));
const opened = ref<string | null>(null);
/** when the present step was come to, for how long it takes */
const since = ref(Date.now());
const today = (): string => new Date().toISOString().slice(0, 10);

function put(next: readonly BuildStep[] | null, message: string): Refusal | null {
  const refused = edit({
    do: 'build',
    list: list.value,
    steps: next,
    ...(skipped.value !== undefined && { skipped: skipped.value }),
    message,
  });
  if (refused) notices.tell({ message: refusalSentence(refused), tone: 'bad' });
  return refused;
}
function finish(step: BuildStep): void {
  const took = Math.round((Date.now() - since.value) / 60_000);
  const next = withDone(steps.value, step.id, today(), took > 0 && took < 600 ? took : undefined);
  if (!next) return;
  put(next, `${step.title}: done`);
  since.value = Date.now();
}
const back = ref<{ steps: readonly BuildStep[]; open: readonly BuildStep[]; title: string } | null>(null);
function goBack(step: BuildStep): void {
  back.value = { ...reopened(steps.value, step.id), title: step.title };
}
function reopen(): void {
  if (back.value) put(back.value.steps, `back to ${back.value.title}`);
  back.value = null;
}
function another(after: string | null): void {
  const before = new Set(steps.value.map((s) => s.id));
  const next = withStep(steps.value, after, 'A step of your own');
  if (put(next, 'step added') === null) opened.value = next.find((s) => !before.has(s.id))?.id ?? null;
}
const text =
  (id: string) =>
  (key: 'title' | 'gate' | 'way' | 'tools') =>
  (typed: string): Refusal | null =>
    edit(
      {
        do: 'build',
        list: list.value,
        ...(skipped.value !== undefined && { skipped: skipped.value }),
        steps: withStepText(steps.value, id, key, typed),
        message: 'step changed',
      },
      `build-${id}-${key}`,
    );
const first = (): void =>
  void put(
    list.value === 'setup' ? setupOf(report.value.drive) : buildFromTrain(report.value.drive),
    list.value === 'setup' ? 'set-up list' : 'build from the train',
  );
/** A reason in place of the list, for this blank alone; taken away it is wanted again. */
function skip(typed: string): Refusal | null {
  const reason = typed.trim();
  return edit({
    do: 'build',
    list: 'setup',
    steps: steps.value,
    ...(reason !== '' && { skipped: reason.slice(0, 200) }),
    message: reason === '' ? 'set-up wanted again' : 'set-up skipped',
  });
}
const change = (id: string, more: Partial<BuildStep>): void =>
  void put(
    steps.value.map((s) => (s.id === id ? { ...s, ...more } : s)),
    'step changed',
  );
</script>

<template>
  <div class="which">
    <ToggleChoice
      label="Which list"
      :value="list"
      :options="[
        { value: 'build', title: 'Build' },
        { value: 'setup', title: 'Set-up at the machine' },
      ]"
      @choose="toList"
    />
  </div>
  <div v-if="steps.length === 0" class="teach">
    <template v-if="list === 'build'">
      <h3>No build yet</h3>
      <p class="quiet">
        The list is made from the train: work first, motor last, each mesh set before a screw is final, with
        gates that stop what comes after them. Then it is yours to change.
      </p>
      <v-btn :prepend-icon="mdiListBoxOutline" @click="first">Make the list from the train</v-btn>
    </template>
    <template v-else>
      <h3>No set-up list yet</h3>
      <p class="quiet">
        What is gone through at the machine before the first gap: square, centre, touch off, zero, depth,
        clamps. With a list, Run offers the first gap when it is signed off, or skipped with a reason.
      </p>
      <v-btn :prepend-icon="mdiListBoxOutline" @click="first">Make the set-up list</v-btn>
    </template>
  </div>
  <div
    v-else
    class="scroll main"
    tabindex="0"
    role="region"
    :aria-label="list === 'build' ? 'Build' : 'Set-up'"
  >
    <p class="head">
      <b>{{ done }} of {{ steps.length }} done</b
      ><span v-if="minutes > 0" class="quiet">{{ minutes }} min so far</span>
      <v-spacer />
      <v-btn variant="text" :prepend-icon="mdiPlus" @click="another(null)">Add a step</v-btn>
      <v-btn
        v-if="list === 'setup'"
        variant="text"
        @click="put(setupAgain(steps), 'set-up for the next blank')"
        >Next blank</v-btn
      >
      <v-btn variant="text" @click="put(null, list === 'build' ? 'build deleted' : 'set-up list deleted')"
        >Begin anew</v-btn
      >
    </p>
    <div v-if="list === 'setup'" class="skip">
      <ReadField
        label="Skipped this time, because"
        :value="skipped ?? ''"
        placeholder="second wheel of the same blank"
        :commit="skip"
      />
      <span class="quiet">{{
        setupStands(kept).signed ? 'Run offers the first gap.' : 'Run waits for this list.'
      }}</span>
    </div>
    <div v-if="back" class="back" role="alertdialog" aria-label="Going back">
      <p>
        <b
          >Going back to “{{ back.title }}” opens {{ back.open.length }}
          {{ back.open.length === 1 ? 'step' : 'steps' }}:</b
        >
        {{ back.open.map((s) => s.title).join('; ') }}.
      </p>
      <v-btn @click="reopen">Open them again</v-btn>
      <v-btn variant="text" @click="back = null">Leave them</v-btn>
    </div>
    <ol>
      <StepRow
        v-for="(s, i) in states"
        :key="s.step.id"
        :state="s"
        :at="i"
        :last="i === states.length - 1"
        :says="firstStopped === s.step.id"
        :opened="opened === s.step.id"
        :text="text(s.step.id)"
        @change="(more) => change(s.step.id, more)"
        @go-back="goBack(s.step)"
        @finish="finish(s.step)"
        @open="opened = opened === s.step.id ? null : s.step.id"
        @after="another(s.step.id)"
        @move="(by) => put(movedStep(steps, s.step.id, by), 'step moved')"
        @remove="
          put(
            steps.filter((x) => x.id !== s.step.id),
            'step removed',
          )
        "
      />
    </ol>
  </div>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.which,
.skip {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  padding: 0.5rem 1rem 0 1.25rem;
  font-size: 0.875rem;
  --field-width: 18.75rem;
}
.which {
  padding-bottom: 0.5rem;
  border-bottom: 1px solid var(--p-hair);
}
.skip {
  padding: 0 1rem 0.375rem 1.25rem;
}
.head {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  padding: 0.375rem 0.75rem 0.375rem 1.25rem;
  font-size: 0.9375rem;
}
.back {
  background: var(--p-amber-ground);
  border-block: 1px solid var(--p-amber-rule);
  padding: 0.625rem 1.25rem;
  font-size: 0.875rem;
  line-height: 1.25rem;
}
ol {
  list-style: none;
}
@media print {
  .head .v-btn {
    display: none;
  }
}
</style>
