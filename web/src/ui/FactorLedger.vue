<script setup lang="ts">
import { computed } from 'vue';
import { plainText, THIN, type LedgerReport } from '@pendrix/core';
import DotRow from './DotRow.vue';
import { dotRow } from './dots.ts';
import MarkIcon from './MarkIcon.vue';
import RichSvg from './RichSvg.vue';

/** The arithmetic made visible: what each part brings, what each division asks, what is short. */
const {
  ledger,
  width = 352,
  chosen = null,
} = defineProps<{ ledger: LedgerReport; width?: number; chosen?: string | null }>();
const emit = defineEmits<{ choose: [prime: string] }>();

const LABEL = 82;
const RIGHT = 88;
const ROW = 25;
/** Width of a figure of the total, and of the gap between its groups, px. */
const FIGURE = 8.6;
const GAP = 3;
const column = computed(() => Math.min(28, (width - LABEL - RIGHT) / Math.max(ledger.primes.length, 1)));
const cx = (i: number): number => LABEL + column.value * (i + 0.5);
const head = 32;
const hasY = computed(() => head + ROW * ledger.supply.length);
/** Beside its columns while there is room, else on a line of its own. */
const totalBelow = computed(() => {
  const groups = ledger.total.split(THIN);
  const long = groups.join('').length * FIGURE + (groups.length - 1) * GAP;
  return long > width - cx(ledger.primes.length - 1) - 14;
});
const demandY = computed(() => hasY.value + (totalBelow.value ? 52 : 30));
const shortY = computed(() => demandY.value + ROW * ledger.demand.length);
const height = computed(() => shortY.value + (ledger.demand.length > 0 ? 30 : 4));
const alt = computed(
  () =>
    `The train has ${ledger.total.replaceAll(THIN, ' ')}. ` +
    ledger.demand.map((d) => `${d.divisions} needs ${plainText(d.primes)}: ${d.graded.word}`).join('; ') +
    (ledger.missing.length > 0 ? `. ${ledger.missing.map((m) => `${m.strong} ${m.rest}`).join(' ')}` : '.'),
);
const band = computed(() => ledger.primes.findIndex((p) => p === chosen));
const short = (i: number): boolean => ledger.shortColumns[i] !== null;
</script>

<template>
  <svg
    class="book-svg"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="alt"
  >
    <rect v-if="band >= 0" :x="cx(band) - 12" y="0" width="24" :height="height" class="band" />
    <text x="0" y="21" class="q">prime</text>
    <text
      v-for="(p, i) in ledger.primes"
      :key="p"
      :x="cx(i)"
      y="21"
      text-anchor="middle"
      class="m b"
      :class="{ amber: short(i), pick: short(i) }"
      @click="short(i) && emit('choose', p)"
    >
      {{ p }}
    </text>
    <text :x="width" y="21" text-anchor="end" class="q">
      {{ ledger.more > 0 ? `+${ledger.more} primes` : 'factor' }}
    </text>
    <path :d="`M0 ${head - 0.5}H${width}`" class="hair" />
    <g v-for="(row, r) in ledger.supply" :key="`s${r}`">
      <text x="0" :y="head + ROW * r + 17" class="t">{{ row.label }}</text>
      <DotRow :row="dotRow(row.cells, cx, head + ROW * (r + 0.5))" :y="head + ROW * (r + 0.5)" />
      <text :x="width" :y="head + ROW * r + 17" text-anchor="end" class="m">
        <RichSvg :text="row.factor" />
      </text>
    </g>
    <path :d="`M0 ${hasY + 0.5}H${width}`" class="ink" />
    <text x="0" :y="hasY + 20" class="t b">Train has</text>
    <text
      v-for="(n, i) in ledger.has"
      :key="`h${i}`"
      :x="cx(i)"
      :y="hasY + 20"
      text-anchor="middle"
      class="m b"
      :class="{ amber: short(i) }"
    >
      {{ n < 0 ? `−${-n}` : n }}
    </text>
    <text :x="width" :y="hasY + (totalBelow ? 42 : 20)" text-anchor="end" class="m b">
      <RichSvg :text="ledger.total" />
    </text>
    <path :d="`M0 ${demandY - 1.5}H${width}M0 ${demandY + 1.5}H${width}`" class="ink" />
    <g v-for="(row, r) in ledger.demand" :key="`d${r}`">
      <text x="0" :y="demandY + ROW * r + 17" class="t">
        <tspan class="m b">{{ row.divisions }}</tspan>
        <tspan class="q" dx="7">needs</tspan>
      </text>
      <DotRow :row="dotRow(row.cells, cx, demandY + ROW * (r + 0.5))" :y="demandY + ROW * (r + 0.5)" />
      <g
        :transform="`translate(${width - RIGHT + 6} ${demandY + ROW * (r + 0.5) - 6})`"
        :class="`tone-${row.graded.grade}`"
      >
        <MarkIcon :name="row.graded.grade" />
        <text x="18" y="10.6" class="grade-word">
          {{ row.graded.word.replace(' at a microstep', ', finer') }}
        </text>
      </g>
    </g>
    <template v-if="ledger.demand.length > 0">
      <path :d="`M0 ${shortY + 0.5}H${width}`" class="hair" />
      <text x="0" :y="shortY + 20" class="t b" :class="{ amber: ledger.missing.length > 0 }">
        {{ ledger.missing.length > 0 ? 'Short' : 'Nothing short' }}
      </text>
      <template v-for="(n, i) in ledger.shortColumns" :key="`x${i}`">
        <g
          v-if="n !== null"
          class="pick"
          :class="{ picked: i === band }"
          @click="emit('choose', ledger.primes[i]!)"
        >
          <rect :x="cx(i) - 10" :y="shortY + 5" width="20" height="20" rx="2" class="box" />
          <text :x="cx(i)" :y="shortY + 20" text-anchor="middle" class="m b amber">{{ n }}</text>
        </g>
      </template>
    </template>
  </svg>
</template>

<style scoped>
.band {
  fill: var(--p-amber-ground);
}
.pick {
  cursor: pointer;
}
.picked .box {
  fill: var(--p-amber);
}
.picked text {
  fill: var(--p-surface);
}
.box {
  fill: var(--p-surface);
  stroke: var(--p-amber);
}
.grade-word {
  font: 600 14px var(--text);
  fill: currentColor;
}
</style>
