<script setup lang="ts">
import { mdiAlertOutline, mdiClose } from '@mdi/js';
import IconButton from '../../ui/IconButton.vue';

/** The caution at the machine; one that moves by itself has a sentence more. */
defineProps<{ driven: boolean }>();
const emit = defineEmits<{ dismiss: [] }>();
</script>

<template>
  <p class="haz">
    <v-icon :icon="mdiAlertOutline" size="22" />
    <span
      ><template v-if="driven"
        >Cutter out before it moves, spindle stopped before hands come near, a stop within reach. Local rules
        and a qualified person first.</template
      ><template v-else
        >Spindle stopped before hands come near; clamp before the cut. Local rules and a qualified person
        first.</template
      ></span
    >
    <IconButton label="Dismiss the caution" :icon="mdiClose" @click="emit('dismiss')" />
  </p>
</template>

<style scoped src="./bench.css"></style>
