import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  abs,
  add,
  compare,
  exactly,
  lcm,
  mul,
  product,
  rational,
  round,
  sub,
  toText,
  ZERO,
  type Rational,
} from '../numbers/index.ts';
import { kinematicsOf } from '../drive/index.ts';
import { driveOf, plainRatio, wheelCutter } from '../testing/samples.ts';
import {
  asksOf,
  countMap,
  crankTurns,
  divide,
  dividerOf,
  errorSeries,
  exponentsOf,
  ledger,
  needOf,
  stepsToArcsec,
  targetAt,
  wheelsWith,
  worstErrorOf,
  worstMove,
  worthChasing,
  type Divider,
  type Target,
} from './index.ts';
import { toleranceOf, within, type Tolerance } from '../motion/index.ts';
import { columnsOf, foldedParts } from './ledger.ts';

const dividerFor = (drive = wheelCutter(), tolerance: Tolerance | null = null): Divider =>
  dividerOf(drive, kinematicsOf(drive), tolerance)!;
const targets = (N: Rational, D: number): readonly Target[] =>
  Array.from({ length: D + 1 }, (_, i) =>
    targetAt({ by: 'step', perTurn: N, perStop: null, room: null }, D, i),
  );
const bare = (N: string): Divider => dividerFor(driveOf(1, 1, [plainRatio(N)]));

describe('the worked example: N = 1 094 400', () => {
  const d = dividerFor();
  const at = (D: number) => divide(d, D);

  test.each([
    [95, 'even', '11520', 1, '1', '0', '0', '0'],
    [60, 'even', '18240', 1, '1', '0', '0', '0'],
    [73, 'rounded', '1094400/73', null, '73', '36/73', '57/73', '16'],
    [97, 'rounded', '1094400/97', null, '97', '48/97', '51/97', '-46'],
    [58, 'rounded', '547200/29', null, '29', '14/29', '28/29', '2'],
    [59, 'rounded', '1094400/59', null, '59', '29/59', '50/59', '-9'],
    [64, 'evenMicrostep', '17100', 4, '1', '0', '0', '0'],
    [32, 'evenMicrostep', '34200', 2, '1', '0', '0', '0'],
  ])('%i is %s', (D, grade, step, mode, missing, worst, spacing, closing) => {
    const r = at(D);
    expect([r.grade, toText(r.step), r.coarsestMode, r.missingFactor.toString()]).toEqual([
      grade,
      step,
      mode,
      missing,
    ]);
    expect([r.worstErrorSteps, r.spacingErrorSteps, r.closingErrorSteps].map(toText)).toEqual([
      worst,
      spacing,
      closing,
    ]);
    expect(toText(r.returnErrorSteps)).toBe('0');
  });

  test('the angles of 73 and 97', () => {
    const arcsec = (r: Rational): number => stepsToArcsec(r, d.stepsPerTurn);
    expect(arcsec(at(73).worstErrorSteps)).toBeCloseTo(0.583994232, 9);
    expect(arcsec(at(73).spacingErrorSteps)).toBeCloseTo(0.925, 3);
    expect(arcsec(at(73).closingErrorSteps)).toBeCloseTo(18.947, 3);
    expect(arcsec(at(73).truncatedErrorSteps)).toBeCloseTo(-67.5, 9);
    expect(arcsec(at(97).closingErrorSteps)).toBeCloseTo(-54.47, 2);
  });

  test('whole motor steps: 95 is 720 of them, 60 is 1140', () => {
    expect(toText(mul(at(95).step, rational(1n, 16n)))).toBe('720');
    expect(toText(mul(at(60).step, rational(1n, 16n)))).toBe('1140');
  });

  test('the coarsest mode looks through finer ones too', () => {
    const r = at(512);
    expect([r.grade, r.coarsestMode]).toEqual(['rounded', 32]);
  });

  test('0, negative and broken counts are the caller’s fault', () => {
    for (const bad of [0, -5, 1.5, Number.NaN, Infinity]) expect(() => divide(d, bad)).toThrow(RangeError);
  });
});

