<script setup lang="ts">
import { computed } from 'vue';
import { mdiPlus } from '@mdi/js';
import type { PlatesReport } from '@pendrix/core';
import MarkIcon from '../../ui/MarkIcon.vue';

/** Every count with a mark for how it is made: a dot one circle, two rings two circles, a cross a new circle. */
const { plates, wanted, selected } = defineProps<{
  plates: PlatesReport;
  wanted: readonly number[];
  selected: number | null;
}>();
const emit = defineEmits<{ choose: [divisions: number] }>();
const asked = computed(() => new Set(wanted));
const HOW = { circle: 'on one circle', compound: 'on two circles', none: 'needs a new circle' } as const;
</script>

<template>
  <section class="chart" aria-label="Counts by these plates">
    <header>
      <h3>Counts 2 to {{ plates.chart.at(-1)?.divisions }}</h3>
      <v-spacer />
      <span class="circle"><MarkIcon name="dot" :size="11" />{{ plates.tally.circle }} on one circle</span>
      <span class="compound"><i class="rings"></i>{{ plates.tally.compound }} by compound</span>
      <span class="none"><v-icon :icon="mdiPlus" size="14" />{{ plates.tally.none }} need a new circle</span>
    </header>
    <ul>
      <li v-for="a in plates.chart" :key="a.divisions">
        <button
          type="button"
          :class="[a.how, { asked: asked.has(a.divisions), on: a.divisions === selected }]"
          :aria-pressed="a.divisions === selected"
          :aria-label="`${a.divisions}: ${HOW[a.how]}`"
          @click="emit('choose', a.divisions)"
        >
          <i :class="a.how === 'circle' ? 'dot' : a.how === 'compound' ? 'rings' : 'plus'"></i
          ><span>{{ a.divisions }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 1rem;
  padding: 0.5rem 1.25rem 0.25rem;
  font-size: 0.875rem;
  font-weight: 600;
  flex-wrap: wrap;
}
header span {
  display: inline-flex;
  align-items: center;
  gap: 0.375rem;
}
.circle {
  color: var(--p-even);
}
.compound {
  color: var(--p-blue);
}
.none {
  color: var(--p-amber);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0 1rem 0.5rem 1rem;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(3.125rem, 1fr));
}
button {
  width: 100%;
  height: 1.5rem;
  display: inline-flex;
  align-items: center;
  justify-content: flex-end;
  gap: 0.25rem;
  padding-right: 0.3125rem;
  font: 400 0.8125rem/1.375rem var(--mono);
  border: 1.5px solid transparent;
  border-radius: 2px;
}
button.circle {
  color: var(--p-even);
}
button.compound {
  color: var(--p-blue);
  font-weight: 650;
}
button.asked span {
  border-bottom: 2px solid var(--p-ink);
  font-weight: 700;
}
button.on {
  border-color: var(--p-blue);
  background: var(--p-tint);
}
i.dot {
  width: 0.4375rem;
  height: 0.4375rem;
  border-radius: 50%;
  background: currentcolor;
}
i.rings {
  width: 0.75rem;
  height: 0.5rem;
  background:
    radial-gradient(circle at 4px 4px, transparent 2.4px, currentcolor 2.6px 3.8px, transparent 4px),
    radial-gradient(circle at 8px 4px, transparent 2.4px, currentcolor 2.6px 3.8px, transparent 4px);
}
i.plus {
  width: 0.5rem;
  height: 0.5rem;
  background:
    linear-gradient(currentcolor, currentcolor) center / 8px 1.6px no-repeat,
    linear-gradient(currentcolor, currentcolor) center / 1.6px 8px no-repeat;
}
</style>
