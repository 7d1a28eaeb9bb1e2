import { describe, expect, test } from '@jest/globals';
import { many } from '../testing/many.ts';
import fc from 'fast-check';
import { anyStage } from '../testing/any-stage.ts';
import { driveOf, wheelCutter } from '../testing/samples.ts';
import { kindOf, kinematics, stageInputs, type Drive, type Stage } from '../drive/index.ts';
import { cures, divide, dividerOf, type Cure, type WheelRange } from './index.ts';

const message = ({ change }: Cure): string => {
  if (change.do === 'mode') return `mode ${change.mode}`;
  return change.do === 'wheel'
    ? `${change.stage}.${change.key} ${change.from}→${change.to}`
    : `pair ${change.z1}:${change.z2} at ${change.at}`;
};
const evenIn = (drive: Drive, cure: Cure, D: number): boolean =>
  divide(dividerOf(cure, kinematics(cure.train), null)!, D).missingFactor === 1n;

describe('cures', () => {
  test('73 on the wheel cutter: a wheel of 73 before one more pair', () => {
    const drive = wheelCutter();
    const found = cures(drive, [73], [60, 73, 95, 97]);
    expect(found.map(message).slice(0, 2)).toEqual(['0.z2 76→73', '1.wheel 90→73']);
    expect(found.some((c) => c.change.do === 'pair')).toBe(true);
    for (const cure of found) expect(evenIn(drive, cure, 73)).toBe(true);
    const belt = found.find((c) => message(c) === '0.z2 76→73')!;
    expect([belt.gains, belt.loses]).toEqual([1, 1]);
  });

  test('a finer mode comes first, for it changes no part', () => {
    const drive = driveOf(200, 1, [{ kind: 'worm', starts: 1, wheel: 60 }]);
    const source = { kind: 'stepper', fullSteps: 200, modes: [1, 2, 4, 8], mode: 1 } as const;
    const fine = { ...drive, train: { ...drive.train, source } };
    // 12 000 steps and 64: three twos are short by one.
    expect(cures(fine, [64], [64]).map(message)[0]).toBe('mode 2');
  });

  test('nothing is offered where nothing will do, or nothing can be judged', () => {
    const drive = wheelCutter();
    expect(cures(drive, [127 * 131], [127 * 131], { from: 12, to: 60 })).toEqual([]);
    expect(cures(drive, [], [60])).toEqual([]);
    const mains: Drive = {
      ...drive,
      train: { ...drive.train, source: { kind: 'synchronous', hz: '50', poles: 12 } },
    };
    expect(cures(mains, [73], [73])).toEqual([]);
  });

  test('after a wheel that locks, only it and what follows can cure', () => {
    const stages: Stage[] = [
      { kind: 'belt', z1: 20, z2: 60 },
      { kind: 'geneva', slots: 6 },
      { kind: 'spur', z1: 12, z2: 62 },
    ];
    const found = cures(driveOf(200, 1, stages), [62], [31, 62]);
    expect(found.length).toBeGreaterThan(0);
    for (const cure of found)
      if (cure.change.do === 'wheel') expect(cure.change.stage).toBeGreaterThanOrEqual(1);
    expect(found.every((c) => c.change.do !== 'pair' || c.change.at === 3)).toBe(true);
  });

  test('every cure really makes its counts even, keeps in its range, and builds', () => {
    const range = fc.tuple(fc.integer({ min: 8, max: 30 }), fc.integer({ min: 31, max: 130 }));
    const counts = fc.array(fc.integer({ min: 2, max: 240 }), { minLength: 1, maxLength: 2 });
    let offered = 0;
    fc.assert(
      fc.property(fc.array(anyStage, { maxLength: 4 }), counts, range, (list, targets, [from, to]) => {
        const wheels: WheelRange = { from, to };
        const drive = driveOf(200, 4, list);
        for (const cure of cures(drive, targets, targets, wheels)) {
          offered++;
          for (const D of targets) expect(evenIn(drive, cure, D)).toBe(true);
          const { change } = cure;
          if (change.do === 'pair')
            for (const z of [change.z1, change.z2]) expect(z >= from && z <= to).toBe(true);
          if (change.do === 'wheel') {
            expect(change.to >= from && change.to <= to).toBe(true);
            const stage = cure.train.stages[change.stage]!;
            expect(stageInputs(stage).some((i) => i.key === change.key)).toBe(true);
            expect(kindOf(stage).refuse?.(stage) ?? null).toBeNull();
          }
        }
      }),
      // One seed: how many are offered is counted below.
      { numRuns: 150, seed: 20 },
    );
    expect(offered).toBeGreaterThanOrEqual(many(18));
  });
});