describe('the small examples', () => {
  test('N 10, D 4', () => {
    const d = bare('10');
    const r = divide(d, 4);
    expect(targets(d.stepsPerTurn, 4).map((t) => Number(t.target))).toEqual([0, 3, 5, 8, 10]);
    expect(
      [r.worstErrorSteps, r.spacingErrorSteps, r.closingErrorSteps, r.truncatedErrorSteps].map(toText),
    ).toEqual(['1/2', '1/2', '2', '-2']);
  });

  test('N 200, D 360: some do not move', () => {
    const d = bare('200');
    const r = divide(d, 360);
    expect(
      targets(d.stepsPerTurn, 360)
        .slice(0, 10)
        .map((t) => Number(t.target)),
    ).toEqual([0, 1, 1, 2, 2, 3, 3, 4, 4, 5]);
    expect([toText(r.worstErrorSteps), r.idle]).toEqual(['4/9', true]);
    expect(stepsToArcsec(r.worstErrorSteps, d.stepsPerTurn)).toBeCloseTo(2880, 9);
  });

  test('planetary 13/47, 200 × 16, 9 divisions: the gaps that are cut are 18″ out, not 85.5″', () => {
    const d = dividerFor(
      driveOf(200, 16, [
        { kind: 'planetary', sun: 13, ring: 47, planets: 3, fixed: 'ring', in: 'sun', out: 'carrier' },
      ]),
    );
    const r = divide(d, 9);
    expect([d.stepsPerTurn, r.spacingErrorSteps].map(toText)).toEqual(['192000/13', '8/39']);
    expect(stepsToArcsec(r.spacingErrorSteps, d.stepsPerTurn)).toBeCloseTo(18, 9);
  });

  test('N 12000/13, D 12: the first turn, the return, 13 turns to close', () => {
    const drive = driveOf(200, 1, [plainRatio('60/13')]);
    const d = dividerFor(drive);
    const r = divide(d, 12);
    expect(toText(r.step)).toBe('1000/13');
    expect(targets(d.stepsPerTurn, 12).map((t) => Number(t.target))).toEqual([
      0, 77, 154, 231, 308, 385, 462, 538, 615, 692, 769, 846, 923,
    ]);
    expect([r.worstErrorSteps, r.returnErrorSteps, r.closingErrorSteps].map(toText)).toEqual([
      '6/13',
      '-1/13',
      '12/13',
    ]);
    expect(kinematicsOf(drive).turnsToClose).toBe(13n);
  });

  test('32 × 25792/405, D 10', () => {
    const d = dividerFor(driveOf(32, 1, [plainRatio('25792/405')]));
    const r = divide(d, 10);
    expect([r.worstErrorSteps, r.returnErrorSteps, r.closingErrorSteps].map(toText)).toEqual([
      '971/2025',
      '46/405',
      '856/405',
    ]);
    expect(worstMove(errorSeries(d.stepsPerTurn, 10))).toBe(7);
  });
});

/** The definition, term by term, with nothing clever in it. */
function plainly(
  N: Rational,
  D: number,
): { worst: Rational; spacing: Rational; closing: Rational; returned: Rational } {
  const step = mul(N, rational(1n, D));
  let worst = ZERO;
  const places: Rational[] = [];
  for (let i = 0; i < D; i++) {
    const exact = mul(N, rational(BigInt(i), D));
    const off = abs(sub(rational(round(exact)), exact));
    if (compare(off, worst) > 0) worst = off;
    places.push(rational(round(exact)));
  }
  // the gaps between the places really cut, the last closing on place 0 as the work does
  let spacing = ZERO;
  places.forEach((place, i) => {
    const off = abs(sub(sub(places[i + 1] ?? N, place), step));
    if (compare(off, spacing) > 0) spacing = off;
  });
  return {
    worst,
    spacing,
    closing: sub(mul(rational(D), rational(round(step))), N),
    returned: sub(rational(round(N)), N),
  };
}

const someN = fc.oneof(
  fc.bigInt({ min: 1n, max: 2_000_000n }).map((n) => rational(n)),
  fc
    .tuple(fc.bigInt({ min: 1n, max: 10n ** 9n }), fc.bigInt({ min: 1n, max: 5000n }))
    .map(([n, d]) => rational(n, d)),
);

