import { describe, expect, test } from '@jest/globals';
import { many } from '../testing/many.ts';
import { exactly, rational, toText } from '../numbers/index.ts';
import {
  key,
  plainEven,
  plainRatio,
  descending,
  fareyNearest,
  madeOfRange,
  seeded,
} from '../testing/plain-find.ts';
import { find, runNow, stagesRefused, type FindRequest, type Kit, type PoolWheel } from './index.ts';

const request = (more: Partial<FindRequest> & Pick<FindRequest, 'asked' | 'kit'>): FindRequest => ({
  source: null,
  maxStages: 2,
  steps: [null, null],
  ratio: [null, null],
  maxErrorPpm: null,
  interval: null,
  rank: 'best',
  count: 12,
  ...more,
});

const kitOf = (wheels: readonly PoolWheel[], more: Partial<Kit> = {}): Kit => ({
  families: [{ pair: 'spur', sizeMm: null, wheels }],
  parts: [],
  mostBought: wheels.every((w) => w.buy) ? null : 0,
  ...more,
});

const range = (from: number, to: number): PoolWheel[] =>
  Array.from({ length: to - from + 1 }, (_, i) => ({ teeth: from + i, own: 0, buy: true }));

const spanOf = (from: number, more: number): [number, number] => [from, from + more];

/** A handful of different wheels with quantities of one to three. */
function shelf(pick: (below: number) => number, sizes: number): Map<number, number> {
  const out = new Map<number, number>();
  while (out.size < sizes) out.set(6 + pick(30), 1 + pick(3));
  return out;
}

const owned = (wheels: ReadonlyMap<number, number>): PoolWheel[] =>
  [...wheels].map(([teeth, own]) => ({ teeth, own, buy: false }));

/** A kit's wheels for the plain loops, where what may be bought is there in any number. */
const endless = (wheels: readonly PoolWheel[]): Map<number, number> =>
  new Map(wheels.map((w) => [w.teeth, Infinity]));

/** The rows of a search and those of the loops, figure by figure and wheel by wheel. */
function sameRows(
  asked: Pick<FindRequest, 'kit' | 'maxStages' | 'count'>,
  wheels: ReadonlyMap<number, number>,
  target: ReturnType<typeof rational>,
  place: number,
): void {
  const found = runNow(find(request({ ...asked, asked: { question: 'ratio', target } })));
  const plain = plainRatio(wheels, target, asked.maxStages, asked.count);
  expect([place, found.rows.map((r) => [r.ratio, r.error, r.stages, r.teeth, r.driven, r.drivers])]).toEqual([
    place,
    plain.map((r) => [
      toText(r.ratio),
      toText(r.error),
      r.stages,
      r.teeth,
      descending(r.driven),
      descending(r.drivers),
    ]),
  ]);
}

