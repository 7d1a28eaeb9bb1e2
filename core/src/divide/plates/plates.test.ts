import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { abs, div, equal, exactly, mul, rational, sub, toNumber, toText } from '../../numbers/index.ts';
import {
  compoundMoves,
  coordinates,
  differentials,
  differentialSum,
  makingList,
  movementOf,
  newPlates,
  pairsOf,
  plateChart,
  readingError,
  repeatsAfter,
  simpleMoves,
  smallestCircle,
  sumOf,
  turnsOf,
  wheelRatios,
} from '../index.ts';

const CIRCLES = [15, 16, 17, 18, 19, 20, 21, 23, 27, 29, 31, 33, 37, 39, 41, 43, 47, 49];
const one = [CIRCLES];
const three = [CIRCLES.slice(0, 6), CIRCLES.slice(6, 12), CIRCLES.slice(12)];
const GEARS = [24, 24, 28, 32, 40, 44, 48, 56, 64, 72, 86, 100];
const W = rational(40);

describe('one circle', () => {
  test.each<[number, string[]]>([
    [95, ['0 + 8 on 19']],
    [7, ['5 + 15 on 21', '5 + 35 on 49']],
    [40, CIRCLES.map((c) => `1 + 0 on ${c}`)],
    [73, []],
    [63, []],
  ])('%i divisions', (D, want) => {
    const moves = simpleMoves(turnsOf(W, D), one);
    expect(moves.map((m) => `${m.wholeTurns} + ${m.holes} on ${m.circle}`)).toEqual(want);
    for (const m of moves) expect(equal(sumOf(m, D), W)).toBe(true);
  });
  test('the smallest to make', () => {
    expect([73, 63, 95].map((D) => smallestCircle(turnsOf(W, D)))).toEqual([73, 63, 19]);
  });
});

describe('two circles', () => {
  const first = (D: number, plates = one) => compoundMoves(turnsOf(W, D), pairsOf(plates))[0];
  test.each<[number, [number, number], [number, number]]>([
    [77, [21, 33], [9, 3]],
    [63, [18, 21], [8, 4]],
    [69, [15, 23], [10, -2]],
  ])('%i', (D, circles, holes) => {
    expect(first(D)).toMatchObject({ circles, holes });
    expect(equal(sumOf(first(D)!, D), W)).toBe(true);
  });
  test('a pair must share a plate', () => {
    expect(first(69, three)).not.toMatchObject({ circles: [15, 23] });
    expect(first(77, three)).toMatchObject({ plate: 1, circles: [21, 33] });
  });
  test('as good as trying all', () => {
    for (const D of [51, 57, 63, 69, 77, 87, 91, 93, 96, 99, 102, 111])
      for (const { move } of compoundMoves(turnsOf(W, D), pairsOf(one)).map((move) => ({ move }))) {
        const [h1, h2] = move.circles;
        let least = Infinity;
        let fewest = Infinity;
        for (let n1 = -2 * h1; n1 <= 2 * h1; n1++) {
          const n2 = (40 * h1 * h2) / D / h1 - (n1 * h2) / h1;
          const whole = Math.round(n2);
          if (n1 === 0 || whole === 0 || D * (n1 * h2 + whole * h1) !== 40 * h1 * h2) continue;
          const movement = Math.abs(n1) * h2 + Math.abs(whole) * h1;
          const holes = Math.abs(n1) + Math.abs(whole);
          if (movement < least || (movement === least && holes < fewest)) [least, fewest] = [movement, holes];
        }
        expect(toNumber(movementOf(move)) * h1 * h2).toBeCloseTo(least, 6);
        expect(Math.abs(move.holes[0]) + Math.abs(move.holes[1])).toBe(fewest);
      }
  });
});

