import { describe, expect, test } from '@jest/globals';
import {
  backEfficiencyOf,
  kinematicsOf,
  newDrive,
  type Drive,
  type Load,
  type Stage,
} from '../drive/index.ts';
import { forceOf } from '../force/index.ts';
import { availableNm, detentOf, heldNm, imbalanceNm, resonanceOf } from './index.ts';

const motor = {
  kind: 'stepper',
  fullSteps: 200,
  modes: [1, 16],
  mode: 16,
  holdingNm: 0.4,
  currentA: 2,
} as const;
const drive = (stages: readonly object[], load: Load, source: object = motor): Drive => ({
  ...newDrive('turning'),
  job: { divisions: '', load },
  train: { source: source as never, stages: stages as readonly Stage[], output: { kind: 'rotary' } },
});
const force = (...of: Parameters<typeof drive>) => forceOf(drive(...of), kinematicsOf(drive(...of)))!;

describe('one torque', () => {
  test('held at the present current, by all motors together', () => {
    expect(heldNm(motor)).toBe(0.4);
    expect(heldNm({ ...motor, currentLimitA: 1 })).toBeCloseTo(0.2, 12);
    expect(heldNm({ ...motor, count: 3 })).toBeCloseTo(0.4 * 2.7, 12);
    const { holdingNm: _, ...bare } = motor;
    expect(heldNm(bare)).toBeNull();
  });
  test('resonance goes with what it holds now', () => {
    const rough = (more: object): number =>
      resonanceOf({ ...motor, rotorInertiaKgM2: 6e-6, ...more }, 0)!.stepRate;
    expect(rough({ currentLimitA: 0.5 }) / rough({})).toBeCloseTo(0.5, 9);
  });
  test('a detent that nobody gave is unknown, not none; a DC gear motor has a torque by its speed', () => {
    expect([detentOf(motor), detentOf({ ...motor, detentNm: 0 })]).toEqual([null, 0]);
    const dc = { kind: 'gearMotor', maxRpm: '60', stallNm: 2, ratedV: 12, supplyV: 12 } as const;
    expect(availableNm(dc, 30)).toBeCloseTo(1, 12);
    expect(availableNm(dc, 90)).toBe(0);
    expect(kinematicsOf(drive([], {}, { kind: 'gearMotor' })).stepsPerTurn).toBeNull();
  });
  test('an axis stands upright unless told: nothing hangs, at 90° exactly', () => {
    expect(imbalanceNm({ massKg: 2, offsetMm: 50 })).toBe(0);
    expect(imbalanceNm({ massKg: 2, offsetMm: 50, elevationDeg: 90 })).toBe(0);
    expect(imbalanceNm({ massKg: 2, offsetMm: 50, elevationDeg: 0 })).toBeCloseTo(2 * 9.80665 * 0.05, 12);
  });
});

describe('with the power off', () => {
  const spur = { kind: 'spur', z1: 20, z2: 60, moduleMm: 1 };
  test('the losses count the other way, too', () => {
    expect(backEfficiencyOf({ ...spur, efficiency: 0.8 } as Stage)).toBeCloseTo(0.75, 12);
    expect(backEfficiencyOf({ ...spur, efficiency: 0.4 } as Stage)).toBe(0);
    const f = force([spur], { frictionNm: 0.1 }, { ...motor, detentNm: 0.02 });
    expect(f.back).toEqual({ is: 'turns', nm: (0.02 * 3) / (2 - 1 / 0.97) + 0.1 });
  });
  test('an unknown detent leaves it open, unless friction alone holds', () => {
    const hangs = { massKg: 2, offsetMm: 50, elevationDeg: 0 };
    expect(force([spur], { ...hangs, frictionNm: 0.4 }).turnsBack).toBeNull();
    expect(force([spur], { ...hangs, frictionNm: 2 }).turnsBack).toBe(false);
  });
  test('a great reduction is held by its losses', () => {
    const many = Array.from({ length: 24 }, () => ({ ...spur, efficiency: 0.5 }));
    expect(force(many, { frictionNm: 0.4 }).back).toEqual({ is: 'holds', by: 'losses' });
  });
});

test('three pinions on one wheel: each bears its share', () => {
  const spur = { kind: 'spur', z1: 20, z2: 85, moduleMm: 1, material: 'brass' };
  const one = force([spur], { workNm: 1 }).meshes[0]!.forceN;
  expect(one).toBeCloseTo(1000 / 42.5, 1);
  expect(force([spur], { workNm: 1 }, { ...motor, count: 3 }).meshes[0]!.forceN).toBeCloseTo(one / 3, 9);
});
