<script setup lang="ts">
import { computed } from 'vue';
import { duties, dutyGroups, kindOfDuty, type DutyId, type DutyKindId } from '@pendrix/core';
import DutyLines from '../../ui/DutyLines.vue';
import { useReport } from '../../ui/open-drive.ts';
import CheckHead from './CheckHead.vue';
import DutyBlock from './DutyBlock.vue';
import TwoColumns from '../../ui/TwoColumns.vue';

/** What is judged together: the first kind in the main column, the others beside it. */
const { group } = defineProps<{ group: string }>();

const kinds = computed(() =>
  (dutyGroups.find((g) => g.id === group)?.kinds ?? []).flatMap((id) => {
    const { ask } = kindOfDuty(id);
    return ask && id in duties ? [{ id: id as DutyKindId & DutyId, ask }] : [];
  }),
);
const beside = computed(() => kinds.value.slice(1));
const report = useReport();
/** What follows from the train by itself, and is not asked for: it comes first. */
const follows = computed(() =>
  (dutyGroups.find((g) => g.id === group)?.kinds ?? [])
    .filter((id) => !kindOfDuty(id).ask)
    .flatMap((id) => report.value.duties.of(id)),
);
</script>

<template>
  <TwoColumns
    :aside="beside.map((k) => k.ask.title).join(', ')"
    :wide="beside.length === 0"
    shares="minmax(0, 716fr) minmax(0, 484px)"
  >
    <CheckHead :open="group" />
    <div class="scroll main">
      <section v-for="d in follows" :key="d.key" class="block" :aria-label="d.title">
        <div class="head">
          <h3>{{ d.title }}</h3>
        </div>
        <DutyLines :duty="d" />
      </section>
      <DutyBlock v-for="k in kinds.slice(0, 1)" :key="k.id" :kind="k.id" :ask="k.ask" />
    </div>
    <template #aside>
      <DutyBlock v-for="k in beside" :key="k.id" :kind="k.id" :ask="k.ask" />
    </template>
  </TwoColumns>
</template>

<style scoped src="./duty.css"></style>
