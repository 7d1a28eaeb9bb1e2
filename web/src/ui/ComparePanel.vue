<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { mdiClose } from '@mdi/js';
import { compareReports, type Report } from '@pendrix/core';
import CompareTable from './CompareTable.vue';
import IconButton from './IconButton.vue';

/** Two trains side by side, figure by figure; what differs is marked, what is equal goes quiet. */
const { a, b, title, aName, bName } = defineProps<{
  a: Report;
  b: Report;
  title: string;
  aName: string;
  bName: string;
}>();
const emit = defineEmits<{ close: [] }>();
const rows = computed(() => compareReports(a, b));
const differing = computed(() => rows.value.filter((r) => r.differs).length);
const head = ref<HTMLElement | null>(null);
onMounted(() => head.value?.focus());
</script>

<template>
  <section class="compare" aria-label="Comparison" @keydown.escape.stop="emit('close')">
    <header class="sub">
      <h2 ref="head" tabindex="-1">Compare</h2>
      <v-spacer />
      <IconButton label="Close the comparison" :icon="mdiClose" @click="emit('close')" />
    </header>
    <p class="what">
      <b>{{ title }}</b>
      <span class="quiet">{{
        differing === 0 ? 'nothing differs' : `${differing} of ${rows.length} differ`
      }}</span>
    </p>
    <div class="keys"><slot /></div>
    <CompareTable :rows="rows" :a-name="aName" :b-name="bName" />
  </section>
</template>

<style scoped>
h2:focus-visible {
  outline: none;
}
.what {
  padding: 0.625rem 0.875rem 0.25rem;
  font-size: 0.875rem;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding: 0.25rem 0.875rem 0.625rem;
}
.what .quiet {
  display: block;
}
.sub {
  padding: 0 0.875rem;
}
</style>
