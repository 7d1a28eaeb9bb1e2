<script setup lang="ts">
import { computed } from 'vue';
import type { Dots } from '@pendrix/core';

/** The dots of one ledger cell, laid out like the pips of a die; beyond six a number. */
const { dots, x, y } = defineProps<{ dots: Dots; x: number; y: number }>();

const PIPS: readonly (readonly (readonly [number, number])[])[] = [
  [],
  [[0, 0]],
  [[-4, 0], [4, 0]],
  [[-4, -3.6], [4, -3.6], [0, 3.6]],
  [[-4, -4], [4, -4], [-4, 4], [4, 4]],
  [[-4.5, -4.5], [4.5, -4.5], [0, 0], [-4.5, 4.5], [4.5, 4.5]],
  [[-4, -6], [4, -6], [-4, 0], [4, 0], [-4, 6], [4, 6]],
];
const pips = computed(() => PIPS[dots.count] ?? null);
</script>

<template>
  <g :class="`dots ${dots.kind}`">
    <circle v-if="dots.kind === 'none'" class="none" :cx="x" :cy="y" r=".9" />
    <text v-else-if="!pips" :x="x" :y="y + 5" text-anchor="middle" class="many">{{ dots.count }}</text>
    <template v-for="(p, i) in pips ?? []" v-else :key="i">
      <path v-if="dots.kind === 'short'" :d="`M${x + p[0]} ${y + p[1] - 4.4}l4.4 4.4-4.4 4.4-4.4-4.4z`" />
      <circle v-else :cx="x + p[0]" :cy="y + p[1]" :r="dots.kind === 'takes' ? 2.6 : 3" />
    </template>
  </g>
</template>

<style scoped>
.brings { fill: var(--p-ink); }
.takes { fill: none; stroke: var(--p-ink); stroke-width: 1.3; }
.met { fill: var(--p-even); }
.short { fill: none; stroke: var(--p-amber); stroke-width: 1.6; }
.none { fill: var(--p-dotted); stroke: none; }
.many { font: 600 13px var(--mono); fill: currentColor; stroke: none; }
</style>
