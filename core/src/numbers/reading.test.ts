import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { divisionPieces, divisionRuns, readDivisions } from './read-divisions.ts';
import { readCount, readingOf, readNumber, readSize, withoutExponent } from './read-number.ts';
import { readAngle, readLength, readPositiveAngle } from './read-quantity.ts';
import { readRatio, readReduction } from './read-ratio.ts';
import { toText } from './rational.ts';
import { fromStepAngle, inUnit } from './read-unit.ts';
import { refusalMessage, refusalSentence } from './refusal-text.ts';
import { refusalWords } from './refusal-words.ts';
import type { Refusal, RefusalCode, Result } from './refusal.ts';

const code = (r: Result<unknown>): string => (r.ok ? 'taken' : r.refusal.code);

describe('ratios as people write them', () => {
  test.each([
    ['5', '5', 'number'],
    ['5:1', '5', 'turns'],
    ['1:5', '1/5', 'turns'],
    ['-1:5', '-1/5', 'turns'],
    ['5:-1', '-5', 'turns'],
    ['1 200', '1200', 'number'],
    ['10:80', '8', 'teeth'],
    ['5:2', '2/5', 'teeth'],
    ['80/10', '8', 'number'],
    ['13 8/11', '151/11', 'number'],
    ['13.7272', '17159/1250', 'number'],
    ['1/3', '1/3', 'number'],
    ['63 67/98', '6241/98', 'number'],
    [' 20 : 76 ', '19/5', 'teeth'],
    ['13,5', '27/2', 'number'],
    ['−.493', '-493/1000', 'number'],
    ['+.243', '243/1000', 'number'],
    ['−60', '-60', 'number'],
    ['1:1', '1', 'turns'],
    ['20∶76', '19/5', 'teeth'],
  ])('%s is %s (%s)', (text, want, reading) => {
    const r = readRatio(text);
    expect(r.ok && [toText(r.value.value), r.value.reading]).toEqual([want, reading]);
  });

  test.each([
    ['', 'empty'],
    ['0', 'zero'],
    ['0:5', 'zero'],
    ['5:0', 'zero'],
    ['5/0', 'zeroDenominator'],
    ['abc', 'notRatio'],
    ['1:2:3', 'notRatio'],
    ['1e9', 'exponent'],
    ['1,500', 'doubtfulComma'],
    ['5:x', 'notRatio'],
    ['9'.repeat(101), 'tooLong'],
  ])('%s is refused: %s', (text, want) => {
    expect(code(readRatio(text))).toBe(want);
  });
});

describe('a reduction as it is said aloud', () => {
  test.each([
    ['1:40', '40'],
    ['40:1', '40'],
    ['1:187', '187'],
    ['20:76', '19/5'],
    ['-1:40', '-40'],
    ['1:1', '1'],
    ['0.5', '1/2'],
  ])('%s is %s', (text, want) => {
    const r = readReduction(text);
    expect(r.ok && toText(r.value.value)).toBe(want);
  });
});

describe('division lists', () => {
  test.each([
    ['55, 60-63, 2x36, 90', [55, 60, 61, 62, 63, 72, 90]],
    ['73, 73, 60', [73, 60]],
    ['', []],
    ['60 - 62; 2 × 36\n95', [60, 61, 62, 72, 95]],
    ['57–60', [57, 58, 59, 60]],
    ['2x3x4', [24]],
    ['1', [1]],
    ['5-5', [5]],
    ['1\u2009200, 12\u202f000', [1200, 12000]],
    ['1 200', [1, 200]],
    ['1 094 400', [1_094_400]],
    ['60, 1 094 400, 73', [60, 1_094_400, 73]],
    ['12 050', [12_050]],
    ['60 120 180', [60, 120, 180]],
    ['20, 30, 37 and 90', [20, 30, 37, 90]],
    ['73 & 90', [73, 90]],
    ['1,200', [1, 200]],
    ['60,120,180', [60, 120, 180]],
  ])('%s', (text, want) => {
    const r = readDivisions(text);
    expect(r.ok && r.value).toEqual(want);
  });

  test.each([
    ['60, 12.5', 'notWhole', '12.5'],
    ['0', 'zero', '0'],
    ['60, -5', 'negative', '-5'],
    ['63-60', 'backwards', '63-60'],
    ['1-5001', 'tooMany', '1-5001'],
    ['1-4000, 5000-9000', 'tooMany', '5000-9000'],
    ['60, abc', 'notDivisions', 'abc'],
    ['1e5', 'exponent', '1e5'],
    ['0-5', 'zero', '0-5'],
    ['99999999999', 'tooLarge', '99999999999'],
    ['60, 7x', 'notDivisions', '7x'],
    ['NaN', 'notDivisions', 'NaN'],
  ])('%s is refused, naming the piece', (text, want, piece) => {
    const r = readDivisions(text);
    expect(r.ok).toBe(false);
    if (!r.ok) expect([r.refusal.code, r.refusal.given]).toEqual([want, piece]);
  });

  test('5 000 counts are taken, 5 001 are not; nor is a text of over 2 000 characters', () => {
    const r = readDivisions('1-5000');
    expect(r.ok && r.value.length).toBe(5000);
    expect(code(readDivisions('1-5000, 5001'))).toBe('tooMany');
    expect(code(readDivisions('60,'.repeat(700)))).toBe('tooLong');
  });

  test('pieces are read one by one, the bad ones marked', () => {
    expect(
      divisionPieces('57-60, 12.5').map((p) => [p.text, p.counts.length, p.refusal?.example ?? '']),
    ).toEqual([
      ['57-60', 4, ''],
      ['12.5', 0, '25'],
    ]);
  });

  test.each([
    ['1,200', ['1200', undefined]],
    ['1 200, 60', ['1200', undefined, undefined]],
    ['12,5', ['12.5', undefined]],
    ['60,73,5', [undefined, undefined, undefined]],
    ['1, 200', [undefined, undefined]],
    ['60 120', [undefined, undefined]],
    ['2x 3 400', [undefined, undefined]],
  ])('of %j it is asked whether one count was meant', (text, want) => {
    expect(divisionPieces(text).map((p) => p.instead)).toEqual(want);
  });

  test('any list of counts reads back as itself', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 9999 }), { maxLength: 60 }), (counts) => {
        const r = readDivisions(counts.join(', '));
        return r.ok && r.value.join() === counts.join();
      }),
    );
  });

  test('runs', () => {
    expect(divisionRuns([57, 58, 59, 60, 73, 97])).toBe('57–60, 73, 97');
    expect(divisionRuns([5, 4])).toBe('4, 5');
    expect(divisionRuns([])).toBe('');
  });
});

