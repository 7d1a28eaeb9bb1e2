<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { Edit, Refusal, ToleranceReport } from '@pendrix/core';
import ReadField from '../../ui/ReadField.vue';
import ToggleChoice from '../../ui/ToggleChoice.vue';

/** The tolerance at the work: an angle, a length at a radius, or none. */
const { tolerance, linear, edit } = defineProps<{
  tolerance: ToleranceReport;
  /** the output travels: a length needs no radius */
  linear: boolean;
  edit: (e: Edit, editSession?: string) => Refusal | null;
}>();

type Way = ToleranceReport['as'];
const ways = [
  { value: 'none', title: 'None' },
  { value: 'angle', title: 'Angle' },
  { value: 'length', title: 'Length' },
] as const satisfies readonly { value: Way; title: string }[];

/** Which way is being asked: the job's own, or one just chosen that has no value yet. */
const way = ref<Way>(tolerance.as);
/** Emptied to be written anew: its field stays. */
let emptied = false;
watch(
  () => tolerance.as,
  (now) => {
    if (now !== 'none' || !emptied) way.value = now;
  },
);
const field = computed(() => (tolerance.as === way.value ? tolerance.field : ''));
const readBack = computed(() => {
  if (tolerance.as === way.value) return tolerance.readBack;
  if (way.value === 'length' && tolerance.radius === '' && !linear)
    return 'first the radius it is measured at';
  return tolerance.as === 'none'
    ? 'not in force until it is written'
    : `until then ±${tolerance.field} stays in force`;
});

function choose(next: Way): void {
  emptied = false;
  way.value = next;
  if (next === 'none') edit({ do: 'tolerance', as: 'none', text: '' });
}
function set(text: string, editSession: string): Refusal | null {
  emptied = text.trim() === '';
  return edit({ do: 'tolerance', as: way.value, text }, editSession);
}
const setRadius = (text: string, editSession: string): Refusal | null =>
  edit({ do: 'radius', text }, editSession);
</script>

<template>
  <div class="row">
    <ToggleChoice label="Tolerance as" :value="way" :options="ways" @choose="choose" />
    <ReadField
      v-if="way !== 'none'"
      class="amount"
      :label="way === 'angle' ? 'Tolerance, an angle' : 'Tolerance, a length'"
      :labelled="false"
      :value="field"
      :placeholder="way === 'angle' ? '±30″' : '±0.02 mm'"
      :commit="set"
    />
    <span class="message quiet">{{ readBack }}</span>
    <ReadField
      v-if="!linear || tolerance.radius !== ''"
      class="radius"
      label="at radius"
      :value="tolerance.radius"
      unit="mm"
      placeholder="none"
      :commit="setRadius"
      hint="where lengths are measured, from the axis: half the pitch diameter of the wheel"
    />
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-start;
  gap: 0.5rem 0.625rem;
  font-size: 0.875rem;
  min-height: 2rem;
}
.message {
  line-height: 2rem;
}
.amount {
  --field-width: 6rem;
}
.radius {
  --field-width: 6rem;
}
.row > :deep(.read-field:has(.refusal)) {
  flex: 1 1 100%;
  justify-content: start;
}
</style>
