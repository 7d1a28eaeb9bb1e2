import { expect, test } from '@jest/globals';
import { many } from '../../testing/many.ts';
import fc from 'fast-check';
import { newDrive, type Drive, type Stage } from '../../drive/index.ts';
import { wavesOf } from '../../errors/index.ts';
import { report } from '../report.ts';
import { shares } from '../../simulate/index.ts';
import { following } from './model.ts';

const EVERY = 0.1;

/** The record of following with every wave at the start that moves most within an exposure, sampled like the picture; ″ of the axis. */
function record(d: Drive, seconds: number, exposure: number): Float64Array {
  const { tracked } = following(d, 1)!;
  // from its fastest forward, or backward where it has come round more than once by then
  const waves = wavesOf(tracked.rows, tracked.turnSeconds).map((w) => ({
    ...w,
    arcsec: w.arcsec * (Math.sin((Math.PI * exposure) / w.periodSeconds) < 0 ? -1 : 1),
  }));
  const step = tracked.steps!;
  const micro = step.perTurn * step.mode;
  const full = tracked.rows.find((r) => r.term.kind === 'step')?.counted ?? 0;
  return Float64Array.from({ length: Math.round(seconds / EVERY) }, (_, i) => {
    const t = i * EVERY - seconds / 2;
    const exact = t / tracked.turnSeconds;
    const turns = Math.round(exact * micro) / micro;
    const error = waves.reduce(
      (n, w) => n + w.arcsec * Math.sin((2 * Math.PI * turns * tracked.turnSeconds) / w.periodSeconds),
      0,
    );
    // full steps stand off to and fro, which is the worst that they can
    const at = turns * step.perTurn;
    const part = at - Math.floor(at);
    const off = (n: number): number => (n % 2 === 0 ? -full : full);
    return (
      error +
      off(Math.floor(at)) * (1 - part) +
      off(Math.floor(at) + 1) * part +
      (turns - exact) * 1_296_000 +
      tracked.driftArcsecPerSecond * t
    );
  });
}

/** What moves within each of these lengths of exposure from its worst start, ″. */
function worstIn(values: Float64Array, exposures: readonly number[]): readonly number[] {
  const search = shares({ values, stepSeconds: EVERY, exposures, allowed: 1, acrossPerSecond: 0 });
  let at = search.next();
  while (!at.done) at = search.next();
  return at.value.map((w) => w.worst);
}

test('the longest exposure is the simulated record’s first failing length within a tenth, 50 random drives', () => {
  const drives = fc.record({
    wheel: fc.integer({ min: 180, max: 360 }),
    belt: fc.integer({ min: 40, max: 80 }),
    mode: fc.constantFrom(32, 64),
    runoutMm: fc.double({ min: 0.002, max: 0.03, noNaN: true }),
    clockPpm: fc.integer({ min: 20, max: 3000 }),
    focalMm: fc.integer({ min: 35, max: 120 }),
    trailPx: fc.constantFrom(2, 3),
  });
  let judged = 0;
  fc.assert(
    fc.property(drives, ({ wheel, belt, mode, runoutMm, clockPpm, focalMm, trailPx }) => {
      const d: Drive = {
        ...newDrive('seen'),
        job: {
          divisions: '',
          rates: [{ kind: 'stars' }],
          camera: { focalMm, pixelUm: 3.9, exposureSeconds: 60, trailPx },
        },
        timer: { tickHz: '16000000', bits: 32, tolerancePpm: clockPpm },
        train: {
          source: {
            kind: 'stepper',
            fullSteps: 200,
            modes: [1, mode],
            mode,
            holdingNm: 0.4,
            detentNm: 0.004,
          },
          stages: [
            { kind: 'belt', z1: 20, z2: belt, pitchMm: 2, runoutMm, beltErrorMm: 0 },
            { kind: 'worm', starts: 1, wheel, moduleMm: 1, runoutMm },
          ] as readonly Stage[],
          output: { kind: 'rotary' },
        },
      };
      const figure = report(d)
        .duties.one('camera')!
        .lines.find((l) => l.figure.key === 'camera.longest')!.figure;
      const longest = Number(figure.value);
      // what never fails within ten minutes, or at once, is no length to compare
      fc.pre(Number.isFinite(longest) && longest > 3 && longest < 300);
      const allowed = ((206.264806 * 3.9) / focalMm) * trailPx;
      const [early, late] = [longest * 0.9, longest * 1.1];
      const within = (exposure: number): number =>
        worstIn(record(d, 2.5 * longest + 2, exposure), [exposure])[0]!;
      const [before, after] = [within(early), Math.max(within(longest), within(late))];
      judged++;
      expect([wheel, belt, before <= allowed, after > allowed]).toEqual([wheel, belt, true, true]);
    }),
    { numRuns: 50 },
  );
  expect(judged).toBeGreaterThanOrEqual(many(50));
});