describe('quantities', () => {
  test.each([
    ['0.9°', '3240'],
    ["54'", '3240'],
    ['15"', '15'],
    ['0.9 deg', '3240'],
    ['15″', '15'],
    ['1° 30′ 15″', '5415'],
    ['±30″', '30'],
    ['30', '30'],
    ["15''", '15'],
    ['15”', '15'],
    ['54’', '3240'],
    ['1 1/2 °', '5400'],
    ['1 turn', '1296000'],
    ['-5"', '-5'],
    ['−21° 7′ 4.1″', '-760241/10'],
    ['45°30′', '163800'],
    ['0,9°', '3240'],
  ])('angle %s is %s″', (text, want) => {
    const r = readAngle(text);
    expect(r.ok && toText(r.value)).toBe(want);
  });

  test.each([
    ['5 furlongs', 'unknownUnit'],
    ['°', 'notAngle'],
    ['', 'empty'],
    ['15″ 3°', 'notAngle'],
    ['1e3', 'exponent'],
    ['abc', 'notAngle'],
  ])('angle %s is refused: %s', (text, want) => {
    expect(code(readAngle(text))).toBe(want);
  });

  test.each([
    ['0', 'zero'],
    ['-5″', 'negative'],
    ['20″', 'taken'],
  ])('as a tolerance %s is %s', (text, want) => {
    expect(code(readPositiveAngle(text))).toBe(want);
  });

  test.each([
    ['30 mm', '30'],
    ['30', '30'],
    ['1/8 in', '127/40'],
    ['5 µm', '1/200'],
    ['1 1/2 in', '381/10'],
    ['2 cm', '20'],
    ['0.02mm', '1/50'],
    ['188 800 mm', '188800'],
    ['80 cm', '800'],
    ['0,5 mm', '1/2'],
    ['0.8 m', '800'],
  ])('length %s is %s mm', (text, want) => {
    const r = readLength(text);
    expect(r.ok && toText(r.value)).toBe(want);
  });

  test.each([
    ['0 mm', 'zero'],
    ['-3 mm', 'negative'],
    ['3 parsec', 'unknownUnit'],
    ['mm', 'notLength'],
    ['1/0', 'zeroDenominator'],
  ])('length %s is refused: %s', (text, want) => {
    expect(code(readLength(text))).toBe(want);
  });
});

describe('counts and sizes', () => {
  const teeth = { min: 4, max: 10_000, unit: 'teeth' };
  test.each([
    ['76', 'taken'],
    ['7.5', 'notWhole'],
    ['0', 'zero'],
    ['-3', 'negative'],
    ['3', 'tooSmall'],
    ['10001', 'tooLarge'],
    ['', 'empty'],
    ['1e309', 'exponent'],
    ['abc', 'notNumber'],
    ['1,5', 'notWhole'],
    ['9'.repeat(200), 'tooLong'],
    ['12/2', 'taken'],
    ['1 200', 'taken'],
    ['1,200', 'doubtfulComma'],
    ['1/0', 'zeroDenominator'],
  ])('%s teeth: %s', (text, want) => {
    expect(code(readCount(text, teeth))).toBe(want);
  });

  test.each([
    ['0.5', 'taken'],
    ['0', 'zero'],
    ['-1', 'negative'],
    ['1000', 'tooLarge'],
    ['0.001', 'tooSmall'],
    ['x', 'notNumber'],
  ])('a module of %s: %s', (text, want) => {
    expect(code(readSize(text, { min: 0.01, max: 100 }))).toBe(want);
  });

  test('mixed numbers keep their sign', () => {
    const r = readNumber('-1 1/2');
    expect(r.ok && toText(r.value)).toBe('-3/2');
  });
});

