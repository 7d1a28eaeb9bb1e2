import { describe, expect, test } from '@jest/globals';
import { exactly, rational } from '../numbers/index.ts';
import { newDrive, type Drive, type FindSettings } from '../drive/index.ts';
import { newPart, type ShelfPart } from '../shelf/index.ts';
import {
  find,
  findAfter,
  findForm,
  findOthers,
  findShare,
  joined,
  kitOf,
  requestFor,
  run,
  runNow,
  unbeaten,
  type FindRequest,
  type Pool,
  workersFor,
} from './index.ts';

const range = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, i) => ({ teeth: from + i, own: 0, buy: true }));

const request = (more: Partial<FindRequest> & Pick<FindRequest, 'asked'>): FindRequest => ({
  source: { fullSteps: 200, modes: [1, 2, 4, 8, 16, 32] },
  kit: { families: [{ pair: 'spur', sizeMm: null, wheels: range(12, 100) }], parts: [], mostBought: null },
  maxStages: 2,
  steps: [rational(10_000), rational(200_000)],
  ratio: [null, null],
  maxErrorPpm: rational(1000),
  interval: null,
  rank: 'best',
  count: 12,
  ...more,
});
const QUESTIONS: readonly (readonly [string, FindRequest])[] = [
  ['a ratio', request({ asked: { question: 'ratio', target: exactly('29.530588') }, maxStages: 3 })],
  ['a front', request({ asked: { question: 'ratio', target: exactly('29.530588') }, rank: 'pareto' })],
  ['divisions', request({ asked: { question: 'divisions', divisions: [73n, 97n] }, rank: 'both' })],
  ['divisions that cannot be', request({ asked: { question: 'divisions', divisions: [61n, 67n, 71n] } })],
  [
    'a rate',
    request({
      asked: {
        question: 'rate',
        periodSeconds: exactly('86164.0905'),
        tickHz: exactly('2000000'),
        bits: 32,
      },
    }),
  ],
];

describe('shares of a search', () => {
  test.each(QUESTIONS)('%s: two or three workers find what one does', (_, asked) => {
    const alone = runNow(find(asked));
    for (const count of [2, 3]) {
      const parts = Array.from({ length: count }, (_x, index) =>
        runNow(findShare(asked, { index, of: count })),
      );
      const together = runNow(findAfter(asked, joined(asked, parts)));
      expect(together.rows).toEqual(alone.rows);
      expect(together.reason).toEqual(alone.reason);
      expect(together.gone.map((g) => [g.stages, g.trains, g.steps])).toEqual(
        alone.gone.map((g) => [g.stages, g.trains, g.steps]),
      );
    }
  });

  test('four pairs in segments: shared or not, the same', () => {
    const asked = request({
      asked: { question: 'ratio', target: exactly('3.14159265358979') },
      maxStages: 4,
      count: 8,
    });
    const alone = runNow(find(asked));
    const parts = [0, 1].map((index) => runNow(findShare(asked, { index, of: 2 })));
    expect(joined(asked, parts).rows).toEqual(alone.rows);
    expect(alone.rows.every((r) => r.kind === 'ratio' && r.stages === 4)).toBe(true);
  });

  test.each(QUESTIONS)(
    '%s: a stop at the first breath is heard, and nothing of it is called proven',
    async (_, asked) => {
      let breaths = 0;
      const signal = { aborted: false };
      const stopped = await run(findShare({ ...asked, maxStages: 4 }, { index: 0, of: 1 }), signal, () => {
        breaths++;
        signal.aborted = true;
        return null;
      });
      expect(breaths).toBeLessThan(3);
      // a search that is done before its first breath has nothing to stop
      expect(stopped.proven).toBe(breaths === 0);
      expect(stopped.gone.some((g) => !g.proven)).toBe(breaths > 0);
      if (breaths > 0) expect(runNow(findAfter(asked, stopped))).toBe(stopped);
    },
  );

  test('progress goes from nothing to all, stage by stage', async () => {
    const seen: number[] = [];
    await run(findShare(QUESTIONS[2]![1], { index: 0, of: 1 }), { aborted: false }, (p) => {
      expect(p.done).toBeGreaterThanOrEqual(0);
      expect(p.done).toBeLessThanOrEqual(p.of);
      seen.push(p.stages);
      return null;
    });
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
  });
});

