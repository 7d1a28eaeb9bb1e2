<script setup lang="ts">
import { onScopeDispose } from 'vue';
import { mdiFormatListBulleted, mdiStop, mdiWeatherNight } from '@mdi/js';
import { useEventListener } from '@vueuse/core';
import { useSettings } from '../../stores/settings.ts';
import BenchTold from './BenchTold.vue';

/** Over a session on the clock: its name, the list, its end, and the field mode: dark, large, nothing beside it. */
defineProps<{ name: string; note: string; resumed: boolean; differs: boolean; place: string }>();
const emit = defineEmits<{ others: []; end: []; seen: [] }>();
const settings = useSettings();
let byDay = false;
function field(on: boolean): void {
  if (on) {
    byDay = !settings.night;
    settings.night = true;
  } else if (byDay) settings.night = false;
  settings.field = on;
}
useEventListener(document, 'keydown', (e: KeyboardEvent) => {
  if (e.key === 'Escape' && settings.field && !document.querySelector('[role=dialog]')) field(false);
});
onScopeDispose(() => settings.field && field(false));
</script>

<template>
  <header class="sub session">
    <h2>Run</h2>
    <span class="q"
      ><b>{{ name }}</b
      >, {{ note }}</span
    >
    <v-spacer />
    <v-btn
      variant="text"
      :prepend-icon="mdiWeatherNight"
      :aria-pressed="settings.field"
      @click="field(!settings.field)"
      >{{ settings.field ? 'Leave field mode' : 'Field mode' }}</v-btn
    >
    <v-btn variant="text" :prepend-icon="mdiFormatListBulleted" @click="emit('others')">Runs</v-btn>
    <v-btn variant="text" :prepend-icon="mdiStop" @click="emit('end')">End</v-btn>
  </header>
  <BenchTold :place="place" :resumed="resumed" :differs="differs" :message="null" @seen="emit('seen')" />
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
<style scoped>
/* on a phone its keys stay, its words go */
@media (max-width: 900px) {
  .sub.session {
    position: static;
    height: 2.75rem;
    padding: 0 0.75rem;
    border-bottom: 1px solid var(--p-hair);
  }
  .sub.session > :deep(.v-btn) {
    display: inline-flex;
  }
}
</style>
