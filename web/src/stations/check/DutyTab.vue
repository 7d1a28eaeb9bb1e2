<script setup lang="ts">
import { computed } from 'vue';
import { duties, dutyGroups, dutyKinds, type DutyAsk, type DutyId, type DutyKindId } from '@pendrix/core';
import CheckHead from './CheckHead.vue';
import DutyBlock from './DutyBlock.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

/** What is judged together: the first kind in the main column, the others beside it. */
const { group } = defineProps<{ group: string }>();

const kinds = computed(() =>
  (dutyGroups.find((g) => g.id === group)?.kinds ?? []).flatMap((id) => {
    const { ask }: { readonly ask?: DutyAsk } = dutyKinds[id];
    return ask && id in duties ? [{ id: id as DutyKindId & DutyId, ask }] : [];
  }),
);
const beside = computed(() => kinds.value.slice(1));
</script>

<template>
  <TwoColumns
    :aside="beside.map((k) => k.ask.title).join(', ')"
    :wide="beside.length === 0"
    shares="minmax(0, 716fr) minmax(0, 484px)"
  >
    <CheckHead :open="group" />
    <div class="scroll main">
      <DutyBlock v-for="k in kinds.slice(0, 1)" :key="k.id" :kind="k.id" :ask="k.ask" />
    </div>
    <template #aside>
      <DutyBlock v-for="k in beside" :key="k.id" :kind="k.id" :ask="k.ask" />
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
