<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  mdiArrowDown,
  mdiArrowUp,
  mdiCheck,
  mdiClose,
  mdiDotsVertical,
  mdiListBoxOutline,
  mdiPlus,
} from '@mdi/js';
import {
  buildFromTrain,
  buildStates,
  FASTENERS,
  movedStep,
  refusalSentence,
  reopened,
  withDone,
  withStep,
  withStepText,
  type BuildStep,
  type Fastener,
  type Refusal,
} from '@pendrix/core';
import { useNotices } from '../../stores/notices.ts';
import ChoiceField from '../../ui/ChoiceField.vue';
import CheckField from '../../ui/CheckField.vue';
import IconButton from '../../ui/IconButton.vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';

/** The build in its order: a gate that is not passed stops what comes after it, and going back reopens in order. */
const { edit } = useOpenDrive();
const report = useReport();
const notices = useNotices();
const steps = computed(() => report.value.drive.build?.steps ?? []);
const states = computed(() => buildStates(steps.value));
/** it says why for all that come after it */
const firstStopped = computed(() => states.value.find((s) => s.is === 'stopped')?.step.id ?? null);
const done = computed(() => states.value.filter((s) => s.is === 'done').length);
const minutes = computed(() => steps.value.reduce((n, s) => n + (s.minutes ?? 0), 0));
const opened = ref<string | null>(null);
/** when the present step was come to, for how long it takes */
const since = ref(Date.now());
const today = (): string => new Date().toISOString().slice(0, 10);

