<script setup lang="ts">
import { useOpenDrive } from '../../ui/open-drive.ts';
import BetweenAsks from '../../ui/BetweenAsks.vue';
import OutputsTable from '../../ui/OutputsTable.vue';
import TwoColumns from '../../ui/TwoColumns.vue';
import CheckHead from './CheckHead.vue';

/** All outputs side by side, and what holds between them. */
const { tree } = useOpenDrive();
</script>

<template>
  <TwoColumns aside="Between outputs" shares="minmax(0, 680fr) minmax(0, 520px)">
    <CheckHead open="outputs" />
    <div class="scroll pane"><OutputsTable /></div>
    <template #aside>
      <header class="sub"><h2>Between outputs</h2></header>
      <div class="pane">
        <p class="quiet">
          A ratio that is exact never drifts. One that is not adds up: what is told is how far the output is
          off after a hundred years{{ tree?.between.length ? '' : ', once a ratio is asked' }}.
        </p>
        <BetweenAsks />
      </div>
    </template>
  </TwoColumns>
</template>

<style scoped>
.pane {
  padding: 0.75rem 1rem 1rem 1.25rem;
}
.quiet {
  font-size: 0.875rem;
  margin-bottom: 0.75rem;
}
</style>
