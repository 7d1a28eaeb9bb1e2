<script setup lang="ts">
import type { BenchReport, Drive, RunState } from '@pendrix/core';
import { timeOfDay } from '../../ui/clock.ts';
import { Digits } from '../../ui/Digits.ts';
import RichText from '../../ui/RichText.vue';
import PlateDrawing from '../../ui/PlateDrawing.vue';
import ControllerPanel from './ControllerPanel.vue';
import RunRule from './RunRule.vue';
import RunWheel from './RunWheel.vue';
import type { useDriven } from './use-driven.ts';

/** Beside the target: the wheel under the cutter and the last moves. */
const { state, bench, left, drive, driver } = defineProps<{
  state: RunState;
  bench: BenchReport;
  left: string;
  drive: Drive;
  driver: ReturnType<typeof useDriven>;
}>();
</script>

<template>
  <aside class="right">
    <div class="dial ground">
      <p class="dh">
        <b>{{ bench.plate ? 'The plate' : state.plan.scale ? 'The rule' : 'The wheel' }}</b>
        <span v-if="bench.plate" class="legend">{{ left }}</span>
        <span v-else class="legend">
          <span
            ><svg width="18" height="12">
              <path d="M0 2H4L6 11H12L14 2H18" fill="none" stroke="currentColor" stroke-width="1.4" /></svg
            >{{ state.plan.scale ? 'made' : 'cut' }}</span
          >
          <span
            ><svg width="14" height="12">
              <path d="M1 1L4 11H10L13 1" fill="none" stroke="var(--p-bright)" stroke-width="2" /></svg
            >next</span
          >
          <span
            ><svg width="10" height="12">
              <path d="M2 1v10M8 1v10" stroke="var(--p-scribe2)" stroke-width="1.4" /></svg
            >to go</span
          >
        </span>
      </p>
      <div v-if="bench.plate" class="plate">
        <PlateDrawing
          :picture="bench.plate.picture"
          :title="`Pin from where it is to hole ${bench.plate.hole}`"
        />
      </div>
      <RunRule v-else-if="state.plan.scale" :state="state" :left="left" />
      <RunWheel v-else :state="state" :left="left" />
    </div>
    <p v-if="driver.driven.value && driver.gone.value" class="gone" role="status">
      The controller of this run is not connected.
      <v-btn variant="text" @click="driver.letGo">Run without it</v-btn>
    </p>
    <ControllerPanel v-if="!bench.plate" :state="state" :drive="drive" :driver="driver" />
    <div class="log scroll" tabindex="0" aria-label="Last moves">
      <table>
        <thead>
          <tr>
            <th>Last moves</th>
            <th>{{ state.plan.scale ? 'mark' : 'gap' }}</th>
            <th>moved</th>
            <th>to</th>
            <th v-if="!bench.plate">error</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(m, i) in bench.last" :key="m.at + i" :class="{ latest: i === 0 }">
            <td class="mono">{{ timeOfDay(m.at) }}</td>
            <td class="mono">{{ m.row.is === 'rewind' ? 'rewind' : m.row.gap }}</td>
            <td class="mono"><Digits :text="m.row.moved || 'start'" /></td>
            <td class="mono"><Digits :text="m.row.target" /></td>
            <td v-if="!bench.plate" class="mono">{{ m.row.error }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet crank">
        {{ bench.plate ? 'The crank has made in all' : `Turns of the ${bench.source} from the start` }}:
        <b class="mono"><RichText :text="bench.row.crank" /></b>
      </p>
    </div>
  </aside>
</template>

<style scoped>
.right {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-left: 1px solid var(--p-hair);
  background: var(--p-surface);
}
.dial {
  flex: 1 1 240px;
  min-height: 200px;
  display: flex;
  flex-direction: column;
}
.dh {
  height: 40px;
  flex: none;
  display: flex;
  align-items: center;
  padding: 0 16px;
  font-size: 15px;
}
.legend {
  margin-left: auto;
  display: flex;
  gap: 14px;
  font-size: 14px;
  color: var(--p-scribe-text);
}
.legend span {
  display: flex;
  align-items: center;
  gap: 6px;
}
.plate {
  flex: 1;
  min-height: 0;
  display: flex;
  justify-content: center;
  padding: 0 12px 12px;
}
.dial > .wheel {
  flex: 1;
  min-height: 0;
}
.gone {
  padding: 8px 16px 0;
  color: var(--p-amber);
}
.log {
  flex: 1 1 160px;
  padding: 8px 16px;
  min-height: 0;
}
.log table {
  width: 100%;
  font-size: 14px;
}
.log th {
  font: 400 13px/20px var(--text);
  color: var(--p-quiet);
  text-align: right;
  padding: 0;
}
.log td {
  text-align: right;
  line-height: 23px;
  border-top: 1px solid var(--p-row);
  padding: 0;
}
.log th:first-child,
.log td:first-child {
  text-align: left;
}
.latest td {
  font-weight: 650;
}
.crank {
  font-size: 14px;
  padding-top: 10px;
}
.crank b {
  color: var(--p-ink);
}
@media (max-width: 1180px) {
  .legend {
    gap: 8px;
  }
}
@media (max-width: 900px) {
  .right {
    display: none;
  }
}
</style>
