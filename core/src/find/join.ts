import { abs, compare, exactly, ZERO, type Rational } from '../numbers/index.ts';
import type { FindAnswer, FoundRow, Gone } from './answer.ts';
import type { FindRequest } from './request.ts';

/** A figure of a row as a number, read from its text once: rows are compared with one another many times. */
function read(of: (row: FoundRow) => string | null): (row: FoundRow) => Rational {
  const known = new WeakMap<FoundRow, Rational>();
  return (row) => {
    let value = known.get(row);
    if (!value) {
      const text = of(row);
      value = text === null ? ZERO : abs(exactly(text));
      known.set(row, value);
    }
    return value;
  };
}
const errorOf = read((row) => row.error);
const stepsOf = read((row) => row.steps);
const ratioOf = read((row) => row.ratio);

/** Where a kind of row stands: what comes out even before what misses, and that before what only comes near. */
const KINDS = ['even', 'ratio', 'rate', 'misses', 'near'];

/** The order of the answers to each question. (handbook: find) */
export function compareFound(a: FoundRow, b: FoundRow): number {
  const kind = KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind);
  if (kind !== 0) return kind;
  const error = compare(errorOf(a), errorOf(b));
  switch (a.kind) {
    case 'ratio': {
      const numerators = ratioOf(a).n - ratioOf(b).n;
      return error || a.stages - b.stages || (numerators < 0n ? -1 : numerators > 0n ? 1 : 0);
    }
    case 'rate':
      return (
        error ||
        a.stages - b.stages ||
        a.teeth - b.teeth ||
        compare(stepsOf(a), stepsOf(b)) ||
        (a.intervalTicks ?? 0) - (b.intervalTicks ?? 0)
      );
    case 'even':
    case 'misses':
    case 'near':
      return (
        a.misses.length - b.misses.length ||
        error ||
        a.stages - b.stages ||
        a.teeth - b.teeth ||
        compare(stepsOf(a), stepsOf(b)) ||
        (a.mode ?? 0) - (b.mode ?? 0) ||
        compare(ratioOf(a), ratioOf(b))
      );
  }
}

/** Rows that are the same answer, whoever found them. */
const sameKey = (row: FoundRow): string =>
  row.kind === 'rate'
    ? `${row.kind} ${row.stages} ${row.steps} ${row.intervalTicks} ${row.teeth} ${row.largest}`
    : `${row.kind} ${row.stages} ${row.ratio} ${row.teeth} ${row.largest}`;

/** Rows with the same answer, however many stages it takes. */
const answerKey = (row: FoundRow): string =>
  row.kind === 'rate'
    ? `${row.steps} ${row.intervalTicks}`
    : `${row.kind} ${row.ratio} ${row.misses.join(' ')}`;

/** Of one answer the row of fewest stages and least teeth, and others only where they save teeth or their largest wheel is smaller. */
function worthKeeping(rows: readonly FoundRow[]): readonly FoundRow[] {
  const kept = new Map<string, FoundRow[]>();
  const sorted = [...rows].sort(
    (a, b) =>
      a.stages - b.stages ||
      a.teeth - b.teeth ||
      a.largest - b.largest ||
      (a.mode ?? 0) - (b.mode ?? 0) ||
      a.cost - b.cost,
  );
  for (const row of sorted) {
    const before = kept.get(answerKey(row)) ?? [];
    const beaten = before.some(
      (b) =>
        b.teeth <= row.teeth &&
        b.largest <= row.largest &&
        b.cost <= row.cost &&
        (b.mode ?? 0) <= (row.mode ?? 0),
    );
    // what comes out even stands under every number of stages, one that idles told as such
    const shown = row.kind !== 'ratio' && row.kind !== 'rate' && !before.some((b) => b.stages === row.stages);
    if (!beaten || shown) kept.set(answerKey(row), [...before, row]);
  }
  return [...kept.values()].flat();
}

