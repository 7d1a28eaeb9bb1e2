<script setup lang="ts">
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import type { DutyChart } from '@pendrix/core';
import { useSettings } from '../stores/settings.ts';
import { palettes } from '../theme/colours.ts';
import { dutyOption } from './duty-chart-options.ts';

/** One chart of a duty, with its lines named above it. Loaded when first shown. */
use([LineChart, GridComponent, MarkAreaComponent, TooltipComponent, CanvasRenderer]);
const { chart, tall = false } = defineProps<{ chart: DutyChart; tall?: boolean }>();
const settings = useSettings();
const option = computed(() => dutyOption(chart, palettes[settings.night ? 'night' : 'day']));
</script>

<template>
  <figure class="duty-chart">
    <figcaption>
      <b>{{ chart.title }}</b>
      <span v-for="s in chart.series.filter((x) => x.name)" :key="s.name" class="key" :class="s.look"
        ><i></i>{{ s.name }}</span
      >
    </figcaption>
    <div class="plot" :class="{ tall }" role="img" :aria-label="`${chart.title}. ${chart.message}`">
      <VChart :option="option" autoresize :update-options="{ notMerge: true, lazyUpdate: true }" />
    </div>
  </figure>
</template>

<style scoped>
.duty-chart {
  padding: 0.5rem 1rem 0.25rem 1.25rem;
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 1.125rem;
  font-size: 0.875rem;
  line-height: 1.25rem;
}
.key {
  font-size: 0.8125rem;
  color: var(--p-quiet);
  display: inline-flex;
  align-items: center;
  gap: 0.4375rem;
}
.key i {
  width: 1.375rem;
  border-top: 2px solid var(--p-blue);
}
.key.second i {
  border-top: 2px dotted var(--p-amber);
}
.key.third i {
  border-top: 2px dashed var(--p-ink);
}
.key.limit i {
  border-top: 2px dashed var(--p-even);
}
.plot {
  height: 11rem;
}
.tall {
  height: 20rem;
}
</style>
