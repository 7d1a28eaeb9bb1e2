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
  width: 232px;
}
.name {
  width: 20%;
  padding-left: 18px !important;
}
.cell {
  padding-left: 12px !important;
}
.touched {
  width: 128px;
  text-align: right;
  padding-right: 46px !important;
}
@media (max-width: 1180px) {
  .picture {
    width: 112px;
    font-size: 0 !important;
  }
  .cell {
    padding-left: 8px !important;
    font-size: 13px;
  }
  .touched {
    width: 118px;
  }
  .name {
    width: 19%;
  }
}
</style>
