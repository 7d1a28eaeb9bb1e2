import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  exactly,
  frac,
  mul,
  piValue,
  rational,
  sub,
  toNumber,
  toText,
  type Rational,
} from '../numbers/index.ts';
import { periodOf, rateName, type Timer, pixelScale } from '../drive/index.ts';
import {
  armError,
  armExceeds,
  armFor,
  angleOf,
  arcsecAnHour,
  axisRates,
  clockOff,
  corrections,
  intervals,
  longestExposure,
  onChip,
  path,
  pointingOf,
  polarDrift,
  ppm,
  secondsADay,
  STAR_RATE,
  speedAt,
  timingOf,
  travelOf,
  turningExposure,
  undrivenExposure,
  zenithCap,
  type TurningArm,
} from './index.ts';

const STARS = exactly('86164.0905');
const timing = (steps: number | string, hz: string, period = STARS, more: Partial<Timer> = {}) =>
  timingOf(piValue(exactly(String(steps))), period, { tickHz: hz, bits: 16, ...more });

describe('periods', () => {
  test.each<[Parameters<typeof periodOf>[0], string, string]>([
    [{ kind: 'stars' }, '172328181/2000', 'stars'],
    [{ kind: 'stars', half: true }, '172328181/1000', 'half stars'],
    [{ kind: 'sun' }, '86400', 'sun'],
    [{ kind: 'moon' }, '8942833/100', 'moon'],
    [{ kind: 'starsRefracted' }, '4320000000/50123', 'stars, mean refraction'],
    [{ kind: 'tide' }, '8942833/200', 'tide'],
    [{ kind: 'period', seconds: '43200', name: 'hour wheel' }, '43200', 'hour wheel'],
  ])('%j', (rate, period, name) => {
    expect([toText(periodOf(rate)), rateName(rate)]).toEqual([period, name]);
  });
});

