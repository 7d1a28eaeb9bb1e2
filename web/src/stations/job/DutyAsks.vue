<script setup lang="ts">
import { computed } from 'vue';
import FigureText from '../../ui/FigureText.vue';
import { useReport } from '../../ui/open-drive.ts';

/** What rates, sweeps and speeds ask of the train: the first figures of each. */
const report = useReport();
const groups = computed(() => report.value.duties.asks.filter((g) => g.figures.length > 0));
</script>

<template>
  <div v-for="g in groups" :key="g.key" class="block">
    <h3>{{ g.title.replace(/^./, (c) => c.toUpperCase()) }}</h3>
    <div class="lines">
      <div v-for="f in g.figures" :key="f.key">
        <span>{{ f.label.replace(/^./, (c) => c.toUpperCase()) }}</span><FigureText class="num" :figure="f" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.block {
  padding: 0.5rem 1rem 0.5rem 1.125rem;
  border-bottom: 1px solid var(--p-hair);
}
.num {
  font-size: 0.875rem;
}
</style>
