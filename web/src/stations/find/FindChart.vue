<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import VChart from 'vue-echarts';
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import type { FindPoint } from '@pendrix/core';
import { useSettings } from '../../stores/settings.ts';
import { palettes } from '../../theme/colours.ts';
import { useNextFrame } from '../../ui/next-frame.ts';
import { frontOption } from './chart-options.ts';

/** Error against teeth; each point is a row and opens it. */
use([LineChart, ScatterChart, GridComponent, CanvasRenderer]);
const { points, opened } = defineProps<{ points: readonly FindPoint[]; opened: string | null }>();
const emit = defineEmits<{ open: [key: string] }>();
const settings = useSettings();
const palette = computed(() => palettes[settings.night ? 'night' : 'day']);
// The empty chart first: it takes as long as its points, and both in one frame would be felt.
const shown = ref(false);
const drawn = useNextFrame<readonly FindPoint[]>(() => (shown.value ? points : []));
onMounted(() => (shown.value = true));
const option = computed(() => frontOption(drawn.value, opened, palette.value));
const least = computed(() => points.reduce((n, p) => Math.min(n, p.teeth), Infinity));

function click(e: { data?: unknown }): void {
  const data = e.data as { id?: string } | undefined;
  if (data?.id) emit('open', data.id);
}
</script>

<template>
  <div class="front">
    <p class="cap">
      <b>Error against teeth</b>
      <span class="quiet">each point is a row; a line is the best for its number of stages</span>
    </p>
    <div
      class="chart"
      role="img"
      :aria-label="`${points.length} trains by teeth and error; the fewest teeth are ${least}. The list above says the same.`"
    >
      <VChart
        :option="option"
        autoresize
        :update-options="{ notMerge: true, lazyUpdate: true }"
        @click="click"
      />
    </div>
  </div>
</template>

<style scoped>
.front {
  flex: none;
  border-top: 1px solid var(--p-hair);
  padding: 0.25rem 0.875rem 0;
}
.cap {
  display: flex;
  gap: 0.875rem;
  font-size: 0.875rem;
}
.cap .quiet {
  font-size: 0.8125rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.chart {
  height: 8.625rem;
}
</style>