describe('with wheels', () => {
  const ratios = wheelRatios(GEARS);
  test.each<[number, number, number, string, number[], number[]]>([
    [77, 80, 16, '3/2', [48], [32]],
    [63, 64, 16, '5/8', [40], [64]],
  ])('%i as %i', (D, near, circle, ratio, drivers, driven) => {
    const [best] = differentials(W, D, one, ratios);
    expect(best).toMatchObject({ near, move: { circle }, drivers, driven });
    expect(toText(best!.ratio)).toBe(ratio);
  });
  test('a wheel is not used twice unless it is there twice', () => {
    expect(wheelRatios([24, 48]).has('1')).toBe(false);
    expect(wheelRatios([24, 24]).has('1')).toBe(true);
  });
});

test('every move of a plate times D is exactly W, and every differential set is exact', () => {
  const ratios = wheelRatios(GEARS);
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 400 }),
      fc.constantFrom('40', '60', '90', '45/2', '72'),
      fc.boolean(),
      (D, worm, apart) => {
        const w = exactly(worm);
        const plates = apart ? three : one;
        const turns = turnsOf(w, D);
        for (const m of [...simpleMoves(turns, plates), ...compoundMoves(turns, pairsOf(plates))])
          expect(toText(sumOf(m, D))).toBe(toText(w));
        for (const d of differentials(w, D, plates, ratios))
          expect(toText(differentialSum(w, D, d))).toBe(toText(w));
      },
    ),
    { numRuns: 60 },
  );
});

test('the chart: what one circle makes, what two make, what wants a new one', () => {
  const chart = plateChart(W, one, [63, 73, 77, 95, 60]);
  expect(chart.map((a) => (a.how === 'none' ? a.circle : a.how))).toEqual([
    'compound',
    73,
    'compound',
    'circle',
    'circle',
  ]);
  expect(chart[4]).toMatchObject({ others: 5 });
});

