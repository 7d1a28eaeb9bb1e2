<script setup lang="ts">
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { mdiArrowRight, mdiPlus } from '@mdi/js';
import { asking, kindOfDuty } from '@pendrix/core';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';

/** One list of what a drive can be asked besides dividing, each with what it is for. What is asked already leads to where it is judged. */
const { edit } = useOpenDrive();
const report = useReport();
const route = useRoute();
const router = useRouter();

interface Ask {
  readonly title: string;
  readonly purpose: string;
  /** the tab of Check that judges it */
  readonly tab: string;
  /** it is there already, and there is one of it */
  readonly there: boolean;
  readonly add: () => void;
}
const asks = computed<readonly Ask[]>(() =>
  asking.flatMap((id): readonly Ask[] => {
    const { ask, asked, many, group } = kindOfDuty(id);
    if (!ask) return [];
    const { title, purpose, edit: added } = ask;
    const there = !many && asked(report.value.drive);
    return [{ title, purpose, tab: group.id, there, add: () => void edit(added) }];
  }),
);
const see = (tab: string): void => void router.push({ name: 'check', params: route.params, query: { tab } });
const there = computed(() => asks.value.filter((a) => a.there));
</script>

<template>
  <div class="in-line">
    <v-menu location="bottom start">
      <template #activator="{ props }">
        <v-btn v-bind="props" :prepend-icon="mdiPlus">Add a rate, a sweep, a camera…</v-btn>
      </template>
      <v-list>
        <v-list-item
          v-for="a in asks"
          :key="a.title"
          :title="a.title"
          :subtitle="a.purpose"
          :prepend-icon="a.there ? mdiArrowRight : mdiPlus"
          @click="a.there ? see(a.tab) : a.add()"
        />
      </v-list>
    </v-menu>
    <v-btn
      v-for="a in there"
      :key="a.title"
      variant="text"
      :append-icon="mdiArrowRight"
      @click="see(a.tab)"
      >{{ a.title }}</v-btn
    >
  </div>
</template>
