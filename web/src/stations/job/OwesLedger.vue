<script setup lang="ts">
import { computed } from 'vue';
import type { OwesReport } from '@pendrix/core';
import DotRow from '../../ui/DotRow.vue';
import { dotRow } from '../../ui/dots.ts';
import RichSvg from '../../ui/RichSvg.vue';

/** What the counts need, prime by prime, and what the bare motor leaves for the train to bring. */
const { owes, width = 412 } = defineProps<{ owes: OwesReport; width?: number }>();
const LABEL = 84;
const RIGHT = 84;
const ROW = 23;
const column = computed(() => Math.min(44, (width - LABEL - RIGHT) / Math.max(1, owes.primes.length)));
const cx = (i: number): number => LABEL + column.value * (i + 0.5);
const head = 26;
const needY = computed(() => head + ROW * owes.rows.length + (owes.unlisted > 0 ? ROW : 0) + 3);
</script>

<template>
  <svg
    class="book-svg"
    :width="width"
    :height="needY + 82"
    :viewBox="`0 0 ${width} ${needY + 82}`"
    role="img"
    :aria-label="owes.alt"
  >
    <text x="0" y="17" class="q">prime</text>
    <text v-for="(p, i) in owes.primes" :key="p" :x="cx(i)" y="17" text-anchor="middle" class="m b">
      {{ p }}
    </text>
    <path :d="`M0 ${head + 0.5}H${width}`" class="hair" />
    <g v-for="(row, r) in owes.rows" :key="row.divisions">
      <text x="0" :y="head + ROW * r + 17" class="m">{{ row.divisions }}</text>
      <DotRow :row="dotRow(row.cells, cx, head + ROW * r + 12.5)" :y="head + ROW * r + 12.5" />
      <text :x="width" :y="head + ROW * r + 17" text-anchor="end" class="m q">
        <RichSvg :text="row.primes" />
      </text>
    </g>
    <text v-if="owes.unlisted > 0" x="0" :y="needY - 9" class="q">and {{ owes.unlisted }} more</text>
    <path :d="`M0 ${needY - 0.5}H${width}`" class="ink" />
    <text x="0" :y="needY + 18" class="t b">All need</text>
    <DotRow :row="dotRow(owes.need, cx, needY + 13)" :y="needY + 13" />
    <text x="0" :y="needY + 43" class="t">{{ owes.motorLabel }}</text>
    <text
      v-for="(n, i) in owes.motor"
      :key="`m${i}`"
      :x="cx(i)"
      :y="needY + 43"
      text-anchor="middle"
      class="m"
    >
      {{ n === 0 ? '·' : n }}
    </text>
    <path :d="`M0 ${needY + 51.5}H${width}`" class="hair" />
    <text x="0" :y="needY + 71" class="t b amber">Still needed</text>
    <DotRow :row="dotRow(owes.owes, cx, needY + 66)" :y="needY + 66" />
  </svg>
</template>
