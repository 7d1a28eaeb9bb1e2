<script setup lang="ts">
import { computed } from 'vue';
import { cutCount, cutInRow, cutWheel, type RunState } from '@pendrix/core';

/** The work under the cutter: what is cut, what is next, what is to go. */
const { state, left } = defineProps<{ state: RunState; left: string }>();
const divisions = computed(() => state.plan.divisions);
const isCut = computed(() => cutInRow(state));
const done = computed(() => cutCount(state));
const W = 440;
const H = 372;
const CX = W / 2;
const CY = 198;
const R = 144;
const wheel = computed(() =>
  cutWheel(divisions.value, state.gap, isCut.value, state.finished, CX, CY, R, 12),
);
const alt = computed(() => `${done.value} of ${divisions.value} gaps cut${left ? `, ${left}` : ''}`);
const hatch = Array.from({ length: 9 }, (_, i) => `M${CX - 16} ${20 + i * 5}L${CX + 16} ${i * 5}`).join('');
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="alt" class="wheel">
    <path v-if="wheel.cutSector" class="sector" fill-rule="evenodd" :d="wheel.cutSector" />
    <path v-if="wheel.cut" class="s1" :d="wheel.cut" />
    <path v-if="wheel.blank" class="s2" :d="wheel.blank" />
    <path v-if="wheel.marks" class="mark" :d="wheel.marks" />
    <circle class="s2" :cx="CX" :cy="CY" :r="R - 20" />
    <g v-for="n in wheel.numbers" :key="n.text">
      <path class="s2" :d="n.tick" />
      <text class="dn" :x="n.x" :y="n.y" text-anchor="middle">{{ n.text }}</text>
    </g>
    <path v-if="wheel.next" class="next" :d="wheel.next" />
    <clipPath id="cutter">
      <path
        :d="`M${CX - 6} ${CY - R - 4}L${CX - 13} ${CY - R - 14}V18H${CX + 13}V${CY - R - 14}L${CX + 6} ${CY - R - 4}Z`"
      />
    </clipPath>
    <path
      class="cutter"
      :d="`M${CX - 6} ${CY - R - 4}L${CX - 13} ${CY - R - 14}V18H${CX + 13}V${CY - R - 14}L${CX + 6} ${CY - R - 4}Z`"
    />
    <g clip-path="url(#cutter)"><path class="s2" :d="hatch" /></g>
    <text class="big" :x="CX" :y="CY + 6" text-anchor="middle">{{ done }}</text>
    <text class="md" :x="CX" :y="CY + 32" text-anchor="middle">of {{ divisions }} cut</text>
    <text class="lt" :x="CX" :y="CY + 62" text-anchor="middle">{{ left }}</text>
  </svg>
</template>

<style scoped src="./under-tool.css"></style>
<style scoped>
.sector {
  fill: var(--p-ground-light);
}
.mark {
  stroke: var(--p-scribe3);
  stroke-width: 1.4;
}
.next {
  fill: none;
  stroke: var(--p-bright);
  stroke-width: 2;
}
.cutter {
  fill: var(--p-ground);
  stroke: var(--p-bright);
  stroke-width: 1.6;
}
</style>
