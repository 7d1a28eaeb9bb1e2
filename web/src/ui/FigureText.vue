<script setup lang="ts">
import { computed } from 'vue';
import { plainText, type Figure } from '@pendrix/core';
import { useWorking } from '../stores/working.ts';
import RichText from './RichText.vue';

/** A figure that opens its working in the drawer. */
const { figure } = defineProps<{ figure: Figure }>();
const working = useWorking();
const open = computed(() => working.key === figure.key);
const toggle = (e: Event): void => (open.value ? working.close() : working.open(figure.key, e.currentTarget));
</script>

<template>
  <button
    type="button"
    class="figure"
    :aria-expanded="open"
    :aria-label="`${figure.label}: ${plainText(figure.text)}. Open its working`"
    @click.stop="toggle"
  >
    <RichText :text="figure.text" />
  </button>
</template>