describe('a ratio, against nested loops', () => {
  test('ranges of two pairs', () => {
    const pick = seeded(11);
    for (let i = 0; i < many(700); i++) {
      const from = 5 + pick(20);
      const wheels = range(from, from + 2 + pick(4));
      const target = rational(1 + pick(900), 1 + pick(300));
      sameRows({ kit: kitOf(wheels), maxStages: 2, count: 12 }, endless(wheels), target, i);
    }
  });

  test('ranges of three pairs', () => {
    const pick = seeded(12);
    for (let i = 0; i < many(60); i++) {
      const from = 7 + pick(30);
      const wheels = range(from, from + 3);
      const target = rational(100 + pick(900), 100 + pick(900));
      sameRows({ kit: kitOf(wheels), maxStages: 3, count: 9 }, endless(wheels), target, i);
    }
  });

  test('shelves with quantities: a wheel is not on both sides unless there are two', () => {
    const pick = seeded(13);
    for (let i = 0; i < many(700); i++) {
      const wheels = shelf(pick, 3 + pick(4));
      const target = rational(1 + pick(400), 1 + pick(100));
      sameRows({ kit: kitOf(owned(wheels)), maxStages: 2, count: 8 }, wheels, target, i);
    }
  });

  test('shelves with three pairs', () => {
    const pick = seeded(14);
    for (let i = 0; i < many(30); i++) {
      const wheels = shelf(pick, 4 + pick(2));
      const target = rational(1 + pick(400), 1 + pick(100));
      sameRows({ kit: kitOf(owned(wheels)), maxStages: 3, count: 12 }, wheels, target, i);
    }
  });

  test('the front of ranges: nothing nearer has as few stages and teeth', () => {
    const pick = seeded(15);
    for (let i = 0; i < many(200); i++) {
      const from = 8 + pick(12);
      const wheels = range(from, from + 5);
      const target = rational(50 + pick(200), 50 + pick(200));
      const found = runNow(
        find(
          request({
            asked: { question: 'ratio', target },
            kit: kitOf(wheels),
            rank: 'pareto',
            maxErrorPpm: rational(100_000),
          }),
        ),
      );
      // the plain loops know each ratio by its fewest stages only; a ratio with more stages and fewer teeth may stand in the front
      const all = plainRatio(endless(wheels), target, 2, Infinity).filter(
        (r) => r.error.n * 10n <= r.error.d,
      );
      const size = (r: { error: { n: bigint; d: bigint } }): number => Number(r.error.n) / Number(r.error.d);
      for (const row of found.rows)
        expect(
          all.some(
            (r) =>
              size(r) < Math.abs(Number(exactly(row.error!).n) / Number(exactly(row.error!).d)) - 1e-12 &&
              r.stages <= row.stages &&
              r.teeth <= row.teeth &&
              Math.max(...r.driven, ...r.drivers) <= row.largest,
          ),
        ).toBe(false);
      for (const r of all)
        expect(
          found.rows.some((row) => {
            const error = exactly(row.error!);
            return (
              Number(error.n) / Number(error.d) <= size(r) + 1e-12 &&
              row.stages <= r.stages &&
              row.teeth <= r.teeth
            );
          }),
        ).toBe(true);
    }
  });
});

describe('divisions, against nested loops', () => {
  const MODES = [1, 2, 4];

  test.each([
    ['ranges', 21, 250],
    ['shelves', 22, 400],
  ])('%s: counts of trains and steps, and the row of least teeth', (what, seed, cases) => {
    const pick = seeded(seed);
    for (let i = 0; i < many(cases); i++) {
      const wheels =
        what === 'ranges' ? range(...spanOf(8 + pick(10), 2 + pick(3))) : owned(shelf(pick, 4 + pick(3)));
      const plainWheels = what === 'ranges' ? endless(wheels) : new Map(wheels.map((w) => [w.teeth, w.own]));
      const divisions = [BigInt(2 + pick(30)), ...(pick(2) ? [BigInt(2 + pick(20))] : [])];
      const limits: [number, number] = [20 + pick(200), 300 + pick(3000)];
      const found = runNow(
        find(
          request({
            asked: { question: 'divisions', divisions },
            source: { fullSteps: 24, modes: MODES },
            kit: kitOf(wheels),
            steps: [rational(limits[0]), rational(limits[1])],
          }),
        ),
      );
      for (const stages of [1, 2]) {
        const plain = plainEven(plainWheels, divisions, 24, MODES, stages, limits);
        const gone = found.gone[stages - 1]!;
        expect([i, stages, gone.trains, gone.steps]).toEqual([i, stages, String(plain.trains), plain.steps]);
        const row = found.rows.find((r) => r.kind === 'even' && r.stages === stages);
        expect([i, stages, row ? [row.teeth, Number(row.steps), row.mode] : null]).toEqual([
          i,
          stages,
          plain.least,
        ]);
      }
    }
  });

  test('where nothing comes out even, nothing misses fewer', () => {
    const pick = seeded(23);
    let asked = 0;
    for (let i = 0; i < many(150); i++) {
      const wheels = owned(shelf(pick, 4));
      const plainWheels = new Map(wheels.map((w) => [w.teeth, w.own]));
      const divisions = [7n, 11n, BigInt(3 + pick(20)), BigInt(4 + pick(30))];
      const bounded = pick(2) === 0;
      const limits: [number, number] = bounded ? [20, 2000] : [1, Number.MAX_SAFE_INTEGER];
      const found = runNow(
        find(
          request({
            asked: { question: 'divisions', divisions },
            source: { fullSteps: 24, modes: MODES },
            kit: kitOf(wheels),
            steps: bounded ? [rational(20), rational(2000)] : [null, null],
          }),
        ),
      );
      if (found.rows.some((r) => r.kind === 'even')) continue;
      asked++;
      let least = divisions.length;
      for (const d of subsets(divisions))
        for (const stages of [1, 2])
          if (plainEven(plainWheels, d, 24, MODES, stages, limits).least)
            least = Math.min(least, divisions.length - divisions.filter((x) => d.includes(x)).length);
      expect([i, found.rows[0]?.misses.length ?? divisions.length]).toEqual([i, least]);
    }
    expect(asked).toBeGreaterThan(many(30));
  });
});

