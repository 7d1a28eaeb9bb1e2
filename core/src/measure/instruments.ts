import { seeded } from '../simulate/index.ts';
import { normal } from './noise.ts';
import type { DivisionRecord } from './dividing.ts';
import type { DividedBy, DivisionShape } from './readings.ts';
import type { TrackingRecord } from './tracking.ts';

/** Stand-ins for instruments: records with faults that are known, so that reading them can be tried. One seed, one record. */

/** A following drive seen by a guide camera: waves and drift with noise, readings not quite even, some of them lost behind a cloud. */
export function trackingSample(asked: {
  readonly seed: number;
  readonly seconds: number;
  readonly every: number;
  readonly noise: number;
  readonly driftPerHour: number;
  readonly waves: readonly { readonly periodS: number; readonly arcsec: number }[];
}): TrackingRecord {
  const random = seeded(asked.seed);
  const noise = normal(random);
  const phases = asked.waves.map(() => 2 * Math.PI * random());
  const cloudAt = asked.seconds * (0.2 + 0.5 * random());
  const cloud = asked.seconds * 0.08;
  const times: number[] = [];
  const values: number[] = [];
  for (let i = 0; i * asked.every <= asked.seconds; i++) {
    const t = i * asked.every + asked.every * 0.2 * (random() - 0.5);
    let v = (asked.driftPerHour * t) / 3600 + asked.noise * noise();
    asked.waves.forEach((w, j) => (v += w.arcsec * Math.sin((2 * Math.PI * t) / w.periodS + phases[j]!)));
    if (t > cloudAt && t < cloudAt + cloud) continue;
    times.push(Math.max(0, t));
    values.push(v);
  }
  return { times: Float64Array.from(times), values: Float64Array.from(values) };
}

/** A divided wheel under a dial: one fault of a size, with noise. */
export function divisionSample(asked: {
  readonly seed: number;
  readonly divisions: number;
  readonly fault: DivisionShape;
  readonly arcsec: number;
  readonly noise: number;
  readonly by: DividedBy;
}): DivisionRecord {
  const { divisions: n, fault, arcsec, by } = asked;
  const random = seeded(asked.seed);
  const noise = normal(random);
  const phase = 2 * Math.PI * random();
  const tooth = 2 + Math.floor(random() * (n - 4));
  const coarse = by.coarser.at(-1) ?? 1;
  const shaft = by.shafts[Math.floor(random() * by.shafts.length)];
  const at = (i: number): number => {
    const wave = (turns: number): number => arcsec * Math.sin((2 * Math.PI * turns * i) / n + phase);
    switch (fault) {
      case 'repeated':
        return (arcsec * i) / n;
      case 'sawtooth': {
        const exact = (i * (by.stepsPerTurn ?? 0) * coarse) / n;
        return ((Math.round(exact) - exact) * 1_296_000) / ((by.stepsPerTurn ?? 1) * coarse);
      }
      case 'offCentre':
        return wave(1);
      case 'twice':
        return wave(2);
      case 'shaft':
        return wave(shaft?.turns ?? 3);
      case 'jump':
        return i >= tooth ? arcsec : 0;
      case 'oneGap':
        return i === tooth ? arcsec : 0;
      default:
        return 0;
    }
  };
  const series = (more: number): Float64Array =>
    Float64Array.from({ length: n }, (_, i) => at(i) + more + asked.noise * noise());
  return { errors: series(0), back: fault === 'lostMotion' ? series(arcsec) : null };
}
