<script setup lang="ts">
import { readCount, error, type Refusal, type WheelRange } from '@pendrix/core';
import ReadField from './ReadField.vue';

/** Wheels from so many to so many teeth. */
const { range, least, of, set } = defineProps<{
  range: WheelRange;
  /** fewest teeth that are taken */
  least: number;
  /** whose wheels: "a cure’s wheel" */
  of: string;
  set: (range: WheelRange) => void;
}>();
const MOST = 400;

const commit =
  (end: 'from' | 'to') =>
  (text: string): Refusal | null => {
    const read = readCount(text, { min: least, max: MOST, unit: 'teeth', example: String(range[end]) });
    if (!read.ok) return read.refusal;
    const next = { ...range, [end]: read.value };
    if (next.from > next.to)
      return error('backwards', `${next.from} to ${next.to}`, { example: '12 and 127' }).refusal;
    set(next);
    return null;
  };
</script>

<template>
  <ReadField
    :label="`Least teeth of ${of}`"
    :labelled="false"
    :value="String(range.from)"
    :commit="commit('from')"
  />
  <span>to</span>
  <ReadField
    :label="`Most teeth of ${of}`"
    :labelled="false"
    :value="String(range.to)"
    :commit="commit('to')"
  />
</template>
