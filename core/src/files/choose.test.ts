import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { choose, measureIds, type Chosen, type ChooseRequest } from '../choose/index.ts';
import { kindOf, type Drive } from '../drive/index.ts';
import { runNow } from '../find/index.ts';
import { exactly, mul, ONE, toNumber } from '../numbers/index.ts';
import { checkAnswer } from './answers.ts';
import { chooseAnswer, readChooseRequest } from './choose-file.ts';
import { driveFrom } from './drive-file.ts';

/** One pool as a request file says it. */
interface Pool {
  readonly job: object;
  readonly train: object;
  readonly sources: readonly (Record<string, unknown> & { readonly modes?: readonly number[] })[];
  readonly stages: readonly (Record<string, unknown> & { readonly quantity?: number })[];
  readonly keep: readonly object[];
  readonly maxStages: number;
  readonly measures: readonly string[];
  readonly timer?: object;
}

const fileOf = ({ job, train, measures, timer, ...pool }: Pool): object => ({
  format: 'pendrix-choose',
  version: 1,
  job,
  train,
  ...(timer && { timer }),
  pool: { from: 'given', ...pool },
  measures,
});

function read(pool: Pool): ChooseRequest {
  const request = readChooseRequest(JSON.stringify(fileOf(pool)), null, 50);
  if (!request.ok) throw new Error(JSON.stringify(request.refusal));
  return request.value;
}

const chosenOf = (pool: Pool): Chosen => runNow(choose(read(pool)));

// Everything once more, written out: each sequence a drive file, each file checked, each check compared with every other.

const GRADES = ['even', 'evenMicrostep', 'rounded', 'misses', 'unknown'];
interface Checked {
  readonly divisions: readonly { grade: string; ifExact?: true; plusMinusArcsec?: number }[];
  readonly rates: readonly { fits: boolean | null }[];
  readonly errors: { dividing: { worstArcsec: number } | null; tracking: { worstArcsec: number } | null };
  readonly force: {
    margin: number | null;
    holds: boolean | null;
    meshes: readonly { margin: number | null }[];
  };
  readonly misfits: readonly unknown[];
  readonly stepsPerTurn: string | null;
  readonly lostMotionArcsec: number | null;
}

/** Values of a drive by what `check --json` tells of it. */
function plainValue(
  id: string,
  c: Checked,
  drive: Drive,
  chosen: readonly Record<string, unknown>[],
  pool: Pool,
  source: Record<string, unknown>,
): number | null {
  const lacking = (part: Record<string, unknown>): number => {
    const same = chosen.filter((s) => JSON.stringify(s) === JSON.stringify(part)).length;
    return Math.max(0, same - Number(part['own'] ?? 0)) / same;
  };
  switch (id) {
    case 'error':
      return c.errors.dividing?.worstArcsec ?? c.errors.tracking?.worstArcsec ?? null;
    case 'grade':
      return (
        Math.max(0, ...c.divisions.map((d) => GRADES.indexOf(d.grade))) +
        (c.divisions.some((d) => d.ifExact ?? d.plusMinusArcsec) ? 0.5 : 0)
      );
    case 'force': {
      const margins = [c.force.margin, ...c.force.meshes.map((m) => m.margin ?? Infinity)];
      return margins[0] === null ? null : -Math.min(3, ...(margins as number[]));
    }
    case 'hold':
      return c.force.holds === null ? null : c.force.holds ? 0 : 1;
    case 'buy': {
      const owned = Number(source['own'] ?? 0) > 0;
      if (!owned && source['price'] === undefined) return null;
      // what has no teeth is not made: without a price nobody knows what it costs
      const unknown = chosen.some(
        (s) =>
          s['price'] === undefined &&
          lacking(s) > 0 &&
          (kindOf(s as never).makes?.(s as never).length ?? 0) === 0,
      );
      if (unknown) return null;
      const all = chosen.reduce(
        (n, s) => n + (s['price'] === undefined ? 0 : lacking(s) * Number(s['price'])),
        0,
      );
      return all + (owned ? 0 : Number(source['price']));
    }
    case 'make':
      return chosen.reduce(
        (n, s) =>
          n +
          (s['price'] === undefined ? lacking(s) * (kindOf(s as never).makes?.(s as never).length ?? 0) : 0),
        0,
      );
    case 'stages':
      return chosen.length;
    case 'steps':
      return c.stepsPerTurn === null ? null : -Math.abs(toNumber(exactly(c.stepsPerTurn)));
    case 'size':
      return Math.max(0, ...drive.train.stages.map(acrossOf));
    case 'lost':
      return drive.job.approach === 'both' ? c.lostMotionArcsec : 0;
    default:
      throw new Error(id);
  }
}

