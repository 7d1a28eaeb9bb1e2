<script setup lang="ts">
import { computed } from 'vue';
import { THIN, type Rich } from '@pendrix/core';

/** Text with raised exponents and thin gaps, as spans inside an SVG text. */
const { text } = defineProps<{ text: Rich | string }>();

interface Span {
  readonly t: string;
  readonly dx?: number;
  readonly up?: boolean;
  readonly down?: boolean;
}
const spans = computed(() => {
  const out: Span[] = [];
  let raised = false;
  for (const p of typeof text === 'string' ? [text] : text) {
    const up = typeof p !== 'string' && 'sup' in p;
    const words =
      typeof p === 'string'
        ? p
        : 'sup' in p
          ? p.sup
          : 'unit' in p
            ? p.unit
            : 'strong' in p
              ? p.strong
              : p.frac.join('/');
    words.split(THIN).forEach((t, i) =>
      out.push({
        t,
        ...(i > 0 ? { dx: 3 } : {}),
        ...(up ? { up } : raised && i === 0 ? { down: true } : {}),
      }),
    );
    raised = up;
  }
  return out;
});
</script>

<template>
  <tspan
    v-for="(s, i) in spans"
    :key="i"
    :dx="s.dx"
    :dy="s.up ? -5 : s.down ? 5 : undefined"
    :font-size="s.up ? 10.5 : undefined"
    >{{ s.t }}</tspan
  >
</template>
