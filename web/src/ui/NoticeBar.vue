<script setup lang="ts">
import { mdiAlertCircleOutline, mdiCheck, mdiClose } from '@mdi/js';
import { useNotices } from '../stores/notices.ts';
import IconButton from './IconButton.vue';

/** The line at the foot that tells what has just happened. */
const notices = useNotices();
function act(): void {
  const { notice } = notices;
  notices.dismiss();
  notice?.act?.do();
}
</script>

<template>
  <v-snackbar
    v-if="notices.notice"
    class="notice"
    :class="notices.notice.tone"
    :model-value="true"
    :role="notices.notice.tone === 'bad' ? 'alert' : 'status'"
  >
    <span class="line">
      <v-icon
        :icon="notices.notice.tone === 'bad' ? mdiAlertCircleOutline : mdiCheck"
        :class="notices.notice.tone === 'bad' ? 'tone-misses' : 'tone-even'"
      />
      <span>{{ notices.notice.message }}</span>
    </span>
    <template #actions>
      <v-btn v-if="notices.notice.more" variant="text" @click="notices.notice.more.do()">{{
        notices.notice.more.label
      }}</v-btn>
      <v-btn v-if="notices.notice.act" variant="text" @click="act">{{ notices.notice.act.label }}</v-btn>
      <IconButton label="Dismiss" :icon="mdiClose" :size="18" @click="notices.dismiss()" />
    </template>
  </v-snackbar>
</template>

<style scoped>
.line {
  display: flex;
  gap: 0.5rem;
}
</style>
