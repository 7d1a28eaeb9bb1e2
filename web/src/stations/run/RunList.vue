<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { mdiDeleteOutline, mdiDotsVertical, mdiPencilOutline } from '@mdi/js';
import { runDone, runPlace } from '@pendrix/core';
import { dayAndTime } from '../../ui/clock.ts';
import type { RunRecord } from '../../records/kinds.ts';
import type { CurrentRun } from './use-run.ts';
import IconButton from '../../ui/IconButton.vue';

/** The runs of this drive: those under way, those that were put aside, those that are done. */
const { runs } = defineProps<{ runs: CurrentRun }>();
const groups = computed(() =>
  [
    { title: 'Under way', list: runs.open.value },
    { title: 'Ended and finished', list: runs.past.value },
  ].filter((g) => g.list.length > 0),
);
const place = ({ state }: RunRecord): string => runPlace(state, Date.now());
const action = (r: RunRecord): string => (r.state.finished ? 'Look at it' : r.ended ? 'Take up' : 'Go on');

const renaming = ref<string | null>(null);
const draft = ref('');
async function startRename(r: RunRecord): Promise<void> {
  renaming.value = r.id;
  draft.value = r.name;
  await nextTick();
  document.querySelector<HTMLInputElement>('.run-name input')?.select();
}
function endRename(r: RunRecord, keep: boolean): void {
  if (renaming.value !== r.id) return;
  renaming.value = null;
  const name = draft.value.trim().slice(0, 60);
  if (keep && name !== '' && name !== r.name) void runs.rename(r, name);
}
</script>

<template>
  <div v-if="groups.length > 0" class="past scroll">
    <template v-for="g in groups" :key="g.title">
      <h3>{{ g.title }}</h3>
      <ul>
        <li v-for="r in g.list" :key="r.id">
          <v-text-field
            v-if="renaming === r.id"
            v-model="draft"
            class="run-name"
            :aria-label="`Name of the run ${r.name}`"
            @keydown.enter="endRename(r, true)"
            @keydown.escape.stop="endRename(r, false)"
            @blur="endRename(r, true)"
          />
          <span v-else class="who"
            ><b>{{ r.name }}</b
            ><span class="quiet">{{ place(r) }}, {{ dayAndTime(r.touchedAt) }}</span></span
          >
          <v-btn
            variant="text"
            :aria-label="`${action(r)}: ${r.name}, ${runDone(r.state)}`"
            @click="runs.takeUp(r)"
            >{{ action(r) }}</v-btn
          >
          <v-menu location="bottom end">
            <template #activator="{ props }">
              <IconButton
                v-bind="props"
                :label="`Actions for the run ${r.name}`"
                :icon="mdiDotsVertical"
                :size="18"
              />
            </template>
            <v-list>
              <v-list-item :prepend-icon="mdiPencilOutline" title="Rename" @click="startRename(r)" />
              <v-list-item :prepend-icon="mdiDeleteOutline" title="Delete the run" @click="runs.remove(r)" />
            </v-list>
          </v-menu>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.past {
  border-top: 1px solid var(--p-hair);
  padding: 0.625rem 0.75rem 0.625rem 1.25rem;
  min-height: 6rem;
}
li {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  min-height: 2.75rem;
  border-bottom: 1px solid var(--p-row);
  font-size: 0.875rem;
}
.who {
  flex: 1;
  min-width: 0;
}
.who .quiet {
  display: block;
  line-height: 1.0625rem;
}
</style>
