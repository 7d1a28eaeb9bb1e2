<script setup lang="ts">
/** The bar over a column: what it is, what it answers, and its keys. */
defineProps<{ title: string; note?: string }>();
</script>

<template>
  <header class="sub">
    <h2>{{ title }}</h2>
    <span v-if="note" class="q">{{ note }}</span>
    <slot name="start" />
    <v-spacer />
    <slot />
  </header>
</template>
