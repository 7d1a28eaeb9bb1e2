<script setup lang="ts">
import { computed } from 'vue';
import { framesOf, type FramesState, type SessionEvent } from '@pendrix/core';
import { timeOfDay } from '../../ui/clock.ts';
import { Digits } from '../../ui/Digits.ts';
import { usePageKeys } from '../../ui/keys.ts';
import GradeTag from '../../ui/GradeTag.vue';
import BenchFrame from './BenchFrame.vue';
import BenchKeys from './BenchKeys.vue';
import ControllerLink from './ControllerLink.vue';
import SessionHead from './SessionHead.vue';
import { useBenchAids } from './use-bench-aids.ts';
import { useFrames } from './use-frames.ts';

/** Shoot, move, shoot at the machine: what is counted down, which frame, what is left of the interval. */
const { name, state, resumed, differs, tell } = defineProps<{
  name: string;
  state: FramesState;
  resumed: boolean;
  differs: boolean;
  tell: (event: SessionEvent) => Promise<boolean>;
}>();
const emit = defineEmits<{ end: []; others: []; seen: [] }>();
const { report, go, pause, back, words } = useFrames(
  () => state,
  (e) => tell(e),
);
const all = computed(() => framesOf(state.plan));
const timed = computed(() => state.plan.interval !== null);
const note = computed(
  () =>
    `${all.value} frames${timed.value ? `, one every ${state.plan.interval} s` : ', by hand'}${state.plan.doubt ? `, ${state.plan.doubt}` : ''}`,
);
const done = computed(() => (state.finished ? all.value : state.frame - 1));
const idle = computed(() => state.finished || (!state.paused && timed.value));
useBenchAids(() => report.value.phase, go);
usePageKeys({ next: go, back, pause }, { always: true });
</script>

<template>
  <BenchFrame about="frames">
    <template #head>
      <SessionHead
        :name="name"
        :note="note"
        :resumed="resumed"
        :differs="differs"
        :place="`frame ${state.frame}`"
        @others="emit('others')"
        @end="emit('end')"
        @seen="emit('seen')"
      />
    </template>
    <template #default>
      <div class="target">
        <p class="what">
          <span
            ><b>{{ report.title }}</b> of {{ all }}</span
          ><span class="quiet r">{{ report.phase }}</span>
        </p>
        <p
          class="huge mono"
          role="timer"
          :aria-label="`${report.phase} ${report.big.figure} ${report.big.unit}`"
        >
          <Digits :text="report.big.figure" /><b v-if="report.big.unit">{{ report.big.unit }}</b>
        </p>
        <v-progress-linear
          :model-value="(100 * done) / all"
          height="6"
          color="primary"
          :aria-label="`${done} of ${all} frames exposed`"
        />
      </div>
      <div class="pe">
        <div v-for="a in report.axes" :key="a.name" class="pos">
          <p class="pl">{{ a.name }}, go to {{ a.target }}</p>
          <p class="pv mono">{{ a.place }}</p>
        </div>
      </div>
      <p v-if="report.slack" class="line">
        <GradeTag :graded="report.slack.graded" :size="14" />{{ report.slack.text }}
      </p>
      <div class="seq one">
        <div class="sq now" aria-live="polite">
          <p class="n">{{ state.paused ? 'waits' : 'now' }}</p>
          <h4>{{ report.title }}</h4>
          <p>{{ report.message }}</p>
        </div>
      </div>
    </template>
    <template #keys>
      <BenchKeys
        :go="report.go"
        :paused="state.paused"
        :off="{
          go: idle,
          back: state.frame === 1 && !state.finished,
          pause: state.finished || (state.paused && state.shots.length === 0),
        }"
        @go="go"
        @back="back"
        @pause="pause"
      />
    </template>
    <template #aside>
      <aside class="clocked">
        <div class="ground facts">
          <p class="count mono">{{ done }}</p>
          <p>of {{ all }} exposed</p>
          <p class="quiet-on">{{ report.left }}</p>
          <p v-if="report.battery" class="quiet-on">battery: {{ report.battery }}</p>
        </div>
        <ControllerLink v-if="state.plan.axes.length === 1">
          <p class="quiet">{{ words }}</p>
        </ControllerLink>
        <p v-else class="note">
          Several axes are moved by their file (Check, Moves); here the frames are counted and timed.
        </p>
        <div class="log scroll" tabindex="0" aria-label="Last frames">
          <table>
            <thead>
              <tr>
                <th>Last frames</th>
                <th>frame</th>
                <th></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="s in report.last" :key="`${s.frame} ${s.at}`">
                <td class="mono">{{ timeOfDay(s.at) }}</td>
                <td class="mono">{{ s.frame }}</td>
                <td>{{ s.message }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </aside>
    </template>
  </BenchFrame>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
<style scoped src="./session.css"></style>
