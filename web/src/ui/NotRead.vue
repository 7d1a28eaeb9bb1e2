<script setup lang="ts">
/** In the place of what the database holds, while that is not known yet. */
import { refusalMessage, type Refusal } from '@pendrix/core';
import { computed } from 'vue';
import EmptyState from './EmptyState.vue';

const { why } = defineProps<{ why: Refusal }>();
const said = computed(() => refusalMessage(why));
</script>

<template>
  <EmptyState :title="said.message.replace(/\.$/, '')" :text="said.cure" />
</template>
