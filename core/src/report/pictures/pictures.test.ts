import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newDrive, pathOf, type Drive } from '../../drive/index.ts';
import { wheelCutter } from '../../testing/samples.ts';
import { report } from '../report.ts';
import { pictureCharts, pictureMessage } from './charts.ts';
import { pictureOf, pictureTable, trackingRecord, type ResultPicture } from './pictures.ts';
import type { TrackingPicture } from './tracking.ts';

const end = <T>(run: Generator<number, T, boolean | undefined>): T => {
  for (;;) {
    const r = run.next();
    if (r.done) return r.value;
  }
};
const made = <K extends ResultPicture['kind']>(d: Drive, key: string, kind: K, seed = 7) => {
  const p = end(pictureOf(d, key, seed));
  expect(p?.kind).toBe(kind);
  return p as Extract<ResultPicture, { kind: K }>;
};

/** A cradle whose worm alone errs: 1:144 of module 0.8, followed by a crystal. */
const cradle = (wormMm: number, more: Partial<Drive['job']> = {}): Drive => ({
  ...newDrive('cradle'),
  job: {
    divisions: '',
    rates: [{ kind: 'stars' }],
    camera: { focalMm: 135, pixelUm: 3.9, trailPx: 1 },
    ...more,
  },
  train: {
    source: { kind: 'stepper', fullSteps: 400, modes: [64], mode: 64 },
    stages: [
      { kind: 'belt', z1: 20, z2: 600, pitchMm: 2, runoutMm: 0 },
      {
        kind: 'worm',
        starts: 1,
        wheel: 144,
        moduleMm: 0.8,
        driverRunoutMm: wormMm,
        drivenRunoutMm: 0,
      } as never,
    ],
    output: { kind: 'rotary' },
  },
  timer: { tickHz: '2000000', bits: 16 },
});
const tracked = (d: Drive, seed = 7): TrackingPicture => made(d, 'track', 'track', seed);
/** 10″ at the wheel: (w/2)/ρ with ρ = 144·0.8/2 mm */
const TEN = (10 / 206_264.80625) * 57.6 * 2;

describe('following', () => {
  const p = tracked(cradle(TEN));
  const at = (seconds: number, of = p): number => of.shares.find((s) => s.seconds === seconds)!.share;
  test('10″ in 598.36 s seen by 5.95876″ a pixel: the shares of the handbook', () => {
    expect(p.camera).toMatchObject({ allowed: p.camera!.scale });
    expect(p.camera!.scale).toBeCloseTo(5.95876, 5);
    expect(at(30)).toBeGreaterThan(0.99);
    // full steps that are off, ±0.04″, blur the edge a little
    expect(Math.abs(at(60) - 0.823)).toBeLessThan(0.02);
    expect(Math.abs(at(120) - 0.334)).toBeLessThan(0.02);
    expect(p.message).toMatch(/^At 1 min, 8\d % stay round/);
  });
  test('the record gives the worm back within 2 %, and is 2A from least to greatest', () => {
    const [worm] = p.waves;
    expect(worm).toMatchObject({ title: 'worm run-out' });
    expect(worm!.arcsec).toBeCloseTo(10, 6);
    expect(worm!.periodSeconds).toBeCloseTo(598.36, 2);
    expect(worm!.found! / 10).toBeCloseTo(1, 1.7);
    expect(p.peakToPeak).toBeGreaterThan(19.8);
    expect(p.peakToPeak).toBeLessThan(21.5);
  });
  test('four exposures from their worst start, each longer than the one before', () => {
    expect(p.stars.map((s) => [s.seconds, s.place])).toEqual([
      [30, 'middle'],
      [60, 'middle'],
      [120, 'middle'],
      [300, 'middle'],
    ]);
    for (let i = 1; i < 4; i++) expect(p.stars[i]!.px).toBeGreaterThan(p.stars[i - 1]!.px);
    expect(p.stars[0]!.graded.word).toBe('Round');
    expect(p.stars[3]!.graded.word).toMatch(/^Misses by/);
  });
  test('one seed, one picture, byte for byte; another, another', () => {
    expect(tracked(cradle(TEN))).toEqual(p);
    expect(tracked(cradle(TEN), 8).stars[2]!.field.pixels).not.toEqual(p.stars[2]!.field.pixels);
  });
  test('a truer worm: from a third of the starts to nearly all at 120 s', () => {
    expect(at(120, tracked(cradle(TEN / 4)))).toBeGreaterThan(0.95);
  });
  test('a mirror at half the rate sees it doubled', () => {
    const half = tracked(cradle(TEN, { rates: [{ kind: 'stars', half: true }] }));
    expect(half.camera!.seen).toBe(2);
    expect(at(60, half)).toBeLessThan(at(60));
  });
  test('two axes turn the field: corners trail, the middle does not follow', () => {
    const altAz = { latitudeDeg: 50, hourAngleDeg: 0, declinationDeg: 30, hours: 1, cornerPx: 2000 };
    const two = tracked(cradle(0.0001, { altAz }));
    const [middle, corner] = two.stars.filter((s) => s.seconds === 300);
    expect([middle!.place, corner!.place]).toEqual(['middle', 'corner']);
    expect(corner!.px).toBeGreaterThan(5 * middle!.px);
  });
  test('without a camera the record alone; without a rate nothing, and the timer only adds its share', () => {
    const none = tracked(cradle(TEN, { camera: undefined as never }));
    expect([none.stars, none.shares, none.camera]).toEqual([[], [], null]);
    expect(none.message).toContain('which camera');
    expect(end(pictureOf(cradle(TEN, { rates: [] }), 'track', 7))).toBeNull();
    expect(end(trackingRecord({ ...cradle(TEN), timer: undefined as never }, 7, 10))).not.toBeNull();
  });
  test('stopped half way it gives what it has', () => {
    const run = pictureOf(cradle(TEN), 'track', 7);
    expect(run.next().value).toBeGreaterThan(0);
    const record = trackingRecord(cradle(TEN), 7, 10_000, 0.1);
    record.next();
    const stopped = record.next(true);
    expect(stopped.done && stopped.value!.length).toBeLessThan(100_000);
  });
});

