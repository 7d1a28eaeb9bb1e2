<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { useRouter, type RouteLocationRaw } from 'vue-router';
import { mdiMagnify } from '@mdi/js';
import { readDivisions } from '@pendrix/core';
import { useWorkshop } from '../stores/workshop.ts';
import { treeOf, useOpenDrive } from './open-drive.ts';
import { places, stations } from './stations.ts';

interface Hit {
  readonly title: string;
  readonly message: string;
  readonly to: RouteLocationRaw;
}

const open = defineModel<boolean>({ required: true });
/** typed before this was there */
const early = defineModel<string>('early', { required: true });
const workshop = useWorkshop();
const current = useOpenDrive();
const router = useRouter();
const words = ref('');
const field = ref<{ readonly focus: () => void } | null>(null);
const at = ref(0);
const MOST = 12;

/** Counts typed as numbers are judged by the open drive; words find stations and drives. */
const hits = computed<readonly Hit[]>(() => {
  const text = words.value.trim().toLowerCase();
  const id = current.id.value;
  const found: Hit[] = [];
  const counts = /\d/.test(text) ? readDivisions(text) : null;
  if (id && current.report.value && counts?.ok)
    for (const count of counts.value.slice(0, 4)) {
      const opened = current.report.value.opened(count);
      if (opened)
        found.push({
          title: `${count} divisions`,
          message: opened.row.graded.word,
          to: { name: 'check', params: { id }, query: { count } },
        });
    }
  if (id)
    for (const place of places)
      if (stations[place].title.toLowerCase().startsWith(text))
        found.push({
          title: stations[place].title,
          message: stations[place].asks,
          to: { name: place, params: { id } },
        });
  for (const r of workshop.drives)
    if (`${r.drive.name} ${r.drive.job.divisions}`.toLowerCase().includes(text))
      found.push({
        title: r.drive.name,
        message: treeOf(r.drive).purpose,
        to: { name: 'job', params: { id: r.id } },
      });
  return found.slice(0, MOST);
});

watch(
  open,
  async (now) => {
    if (!now) return;
    words.value = early.value;
    early.value = '';
    at.value = 0;
    await nextTick();
    field.value?.focus();
  },
  { immediate: true },
);
watch(words, () => (at.value = 0));

function step(by: number): void {
  at.value = Math.max(0, Math.min(hits.value.length - 1, at.value + by));
}

function go(hit: Hit | undefined): void {
  if (!hit) return;
  open.value = false;
  void router.push(hit.to);
}
</script>

<template>
  <v-dialog v-model="open" aria-label="Search" location="top" max-width="520">
    <v-card class="search">
      <v-text-field
        ref="field"
        v-model="words"
        class="words"
        aria-label="Search"
        role="combobox"
        aria-expanded="true"
        aria-controls="hits"
        :aria-activedescendant="hits.length > 0 ? `hit-${at}` : undefined"
        autocomplete="off"
        placeholder="a drive, a station, or a count such as 73"
        :prepend-inner-icon="mdiMagnify"
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
        @keydown.enter.prevent="go(hits[at])"
      />
      <!-- A list whose focus stays in the field above: the library's own moves the focus into it. -->
      <ul id="hits" role="listbox" aria-label="Found">
        <li
          v-for="(hit, i) in hits"
          :id="`hit-${i}`"
          :key="i"
          role="option"
          :aria-selected="i === at"
          :class="{ on: i === at }"
          @click="go(hit)"
          @mousemove="at = i"
        >
          <b>{{ hit.title }}</b><span class="quiet">{{ hit.message }}</span>
        </li>
      </ul>
      <p v-if="hits.length === 0" class="quiet beside">
        Nothing is called that. A number finds how the open drive divides by it: Even or not.
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.search {
  padding: 0.75rem !important;
}
li {
  display: flex;
  gap: 0.75rem;
  align-items: baseline;
  padding: 0.4375rem 0.625rem;
  cursor: pointer;
  min-height: 2.125rem;
}
li .quiet {
  margin-left: auto;
  font-size: 0.875rem;
  text-align: right;
}
.on {
  background: var(--p-tint);
  box-shadow: inset 3px 0 0 var(--p-blue);
}
</style>
