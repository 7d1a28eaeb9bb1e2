<script setup lang="ts">
import BenchCaution from './BenchCaution.vue';

/** What every bench stands in: its head and what has to be told, what is done now, its keys, the caution; what is good to know beside it. */
defineProps<{ about: InstanceType<typeof BenchCaution>['$props']['about'] }>();
defineSlots<{ head(): unknown; default(): unknown; keys(): unknown; aside(): unknown }>();
</script>

<template>
  <div class="bench">
    <section class="left">
      <slot name="head" />
      <div class="scroll main"><slot /></div>
      <slot name="keys" />
      <BenchCaution :about="about" />
    </section>
    <slot name="aside" />
  </div>
</template>

<style scoped src="./bench.css"></style>
<style scoped src="./bench-small.css"></style>
