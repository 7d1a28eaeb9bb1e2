<script setup lang="ts">
import { computed, ref } from 'vue';
import { mdiChevronRight } from '@mdi/js';
import type { CellId, TreeReport } from '@pendrix/core';
import GradeTag from './GradeTag.vue';
import RichText from './RichText.vue';
import IconButton from './IconButton.vue';
import { placeOf } from './stations.ts';

/** The six cells under the title, each a link to the place that explains it; of several outputs the worst, by name. On a phone two at a time. */
const { tree, driveId } = defineProps<{ tree: TreeReport; driveId: string }>();
const emit = defineEmits<{ look: [train: string] }>();
const page = ref(0);
/** Two at a time, what a maker at the machine wants first. */
const PAGES = [
  ['divisions', 'error'],
  ['steps', 'rate'],
  ['speed', 'force'],
] as const satisfies readonly (readonly CellId[])[];
const narrow = computed<readonly CellId[]>(() => PAGES[page.value] ?? PAGES[0]);
</script>

<template>
  <section class="verdict" aria-label="Verdict">
    <RouterLink
      v-for="cell in tree.verdict"
      :key="cell.cell"
      class="cell"
      :class="{ off: !cell.figure, paged: !narrow.includes(cell.cell) }"
      :data-cell="cell.cell"
      :to="{
        name: placeOf(cell.concern),
        params: { id: driveId },
        query: cell.group ? { tab: cell.group } : {},
      }"
      @click="cell.train !== undefined && emit('look', cell.train)"
    >
      <span class="label">{{ cell.train === undefined ? cell.label : `${cell.label}, ${cell.train}` }}</span>
      <span v-if="cell.figure" class="row"
        ><RichText class="value" :text="cell.figure.text" /><GradeTag
          v-if="cell.graded"
          :graded="cell.graded"
      /></span>
      <span v-else class="absent">{{ cell.absent }}</span>
    </RouterLink>
    <IconButton
      class="more"
      label="The next two of the verdict"
      :icon="mdiChevronRight"
      @click="page = (page + 1) % PAGES.length"
    />
  </section>
</template>

<style scoped>
.verdict {
  display: flex;
  height: 68px;
  border-bottom: 1px solid var(--p-hair);
  background: var(--p-paper);
  overflow: hidden;
}
.cell {
  flex: 1 1 200px;
  max-width: 240px;
  min-width: 0;
  padding: 4px 0 0 20px;
  position: relative;
  display: flex;
  flex-direction: column;
}
.cell + .cell::before {
  content: '';
  position: absolute;
  left: 0;
  top: 12px;
  bottom: 8px;
  width: 1px;
  background: var(--p-hair);
}
.cell:hover .label {
  text-decoration: underline;
}
.cell:focus-visible {
  outline-offset: -3px;
}
.label {
  font-size: 13px;
  line-height: 16px;
  color: var(--p-quiet);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  align-content: center;
  gap: 0 8px;
  padding-right: 6px;
  height: 47px;
  min-width: 0;
}
.value {
  font: 600 17px/19px var(--mono);
  white-space: nowrap;
}
.value :deep(.u) {
  font-size: 14px;
}
.row :deep(.grade) {
  min-width: 0;
  font-size: 14px;
  line-height: 14px;
}
.row :deep(.grade > span) {
  white-space: normal;
  font-size: 13px;
}
/* a fraction lies down: the grade may stand right under it */
.value :deep(.fr) {
  flex-direction: row;
  font-size: 0.76em;
}
.value :deep(.fr > span:first-child) {
  border: 0;
  padding: 0;
}
.value :deep(.fr > .sr-only) {
  all: unset;
}
.absent {
  font-size: 14px;
  line-height: 36px;
  color: var(--p-quiet);
  white-space: nowrap;
}
.more {
  display: none;
}
@media (max-width: 1180px) {
  .cell {
    padding-left: 12px;
  }
  .value {
    font-size: 15px;
  }
  .row {
    gap: 0 6px;
  }
  .cell :deep(.grade) {
    font-size: 13px;
    gap: 4px;
  }
}
@media (max-width: 700px) {
  .verdict {
    padding-right: 4px;
    align-items: center;
  }
  .cell {
    padding-left: 16px;
    align-self: stretch;
  }
  .cell::before {
    display: none;
  }
  .cell:not(.paged) ~ .cell:not(.paged)::before {
    display: block;
  }
  .cell.paged {
    display: none;
  }
  .more {
    display: inline-flex;
    margin-left: auto;
    color: var(--p-quiet);
  }
}
</style>
