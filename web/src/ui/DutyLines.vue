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
  margin-top: 8px;
}
.fig :deep(.figure) {
  padding: 5px 0;
  margin: -5px 0;
}
.duty-lines > div {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 0.75fr) minmax(0, 1fr);
  column-gap: 14px;
  align-items: baseline;
  padding: 5px 0;
  line-height: 20px;
  font-size: 14px;
}
.fig {
  text-align: right;
}
.num {
  font-size: 15px;
  font-weight: 600;
}
.note {
  font-size: 13px;
  line-height: 17px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  min-width: 0;
}
.note :deep(.grade) {
  white-space: normal;
}
.duty-says {
  font-size: 14px;
  line-height: 19px;
  padding: 6px 0 2px;
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
