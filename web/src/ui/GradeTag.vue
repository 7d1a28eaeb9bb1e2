<script setup lang="ts">
import { computed } from 'vue';
import type { Graded } from '@pendrix/core';
import MarkIcon from './MarkIcon.vue';

/** A grade: mark, word and colour together, the same on every screen. */
const { graded, size = 12 } = defineProps<{ graded: Graded; size?: number }>();
/** A ratio is not broken at its colon. */
const word = computed(() => graded.word.replaceAll(' : ', '\u00a0:\u00a0'));
</script>

<template>
  <span class="grade" :class="`tone-${graded.grade}`"
    ><MarkIcon :name="graded.grade" :size="size" /><span>{{ word }}</span></span
  >
</template>
