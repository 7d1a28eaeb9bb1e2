<script setup lang="ts">
import { mdiClose, mdiFileDelimitedOutline } from '@mdi/js';
import { tableKey, type DutyReport, type InputSpec, type Refusal } from '@pendrix/core';
import DutyLines from '../../ui/DutyLines.vue';
import GradeTag from '../../ui/GradeTag.vue';
import InputFields from '../../ui/InputFields.vue';
import { useSaveExport } from '../../ui/exporting.ts';
import { useReport } from '../../ui/open-drive.ts';
import IconButton from '../../ui/IconButton.vue';

/** One duty: its fields, its grade, its figures. */
defineProps<{
  duty: DutyReport;
  specs: readonly InputSpec[];
  data: object;
  set: (key: string, text: string, editSession?: string) => Refusal | null;
}>();
const report = useReport();
const saveExport = useSaveExport();
const emit = defineEmits<{ remove: [] }>();
</script>

<template>
  <section class="block" :aria-label="duty.title">
    <div class="head">
      <h3>{{ duty.title }}</h3>
      <GradeTag v-if="duty.graded" :graded="duty.graded" />
      <v-spacer />
      <v-btn
        variant="text"
        :prepend-icon="mdiFileDelimitedOutline"
        @click="saveExport(report.drive, 'csv', { of: tableKey(duty) }, tableKey(duty))"
        >CSV</v-btn
      >
      <IconButton :label="`Remove ${duty.title}`" :icon="mdiClose" :size="18" @click="emit('remove')" />
    </div>
    <InputFields across :specs="specs" :data="data" :set="set" />
    <DutyLines :duty="duty" />
  </section>
</template>

<style scoped src="./duty.css"></style>
