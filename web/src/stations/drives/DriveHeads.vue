<script setup lang="ts">
import { CELLS, cellLabels } from '@pendrix/core';

/** The heads of the list of drives. */
</script>

<template>
  <tr>
    <th class="picture">Train, to scale within its line</th>
    <th class="name">Drive</th>
    <th v-for="cell in CELLS" :key="cell" class="cell">{{ cellLabels[cell] }}</th>
    <th class="touched">Changed</th>
  </tr>
</template>

<style scoped>
.picture {
  width: 14.5rem;
}
.name {
  width: 20%;
  padding-left: 1.125rem !important;
}
.cell {
  padding-left: 0.75rem !important;
}
.touched {
  width: 8rem;
  text-align: right;
  padding-right: 2.875rem !important;
}
@media (max-width: 1180px) {
  .picture {
    width: 7rem;
    font-size: 0 !important;
  }
  .cell {
    padding-left: 0.5rem !important;
    font-size: 0.8125rem;
  }
  .touched {
    width: 7.375rem;
  }
  .name {
    width: 19%;
  }
}
</style>
