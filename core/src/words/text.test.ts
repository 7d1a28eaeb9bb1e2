import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { exactly, exactly as q, rational } from '../numbers/index.ts';
import { plainText, THIN, type Rich } from './rich.ts';
import {
  angleText,
  counted,
  dms,
  fraction,
  grouped,
  inLine,
  inWords,
  lengthText,
  limitText,
  listed,
  measured,
  mixed,
  powers,
  roughAngle,
  shortList,
  signedAngle,
  timeText,
  whole,
} from './text.ts';

const spaced = (text: string): string => text.replaceAll(THIN, ' ');

describe('numbers as text', () => {
  test.each([
    ['1094400', '1 094 400'],
    ['999', '999'],
    ['1000', '1 000'],
    ['-14991', '−14 991'],
    ['12345.6789', '12 345.6789'],
    ['0', '0'],
    ['-0.5', '−0.5'],
  ])('%s is grouped as %s', (digits, want) => {
    expect(spaced(grouped(digits))).toBe(want);
  });

  test('whole numbers too long to read become powers of ten', () => {
    expect(spaced(whole(10n ** 20n))).toBe('100 000 000 000 000 000 000');
    expect(whole(123456n * 10n ** 30n)).toBe('1.234 × 10³⁵');
    expect(whole(-(10n ** 40n))).toBe('−1.000 × 10⁴⁰');
  });

  test.each([
    ['1094400/97', '11 282 46/97', '1 094 400/97'],
    ['36/73', '36/73', '36/73'],
    ['-46', '−46', '−46'],
    ['-31/73', '−31/73', '−31/73'],
    ['-100/7', '−14 2/7', '−100/7'],
    ['5', '5', '5'],
  ])('%s mixed is %s, as one fraction %s', (text, asMixed, asFraction) => {
    expect(plainText(mixed(q(text)))).toBe(asMixed);
    expect(plainText(fraction(q(text)))).toBe(asFraction);
  });

  test('a fraction too long to stack ends in an ellipsis, so that nobody takes it for exact', () => {
    expect(plainText(mixed(rational(10n ** 14n + 1n, 10n ** 14n)))).toBe('1.000000…');
    expect(inLine(q('2/3'))).toBe('2/3');
    expect(spaced(inLine(q('236000/3')))).toBe('78 666 2/3');
  });

  test.each([
    [0, '0'],
    [0.583994, '0.58'],
    [0.0012345, '0.0012'],
    [12.345, '12.3'],
    [123.45, '123'],
    [-3.14159, '−3.14'],
    [-0.0000000001, '−1.0 × 10⁻¹⁰'],
    [4.23e-10, '4.2 × 10⁻¹⁰'],
    [0, '0'],
    [1.2549e15, '1.25 × 10¹⁵'],
  ])('%d is shown as %s', (value, want) => {
    expect(measured(value)).toBe(want);
  });

  test('a measured text is within one unit of its last figure', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (value) => {
        const text = spaced(measured(value)).replaceAll(' ', '');
        const decimals = text.split('.')[1]?.length ?? 0;
        expect(Math.abs(Number(text) - value)).toBeLessThanOrEqual(0.5000001 * 10 ** -decimals);
      }),
    );
  });
});

