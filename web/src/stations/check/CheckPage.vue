<script setup lang="ts">
import { computed, defineAsyncComponent, type Component } from 'vue';
import { useRoute } from 'vue-router';
import { useReport } from '../../ui/open-drive.ts';
import DivisionsTab from './DivisionsTab.vue';
import { firstTab, isTab, type TabId } from './tabs.ts';

/** How good is it? A tab for each thing that is judged; the others are loaded when they are first opened. */
const panes: Readonly<Record<TabId, Component>> = {
  divisions: DivisionsTab,
  plates: defineAsyncComponent(() => import('./PlatesTab.vue')),
  rate: defineAsyncComponent(() => import('./RateTab.vue')),
  camera: defineAsyncComponent(() => import('./CameraTab.vue')),
  arm: defineAsyncComponent(() => import('./ArmTab.vue')),
  sweep: defineAsyncComponent(() => import('./SweepTab.vue')),
  spin: defineAsyncComponent(() => import('./SpinTab.vue')),
};
const route = useRoute();
const report = useReport();
const open = computed<TabId>(() => {
  const asked = route.query['tab'];
  if (isTab(asked)) return asked;
  return typeof route.query['count'] === 'string' ? 'divisions' : firstTab(report.value);
});
</script>

<template>
  <component :is="panes[open]" />
</template>
