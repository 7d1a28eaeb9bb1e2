<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiPlay } from '@mdi/js';
import {
  clockText,
  framesOf,
  measured,
  planFollowing,
  planFrames,
  refusalMessage,
  shotLength,
  startFollowing,
  startFrames,
  whole,
  type Report,
  type Session,
} from '@pendrix/core';
import ChoiceField from '../../ui/ChoiceField.vue';
import { Digits } from '../../ui/Digits.ts';
import EmptyState from '../../ui/EmptyState.vue';
import { useOpenDrive } from '../../ui/open-drive.ts';
import ReadField from '../../ui/ReadField.vue';
import SubBar from '../../ui/SubBar.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import RunList from './RunList.vue';
import type { CurrentRun } from './use-run.ts';
import { sized } from '../../ui/rem.ts';

/** Before a session on the clock: the shot frame by frame, or the rate that is followed, and the start. */
const { kind, report, runs } = defineProps<{
  kind: 'frames' | 'following';
  report: Report;
  runs: CurrentRun;
}>();
const { record } = useOpenDrive();
const rate = ref(0);
const shot = computed(() => planFrames(record.value?.drive ?? report.drive, report));
const following = computed(() => planFollowing(report, rate.value));
const session = computed((): Session | null => {
  if (kind === 'following') return following.value && startFollowing(following.value, 0);
  return shot.value.ok ? startFrames(shot.value.value, 0) : null;
});
const plan = computed(() => (shot.value.ok ? shot.value.value : null));
const refused = computed(() => (shot.value.ok ? null : refusalMessage(shot.value.refusal)));
const name = ref<string | null>(null);
const named = computed(() => name.value ?? (session.value ? runs.nameFor(session.value) : ''));
function setName(text: string): null {
  name.value = text.trim() === '' ? null : text.trim().slice(0, 60);
  return null;
}
function start(): void {
  if (session.value) void runs.begin({ ...session.value, startedAt: Date.now() }, named.value);
}
/** each frame is made when it comes into view */
const lines = computed(() =>
  Array.from({ length: plan.value ? framesOf(plan.value) : 0 }, (_, at) => ({ at })),
);
const total = computed(() => plan.value && shotLength(plan.value));
</script>

<template>
  <TwoColumns class="run-start" aside="What is run" shares="minmax(0, 760fr) minmax(0, 440px)">
    <SubBar
      title="Run"
      :note="kind === 'frames' ? 'shoot, move, shoot' : 'follow a rate, with a checklist and times'"
      ><slot
    /></SubBar>
    <template v-if="kind === 'frames'">
      <v-data-table-virtual
        v-if="plan"
        v-focus-scroll
        class="frames"
        :items="lines"
        :item-height="sized(34)"
        item-value="at"
      >
        <template #colgroup
          ><caption class="sr-only">
            Frames of the shot
          </caption></template
        >
        <template #headers>
          <tr>
            <th scope="col">Frame</th>
            <th scope="col" class="num">At</th>
            <template v-for="a in plan.axes" :key="a.name">
              <th scope="col" class="num">{{ a.name }}, go to</th>
              <th scope="col" class="num">stands at</th>
            </template>
            <th scope="col" class="num">Move, s</th>
          </tr>
        </template>
        <template #item="{ item }">
          <tr>
            <th scope="row" class="mono">{{ item.at + 1 }}</th>
            <td class="num quiet">{{ plan.interval === null ? '' : clockText(item.at * plan.interval) }}</td>
            <template v-for="a in plan.axes" :key="a.name">
              <td class="num">
                <b><Digits :text="whole(BigInt(a.targets[item.at]!))" /></b>
              </td>
              <td class="num">{{ a.places[item.at] }}</td>
            </template>
            <td class="num">{{ measured(plan.moves[item.at]!) }}</td>
          </tr>
        </template>
      </v-data-table-virtual>
      <EmptyState v-else-if="refused" role="status" :title="refused.message" :text="refused.cure" />
    </template>
    <div v-else class="rates">
      <ChoiceField
        label="Rate"
        :value="String(rate)"
        :options="report.duties.rates.map((r, i) => ({ value: String(i), title: r.name }))"
        @choose="(v) => (rate = Number(v))"
      />
      <dl v-if="following" class="lines facts">
        <div>
          <dt>The controller keeps</dt>
          <dd>{{ following.constants }}</dd>
        </div>
        <div>
          <dt>It must be rewound after</dt>
          <dd>
            {{
              following.ends
                ? `${clockText(following.ends.seconds)}: ${following.ends.why}`
                : 'nothing ends it'
            }}
          </dd>
        </div>
        <div>
          <dt>One exposure</dt>
          <dd>
            {{
              following.exposure
                ? `${following.exposure.seconds} s at ${following.exposure.focalMm} mm`
                : 'none in the Job'
            }}
          </dd>
        </div>
        <div v-if="following.doubt">
          <dt>It holds</dt>
          <dd>{{ following.doubt }}</dd>
        </div>
      </dl>
      <EmptyState
        v-else
        role="status"
        title="This rate has no constants"
        text="Give the drive a controller in Check, Rate, or a train that turns; then it can be followed."
      />
    </div>
    <template #aside>
      <template v-if="session">
        <div class="now ground on-ground">
          <p class="big mono" :class="{ words: kind === 'following' }">
            {{ plan && kind === 'frames' ? framesOf(plan) : following?.rate }}
          </p>
          <p>{{ kind === 'frames' ? 'frames' : 'to follow' }}</p>
        </div>
        <dl v-if="plan && kind === 'frames'" class="lines facts">
          <div>
            <dt>From mark to mark</dt>
            <dd class="num">{{ plan.interval === null ? 'by hand' : `${plan.interval} s` }}</dd>
          </div>
          <div>
            <dt>Exposure, writing, settling</dt>
            <dd class="num">{{ plan.exposure }} + {{ plan.write }} + {{ plan.settle }} s</dd>
          </div>
          <div v-if="total !== null">
            <dt>The whole shot</dt>
            <dd class="num">{{ clockText(total) }}</dd>
          </div>
          <div v-if="plan.doubt">
            <dt>It holds</dt>
            <dd>{{ plan.doubt }}</dd>
          </div>
        </dl>
        <div class="start">
          <div class="begin">
            <ReadField label="Name of this session" :value="named" :commit="setName" />
          </div>
          <v-btn class="large" variant="flat" height="64" :prepend-icon="mdiPlay" @click="start">{{
            kind === 'frames' ? 'To the first frame' : 'To the checklist'
          }}</v-btn>
          <p class="quiet">
            {{
              kind === 'frames'
                ? 'Set the work on its first place. Every frame is kept before its move goes out; after a reload it waits where it was.'
                : 'The drive keeps its own rate; here its time is kept, what ends it, and which exposures were kept.'
            }}
          </p>
        </div>
      </template>
      <RunList :runs="runs" />
    </template>
  </TwoColumns>
</template>

<style scoped src="./run-start.css"></style>
<style scoped>
.frames {
  flex: 1 1 0;
  min-height: 0;
}
.rates {
  padding: 0.875rem 1.25rem;
  display: grid;
  gap: 0.875rem;
}
.big.words {
  font-size: 2.75rem;
  line-height: 3.75rem;
}
</style>
