import { describe, expect, test } from '@jest/globals';
import { rational } from '../numbers/index.ts';
import { allDuties as full } from '../testing/samples.ts';
import { checkAnswer, drillingMoves, makingCsv, platesAnswer, readDrive, writeDrive } from './index.ts';

const read = (change: (d: Record<string, unknown>) => void): string => {
  const data = { ...(JSON.parse(JSON.stringify(full)) as Record<string, unknown>), version: 1 };
  change(data);
  const r = readDrive(JSON.stringify(data));
  return r.ok ? 'taken' : `${r.refusal.code} at ${r.refusal.path}`;
};
const job = (d: Record<string, unknown>): Record<string, unknown> => d['job'] as Record<string, unknown>;

describe('duties in the drive file', () => {
  test('are read back as they were written', () => {
    const again = readDrive(writeDrive(full));
    expect(again.ok && again.value).toEqual(full);
  });
  test.each<[(d: Record<string, unknown>) => void, string]>([
    [(d) => (job(d)['rates'] = [{ kind: 'comet' }]), 'notAChoice at job.rates[0].kind'],
    [(d) => (job(d)['rates'] = [{ kind: 'period' }]), 'missing at job.rates[0].seconds'],
    [(d) => (job(d)['rates'] = [{ kind: 'period', seconds: 86164.0905 }]), 'inexact at job.rates[0].seconds'],
    [(d) => (job(d)['rates'] = [{ kind: 'stars', half: 'yes' }]), 'notAChoice at job.rates[0].half'],
    [
      (d) => (job(d)['sweeps'] = [{ from: '0', to: '1', unit: 'deg', frames: 1, easing: 'linear' }]),
      'tooSmall at job.sweeps[0].frames',
    ],
    [
      (d) =>
        (job(d)['sweeps'] = [
          { from: '0', to: '1', unit: 'deg', frames: 9, easing: 'trapezoid', speedUp: 90, slowDown: 90 },
        ]),
      'shortStages at job.sweeps[0]',
    ],
    [(d) => (job(d)['sweeps'] = { from: '0' }), 'notList at job.sweeps'],
    [(d) => (job(d)['camera'] = { focalMm: 0, pixelUm: 3.9 }), 'tooSmall at job.camera.focalMm'],
    [(d) => (d['timer'] = { tickHz: '0', bits: 16 }), 'zero at timer.tickHz'],
    [(d) => (d['timer'] = { tickHz: '1000', bits: 2 }), 'tooSmall at timer.bits'],
    [(d) => (d['plates'] = { plates: [[15, 1]] }), 'tooSmall at plates.plates[0][1]'],
    [(d) => (d['plates'] = { plates: [[15]], wormRatio: '-40' }), 'negative at plates.wormRatio'],
  ])('bad ones are refused by place (%#)', (change, want) => expect(read(change)).toBe(want));
});

describe('the terminal’s answer', () => {
  test('rates, exact where they can be', () => {
    const { rates } = checkAnswer(full) as { rates: Record<string, unknown>[] };
    expect(rates[0]).toMatchObject({
      name: 'stars',
      intervalTicks: '287213635/14592',
      fixedTicks: 19683,
      spread: { q: '19682', num: '13891', den: '14592' },
      fits: true,
      grade: 'even',
    });
    expect(rates[0]!['stepsPerSecond']).toBeCloseTo(12.7013, 4);
    expect(rates[0]!['fixedPpm']).toBeCloseTo(-2.441, 3);
    expect(rates[1]).toMatchObject({ name: 'hour wheel', reverse: true });
  });
  test('without a timer the ticks are unknown', () => {
    const { timer: _, ...bare } = full;
    expect((checkAnswer(bare) as { rates: object[] }).rates[0]).toMatchObject({
      intervalTicks: null,
      fits: null,
      grade: 'unknown',
    });
  });
  test('plates: one circle, two, a new one, wheels', () => {
    const circles = [
      [15, 16, 17, 18, 19, 20],
      [21, 23, 27, 29, 31, 33],
    ];
    expect(platesAnswer(rational(40), circles, 95, [])).toMatchObject({
      turns: '8/19',
      simple: [{ circle: 19, wholeTurns: 0, holes: 8 }],
      smallestNewCircle: null,
    });
    const seven = platesAnswer(rational(40), circles, 77, [24, 32, 48]);
    expect([seven.compound[0], seven.smallestNewCircle, seven.differential[0]]).toEqual([
      { circles: [21, 33], holes: [9, 3] },
      77,
      { near: 80, circle: 16, wholeTurns: 0, holes: 8, ratio: '3/2', drivers: [48], driven: [32] },
    ]);
  });
});

describe('a plate to be made', () => {
  test('the crank and the mill', () => {
    expect(makingCsv(rational(60), 26, 50).split('\n')[2]).toBe('1,2,110.769231,48.547,11.966');
    expect(
      drillingMoves(4, 10)
        .split('\n')
        .filter((l) => l.includes('X')),
    ).toEqual(['G81 X10.000 Y0.000 Z-5 R2 F60', 'X0.000 Y10.000', 'X-10.000 Y0.000', 'X0.000 Y-10.000']);
  });
});
