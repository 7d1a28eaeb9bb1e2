<script setup lang="ts">
import type { Graded } from '@pendrix/core';
import MarkIcon from './MarkIcon.vue';

/** A grade: mark, word and colour together, the same on every screen. */
defineProps<{ graded: Graded; size?: number }>();
</script>

<template>
  <span class="grade" :class="`tone-${graded.grade}`"
    ><MarkIcon :name="graded.grade" :size="size ?? 12" /><span>{{ graded.word }}</span></span
  >
</template>
