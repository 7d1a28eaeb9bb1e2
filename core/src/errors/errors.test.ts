import { describe, expect, test } from '@jest/globals';
import { many } from '../testing/many.ts';
import fc from 'fast-check';
import { kinematicsOf, newDrive, type Drive, type Stage } from '../drive/index.ts';
import { toText } from '../numbers/index.ts';
import {
  budget,
  errorTerms,
  reachOf,
  resolutionOf,
  sampleOf,
  turningParts,
  worstAt,
  type Budget,
  type ErrorTerm,
} from './index.ts';

/** The handbook's wheel cutter: 1/16, belt 20:76 of pitch 2, worm 1:90 of module 1. */
const cutter = (stage: Partial<Stage> = {}, more: Partial<Drive['train']['source']> = {}): Drive => ({
  ...newDrive('cutter'),
  train: {
    source: { kind: 'stepper', fullSteps: 200, modes: [1, 2, 4, 8, 16, 32], mode: 16, ...more } as never,
    stages: [
      { kind: 'belt', z1: 20, z2: 76, pitchMm: 2, ...stage } as Stage,
      { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1, ...stage } as Stage,
    ],
    output: { kind: 'rotary' },
  },
});
const termsOf = (drive: Drive): readonly ErrorTerm[] => errorTerms(drive, kinematicsOf(drive));
const of = (drive: Drive, id: string): ErrorTerm => termsOf(drive).find((t) => t.id === id)!;
const dividing = (drive: Drive, divisions: number, toleranceArcsec: number | null = null): Budget =>
  budget({ drive, terms: termsOf(drive), divisions, toleranceArcsec });

describe('terms, by hand', () => {
  const drive = cutter();
  test('worm and wheel of 90 teeth, module 1: 0.01 mm at 45 mm is 45.84″', () => {
    const rad = 0.01 / 45;
    const arcsec = (rad * 180 * 3600) / Math.PI;
    expect(arcsec).toBeCloseTo(45.84, 2);
    expect(of(drive, 'stage-2.drivenRunoutMm').arcsec).toBeCloseTo(arcsec, 9);
    expect(of(drive, 'stage-2.driverRunoutMm')).toMatchObject({
      cause: 'worm run-out',
      known: 'estimate',
      shaft: 1,
    });
    expect(of(drive, 'stage-2.driverRunoutMm').arcsec).toBeCloseTo(arcsec, 9);
    expect(toText(of(drive, 'stage-2.driverRunoutMm').turnsPerOutputTurn!)).toBe('90');
  });
  test('each pulley through the worm: 0.01 mm at 76·2/2π mm, ÷ 90', () => {
    const rho = (76 * 2) / (2 * Math.PI);
    expect(of(drive, 'stage-1.drivenRunoutMm').arcsec).toBeCloseTo(((0.01 / rho) * 206264.80625) / 90, 6);
    expect(of(drive, 'stage-1.driverRunoutMm').arcsec).toBeCloseTo(0.947, 3);
    expect(toText(of(drive, 'stage-1.driverRunoutMm').turnsPerOutputTurn!)).toBe('342');
  });
  test('a full step, and the wave of a detent share of 0.05', () => {
    expect(of(drive, 'motor.step').arcsec).toBeCloseTo((0.05 * 6480) / 342, 9);
    expect(of(drive, 'motor.detentNm').arcsec).toBeNull();
    const wave = of(cutter({}, { holdingNm: 0.4, detentNm: 0.02 }), 'motor.detentNm');
    expect(wave.arcsec).toBeCloseTo(((0.05 / 50) * 206264.80625) / 342, 6);
    expect(wave.arcsec! * 342).toBeCloseTo(206.3, 1);
    expect(toText(wave.turnsPerOutputTurn!)).toBe('68400');
  });
  test('backlash: worm 2′ at the output, and one that is typed', () => {
    expect(of(cutter({ playArcmin: 2 }), 'stage-2.playArcmin').arcsec).toBeCloseTo(120, 9);
    expect(of(drive, 'stage-2.playArcmin').arcsec).toBeCloseTo((0.05 / 45) * 206264.80625, 6);
    // 0.03 mm of end float at 40 mm: 154.7″
    const float = cutter({ moduleMm: 8 / 9, endFloatMm: 0.03 });
    expect(of(float, 'stage-2.endFloatMm').arcsec).toBeCloseTo(154.7, 1);
  });
  test('a stop window of 4 counts in 216 000: ±24″', () => {
    const source = { kind: 'encoderMotor', lines: 600, decode: 1, windowCounts: 4 } as never;
    const d = {
      ...newDrive('stop'),
      train: { source, stages: [{ kind: 'ratio', value: '360' }], output: { kind: 'rotary' } },
    } as Drive;
    expect(of(d, 'source.windowCounts').arcsec).toBeCloseTo(24, 9);
  });
  test('bearings 0.015 mm loose, 40 mm apart: 77″; strain wave twice in a turn of the wave', () => {
    const d = cutter();
    const nod = {
      ...d,
      train: { ...d.train, output: { kind: 'rotary', bearingClearanceMm: 0.015, bearingSpanMm: 40 } },
    } as Drive;
    expect(of(nod, 'output.bearingClearanceMm').arcsec).toBeCloseTo(77.35, 2);
    const wave = {
      ...d,
      train: { ...d.train, stages: [{ kind: 'strainWave', flex: 200, rigid: 202, errorArcmin: 0.5 }] },
    } as unknown as Drive;
    expect(of(wave, 'stage-1.errorArcmin')).toMatchObject({ arcsec: 30, known: 'typed' });
    expect(toText(of(wave, 'stage-1.errorArcmin').turnsPerOutputTurn!)).toBe('200');
  });
  test('nothing before a Geneva reaches the output', () => {
    const d = cutter();
    const locked = {
      ...d,
      train: { ...d.train, stages: [...d.train.stages, { kind: 'geneva', slots: 8 }] },
    } as Drive;
    expect(termsOf(locked).filter((t) => t.kind === 'periodic' || t.kind === 'step')).toEqual([]);
  });
});