describe('properties', () => {
  test('figures agree with the definition walked term by term', () => {
    fc.assert(
      fc.property(someN, fc.integer({ min: 1, max: 200 }), (N, D) => {
        const r = divide(bare(toText(N)), D);
        const p = plainly(N, D);
        expect(
          [r.worstErrorSteps, r.spacingErrorSteps, r.closingErrorSteps, r.returnErrorSteps].map(toText),
        ).toEqual([p.worst, p.spacing, p.closing, p.returned].map(toText));
      }),
      { numRuns: 300 },
    );
  });

  test('the search for the worst agrees with the walk', () => {
    fc.assert(
      fc.property(
        fc.bigInt({ min: 1n, max: 10n ** 9n }),
        fc.bigInt({ min: 3000n, max: 10n ** 7n }),
        fc.integer({ min: 2, max: 2048 }),
        (a, b, D) => {
          const r = rational(a, b);
          const walked = worstErrorOf(r.n, r.d, false, D);
          // Far past the safe range the residues are searched: same residues, scaled up.
          const scaled = worstErrorOf(r.n * 2n ** 60n, r.d * 2n ** 60n, false, D);
          return toText(walked) === toText(scaled);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('spacing of a whole turn is met over a whole cycle', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 1, max: 120 }), (n, D) => {
        const N = rational(n);
        const rows = targets(N, D);
        let worst = ZERO;
        for (let i = 0; i < D; i++) {
          const off = abs(sub(rational(rows[i + 1]!.target - rows[i]!.target), mul(N, rational(1n, D))));
          if (compare(off, worst) > 0) worst = off;
        }
        return toText(worst) === toText(divide(bare(String(n)), D).spacingErrorSteps);
      }),
    );
  });

  test('absolute targets end where they began; every error is at most half a step; b makes any count even', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), fc.integer({ min: 1, max: 400 }), (n, D) => {
        const rows = targets(rational(n), D);
        expect(rows[0]!.target).toBe(0n);
        expect(rows[D]!.target).toBe(BigInt(n));
        const half = rational(1n, 2n);
        expect(rows.every((t) => compare(abs(t.errorSteps), half) <= 0)).toBe(true);
        const b = divide(bare(String(n)), D).missingFactor;
        expect(divide(bare((BigInt(n) * b).toString()), D).missingFactor).toBe(1n);
      }),
    );
  });

  test('the chart’s errors are those of the table', () => {
    const d = dividerFor();
    const series = errorSeries(d.stepsPerTurn, 97);
    targets(d.stepsPerTurn, 97).forEach((t, i) =>
      expect(series[i]).toBeCloseTo(stepsToArcsec(t.errorSteps, d.stepsPerTurn), 12),
    );
    expect(worstMove(series)).toBe(39);
  });

  test('crank turns add up to the reduction', () => {
    const R = kinematicsOf(wheelCutter()).reduction;
    expect(toText(crankTurns(R, 95, 95))).toBe('342');
    expect(toText(crankTurns(R, 95, 1))).toBe('18/5');
    expect(toText(add(crankTurns(R, 73, 40), crankTurns(R, 73, 33)))).toBe('342');
  });
});

describe('tolerance', () => {
  const angle = (arcsec: string): Tolerance => ({ as: 'angle', arcsec: exactly(arcsec) });

  test('the limit itself is within, a hair more is not', () => {
    const N = rational(1094400n);
    const worst = exactly('36/73');
    const limit = mul(worst, exactly('45/38'));
    expect(within({ as: 'angle', arcsec: limit }, worst, N)).toBe(true);
    expect(within({ as: 'angle', arcsec: sub(limit, rational(1n, 10n ** 30n)) }, worst, N)).toBe(false);
  });

  test('grades by it: 97 misses at 0.5″, nothing misses without one', () => {
    expect(divide(dividerFor(wheelCutter(), angle('0.5')), 97).grade).toBe('misses');
    expect(divide(dividerFor(wheelCutter(), angle('30')), 97).grade).toBe('rounded');
    expect(divide(dividerFor(), 97).grade).toBe('rounded');
  });

  test('a length at a radius is the same angle, compared with π exactly', () => {
    // half a step of N = 1000 at radius 10 mm is 2π·10/2000 mm = 0.0314159…
    const length = (mm: string): Tolerance => ({ as: 'length', mm: exactly(mm), radiusMm: exactly('10') });
    const [half, N] = [rational(1n, 2n), rational(1000n)];
    expect(within(length('0.031415926'), half, N)).toBe(false);
    expect(within(length('0.031415927'), half, N)).toBe(true);
    expect(within(length('1/1000000'), ZERO, N)).toBe(true);
  });

  test('a count idles from one more than there are steps, not at as many', () => {
    const few = dividerFor(driveOf(12, 1, []));
    expect([12, 13].map((D) => divide(few, D).idle)).toEqual([false, true]);
  });

  test('toleranceOf reads what the job asks', () => {
    expect(toleranceOf({ divisions: '' })).toBeNull();
    expect(toleranceOf({ divisions: '', toleranceArcsec: '20' })?.as).toBe('angle');
    expect(
      toleranceOf({ divisions: '', toleranceMm: '1/50', radiusMm: '30', toleranceArcsec: '20' })?.as,
    ).toBe('length');
  });

  test('what the job asks: a multiple for Even, 21 600 steps for ±30″', () => {
    const asks = asksOf([57, 58, 59, 60, 73, 97], angle('30'));
    expect([asks.evenMultiple, asks.toleranceSteps]).toEqual([13811773740n, 21600n]);
    expect(worthChasing(asks)).toBe(false);
    expect(worthChasing(asksOf([60], angle('30')))).toBe(true);
    expect(asksOf([], null)).toEqual({ evenMultiple: null, toleranceSteps: null });
    const steps = asksOf([1], {
      as: 'length',
      mm: exactly('0.0314'),
      radiusMm: exactly('10'),
    }).toleranceSteps!;
    expect(steps).toBe(1001n);
  });
});

