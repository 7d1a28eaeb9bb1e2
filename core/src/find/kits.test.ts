import { describe, expect, test } from '@jest/globals';
import { abs, compare, div, exactly, mul, rational, sub, toText, type Rational } from '../numbers/index.ts';
import type { Stage } from '../drive/index.ts';
import { many } from '../testing/many.ts';
import { plainStages, type PlainStage, seeded } from '../testing/plain-find.ts';
import { searchList } from './list-question.ts';
import { find, runNow, type Family, type FindRequest, type FixedPart, type Kit } from './index.ts';
import { Workbench } from './kit.ts';
import { partRatio, partTeeth } from './parts.ts';
import { searchRatio, WHOLE } from './ratio-question.ts';

const request = (kit: Kit, more: Partial<FindRequest> & Pick<FindRequest, 'asked'>): FindRequest => ({
  source: { fullSteps: 20, modes: [1, 2] },
  kit,
  maxStages: 2,
  steps: [null, null],
  ratio: [null, null],
  maxErrorPpm: null,
  interval: null,
  rank: 'best',
  count: 10,
  ...more,
});

/** Every stage that a kit allows, as the plain loops take them. */
function optionsOf(kit: Kit): readonly PlainStage[] {
  const pairs = kit.families.flatMap((f, family) =>
    f.wheels.flatMap((driver) =>
      f.wheels.flatMap((driven): PlainStage[] => {
        const [low, high] = [Math.min(driver.teeth, driven.teeth), Math.max(driver.teeth, driven.teeth)];
        const most = kit.pair?.mostRatio;
        if (most && compare(rational(high, low), most) > 0) return [];
        if (kit.pair?.sum && (low + high < kit.pair.sum[0] || low + high > kit.pair.sum[1])) return [];
        const coprime = rational(high, low).n === BigInt(high);
        if (kit.pair?.meet && coprime !== (kit.pair.meet === 'hunting')) return [];
        return [
          {
            ratio: rational(driven.teeth, driver.teeth),
            teeth: driver.teeth + driven.teeth,
            takes: [`${family} ${driver.teeth}`, `${family} ${driven.teeth}`],
          },
        ];
      }),
    ),
  );
  return [
    ...pairs,
    ...kit.parts.map((p, i) => ({ ratio: partRatio(p), teeth: partTeeth(p), takes: [`part ${i}`] })),
  ];
}

function plain(kit: Kit, target: Rational, maxStages: number, count: number): readonly unknown[] {
  const owned = new Map<string, number>();
  for (const [family, f] of kit.families.entries())
    for (const w of f.wheels) owned.set(`${family} ${w.teeth}`, w.own);
  for (const [i, p] of kit.parts.entries()) owned.set(`part ${i}`, p.quantity);
  const wheels = kit.families.map((f) => new Map(f.wheels.map((w) => [String(w.teeth), w.buy])));
  const buyable = (thing: string): boolean => {
    const [family, teeth] = thing.split(' ');
    return family !== 'part' && wheels[Number(family)]!.get(teeth!)!;
  };
  return plainStages(
    optionsOf(kit),
    owned,
    buyable,
    kit.mostBought ?? Infinity,
    target,
    maxStages,
    count,
  ).map((r) => [toText(r.ratio), r.stages, r.teeth]);
}

const found = (r: FindRequest): readonly unknown[] =>
  runNow(find(r)).rows.map((row) => [row.ratio, row.stages, row.teeth]);

const worm = (starts: number, wheel: number): Stage => ({ kind: 'worm', starts, wheel });
const family = (
  pair: 'spur' | 'belt',
  pick: (below: number) => number,
  sizes: number,
  buy: (i: number) => boolean,
): Family => {
  const teeth = new Set<number>();
  while (teeth.size < sizes) teeth.add(7 + pick(25));
  return {
    pair,
    sizeMm: pair === 'spur' ? 1 : 2,
    wheels: [...teeth].map((z, i) => ({ teeth: z, own: buy(i) && pick(2) ? 0 : 1 + pick(2), buy: buy(i) })),
  };
};

