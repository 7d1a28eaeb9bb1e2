<script setup lang="ts">
import { computed, onErrorCaptured, shallowRef, watch } from 'vue';
import { mdiAlertOutline, mdiFileDownloadOutline, mdiRefresh } from '@mdi/js';
import { backUpAll } from './backup.ts';
import EmptyState from './EmptyState.vue';

/** What fails inside stays inside: it is told here, the rest goes on, and everything can be backed up. */
const {
  what,
  fault = null,
  quiet = false,
  again = null,
} = defineProps<{
  /** "This station" */
  what: string;
  /** a fault that was met before anything inside could be shown */
  fault?: unknown;
  /** a small part: nothing stands in its place */
  quiet?: boolean;
  /** when this changes, it is tried again */
  again?: unknown;
}>();
const caught = shallowRef<unknown>(null);
onErrorCaptured((e) => {
  console.error(e);
  caught.value = e;
  return false;
});
watch(
  () => again,
  () => (caught.value = null),
);
const shown = computed(() => caught.value ?? fault);
const reason = computed(() => (shown.value instanceof Error ? shown.value.message : String(shown.value)));
</script>

<template>
  <template v-if="shown !== null && shown !== undefined">
    <p v-if="quiet" class="sr-only" role="alert">{{ what }} could not be shown: {{ reason }}</p>
    <EmptyState
      v-else
      role="alert"
      :title="`${what} could not be shown`"
      text="The fault is in Pendrix, not in your data: everything is stored as it was. Try again, or back up all and reload the page."
    >
      <p class="mono reason"><v-icon :icon="mdiAlertOutline" size="18" /> {{ reason }}</p>
      <p class="acts">
        <v-btn :prepend-icon="mdiRefresh" @click="caught = null">Try again</v-btn>
        <v-btn variant="flat" :prepend-icon="mdiFileDownloadOutline" @click="backUpAll()">Back up all</v-btn>
      </p>
    </EmptyState>
  </template>
  <slot v-else />
</template>

<style scoped>
.reason {
  font-size: 0.875rem;
  color: var(--p-red);
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 0.5rem;
}
</style>
