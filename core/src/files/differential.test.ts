import { describe, expect, test } from '@jest/globals';
import { many } from '../testing/many.ts';
import fc from 'fast-check';
import { newDrive, refuseTrain, stages, type Drive, type Stage } from '../drive/index.ts';
import { planRun } from '../plans/index.ts';
import { anyOfKind } from '../testing/any-stage.ts';
import {
  frac,
  less,
  number,
  over,
  plainDivision,
  plainRatio,
  read,
  size,
  text,
  times,
  type Frac,
} from '../testing/plain-drive.ts';
import { checkAnswer, targetsAnswer } from './index.ts';

/** Random drives of every kind of stage, source and output against plain definitions. */

const anySource = fc.oneof(
  fc.record({
    kind: fc.constant('stepper' as const),
    fullSteps: fc.constantFrom(20, 48, 200, 400),
    modes: fc.constantFrom<readonly number[]>([1, 2, 4, 8, 16], [16, 1, 4], [1]),
    mode: fc.constantFrom<number>(1, 4, 16),
  }),
  fc.record({
    kind: fc.constant('encoderMotor' as const),
    lines: fc.integer({ min: 1, max: 900 }),
    decode: fc.constantFrom(1, 2, 4),
  }),
  fc.record({ kind: fc.constant('crank' as const), marks: fc.integer({ min: 2, max: 100 }) }),
  fc.constant({ kind: 'synchronous' as const, hz: '50', poles: 12 }),
  fc.constant({ kind: 'spring' as const, storedTurns: '6', arborPerBarrelTurn: '60', rpm: '1' }),
);
const anyOutput = fc.oneof(
  { weight: 3, arbitrary: fc.constant({ kind: 'rotary' as const }) },
  { weight: 1, arbitrary: fc.constant({ kind: 'screw' as const, leadMm: '2' }) },
);
const anyTrain = fc.record({
  source: anySource,
  stages: fc.array(fc.oneof(...(Object.keys(stages) as (keyof typeof stages)[]).map(anyOfKind)), {
    maxLength: 3,
  }),
  output: anyOutput,
});

interface Answer {
  readonly ratio: string;
  readonly stepsPerTurn: string | null;
  readonly divisions: readonly {
    readonly divisions: number;
    readonly grade: string;
    readonly worstErrorSteps: string | null;
    readonly spacingErrorSteps: string | null;
    readonly worstErrorArcsec: number | null;
    readonly ifExact?: true;
  }[];
  readonly rates: readonly {
    readonly intervalTicks?: string;
    readonly grade: string;
    readonly ifExact?: true;
  }[];
  readonly verdict: readonly { readonly cell: string; readonly grade: string; readonly word?: string }[];
}

/** Steps of a source that has any, at the mode in use, and whole motor steps. */
function stepsOf(source: Drive['train']['source']): readonly [bigint, bigint] | null {
  switch (source.kind) {
    case 'stepper':
      return [BigInt(source.fullSteps * source.mode), BigInt(source.fullSteps)];
    case 'encoderMotor': {
      const n = BigInt(source.lines * source.decode);
      return [n, n];
    }
    case 'crank':
      return [BigInt(source.marks), BigInt(source.marks)];
    default:
      return null;
  }
}

/** Does a ratio rest on what nobody counted or measured with a ±? */
function unsure(s: Stage): boolean {
  if (s.kind === 'box' && s.pairs !== undefined) return s.guessed === true;
  if (s.kind !== 'box' && s.kind !== 'ratio' && s.kind !== 'friction') return false;
  const { provenance, plusMinus } = s as { readonly provenance?: string; readonly plusMinus?: string };
  const usual = s.kind === 'box' ? 'nominal' : s.kind === 'ratio' ? 'exact' : 'measured';
  const known = provenance ?? (plusMinus === undefined ? usual : 'measured');
  return known === 'nominal' || (known === 'measured' && plusMinus === undefined);
}