describe('kits of several families and of parts, against loops over every choice', () => {
  test('kits of wheels, belt wheels and worms, with quantities', () => {
    const pick = seeded(31);
    for (let i = 0; i < many(150); i++) {
      const kit: Kit = {
        families: [family('spur', pick, 3, () => false), family('belt', pick, 3, () => false)],
        parts: [
          { stage: worm(1, 20 + pick(20)), quantity: 1 },
          { stage: worm(2, 41 + pick(20)), quantity: 1 + pick(2) },
        ],
        mostBought: 0,
      };
      const target = rational(1 + pick(900), 1 + pick(20));
      const maxStages = i % 5 === 0 ? 3 : 2;
      expect([i, found(request(kit, { asked: { question: 'ratio', target }, maxStages }))]).toEqual([
        i,
        plain(kit, target, maxStages, 10),
      ]);
    }
  });

  test('kits of what is owned and up to two bought', () => {
    const pick = seeded(32);
    for (let i = 0; i < many(120); i++) {
      const kit: Kit = {
        families: [family('spur', pick, 5, (w) => w > 1)],
        parts: [],
        mostBought: pick(3),
      };
      const target = rational(1 + pick(300), 1 + pick(100));
      expect([i, found(request(kit, { asked: { question: 'ratio', target } }))]).toEqual([
        i,
        plain(kit, target, 2, 10),
      ]);
    }
  });

  test.each([
    ['no pair above 2 : 1', { mostRatio: exactly('2') }],
    ['teeth of a pair together', { sum: [24, 40] as const }],
    ['hunting teeth', { meet: 'hunting' as const }],
    ['repeating teeth', { meet: 'repeating' as const }],
  ])('%s', (_, pair) => {
    const pick = seeded(33);
    for (let i = 0; i < many(40); i++) {
      const kit: Kit = { families: [family('spur', pick, 6, () => true)], parts: [], mostBought: null, pair };
      const target = rational(1 + pick(300), 1 + pick(100));
      expect([i, found(request(kit, { asked: { question: 'ratio', target } }))]).toEqual([
        i,
        plain(kit, target, 2, 10),
      ]);
    }
  });

  test('a pair is of one family, and its stages say which', () => {
    const kit: Kit = {
      families: [
        { pair: 'spur', sizeMm: 0.5, wheels: [20, 73].map((teeth) => ({ teeth, own: 1, buy: false })) },
        { pair: 'belt', sizeMm: 2, wheels: [16, 97].map((teeth) => ({ teeth, own: 1, buy: false })) },
      ],
      parts: [{ stage: Object.assign(worm(1, 90), { partId: 'w90' }), quantity: 1 }],
      mostBought: 0,
    };
    const answer = runNow(
      find(
        request(kit, {
          asked: { question: 'divisions', divisions: [73n, 97n] },
          source: { fullSteps: 200, modes: [1, 2, 4, 8, 16] },
          maxStages: 3,
        }),
      ),
    );
    expect(answer.rows.map((r) => r.train)).toEqual(
      [
        [
          { kind: 'belt', z1: 16, z2: 97, pitchMm: 2 },
          { kind: 'spur', z1: 20, z2: 73, moduleMm: 0.5 },
        ],
        [
          { kind: 'belt', z1: 16, z2: 97, pitchMm: 2 },
          { kind: 'spur', z1: 20, z2: 73, moduleMm: 0.5 },
          { kind: 'worm', starts: 1, wheel: 90, partId: 'w90' },
        ],
      ].filter((_, i) => answer.rows[i]),
    );
    expect(answer.rows[0]!.owned).toBe(4);
  });
});

