<script setup lang="ts">
import { fitForms } from '@pendrix/core';
import BenchForms from '../../ui/BenchForms.vue';

/** What has to fit: lengths, printed holes, motor faces, warmth, and what a screw of a mesh does. */
</script>

<template>
  <div class="scroll main fits" tabindex="0" role="region" aria-label="Fits">
    <BenchForms :forms="fitForms" />
  </div>
</template>

<style scoped src="./make.css"></style>
<style scoped>
.fits {
  padding: 10px 20px;
}
</style>
