<script setup lang="ts">
import { computed } from 'vue';
import type { SheetRow } from '@pendrix/core';

/** Degrees, minutes, seconds with quiet units. */
const { of } = defineProps<{ of: SheetRow['wanted'] }>();
const parts = computed(() => of.s.split('.'));
</script>

<template>
  <span class="dms"
    >{{ of.back ? '−' : '' }}{{ of.d }}<b class="deg">°</b>{{ of.m }}<b>′</b
    ><span class="sec">{{ parts[0] }}<i v-if="parts[1]">.</i>{{ parts[1] }}<b>″</b></span></span
  >
</template>

<style scoped>
b {
  font-weight: 400;
  color: var(--p-quiet);
}
i {
  font-style: normal;
  margin: 0 var(--point, -0.1em);
}
.sec {
  white-space: nowrap;
}
</style>
