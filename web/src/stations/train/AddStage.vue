<script setup lang="ts">
import { mdiBookshelf, mdiPlus } from '@mdi/js';
import { stages, type StageKindId } from '@pendrix/core';

/** The plus between two cards: which kind of stage goes in there. */
const { where, large = false } = defineProps<{ where: string; large?: boolean }>();
const emit = defineEmits<{ add: [kind: StageKindId]; shelf: [] }>();
const kinds = Object.entries(stages) as readonly (readonly [
  StageKindId,
  { readonly title: string; readonly message: string },
])[];
</script>

<template>
  <v-menu location="top">
    <template #activator="{ props }">
      <v-btn v-if="large" variant="flat" :prepend-icon="mdiPlus" v-bind="props">Add a stage</v-btn>
      <button v-else type="button" class="plus" v-bind="props" :aria-label="`Add a stage ${where}`">
        <span><v-icon :icon="mdiPlus" size="16" /></span>
      </button>
    </template>
    <v-list>
      <v-list-item
        :prepend-icon="mdiBookshelf"
        title="From the shelf…"
        subtitle="a worm, a box, or two wheels that you own"
        @click="emit('shelf')"
      />
      <v-list-item
        v-for="[kind, info] in kinds"
        :key="kind"
        :title="info.title"
        :subtitle="info.message"
        @click="emit('add', kind)"
      />
    </v-list>
  </v-menu>
</template>

<style scoped>
.plus {
  width: 2rem;
  height: 2rem;
  display: flex;
  align-items: center;
  justify-content: center;
  border-radius: 50%;
}
.plus span {
  width: 1.375rem;
  height: 1.375rem;
  border: 1px solid var(--p-field);
  background: var(--p-surface);
  border-radius: 50%;
  display: flex;
  align-items: center;
  justify-content: center;
  color: var(--p-blue);
}
.plus:hover span {
  background: var(--p-tint);
  border-color: var(--p-blue);
}
</style>
