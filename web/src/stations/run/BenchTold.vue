<script setup lang="ts">
import { mdiAlertOutline, mdiClose } from '@mdi/js';
import IconButton from '../../ui/IconButton.vue';

/** What has to be told before anybody goes on: a run that was taken up, a train that was changed, what the controller did. */
defineProps<{ place: string; resumed: boolean; differs: boolean; message: string | null }>();
const emit = defineEmits<{ seen: []; heard: [] }>();
</script>

<template>
  <p v-if="resumed" class="told" role="status">
    <v-icon :icon="mdiAlertOutline" size="20" /><span
      >This run was under way before. It stands at {{ place }}: check the mark before you go on.</span
    >
    <IconButton label="Dismiss" :icon="mdiClose" :size="18" @click="emit('seen')" />
  </p>
  <p v-if="differs" class="told">
    <v-icon :icon="mdiAlertOutline" size="20" /><span
      >The drive was changed since this run began; the run keeps the numbers it began with.</span
    >
  </p>
  <p v-if="message" class="told" role="alert">
    <v-icon :icon="mdiAlertOutline" size="20" /><span>{{ message }}</span>
    <IconButton label="Dismiss" :icon="mdiClose" :size="18" @click="emit('heard')" />
  </p>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
