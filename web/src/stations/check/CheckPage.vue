<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch, type Component } from 'vue';
import { useRoute } from 'vue-router';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import DivisionsTab from './DivisionsTab.vue';
import DutyTab from './DutyTab.vue';
import { firstTab, isTab } from './tabs.ts';

/** How good is it? A tab for each thing that is judged. These have a page of their own, loaded when it is first opened; any other is a `DutyTab`. */
const panes: Readonly<Record<string, Component>> = {
  divisions: DivisionsTab,
  outputs: defineAsyncComponent(() => import('./OutputsTab.vue')),
  plates: defineAsyncComponent(() => import('./PlatesTab.vue')),
  rate: defineAsyncComponent(() => import('./RateTab.vue')),
  arm: defineAsyncComponent(() => import('./ArmTab.vue')),
  force: defineAsyncComponent(() => import('./ForceTab.vue')),
  picture: defineAsyncComponent(() => import('./PictureTab.vue')),
  errors: defineAsyncComponent(() => import('./ErrorsTab.vue')),
  sweep: defineAsyncComponent(() => import('./SweepTab.vue')),
};
const route = useRoute();
const { id, tree } = useOpenDrive();
const report = useReport();
const shows = (tab: unknown): tab is string =>
  isTab(tab) && (tab !== 'outputs' || Boolean(tree.value?.several));
/** where the drive was opened: to look at another output, or to edit, does not take the page away */
const first = ref('divisions');
watch(id, () => (first.value = firstTab(report.value, tree.value?.several)), {
  immediate: true,
  flush: 'sync',
});
const open = computed<string>(() => {
  const asked = route.query['tab'];
  if (shows(asked)) return asked;
  if (typeof route.query['count'] === 'string') return 'divisions';
  return shows(first.value) ? first.value : firstTab(report.value);
});
</script>

<template>
  <component :is="panes[open]" v-if="panes[open]" />
  <DutyTab v-else :key="open" :group="open" />
</template>
