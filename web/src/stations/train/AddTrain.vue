<script setup lang="ts">
import { computed } from 'vue';
import { mdiAxisArrow, mdiSourceBranch } from '@mdi/js';
import type { Hang, TreeReport } from '@pendrix/core';

/** Another train: a branch from a shaft of the path that is looked at, or an axis with a motor of its own. */
const { tree, output } = defineProps<{ tree: TreeReport; output: number }>();
const emit = defineEmits<{ add: [from: Hang | null] }>();
const shafts = computed(() => tree.outputs[output]!.hangs);
</script>

<template>
  <v-menu location="bottom end">
    <template #activator="{ props }">
      <v-btn v-bind="props" variant="text" :prepend-icon="mdiSourceBranch">Add a branch</v-btn>
    </template>
    <v-list max-height="420">
      <v-list-item
        v-for="s in shafts"
        :key="s.title"
        :prepend-icon="mdiSourceBranch"
        :title="`From ${s.title}`"
        :subtitle="s.message"
        @click="emit('add', s.from)"
      />
      <v-list-item
        :prepend-icon="mdiAxisArrow"
        title="An axis of its own"
        subtitle="with a motor of its own, on the same clock"
        @click="emit('add', null)"
      />
    </v-list>
  </v-menu>
</template>
