<script setup lang="ts">
import CheckField from '../../ui/CheckField.vue';
import { kindOf, type Drive, type Edit, type Refusal } from '@pendrix/core';

/** The stages of the present train that stay: the rest is searched for around them. */
const { drive, edit } = defineProps<{
  drive: Drive;
  edit: (edit: Edit, editSession?: string) => Refusal | null;
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
      <CheckField
        v-for="(s, i) in drive.train.stages"
        :key="i"
        :label="named(i)"
        :value="s.kept === true"
        @set="(on) => edit({ do: 'stage', at: i, key: 'kept', text: on ? 'true' : '' })"
      />
    </div>
  </template>
</template>
