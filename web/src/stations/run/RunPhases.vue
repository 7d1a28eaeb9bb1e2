<script setup lang="ts">
import { mdiCheck } from '@mdi/js';
import type { DrivenReport } from '@pendrix/core';

/** Release, advance, clamp, cut: what is done at each gap with a controller, the present one large. */
const { report, paused } = defineProps<{ report: DrivenReport; paused: boolean }>();
</script>

<template>
  <div class="seq phases">
    <div
      v-for="p in report.phases"
      :key="p.title"
      class="sq"
      :class="p.is"
      :aria-live="p.is === 'now' ? 'polite' : undefined"
    >
      <p v-if="p.is === 'done'" class="n tone-even"><v-icon :icon="mdiCheck" size="18" />done</p>
      <p v-else class="n" :class="{ quiet: p.is === 'then' }">
        {{ p.is === 'now' ? (paused ? 'paused' : 'now') : 'then' }}
      </p>
      <h4>{{ p.title }}</h4>
      <p :class="{ small: p.is !== 'now' }">{{ p.is === 'done' && p.title !== 'Clamp' ? '' : p.message }}</p>
    </div>
  </div>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
<style scoped>
@media (min-width: 901px) {
  .phases {
    flex-shrink: 0;
  }
  .phases {
    display: grid;
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
  .phases:has(.now:nth-child(2)) {
    grid-template-columns: 1fr 2.4fr 1fr 1fr;
  }
  .phases:has(.now:nth-child(3)) {
    grid-template-columns: 1fr 1fr 2.4fr 1fr;
  }
  .phases:has(.now:nth-child(4)) {
    grid-template-columns: 1fr 1fr 1fr 2.4fr;
  }
}
@media (max-height: 760px) {
  .sq.now p:last-child {
    font-size: 0.9375rem;
    line-height: 1.1875rem;
  }
  .sq.now h4 {
    font-size: 2rem;
    line-height: 2.25rem;
  }
  .sq .small {
    font-size: 0.8125rem;
    line-height: 1rem;
  }
}
</style>
