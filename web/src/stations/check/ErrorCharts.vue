<script setup lang="ts">
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import {
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  TooltipComponent,
} from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { angleText, limitText, signedAngle, type ErrorChart } from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import { useSettings } from '../../stores/settings.ts';
import { palettes } from '../../theme/colours.ts';
import { ownOption, repeatedOption } from './chart-options.ts';

/** The error at each gap, and what one repeated count does. Loaded when first shown. */
use([
  BarChart,
  LineChart,
  ScatterChart,
  GridComponent,
  TooltipComponent,
  MarkLineComponent,
  MarkAreaComponent,
  MarkPointComponent,
  CanvasRenderer,
]);

const { chart, unit } = defineProps<{
  chart: ErrorChart;
  /** what it is counted in: "microstep", "place" */
  unit: string;
}>();
const settings = useSettings();
const palette = computed(() => palettes[settings.night ? 'night' : 'day']);
const own = computed(() => ownOption(chart, palette.value));
const repeated = computed(() => repeatedOption(chart, palette.value));
const worst = computed(() => chart.errors[chart.worstMove] ?? 0);
const even = computed(() => worst.value === 0);
const lastGap = computed(
  () => `last gap ${angleText(Math.abs(chart.closing))} ${chart.closing > 0 ? 'over' : 'short'}`,
);
</script>

<template>
  <div class="charts">
    <p class="cap">
      <b>Each to its own nearest {{ unit }}</b>
      <span v-if="!even" class="quiet"
        ><i class="dash"></i>half a {{ unit }}, ±{{ angleText(chart.halfMicrostep) }}</span
      >
      <span v-else class="tone-even">every place is exact</span>
    </p>
    <div
      class="chart"
      role="img"
      :aria-label="
        even
          ? 'Every error is 0.'
          : `The error at each move, worst at gap ${chart.worstMove + 1}: ${signedAngle(worst)}.`
      "
    >
      <VChart :option="own" autoresize :update-options="{ notMerge: true }" />
    </div>
    <p v-if="!even" class="worst tone-rounded">
      worst at gap {{ chart.worstMove + 1 }}, {{ signedAngle(worst) }}
    </p>
    <p class="cap">
      <b>The same <Digits :text="chart.repeatedStep" /> repeated {{ chart.divisions }} times</b>
      <span v-if="chart.closing !== 0" :class="chart.leavesAtGap === null ? 'tone-rounded' : 'tone-misses'">{{
        lastGap
      }}</span>
      <span v-else class="tone-even">closes exactly</span>
    </p>
    <div
      class="chart two"
      role="img"
      :aria-label="
        chart.closing === 0
          ? 'It closes exactly.'
          : `The error grows evenly; ${lastGap}${chart.leavesAtGap === null ? '' : `, and leaves the tolerance at gap ${chart.leavesAtGap}`}.`
      "
    >
      <VChart :option="repeated" autoresize :update-options="{ notMerge: true }" />
    </div>
    <p class="foot quiet">
      <span>move</span>
      <span v-if="chart.leavesAtGap !== null" class="tone-misses"
        >leaves your ±{{ limitText(chart.tolerance ?? 0) }} at gap {{ chart.leavesAtGap }}</span
      >
      <span v-else-if="chart.tolerance !== null" class="tone-even"
        >within your ±{{ limitText(chart.tolerance) }}</span
      >
    </p>
  </div>
</template>

<style scoped>
.charts {
  padding: 0.625rem 1rem 0.5rem 1.25rem;
}
.cap {
  display: flex;
  justify-content: space-between;
  gap: 0.625rem;
  font-size: 0.875rem;
  line-height: 1.25rem;
}
.cap span {
  font-size: 0.8125rem;
  font-weight: 400;
}
.dash {
  display: inline-block;
  width: 1.375rem;
  border-top: 1px dashed var(--p-amber);
  margin: 0 0.5rem 0.25rem 0;
}
.chart {
  height: 8.5rem;
  margin: 2px 0 0;
}
.two {
  height: 8.75rem;
}
.worst {
  font-size: 0.8125rem;
  font-weight: 600;
  line-height: 1.125rem;
  text-align: center;
  margin: -0.375rem 0 0.625rem;
}
.foot {
  display: flex;
  justify-content: space-between;
  font-size: 0.8125rem;
  line-height: 1.125rem;
}
</style>