describe('angles as text', () => {
  test.each([
    [0, '0″', '0″'],
    [0.586, '0.59″', '0.59″'],
    [-54.474, '−54.47″', '−54.47″'],
    [30, '30.00″', '30″'],
    [0.5, '0.50″', '0.5″'],
    [105.26, '105″', '105″'],
    [600, '10.0′', '10′'],
    [2880, '48.0′', '48′'],
    [36_000, '10.0°', '10°'],
    [100, '100″', '100″'],
  ])('%d″ is %s, as a limit %s', (arcsec, text, limit) => {
    expect(angleText(arcsec)).toBe(text);
    expect(limitText(arcsec)).toBe(limit);
  });

  test('signs: plus is written, minus is a real one, nothing has none', () => {
    expect([signedAngle(18.947), signedAngle(-54.474), signedAngle(0)]).toEqual(['+18.95″', '−54.47″', '0″']);
  });

  test('by how much something misses is told roughly from ten seconds on', () => {
    expect([roughAngle(24.47), roughAngle(6.875), roughAngle(119.9), roughAngle(3600)]).toEqual([
      '24″',
      '6.88″',
      '120″',
      '60.0′',
    ]);
  });

  test.each([
    ['0', '0', '00', '00.0'],
    ['59.94', '0', '00', '59.9'],
    ['59.95', '0', '01', '00.0'],
    ['3599.99', '1', '00', '00.0'],
    ['532602.74', '147', '56', '42.7'],
    ['1296000', '360', '00', '00.0'],
  ])('%s″ is %s° %s′ %s″', (arcsec, d, m, s) => {
    expect(dms(exactly(arcsec))).toEqual({ d, m, s });
  });

  test('degrees, minutes and seconds put together again are the angle', () => {
    fc.assert(
      fc.property(
        fc.bigInt({ min: 0n, max: 1_296_000_000n }),
        fc.bigInt({ min: 1n, max: 997n }),
        (n, below) => {
          const arcsec = rational(n, below);
          const { d, m, s } = dms(arcsec, 2);
          expect(Number(m)).toBeLessThan(60);
          expect(Number(s)).toBeLessThan(60);
          const back = Number(spaced(d).replaceAll(' ', '')) * 3600 + Number(m) * 60 + Number(s);
          expect(Math.abs(back - Number(n) / Number(below))).toBeLessThanOrEqual(0.005001);
        },
      ),
    );
  });
});

describe('words', () => {
  test('lists', () => {
    expect(listed([])).toBe('');
    expect(listed(['73'])).toBe('73');
    expect(listed(['73', '97'])).toBe('73 and 97');
    expect(listed(['58', '59', '73', '97'], 'or')).toBe('58, 59, 73 or 97');
    expect(shortList(['1', '2', '3', '4', '5', '6', '7'])).toBe('1, 2, 3, 4 and 3 more');
    expect(shortList(['1', '2'], 5)).toBe('1 and 2');
  });

  test('counts', () => {
    expect([counted(1, 'drive'), counted(6, 'count'), counted(40, 'row')]).toEqual([
      'one drive',
      'six counts',
      '40 rows',
    ]);
    expect(inWords(0)).toBe('none');
  });

  test('lengths', () => {
    expect(lengthText(0.0053)).toEqual(['5.30', 'µm']);
    expect(lengthText(3.822)).toEqual(['3.82', 'mm']);
    expect(lengthText(0)).toEqual(['0', 'mm']);
  });

  test('powers, negative ones too', () => {
    const exponents = new Map([
      [5n, -1],
      [2n, 2],
      [3n, 0],
      [19n, 1],
    ]);
    expect(plainText(powers(exponents))).toBe('2^2·5^−1·19');
    expect(powers(new Map())).toEqual(['1']);
  });
});

test('rich text on one line keeps apart what must be apart', () => {
  const rich: Rich = [
    '11',
    { frac: ['46', '97'] },
    { unit: 'steps' },
    ' = ',
    { strong: '2' },
    { sup: '3' },
    { unit: '″' },
  ];
  expect(plainText(rich)).toBe('11 46/97 steps = 2^3″');
  expect(plainText([{ frac: ['1', '2'] }])).toBe('1/2');
});

test.each([
  [0.2, '0.20 s'],
  [68.4, '68.4 s'],
  [600, '10.0 min'],
  [9 * 3600, '9.00 h'],
  [48_828_125, '565 days'],
  [5 * 365.25 * 86_400, '5.00 years'],
  [1e20, '3.17 × 10¹² years'],
])('%s seconds are %s', (seconds, want) => {
  expect(timeText(seconds).join(' ')).toBe(want);
});
