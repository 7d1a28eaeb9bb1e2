<script setup lang="ts">
import { counted, type TimeLine } from '@pendrix/core';

/** Revisions along the time, compared ones filled; below it what was measured and exposed. */
const { line, width } = defineProps<{ line: TimeLine; width: number }>();
const x = (part: number): number => part * width;
const shown = (text: string): string => (text.length > 17 ? `${text.slice(0, 16)}…` : text);
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${width} 112`"
      role="img"
      :aria-label="`${counted(line.revisions.length, 'revision')} over time`"
    >
      <path class="axis" :d="`M0 78H${width}`" />
      <g v-for="m in line.months" :key="m.at">
        <path class="tick" :d="`M${x(m.at)} 78v14`" />
        <text class="month" :x="x(m.at) + 5" y="92">{{ m.title }}</text>
      </g>
      <g v-for="r in line.revisions" :key="r.n" :class="{ back: r.takenBack }">
        <path class="lead" :d="`M${x(r.head) + 11} 24V58L${x(r.at)} 70V78`" />
        <circle class="head" :cx="x(r.head) + 11" cy="13" r="11" />
        <text class="n" :x="x(r.head) + 11" y="18">{{ r.n }}</text>
        <text class="reason" :x="x(r.head) + 27" y="13">
          {{ shown(r.reason) }}
          <title>{{ r.reason }}</title>
        </text>
        <text class="day" :x="x(r.head) + 27" y="30">{{ r.day }}{{ r.takenBack ? ', back' : '' }}</text>
        <circle class="dot" :cx="x(r.at)" cy="78" r="4" />
      </g>
      <g v-for="m in line.marks" :key="m.id" class="mark">
        <path v-if="m.is === 'measured'" class="measured" :d="`M${x(m.at) - 5} 108h10l-5 -9z`" />
        <rect v-else-if="m.is === 'exposed'" class="exposed" :x="x(m.at) - 4" y="100" width="8" height="8" />
        <path v-else class="other" :d="`M${x(m.at)} 99v9`" />
      </g>
    </svg>
    <figcaption>
      <svg width="12" height="12" aria-hidden="true"><path class="measured" d="M1 11h10l-5 -9z" /></svg>
      measured
      <svg width="12" height="12" aria-hidden="true">
        <rect class="exposed" x="2" y="2" width="8" height="8" />
      </svg>
      exposed
      <svg width="12" height="12" aria-hidden="true"><path class="other" d="M6 1v10" /></svg>
      all else
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  padding: 8px 16px 6px 20px;
  flex: none;
}
svg {
  width: 100%;
  display: block;
  font-family: var(--text);
}
figcaption {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 13px;
  color: var(--p-quiet);
}
figcaption svg {
  width: 12px;
}
.axis,
.tick,
.lead {
  stroke: var(--p-ink);
  fill: none;
}
.tick,
.lead {
  stroke: var(--p-quiet);
}
.head {
  fill: var(--p-paper, none);
  stroke: var(--p-ink);
  stroke-width: 1.6;
}
.dot {
  fill: var(--p-ink);
}
.n {
  font: 650 13px var(--mono);
  text-anchor: middle;
  fill: var(--p-ink);
}
.reason {
  font-size: 14px;
  font-weight: 650;
  fill: var(--p-ink);
}
.day,
.month {
  font-size: 13px;
  fill: var(--p-quiet);
}
.back .head,
.back .lead {
  stroke-dasharray: 3 2;
}
.back .reason {
  fill: var(--p-quiet);
}
.measured {
  fill: var(--p-even);
}
.exposed {
  fill: none;
  stroke: var(--p-amber);
  stroke-width: 1.6;
}
.other {
  stroke: var(--p-quiet);
  stroke-width: 1.6;
}
</style>