/** Module times teeth, or pitch times teeth over π, of the largest wheel; nothing of what is bought closed. */
function acrossOf(stage: object): number {
  const s = stage as Readonly<Record<string, number>>;
  const teeth = Math.max(s['z1'] ?? 0, s['z2'] ?? 0, s['wheel'] ?? 0, s['ring'] ?? 0);
  return s['pitchMm'] === undefined ? (s['moduleMm'] ?? 1) * teeth : (s['pitchMm'] * teeth) / Math.PI;
}

interface Plain {
  readonly drive: Drive;
  readonly values: readonly (number | null)[];
}

function everything(pool: Pool): { readonly all: readonly Plain[]; readonly fails: number } {
  const kinds = [
    ...new Map(pool.stages.map((s) => [JSON.stringify({ ...s, quantity: 0, own: 0, price: 0 }), s])).values(),
  ];
  const many = (s: Record<string, unknown>): number =>
    pool.stages
      .filter(
        (o) =>
          JSON.stringify({ ...o, quantity: 0, own: 0, price: 0 }) ===
          JSON.stringify({ ...s, quantity: 0, own: 0, price: 0 }),
      )
      .reduce((n, o) => n + (o.quantity ?? 1), 0);
  let sequences: (typeof kinds)[] = [[]];
  const all: (typeof kinds)[] = [[]];
  for (let i = 0; i < pool.maxStages; i++) {
    sequences = sequences
      .flatMap((q) => kinds.map((k) => [k, ...q]))
      .filter((q) => q.every((k) => q.filter((o) => o === k).length <= many(k)));
    all.push(...sequences);
  }
  const out: Plain[] = [];
  let fails = 0;
  for (const q of all)
    for (const given of pool.sources)
      for (const mode of given.modes ?? [1]) {
        const { own: _o, price: _p, ...source } = given;
        const stages = q.map(({ own: _a, price: _b, quantity: _c, ...alone }) => alone);
        const read = driveFrom({
          format: 'pendrix-drive',
          version: 2,
          name: 'x',
          job: pool.job,
          ...(pool.timer && { timer: pool.timer }),
          trains: [
            {
              job: pool.train,
              from: null,
              source: given.modes ? { ...source, mode } : source,
              stages: [...stages, ...pool.keep.map((s) => ({ ...s, kept: true }))],
              output: { kind: 'rotary' },
            },
          ],
        });
        if (!read.ok) continue;
        const told = checkAnswer(read.value) as unknown as Checked;
        if (told.misfits.length > 0) continue;
        const short = told.force.margin !== null && told.force.margin < 1;
        if (
          short ||
          told.rates.some((r) => r.fits === false) ||
          told.divisions.some((d) => d.grade === 'misses')
        ) {
          fails++;
          continue;
        }
        out.push({
          drive: read.value,
          values: pool.measures.map((id) => plainValue(id, told, read.value, q, pool, given)),
        });
      }
  return { all: out, fails };
}

/** Classes of values that cannot be told apart, from their own best on. */
function classes(values: readonly (number | null)[], part: number): (v: number | null) => number {
  const sorted = [...new Set(values.filter((v) => v !== null))].sort((a, b) => a - b);
  const at = new Map<number, number>();
  let [place, best] = [-1, NaN];
  for (const v of sorted) {
    if (place < 0 || v > best + Math.abs(best) * part) [place, best] = [place + 1, v];
    at.set(v, place);
  }
  return (v) => (v === null ? Infinity : at.get(v)!);
}

