<script setup lang="ts">
import { computed } from 'vue';
import { mdiSigma } from '@mdi/js';
import type { Figure } from '@pendrix/core';
import { useWorking } from '../stores/working.ts';

/** The key of a panel that opens the working of its principal figure. */
const { figure } = defineProps<{ figure: Figure }>();
const working = useWorking();
const open = computed(() => working.key === figure.key);
const toggle = (e: MouseEvent): void =>
  open.value ? working.close() : working.open(figure.key, e.currentTarget);
</script>

<template>
  <v-btn
    variant="text"
    :prepend-icon="mdiSigma"
    :aria-expanded="open"
    :aria-label="`Working of ${figure.label}`"
    @click="toggle"
    >Working</v-btn
  >
</template>