/**
 * Whether nothing else in a list is as good in error, stages, teeth, largest wheel, what is to be bought
 * and coarseness of the mode at once, and better in one. `bySize` false leaves the largest wheel out of it.
 */
export function unbeaten(row: FoundRow, rows: readonly FoundRow[], bySize = true): boolean {
  return !rows.some((other) => {
    if (other === row || other.misses.length > row.misses.length) return false;
    if (other.stages > row.stages || other.teeth > row.teeth) return false;
    if (bySize && other.largest > row.largest) return false;
    const error = compare(errorOf(other), errorOf(row));
    const modes = row.kind === 'even' && other.kind === 'even' ? (other.mode ?? 0) - (row.mode ?? 0) : 0;
    const [stages, teeth] = [other.stages - row.stages, other.teeth - row.teeth];
    const misses = other.misses.length - row.misses.length;
    const cost = other.cost - row.cost;
    const asGood = error <= 0 && stages <= 0 && teeth <= 0 && modes <= 0 && cost <= 0;
    const better =
      error < 0 ||
      stages < 0 ||
      teeth < 0 ||
      modes < 0 ||
      misses < 0 ||
      cost < 0 ||
      (bySize && other.largest < row.largest);
    return asGood && (better || rows.indexOf(other) < rows.indexOf(row));
  });
}

/** What several workers found of one request, as one answer: the same whatever the number of workers. */
export function joined(request: FindRequest, parts: readonly FindAnswer[]): FindAnswer {
  const byKey = new Map<string, FoundRow>();
  for (const row of parts.flatMap((p) => p.rows)) {
    const known = byKey.get(sameKey(row));
    if (
      known &&
      (known.stages - row.stages || known.teeth - row.teeth || (known.mode ?? 0) - (row.mode ?? 0)) <= 0
    )
      continue;
    byKey.set(sameKey(row), row);
  }
  return {
    proven: parts.every((p) => p.proven),
    rows: ordered(request, [...byKey.values()]),
    gone: stagesOf(parts).map((all) => joinedGone(all)),
    reason: null,
  };
}

/** In order, and as many as were asked for: of each number of stages where the divisions are asked, else of all. */
export function ordered({ rank, count }: FindRequest, rows: readonly FoundRow[]): readonly FoundRow[] {
  const sorted = [...worthKeeping(rows)].sort(compareFound);
  if (rank === 'pareto') return sorted.filter((row) => unbeaten(row, sorted));
  const taken = new Map<string, number>();
  return sorted.filter((row) => {
    const byStages = row.kind === 'even' || (row.kind === 'rate' && rank === 'both');
    const group = byStages ? `${row.kind} ${row.stages}` : row.kind;
    const before = taken.get(group) ?? 0;
    taken.set(group, before + 1);
    return before < count || (rank === 'both' && unbeaten(row, sorted));
  });
}

const stagesOf = (parts: readonly FindAnswer[]): readonly (readonly Gone[])[] =>
  (parts[0]?.gone ?? []).map((_, i) => parts.map((p) => p.gone[i]!));

function joinedGone(all: readonly Gone[]): Gone {
  const sum = (of: (g: Gone) => number): number => all.reduce((n, g) => n + of(g), 0);
  const trains = all[0]!.trains === null ? null : all.reduce((n, g) => n + BigInt(g.trains ?? 0), 0n);
  return {
    stages: all[0]!.stages,
    proven: all.every((g) => g.proven),
    products: sum((g) => g.products),
    looked: sum((g) => g.looked),
    refused: sum((g) => g.refused),
    trains: trains === null ? null : String(trains),
    ...(trains !== null && { outside: all.some((g) => g.outside) }),
    steps: trains === null ? null : different(all.flatMap((g) => (g.seen ? [g.seen] : []))),
  };
}

const different = (lists: readonly Float64Array[]): number => {
  const [only] = lists;
  if (only && lists.length === 1) return only.length;
  const all = new Set<number>();
  for (const list of lists) for (const value of list) all.add(value);
  return all.size;
};