/** Trains of what nothing beats, one of those that are equal, and how many were equal. */
function plainBest(pool: Pool): {
  readonly groups: readonly (readonly string[])[];
  readonly considered: number;
} {
  const { all } = everything(pool);
  const place = pool.measures.map((id, i) =>
    classes(
      all.map((c) => c.values[i]!),
      id === 'error' ? 0.05 : id === 'buy' ? 0.02 : 0,
    ),
  );
  const at = all.map((c) => c.values.map((v, i) => place[i]!(v)));
  const unbeaten = all.flatMap((c, i) => {
    const beaten = at.some((o) => o.every((p, m) => p <= at[i]![m]!) && o.some((p, m) => p < at[i]![m]!));
    return beaten ? [] : [{ key: at[i]!.join(' '), train: JSON.stringify(c.drive.train) }];
  });
  const keys = [...new Set(unbeaten.map((u) => u.key))];
  return {
    groups: keys.map((k) => unbeaten.filter((u) => u.key === k).map((u) => u.train)),
    considered: all.length,
  };
}

function same(pool: Pool): void {
  const chosen = chosenOf(pool);
  const { groups, considered } = plainBest(pool);
  expect(chosen.proven).toBe(true);
  expect(chosen.considered).toBe(considered);
  expect(chosen.best).toHaveLength(groups.length);
  const mine = chosen.best.map(({ candidate }) => JSON.stringify(candidate.drive.train));
  // of equals any of them stands for all; which one is told by its own test
  for (const train of mine) expect(groups.filter((g) => g.includes(train))).toHaveLength(1);
  expect(new Set(mine.map((t) => groups.findIndex((g) => g.includes(t)))).size).toBe(groups.length);
  expect(chosen.equal).toBe(groups.reduce((n, g) => n + g.length - 1, 0));
}

const stepper = (fullSteps: number, more: object = {}): Pool['sources'][number] => ({
  kind: 'stepper',
  fullSteps,
  modes: [1, 4, 16],
  holdingNm: 0.4,
  detentNm: 0.02,
  currentA: 1.5,
  inductanceMh: 3,
  supplyV: 12,
  ...more,
});
const SUNDIAL: Pool = {
  job: {
    toleranceMm: '0.05',
    radiusMm: '120',
    load: { workNm: 1.2, speedRpm: '4', massKg: 2, offsetMm: 60, elevationDeg: 0 },
  },
  train: { divisions: '24, 48, 96, 144, 360' },
  sources: [stepper(200), stepper(400, { price: '17.50' })],
  stages: [
    { kind: 'worm', starts: 1, wheel: 144, moduleMm: 0.8, own: 1 },
    { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1, price: '31' },
    { kind: 'belt', z1: 20, z2: 72, pitchMm: 2, own: 1 },
    { kind: 'internal', z1: 15, z2: 120, moduleMm: 2 },
    { kind: 'box', ratio: '45', provenance: 'nominal', own: 1 },
  ],
  keep: [],
  maxStages: 2,
  measures: ['error', 'grade', 'hold', 'buy', 'make'],
};

