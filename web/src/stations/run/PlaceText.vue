<script setup lang="ts">
import { computed } from 'vue';
import type { Place } from '@pendrix/core';

/** Degrees, minutes and seconds, or millimetres, with quiet units. */
const { of } = defineProps<{ of: Place }>();
const parts = computed(() => ('mm' in of ? of.mm : of.s).split('.'));
</script>

<template>
  <span class="dms"
    >{{ of.back ? '−' : ''
    }}<template v-if="'d' in of">{{ of.d }}<b class="deg">°</b>{{ of.m }}<b>′</b></template
    ><span class="sec"
      >{{ parts[0] }}<i v-if="parts[1]">.</i>{{ parts[1] }}<b>{{ 'mm' in of ? ' mm' : '″' }}</b></span
    ></span
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
