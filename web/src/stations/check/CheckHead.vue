<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router';
import { computed } from 'vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import SubBar from '../../ui/SubBar.vue';
import { tabs } from './tabs.ts';

/** The head of Check: what is judged, as tabs, and the tools of the one that is open. */
const { open } = defineProps<{ open: string }>();
const { tree } = useOpenDrive();
const report = useReport();
const shown = computed(() => tabs.filter((t) => !t.several || tree.value?.several));
const route = useRoute();
const router = useRouter();
const go = (tab: unknown): void => {
  if (tab !== open) void router.replace({ name: 'check', params: route.params, query: { tab: String(tab) } });
};
</script>

<template>
  <SubBar title="Check">
    <template #start>
      <v-tabs :model-value="open" aria-label="What is judged" @update:model-value="go">
        <v-tab
          v-for="t in shown"
          :key="t.id"
          :value="t.id"
          :class="{ quiet: t.id !== open && !t.asked(report) }"
          >{{ t.title }}</v-tab
        >
      </v-tabs>
    </template>
    <slot />
  </SubBar>
</template>

<style scoped>
@media (max-width: 1180px) {
  .v-tabs :deep(.v-tab) {
    padding-inline: 7px;
    font-size: 14px;
  }
}
</style>
