<script setup lang="ts">
/** A station in two columns: the work, and beside it what follows from it. On a narrow window one below the other. */
const {
  shares = '1fr 380px',
  aside,
  wide = false,
} = defineProps<{
  /** of the two columns, as a grid takes them */
  shares?: string;
  /** what the second one is, for screen readers */
  aside: string;
  /** the first alone */
  wide?: boolean;
}>();
</script>

<template>
  <div class="two-columns" :class="{ wide }" :style="{ '--shares': shares }">
    <section class="left"><slot /></section>
    <aside v-if="!wide" class="right scroll" tabindex="0" :aria-label="aside"><slot name="aside" /></aside>
  </div>
</template>