describe('ticks between two steps', () => {
  test('stars with 11 059 200 steps on 2 MHz: fixed and spread', () => {
    const t = timing(11_059_200, '2000000');
    expect(toText(t.interval)).toBe('287213635/18432');
    expect(t.fixed!.ticks).toBe(15_582n);
    expect(ppm(t.fixed!.off)).toBeCloseTo(21.625, 3);
    expect(arcsecAnHour(t.fixed!.off, STARS)).toBeCloseTo(1.171, 3);
    expect(secondsADay(t.fixed!.off)).toBeCloseTo(1.868, 3);
    expect(t.spread).toEqual({ q: 15_582n, num: 6211n, den: 18_432n });
    expect(t.beside!.ticks).toBe(15_583n);
    expect(toNumber(t.stepsPerSecond)).toBeCloseTo(128.35045, 4);
    expect([t.fits, t.even]).toEqual([true, false]);
  });

  test.each<[number, string, string, Partial<Timer>, string, bigint, number, boolean]>([
    [11_059_200, '2000000', '86400', {}, '15625', 15_625n, 0, true],
    [1_094_400, '2000000', '86164.0905', {}, '287213635/1824', 157_464n, -2.44, false],
    [1_094_400, '250000', '86164.0905', {}, '287213635/14592', 19_683n, -2.441, true],
    [1_382_400, '250000', '86164.0905', { waits: 'ms' }, '57442727/921600', 62n, 5312, true],
  ])('N %i on %s Hz, %s s', (steps, hz, period, more, interval, ticks, off, fits) => {
    const t = timing(steps, hz, exactly(period), more);
    expect([toText(t.interval), t.fixed!.ticks, t.fits]).toEqual([interval, ticks, fits]);
    expect(Math.abs(ppm(t.fixed!.off) - off)).toBeLessThan(0.5);
  });

  test('a loop of milliseconds at the star rate runs ahead by 287.6″ in an hour', () => {
    const t = timing(1_382_400, '1', STARS, { waits: 'ms' });
    expect(arcsecAnHour(t.fixed!.off, STARS)).toBeCloseTo(287.6, 1);
  });

  test('what a step takes besides is taken off the wait, and the rate stays as wanted', () => {
    const t = timing(1_094_400, '250000', STARS, { waits: 'us', overheadUs: '12' });
    const bare = timing(1_094_400, '250000', STARS, { waits: 'us' });
    expect(toText(sub(bare.interval, t.interval))).toBe('12');
    expect(ppm(t.fixed!.off)).toBeCloseTo(ppm(bare.fixed!.off), 12);
  });

  test('too fast for the clock, and one tick too wide for the counter', () => {
    const fast = timing(1_000_000_000_000, '1000');
    expect([fast.fixed, fast.fits]).toEqual([null, false]);
    expect(timing(1, '65535.5', rational(1)).fits).toBe(false);
    expect(timing(1, '65534.5', rational(1)).fits).toBe(true);
    expect(timing(1, '65535', rational(1)).fits).toBe(true);
    expect(timing(1, '65535.4', rational(1), { how: 'fixed' }).fits).toBe(true);
  });

  test('a clock out by 5 000 ppm moves the stars by 270.7″ in an hour', () => {
    expect(arcsecAnHour(clockOff({ tickHz: '1', tolerancePpm: 5000 }), STARS)).toBeCloseTo(270.7, 1);
    expect(ppm(clockOff({ tickHz: '1' }))).toBe(0);
  });

  test('spread intervals sum to the exact time within one tick over any prefix, never early by more', () => {
    fc.assert(
      fc.property(
        fc.bigInt({ min: 1n, max: 10n ** 9n }),
        fc.bigInt({ min: 1n, max: 10n ** 6n }),
        fc.integer({ min: 1, max: 400 }),
        (n, d, count) => {
          const interval = rational(n, d);
          const part = frac(interval);
          const spread = { q: n / d, num: part.n, den: part.d };
          let sum = 0n;
          let i = 0n;
          for (const ticks of intervals(spread, count)) {
            sum += ticks;
            i++;
            const gap: Rational = sub(mul(interval, rational(i)), rational(sum));
            expect(toNumber(gap)).toBeGreaterThanOrEqual(0);
            expect(toNumber(gap)).toBeLessThan(1);
          }
          expect(i).toBe(BigInt(count));
        },
      ),
    );
  });

  test('after one whole pattern the spread is exactly right', () => {
    const { interval, spread } = timing(1_094_400, '250000');
    let sum = 0n;
    for (const ticks of intervals(spread, Number(spread.den))) sum += ticks;
    expect(toText(rational(sum))).toBe(toText(mul(interval, rational(spread.den))));
  });
});

describe('what the camera sees', () => {
  const scale = pixelScale(3.9, 135);
  test('scale, undriven, and a clock that is out', () => {
    expect(scale).toBeCloseTo(5.95876, 4);
    expect(undrivenExposure(1, scale, 20)).toBeCloseTo(0.4216, 4);
    expect(longestExposure(STAR_RATE * 0.005, 1, scale, 20)).toBeCloseTo(84.3, 1);
    expect(longestExposure(0, 1, scale, 0)).toBe(Infinity);
    expect(onChip(scale, scale, 60)).toBeCloseTo(0.5, 10);
  });
  test('a polar axis out by 10′ drifts by 0.04375″ a second at most', () => {
    expect(polarDrift(10)).toBeCloseTo(0.04375, 5);
  });
});

