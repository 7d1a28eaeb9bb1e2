<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { useVirtualList } from '@vueuse/core';
import { mdiArrowDown, mdiArrowUp } from '@mdi/js';
import type { PartColumn, Refusal, ShelfReport, ShelfRow, ShelfSection, ShelfSort } from '@pendrix/core';
import { keyHandler } from '../../ui/keys.ts';
import { COLUMNS } from './columns.ts';
import ShelfLine from './ShelfLine.vue';
import { sized } from '../../ui/rem.ts';

/** The lines of the shelf under their heads; any cell can be written in. Only what is in sight is drawn. */
const { report, chosen, sort, down, edit } = defineProps<{
  report: ShelfReport;
  chosen: ReadonlySet<string>;
  sort: ShelfSort;
  down: boolean;
  edit: (id: string, column: PartColumn, text: string) => Refusal | null;
}>();
const emit = defineEmits<{
  choose: [id: string, how: 'one' | 'more' | 'range'];
  chooseAll: [];
  sort: [by: ShelfSort];
  remove: [];
}>();

type Item =
  { readonly head: ShelfSection; readonly row: null } | { readonly head: null; readonly row: ShelfRow };

const ROW = sized(24);
const OVERSCAN = 4;
const items = computed<Item[]>(() =>
  report.sections.flatMap((head): Item[] => [
    { head, row: null },
    ...head.rows.map((row): Item => ({ head: null, row })),
  ]),
);
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(items, {
  itemHeight: ROW,
  overscan: OVERSCAN,
});

/** so many lines are made; what scrolls out of sight comes back with another line in it */
const pool = ref(32);
watch(list, (drawn) => {
  if (drawn.length > pool.value) pool.value = drawn.length + 8;
});
/** A line that is written in keeps its own element, wherever sorting takes it. */
const keyOf = (item: Item, index: number): string =>
  item.head
    ? item.head.key
    : editing.value && item.row.id === here.value
      ? item.row.id
      : `line ${index % pool.value}`;

const grid = ref<HTMLElement | null>(null);
/** the cell that has, or would get, the focus */
const at = ref({ id: '', column: 1 });
const editing = ref(false);
const first = computed(() => items.value.find((i) => i.row)?.row?.id ?? '');
const here = computed(() => (items.value.some((i) => i.row?.id === at.value.id) ? at.value.id : first.value));
const isAt = (row: ShelfRow, column: number): boolean => row.id === here.value && at.value.column === column;

const reach = (row: ShelfRow, column: number): void => {
  at.value = { id: row.id, column };
};

async function focusCell(id: string, column: number): Promise<void> {
  at.value = { id, column };
  editing.value = false;
  const index = items.value.findIndex((i) => i.row?.id === id);
  const box = containerProps.ref.value;
  const shown = box && index * ROW >= box.scrollTop && (index + 1) * ROW <= box.scrollTop + box.clientHeight;
  if (!shown) scrollTo(Math.max(0, index - 3));
  await nextTick();
  await nextTick();
  grid.value?.querySelector<HTMLElement>(`[data-row="${CSS.escape(id)}"] [data-column="${column}"]`)?.focus();
}

function step(by: number): void {
  const rows = items.value.flatMap((i) => (i.row ? [i.row.id] : []));
  const to = rows[Math.min(rows.length - 1, Math.max(0, rows.indexOf(here.value) + by))];
  if (to) void focusCell(to, at.value.column);
}

const across = (by: number): void =>
  void focusCell(here.value, Math.max(0, Math.min(COLUMNS.length - 1, at.value.column + by)));
const keys = keyHandler({
  down: () => step(1),
  up: () => step(-1),
  pageDown: () => step(15),
  pageUp: () => step(-15),
  right: () => across(1),
  left: () => across(-1),
  first: () => across(-COLUMNS.length),
  last: () => across(COLUMNS.length),
  write,
  pick: () => emit('choose', here.value, 'more'),
  takeOff: () => emit('remove'),
  pickAll: () => emit('chooseAll'),
});
/** Keys of a head or of a cell that is written in are their own. */
function onKey(e: KeyboardEvent): void {
  if (!editing.value && !(e.target as Element).closest('.head')) keys(e);
}

