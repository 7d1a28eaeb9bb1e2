<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import SubBar from '../../ui/SubBar.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import MeshHelper from './MeshHelper.vue';
import { isMakeTab, makeTabs, type MakeTab } from './tabs.ts';
import WheelsPane from './WheelsPane.vue';

/** What is cut, drilled, meshed and adjusted; beside it the helper for a mesh. */
const panes = {
  wheels: WheelsPane,
  circles: defineAsyncComponent(() => import('./CirclesPane.vue')),
  belts: defineAsyncComponent(() => import('./BeltsPane.vue')),
};
const route = useRoute();
const router = useRouter();
const open = computed<MakeTab>(() => (isMakeTab(route.query['tab']) ? route.query['tab'] : 'wheels'));
const go = (tab: unknown): void => {
  if (tab !== open.value)
    void router.replace({ name: 'make', params: route.params, query: { tab: String(tab) } });
};
</script>

<template>
  <TwoColumns aside="Setting a mesh" shares="minmax(0, 760fr) minmax(0, 440px)">
    <SubBar title="Make">
      <template #start>
        <v-tabs :model-value="open" aria-label="What is made" @update:model-value="go">
          <v-tab v-for="t in makeTabs" :key="t.id" :value="t.id">{{ t.title }}</v-tab>
        </v-tabs>
      </template>
      <div id="make-tools" class="tools" />
    </SubBar>
    <component :is="panes[open]" />
    <template #aside><MeshHelper /></template>
  </TwoColumns>
</template>

<style scoped>
.tools {
  display: flex;
}
</style>
