<script setup lang="ts">
import { computed } from 'vue';
import { mdiClose } from '@mdi/js';
import type { Rate } from '@pendrix/core';
import InputFields from './InputFields.vue';
import { useDuty } from './use-duty.ts';
import IconButton from './IconButton.vue';

/** The fields of one rate: its period only where it is not a named one; compact, its name stays away. */
const { at, compact = false } = defineProps<{ at: number; compact?: boolean }>();
const rates = useDuty('rates');
const rate = computed(() => rates.list.value[at] as Rate | undefined);
const specs = computed(() =>
  rates.specs.filter(
    (s) => (s.key !== 'seconds' || rate.value?.kind === 'period') && (s.key !== 'name' || !compact),
  ),
);
</script>

<template>
  <div v-if="rate" class="rate-fields">
    <InputFields across :specs="specs" :data="rate" :set="rates.set(at)" />
    <IconButton label="Remove this rate" :icon="mdiClose" :size="18" @click="rates.remove(at)" />
  </div>
</template>

<style scoped>
.rate-fields {
  display: flex;
  align-items: flex-start;
  gap: 0.75rem;
}
.rate-fields > :first-child {
  flex: 1;
}
</style>