const subsets = (all: readonly bigint[]): (readonly bigint[])[] =>
  Array.from({ length: 2 ** all.length - 2 }, (_, i) => all.filter((_x, j) => ((i + 1) >> j) & 1));

/** The nearest ratios of up to so many wheels over as many, each set written out and looked for by halving. */
function nearestOfSets(target: number, from: number, to: number, most: number, count: number): string[] {
  const met = new Map<string, number>();
  for (let wheels = 1; wheels <= most; wheels++) {
    const made = new Set<number>();
    const lay = (product: number, left: number, least: number): void => {
      if (left === 0) made.add(product);
      else for (let z = least; z <= to; z++) lay(product * z, left - 1, z);
    };
    lay(1, wheels, from);
    const all = Float64Array.from(made).sort();
    for (const b of all) {
      let [low, high] = [0, all.length];
      while (low < high) {
        const middle = (low + high) >> 1;
        if (all[middle]! < b * target) low = middle + 1;
        else high = middle;
      }
      for (const a of [all[low - 1], all[low]])
        if (a) met.set(toText(rational(a, b)), Math.abs(a / b / target - 1));
    }
  }
  return [...met]
    .sort((x, y) => x[1] - y[1])
    .slice(0, count)
    .map(([ratio]) => ratio);
}

describe('at full size, by the Farey sequence', () => {
  test.each([
    ['365.24219', 3, 6],
    ['29.530588', 2, 20],
    ['3.14159265358979', 2, 12],
    ['12.368266', 3, 8],
    ['1/27.321661', 2, 10],
  ])('%s with %s pairs of 12 to 127', (target, maxStages, count) => {
    const t = exactly(target.includes('1/') ? '1000000/27321661' : target);
    const found = runNow(
      find(
        request({ asked: { question: 'ratio', target: t }, kit: kitOf(range(12, 127)), maxStages, count }),
      ),
    );
    const walk = fareyNearest(t, 127n ** BigInt(maxStages), madeOfRange(12, 127, maxStages));
    const judged = Array.from({ length: count }, () => walk.next().value as ReturnType<typeof rational>);
    expect(found.rows.map((r) => r.ratio)).toEqual(judged.map(toText));
    expect(new Set(judged.map(key)).size).toBe(count);
  });

  test('five pairs of one list of wheels are gone through, and nothing else with five', () => {
    const asked = { question: 'ratio', target: exactly('3.14159265358979') } as const;
    const kit = kitOf(range(12, 43));
    const found = runNow(find(request({ asked, kit, maxStages: 5, count: 3 })));
    expect(found.rows.map((r) => r.ratio)).toEqual(nearestOfSets(Math.PI, 12, 43, 5, 3));
    expect(found.gone.map((g) => g.proven)).toEqual([true, true, true, true, true]);
    const two = {
      ...kit,
      families: [...kit.families, { pair: 'bevel', sizeMm: null, wheels: range(12, 20) }],
    };
    for (const other of [
      { asked: { question: 'divisions', divisions: [73n] } },
      { rank: 'pareto' },
      { kit: two },
    ] as const)
      expect(
        stagesRefused({ ...request({ asked, kit, maxStages: 5 }), ...other } as FindRequest),
      ).toMatchObject({
        code: 'manyStages',
        path: 'maxStages',
      });
  });
});
