import { computed, reactive, ref, type ComputedRef } from 'vue';
import {
  shelfReport,
  type ShelfGroup,
  type ShelfReport,
  type ShelfSort,
  type ShelfView,
} from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import { useNextFrame } from '../../ui/next-frame.ts';

/** What of the shelf is shown, and which lines are chosen. */
export function useShelfView() {
  const shelf = useShelf();
  const view = reactive<{ groups: ShelfGroup[]; filter: string; sort: ShelfSort; down: boolean }>({
    groups: [],
    filter: '',
    sort: 'teeth',
    down: false,
  });
  const chosen = ref<ReadonlySet<string>>(new Set());
  /** a key is seen in its own frame; the list that it leaves follows in the next, however long */
  const filter = useNextFrame(() => view.filter, 2);
  const report: ComputedRef<ShelfReport> = computed(() =>
    shelfReport(shelf.parts, shelf.uses, { ...view, filter: filter.value } satisfies ShelfView),
  );
  /** the chosen lines that are still there, in the order of the list */
  const picked = computed(() =>
    report.value.sections.flatMap((s) => s.rows.filter((r) => chosen.value.has(r.id)).map((r) => r.id)),
  );

  const order = computed(() => report.value.sections.flatMap((s) => s.rows.map((r) => r.id)));
  let anchor: string | null = null;

  /** One line alone; with `more` one more or one less; with `range` all from the last one chosen to this. */
  function choose(id: string, how: 'one' | 'more' | 'range' = 'one'): void {
    if (how === 'range' && anchor) {
      const [a, b] = [order.value.indexOf(anchor), order.value.indexOf(id)];
      chosen.value = new Set(order.value.slice(Math.min(a, b), Math.max(a, b) + 1));
      return;
    }
    anchor = id;
    if (how === 'one') {
      chosen.value = new Set([id]);
      return;
    }
    const next = new Set(chosen.value);
    if (!next.delete(id)) next.add(id);
    chosen.value = next;
  }
  const chooseAll = (): void => {
    chosen.value = new Set(order.value);
  };
  const letGo = (): void => {
    chosen.value = new Set();
  };

  function toggleGroup(group: ShelfGroup): void {
    view.groups = view.groups.includes(group)
      ? view.groups.filter((g) => g !== group)
      : [...view.groups, group];
  }

  function sortBy(sort: ShelfSort): void {
    if (view.sort === sort) view.down = !view.down;
    else [view.sort, view.down] = [sort, false];
  }

  return { view, report, chosen, picked, choose, chooseAll, letGo, toggleGroup, sortBy };
}
