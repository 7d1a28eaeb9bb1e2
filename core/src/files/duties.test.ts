import { describe, expect, test } from '@jest/globals';
import { newDrive, type Drive } from '../drive/index.ts';
import { rational } from '../numbers/index.ts';
import { wheelCutter } from '../testing/samples.ts';
import {
  cHeader,
  checkAnswer,
  divisionsGcode,
  drillingMoves,
  makingCsv,
  platesAnswer,
  readDrive,
  shotGcode,
  tablesOf,
  writeDrive,
} from './index.ts';

const full: Drive = {
  ...wheelCutter('60, 73', {
    rates: [{ kind: 'stars' }, { kind: 'period', seconds: '43200', name: 'hour wheel', reverse: true }],
    sweeps: [
      {
        from: '0',
        to: '90',
        unit: 'deg',
        frames: 5,
        easing: 'linear',
        exposureSeconds: 2,
        settleSeconds: 0.5,
      },
    ],
    spins: [{ minRpm: '0.2', maxRpm: '4' }],
    camera: { focalMm: 135, pixelUm: 3.9 },
    altAz: { latitudeDeg: 50, hourAngleDeg: -30, declinationDeg: 20, hours: 4 },
    knob: { turnsOut: '1', marks: 72 },
  }),
  timer: { tickHz: '250000', bits: 16, tolerancePpm: 30 },
  plates: {
    wormRatio: '40',
    plates: [
      [15, 16],
      [21, 33],
    ],
    gears: [24, 48],
  },
};
const read = (change: (d: Record<string, unknown>) => void): string => {
  const data = JSON.parse(writeDrive(full)) as Record<string, unknown>;
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

describe('what is exported', () => {
  test('a C header: whole numbers with their width, names made safe', () => {
    const text = cHeader({ ...full, name: 'Sun & moon */ dial' })!;
    expect(text).toContain('#ifndef PENDRIX_SUN_MOON_DIAL_H');
    expect(text).not.toMatch(/\*\/ dial/);
    expect(text).toContain('#define STARS_TICKS 19682U\n#define STARS_NUM 13891U\n#define STARS_DEN 14592U');
    expect(text).toContain('#define HOUR_WHEEL_FORWARD 0');
    expect(cHeader(newDrive('bare'))).toBeNull();
    expect(cHeader({ ...full, timer: { tickHz: '1' } })).toBeNull();
    const twice = cHeader({ ...full, job: { ...full.job, rates: [{ kind: 'stars' }, { kind: 'stars' }] } })!;
    expect(twice).toContain('#define STARS_2_TICKS');
  });
  test('G-code of a sweep frame by frame, of a division place by place', () => {
    const shot = shotGcode(full);
    const sweep = shot.ok ? shot.value.split('\n') : [];
    expect(sweep.filter((l) => l.startsWith('G0'))).toHaveLength(5);
    expect(sweep).toContain('G0 A90.000000 ; frame 5');
    expect(sweep).toEqual(
      expect.arrayContaining([
        'G21',
        'G90',
        'G4 P0.500 ; settle',
        'G4 P2.000 ; expose',
        '; shutter, frame 3',
      ]),
    );
    const seven = divisionsGcode(full, 7);
    expect(seven.ok && seven.value).toContain('G0 A51.428571 ; place 1 of 7');
    expect(seven.ok && seven.value).toContain('3040 microsteps a degree');
    expect(shotGcode(newDrive('bare')).ok).toBe(false);
  });
  test('every table of a drive by its name', () => {
    const tables = tablesOf(full);
    expect([...tables.keys()]).toEqual([
      'divisions',
      'rates',
      'camera',
      'altAz',
      'sweep-0',
      'spin-0',
      'knob',
      'controller',
      'plates',
    ]);
    expect(tables.get('sweep-0')!()).toBe(
      'frame,second,microsteps,target\n1,,0,0\n2,,68400,68400\n3,,68400,136800\n4,,68400,205200\n5,,68400,273600\n',
    );
    expect(tables.get('rates')!().split('\n')).toHaveLength(8);
    expect(tables.get('knob')!().split('\n')[1]).toBe('turns across the range,342,342,,');
    expect(tables.get('plates')!()).toContain('\n77,compound,21,,9,33,3,\n');
  });
  test('a plate to be made: the crank and the mill', () => {
    expect(makingCsv(rational(60), 26, 50).split('\n')[2]).toBe('1,2,110.769231,48.547,11.966');
    expect(
      drillingMoves(4, 10)
        .split('\n')
        .filter((l) => l.includes('X')),
    ).toEqual(['G81 X10.000 Y0.000 Z-5 R2 F60', 'X0.000 Y10.000', 'X-10.000 Y0.000', 'X0.000 Y-10.000']);
  });
});
