<script setup lang="ts">
import { computed } from 'vue';
import { strokesOf, type MarkName } from './marks.ts';

/** A grade's or a station's mark; the word beside it says the same. */
const { name, size = 12 } = defineProps<{ name: MarkName; size?: number }>();
const strokes = computed(() => strokesOf(name));
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 12 12" aria-hidden="true">
    <circle
      v-if="strokes.circle"
      cx="6"
      cy="6"
      :r="strokes.circle.r"
      :fill="strokes.circle.filled ? 'currentColor' : 'none'"
      :stroke="strokes.circle.filled ? 'none' : 'currentColor'"
      :stroke-width="strokes.circle.width"
    />
    <path
      v-if="strokes.path"
      :d="strokes.path.d"
      :fill="strokes.path.filled ? 'currentColor' : 'none'"
      :stroke="strokes.path.filled ? 'none' : 'currentColor'"
      :stroke-width="strokes.path.width"
      stroke-linecap="round"
      stroke-linejoin="round"
    />
  </svg>
</template>