describe('a wheel, a turn, a slide', () => {
  test('a wheel has an error a gap; what cancels is not in it', () => {
    const d = wheelCutter('45, 73');
    const of = (n: number): number[] => [...made(d, `divide.${n}`, 'divide').errors];
    expect(of(73)).toHaveLength(73);
    const wheel = made(d, 'divide.73', 'divide');
    expect(Math.abs(wheel.farthest.arcsec)).toBe(Math.max(...of(73).map(Math.abs)));
    expect(of(73)[wheel.widest.at % 73]! - of(73)[wheel.widest.at - 1]!).toBe(wheel.widest.arcsec);
    expect(wheel.narrowest.arcsec).toBeLessThan(wheel.widest.arcsec);
    // 45: the worm stands alike at every tooth, so the wheel's once-a-turn wave is what is left
    const spread = (list: number[]): number => Math.max(...list) - Math.min(...list);
    expect(spread(of(45))).toBeLessThan(spread(of(73)));
    expect(
      end(
        pictureOf(
          { ...d, train: { ...d.train, source: { kind: 'synchronous', hz: '50', poles: 4 } as never } },
          'divide.73',
          7,
        ),
      ),
    ).toBeNull();
  });
  test('a turntable wavers as its shafts do', () => {
    const p = made(wheelCutter('', { spins: [{ minRpm: '1', maxRpm: '2' }] }), 'spin.0', 'spin');
    // worm 45.84″ 90 times a turn and the wheel once: 100·A·n/206 265
    expect(p.peakToPeak).toBeGreaterThan(2 * 2);
    expect(p.peakToPeak).toBeLessThan(2 * 2.1);
    expect(p.message).toContain('% more');
  });
  test('frames of a slide: off by the nut and half a microstep at most', () => {
    const d: Drive = {
      ...newDrive('slide'),
      job: { divisions: '', sweeps: [{ from: '0', to: '480', unit: 'mm', frames: 49, easing: 'linear' }] },
      train: {
        source: { kind: 'stepper', fullSteps: 200, modes: [16], mode: 16 },
        stages: [],
        output: { kind: 'screw', leadMm: '4' } as never,
      },
    };
    const p = made(d, 'sweep.0', 'sweep');
    expect(p.frames).toHaveLength(49);
    expect(p.frames[0]!.off).toBe(0);
    expect(p.frames.at(-1)!.ideal).toBe(480);
    // ½ microstep 0.625 µm and a full step's ±5 % 1 µm, from the first place as from the last
    for (const f of p.frames) expect(Math.abs(f.off)).toBeLessThan(2 * (0.000_625 + 0.001) + 1e-9);
  });
  test('what there is to picture, and a key that is not there', () => {
    const d = wheelCutter('60, 73', { spins: [{ minRpm: '1', maxRpm: '2' }] });
    expect(report(d).judged.pictures.map((c) => c.key)).toEqual(['divide.60', 'divide.73', 'spin.0']);
    for (const key of ['', 'x', 'spin.4', 'sweep.0', 'divide.nought'])
      expect(end(pictureOf(d, key, 7))).toBeNull();
  });
  test.each(['track', 'divide.73', 'spin.0', 'sweep.0'])('%s has charts, words and a table', (key) => {
    const d: Drive = {
      ...wheelCutter('73', {
        rates: [{ kind: 'stars' }],
        camera: { focalMm: 135, pixelUm: 3.9 },
        spins: [{ minRpm: '1', maxRpm: '2' }],
        sweeps: [{ from: '0', to: '90', unit: 'deg', frames: 9, easing: 'cosine' }],
      }),
      timer: { tickHz: '1000000', bits: 32 },
    };
    const p = end(pictureOf(d, key, 7))!;
    for (const c of pictureCharts(p)) {
      expect(c.message.length).toBeGreaterThan(10);
      expect(c.series[0]!.points.every(([x, y]) => Number.isFinite(x) && Number.isFinite(y))).toBe(true);
    }
    expect(pictureMessage(p).strong.length).toBeGreaterThan(5);
    const { head, rows } = pictureTable(p);
    expect(rows.length).toBeGreaterThan(8);
    expect(rows.every((r) => r.length === head.length && r.every((c) => Number.isFinite(Number(c))))).toBe(
      true,
    );
    if (p.kind === 'track') expect(pictureTable(p, 'shares').rows).toHaveLength(600);
  });
});