describe('a long list of stages', () => {
  test('gives what walking gives, for one to four stages, with and without quantities', () => {
    const pick = seeded(41);
    for (let i = 0; i < many(60); i++) {
      const parts: FixedPart[] = Array.from({ length: 4 + pick(6) }, () => ({
        stage: { kind: 'spur', z1: 8 + pick(20), z2: 8 + pick(60) },
        quantity: pick(2) ? Infinity : 1 + pick(2),
      }));
      const question = {
        target: rational(1 + pick(800), 1 + pick(30)),
        maxStages: 1 + (i % 4),
        count: 8,
        cap: pick(3) ? null : rational(1, 5),
        between: [null, null] as const,
        share: WHOLE,
      };
      const bench = new Workbench({ families: [], parts, mostBought: null });
      const walked = runNow(searchRatio(bench, question)).best;
      const listed = runNow(searchList(bench.parts, question)).best;
      expect([i, listed.map((m) => [toText(m.ratio), m.shape.stages])]).toEqual([
        i,
        walked.map((m) => [toText(m.ratio), m.shape.stages]),
      ]);
    }
  });

  test('a request with more than a hundred parts takes that way, and says its trains', () => {
    const parts: FixedPart[] = Array.from({ length: 140 }, (_, i) => ({
      stage: { kind: 'belt', z1: 12 + (i % 14), z2: 20 + i },
      quantity: 1,
    }));
    const target = exactly('13.7272');
    const answer = runNow(
      find(
        request(
          { families: [], parts, mostBought: null },
          { asked: { question: 'ratio', target }, count: 3, maxStages: 3 },
        ),
      ),
    );
    expect(answer.rows).toHaveLength(3);
    for (const row of answer.rows) {
      const ratio = row.train.reduce(
        (r, s) => (s.kind === 'belt' ? mul(r, rational(s.z2, s.z1)) : r),
        rational(1),
      );
      expect(toText(ratio)).toBe(row.ratio);
      expect(toText(sub(div(ratio, target), rational(1)))).toBe(row.error);
    }
  });
});

describe('a rate, against every count of ticks', () => {
  test('ranges: the least errors of one and two pairs', () => {
    const pick = seeded(51);
    for (let i = 0; i < 40; i++) {
      const from = 6 + pick(12);
      const wheels = Array.from({ length: 3 + pick(2) }, (_, k) => ({ teeth: from + k, own: 0, buy: true }));
      const kit: Kit = { families: [{ pair: 'spur', sizeMm: null, wheels }], parts: [], mostBought: null };
      const ticks = rational(5000 + pick(90000), 1 + pick(3));
      const r = request(kit, {
        asked: { question: 'rate', periodSeconds: ticks, tickHz: rational(1), bits: 12 },
        steps: [rational(10), rational(200)],
        maxErrorPpm: rational(4_000),
        count: 6,
      });
      const rows = runNow(find(r)).rows.map((row) => [
        row.steps,
        row.intervalTicks,
        row.error,
        row.stages,
        row.teeth,
      ]);
      expect([i, rows]).toEqual([
        i,
        plainRate(
          wheels.map((w) => w.teeth),
          ticks,
          [20, 40],
          4095,
          6,
        ),
      ]);
    }
  });
});

/** Every train, every mode, every whole number of ticks near it. */
function plainRate(
  wheels: readonly number[],
  ticksPerTurn: Rational,
  perMode: readonly number[],
  mostTicks: number,
  count: number,
): readonly unknown[] {
  interface Row {
    steps: Rational;
    ticks: number;
    error: Rational;
    stages: number;
    teeth: number;
  }
  const best = new Map<string, Row>();
  const pairs = wheels.flatMap((a) => wheels.map((b) => [a, b] as const));
  const trains = [...pairs.map((p) => [p]), ...pairs.flatMap((p) => pairs.map((q) => [p, q]))];
  for (const train of trains)
    for (const steps of perMode) {
      const n = train.reduce((r, [a, b]) => mul(r, rational(a, b)), rational(steps));
      if (compare(n, rational(10)) < 0 || compare(n, rational(200)) > 0) continue;
      const near = Number(ticksPerTurn.n) / Number(ticksPerTurn.d) / (Number(n.n) / Number(n.d));
      for (let t = Math.floor(near * 0.994); t <= Math.ceil(near * 1.006); t++) {
        if (t < 1 || t > mostTicks) continue;
        const error = sub(div(ticksPerTurn, mul(n, rational(t))), rational(1));
        if (compare(abs(error), rational(1, 250)) > 0) continue;
        const row = {
          steps: n,
          ticks: t,
          error,
          stages: train.length,
          teeth: train.flat().reduce((a, b) => a + b, 0),
        };
        const name = `${toText(n)} ${t}`;
        const known = best.get(name);
        if (!known || row.stages < known.stages || (row.stages === known.stages && row.teeth < known.teeth))
          best.set(name, row);
      }
    }
  return [...best.values()]
    .sort(
      (a, b) =>
        compare(abs(a.error), abs(b.error)) ||
        a.stages - b.stages ||
        a.teeth - b.teeth ||
        compare(a.steps, b.steps) ||
        a.ticks - b.ticks,
    )
    .slice(0, count)
    .map((r) => [toText(r.steps), r.ticks, toText(r.error), r.stages, r.teeth]);
}
