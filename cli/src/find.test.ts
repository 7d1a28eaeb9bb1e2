import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { main } from './main.ts';

/** A row of the reference, whose keys are compared as they are. */
type Plain = Readonly<Record<string, unknown>>;

interface Problem {
  readonly id: string;
  readonly input: {
    readonly target: string;
    readonly teeth?: readonly [number, number];
    readonly wheels?: readonly { readonly teeth: number; readonly qty: number }[];
    readonly maxStages: number;
    readonly K: number;
  };
  readonly answer: {
    readonly best: readonly Plain[];
    readonly pareto: readonly Plain[];
    readonly counts: readonly Plain[];
    readonly leastTeethPerStageCount_N_10000_200000: readonly Plain[];
    readonly a: {
      readonly counts: readonly Plain[];
      readonly rows: readonly { readonly teeth: number; readonly N: number }[];
    };
    readonly b: Plain & { readonly nonExact: number; readonly misses: readonly number[] };
    readonly c: Plain & { readonly orderedTrains: string; readonly distinctN: number };
  };
}

interface Row {
  readonly ratio: string;
  readonly steps: string;
  readonly mode: number;
  readonly error: string;
  readonly misses: readonly number[];
  readonly intervalTicks: number;
  readonly driven: readonly number[];
  readonly drivers: readonly number[];
  readonly stages: readonly object[];
  readonly teeth: number;
}

interface Answer {
  readonly proven: boolean;
  readonly results: readonly Row[];
  readonly count: Readonly<Record<string, { readonly trains: string; readonly steps: number }>>;
  readonly reason: string | null;
  readonly certificate: { readonly message: string };
}

const problems = JSON.parse(
  readFileSync(new URL('find-reference.json', import.meta.url), 'utf8'),
) as readonly Problem[];
const problem = (id: string): Problem => problems.find((p) => p.id === id)!;

const folder = mkdtempSync(join(tmpdir(), 'pendrix-find-'));
let files = 0;

async function ask(request: object): Promise<Answer> {
  const path = join(folder, `${files++}.json`);
  writeFileSync(path, JSON.stringify({ format: 'pendrix-find', version: 1, ...request }));
  const out: string[] = [];
  const err: string[] = [];
  const code = await main(['find', path, '--json'], {
    out: (t) => out.push(t),
    err: (t) => err.push(t),
  });
  // how far it is, said on a slow machine, is no complaint
  expect(err.filter((t) => !/ % checked$/.test(t.trim()))).toEqual([]);
  expect(code).toBe(0);
  return JSON.parse(out.join('')) as Answer;
}

async function refusal(request: unknown): Promise<string> {
  const path = join(folder, `${files++}.json`);
  writeFileSync(path, typeof request === 'string' ? request : JSON.stringify(request));
  const err: string[] = [];
  const code = await main(['find', path], { out: () => {}, err: (t) => err.push(t) });
  expect(code).toBe(2);
  return err.join('').replaceAll(path, 'FILE');
}

const MODES = [1, 2, 4, 8, 16, 32, 64, 128, 256];

const fraction = (text: string): number => {
  const [n, d = '1'] = text.split('/');
  return Number(n) / Number(d);
};

describe('reference problems: a ratio', () => {
  test.each(['Q1-A', 'Q1-B', 'Q1-E'])('%s rank by rank, fraction by fraction, train by train', async (id) => {
    const { input, answer } = problem(id);
    const { results, proven } = await ask({
      question: 'ratio',
      target: input.target,
      pool: {
        wheels: input.teeth
          ? { from: input.teeth[0], to: input.teeth[1] }
          : input.wheels!.map((w) => ({ teeth: w.teeth, quantity: w.qty })),
      },
      maxStages: input.maxStages,
      count: input.K,
    });
    expect(proven).toBe(true);
    expect(
      results.map((r, i) => ({
        rank: i + 1,
        ratio: r.ratio,
        relError: r.error,
        stages: r.stages.length,
        driven: r.driven,
        drivers: r.drivers,
        teeth: r.teeth,
      })),
    ).toEqual(answer.best.map(({ relErrorApprox: _, ...row }: Plain) => row));
  });

  test('Q1-B: the Pareto front of error, stages and teeth', async () => {
    const { input, answer } = problem('Q1-B');
    const { results } = await ask({
      question: 'ratio',
      target: input.target,
      pool: { wheels: { from: 12, to: 127 } },
      maxStages: input.maxStages,
      limits: { maxErrorPpm: '1000' },
      rank: 'pareto',
    });
    // the largest wheel is a measure of ours beside these three
    const size = (r: (typeof results)[number]): number => Math.abs(fraction(r.error));
    const front = results.filter(
      (r) =>
        !results.some(
          (o) =>
            size(o) <= size(r) &&
            o.stages.length <= r.stages.length &&
            o.teeth <= r.teeth &&
            (size(o) < size(r) || o.stages.length < r.stages.length || o.teeth < r.teeth),
        ),
    );
    expect(
      front.map((r) => ({
        absRelError: r.error.replace('-', ''),
        stages: r.stages.length,
        teeth: r.teeth,
        ratio: r.ratio,
      })),
    ).toEqual(answer.pareto.map(({ approx: _, ...row }: Plain) => row));
  });
});

