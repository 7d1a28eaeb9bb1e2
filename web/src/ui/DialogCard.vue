<script setup lang="ts">
import { useId } from 'vue';
import { mdiClose } from '@mdi/js';
import IconButton from './IconButton.vue';

/** A dialog with its title, its close key and, where something is decided, its keys below. */
const { title, width = 560 } = defineProps<{ title: string; width?: number }>();
const open = defineModel<boolean>({ required: true });
const id = useId();
</script>

<template>
  <v-dialog v-model="open" :aria-labelledby="id" :max-width="width">
    <v-card>
      <header class="in-line">
        <h2 :id="id">{{ title }}</h2>
        <v-spacer />
        <IconButton :icon="mdiClose" label="Close" @click="open = false" />
      </header>
      <slot />
      <v-card-actions v-if="$slots['actions']"><slot name="actions" /></v-card-actions>
    </v-card>
  </v-dialog>
</template>