describe('the factor ledger', () => {
  const drive = wheelCutter();
  const k = kinematicsOf(drive);
  const rows = [60, 73, 95, 97].map((D) => divide(dividerFor(), D));
  const l = ledger(k.parts, rows);

  test('supply is 2⁸·3²·5²·19, short are 73 and 97, and their product is the missing factor of the set', () => {
    expect(
      [...l.has]
        .filter(([, e]) => e !== 0)
        .sort(([a], [b]) => Number(a - b))
        .map(([p, e]) => `${p}^${e}`),
    ).toEqual(['2^8', '3^2', '5^2', '19^1']);
    expect([...l.short]).toEqual([
      [73n, 1],
      [97n, 1],
    ]);
    expect(lcm(rows.map((r) => r.missingFactor))).toBe(7081n);
  });

  test('each part’s row: the driver takes away', () => {
    expect(l.supply.map((s) => s.label)).toEqual([
      'Motor',
      'Microsteps',
      'Belt driver',
      'Belt driven',
      'Worm wheel',
    ]);
    expect([...l.supply[2]!.exponents]).toEqual([
      [2n, -2],
      [5n, -1],
    ]);
  });

  test('a prime below the line counts even where no division asks for it', () => {
    const open = kinematicsOf(driveOf(200, 1, [plainRatio('60/13')]));
    expect([
      ...ledger(open.parts, [divide(dividerFor(driveOf(200, 1, [plainRatio('60/13')])), 12)]).short,
    ]).toEqual([[13n, 1]]);
  });

  test('the product of what is short makes every count even', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4000 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 300 }), { minLength: 1, maxLength: 6 }),
        (n, counts) => {
          const divider = bare(String(n));
          const short = ledger(
            [{ label: 'all', factor: rational(n) }],
            counts.map((c) => divide(divider, c)),
          ).short;
          const cure = [...short].reduce((p, [prime, e]) => p * prime ** BigInt(e), 1n);
          return counts.every((c) => divide(bare((BigInt(n) * cure).toString()), c).missingFactor === 1n);
        },
      ),
    );
  });

  test('columns keep what is short when there is no room', () => {
    expect(columnsOf(l, 4)).toEqual({ shown: [2n, 73n, 97n], more: 3 });
    expect(columnsOf(l, 8).more).toBe(0);
  });

  test('wheels that bring a prime', () => {
    expect(wheelsWith(19n, 1, 4)).toEqual([19n, 38n, 57n, 76n]);
    expect(wheelsWith(5n, 1, 2)).toEqual([15n, 20n]);
    expect(wheelsWith(211n, 1, 4)).toEqual([]);
    expect([...exponentsOf(exactly('76/20'))]).toEqual([
      [19n, 1],
      [5n, -1],
    ]);
    expect([...needOf([12, 18])]).toEqual([
      [2n, 2],
      [3n, 2],
    ]);
  });
});

test('the map of counts: 35 even and 4 on a microstep from 2 to 145', () => {
  const map = countMap(dividerFor(), 2, 145);
  expect(map.filter((m) => m.grade === 'even').length).toBe(35);
  expect(map.filter((m) => m.grade === 'evenMicrostep').map((m) => m.divisions)).toEqual([32, 64, 96, 128]);
});

describe('the same parts again and again', () => {
  const part = (label: string, n: number, d = 1) => ({ label, factor: rational(n, d) });
  const pair = [part('Driver', 1, 12), part('Driven', 60)];
  const times = (n: number) => Array.from({ length: n }, () => pair).flat();

  test('stand once, with how often, and the factor of one of them', () => {
    const folded = foldedParts([part('Motor', 200), ...times(11), part('Dial', 2)]);
    expect(folded.map((p) => [p.label, p.times])).toEqual([
      ['Motor', 1],
      ['Driver', 11],
      ['Driven', 11],
      ['Dial', 1],
    ]);
    expect(toText(folded[2]!.factor)).toBe('60');
    const all = ledger([...times(11)], []);
    expect([...all.has]).toEqual([
      [2n, 0],
      [3n, 0],
      [5n, 11],
    ]);
  });

  test('what they come to stays the same, however they repeat', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...pair, part('Dial', 2)), { maxLength: 30 }), (parts) => {
        const whole = (list: readonly { readonly factor: Rational; readonly times?: number }[]): string =>
          toText(
            list.reduce(
              (n, p) => mul(n, product(Array.from({ length: p.times ?? 1 }, () => p.factor))),
              rational(1),
            ),
          );
        expect(whole(foldedParts(parts))).toBe(whole(parts));
        expect(foldedParts(parts).length).toBeLessThanOrEqual(parts.length);
      }),
    );
  });

  test('two of a kind are not folded', () => {
    expect(foldedParts(times(2))).toEqual(times(2).map((p) => ({ ...p, times: 1 })));
  });
});
