<script setup lang="ts">
import { kindOf, type Drive, type Edit, type Refusal } from '@pendrix/core';

/** The stages of the present train that stay: the rest is searched for around them. */
const { drive, edit } = defineProps<{
  drive: Drive;
  edit: (edit: Edit, burst?: string) => Refusal | null;
}>();
const named = (i: number): string => {
  const stage = drive.train.stages[i]!;
  return `${kindOf(stage).short} ${kindOf(stage).label(stage)}`.replace(/^./, (c) => c.toUpperCase());
};
</script>

<template>
  <template v-if="drive.train.stages.length > 0">
    <h3>Keep</h3>
    <div class="kept" role="group" aria-label="Stages that stay">
      <label v-for="(s, i) in drive.train.stages" :key="i"
        ><input
          type="checkbox"
          :checked="s.kept === true"
          @change="edit({ do: 'stage', at: i, key: 'kept', text: s.kept ? '' : 'true' })"
        />{{ named(i) }}</label
      >
    </div>
  </template>
</template>

<style scoped>
h3 {
  display: flex;
  align-items: center;
  height: 32px;
  flex: none;
  margin: 4px -16px 2px -20px;
  padding: 0 16px 0 20px;
  border-bottom: 1px solid var(--p-row);
}
.kept {
  display: flex;
  flex-direction: column;
  font-size: 14px;
}
.kept label {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 28px;
}
</style>
