<script setup lang="ts">
import type { DotRow } from './dots.ts';

/** The dots of one row of a ledger. */
defineProps<{ row: DotRow; y: number }>();
</script>

<template>
  <path v-for="p in row.paths" :key="p.kind" :class="p.kind" :d="p.d" />
  <text
    v-for="m in row.many"
    :key="m.x"
    class="many"
    :class="m.kind"
    :x="m.x"
    :y="y + 5"
    text-anchor="middle"
    >{{ m.text }}</text
  >
</template>

<style scoped>
.brings {
  fill: var(--p-ink);
}
.takes {
  fill: none;
  stroke: var(--p-ink);
  stroke-width: 1.3;
}
.met {
  fill: var(--p-even);
}
.short {
  fill: none;
  stroke: var(--p-amber);
  stroke-width: 1.6;
}
.none {
  fill: var(--p-dotted);
}
.many {
  font: 600 13px var(--mono);
  stroke: none;
}
.many.takes {
  fill: var(--p-ink);
}
.many.short {
  fill: var(--p-amber);
}
</style>