describe('budget', () => {
  test('that drive at 73 without its rounding: 94.52″; 64.85″ likely; the belt once round is not known', () => {
    const b = dividing(cutter(), 73);
    expect(b.worst + 0.584).toBeCloseTo(95.1, 1);
    expect(Math.hypot(b.likely, 0.584)).toBeCloseTo(64.85, 2);
    expect(b.unknown).toBe(2);
    expect(b.rows[0]!).toMatchObject({ out: 'oneSide', counted: 0, term: { cause: 'backlash' } });
  });
  test('approached from both sides half the lost motion counts', () => {
    const d = cutter();
    const both = { ...d, job: { ...d.job, approach: 'both' } } as Drive;
    expect(dividing(both, 73).worst - dividing(d, 73).worst).toBeCloseTo(229.18 / 2, 1);
  });
  test('one turn of the worm a tooth: its own error is gone, the wheel’s stays', () => {
    const b = dividing(cutter(), 45);
    expect(b.rows.filter((r) => r.out === 'cancels').map((r) => r.term.cause)).toEqual([
      'worm run-out',
      'driven pulley run-out',
      'microstep wave',
    ]);
  });
  test('largest allowed: tolerance 120″, wheel run-out 0.0309 mm; none when the others exceed it', () => {
    const drive = cutter();
    const rounding: ErrorTerm = {
      id: 'job.rounding',
      cause: 'rounding',
      stage: null,
      shaft: 2,
      kind: 'rounding',
      arcsec: 0.584,
      turnsPerOutputTurn: null,
      known: 'exact',
      value: null,
    };
    const b = (tolerance: number): Budget =>
      budget({ drive, terms: [...termsOf(drive), rounding], divisions: 73, toleranceArcsec: tolerance });
    expect(b(120).rows.find((r) => r.term.id === 'stage-2.drivenRunoutMm')!.mayBe).toBeCloseTo(0.0309, 4);
    expect(b(30).rows.find((r) => r.term.id === 'stage-2.drivenRunoutMm')!.mayBe).toBeNull();
  });
  test('an encoder behind the worm that the drive goes by leaves nothing before it', () => {
    const d: Drive = { ...cutter(), encoder: { lines: 600, decode: 4, shaft: 2, corrects: true } };
    expect(dividing(d, 73).worst).toBe(0);
    expect(dividing({ ...d, encoder: { ...d.encoder!, shaft: 1 } }, 73).worst).toBeCloseTo(2 * 45.84, 1);
  });
  test('a sprung wheel and a preload that exceeds friction and tool take backlash out; a weaker one does not', () => {
    const both = (load: object, stage: Partial<Stage> = {}): Drive => {
      const d = cutter(stage);
      return { ...d, job: { ...d.job, approach: 'both', load } };
    };
    const outs = (d: Drive): unknown => dividing(d, 73).rows.find((r) => r.term.cause === 'backlash')!.out;
    expect(outs(both({ frictionNm: 0.2, workNm: 1, preloadNm: 1.3 }))).toBe('preload');
    expect(outs(both({ frictionNm: 0.2, workNm: 1, preloadNm: 1.1 }))).toBeNull();
    expect(outs(both({}, { sprung: true }))).toBe('sprung');
  });

  const stage = fc.oneof(
    fc.record({
      kind: fc.constant('spur' as const),
      z1: fc.integer({ min: 8, max: 90 }),
      z2: fc.integer({ min: 8, max: 90 }),
      moduleMm: fc.option(fc.double({ min: 0.2, max: 3, noNaN: true }), { nil: undefined }),
      runoutMm: fc.option(fc.constantFrom(0, 0.004, 0.013, 0.3), { nil: undefined }),
    }),
    fc.record({
      kind: fc.constant('worm' as const),
      starts: fc.integer({ min: 1, max: 4 }),
      wheel: fc.integer({ min: 20, max: 180 }),
      moduleMm: fc.double({ min: 0.2, max: 3, noNaN: true }),
    }),
    fc.record({
      kind: fc.constant('strainWave' as const),
      flex: fc.constant(200),
      rigid: fc.constant(202),
      errorArcmin: fc.option(fc.double({ min: 0, max: 5, noNaN: true }), { nil: undefined }),
    }),
  );
  const drives = fc.array(stage, { minLength: 1, maxLength: 6 }).map((stages): Drive => {
    const d = cutter();
    return { ...d, train: { ...d.train, stages: stages.map((s) => JSON.parse(JSON.stringify(s)) as Stage) } };
  });
  test('an amplitude whose square is nothing still counts', () => {
    const terms = termsOf(cutter())
      .slice(0, 1)
      .map((t) => ({ ...t, kind: 'wave' as never, arcsec: 5e-324 }));
    const b = budget({ drive: cutter(), terms, divisions: 73, toleranceArcsec: null });
    expect([b.worst, b.likely]).toEqual([5e-324, 5e-324]);
  });
  test('500 random drives: sum ≥ root sum square ≥ largest; a cause removed never makes it larger', () => {
    let counted = 0;
    fc.assert(
      fc.property(drives, fc.integer({ min: 2, max: 400 }), fc.nat(30), (drive, D, drop) => {
        const terms = termsOf(drive);
        const b = budget({ drive, terms, divisions: D, toleranceArcsec: null });
        const largest = Math.max(0, ...b.rows.map((r) => r.counted ?? 0));
        const less = budget({
          drive,
          terms: terms.filter((_, i) => i !== drop % terms.length),
          divisions: D,
          toleranceArcsec: null,
        });
        counted++;
        return (
          b.worst >= b.likely * (1 - 1e-12) &&
          b.likely >= largest * (1 - 1e-12) &&
          less.worst <= b.worst * (1 + 1e-12) &&
          less.likely <= b.likely * (1 + 1e-12)
        );
      }),
      { numRuns: 500 },
    );
    expect(counted).toBeGreaterThanOrEqual(many(500));
  });
});

