<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router';
import { computed } from 'vue';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import { mdiChevronDown } from '@mdi/js';
import SubBar from '../../ui/SubBar.vue';
import { tabs } from './tabs.ts';

/** The head of Check: what is judged, as tabs, and the tools of the one that is open. */
const { open } = defineProps<{ open: string }>();
const { tree } = useOpenDrive();
const report = useReport();
const known = computed(() => tabs.filter((t) => !t.several || tree.value?.several));
/** what is asked stands open; what nobody asked for is one click away */
const shown = computed(() => known.value.filter((t) => t.id === open || t.asked(report.value)));
const more = computed(() => known.value.filter((t) => !shown.value.includes(t)));
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
        <v-tab v-for="t in shown" :key="t.id" :value="t.id">{{ t.title }}</v-tab>
      </v-tabs>
      <v-menu v-if="more.length > 0">
        <template #activator="{ props }">
          <v-btn v-bind="props" class="more" variant="text" :append-icon="mdiChevronDown">More</v-btn>
        </template>
        <v-list aria-label="Not asked">
          <v-list-item v-for="t in more" :key="t.id" :title="t.title" @click="go(t.id)" />
        </v-list>
      </v-menu>
    </template>
    <slot />
  </SubBar>
</template>

<style scoped>
.v-tabs :deep(.v-tab) {
  padding-inline: 0.5625rem;
}
.more {
  color: var(--p-quiet);
}
@media (max-width: 1180px) {
  .v-tabs :deep(.v-tab) {
    padding-inline: 0.4375rem;
    font-size: 0.875rem;
  }
}
</style>
