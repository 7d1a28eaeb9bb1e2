<script setup lang="ts">
import type { DutyReport } from '@pendrix/core';
import { Digits } from './Digits.ts';
import FigureText from './FigureText.vue';
import GradeTag from './GradeTag.vue';

/** The figures of a duty, each with its grade or a few words, and what follows from them. */
defineProps<{ duty: Pick<DutyReport, 'lines' | 'message'> }>();
</script>

<template>
  <div>
    <dl class="lines duty-lines">
      <div v-for="l in duty.lines" :key="l.figure.key">
        <dt><Digits :text="l.figure.label.replace(/^./, (c) => c.toUpperCase())" /></dt>
        <dd class="fig"><FigureText class="num" :figure="l.figure" /></dd>
        <dd class="note">
          <GradeTag v-if="l.graded" :graded="l.graded" /><span v-if="l.message" class="quiet"
            ><Digits :text="l.message"
          /></span>
        </dd>
      </div>
    </dl>
    <p v-for="s in duty.message" :key="s" class="duty-says"><Digits :text="s" /></p>
  </div>
</template>

<style scoped>
.duty-lines {
  margin-top: 0.5rem;
}
.fig :deep(.figure) {
  padding: 0.3125rem 0;
  margin: -0.3125rem 0;
}
.duty-lines > div {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 0.75fr) minmax(0, 1fr);
  column-gap: 0.875rem;
  align-items: baseline;
  padding: 0.3125rem 0;
  line-height: 1.25rem;
  font-size: 0.875rem;
}
.fig {
  text-align: right;
}
.num {
  font-size: 0.9375rem;
  font-weight: 600;
}
.note {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 0.625rem;
  min-width: 0;
}
.note :deep(.grade) {
  white-space: normal;
}
.duty-says {
  font-size: 0.875rem;
  line-height: 1.1875rem;
  padding: 0.375rem 0 2px;
}
@media (max-width: 700px) {
  .duty-lines > div {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .note {
    grid-column: 1 / -1;
  }
}
</style>
