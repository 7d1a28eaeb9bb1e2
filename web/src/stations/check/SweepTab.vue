<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiCodeTags, mdiFileDelimitedOutline, mdiPlus } from '@mdi/js';
import { DutyChart } from '../../ui/duty-chart.ts';
import { useNotices } from '../../stores/notices.ts';
import DutyLines from '../../ui/DutyLines.vue';
import { fileStem, save } from '../../ui/files.ts';
import { useReport } from '../../ui/open-drive.ts';
import { saveTable } from '../../ui/save-table.ts';
import TextTable from '../../ui/TextTable.vue';
import { useDuty } from '../../ui/use-duty.ts';
import CheckHead from './CheckHead.vue';
import DutyFold from './DutyFold.vue';

/** Sweeps in frames: uneven motion, the time of an interval, several axes on one clock. */
const report = useReport();
const notices = useNotices();
const { list, specs, set, add, remove } = useDuty('sweeps');
const sweeps = computed(() => report.value.duties.sweeps);
const chosen = ref(0);
const shown = computed(() => sweeps.value[Math.min(chosen.value, sweeps.value.length - 1)] ?? null);
const ramp = computed(() => report.value.duties.ramp);

async function saveMoves(): Promise<void> {
  const { gcode } = await import('@pendrix/core/files/exports');
  const text = gcode(report.value.drive, null);
  if (text === null) notices.tell({ says: 'There is nothing to move: no sweep goes anywhere.', tone: 'bad' });
  else save(`${await fileStem(report.value.drive)}.gcode`, text, 'text/plain');
}
function another(): void {
  add();
  chosen.value = sweeps.value.length - 1;
}
</script>

<template>
  <div class="page">
    <section class="left">
      <CheckHead open="sweep">
        <v-btn v-if="sweeps.length > 0" variant="text" :prepend-icon="mdiCodeTags" @click="saveMoves"
          >G-code</v-btn
        >
      </CheckHead>
      <div class="scroll main">
        <div v-if="sweeps.length === 0" class="teach">
          <h3>No sweep is asked</h3>
          <p class="quiet">
            A slide or a turn in frames: from where to where, in how many frames. Each frame gets its own
            whole microstep, and what the eye would see of the rounding is said.
          </p>
        </div>
        <DutyFold
          v-for="(duty, at) in sweeps"
          :key="at"
          :duty="duty"
          :specs="specs"
          :data="list[at]!"
          :set="set(at)"
          @remove="remove(at)"
          @focusin="chosen = at"
        />
        <p v-if="report.duties.together" class="warn">{{ report.duties.together }}</p>
        <div class="actions">
          <v-btn :prepend-icon="mdiPlus" @click="another">{{
            sweeps.length === 0 ? 'Ask for a sweep' : 'Another axis'
          }}</v-btn>
        </div>
      </div>
    </section>
    <aside class="right scroll" tabindex="0" aria-label="Frame by frame">
      <template v-if="shown">
        <header class="sub">
          <h3>{{ shown.title }}, frame by frame</h3>
        </header>
        <DutyChart v-for="c in shown.charts" :key="c.key" :chart="c" />
        <div v-if="ramp" class="block">
          <div class="head">
            <h3>{{ ramp.title }}</h3>
            <span class="sp"></span>
            <v-btn
              v-if="ramp.table"
              variant="text"
              :prepend-icon="mdiFileDelimitedOutline"
              @click="saveTable('intervals', ramp.table)"
              >CSV</v-btn
            >
          </div>
          <DutyLines :duty="ramp" />
        </div>
        <TextTable v-if="shown.table" :table="shown.table" />
      </template>
      <div v-else class="teach"><h3>Frame by frame</h3></div>
    </aside>
  </div>
</template>

<style scoped src="./duty.css"></style>
