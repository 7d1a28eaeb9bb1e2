<script setup lang="ts">
import { computed } from 'vue';
import { mdiPlus } from '@mdi/js';
import { controllerInputs, keepingInputs } from '@pendrix/core';
import DutyLines from './DutyLines.vue';
import InputFields from './InputFields.vue';
import { useReport } from './open-drive.ts';
import { useDuty } from './use-duty.ts';
import FieldGroup from './FieldGroup.vue';

/** The controller of the whole drive, wherever it is set: the same fields, the same budgets. */
const { across = false, keeping = false } = defineProps<{
  across?: boolean;
  /** how rates are kept with it, too */
  keeping?: boolean;
}>();
const report = useReport();
const timer = useDuty('timer');
const data = computed(() => timer.list.value[0]);
const budgets = computed(() => report.value.duties.one('controller'));
</script>

<template>
  <div class="controller">
    <template v-if="data">
      <template v-if="keeping">
        <FieldGroup title="Timer"
          ><InputFields :across="across" :specs="controllerInputs" :data="data" :set="timer.set(0)"
        /></FieldGroup>
        <FieldGroup title="Allowed"
          ><InputFields :across="across" :specs="keepingInputs" :data="data" :set="timer.set(0)"
        /></FieldGroup>
      </template>
      <InputFields v-else :across="across" :specs="controllerInputs" :data="data" :set="timer.set(0)" />
      <DutyLines v-if="!across && budgets && budgets.lines.length > 0" :duty="budgets" />
      <v-btn v-if="!across" variant="text" @click="timer.remove(0)">Remove the controller</v-btn>
    </template>
    <template v-else>
      <p class="quiet">What makes the steps: its clock serves rates, sweeps, speeds, ramps and Find.</p>
      <v-btn :prepend-icon="mdiPlus" @click="timer.add()">Add the controller</v-btn>
    </template>
  </div>
</template>

<style scoped>
.controller {
  font-size: 0.875rem;
}
.controller > p {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  padding: 0.1875rem 0 0.375rem;
}
.controller :deep(.duty-lines > div) {
  grid-template-columns: minmax(0, 1fr) auto;
  padding: 0.1875rem 0;
  font-size: 0.8125rem;
}
.controller :deep(.duty-lines .note) {
  grid-column: 1 / -1;
}
</style>
