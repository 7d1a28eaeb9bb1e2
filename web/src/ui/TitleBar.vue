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
      ><v-icon :icon="mdiAlertOutline" size="17" />not saved: {{ trouble.message }}
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
  height: 48px;
  display: flex;
  align-items: center;
  padding: 0 16px 0 20px;
  gap: 6px;
  min-width: 0;
}
h1 {
  font-size: 20px;
  line-height: 24px;
  font-weight: 650;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 0 0 auto;
  max-width: 60%;
}
.purpose {
  color: var(--p-quiet);
  margin-left: 10px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: 0 1000 auto;
  min-width: 0;
}
.saved {
  color: var(--p-quiet);
  font-size: 14px;
  display: flex;
  align-items: center;
  gap: 5px;
  margin-right: 10px;
  white-space: nowrap;
}
.saved .v-icon {
  color: var(--p-even);
}
.trouble {
  color: var(--p-red);
  font-size: 14px;
  font-weight: 600;
  display: flex;
  align-items: center;
  gap: 5px;
  margin-right: 10px;
}
.tools {
  display: flex;
  gap: 6px;
  flex: none;
}
.search {
  margin-left: 8px;
  width: 132px;
  height: 32px;
  border: 1px solid var(--p-field);
  background: var(--p-surface);
  border-radius: 2px;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 0 6px 0 8px;
  color: var(--p-quiet);
  font-size: 14px;
}
.search span {
  flex: 1;
}
.menu {
  display: none;
  margin-left: -8px;
}
@media (max-width: 700px) {
  .title {
    padding: 0 10px 0 16px;
  }
  h1 {
    font-size: 17px;
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