describe('a number in the unit of its field', () => {
  test.each([
    ['0.5 mm', 'mm', '0.5'],
    ['3/8 in', 'mm', '381/40'],
    ['3/8"', 'mm', '381/40'],
    ['1 1/2 in', 'mm', '381/10'],
    ['50 µm', 'mm', '1/20'],
    ['76 teeth', 'teeth', '76'],
    ['1 tooth', 'teeth', '1 tooth'],
    ['600 rpm', 'rpm', '600'],
    ['10 rps', 'rpm', '600'],
    ['5 %', '%', '5'],
    ['0.5°', '′', '30'],
    ['30"', '′', '1/2'],
    ['4 kg·cm', 'N·m', '980665/2500000'],
    ['40 Ncm', 'N·m', '2/5'],
    ['90 s', 'min', '3/2'],
    ['80 cm', 'mm', '800'],
    ['0.8 m', 'mm', '800'],
    ['1 turn/min', 'rpm', '1'],
    ['90 turns a h', 'rpm', '90 turns a h'],
    ['2 revs per min', 'rpm', '2'],
    ['1h 5m', 's', '3900'],
    ['1 h 30 min', 'min', '90'],
    ['1:30', 's', '90'],
    ['1:30', 'min', '90'],
    ['45°30′', '°', '91/2'],
    ['−21° 7′ 4.1″', '°', '-760241/36000'],
    ['1 d', 's', '86400'],
    ['144 d', 's', '12441600'],
    ['1 d', '°', '1'],
    ['30 mm/s', 'mm/s', '30'],
    ['6 m/min', 'mm/s', '100'],
    ['2,5 cm', 'mm', '25'],
    ['200 a turn', 'a turn', '200'],
    ['5 parsec', 'mm', '5 parsec'],
    ['5 mm', undefined, '5 mm'],
    ['1 200 mm', 'mm', '1 200'],
  ])('%s in %s is %s', (text, unit, want) => {
    const read = (t: string): string => {
      const r = readNumber(t);
      return r.ok ? toText(r.value) : t;
    };
    expect(read(inUnit(text, unit))).toBe(read(want));
  });

  test.each([
    ['2e-7', '0.0000002'],
    ['5.4E-6', '0.0000054'],
    ['-1.25e3', '-1250'],
    ['2e-7 kg·m²', '0.0000002 kg·m²'],
    ['12', '12'],
    ['e5', 'e5'],
  ])('what a size is shown as can be typed: %s is %s', (text, want) =>
    expect(withoutExponent(text)).toBe(want),
  );

  test.each([
    ['12,5', '12.5'],
    ['1 200', '1200'],
    ['−0,5 mm', '-0.5'],
    ['12.5', null],
    ['1,200', null],
    ['60', null],
  ])('how %s was read is said: %s', (text, want) => expect(readingOf(text)).toBe(want));

  test.each([
    ['24 DP', '127/120'],
    ['m1', '1'],
    ['mod 0.5', '0.5'],
  ])('a module of %s is %s mm', (text, want) => expect(inUnit(text, 'mm', true)).toBe(want));

  test.each([
    ['0.9°', '400'],
    ['1.8 deg', '200'],
    ['7.5°', '48'],
    ['200 steps', '200'],
    ['200', '200'],
  ])('full steps of %s are %s', (text, want) => expect(fromStepAngle(text)).toBe(want));
});

describe('refusals in words', () => {
  test('every code has a sentence that ends once and says what to do', () => {
    const codes = Object.keys(refusalWords) as RefusalCode[];
    expect(codes.length).toBeGreaterThan(30);
    for (const c of codes) {
      const refusal: Refusal = {
        code: c,
        path: 'here',
        given: '12.5',
        limit: '7',
        unit: 'teeth',
        example: '25',
      };
      const sentence = refusalSentence(refusal);
      expect(sentence).toMatch(/^here: [^.]/);
      expect(sentence).toMatch(/; .+\.$/);
      expect(sentence).not.toMatch(/undefined|\.\.$/);
      expect(refusalMessage(refusal).message).toMatch(/^\S.*\.$/);
    }
  });

  test('the sentence under the field', () => {
    const r = readDivisions('57-60, 12.5');
    expect(!r.ok && refusalMessage(r.refusal)).toEqual({
      message: '12.5 is not a whole count.',
      cure: 'Half a tooth cannot be cut; write the count of the full turn, for example 25.',
    });
  });
});
