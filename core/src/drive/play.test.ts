import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyStage } from '../testing/any-stage.ts';
import { driveOf, wheelCutter } from '../testing/samples.ts';
import { boreClashes, durationText, lostMotion, stagePlay, type Stage } from './index.ts';

const ARCSEC = 1_296_000;

describe('lost motion', () => {
  test('0.05 mm on a worm wheel of 90 teeth, module 1, is 229.2″', () => {
    const lost = lostMotion(wheelCutter().train);
    expect(lost.atWork * ARCSEC).toBeCloseTo(229.183, 2);
    expect(lost.byStage[0]).toBe(0);
    expect(lost.atSource).toBeCloseTo(lost.atWork * 342, 12);
    expect([lost.estimate, lost.unknown]).toEqual([true, 0]);
  });

  test('what was given goes before an estimate, the angle before the length', () => {
    const worm: Stage = { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1, quality: 'printed' };
    expect(stagePlay(worm)!.turns * ARCSEC).toBeCloseTo(4 * 229.183, 1);
    expect(stagePlay({ ...worm, playMm: 0.02 })).toEqual({ turns: 0.02 / (Math.PI * 90), estimate: false });
    expect(stagePlay({ ...worm, playMm: 0.02, playArcmin: 3 })).toEqual({
      turns: 3 / 21_600,
      estimate: false,
    });
    const bare: Stage = { kind: 'worm', starts: 1, wheel: 90 };
    expect(stagePlay(bare)).toBeNull();
    const set: Stage = {
      kind: 'planetary',
      sun: 13,
      ring: 47,
      planets: 3,
      fixed: 'ring',
      in: 'sun',
      out: 'carrier',
    };
    expect(stagePlay(set)!.turns * 360).toBeCloseTo(0.7, 9);
  });

  test('each stage counts less the more reduction follows it, and nothing is lost in the sum', () => {
    fc.assert(
      fc.property(fc.array(anyStage, { maxLength: 6 }), (list) => {
        const lost = lostMotion(driveOf(200, 1, list).train);
        expect(lost.byStage.length).toBe(list.length);
        expect(lost.byStage.reduce<number>((n, b) => n + (b ?? 0), 0)).toBeCloseTo(lost.atWork, 9);
        const last = list.at(-1);
        if (last) expect(lost.byStage.at(-1) ?? null).toEqual(stagePlay(last)?.turns ?? null);
      }),
    );
  });
});

test('two bores on one shaft that disagree are told', () => {
  const [a, b]: Stage[] = [
    { kind: 'spur', z1: 12, z2: 60, outBoreMm: 5 },
    { kind: 'spur', z1: 12, z2: 60, inBoreMm: 6 },
  ];
  expect(boreClashes(driveOf(1, 1, [a!, b!]).train)).toEqual([{ shaft: 1, a: 5, b: 6 }]);
  expect(boreClashes(driveOf(1, 1, [a!, { ...b!, inBoreMm: 5 }]).train)).toEqual([]);
  expect(boreClashes(driveOf(1, 1, [b!, a!]).train)).toEqual([]);
});

test.each([
  [0.25, '0.25 seconds'],
  [1, '1 second'],
  [40, '40 seconds'],
  [300, '5 minutes'],
  [3 * 3600, '3 hours'],
  [48_828_125, '565.14 days'],
  [3 * 365.25 * 86_400, '3 years'],
  [12_345 * 365.25 * 86_400, '12\u2009345 years'],
  [1e30, '3.17 × 10²² years'],
])('%s s are %s', (s, want) => expect(durationText(s)).toBe(want));