describe('which shafts cancel', () => {
  const drive = cutter();
  const parts = turningParts(drive, kinematicsOf(drive));
  const per = (D: number): string[] => parts.map((p) => toText(sampleOf(p, D).perPlace));
  test('belt 20:76, worm 1:90 at 38, 45 and 60', () => {
    expect(per(38)).toEqual(['9', '45/19', '1/38']);
    expect(per(45)).toEqual(['38/5', '2', '1/45']);
    expect(per(60)[1]).toBe('3/2');
    expect(sampleOf(parts[1]!, 60).places).toBe(2n);
  });
  test('a belt of 114 teeth comes round once a tooth of 60', () => {
    const d = cutter({ beltTeeth: 114 });
    const belt = turningParts(d, kinematicsOf(d)).find((p) => p.belt)!;
    expect(toText(belt.turns)).toBe('60');
    expect(sampleOf(belt, 60).places).toBe(1n);
  });
});

describe('what more ratio and finer microsteps bring', () => {
  const d = cutter({}, { holdingNm: 0.4, detentNm: 0.02 });
  test('more ratio no longer helps from 79 bought, 196 precise', () => {
    const at = (quality: 'bought' | 'precise'): number | null => {
      const q = cutter({ quality }, { holdingNm: 0.4, detentNm: 0.02 });
      return reachOf(q, kinematicsOf(q), termsOf(q))!.from;
    };
    expect(at('bought')).toBe(79);
    expect(at('precise')).toBe(196);
    const reach = reachOf(d, kinematicsOf(d), termsOf(d))!;
    expect(worstAt(reach, 342)).toBeCloseTo(dividing(d, 73).worst + 1296000 / 2 / 1094400, 6);
  });
  test('0.40 N·m against 0.03: moves after 4, reversed 7 at 1/64; 1 at 1/16; 13 at 1/256; dead band 309.7″', () => {
    const at = (mode: number) =>
      resolutionOf(
        { ...d, train: { ...d.train, source: { ...d.train.source, modes: [mode], mode } as never } },
        0.03,
      )!;
    expect(at(64)).toMatchObject({ first: 4, reversed: 7 });
    expect(at(16).first).toBe(1);
    expect(at(256).first).toBe(13);
    expect(at(16).deadBand).toBeCloseTo(309.7, 1);
    expect(resolutionOf(d, 0.5)).toMatchObject({ first: null, deadBand: Infinity });
  });
});

