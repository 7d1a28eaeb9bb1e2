<script setup lang="ts">
import { mdiArrowLeft, mdiArrowRight, mdiPause, mdiPlay } from '@mdi/js';

/** The three large keys of a bench: on, back, pause. A key that is held down acts once. */
defineProps<{
  go: string;
  paused: boolean;
  /** keys that do nothing now */
  off: { readonly go: boolean; readonly back: boolean; readonly pause: boolean };
}>();
const emit = defineEmits<{ go: []; back: []; pause: [] }>();
</script>

<template>
  <div class="keys" @keydown.enter="(e: KeyboardEvent) => e.repeat && e.preventDefault()">
    <button type="button" class="key go" :disabled="off.go" aria-keyshortcuts="Space" @click="emit('go')">
      <kbd aria-hidden="true">Space</kbd>{{ go }}<v-icon class="arrow" :icon="mdiArrowRight" size="24" />
    </button>
    <button
      type="button"
      class="key"
      :disabled="off.back"
      aria-keyshortcuts="Backspace"
      @click="emit('back')"
    >
      <kbd aria-hidden="true">Backspace</kbd><v-icon class="arrow" :icon="mdiArrowLeft" size="22" />Back
    </button>
    <button
      type="button"
      class="key pause"
      :disabled="off.pause"
      aria-keyshortcuts="P"
      @click="emit('pause')"
    >
      <v-icon :icon="paused ? mdiPlay : mdiPause" size="26" />{{ paused ? 'Go on' : 'Pause'
      }}<kbd aria-hidden="true">P</kbd>
    </button>
  </div>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
