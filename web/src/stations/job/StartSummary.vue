<script setup lang="ts">
import { computed } from 'vue';
import { mdiHelpCircleOutline } from '@mdi/js';
import type { Drive } from '@pendrix/core';
import { startForm } from '@pendrix/core/start/index';

/** What it was asked first, as it stands now; each leads back to its question. */
const { drive } = defineProps<{ drive: Drive }>();
const form = computed(() => startForm(drive));
const aim = computed(() => form.value.aims.find((a) => a.id === form.value.aim)?.title ?? '');
</script>

<template>
  <div class="summary">
    <p>
      <b>{{ aim }}.</b>
      <span v-for="q in form.asking" :key="q.id"
        ><span class="quiet">{{ q.title }}</span> {{ q.value || q.taken || 'open' }}
        {{ q.value || q.taken ? q.unit : ''
        }}<span v-if="q.taken !== null" class="quiet"> (taken)</span></span
      >
    </p>
    <v-btn variant="text" :prepend-icon="mdiHelpCircleOutline" :to="{ query: { asks: '1' } }"
      >Change the answers</v-btn
    >
  </div>
</template>

<style scoped>
.summary {
  display: flex;
  align-items: start;
  gap: 0.75rem;
  font-size: 0.875rem;
}
.summary p {
  flex: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 0.125rem 0.875rem;
  padding-top: 0.375rem;
}
</style>
