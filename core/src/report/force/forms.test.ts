import { describe, expect, test } from '@jest/globals';
import { applyEdit, type Drive } from '../../drive/index.ts';
import { wheelCutter } from '../../testing/samples.ts';
import { report } from '../report.ts';
import type { BenchForm } from './bench-form.ts';
import { measuredOf } from '../later-sections.ts';

const loaded: Drive = (() => {
  const d = wheelCutter('73', { load: { workNm: 1, speedRpm: '1' } });
  const source = { ...d.train.source, holdingNm: 0.32, currentA: 1.5, inductanceMh: 3.2, supplyV: 24 };
  return { ...d, train: { ...d.train, source: source } };
})();
const form = (id: string, d = loaded): BenchForm => measuredOf(report(d)).load.find((f) => f.id === id)!;

/** The drive after what a form gives is taken. */
const taken = (id: string, values: Record<string, number>): Drive =>
  form(id)
    .answer(values)!
    .edits.reduce<Drive>((d, e) => {
      const made = applyEdit(d, e);
      expect(made.ok).toBe(true);
      return made.ok ? made.value : d;
    }, loaded);

describe('forms of a minute', () => {
  test('a pull test writes the friction, and that it was measured', () => {
    const after = taken('pull', { forth: 9, back: 5, radius: 120 });
    expect(after.job.load).toMatchObject({ frictionNm: 0.84, measured: 'frictionNm' });
    expect(form('pull').answer({ forth: 9, back: 5, radius: 120 })!.text).toBe(
      'friction 0.84 N·m, out of balance 0.24 N·m',
    );
  });
  test('a push test writes stiffness and backlash of the last stage', () => {
    const after = taken('push', { t1: 0.4, s1: 380, t2: 1.2, s2: 620 });
    const stage = after.train.stages.at(-1)!;
    expect(stage.stiffnessNmPerRad).toBe(1380);
    expect(stage.playArcmin).toBeCloseTo(260 / 60, 2);
    expect(stage.measured).toBe('stiffnessNmPerRad, playArcmin');
    const terms = report(after).judged.errors.budgets.terms();
    expect(terms.find((t) => t.kind === 'lostMotion' && t.stage === 1)?.known).toBe('measured');
  });
  test('a push that moves it no further is no answer', () =>
    expect(form('push').answer({ t1: 0.4, s1: 380, t2: 1.2, s2: 300 })).toBeNull());
  test('a rough speed becomes the measured band', () => {
    const after = taken('rough', { rate: 260 });
    expect(after.train.source).toMatchObject({ resonanceStepRate: 260, measured: 'resonanceStepRate' });
    expect(form('rough').answer({ rate: 260 })!.text).toContain('6.00e-6 kg·m²');
  });
  test('the cut against the clamp: 33.6 N, 1.01 N·m, and whether it creeps', () => {
    const says = (clamp: number): string =>
      form('cut').answer({ k: 700, width: 1.6, chip: 0.03, radius: 30, clamp })!.text;
    expect(says(2)).toMatch(/^33\.6 N, 1\.01 N·m: the clamp has 1\.98×, it holds/);
    expect(says(0.5)).toContain('the work creeps');
    expect(taken('cut', { k: 700, width: 1.6, chip: 0.03, radius: 30, clamp: 2 }).job.load?.workNm).toBe(
      1.01,
    );
  });
  test('a cord: 0.150 to 0.291 N·m, too little against 1 N·m; its turns go into the limits', () => {
    const values = { start: 10, drum: 30, stiff: 0.05, turns: 2 };
    expect(form('preload').answer(values)!.text).toMatch(
      /^0\.150 to 0\.291 N·m, 188 mm of cord; too little: friction and load want 1\.00 N·m; the motor can spare/,
    );
    const after = taken('preload', values);
    expect(after.job.load?.preloadNm).toBe(0.15);
    expect(after.train.limits).toMatchObject({ back: '0', forth: '2', why: 'the preload cord' });
  });
  test('a rod: 256.5″ at its end', () =>
    expect(form('flexure').answer({ force: 10, length: 100, diameter: 8, young: 200 })!.text).toContain(
      '4.27′',
    ));
  test('only what the drive has a use for', () => {
    const ids = (d: Drive): string[] => measuredOf(report(d)).load.map((f) => f.id);
    expect(ids(loaded)).toEqual(['pull', 'push', 'rough', 'cut', 'window', 'preload', 'flexure']);
    const slide = { ...loaded, train: { ...loaded.train, output: { kind: 'screw', leadMm: '4' } as never } };
    expect(ids(slide)).toEqual(expect.arrayContaining(['returns', 'cord', 'rails']));
    const dc: Drive = {
      ...loaded,
      train: { ...loaded.train, source: { kind: 'encoderMotor', lines: 600, decode: 4 } as never },
    };
    expect(ids(dc)).toContain('stall');
    expect(
      measuredOf(report(dc))
        .load.find((f) => f.id === 'stall')!
        .answer({ pull: 9, arm: 50 })!.text,
    ).toBe('stalls at 0.45 N·m');
  });
});
