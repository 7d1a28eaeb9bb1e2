<script setup lang="ts">
import { mdiAlertOutline, mdiClose } from '@mdi/js';
import { useOpenDrive, useReport } from '../../ui/open-drive.ts';
import IconButton from '../../ui/IconButton.vue';

/** The caution where the hazard is, until it is dismissed for this drive. (handbook: cautions) */
const { about } = defineProps<{ about: keyof typeof CAUTIONS }>();
const CAUTIONS = {
  spindle: 'Spindle stopped before hands come near; clamp before the cut.',
  advance: 'Cutter out before it moves, spindle stopped before hands come near, a stop within reach.',
  frames:
    'It moves by itself: hands, hair and sleeves clear of belts and wheels; tripod and slider tethered.',
  following:
    'Never point a camera, a finder or an eye at the sun. In the dark: a light for the ground, and not alone; the tripod tethered.',
} as const;
const { edit } = useOpenDrive();
const report = useReport();
</script>

<template>
  <p v-if="!(report.drive.dismissed ?? []).includes(about)" class="haz">
    <v-icon :icon="mdiAlertOutline" size="22" />
    <span>{{ CAUTIONS[about] }} Local rules and a qualified person first.</span>
    <IconButton
      label="Dismiss the caution"
      :icon="mdiClose"
      @click="edit({ do: 'dismiss', caution: about })"
    />
  </p>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