describe('new plates', () => {
  test('57 to 60, 73 and 97 want three circles', () => {
    const found = newPlates(W, three, [57, 58, 59, 60, 73, 95, 97], 100);
    expect(found.served).toEqual([57, 58, 60, 95]);
    expect(found.choices[0]!.circles).toEqual([
      { holes: 59, serves: [59] },
      { holes: 73, serves: [73] },
      { holes: 97, serves: [97] },
    ]);
    expect(newPlates(W, three, [59, 73, 97], 80).beyond).toEqual([97]);
    expect(newPlates(W, three, [60], 80).choices).toEqual([]);
  });
  test('one circle may serve two: 51 and 34 by 51, 73 alone', () => {
    const found = newPlates(rational(1), [], [17, 34, 51, 73], 102);
    expect(found.choices[0]!.circles.map((c) => c.holes)).toEqual([73, 102]);
    expect(found.choices[0]!.circles[1]!.serves).toEqual([17, 34, 51]);
  });
  test('never more circles than any other cover, and every count is served', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 2, max: 24 }), { minLength: 1, maxLength: 4 }),
        (wanted) => {
          const [choice] = newPlates(rational(1), [], wanted, 48).choices;
          expect(wanted.every((D) => choice!.circles.some((c) => c.holes % D === 0))).toBe(true);
          const all = Array.from({ length: 48 }, (_, i) => i + 1);
          const serves = (set: readonly number[]): boolean =>
            wanted.every((D) => set.some((h) => h % D === 0));
          if (choice!.circles.length > 1) expect(all.some((h) => serves([h]))).toBe(false);
          if (choice!.circles.length > 2)
            expect(all.some((a) => all.some((b) => serves([a, b])))).toBe(false);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('making a plate on the head', () => {
  test('26 holes by a worm of 60: hole 1 at 2 turns and 110 10/13°, the list repeats after 13', () => {
    const list = makingList(rational(60), 26);
    expect([list.length, list[1]!.wholeTurns, toText(list[1]!.degrees)]).toEqual([26, 2n, '1440/13']);
    expect(repeatsAfter(rational(60), 26)).toBe(13);
    expect(toText(list[13]!.degrees)).toBe('0');
    expect(toText(list[14]!.degrees)).toBe(toText(list[1]!.degrees));
  });
  test('what a protractor leaves, and where holes stand', () => {
    expect(readingError(rational(60), W, 1)).toEqual({ plateArcsec: 30, workArcsec: 0.75 });
    expect(coordinates(4, 10)).toEqual([
      { hole: 0, x: 10, y: 0 },
      { hole: 1, x: 0, y: 10 },
      { hole: 2, x: -10, y: 0 },
      { hole: 3, x: 0, y: -10 },
    ]);
  });
});

describe('against plain loops', () => {
  test('the differentials of a few wheels are all there are', () => {
    const gears = [24, 28, 32, 40, 48, 64];
    const found = (D: number): Set<number> =>
      new Set(differentials(W, D, one, wheelRatios(gears)).map((d) => d.near));
    for (const D of [51, 53, 59, 63, 73, 77, 97]) {
      const want = new Set<number>();
      const by = Math.max(10, Math.ceil(D / 5));
      for (let near = D - by; near <= D + by; near++) {
        if (near === D || simpleMoves(turnsOf(W, near), one).length === 0) continue;
        const [top, bottom] = [40 * Math.abs(near - D), near];
        for (const a of gears)
          for (const b of gears) {
            if (a === b) continue;
            if (a * bottom === b * top) want.add(near);
            for (const c of gears)
              for (const d of gears)
                if (new Set([a, b, c, d]).size === 4 && a * c * bottom === b * d * top) want.add(near);
          }
      }
      expect([D, [...found(D)].sort((x, y) => x - y)]).toEqual([D, [...want].sort((x, y) => x - y)]);
    }
  });

  test('a chart says "no circle" only where neither one nor two circles of a plate serve', () => {
    const plates = [
      [12, 18, 20],
      [21, 23],
    ];
    for (const a of plateChart(
      rational(30),
      plates,
      Array.from({ length: 120 }, (_, i) => i + 2),
    )) {
      const serves = plates.some((circles) => circles.some((h) => (30 * h) % a.divisions === 0));
      const two = plates.some((circles) =>
        circles.some((h1) =>
          circles.some((h2) => {
            if (h2 <= h1) return false;
            for (let n1 = -40 * h1; n1 <= 40 * h1; n1++) {
              const rest = 30 * h1 * h2 - a.divisions * n1 * h2;
              if (n1 !== 0 && rest !== 0 && rest % (a.divisions * h1) === 0) return true;
            }
            return false;
          }),
        ),
      );
      expect([a.divisions, a.how]).toEqual([a.divisions, serves ? 'circle' : two ? 'compound' : 'none']);
    }
  });
});

test('change wheels are looked for among the counts that circles make: the same as among all counts', () => {
  const set = [
    [15, 16, 17, 18, 19, 20],
    [21, 23, 27, 29, 31, 33],
  ];
  const ratios = wheelRatios([24, 28, 32, 40, 44, 48, 56, 64, 72]);
  for (const [worm, divisions] of [
    [rational(40), 51],
    [rational(40), 127],
    [rational(90), 97],
    [rational(40, 3), 61],
    [rational(5_000_000), 53],
  ] as const) {
    const by = Math.max(10, Math.ceil(divisions / 5));
    const plain: number[] = [];
    for (let near = Math.max(1, divisions - by); near <= divisions + by; near++)
      if (
        near !== divisions &&
        simpleMoves(turnsOf(worm, near), set).length > 0 &&
        ratios.has(toText(abs(div(mul(worm, sub(rational(near), rational(divisions))), rational(near)))))
      )
        plain.push(near);
    const found = differentials(worm, divisions, set, ratios).map((d) => d.near);
    expect([divisions, [...found].sort((a, b) => a - b)]).toEqual([divisions, plain]);
  }
  // a count of eight figures answers at once, for no circle comes near it
  expect(differentials(rational(40), 10_000_000, set, ratios)).toEqual([]);
});
