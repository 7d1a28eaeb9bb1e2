<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { useVirtualList } from '@vueuse/core';
import { mdiArrowDown, mdiArrowUp } from '@mdi/js';
import type { PartColumn, Refusal, ShelfReport, ShelfRow, ShelfSection, ShelfSort } from '@pendrix/core';
import MarkIcon from '../../ui/MarkIcon.vue';
import PartCell from './PartCell.vue';

/** The lines of the shelf under their heads; any cell can be written in. Only what is in sight is drawn. */
const { report, chosen, sort, down, edit } = defineProps<{
  report: ShelfReport;
  chosen: ReadonlySet<string>;
  sort: ShelfSort;
  down: boolean;
  edit: (id: string, column: PartColumn, text: string, burst: string) => Refusal | null;
}>();
const emit = defineEmits<{
  choose: [id: string, how: 'one' | 'more' | 'range'];
  chooseAll: [];
  sort: [by: ShelfSort];
  remove: [];
}>();

type Item =
  { readonly head: ShelfSection; readonly row: null } | { readonly head: null; readonly row: ShelfRow };

const keyOf = (item: Item): string => (item.row ? item.row.id : item.head.key);
const ROW = 24;
const items = computed<Item[]>(() =>
  report.sections.flatMap((head): Item[] => [
    { head, row: null },
    ...head.rows.map((row): Item => ({ head: null, row })),
  ]),
);
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(items, {
  itemHeight: ROW,
  overscan: 12,
});

interface Column {
  readonly id: PartColumn | 'used';
  readonly sort: ShelfSort;
  readonly title: string;
  readonly number: boolean;
}
const COLUMNS: readonly Column[] = [
  { id: 'name', sort: 'name', title: 'Part', number: false },
  { id: 'teeth', sort: 'teeth', title: 'Teeth', number: true },
  { id: 'size', sort: 'size', title: 'Size', number: true },
  { id: 'bore', sort: 'bore', title: 'Bore', number: true },
  { id: 'own', sort: 'own', title: 'Own', number: true },
  { id: 'used', sort: 'used', title: 'In use', number: true },
  { id: 'price', sort: 'price', title: '€ each', number: true },
  { id: 'known', sort: 'known', title: 'Known by', number: false },
];

const grid = ref<HTMLElement | null>(null);
/** the cell that has, or would get, the focus */
const at = ref({ id: '', column: 1 });
const editing = ref(false);
const first = computed(() => items.value.find((i) => i.row)?.row?.id ?? '');
const here = computed(() => (items.value.some((i) => i.row?.id === at.value.id) ? at.value.id : first.value));
const isAt = (row: ShelfRow, column: number): boolean => row.id === here.value && at.value.column === column;

const textOf = (row: ShelfRow, id: Column['id']): string =>
  id === 'name' ? row.label : id === 'used' ? (row.used === 0 ? '–' : String(row.used)) : row[id as 'own'];

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

function onKey(e: KeyboardEvent): void {
  if (editing.value) return;
  const moves: Readonly<Record<string, () => void>> = {
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    PageDown: () => step(15),
    PageUp: () => step(-15),
    ArrowRight: () => void focusCell(here.value, Math.min(COLUMNS.length - 1, at.value.column + 1)),
    ArrowLeft: () => void focusCell(here.value, Math.max(0, at.value.column - 1)),
    Home: () => void focusCell(here.value, 0),
    End: () => void focusCell(here.value, COLUMNS.length - 1),
    Enter: () => write(),
    F2: () => write(),
    ' ': () => emit('choose', here.value, 'more'),
    Delete: () => emit('remove'),
  };
  const act = moves[e.key];
  if (act && !e.altKey && !e.ctrlKey && !e.metaKey) {
    e.preventDefault();
    act();
  } else if (e.key.toLowerCase() === 'a' && (e.ctrlKey || e.metaKey)) {
    e.preventDefault();
    emit('chooseAll');
  }
}

function write(): void {
  if (COLUMNS[at.value.column]!.id !== 'used') editing.value = true;
}

function click(row: ShelfRow, column: number, e: MouseEvent): void {
  if (e.shiftKey) emit('choose', row.id, 'range');
  else if (e.ctrlKey || e.metaKey) emit('choose', row.id, 'more');
  else emit('choose', row.id, 'one');
  const again = isAt(row, column) && chosen.has(row.id) && !e.shiftKey && !e.ctrlKey;
  at.value = { id: row.id, column };
  editing.value = again && COLUMNS[column]!.id !== 'used';
}

function left(to: 'down' | 'right' | 'stay'): void {
  editing.value = false;
  const id = here.value;
  if (to === 'down') step(1);
  else
    void focusCell(id, to === 'right' ? Math.min(COLUMNS.length - 1, at.value.column + 1) : at.value.column);
}

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
        :class="{ num: c.number }"
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
        <template v-for="{ data: item, index } in list" :key="keyOf(item)">
          <div v-if="item.head" class="section" role="row" :aria-rowindex="index + 2">
            <span role="gridcell"
              ><b>{{ item.head.title }}</b> {{ item.head.says }}</span
            >
          </div>
          <div
            v-else
            class="row"
            role="row"
            :class="{ on: chosen.has(item.row.id), at: item.row.id === here }"
            :data-row="item.row.id"
            :aria-rowindex="index + 2"
            :aria-selected="chosen.has(item.row.id)"
          >
            <span
              v-for="(c, i) in COLUMNS"
              :key="c.id"
              role="gridcell"
              :data-column="i"
              :class="[c.id, { num: c.number, short: c.id === 'used' && item.row.short }]"
              :tabindex="isAt(item.row, i) && !editing ? 0 : -1"
              @click="click(item.row, i, $event)"
              @focus="at = { id: item.row.id, column: i }"
            >
              <PartCell
                v-if="editing && isAt(item.row, i)"
                :part="item.row.part"
                :column="c.id as PartColumn"
                :commit="(text, burst) => edit(item.row.id, c.id as PartColumn, text, burst)"
                @done="left"
              />
              <template v-else-if="c.id === 'known'"
                ><span class="by" :class="`by-${item.row.knownMark}`"
                  ><MarkIcon :name="item.row.knownMark" :size="9" />{{ item.row.knownSays }}</span
                ><span class="quiet used-by">{{ item.row.usedBy }}</span></template
              >
              <template v-else
                >{{ textOf(item.row, c.id)
                }}<span v-if="(c.id === 'size' || c.id === 'bore') && item.row[c.id]" class="u"
                  >mm</span
                ></template
              >
            </span>
          </div>
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped src="./shelf-table.css"></style>