describe('whole drives', () => {
  test('for the sundial: the worm of 144 holds itself and brings all five', () => {
    const chosen = chosenOf(SUNDIAL);
    const worm = chosen.best.find(({ candidate }) => candidate.drive.name.startsWith('Worm 1 : 144, motor'))!;
    expect(worm.values.slice(1, 3)).toEqual([0, 0]);
    // worm and wheel of 0.8: 0.02 mm run-out each on ⌀115.2, no less
    expect(worm.values[0]!).toBeGreaterThan(((2 * 0.02) / 57.6) * 206_264.8 * 0.49);
    same(SUNDIAL);
  });

  test('what it takes that is not owned is bought where it has a price, else made where it has teeth', () => {
    const one = chosenOf({
      ...SUNDIAL,
      stages: [SUNDIAL.stages[3]!],
      sources: [stepper(400, { price: '17.50' })],
      maxStages: 1,
      measures: ['stages', 'buy', 'make'],
    });
    expect(one.best.map(({ values }) => values)).toEqual([[1, 17.5, 2]]);
    const kept = chosenOf({
      ...SUNDIAL,
      stages: [SUNDIAL.stages[3]!],
      maxStages: 1,
      measures: ['error', 'buy', 'make'],
      sources: [stepper(400, { own: 1 })],
    });
    expect(kept.best.map(({ values }) => values.slice(1))).toContainEqual([0, 2]);
  });

  test('kept stages stand at the work, cost nothing and count as no stage', () => {
    const chosen = chosenOf({
      ...SUNDIAL,
      keep: [{ kind: 'worm', starts: 1, wheel: 60, moduleMm: 1.25 }],
      measures: ['error', 'stages', 'buy'],
    });
    for (const { candidate } of chosen.best)
      expect(candidate.drive.train.stages.at(-1)).toMatchObject({ wheel: 60, kept: true });
    expect(chosen.best.map(({ values }) => values[1])).toContain(0);
    same({
      ...SUNDIAL,
      keep: [{ kind: 'worm', starts: 1, wheel: 60, moduleMm: 1.25 }],
      measures: ['error', 'stages', 'buy'],
    });
  });

  const stage = fc.oneof(
    fc.record({
      kind: fc.constant('belt'),
      z1: fc.integer({ min: 12, max: 24 }),
      z2: fc.integer({ min: 24, max: 80 }),
      pitchMm: fc.constant(2),
    }),
    fc.record({
      kind: fc.constant('spur'),
      z1: fc.integer({ min: 12, max: 24 }),
      z2: fc.integer({ min: 24, max: 97 }),
      moduleMm: fc.constant(1),
    }),
    fc.record({
      kind: fc.constant('worm'),
      starts: fc.integer({ min: 1, max: 2 }),
      wheel: fc.integer({ min: 30, max: 180 }),
      moduleMm: fc.constant(1),
    }),
    fc.record({
      kind: fc.constant('internal'),
      z1: fc.integer({ min: 12, max: 20 }),
      z2: fc.integer({ min: 50, max: 120 }),
      moduleMm: fc.constant(1),
    }),
    fc.record({
      kind: fc.constant('box'),
      ratio: fc.constantFrom('5', '45', '13.7272'),
      provenance: fc.constantFrom('nominal', 'exact'),
    }),
  );
  const part = fc
    .tuple(
      stage,
      fc.record({ own: fc.integer({ min: 0, max: 2 }), quantity: fc.integer({ min: 1, max: 2 }) }),
      fc.option(fc.constantFrom('3', '5.90', '31'), { nil: undefined }),
    )
    .map(([s, beside, price]) => ({ ...s, ...beside, ...(price && { price }) }));
  const pools = fc.record({
    job: fc.record({
      toleranceArcsec: fc.constantFrom('5', '30', '90', '600'),
      load: fc.record({
        workNm: fc.constantFrom(0.05, 0.5, 3),
        speedRpm: fc.constantFrom('1', '20'),
        massKg: fc.constant(2),
        offsetMm: fc.constantFrom(0, 60),
        elevationDeg: fc.constant(0),
      }),
      approach: fc.constantFrom('oneSide', 'both'),
    }),
    train: fc.record({ divisions: fc.constantFrom('24, 48, 360', '73', '60, 97', '7-12') }),
    sources: fc
      .array(
        fc.constantFrom(
          stepper(200, { own: 1 }),
          stepper(400, { price: '17.50' }),
          stepper(48, { holdingNm: 0.05, own: 2 }),
        ),
        { minLength: 1, maxLength: 2 },
      )
      .map((s) => [...new Set(s)]),
    stages: fc.array(part, { minLength: 1, maxLength: 4 }),
    keep: fc.constantFrom([], [], [{ kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 }]),
    maxStages: fc.integer({ min: 1, max: 2 }),
    measures: fc.subarray(
      ['error', 'grade', 'force', 'hold', 'buy', 'make', 'stages', 'steps', 'lost', 'size'],
      {
        minLength: 1,
        maxLength: 5,
      },
    ),
  });

  test('of random small pools the same as every drive checked by itself and compared with every other', () => {
    fc.assert(
      fc.property(pools, (pool) => same(pool as unknown as Pool)),
      {
        numRuns: Number(process.env['PENDRIX_ROLLED'] ?? 10),
      },
    );
  });

  test('every bound leaves out only what truly fails', () => {
    fc.assert(
      fc.property(pools, (asked) => {
        const pool = asked as unknown as Pool;
        const { window } = chosenOf(pool);
        for (const { drive } of everything(pool).all) {
          const turns = Math.abs(
            toNumber(drive.train.stages.reduce((r, s) => mul(r, kindOf(s).reduction(s)), ONE)),
          );
          expect(turns).toBeGreaterThanOrEqual(window.from);
          expect(turns).toBeLessThanOrEqual(window.to);
        }
      }),
      { numRuns: Number(process.env['PENDRIX_ROLLED'] ?? 10) },
    );
  });

  test('what is bounded instead of judged gives the same', () => {
    // twelve stages and three: far more than are judged one by one
    const wheels = [30, 40, 60, 72, 90, 96, 100, 120, 144, 180];
    const pool: Pool = {
      ...SUNDIAL,
      sources: [stepper(200, { own: 1 })],
      stages: [
        ...wheels.map((wheel) => ({ kind: 'worm', starts: 1, wheel, moduleMm: 1, own: 1 })),
        ...SUNDIAL.stages.slice(2, 4),
        ...wheels.slice(0, 8).map((z2) => ({ kind: 'belt', z1: 20, z2, pitchMm: 2, own: 1 })),
      ],
      maxStages: 2,
    };
    const two = chosenOf({ ...pool, maxStages: 2 });
    const three = chosenOf({ ...pool, maxStages: 3 });
    expect(two.bounded).toBe(0);
    expect(three.bounded).toBeGreaterThan(0);
    expect(three.considered).toBeLessThan(20_000);
    // with more stages nothing that was there is beaten by something worse
    for (const { values } of three.best)
      expect(
        two.best.every(
          (b) => !b.values.every((v, i) => v! <= values[i]!) || b.values.every((v, i) => v === values[i]),
        ),
      ).toBe(true);
  });

  test('a request that says too little, or something odd, is refused with its place', () => {
    const refusals = [
      ['{', 'brokenJson'],
      [JSON.stringify({ format: 'pendrix-find' }), 'format'],
      [JSON.stringify({ ...fileOf(SUNDIAL), measures: ['beauty'] }), 'measures[0]'],
      [JSON.stringify({ ...fileOf(SUNDIAL), measures: ['error', 'error'] }), 'measures[1]'],
      [JSON.stringify(fileOf({ ...SUNDIAL, maxStages: 5 })), 'pool.maxStages'],
      [JSON.stringify(fileOf({ ...SUNDIAL, sources: [] })), 'pool.sources'],
      [
        JSON.stringify(fileOf({ ...SUNDIAL, stages: [{ kind: 'worm', starts: 1, wheel: 2 }] })),
        'pool.stages[0].wheel',
      ],
      [
        JSON.stringify(fileOf({ ...SUNDIAL, stages: [{ kind: 'worm', starts: 1, wheel: 60, price: '-3' }] })),
        'pool.stages[0].price',
      ],
      [JSON.stringify(fileOf({ ...SUNDIAL, train: { divisions: '24, x' } })), 'train.divisions'],
      [JSON.stringify(fileOf({ ...SUNDIAL, keep: [{ kind: 'magic' }] })), 'pool.keep[0].kind'],
      [JSON.stringify({ ...fileOf(SUNDIAL), pool: { from: 'shelf' } }), '--shelf'],
    ] as const;
    for (const [text, place] of refusals) {
      const request = readChooseRequest(text, null, 5);
      expect(request.ok ? 'read' : `${request.refusal.code} ${request.refusal.path}`).toContain(place);
    }
  });

  test('the answer is a drive file each, its measures by name, and says what it was chosen from', () => {
    const request = read(SUNDIAL);
    const answer = chooseAnswer(request, runNow(choose(request))) as {
      candidates: { drive: object; measures: Record<string, number>; decides: string }[];
      window: { because: { asking: string }[] };
      proven: boolean;
      pool: string;
    };
    for (const { drive, measures } of answer.candidates) {
      expect(driveFrom(drive).ok).toBe(true);
      expect(Object.keys(measures)).toEqual([...SUNDIAL.measures]);
    }
    expect(answer.window.because.map((b) => b.asking)).toContain('tolerance');
    expect(answer.candidates[0]!.decides).toMatch(/ decides: /);
    expect(answer.pool).toContain('Proven within this pool.');
    expect(measureIds).toContain('round');
  });
});
