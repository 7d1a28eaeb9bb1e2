<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, shallowRef } from 'vue';
import { mdiDotsVertical } from '@mdi/js';
import { cellLabels, smallPicture, type Refusal, plainText } from '@pendrix/core';
import type { DriveRecord } from '../../records/kinds.ts';
import { touchedAt } from '../../ui/clock.ts';
import GradeTag from '../../ui/GradeTag.vue';
import { treeOf } from '../../ui/open-drive.ts';
import RichText from '../../ui/RichText.vue';
import TrainDrawing from '../../ui/TrainDrawing.vue';
import IconButton from '../../ui/IconButton.vue';

const DriveMenu = defineAsyncComponent(() => import('./DriveMenu.vue'));
const RenameField = defineAsyncComponent(() => import('./RenameField.vue'));

/** One drive of the list: its train, its name, the six cells, when it was touched, and what can be done with it. */
const { record, rename } = defineProps<{
  record: DriveRecord;
  rename: (name: string) => Refusal | null;
  standing: string;
}>();
const emit = defineEmits<{ duplicate: []; remove: []; export: [] }>();

const tree = computed(() => treeOf(record.drive));
const drawing = computed(() =>
  smallPicture(record.drive, 232, 70, tree.value.outputs[0]!.report.counts[0] ?? 0),
);
const touched = computed(() => touchedAt(record.touchedAt));

const renaming = ref(false);
const menu = ref<{ readonly $el: HTMLElement } | null>(null);
/** the menu is made when it is first asked for: there may be a thousand rows */
const menuAt = shallowRef<HTMLElement | null>(null);
const menuOpen = ref(false);
function toggleMenu(): void {
  menuAt.value = menu.value?.$el ?? null;
  menuOpen.value = !menuOpen.value;
}
function renamed(): void {
  renaming.value = false;
  void nextTick(() => menu.value?.$el.focus());
}
</script>

<template>
  <tr>
    <td class="picture ground">
      <RouterLink :to="{ name: 'job', params: { id: record.id } }" tabindex="-1" aria-hidden="true"
        ><TrainDrawing :drawing="drawing" small alt=""
      /></RouterLink>
    </td>
    <th scope="row" class="name">
      <RenameField v-if="renaming" :name="record.drive.name" :rename="rename" @done="renamed" />
      <RouterLink v-else :to="{ name: 'job', params: { id: record.id } }"
        ><b>{{ record.drive.name }}</b
        ><span>{{ tree.purpose }}</span></RouterLink
      >
    </th>
    <td
      v-for="cell in tree.verdict"
      :key="cell.cell"
      class="cell"
      :class="{ off: !cell.figure }"
      :data-label="cellLabels[cell.cell]"
    >
      <template v-if="cell.figure"
        ><RichText
          class="value"
          :class="{ long: plainText(cell.figure.text).length > 9 }"
          :text="cell.figure.text" /><GradeTag v-if="cell.graded" :graded="cell.graded"
      /></template>
      <template v-else>{{ cell.absent.replace(/^no \S+ /, 'not ') }}</template>
    </td>
    <td class="touched">
      <span class="when"
        >{{ touched }}<span class="quiet">{{ standing }}</span></span
      >
      <IconButton
        ref="menu"
        :label="`Actions for ${record.drive.name}`"
        :icon="mdiDotsVertical"
        :size="18"
        aria-haspopup="menu"
        :aria-expanded="menuOpen"
        @click="toggleMenu"
      />
      <DriveMenu
        v-if="menuAt"
        v-model="menuOpen"
        :activator="menuAt"
        @rename="renaming = true"
        @duplicate="emit('duplicate')"
        @export="emit('export')"
        @remove="emit('remove')"
      />
    </td>
  </tr>
</template>

<style scoped>
tr {
  height: 4.375rem;
  background: var(--p-surface);
  border-bottom: 1px solid var(--p-row);
}
tr:hover,
tr:focus-within {
  background: var(--p-tint);
}
tr > .picture.picture.picture {
  padding: 0;
  border-bottom: 1px solid var(--p-scribe3);
  overflow: hidden;
}
.picture a {
  display: block;
}
tr > .name.name.name {
  padding: 0.8125rem 0.5rem 0 1.125rem;
  text-align: left;
  vertical-align: top;
  font-weight: 400;
}
.name a {
  display: block;
  min-height: 2.75rem;
}
.name b {
  display: block;
  font-size: 1rem;
  line-height: 1.3125rem;
  letter-spacing: -0.005em;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.name a:hover b {
  color: var(--p-blue);
  text-decoration: underline;
}
.name span {
  display: block;
  font-size: 0.875rem;
  line-height: 1.1875rem;
  color: var(--p-quiet);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
tr > .cell.cell.cell {
  position: relative;
  padding: 0.8125rem 2px 0.375rem 0.75rem;
  vertical-align: top;
  white-space: normal;
}
.cell::before,
.touched::before {
  content: '';
  position: absolute;
  left: 0;
  top: 0.875rem;
  bottom: 0.875rem;
  width: 1px;
  background: var(--p-row);
}
.value {
  display: block;
  font: 600 0.9375rem/1.3125rem var(--mono);
  white-space: nowrap;
}
.value :deep(.fr) {
  font-size: 0.68em;
  margin-block: -0.375rem;
}
.value.long {
  font-size: 0.8125rem;
  letter-spacing: -0.06em;
}
.value :deep(.u) {
  font-size: 0.8125rem;
}
.cell :deep(.grade) {
  display: block;
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  white-space: normal;
}
.cell :deep(.grade svg) {
  display: inline-block;
  vertical-align: -1px;
  margin-right: 0.375rem;
}
tr > .off.off.off {
  color: var(--p-quiet);
  font-size: 0.8125rem;
  line-height: 1.0625rem;
  padding-top: 1rem;
}
tr > .touched.touched.touched {
  position: relative;
  padding: 0.8125rem 2.375rem 0 0.5rem;
  text-align: right;
  vertical-align: top;
  font-size: 0.875rem;
}
.when {
  display: inline-block;
  vertical-align: top;
}
.when .quiet {
  display: block;
  white-space: normal;
  line-height: 1.0625rem;
}
.touched .icon-button {
  position: absolute;
  top: 0.625rem;
  right: 6px;
}
@media (max-width: 1180px) {
  tr > .cell.cell.cell {
    padding-left: 0.5rem;
  }
  .value.long {
    font-size: 0.75rem;
  }
}
@media (max-width: 700px) {
  tr {
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    height: auto;
    padding: 0.375rem 0.5rem 0.5rem 1rem;
  }
  tr > :is(.name.name.name, .cell.cell.cell, .touched.touched.touched) {
    height: auto;
    padding: 0.25rem 0;
    border: 0;
  }
  tr > .name.name.name {
    grid-column: 1 / 3;
    grid-row: 1;
    min-width: 0;
  }
  tr > .touched.touched.touched {
    grid-column: 3;
    grid-row: 1;
  }
  .cell::before,
  .touched::before {
    display: none;
  }
  .cell::after {
    content: attr(data-label);
    font-size: 0.8125rem;
    color: var(--p-quiet);
    order: -1;
  }
  tr > .cell.cell.cell {
    display: flex;
    flex-direction: column;
  }
  tr > .picture.picture.picture,
  tr > .cell.off.off.off {
    display: none;
  }
}
</style>