describe('a branch', () => {
  const stage = fc.oneof(
    fc.record({
      kind: fc.constant('spur' as const),
      z1: fc.integer({ min: 12, max: 40 }),
      z2: fc.integer({ min: 12, max: 90 }),
      moduleMm: fc.constantFrom(0.5, 1),
      quality: fc.constantFrom('bought' as const, 'precise' as const, 'printed' as const),
    }),
    fc.record({
      kind: fc.constant('belt' as const),
      z1: fc.integer({ min: 12, max: 40 }),
      z2: fc.integer({ min: 12, max: 90 }),
      pitchMm: fc.constantFrom(2, 3),
    }),
    fc.record({
      kind: fc.constant('worm' as const),
      starts: fc.constant(1),
      wheel: fc.integer({ min: 20, max: 120 }),
      moduleMm: fc.constantFrom(0.8, 1),
      playMm: fc.constantFrom(0.01, 0.05),
    }),
  );
  test('has the budget of the same chain alone, wherever it leaves the trunk: 200 random drives', () => {
    fc.assert(
      fc.property(fc.array(stage, { minLength: 1, maxLength: 5 }), fc.nat(5), (stages, cut) => {
        const at = cut % (stages.length + 1);
        const job = { toleranceArcsec: '30', divisions: '60, 73' };
        const base = wheelCutter('', { toleranceArcsec: '30' });
        const alone: Drive = { ...base, job, train: { ...base.train, stages } };
        const tree = {
          ...base,
          train: { ...base.train, stages: stages.slice(0, at) },
          others: [
            {
              name: 'Second',
              from: { train: 'Train 1', shaft: at },
              stages: stages.slice(at),
              output: { kind: 'rotary' },
              job: { divisions: '60, 73' },
            },
          ],
        } as unknown as Drive;
        const path = pathOf(tree, 1).drive;
        const sums = (d: Drive) =>
          report(d).judged.errors.budgets.all.map((b) => [
            b.key,
            b.budget.worst,
            b.budget.likely,
            b.budget.unknown,
          ]);
        expect(path.train.stages).toEqual(stages);
        expect(sums(path)).toEqual(sums(alone));
        expect(sums(path)).toHaveLength(2);
      }),
      { numRuns: 200 },
    );
  });
});