test('more than 255 divisions are counted rightly when all but one come out even', () => {
  // 260 go into a multiple of 7, 200 into anything: a count kept in a byte would call the 260 a 4
  const many = Array.from({ length: 260 }, (_, i) => (i < 200 ? 1n : 7n));
  const asked = request({
    asked: { question: 'divisions', divisions: [...many, 10_007n] },
    steps: [rational(10_000), rational(12_000)],
    maxStages: 1,
  });
  const [row] = runNow(find(asked)).rows;
  expect(row!.misses).toEqual(['10007']);
});

describe('what nothing beats', () => {
  test('among what is found, no other is as good in all and better in one', () => {
    const { rows } = runNow(find(QUESTIONS[2]![1]));
    const kept = rows.filter((r) => unbeaten(r, rows));
    expect(kept.length).toBeGreaterThan(1);
    expect(kept.length).toBeLessThan(rows.length);
    for (const row of rows) if (row.idleOf !== null) expect(kept).not.toContain(row);
  });

  test('trains that nearly come out even creep less than the cap, and have fewer teeth than any that does', () => {
    const { rows } = runNow(find(QUESTIONS[2]![1]));
    const even = Math.min(...rows.filter((r) => r.kind === 'even').map((r) => r.teeth));
    const near = rows.filter((r) => r.kind === 'near');
    expect(near.length).toBeGreaterThan(0);
    for (const row of near) {
      expect(row.teeth).toBeLessThan(even);
      const error = exactly(row.error!);
      expect(Number(error.n) / Number(error.d)).toBeLessThanOrEqual(0.001);
    }
  });

  test('other trains of a ratio make the same ratio with as many stages', () => {
    const asked = QUESTIONS[2]![1];
    const row = runNow(find(asked)).rows.find((r) => r.kind === 'near' && r.stages === 2);
    const others = findOthers(asked, row!, 5);
    expect(others.length).toBeGreaterThan(0);
    expect(others[0]).toMatchObject({ driven: row!.driven, drivers: row!.drivers });
    for (const o of others) {
      const value = o.driven.reduce((a, b) => a * b, 1) / o.drivers.reduce((a, b) => a * b, 1);
      const want = exactly(row!.ratio);
      expect(value).toBeCloseTo(Number(want.n) / Number(want.d), 9);
      expect(o.train).toHaveLength(row!.stages);
    }
  });
});

