import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';
import {
  error,
  MAX_ROWS,
  mostRows,
  movesAsked,
  planFor,
  planRun,
  readCount,
  readMoves,
  refusalMessage,
  type Refusal,
  type Report,
  type RunPlan,
} from '@pendrix/core';

/** What is to be run, as it is put together before the start: a count of gaps or marks, in rows, in passes. */
export interface PlanChoice {
  /** null until there is a count */
  readonly plan: ComputedRef<RunPlan | null>;
  /** why there is no run of that count: no circle, no steps, no room to turn */
  readonly limited: ComputedRef<{ readonly message: string; readonly cure: string } | null>;
  readonly count: Ref<number | null>;
  readonly setCount: (text: string) => Refusal | null;
  /** of a slide: how far from mark to mark; "" for gaps of a turn */
  readonly move: Ref<string>;
  readonly setMove: (text: string) => Refusal | null;
  /** the other output of a grid, "" for none, its divisions, and how many of them are rows */
  readonly rowsBy: Ref<string>;
  readonly rowsCount: Ref<number>;
  readonly setRows: (text: string) => Refusal | null;
  readonly setRowsMany: (text: string) => Refusal | null;
  readonly passes: Ref<number>;
  readonly setPasses: (text: string) => Refusal | null;
}

/** Marks that a slide begins with: as many as a hand's breadth of a rule. */
const MARKS = 11;

/** `others` are the outputs that a grid may be made with; `fixed` is the plan of a run that is under way. */
export function usePlanChoice(
  report: () => Report,
  others: () => readonly { readonly name: string; readonly report: Report }[],
  first: () => number | null,
  fixed: RunPlan | null,
): PlanChoice {
  const [asked = ''] =
    report().kinematics.travel && report().counts.length === 0 ? movesAsked(report().drive) : [];
  const move = ref(fixed?.scale?.move ?? (first() === null ? asked : ''));
  const count = ref<number | null>(
    fixed?.divisions ??
      first() ??
      (move.value ? MARKS : (report().counts.find((c) => c <= MAX_ROWS) ?? null)),
  );
  watch(first, (now) => {
    if (now === null) return;
    count.value = now;
    move.value = '';
  });
  const rowsBy = ref('');
  const rowsCount = ref(24);
  const rowsMany = ref<number | null>(null);
  const rows = computed(() => {
    const by = others().find((o) => o.name === rowsBy.value);
    return by ? planRun(by.report.drive, rowsCount.value) : null;
  });
  const passes = ref(1);
  const own = computed(() =>
    count.value === null ? null : planFor(report().drive, count.value, move.value || undefined),
  );
  const plan = computed(() => {
    if (fixed) return fixed;
    if (!own.value?.ok) return null;
    const one = own.value.value;
    if (!rows.value) return passes.value > 1 ? { ...one, passes: passes.value } : one;
    return { ...one, rows: rows.value, rowCount: Math.min(rowsMany.value ?? Infinity, mostRows(rows.value)) };
  });
  /** A field that takes a whole number. */
  const counted =
    (limits: () => { min: number; max: number; unit: string; example: string }, set: (n: number) => void) =>
    (text: string): Refusal | null => {
      const read = readCount(text, limits());
      if (read.ok) set(read.value);
      return read.ok ? null : read.refusal;
    };
  const setCount = counted(
    () => ({ min: 1, max: MAX_ROWS, unit: move.value ? 'marks' : 'divisions', example: '73' }),
    (n) => (count.value = n),
  );
  return {
    plan,
    limited: computed(() => (fixed || !own.value || own.value.ok ? null : refusalMessage(own.value.refusal))),
    count,
    setCount: (text) => {
      const refusal = setCount(text);
      return refusal?.code === 'tooLarge'
        ? error('tooManyRows', text, { limit: String(MAX_ROWS) }).refusal
        : refusal;
    },
    move,
    setMove: (text) => {
      if (text.trim() === '') {
        move.value = '';
        return null;
      }
      const read = readMoves(text);
      if (!read.ok) return read.refusal;
      if (read.value.length !== 1) return error('noTravel', text).refusal;
      move.value = text.trim();
      count.value ??= MARKS;
      return null;
    },
    rowsBy,
    rowsCount,
    setRows: counted(
      () => ({ min: 2, max: 10_000, unit: 'divisions', example: '24' }),
      (n) => {
        rowsCount.value = n;
        rowsMany.value = null;
      },
    ),
    setRowsMany: counted(
      () => ({ min: 1, max: rows.value ? mostRows(rows.value) : 1, unit: 'rows', example: '5' }),
      (n) => (rowsMany.value = n),
    ),
    passes,
    setPasses: counted(
      () => ({ min: 1, max: 100, unit: 'passes', example: '2' }),
      (n) => (passes.value = n),
    ),
  };
}
