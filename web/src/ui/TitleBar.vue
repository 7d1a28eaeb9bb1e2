<script setup lang="ts">
import { computed } from 'vue';
import { mdiAlertOutline, mdiCheck, mdiMagnify, mdiMenu, mdiRedoVariant, mdiUndoVariant } from '@mdi/js';
import { refusalMessage, type TreeReport } from '@pendrix/core';
import { useRecords } from '../records/records.ts';
import { backUpAll } from './backup.ts';
import { timeOfDay } from './clock.ts';
import IconButton from './IconButton.vue';

/** Name, purpose, whether everything is on the disk, undo and redo, search. */
const { tree, otherwise } = defineProps<{
  title: string;
  tree: TreeReport | null;
  otherwise: string;
  undo: string | null;
  redo: string | null;
}>();
const emit = defineEmits<{ undo: []; redo: []; search: []; menu: [] }>();
const records = useRecords();
const purpose = computed(() => tree?.purpose ?? otherwise);
const saved = computed(() => (records.savedAt === null ? '' : timeOfDay(records.savedAt)));
const trouble = computed(() => records.trouble && refusalMessage(records.trouble));
</script>

<template>
  <header class="title">
    <IconButton class="menu" label="Stations" :icon="mdiMenu" :size="24" @click="emit('menu')" />
    <h1>{{ title }}</h1>
    <span class="purpose">{{ purpose }}</span>
    <v-spacer />
    <slot />
    <span v-if="trouble" class="trouble" role="alert"
      ><v-icon :icon="mdiAlertOutline" size="17" /><template v-if="records.unsaved > 0">not saved: </template
      >{{ trouble.message }}
      <v-btn variant="text" :title="trouble.cure" @click="backUpAll()">Back up all</v-btn></span
    >
    <span v-else-if="records.unsaved > 0" class="saved">saving…</span>
    <span v-else-if="saved" class="saved"
      ><v-icon :icon="mdiCheck" size="15" /><span class="word">saved</span>
      <span class="mono">{{ saved }}</span></span
    >
    <span class="tools">
      <IconButton
        :disabled="!undo"
        :label="undo ? `Undo ${undo}` : 'Nothing to undo'"
        :icon="mdiUndoVariant"
        @click="emit('undo')"
      />
      <IconButton
        :disabled="!redo"
        :label="redo ? `Redo ${redo}` : 'Nothing to redo'"
        :icon="mdiRedoVariant"
        @click="emit('redo')"
      />
      <button type="button" class="search" aria-label="Search" aria-keyshortcuts="/" @click="emit('search')">
        <v-icon :icon="mdiMagnify" size="18" /><span>Search</span><kbd aria-hidden="true">/</kbd>
      </button>
    </span>
  </header>
</template>

<style scoped>
.title {
  height: 3rem;
  display: flex;
  align-items: center;
  padding: 0 1rem 0 1.25rem;
  gap: 0.375rem;
  min-width: 0;
}
h1 {
  font-size: 1.25rem;
  line-height: 1.5rem;
  font-weight: 650;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 0 0 auto;
  max-width: 60%;
}
.purpose {
  color: var(--p-quiet);
  margin-left: 0.625rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 0 1000 auto;
  min-width: 0;
}
.saved {
  color: var(--p-quiet);
  font-size: 0.875rem;
  display: flex;
  align-items: center;
  gap: 0.3125rem;
  margin-right: 0.625rem;
  white-space: nowrap;
}
.saved .v-icon {
  color: var(--p-even);
}
.trouble {
  color: var(--p-red);
  font-size: 0.875rem;
  font-weight: 600;
  display: flex;
  align-items: center;
  gap: 0.3125rem;
  margin-right: 0.625rem;
}
.tools {
  display: flex;
  gap: 0.375rem;
  flex: none;
}
.search {
  margin-left: 0.5rem;
  width: 8.25rem;
  height: 2rem;
  border: 1px solid var(--p-field);
  background: var(--p-surface);
  border-radius: 2px;
  display: flex;
  align-items: center;
  gap: 0.375rem;
  padding: 0 0.375rem 0 0.5rem;
  color: var(--p-quiet);
  font-size: 0.875rem;
}
.search span {
  flex: 1;
}
.menu {
  display: none;
  margin-left: -0.5rem;
}
@media (max-width: 700px) {
  .title {
    padding: 0 0.625rem 0 1rem;
  }
  h1 {
    font-size: 1.0625rem;
    flex: 1 1 auto;
  }
  .purpose,
  .saved .word,
  .tools {
    display: none;
  }
  .saved {
    margin-right: 0;
  }
  .menu {
    display: inline-flex;
  }
}
</style>
