import { describe, expect, test } from '@jest/globals';
import { readClock, readPeriod, readSpeed, toText } from './index.ts';

const period = (text: string): string => {
  const r = readPeriod(text);
  return r.ok ? toText(r.value) : r.refusal.code;
};
const clock = (text: string): string => {
  const r = readClock(text);
  return r.ok ? toText(r.value) : r.refusal.code;
};

describe('the time of one turn', () => {
  test.each([
    ['86164.0905', '172328181/2000'],
    ['24 h', '86400'],
    ['1 turn in 24 h', '86400'],
    ['one turn in 10 min', '600'],
    ['1/2 h', '1800'],
    ['0.5 rpm', '120'],
    ['15 °/h', '86400'],
    ['15.041 ″/s', '1296000000/15041'],
    ['15 arcsec per s', '86400'],
    ['2 turns a day', '43200'],
    ['360 deg/min', '60'],
    ['3 rps', '1/3'],
    ['250 ms', '1/4'],
    ['23h 56m 4s', '86164'],
    ['23 h 56 min 4.09 s', '8616409/100'],
    ['23:56:04.09', '8616409/100'],
    ['1 h 30 min', '5400'],
    ['1h30m', '5400'],
    ['1,5 h', '5400'],
    ['1h 5m', '3900'],
    ['1:30', '5400'],
    ['2 turns in 24 h', '43200'],
    ['2 turns in 1 h 30 min', '2700'],
  ])('%s is %s s', (text, want) => expect(period(text)).toBe(want));
  test.each([
    ['', 'empty'],
    ['0', 'zero'],
    ['0 rpm', 'zero'],
    ['-5 h', 'negative'],
    ['fast', 'notPeriod'],
    ['5 parsecs', 'notPeriod'],
    ['3 °/fortnight', 'notPeriod'],
    ['30 min 1 h', 'notPeriod'],
    ['23:61:00', 'notPeriod'],
    ['0 turns in 5 s', 'zero'],
  ])('%s is refused: %s', (text, code) => expect(period(text)).toBe(code));
  test('a speed along a travel is read apart', () => {
    expect(toText(readSpeed('0.5 mm/min')!)).toBe('1/120');
    expect([readSpeed('0 mm/min'), readSpeed('5 rpm'), readSpeed('2 mm/moon')]).toEqual([null, null, null]);
  });
});

describe('a clock', () => {
  test.each([
    ['250000', '250000'],
    ['250 kHz', '250000'],
    ['16 MHz / 64', '250000'],
    ['16MHz/3', '16000000/3'],
    ['32768 Hz', '32768'],
    ['2.5 mhz', '2500000'],
  ])('%s is %s Hz', (text, want) => expect(clock(text)).toBe(want));
  test.each([
    ['', 'empty'],
    ['0', 'zero'],
    ['16 MHz / 0', 'zeroDenominator'],
    ['quick', 'notClock'],
    ['5 GHz', 'notClock'],
  ])('%s is refused: %s', (text, code) => expect(clock(text)).toBe(code));
});
