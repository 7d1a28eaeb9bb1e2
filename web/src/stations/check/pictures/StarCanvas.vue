<script setup lang="ts">
import { onMounted, ref, watch } from 'vue';
import type { StarPicture } from '@pendrix/core';
import { useSettings } from '../../../stores/settings.ts';
import GradeTag from '../../../ui/GradeTag.vue';
import { drawField, TIMES } from './pixels.ts';

/** Stars on the sensor, every pixel as a square. */
const { star } = defineProps<{ star: StarPicture }>();
const settings = useSettings();
const canvas = ref<HTMLCanvasElement>();
function draw(): void {
  const to = canvas.value?.getContext('2d');
  if (to) drawField(to, star.field, settings.night, [0, 0]);
}
onMounted(draw);
watch([() => star, () => settings.night], draw);
</script>

<template>
  <figure>
    <div class="sky">
      <canvas
        ref="canvas"
        :width="star.field.width * TIMES"
        :height="star.field.height * TIMES"
        role="img"
        :aria-label="`Stars after ${star.title} from the worst start: ${star.px.toFixed(1)} px long`"
      />
      <b>{{ star.title }}</b>
    </div>
    <figcaption>
      <span
        ><span class="num">{{ star.px.toFixed(1) }}</span> px long</span
      >
      <v-spacer /><GradeTag :graded="star.graded" />
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  min-width: 0;
}
.sky {
  position: relative;
  line-height: 0;
}
canvas {
  width: 100%;
  height: auto;
  image-rendering: pixelated;
}
.sky b {
  position: absolute;
  left: 0;
  top: 0;
  padding: 2px 0.5rem;
  line-height: 1.375rem;
  background: var(--p-ground);
  color: var(--p-bright);
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  white-space: nowrap;
  gap: 0 0.25rem;
  align-items: center;
  font-size: 0.875rem;
  min-height: 1.75rem;
}
.num {
  font-family: var(--mono);
}
</style>
