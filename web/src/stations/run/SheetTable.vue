<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useIntersectionObserver } from '@vueuse/core';
import { sheet, type RunPlan } from '@pendrix/core';
import { Digits } from '../../ui/Digits.ts';
import RichText from '../../ui/RichText.vue';
import DmsText from './DmsText.vue';

/** The sheet, line by line as it is worked; long sheets grow as they are scrolled, and print whole up to `printable` rows. */
const { plan, now = 0 } = defineProps<{ plan: RunPlan; now?: number }>();
const STEP = 150;
const shown = ref(STEP);
const more = ref<HTMLElement | null>(null);
const whole = computed(() => sheet(plan));
const rows = computed(() =>
  Array.from({ length: Math.min(whole.value.length, Math.max(shown.value, now + 20)) }, (_, i) =>
    whole.value.row(i),
  ),
);
const NAMES = { gap: '', rewind: 'rewind', return: 'back' } as const;
useIntersectionObserver(more, ([entry]) => {
  if (entry?.isIntersecting) shown.value += STEP;
});
watch(
  () => plan,
  () => (shown.value = STEP),
);
defineExpose({ all: () => (shown.value = Math.min(whole.value.length, 3000)) });
</script>

<template>
  <table aria-label="Sheet of targets">
    <thead>
      <tr>
        <th scope="col">Gap</th>
        <th scope="col">Move</th>
        <th scope="col">{{ whole.plate ? 'Pin in hole' : `Go to, ${whole.unit}` }}</th>
        <th v-if="!whole.plate" scope="col">Moved</th>
        <th v-if="!whole.plate" scope="col">Error</th>
        <th scope="col">Angle at the work</th>
        <th scope="col">{{ whole.plate ? 'Crank in all' : 'Crank, turns' }}</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="row in rows"
        :key="`${row.is}${row.gap}`"
        :class="{ on: row.is === 'gap' && row.gap === now, end: row.is !== 'gap' }"
      >
        <th scope="row" class="mono">{{ NAMES[row.is] || row.gap }}</th>
        <td class="num quiet">{{ row.is === 'gap' ? row.move : '' }}</td>
        <td class="num strong"><Digits :text="row.target" /></td>
        <td v-if="!whole.plate" class="num"><Digits :text="row.moved" /></td>
        <td v-if="!whole.plate" class="num">{{ row.error }}</td>
        <td class="num"><DmsText :of="row.position" /></td>
        <td class="num"><RichText :text="row.crank" /></td>
      </tr>
    </tbody>
  </table>
  <p v-if="rows.length < whole.length" ref="more" class="more quiet">
    {{ whole.length - rows.length }} more below
  </p>
</template>

<style scoped>
table {
  width: 100%;
  background: var(--p-surface);
}
thead th {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--p-surface);
  font: 400 13px/16px var(--text);
  color: var(--p-quiet);
  text-align: right;
  padding: 8px 12px 6px;
  box-shadow: inset 0 -1px 0 var(--p-hair);
}
td,
tbody th {
  height: 34px;
  padding: 0 12px;
  font-size: 14px;
  border-bottom: 1px solid var(--p-row);
  text-align: right;
  white-space: nowrap;
}
th:first-child {
  padding-left: 20px;
  text-align: left;
  font-weight: 650;
}
.strong {
  font-weight: 600;
}
.on td,
.on th {
  background: var(--p-tint);
}
.on > :first-child {
  box-shadow: inset 3px 0 0 var(--p-blue);
}
.end {
  color: var(--p-quiet);
}
.more {
  padding: 10px 20px;
}
@media print {
  thead th {
    position: static;
  }
  td,
  tbody th {
    height: 22px;
    font-size: 11pt;
  }
  .more {
    display: none;
  }
}
</style>
