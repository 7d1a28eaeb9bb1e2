<script setup lang="ts">
import { mdiMagnify, mdiPencilOutline } from '@mdi/js';
import type { Drive, LogEntry, LogReport } from '@pendrix/core';
import EmptyState from '../../ui/EmptyState.vue';
import IconButton from '../../ui/IconButton.vue';

/** Every entry, the newest first; what is open or due says so. */
const { report, filtered } = defineProps<{ report: LogReport; drive: Drive; filtered: boolean }>();
const sought = defineModel<string>('sought', { required: true });
const emit = defineEmits<{ change: [entry: LogEntry]; add: [] }>();
</script>

<template>
  <section aria-label="Entries" tabindex="0">
    <header>
      <h3>Entries</h3>
      <span class="quiet">{{ report.rows.length }}</span>
      <v-spacer />
      <v-text-field
        v-model="sought"
        class="seek"
        placeholder="Search"
        aria-label="Search the log"
        :append-inner-icon="mdiMagnify"
      />
    </header>
    <EmptyState
      v-if="report.rows.length === 0"
      :title="filtered ? 'Nothing here' : 'Nothing written yet'"
      :text="
        filtered
          ? 'No entry is of this kind with these words.'
          : 'What you measured, changed, heard or wish: an entry is a line with a date, and figures with units. Runs, steps of the build and faults come by themselves.'
      "
    />
    <ol v-else>
      <li
        v-for="r in report.rows.slice(0, 200)"
        :key="r.line.id"
        :class="{ wants: r.state === 'open' || r.state.startsWith('due since') }"
      >
        <p class="top">
          <b>{{ r.line.at }}</b>
          <span v-if="r.line.revision !== null" class="rev">{{ r.line.revision }}</span>
          <span class="quiet">{{ r.kind }}</span>
          <span v-if="r.state" class="state">{{ r.state }}</span>
          <IconButton
            v-if="r.line.entry"
            :label="`Change the entry of ${r.line.at}`"
            :icon="mdiPencilOutline"
            :size="18"
            @click="emit('change', r.line.entry)"
          />
        </p>
        <p>{{ r.line.words }}</p>
        <p v-if="r.figures" class="mono">{{ r.figures }}</p>
      </li>
      <li v-if="report.rows.length > 200" class="quiet">{{ report.rows.length - 200 }} more in the CSV.</li>
    </ol>
  </section>
</template>

<style scoped src="./log.css"></style>
<style scoped>
header {
  align-items: center;
}
.seek {
  max-width: 10.625rem;
}
ol {
  list-style: none;
}
li {
  padding: 0.375rem 0.75rem 0.375rem 1.25rem;
  border-bottom: 1px solid var(--p-row);
  font-size: 0.875rem;
  line-height: 1.1875rem;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 0.5rem;
  font-size: 0.8125rem;
  min-height: 2rem;
  padding-right: 2.25rem;
  position: relative;
}
.top > :deep(.v-btn) {
  position: absolute;
  top: 0;
  right: 0;
}
.rev {
  border: 1px solid var(--p-ink);
  border-radius: 9px;
  min-width: 1.125rem;
  text-align: center;
  font: 650 0.75rem/1rem var(--mono);
}
.top b,
.state {
  white-space: nowrap;
}
.state {
  color: var(--p-amber);
  font-weight: 650;
}
.wants {
  background: var(--p-amber-ground);
}
.mono {
  font-size: 0.8125rem;
}
</style>