describe('reference problems: divisions', () => {
  const request = (divisions: readonly number[], maxStages: number, limits: object = {}): object => ({
    question: 'divisions',
    divisions: divisions.join(', '),
    source: { fullSteps: 200, modes: MODES },
    pool: { wheels: { from: 12, to: 127 } },
    maxStages,
    limits,
  });
  const least = (a: Answer, stages: number): object | null => {
    const row = a.results.find((r) => r.stages.length === stages);
    return row
      ? {
          stages,
          N: Number(row.steps),
          microstep: row.mode,
          driven: row.driven,
          drivers: row.drivers,
          teeth: row.teeth,
        }
      : null;
  };
  test('Q2-A: the least teeth for each number of stages', async () => {
    const { answer } = problem('Q2-A');
    const a = await ask(request([63], 3, { steps: ['10000', '200000'] }));
    expect([1, 2, 3].map((k) => least(a, k))).toEqual(answer.leastTeethPerStageCount_N_10000_200000);
    expect(a.reason).toBeNull();
  });

  test('Q2-B: none with three, the fewest misses, and the few with four', async () => {
    const { answer } = problem('Q2-B');
    const three = await ask(request([61, 67, 69, 93], 3, { steps: ['10000', '200000'] }));
    expect(Object.values(three.count).map((c) => c.trains)).toEqual(['0', '0', '0']);
    expect(three.reason).toBe(
      '23, 31, 61 and 67 each need a driven wheel of their own: four pairs at least.',
    );
    const { nonExact, misses, ...row } = answer.b;
    expect(three.results[0]!.misses).toEqual(misses);
    expect(three.results[0]!.misses).toHaveLength(nonExact);
    expect(least(three, 3)).toEqual(row);

    const four = await ask(request([61, 67, 69, 93], 4));
    expect(four.count['4']!.steps).toBeGreaterThan(0);
    expect(least(four, 4)).toEqual(answer.c.leastTeeth);
    expect(Math.min(...four.results.map((r) => Number(r.steps)))).toBe(answer.c.smallestN);
  });
});

describe('reference problems: a rate', () => {
  const request = (modes: readonly number[], maxStages: number, limits: object, count: number): object => ({
    question: 'rate',
    rate: { periodSeconds: '86164.0905' },
    timer: { tickHz: '2000000', bits: 32 },
    source: { fullSteps: 200, modes },
    pool: { wheels: { from: 12, to: 127 } },
    maxStages,
    limits,
    count,
  });

  test('Q3-A: whole intervals without any error', async () => {
    const rows = [...problem('Q3-A').answer.a.rows].sort((a, b) => a.teeth - b.teeth || a.N - b.N);
    const { results } = await ask(request(MODES, 3, { steps: ['1000', null] }, rows.length));
    expect(results.every((r) => r.error === '0')).toBe(true);
    expect(
      results.map((r) => ({
        N: Number(r.steps),
        intervalTicks: r.intervalTicks,
        stages: r.stages.length,
        microstep: r.mode,
        driven: r.driven,
        drivers: r.drivers,
        teeth: r.teeth,
      })),
    ).toEqual(rows);
  });

  test('Q3-A: the ten least errors, rank by rank', async () => {
    const { answer } = problem('Q3-A');
    const { results } = await ask(request([16], 2, { steps: ['200000', '4000000'] }, 10));
    expect(
      results.map((r, i) => ({
        rank: i + 1,
        N: r.steps,
        intervalTicks: r.intervalTicks,
        relError: r.error,
        stages: r.stages.length,
        microstep: r.mode,
        driven: r.driven,
        drivers: r.drivers,
        teeth: r.teeth,
      })),
    ).toEqual((answer.b as unknown as readonly Plain[]).map(({ ppm: _, ...row }: Plain) => row));
  });
});

