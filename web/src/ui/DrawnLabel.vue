<script setup lang="ts">
import { computed } from 'vue';
import type { Rich } from '@pendrix/core';
import RichSvg from './RichSvg.vue';

/** The two lines of words beside a part. As plain text, so that its letters are set anew only when they say something else. */
const { title, message } = defineProps<{
  title: string;
  /** rich text as JSON */
  message: string;
}>();
const rich = computed(() => JSON.parse(message) as Rich);
</script>

<template>
  <g>
    <text class="ln"><RichSvg :text="title" /></text>
    <text v-if="rich.length > 0" class="lt" y="17"><RichSvg :text="rich" /></text>
  </g>
</template>
