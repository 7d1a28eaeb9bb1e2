<script setup lang="ts">
import { computed } from 'vue';
import { cutCount, cutInRow, type RunState } from '@pendrix/core';

/** The wheel unrolled: one tick a gap. For a phone. */
const { state, left } = defineProps<{ state: RunState; left: string }>();
const divisions = computed(() => state.plan.divisions);
const gap = computed(() => state.gap);
const isCut = computed(() => cutInRow(state));
const done = computed(() => cutCount(state));
const W = 358;
const pitch = computed(() => W / divisions.value);
const x = (i: number): string => (pitch.value * (i + 0.5)).toFixed(1);
const single = computed(() => divisions.value <= 180);
const path = (top: number, has: (gap: number) => boolean): string =>
  Array.from({ length: divisions.value }, (_, i) => (has(i + 1) ? `M${x(i)} 26V${top}` : '')).join('');
const cut = computed(() => (single.value ? path(8, isCut.value) : ''));
const togo = computed(() =>
  single.value ? path(18, (g) => !isCut.value(g) && (state.finished || g !== state.gap)) : '',
);
</script>

<template>
  <div class="strip ground">
    <p>
      <b>{{ done }} of {{ divisions }} cut</b><span>{{ left }}</span>
    </p>
    <svg viewBox="0 0 358 36" role="img" :aria-label="`${done} of ${divisions} cut`">
      <rect v-if="!single" x="0" y="10" :width="pitch * done" height="16" fill="var(--p-scribe)" />
      <path class="cut" :d="cut" />
      <path class="togo" :d="togo" />
      <path class="s2" d="M0 26.5H358" />
      <template v-if="!state.finished">
        <path class="now" :d="`M${x(gap - 1)} 26V2`" />
        <path :d="`M${x(gap - 1)} 26l-5 8h10z`" fill="var(--p-bright)" />
      </template>
    </svg>
  </div>
</template>

<style scoped>
.strip {
  padding: 9px 16px 8px;
}
p {
  display: flex;
  justify-content: space-between;
  font-size: 14px;
}
p span {
  color: var(--p-scribe-text);
}
svg {
  width: 100%;
  margin-top: 6px;
}
.cut {
  stroke: var(--p-scribe);
  stroke-width: 2;
}
.togo {
  stroke: var(--p-scribe2);
  stroke-width: 1.2;
}
.now {
  stroke: var(--p-bright);
  stroke-width: 2.4;
}
</style>