describe('what cannot be, and what cannot be read', () => {
  const base = {
    format: 'pendrix-find',
    version: 1,
    question: 'divisions',
    divisions: '73',
    source: { fullSteps: 200, modes: [1, 2] },
    pool: { wheels: [{ teeth: 20 }, { teeth: 40, quantity: 2 }] },
  };

  test('a prime that nothing brings is named, with the cure', async () => {
    const a = await ask(base);
    expect(a.results).toEqual([]);
    expect(a.proven).toBe(true);
    expect(a.reason).toBe(
      '73 is in none of the wheels and not in the motor: a driven wheel with 73 teeth, or a multiple of it, would bring it.',
    );
  });

  test('a ratio out of reach, and one that nothing comes near, are said', async () => {
    const ratio = { question: 'ratio', pool: { wheels: { from: 20, to: 40 } }, maxStages: 2 };
    const far = await ask({ ...ratio, target: '5', limits: { maxErrorPpm: '1' } });
    expect(far.reason).toMatch(/out of reach: two pairs of these give 0.25 to 4.00 at most/);
    const near = await ask({ ...ratio, target: '3.14159265358979', limits: { maxErrorPpm: '0.001' } });
    expect(near.reason).toMatch(
      /^Nothing is near enough, within 0\.001 ppm\. The nearest is .*, off by [−+]/,
    );
  });

  test('without --json it is a table and a sentence', async () => {
    const path = join(folder, 'readable.json');
    writeFileSync(path, JSON.stringify({ ...base, divisions: '3', pool: { wheels: { from: 12, to: 30 } } }));
    const out: string[] = [];
    await main(['find', path], { out: (t) => out.push(t), err: () => {} });
    expect(out.join('\n')).toContain('Driver : driven');
    expect(out.join('\n')).toContain('come out even for 3 with under');
  });

  test.each([
    ['not JSON', 'FILE: line 1'],
    [{ ...base, format: 'pendrix-drive' }, 'FILE: format'],
    [{ ...base, question: 'luck' }, 'FILE: question'],
    [{ ...base, divisions: '7.5' }, 'FILE: divisions'],
    [{ ...base, divisions: '' }, 'FILE: divisions'],
    [{ ...base, source: undefined }, 'FILE: source'],
    [{ ...base, maxStages: 9 }, 'FILE: maxStages'],
    [{ ...base, pool: { wheels: { from: 40, to: 20 } } }, 'FILE: pool.wheels.to'],
    [{ ...base, pool: { wheels: [{ teeth: -4 }] } }, 'FILE: pool.wheels[0].teeth'],
    [{ ...base, pool: { wheels: [{ teeth: 20.5 }] } }, 'FILE: pool.wheels[0].teeth'],
    [{ ...base, pool: { parts: [{ kind: 'worm', starts: 1, wheel: 2 }] } }, 'FILE: pool.parts[0].wheel'],
    [{ ...base, pool: { parts: [{ kind: 'magic' }] } }, 'FILE: pool.parts[0].kind'],
    [{ ...base, question: 'ratio' }, 'FILE: target'],
    [{ ...base, question: 'ratio', target: '0' }, 'FILE: target'],
    [{ ...base, question: 'ratio', target: '-3' }, 'FILE: target'],
    [{ ...base, question: 'ratio', target: 'many' }, 'FILE: target'],
    [{ ...base, question: 'rate' }, 'FILE: rate'],
    [{ ...base, limits: { steps: ['1'] } }, 'FILE: limits.steps'],
    [{ ...base, pool: { wheels: { from: 12, to: 2000 } }, maxStages: 4 }, 'FILE: pool.wheels'],
    [{ ...base, maxStages: 5 }, 'FILE: maxStages'],
  ])('%j is refused with its place', async (request, place) => {
    expect(await refusal(request)).toContain(place);
  });
});

describe('a kept stage', () => {
  test('every train ends with it, and the rest makes what is left', async () => {
    const worm = { kind: 'worm', starts: 1, wheel: 90 };
    const { results, certificate } = await ask({
      question: 'ratio',
      target: '342',
      pool: { wheels: { from: 12, to: 80 }, kept: [worm] },
      maxStages: 1,
    });
    expect(results[0]).toMatchObject({ ratio: '342', error: '0', largest: 90 });
    for (const r of results) expect(r.stages.at(-1)).toEqual(worm);
    expect(certificate.message).toContain('Kept: worm 1 : 90.');
    expect(certificate.message).toContain('Pool: wheels of no module said (12–80 teeth).');
  });
});