describe('where a term stands, and what it is for', () => {
  const geared: Drive = {
    ...cutter(),
    train: {
      ...cutter().train,
      source: {
        kind: 'encoderMotor',
        lines: 600,
        decode: 4,
        windowCounts: 3,
      } as never,
      output: { kind: 'screw', leadMm: '5', playMm: 0.02 } as never,
    },
  };
  test('the play of the output’s own nut stands on the last shaft', () => {
    const nut = termsOf(geared).find((t) => t.kind === 'lostMotion' && t.value?.field.of === 'output')!;
    expect([nut.shaft, nut.stage]).toEqual([2, null]);
    expect(nut.value!.amount).toBe(0.02);
  });
  test('a field of the motor is its own first', () => {
    const wave = of(cutter({}, { holdingNm: 0.4, detentNm: 0.02 }), 'motor.detentNm');
    expect(wave.value!.field).toEqual({ of: 'source', at: 0, key: 'detentNm' });
    const window = termsOf(geared).find((t) => t.kind === 'window')!;
    expect(window.value!.field).toEqual({ of: 'source', at: 0, key: 'windowCounts' });
  });
  test('setting by counts has a part in dividing, and none in following', () => {
    const terms = termsOf(geared);
    const window = terms.find((t) => t.kind === 'window')!;
    expect(window.arcsec).toBeGreaterThan(0);
    const kinds = (divisions: number | null) =>
      budget({ drive: geared, terms, divisions, toleranceArcsec: null }).rows.map((r) => r.term.kind);
    expect(kinds(60)).toContain('window');
    expect(kinds(null)).not.toContain('window');
    const sum = (divisions: number | null) =>
      budget({ drive: geared, terms: [window], divisions, toleranceArcsec: null }).worst;
    expect([sum(60), sum(null)]).toEqual([window.arcsec, 0]);
  });
});
