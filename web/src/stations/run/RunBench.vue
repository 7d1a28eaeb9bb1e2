<script setup lang="ts">
import { computed } from 'vue';
import { mdiCheck, mdiFormatListBulleted, mdiStop, mdiTableLarge } from '@mdi/js';
import {
  benchError,
  benchReport,
  placeSpoken,
  gapTally,
  placeNow,
  tallyText,
  secondsLeft,
  sheet,
  timeLeft,
  type Report,
  drivenReport,
  type RunEvent,
  type RunState,
} from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import GradeTag from '../../ui/GradeTag.vue';
import { useController } from '../../stores/controller.ts';
import { usePageKeys } from '../../ui/keys.ts';
import RichText from '../../ui/RichText.vue';
import PlaceText from './PlaceText.vue';
import ErrorGauge from './ErrorGauge.vue';
import BenchFrame from './BenchFrame.vue';
import BenchKeys from './BenchKeys.vue';
import BenchMenu from './BenchMenu.vue';
import PlateCheck from './PlateCheck.vue';
import BenchTold from './BenchTold.vue';
import RunPhases from './RunPhases.vue';
import RunSide from './RunSide.vue';
import { useBenchAids } from './use-bench-aids.ts';
import { useDriven } from './use-driven.ts';
import RunStrip from './RunStrip.vue';

/** At the machine: where the work goes now, one large key to go on, everything readable from a step away. */
const { state, report, differs, resumed, put } = defineProps<{
  name: string;
  state: RunState;
  report: Report;
  differs: boolean;
  resumed: boolean;
  put: (event: RunEvent) => Promise<boolean>;
}>();
const emit = defineEmits<{
  go: [what: 'next' | 'back' | 'pauseOrGoOn'];
  end: [];
  sheet: [];
  others: [];
  seen: [];
}>();

const rows = computed(() => sheet(state.plan));
const bench = computed(() => benchReport(state));
const row = computed(() => bench.value.row);
const plate = computed(() => bench.value.plate);
const D = computed(() => state.plan.divisions);
const left = computed(() => {
  const { cut, all, toDo } = gapTally(state);
  if (state.finished) return cut === all ? 'all done' : tallyText(state);
  const time = timeLeft(secondsLeft(state));
  return `${toDo} to go${time ? `, ${time}` : ''}`;
});
const isBad = computed(() => (state.bad ?? []).includes(placeNow(state)));
const link = useController();
const driver = useDriven(
  () => state,
  (e) => put(e),
);
const driven = computed(() => drivenReport(state, link.moving, bench.value.go, row.value.off));
/** the rounding of the place, and where it truly stands */
const off = computed(() => benchError(report, state, row.value, driven.value));
const pause = (): void => {
  if (state.driven && !state.paused) void driver.stop();
  emit('go', 'pauseOrGoOn');
};
const next = (): void => {
  const { left } = bench.value;
  if (left) driver.either({ do: 'jump', ...left });
  else if (state.driven) void driver.go();
  else emit('go', 'next');
};
const back = (): void => (state.driven ? driver.either({ do: 'back' }) : emit('go', 'back'));
const clamp = (): void => {
  if (state.driven?.phase === 'clamp') void driver.go();
};
useBenchAids(() => driven.value?.phases.find((p) => p.is === 'now')?.title ?? bench.value.title, next);

usePageKeys({ next, back, pause, clamp }, { always: true });
</script>

