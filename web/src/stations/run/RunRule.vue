<script setup lang="ts">
import { computed } from 'vue';
import { cutCount, cutInRow, cutRule, type RunState } from '@pendrix/core';

/** The rule under the tool: what is marked, what is next, what is to go. */
const { state, left } = defineProps<{ state: RunState; left: string }>();
const marks = computed(() => state.plan.divisions);
const isMade = computed(() => cutInRow(state));
const done = computed(() => cutCount(state));
const W = 440;
const TOP = 84;
const rule = computed(() => cutRule(marks.value, state.gap, isMade.value, state.finished, 32, W - 32, TOP));
const alt = computed(() => `${done.value} of ${marks.value} marks made${left ? `, ${left}` : ''}`);
</script>

<template>
  <svg :viewBox="`0 0 ${W} 272`" role="img" :aria-label="alt" class="wheel">
    <path
      class="s1"
      :d="`M${rule.from} ${TOP}V168M${rule.to} ${TOP}V168`"
      :stroke-dasharray="rule.goesOn ? '5 4' : undefined"
    />
    <path class="s1" :d="`M${rule.from} ${TOP}H${rule.to}M${rule.from} 168H${rule.to}`" />
    <path v-if="rule.made" class="made" :d="rule.made" />
    <path v-if="rule.marks" class="togo" :d="rule.marks" />
    <path v-if="rule.next" class="next" :d="rule.next" />
    <path class="tool" :d="`M${rule.at} ${TOP - 4}l-7 -16V16h14v${TOP - 68}z`" />
    <text v-for="n in rule.numbers" :key="n.text" class="dn" :x="n.x" y="154" text-anchor="middle">
      {{ n.text }}
    </text>
    <text class="big" :x="W / 2" y="222" text-anchor="middle">{{ done }}</text>
    <text class="md" :x="W / 2" y="244" text-anchor="middle">of {{ marks }} made</text>
    <text class="lt" :x="W / 2" y="264" text-anchor="middle">{{ left }}</text>
  </svg>
</template>

<style scoped src="./under-tool.css"></style>
<style scoped>
.made {
  stroke: var(--p-scribe);
  stroke-width: 1.8;
}
.togo {
  stroke: var(--p-scribe3);
  stroke-width: 1.2;
}
.next {
  stroke: var(--p-bright);
  stroke-width: 2.4;
}
.tool {
  fill: var(--p-ground);
  stroke: var(--p-bright);
  stroke-width: 1.6;
}
.big {
  font-size: 52px;
}
.md {
  font-size: 16px;
}
</style>
