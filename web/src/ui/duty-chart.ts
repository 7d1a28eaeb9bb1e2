import { defineAsyncComponent } from 'vue';
import { afterLoading } from './next-frame.ts';

/** The chart of a duty, loaded when it is first shown. */
export const DutyChart = defineAsyncComponent(() => import('./DutyChart.vue').then(afterLoading));
