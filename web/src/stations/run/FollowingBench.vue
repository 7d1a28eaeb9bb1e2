<script setup lang="ts">
import { computed } from 'vue';
import { useNow } from '@vueuse/core';
import { mdiArrowRight, mdiCheck, mdiClose, mdiUndoVariant } from '@mdi/js';
import { followingReport, type FollowingState, type SessionEvent } from '@pendrix/core';
import { hourMinute } from '../../ui/clock.ts';
import CheckField from '../../ui/CheckField.vue';
import { Digits } from '../../ui/Digits.ts';
import { usePageKeys } from '../../ui/keys.ts';
import GradeTag from '../../ui/GradeTag.vue';
import BenchFrame from './BenchFrame.vue';
import SessionHead from './SessionHead.vue';
import { useBenchAids } from './use-bench-aids.ts';

/** A night of following: how long it has followed, what ends it, what was exposed and kept. Few keys, and large. */
const { name, state, resumed, differs, tell } = defineProps<{
  name: string;
  state: FollowingState;
  resumed: boolean;
  differs: boolean;
  tell: (event: SessionEvent) => Promise<boolean>;
}>();
const emit = defineEmits<{ end: []; others: []; seen: [] }>();
const now = useNow({ interval: 500 });
const report = computed(() => followingReport(state, now.value.getTime()));
const say = (what: 'follow' | 'stand' | 'rewound' | 'kept' | 'lost' | 'undo'): void =>
  void tell({ do: what, at: Date.now() });
const go = (): void => say(state.since === null ? 'follow' : 'stand');
const note = computed(() => {
  const { exposure, doubt } = state.plan;
  return [exposure ? `exposures of ${exposure.seconds} s` : 'no exposure in the Job', doubt]
    .filter(Boolean)
    .join(', ');
});
useBenchAids(() => report.value.title, go);
usePageKeys(
  { next: go, pause: () => state.since !== null && say('stand'), back: () => say('undo') },
  { always: true },
);
</script>

<template>
  <BenchFrame about="following">
    <template #head>
      <SessionHead
        :name="name"
        :note="note"
        :resumed="resumed"
        :differs="differs"
        :place="`${report.big.figure} ${report.big.unit} of following`"
        @others="emit('others')"
        @end="emit('end')"
        @seen="emit('seen')"
      />
    </template>
    <template #default>
      <div class="target">
        <p class="what">
          <span><b>Followed</b> since it was rewound</span>
        </p>
        <p
          class="huge mono"
          role="timer"
          :aria-label="`followed for ${report.big.figure} ${report.big.unit}`"
        >
          <Digits :text="report.big.figure" /><b v-if="report.big.unit">{{ report.big.unit }}</b>
        </p>
      </div>
      <p v-if="report.ends" class="line" role="status">
        <GradeTag :graded="report.ends.graded" :size="14" />{{ report.ends.text }}
        <v-btn v-if="report.ends.soon || state.before > 0" variant="text" @click="say('rewound')"
          >Rewound</v-btn
        >
      </p>
      <div class="pe">
        <div class="pos">
          <p class="pl">Exposures kept</p>
          <p class="pv mono kept">{{ report.kept }}</p>
        </div>
      </div>
      <div class="keys small">
        <button type="button" class="key" :disabled="state.finished" @click="say('kept')">
          <v-icon :icon="mdiCheck" size="22" />Kept
        </button>
        <button type="button" class="key" :disabled="state.finished" @click="say('lost')">
          <v-icon :icon="mdiClose" size="22" />Not kept
        </button>
        <button
          type="button"
          class="key"
          :disabled="state.finished || state.exposures.length === 0"
          aria-keyshortcuts="Backspace"
          @click="say('undo')"
        >
          <v-icon :icon="mdiUndoVariant" size="22" />Take back
        </button>
      </div>
      <div class="seq one">
        <div class="sq now" aria-live="polite">
          <p class="n">now</p>
          <h4>{{ report.title }}</h4>
          <p>{{ report.message }}</p>
        </div>
      </div>
    </template>
    <template #keys>
      <div class="keys">
        <button type="button" class="key go" aria-keyshortcuts="Space" @click="go">
          <kbd aria-hidden="true">Space</kbd>{{ report.go
          }}<v-icon class="arrow" :icon="mdiArrowRight" size="24" />
        </button>
      </div>
    </template>
    <template #aside>
      <aside class="clocked">
        <section class="checks" aria-label="Before the start">
          <h3>Before the start</h3>
          <p v-for="(c, i) in report.checks" :key="c.name">
            <CheckField
              :label="c.name"
              :value="c.at !== null"
              @set="tell({ do: 'check', index: i, at: Date.now() })"
            /><span class="mono quiet">{{ c.at === null ? '' : hourMinute(c.at) }}</span>
          </p>
          <p>
            <span>{{ state.since === null ? 'Start' : 'Started' }}</span><span class="mono quiet">{{
              state.since === null ? '' : hourMinute(state.since)
            }}</span>
          </p>
        </section>
        <p class="note">{{ state.plan.constants }}</p>
        <p v-if="report.battery" class="note">Battery: {{ report.battery }}</p>
      </aside>
    </template>
  </BenchFrame>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
<style scoped src="./session.css"></style>
