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
  height: 4.25rem;
  border-bottom: 1px solid var(--p-hair);
  background: var(--p-paper);
  overflow: hidden;
}
.cell {
  flex: 1 1 12.5rem;
  max-width: 15rem;
  min-width: 0;
  padding: 0.25rem 0 0 1.25rem;
  position: relative;
  display: flex;
  flex-direction: column;
}
.cell + .cell::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0.75rem;
  bottom: 0.5rem;
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
  font-size: 0.8125rem;
  line-height: 1rem;
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
  gap: 0 0.5rem;
  padding-right: 0.375rem;
  height: 2.9375rem;
  min-width: 0;
}
.value {
  font: 600 1.0625rem/1.1875rem var(--mono);
  white-space: nowrap;
}
.value :deep(.u) {
  font-size: 0.875rem;
}
.row :deep(.grade) {
  min-width: 0;
  font-size: 0.875rem;
  line-height: 0.875rem;
}
.row :deep(.grade > span) {
  white-space: normal;
  font-size: 0.8125rem;
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
  font-size: 0.875rem;
  line-height: 2.25rem;
  color: var(--p-quiet);
  white-space: nowrap;
}
.more {
  display: none;
}
@media (max-width: 1180px) {
  .cell {
    padding-left: 0.75rem;
  }
  .value {
    font-size: 0.9375rem;
  }
  .row {
    gap: 0 0.375rem;
  }
  .cell :deep(.grade) {
    font-size: 0.8125rem;
    gap: 0.25rem;
  }
}
@media (max-width: 700px) {
  .verdict {
    padding-right: 0.25rem;
    align-items: center;
  }
  .cell {
    padding-left: 1rem;
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
