<script setup lang="ts">
import { mdiAlertCircleOutline, mdiCheck, mdiClose } from '@mdi/js';
import { useNotices } from '../stores/notices.ts';

/** The line at the foot that tells what has just happened. */
const notices = useNotices();
function act(): void {
  const { notice } = notices;
  notices.dismiss();
  notice?.act?.do();
}
</script>

<template>
  <div class="place" aria-live="polite">
    <div
      v-if="notices.notice"
      class="notice"
      :class="notices.notice.tone"
      :role="notices.notice.tone === 'bad' ? 'alert' : undefined"
    >
      <v-icon :icon="notices.notice.tone === 'bad' ? mdiAlertCircleOutline : mdiCheck" size="18" />
      <span>{{ notices.notice.message }}</span>
      <v-btn v-if="notices.notice.more" variant="text" @click="notices.notice.more.do()">{{
        notices.notice.more.label
      }}</v-btn>
      <v-btn v-if="notices.notice.act" variant="text" @click="act">{{ notices.notice.act.label }}</v-btn>
      <button type="button" class="icon-button" aria-label="Dismiss" @click="notices.dismiss()">
        <v-icon :icon="mdiClose" size="18" />
      </button>
    </div>
  </div>
</template>

<style scoped>
.place {
  position: fixed;
  left: 96px;
  bottom: 14px;
  z-index: 2500;
  max-width: min(760px, calc(100vw - 112px));
}
.notice {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
  padding: 6px 6px 6px 14px;
  background: var(--p-surface);
  border: 1px solid var(--p-field);
  border-left: 4px solid var(--p-even);
  font-size: 14px;
  box-shadow: 0 2px 0 var(--p-hair);
}
.notice > .v-icon {
  color: var(--p-even);
}
.bad {
  border-left-color: var(--p-red);
}
.bad > .v-icon {
  color: var(--p-red);
}
@media (max-width: 700px) {
  .place {
    left: 12px;
    max-width: calc(100vw - 24px);
  }
}
</style>