describe('2 000 random drives, against plain definitions', () => {
  test('ratio, steps, grades, worst error, spacing, sheet, rate, and what they rest on', () => {
    const seen = { steps: 0, rests: 0, rounded: 0, misses: 0, doubt: 0, rates: 0, rows: 0 };
    fc.assert(
      fc.property(anyTrain, fc.integer({ min: 2, max: 90 }), fc.boolean(), (train, D, follows) => {
        const drive = {
          ...newDrive('random'),
          job: {
            divisions: String(D),
            toleranceArcsec: '30',
            ...(follows && train.output.kind === 'rotary' && { rates: [{ kind: 'stars' }] }),
          },
          ...(follows && { timer: { tickHz: '1000000', bits: 64 } }),
          train: {
            ...train,
            source: {
              ...train.source,
              ...('modes' in train.source && !train.source.modes.includes(train.source.mode) && { mode: 1 }),
            },
          },
        } as unknown as Drive;
        fc.pre(refuseTrain(drive.train) === null);
        const answer = checkAnswer(drive) as Answer;
        const ratios = drive.train.stages.map((s) => plainRatio(s as never));
        const R = ratios.reduce(times, { n: 1n, d: 1n });
        expect(answer.ratio).toBe(text(R));

        const steps = stepsOf(drive.train.source);
        const lock = drive.train.stages.map((s) => s.kind).lastIndexOf('geneva');
        const N: Frac | null = steps && times(size(R), { n: steps[0], d: 1n });
        expect(answer.stepsPerTurn).toBe(N && text(N));
        const [row] = answer.divisions;
        const after = ratios
          .slice(lock + 1)
          .map(size)
          .reduce(times, { n: 1n, d: 1n });
        const doubt = drive.train.stages.slice(lock + 1).some(unsure);
        if (row && lock >= 0) {
          const slots = (drive.train.stages[lock] as unknown as { readonly slots: number }).slots;
          const places = times(after, { n: BigInt(slots), d: 1n });
          const plain = plainDivision(places, places, D);
          expect(row.grade).toBe(plain.even === 'whole' ? 'even' : 'misses');
          expect(row.worstErrorArcsec!).toBeCloseTo(number(over(plain.worst, places)) * 1_296_000, 3);
          seen.rests++;
        } else if (row && steps && N) {
          const plain = plainDivision(N, times(size(R), { n: steps[1], d: 1n }), D);
          const worst = number(over(plain.worst, N)) * 1_296_000;
          const expected =
            plain.even === 'whole'
              ? 'even'
              : plain.even === 'fine'
                ? 'evenMicrostep'
                : worst <= 30
                  ? 'rounded'
                  : 'misses';
          expect([row.grade, row.worstErrorSteps, row.spacingErrorSteps]).toEqual([
            expected,
            text(plain.worst),
            text(plain.spacing),
          ]);
          seen.steps++;
          if (expected === 'rounded') seen.rounded++;
          if (expected === 'misses') seen.misses++;
          const plan = planRun(drive, D);
          if (plan) {
            const sheet = targetsAnswer(plan) as { readonly rows: readonly { readonly target: number }[] };
            expect(sheet.rows.slice(0, D).map((r) => BigInt(r.target))).toEqual(plain.targets);
            seen.rows += D;
          }
        }
        if (row && steps) {
          expect(row.ifExact === true).toBe(doubt);
          if (doubt) seen.doubt++;
        }
        // words go with numbers, and with what they rest on
        for (const cell of answer.verdict) {
          if (cell.word === undefined) continue;
          if (cell.cell === 'divisions' && row && cell.grade !== 'unknown')
            expect(/if exactly|if all/.test(cell.word)).toBe(doubt);
          if (/^Even/.test(cell.word)) expect(['even', 'evenMicrostep', 'rounded']).toContain(cell.grade);
          if (/^Misses/.test(cell.word)) expect(cell.grade).toBe('misses');
        }
        const [rate] = answer.rates;
        if (rate && N && lock < 0 && rate.intervalTicks !== undefined) {
          const ticks = over(times(read('86164.0905'), { n: 1_000_000n, d: 1n }), N);
          expect(rate.intervalTicks).toBe(text(ticks));
          expect(rate.ifExact === true).toBe(doubt);
          seen.rates++;
        }
        if (rate && lock >= 0) expect(rate.grade).toBe('misses');
      }),
      { numRuns: 2000, seed: 20_261 },
    );
    for (const [what, count] of Object.entries(seen)) expect([what, count > many(40)]).toEqual([what, true]);
  });

  test('the judge itself: the worked example of the handbook', () => {
    const N = frac(192_000n, 13n);
    const plain = plainDivision(N, frac(12_000n, 13n), 9);
    expect(text(plain.spacing)).toBe('8/39');
    expect(plain.targets[1]).toBe(1641n);
    expect(less(plain.worst, frac(1n, 2n))).toBe(true);
  });
});
