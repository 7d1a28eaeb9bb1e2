<script setup lang="ts">
import { useRoute } from 'vue-router';
import { useReport } from '../../ui/open-drive.ts';
import { tabs, type TabId } from './tabs.ts';

/** The head of Check: what is judged, as tabs, and the tools of the one that is open. */
const { open } = defineProps<{ open: TabId }>();
const report = useReport();
const route = useRoute();
const ids = Object.keys(tabs) as TabId[];
</script>

<template>
  <header class="sub">
    <h2>Check</h2>
    <nav class="tabs" aria-label="What is judged">
      <RouterLink
        v-for="id in ids"
        :key="id"
        class="tab"
        :class="{ on: id === open, quiet: id !== open && !tabs[id].asked(report) }"
        :aria-current="id === open ? 'page' : undefined"
        :to="{ name: 'check', params: route.params, query: { tab: id } }"
        replace
        >{{ tabs[id].title }}</RouterLink
      >
    </nav>
    <span class="sp"></span>
    <slot />
  </header>
</template>

<style scoped>
.sub {
  gap: 4px;
}
.tabs {
  align-self: stretch;
  display: flex;
  min-width: 0;
  overflow: auto hidden;
  scrollbar-width: none;
}
.tab {
  display: flex;
  align-items: center;
  padding: 0 11px;
  color: var(--p-ink);
  text-decoration: none;
  position: relative;
  font-size: 15px;
}
.tab.quiet {
  color: var(--p-quiet);
}
.tab:hover {
  color: var(--p-blue);
}
.tab:focus-visible {
  outline-offset: -3px;
}
.tab.on {
  color: var(--p-blue);
  font-weight: 650;
}
.tab.on::after {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  bottom: 0;
  height: 3px;
  background: var(--p-blue);
}
.sub :deep(.v-btn) {
  margin-right: -8px;
  flex: none;
}
@media (max-width: 1180px) {
  .tab {
    padding: 0 7px;
    font-size: 14px;
  }
}
</style>