function put(next: readonly BuildStep[] | null, message: string): Refusal | null {
  const refused = edit({ do: 'build', steps: next, message });
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
  (id: string, key: 'title' | 'gate' | 'way' | 'tools') =>
  (typed: string): Refusal | null =>
    edit(
      {
        do: 'build',
        steps: withStepText(steps.value, id, key, typed),
        message: 'step changed',
      },
      `build-${id}-${key}`,
    );
const change = (id: string, more: Partial<BuildStep>): void =>
  void put(
    steps.value.map((s) => (s.id === id ? { ...s, ...more } : s)),
    'step changed',
  );
</script>

<template>
  <div v-if="steps.length === 0" class="teach">
    <h3>No build yet</h3>
    <p class="quiet">
      The list is made from the train: work first, motor last, each mesh set before a screw is final, with
      gates that stop what comes after them. Then it is yours to change.
    </p>
    <v-btn
      :prepend-icon="mdiListBoxOutline"
      @click="put(buildFromTrain(report.drive), 'build from the train')"
      >Make the list from the train</v-btn
    >
  </div>
  <div v-else class="scroll main" tabindex="0" role="region" aria-label="Build">
    <p class="head">
      <b>{{ done }} of {{ steps.length }} done</b
      ><span v-if="minutes > 0" class="quiet">{{ minutes }} min so far</span>
      <v-spacer />
      <v-btn variant="text" :prepend-icon="mdiPlus" @click="another(null)">Add a step</v-btn>
      <v-btn variant="text" @click="put(null, 'build taken away')">Begin anew</v-btn>
    </p>
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
      <li v-for="(s, i) in states" :key="s.step.id" :class="s.is">
        <span class="n">{{ i + 1 }}</span>
        <div class="what">
          <p>
            <b>{{ s.step.title }}</b>
            <span v-if="s.step.fastener" class="tag">{{ s.step.fastener }}</span>
            <span v-if="s.step.two" class="tag">two people</span>
          </p>
          <p v-if="s.step.way || s.step.tools" class="quiet">
            {{ [s.step.way, s.step.tools].filter(Boolean).join(' · ') }}
          </p>
          <p v-if="s.step.gate" class="gate">Gate: {{ s.step.gate }}</p>
          <p v-if="s.is === 'stopped' && firstStopped === s.step.id" class="stop">
            Stopped: “{{ s.by!.title }}” is not passed ({{ s.by!.gate }}).
          </p>
          <p v-else-if="s.is === 'stopped'" class="quiet">stopped as well</p>
          <div v-if="opened === s.step.id" class="edit">
            <ReadField label="Step" :value="s.step.title" :commit="text(s.step.id, 'title')" />
            <ReadField
              label="Gate"
              :value="s.step.gate ?? ''"
              placeholder="none"
              :commit="text(s.step.id, 'gate')"
            />
            <ReadField label="Way round" :value="s.step.way ?? ''" :commit="text(s.step.id, 'way')" />
            <ReadField label="Tools" :value="s.step.tools ?? ''" :commit="text(s.step.id, 'tools')" />
            <ChoiceField
              label="Screws"
              :value="s.step.fastener ?? ''"
              :options="[{ value: '', title: 'none' }, ...FASTENERS.map((f) => ({ value: f, title: f }))]"
              @choose="(v) => change(s.step.id, { fastener: (v || undefined) as Fastener })"
            />
            <CheckField
              label="needs two people"
              :value="s.step.two ?? false"
              @set="(v: boolean) => change(s.step.id, { two: v })"
            />
          </div>
        </div>
        <div class="keys">
          <template v-if="s.is === 'done'">
            <span class="quiet"
              >{{ s.step.done }}<template v-if="s.step.minutes">, {{ s.step.minutes }} min</template></span
            >
            <v-btn variant="text" @click="goBack(s.step)">Go back to it</v-btn>
          </template>
          <v-btn v-else-if="s.is !== 'stopped'" :prepend-icon="mdiCheck" @click="finish(s.step)">{{
            s.step.gate ? 'Gate passed' : 'Done'
          }}</v-btn>
          <v-menu location="bottom end">
            <template #activator="{ props }">
              <IconButton
                v-bind="props"
                :label="`Actions for step ${i + 1}`"
                :icon="mdiDotsVertical"
                :size="18"
              />
            </template>
            <v-list>
              <v-list-item title="Change it" @click="opened = opened === s.step.id ? null : s.step.id" />
              <v-list-item :prepend-icon="mdiPlus" title="A step after it" @click="another(s.step.id)" />
              <v-list-item
                :prepend-icon="mdiArrowUp"
                title="Up"
                :disabled="i === 0"
                @click="put(movedStep(steps, s.step.id, -1), 'step moved')"
              />
              <v-list-item
                :prepend-icon="mdiArrowDown"
                title="Down"
                :disabled="i === states.length - 1"
                @click="put(movedStep(steps, s.step.id, 1), 'step moved')"
              />
              <v-list-item
                :prepend-icon="mdiClose"
                title="Remove"
                @click="
                  put(
                    steps.filter((x) => x.id !== s.step.id),
                    'step removed',
                  )
                "
              />
            </v-list>
          </v-menu>
        </div>
      </li>
    </ol>
  </div>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 6px 12px 6px 20px;
  font-size: 15px;
}
.back {
  background: var(--p-amber-ground);
  border-block: 1px solid var(--p-amber-rule);
  padding: 10px 20px;
  font-size: 14px;
  line-height: 20px;
}
ol {
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) max-content;
  gap: 8px;
  align-items: start;
  padding: 7px 12px 7px 20px;
  border-top: 1px solid var(--p-row);
  font-size: 14px;
  line-height: 19px;
}
.n {
  font-family: var(--mono);
  color: var(--p-quiet);
}
.next {
  background: var(--p-surface);
  box-shadow: inset 3px 0 var(--p-blue);
}
.done b {
  color: var(--p-even);
}
.stopped b {
  color: var(--p-quiet);
}
.tag {
  margin-left: 8px;
  padding: 0 6px;
  border: 1px solid var(--p-hair);
  font-size: 13px;
}
.gate {
  color: var(--p-blue);
}
.stop {
  color: var(--p-red);
}
.keys {
  display: flex;
  align-items: center;
  gap: 4px;
}
.edit {
  display: grid;
  gap: 4px;
  padding-top: 6px;
  --field-width: 300px;
}
@media print {
  .keys,
  .head .v-btn {
    display: none;
  }
}
</style>
