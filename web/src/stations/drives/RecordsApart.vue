<script setup lang="ts">
import { computed, shallowRef } from 'vue';
import { mdiAlertOutline, mdiDeleteOutline, mdiFileDownloadOutline } from '@mdi/js';
import { counted, refusalSentence } from '@pendrix/core';
import { kinds, type Apart } from '../../records/kinds.ts';
import { useRecords } from '../../records/records.ts';
import { useNotices } from '../../stores/notices.ts';
import { backUpAll } from '../../ui/backup.ts';
import DialogCard from '../../ui/DialogCard.vue';
import { saveRaw } from '../../ui/files.ts';

/** Records that this version cannot read: named, kept as they are, to be exported or deleted. Everything else works on. */
const records = useRecords();
const notices = useNotices();
const asking = shallowRef<Apart | null>(null);
const open = computed({
  get: () => asking.value !== null,
  set: (now) => {
    if (!now) asking.value = null;
  },
});

async function discard(record: Apart): Promise<void> {
  asking.value = null;
  await records.discard(record);
  notices.tell({ message: `${record.name} is deleted.`, tone: 'plain' });
}
</script>

<template>
  <section v-if="records.apart.length > 0" class="apart" aria-label="Set apart">
    <h3>
      <v-icon :icon="mdiAlertOutline" size="20" />{{
        counted(records.apart.length, 'record').replace(/^./, (c) => c.toUpperCase())
      }}
      cannot be read by this version and
      {{ records.apart.length === 1 ? 'is' : 'are' }} set apart. The rest works.
    </h3>
    <ul>
      <li v-for="a in records.apart" :key="`${a.kind}/${a.id}`">
        <b>{{ a.name }}</b>
        <span class="quiet">{{ kinds[a.kind].title }}; {{ refusalSentence(a.why) }}</span>
        <v-spacer />
        <v-btn variant="text" :prepend-icon="mdiFileDownloadOutline" @click="saveRaw(a.name, a.raw)"
          >Export<span class="sr-only"> {{ a.name }}</span></v-btn
        >
        <v-btn variant="text" :prepend-icon="mdiDeleteOutline" @click="asking = a"
          >Delete<span class="sr-only"> {{ a.name }}</span></v-btn
        >
      </li>
    </ul>
    <DialogCard v-model="open" :title="`Delete ${asking?.name ?? ''}?`">
      <p>
        It cannot be read, so it cannot be brought back by Undo. Export it first, or back up all that can be
        read.
      </p>
      <template #actions>
        <v-btn variant="text" @click="asking = null">Cancel</v-btn>
        <v-btn @click="backUpAll()">Back up all</v-btn>
        <v-btn variant="flat" color="error" @click="asking && discard(asking)">Delete</v-btn>
      </template>
    </DialogCard>
  </section>
</template>

<style scoped>
.apart {
  padding: 0.5rem 1rem 0.5rem 1.25rem;
  background: var(--p-amber-ground);
  border-bottom: 1px solid var(--p-amber-rule);
  max-height: 11.25rem;
  overflow: auto;
}
h3,
li {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font-size: 0.875rem;
  min-height: 2rem;
}
</style>