function write(): void {
  if (COLUMNS[at.value.column]!.id === 'used') return;
  const rows = items.value.flatMap((i) => (i.row ? [i.row.id] : []));
  below = rows[rows.indexOf(here.value) + 1] ?? null;
  editing.value = true;
}

function click(row: ShelfRow, column: number, e: MouseEvent): void {
  if (e.shiftKey) emit('choose', row.id, 'range');
  else if (e.ctrlKey || e.metaKey) emit('choose', row.id, 'more');
  else if (!(editing.value && isAt(row, column))) emit('choose', row.id, 'one');
  const again = isAt(row, column) && chosen.has(row.id) && !e.shiftKey && !e.ctrlKey;
  at.value = { id: row.id, column };
  if (again) write();
  else if (!isAt(row, column)) editing.value = false;
}

/** The cell is left: the focus goes on in the order the list had before it was sorted anew. */
function left(to: 'down' | 'right' | 'left' | 'stay'): void {
  if (!editing.value) return;
  editing.value = false;
  const was = below;
  below = null;
  if (to === 'down' && was) void focusCell(was, at.value.column);
  else if (to === 'right' || to === 'left') across(to === 'right' ? 1 : -1);
  else void focusCell(here.value, at.value.column);
}
/** the line below the one that is written in, as the list stood when it was entered */
let below: string | null = null;

// A cell that has the focus is given another line while it scrolls: the focus then waits at the list itself.
watch(
  list,
  () => {
    const on = document.activeElement;
    if (!on?.matches('[data-column]') || !grid.value?.contains(on)) return;
    if (on.closest<HTMLElement>('[data-row]')?.dataset['row'] !== here.value)
      grid.value.focus({ preventScroll: true });
  },
  { flush: 'post' },
);

/** A new line is looked at, and its first cell waits for what is known of it. */
async function show(id: string): Promise<void> {
  await focusCell(id, 1);
}
defineExpose({ show });
watch(
  () => report.sections,
  () => {
    if (!items.value.some((i) => i.row?.id === at.value.id)) editing.value = false;
  },
);
</script>

<template>
  <div
    ref="grid"
    class="grid"
    role="grid"
    tabindex="-1"
    aria-label="Parts"
    :aria-rowcount="items.length + 1"
    aria-multiselectable="true"
    @keydown="onKey"
  >
    <div class="row head" role="row">
      <span
        v-for="c in COLUMNS"
        :key="c.id"
        role="columnheader"
        :class="[c.id, { num: c.number }]"
        :aria-sort="sort === c.sort ? (down ? 'descending' : 'ascending') : 'none'"
      >
        <button type="button" @click="emit('sort', c.sort)">
          {{ c.title
          }}<v-icon
            v-if="sort === c.sort && (down || sort !== 'teeth')"
            :icon="down ? mdiArrowDown : mdiArrowUp"
            size="13"
          />
        </button>
      </span>
    </div>
    <div v-bind="containerProps" class="body" role="presentation">
      <div v-bind="wrapperProps" role="rowgroup">
        <template v-for="{ data: item, index } in list" :key="keyOf(item, index)">
          <div v-if="item.head" class="section" role="row" :aria-rowindex="index + 2">
            <span role="gridcell"
              ><b>{{ item.head.title }}</b> {{ item.head.message }}</span
            >
          </div>
          <ShelfLine
            v-else
            :row="item.row"
            :at="item.row.id === here ? at.column : null"
            :writing="editing && item.row.id === here"
            :edit="edit"
            :class="{ on: chosen.has(item.row.id), at: item.row.id === here }"
            :aria-rowindex="index + 2"
            :aria-selected="chosen.has(item.row.id)"
            @press="click"
            @reach="reach"
            @left="left"
          />
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped src="./shelf-table.css"></style>
