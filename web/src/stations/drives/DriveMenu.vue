<script setup lang="ts">
import { mdiContentDuplicate, mdiDeleteOutline, mdiFileExportOutline, mdiPencilOutline } from '@mdi/js';

/** What can be done with a drive of the list; made when it is first opened. */
defineProps<{ activator: HTMLElement }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ rename: []; duplicate: []; export: []; remove: [] }>();
</script>

<template>
  <v-menu v-model="open" :activator="activator" :open-on-click="false" location="bottom end">
    <v-list>
      <v-list-item :prepend-icon="mdiPencilOutline" title="Rename" @click="emit('rename')" />
      <v-list-item :prepend-icon="mdiContentDuplicate" title="Duplicate" @click="emit('duplicate')" />
      <v-list-item :prepend-icon="mdiFileExportOutline" title="Export" @click="emit('export')" />
      <v-list-item :prepend-icon="mdiDeleteOutline" title="Delete" @click="emit('remove')" />
    </v-list>
  </v-menu>
</template>