describe('the search of a drive', () => {
  const drive = (find: FindSettings = {}, divisions = '73, 97'): Drive => {
    const d = newDrive('x');
    return { ...d, job: { divisions }, ...(Object.keys(find).length > 0 && { find }) };
  };
  const part = (kind: Parameters<typeof newPart>[0], id: string, more: object): ShelfPart => ({
    ...newPart(kind, id),
    ...more,
  });
  const shelf: ShelfPart[] = [
    part('wheel', 'a', { teeth: 16, moduleMm: 1, own: 2 }),
    part('wheel', 'b', { teeth: 73, moduleMm: 1 }),
    part('wheel', 'c', { teeth: 97, moduleMm: 1, own: 0, price: '12.50' }),
    part('wheel', 'd', { teeth: 20, moduleMm: 0.5 }),
    part('beltWheel', 'e', { teeth: 20 }),
    part('beltWheel', 'f', { teeth: 76 }),
    part('worm', 'g', { wheel: 90 }),
    part('motor', 'h', {}),
  ];
  const ok = (d: Drive): FindRequest => {
    const read = requestFor(d, shelf, () => 0);
    if (!read.ok) throw new Error(read.refusal.code);
    return read.value;
  };
  const pool = (more: Partial<Pool>): Pool => ({
    made: 'shelf',
    wheels: { from: 12, to: 40 },
    kinds: ['spur', 'belt', 'worm'],
    noPlay: false,
    ...more,
  });

  test('an arm is opened by its screw: a turn of that is what a rate asks, and its steps are the camera’s pixels', () => {
    const arm = { kind: 'tangentArm', leadMm: '1', armMm: '228.557', geometry: 'isosceles' } as const;
    const door: Drive = {
      ...drive(),
      job: { divisions: '', rates: [{ kind: 'stars' }], camera: { focalMm: 50, pixelUm: 4 } },
      timer: { tickHz: '1000000', bits: 32 },
    };
    const form = findForm({ ...door, train: { ...door.train, output: arm } });
    const turns = 2 * Math.PI * 228.557;
    expect(form.turns).toBe('screw');
    expect(Number(form.periodSeconds)).toBeCloseTo(86_164.0905 / turns, 8);
    expect(findForm(door)).toMatchObject({ turns: 'work', periodSeconds: '86164.0905' });
    // one pixel is 16.5″: 78 540 steps of the work, 55 of the screw, which the usual 10 000 hold
    expect(findForm(door).steps).toMatch(/^78540-/);
    expect(form.steps).toMatch(/^10000-/);
  });

  test('the job is asked where nothing is bent', () => {
    const asked = ok(drive());
    expect(asked.asked).toEqual({ question: 'divisions', divisions: [73n, 97n] });
    expect(asked.source).toEqual({ fullSteps: 200, modes: [1, 2, 4, 8, 16, 32] });
    expect(findForm(drive()).made).toBe('ranges');
    expect(ok(drive({ finest: 4 })).source!.modes).toEqual([1, 2, 4]);
    expect(ok(drive({ divisions: '31' })).asked).toEqual({ question: 'divisions', divisions: [31n] });
  });

  test.each([
    [{}, '', 'divisions'],
    [{ kinds: [] }, '73', 'kinds'],
  ] as const)('%j of "%s" is refused at its field', (find, divisions, place) => {
    const read = requestFor(drive(find, divisions), shelf, () => 0);
    expect(read.ok ? null : read.refusal.path).toBe(place);
  });

  test('limits, reach and rank go into the request', () => {
    const asked = ok(
      drive({
        question: 'ratio',
        target: '13.7272',
        between: '10-20',
        leastRpm: '4',
        pairRatio: '6',
        meet: 'hunting',
        mostTeeth: 200,
        mostCost: '20.5',
        holds: 'must',
        maxStages: 2,
      }),
    );
    expect(asked.ratio.map((r) => r && `${r.n}/${r.d}`)).toEqual(['10/1', '15/1']);
    expect(asked.kit).toMatchObject({
      mostTeeth: 200,
      mostCost: 2050,
      mustHold: true,
      pair: { meet: 'hunting' },
    });
    expect(asked.maxStages).toBe(2);
    expect(ok(drive({ question: 'rate' })).asked).toMatchObject({ question: 'rate', bits: 16 });
  });

  test('a kit from the shelf: families by size, parts that are stages, nothing else', () => {
    const kit = kitOf(pool({}), shelf, () => 0);
    expect(kit.mostBought).toBe(0);
    expect(kit.families.map((f) => [f.pair, f.sizeMm, f.wheels.map((w) => [w.teeth, w.own])])).toEqual([
      [
        'spur',
        1,
        [
          [16, 2],
          [73, 1],
        ],
      ],
      ['spur', 0.5, [[20, 1]]],
      [
        'belt',
        2,
        [
          [20, 1],
          [76, 1],
        ],
      ],
    ]);
    expect(kit.parts.map((p) => [p.stage.kind, p.quantity])).toEqual([['worm', 1]]);
  });

  test('what other drives use is not there; without play only belts are', () => {
    const kit = kitOf(pool({}), shelf, (id) => (id === 'a' ? 2 : id === 'g' ? 1 : 0));
    expect(kit.families[0]!.wheels.map((w) => w.teeth)).toEqual([73]);
    expect(kit.parts).toEqual([]);
    expect(kitOf(pool({ noPlay: true }), shelf, () => 0).families.map((f) => f.pair)).toEqual(['belt']);
  });

  test('ranges, both, and what is owned with two bought', () => {
    const ranges = kitOf(pool({ made: 'ranges' }), shelf, () => 0);
    expect(ranges.mostBought).toBeNull();
    expect(ranges.families.map((f) => [f.pair, f.wheels.length])).toEqual([
      ['spur', 29],
      ['belt', 29],
    ]);
    // each ratio once, by the fewest teeth
    expect(new Set(ranges.parts.map((p) => JSON.stringify(p.stage))).size).toBe(ranges.parts.length);
    const both = kitOf(pool({ made: 'both', kinds: ['spur'] }), shelf, () => 0);
    expect(both.families[0]!.wheels.map((w) => w.teeth).slice(-2)).toEqual([73, 97]);
    expect(both.families[0]!.wheels.find((w) => w.teeth === 97)).toMatchObject({ buy: true, price: 1250 });
    const few = kitOf(pool({ made: 'few', kinds: ['spur'] }), shelf, () => 0);
    expect(few.mostBought).toBe(2);
    // what can be bought can be had in every module of the shelf
    expect(few.families.map((f) => f.wheels.length)).toEqual([31, 29]);
  });

  test('from the shelf and two bought, 73 and 97 come out even with the 97 bought', () => {
    const answer = runNow(find(ok(drive({ made: 'few', maxStages: 2 }))));
    const row = answer.rows.find((r) => r.kind === 'even')!;
    expect(row.wheels - row.owned).toBeLessThanOrEqual(2);
    expect(row.train.every((s) => s.kind === 'spur' && s.moduleMm === 1)).toBe(true);
    const cheap = runNow(find(ok(drive({ made: 'few', mostCost: '5', wheels: '12-40' }))));
    expect(cheap.rows.filter((r) => r.kind === 'even')).toEqual([]);
  });

  test('what must hold by itself has a worm in it', () => {
    const answer = runNow(
      find(
        ok(
          drive(
            { made: 'ranges', kinds: ['spur', 'worm'], holds: 'must', wheels: '12-30', maxStages: 2 },
            '90',
          ),
        ),
      ),
    );
    expect(answer.rows.length).toBeGreaterThan(0);
    for (const row of answer.rows) expect(row.train.some((s) => s.kind === 'worm')).toBe(true);
  });

  test('a limit on all teeth holds', () => {
    const answer = runNow(find(ok(drive({ mostTeeth: 204 }))));
    const even = answer.rows.filter((r) => r.kind === 'even');
    expect(even.map((r) => r.teeth)).toEqual([202]);
  });

  const asked = (more: Partial<FindRequest>): FindRequest => ({
    ...ok(drive({ made: 'ranges', wheels: '12-127', kinds: ['spur'], maxStages: 4 }, '97')),
    ...more,
  });
  test('one worker below a second of work, the rest beyond it', () => {
    expect(workersFor(asked({}), 4)).toBe(3);
    expect(workersFor(asked({}), 1)).toBe(1);
    expect(workersFor(asked({ maxStages: 3 }), 4)).toBe(1);
    expect(workersFor(asked({ asked: { question: 'ratio', target: rational(9) } }), 4)).toBe(1);
    expect(workersFor(asked({ asked: { question: 'divisions', divisions: [73n, 97n] } }), 4)).toBe(1);
  });
});
