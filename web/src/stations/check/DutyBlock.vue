<script setup lang="ts">
import { computed } from 'vue';
import { mdiPlus } from '@mdi/js';
import { kindOfDuty, type DutyAsk, type DutyId, type DutyKindId } from '@pendrix/core';
import { DutyChart } from '../../ui/duty-chart.ts';
import { useReport } from '../../ui/open-drive.ts';
import { useDuty } from '../../ui/use-duty.ts';
import DutyFold from './DutyFold.vue';

/** All of one kind of duty: each with its fields, figures and charts; where there is none, what it is and how to ask for it. */
const { kind } = defineProps<{ kind: DutyKindId & DutyId; ask: DutyAsk }>();
const report = useReport();
const fields = useDuty(kind);
const reports = computed(() => report.value.duties.of(kind));
const { many } = kindOfDuty(kind);
</script>

<template>
  <div v-if="reports.length === 0" class="teach">
    <h3>{{ ask.empty.title }}</h3>
    <p class="quiet">{{ ask.empty.message }}</p>
  </div>
  <template v-for="(duty, at) in reports" :key="at">
    <DutyFold
      :duty="duty"
      :specs="fields.specs"
      :data="fields.list.value[at]!"
      :set="fields.set(at)"
      @remove="fields.remove(at)"
    />
    <DutyChart v-for="c in duty.charts" :key="c.key" :chart="c" />
  </template>
  <div v-if="many || reports.length === 0" class="actions">
    <v-btn :prepend-icon="mdiPlus" @click="fields.add()">{{ ask.empty.add }}</v-btn>
  </div>
</template>

<style scoped src="./duty.css"></style>
<style scoped>
.teach {
  padding: 1.5rem 1.25rem 0.25rem;
}
</style>