describe('two axes that are not polar', () => {
  test('on the meridian at 45°, latitude 50°', () => {
    const r = axisRates(50, { azimuthDeg: 180, altitudeDeg: 45 });
    expect([r.azimuth, r.altitude, r.turning].map((v) => v.toFixed(2))).toEqual(['21.19', '0.00', '-13.67']);
    expect(turningExposure(r.turning, 2000, 4)).toBeCloseTo(30, 0);
  });
  test('a star two hours before the meridian', () => {
    const at = pointingOf(50, -30, 20);
    expect([at.azimuthDeg.toFixed(3), at.altitudeDeg.toFixed(3)]).toEqual(['130.660', '51.730']);
    const r = axisRates(50, at);
    expect([r.azimuth, r.altitude, r.turning].map((v) => v.toFixed(3))).toEqual([
      '19.507',
      '7.334',
      '-10.171',
    ]);
  });
  test('the cap around the zenith', () => {
    expect(zenithCap(50, 60)).toBeCloseTo(11.28, 2);
    expect(zenithCap(50, 5)).toBe(90);
    const rim = axisRates(50, { azimuthDeg: 180, altitudeDeg: 90 - zenithCap(50, 60) });
    expect(rim.azimuth).toBeCloseTo(60, 6);
  });
  test('rates are the slopes of the path; it ends where the star sets', () => {
    const way = path(50, -30, 20, 4, 4001);
    const [a, b] = [way[1000]!, way[1001]!];
    const seconds = (b.hours - a.hours) * 3600;
    expect(((b.altitudeDeg - a.altitudeDeg) * 3600) / seconds).toBeCloseTo(a.altitude, 2);
    expect(((b.azimuthDeg - a.azimuthDeg) * 3600) / seconds).toBeCloseTo(a.azimuth, 2);
    expect(path(50, 90, -20, 4)).toEqual([]);
    expect(path(50, 0, -20, 12).at(-1)!.hours).toBeLessThan(5);
  });
});

describe('tangent arms', () => {
  const rate = (2 * Math.PI) / 86_164.0905;
  const arm = (kind: TurningArm['kind']): TurningArm => ({
    kind,
    radiusMm: armFor(1, 1 / 60, rate),
    leadMm: 1,
    turnsPerSecond: 1 / 60,
    rate,
  });
  test('1 mm at 1 rpm wants 228.557 mm; what is left after half an hour', () => {
    expect(armFor(1, 1 / 60, rate)).toBeCloseTo(228.557, 3);
    expect((angleOf('isosceles', 228.557, 30) * 180) / Math.PI).toBeCloseTo(7.52594, 4);
    expect(armError(arm('isosceles'), 1800)).toBeCloseTo(19.47, 2);
    expect(armError(arm('straight'), 1800)).toBeCloseTo(-153.89, 1);
    expect(armError(arm('curved'), 1800)).toBeCloseTo(0, 6);
  });
  test('when the error passes 20″', () => {
    expect(armExceeds(arm('isosceles'), 20, 7200)! / 60).toBeCloseTo(30.27, 2);
    expect(armExceeds(arm('straight'), 20, 7200)! / 60).toBeCloseTo(15.16, 2);
    expect(armExceeds(arm('curved'), 20, 7200)).toBeNull();
  });
  test.each(['straight', 'isosceles', 'curved'] as const)(
    '%s: travel and angle undo each other, speed is the slope',
    (kind) => {
      for (const angle of [0.01, 0.2, 0.5]) {
        expect(angleOf(kind, 200, travelOf(kind, 200, angle))).toBeCloseTo(angle, 10);
        const slope = (travelOf(kind, 200, angle + 1e-6) - travelOf(kind, 200, angle - 1e-6)) / 2e-6 / 200;
        expect(slope).toBeCloseTo(speedAt(kind, angle), 5);
      }
    },
  );
  test.each(['straight', 'isosceles'] as const)(
    '%s: a table of one speed a minute leaves less than 0.3″',
    (kind) => {
      const table = corrections(arm(kind), 60, 3600);
      expect(table).toHaveLength(60);
      expect(Math.max(...table.map((c) => Math.abs(c.leftArcsec)))).toBeLessThan(0.3);
      const turns = table.reduce((n, c) => n + c.turnsPerSecond * 60, 0);
      expect(turns).toBeCloseTo(travelOf(kind, armFor(1, 1 / 60, rate), rate * 3600), 6);
    },
  );
});