<template>
  <BenchFrame :about="state.driven ? 'advance' : 'spindle'">
    <template #head>
      <header class="sub">
        <h2>Run</h2>
        <span class="q"
          ><b>{{ name }}</b
          >, {{ D }} {{ rows.place }}s, <RichText :text="plate ? rows.crank : rows.steps" />
          {{ plate ? 'each' : `${rows.unit} a turn`
          }}<template v-if="state.plan.doubt">, {{ state.plan.doubt }}</template></span
        >
        <v-spacer />
        <v-btn variant="text" :prepend-icon="mdiFormatListBulleted" @click="emit('others')">Runs</v-btn>
        <v-btn variant="text" :prepend-icon="mdiTableLarge" @click="emit('sheet')">Sheet</v-btn>
        <v-btn variant="text" :prepend-icon="mdiStop" @click="emit('end')">End run</v-btn>
        <BenchMenu
          :state="state"
          :drive="report.drive"
          :driver="driver"
          @skip="driver.either({ do: 'skip' })"
          @jump="(gap) => driver.either({ do: 'jump', gap })"
          @bad="driver.stored({ do: 'bad' })"
        />
      </header>
      <BenchTold
        :place="`${rows.place} ${state.gap}`"
        :resumed="resumed"
        :differs="differs"
        :message="driver.message.value"
        @seen="emit('seen')"
        @heard="driver.message.value = null"
      />
    </template>
    <template #default>
      <p v-if="bench.grid" class="row-of">
        <b>{{ bench.grid.title }}</b>
        <span
          >{{ bench.grid.train }} at <PlaceText class="mono" :of="bench.grid.at" />, go to
          <b class="mono"><Digits :text="bench.grid.target" /></b
        ></span>
      </p>
      <div class="target">
        <p class="what">
          <span
            ><b>{{ bench.place }}</b> of {{ D
            }}<template v-if="state.plan.passes"
              >, pass {{ state.row ?? 1 }} of {{ state.plan.passes }}</template
            ><template v-if="isBad">, marked as bad</template></span
          >
          <span v-if="plate" class="quiet r">{{ plate.arms }}</span>
          <span v-else class="quiet r"
            ><span class="wide">exactly <RichText class="mono" :text="row.exact" /> {{ rows.unit }}, so </span
            >go to <b class="mono"><Digits :text="row.target" /></b
          ></span>
        </p>
        <p
          v-if="plate"
          class="huge mono by-plate"
          :class="{ long: plate.move.length > 18 }"
          :aria-label="`Move ${plate.move}`"
        >
          <Digits :text="plate.move" />
        </p>
        <p v-else class="huge mono" :aria-label="`Go to ${placeSpoken(row.position)}`">
          <PlaceText :of="row.position" />
        </p>
      </div>
      <div v-if="plate" class="pe">
        <div class="pos">
          <p class="pl">Pin then in hole</p>
          <p class="pv mono">{{ plate.hole }}</p>
        </div>
        <div class="err">
          <p class="pl">Angle at the work</p>
          <p class="pv mono"><PlaceText :of="row.position" /></p>
        </div>
      </div>
      <PlateCheck v-if="plate" :plate="plate" @back="(gap) => driver.either({ do: 'jump', gap })" />
      <div v-if="!plate" class="pe">
        <div class="pos">
          <p class="pl">Wanted</p>
          <p class="pv mono"><PlaceText :of="row.wanted" /></p>
        </div>
        <div class="err">
          <p class="pl">
            Error<span class="allowed">{{ off.allowed }}</span>
          </p>
          <p class="pv">
            <span class="mono">{{ off.text }}</span><GradeTag
              :graded="off.graded"
              :class="{ doubted: off.graded.doubt }"
              :size="14"
            />
          </p>
        </div>
      </div>
      <div v-if="!plate && row.is === 'gap'" class="gauge">
        <ErrorGauge
          v-for="narrow in [false, true]"
          :key="String(narrow)"
          :class="narrow ? 'for-narrow' : 'for-wide'"
          :narrow="narrow"
          :error="off.size"
          :unit="off.unit"
          :limit="off.limit"
          :tone="off.graded.grade"
        />
      </div>
      <RunPhases v-if="driven && !state.finished" :report="driven" :paused="state.paused" />
      <div v-else class="seq">
        <div v-if="bench.before" class="sq done">
          <p v-if="bench.before.cut" class="n tone-even"><v-icon :icon="mdiCheck" size="18" />done</p>
          <p v-else class="n quiet">from</p>
          <h4>{{ bench.before.title }}</h4>
          <p class="mono small"><Digits :text="bench.before.target" /></p>
        </div>
        <div v-else class="sq done">
          <p class="n quiet">start</p>
          <h4>Set zero</h4>
          <p class="small">here, on the mark</p>
        </div>
        <div class="sq now" aria-live="polite">
          <p class="n">{{ state.paused ? 'paused' : 'now' }}</p>
          <h4>{{ bench.title }}</h4>
          <p><Digits :text="bench.message" /></p>
        </div>
        <div class="sq">
          <p class="n quiet">then</p>
          <h4>{{ bench.then.title }}</h4>
          <p class="small"><Digits :text="bench.then.message" /></p>
        </div>
      </div>
      <RunStrip class="for-narrow" :state="state" :left="left" />
    </template>
    <template #keys>
      <BenchKeys
        :go="driven && !state.finished ? driven.go : bench.go"
        :paused="state.paused"
        :off="{
          go: state.paused || (state.finished && !bench.left) || driver.busy.value,
          back: state.paused || (state.gap === 1 && !state.finished),
          pause: state.finished,
        }"
        @go="next"
        @back="back"
        @pause="pause"
      />
    </template>
    <template #aside>
      <RunSide :state="state" :bench="bench" :left="left" :drive="report.drive" :driver="driver" />
    </template>
  </BenchFrame>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
