import type { Drive } from '../../drive/index.ts';
import { simulateTracking } from '../../simulate/index.ts';
import { EVERY, trackingPicture, type TrackingPicture } from './tracking.ts';
import { following } from './model.ts';
import {
  framesPicture,
  ripplePicture,
  wheelPicture,
  type FramesPicture,
  type RipplePicture,
  type WheelPicture,
} from './turning.ts';

/** A picture of what a drive would make. */
export type ResultPicture = TrackingPicture | WheelPicture | RipplePicture | FramesPicture;

/**
 * The picture under a key, simulated. Gives way with how far it has come, from 0 to 1; null where there is nothing to picture. Pure: the
 * same drive, key and seed give the same bytes. (handbook: errors, simulation)
 */
export function* pictureOf(
  drive: Drive,
  key: string,
  seed: number,
): Generator<number, ResultPicture | null, boolean | undefined> {
  const [kind, rest = ''] = key.split('.');
  const n = Number(rest);
  switch (kind) {
    case 'track':
      return yield* trackingPicture(drive, seed);
    case 'divide':
      return wheelPicture(drive, n, seed);
    case 'spin':
      return ripplePicture(drive, n, seed);
    case 'sweep':
      return framesPicture(drive, n, seed);
    default:
      return null;
  }
}

/** The record of following the first rate: ″ at each sample; null while nothing is followed. */
export function* trackingRecord(
  drive: Drive,
  seed: number,
  seconds: number,
  stepSeconds = EVERY,
): Generator<number, Float64Array | null, boolean | undefined> {
  const of = following(drive, seed);
  return of && (yield* simulateTracking({ ...of.tracked, seconds, stepSeconds }));
}

/** The rows of a picture's data, with a head that names the units. */
export function pictureTable(
  p: ResultPicture,
  part?: 'shares',
): {
  readonly head: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
} {
  const short = (v: number): number => Number(v.toPrecision(9));
  switch (p.kind) {
    case 'track':
      return part === 'shares'
        ? {
            head: ['exposure (s)', 'share that stays round', 'worst start (s)', 'worst motion (″)'],
            rows: p.shares.map((s) => [s.seconds, short(s.share), short(s.worstStart), short(s.worst)]),
          }
        : { head: ['time_s', 'error_arcsec'], rows: p.record.map(([t, e]) => [short(t), short(e)]) };
    case 'divide':
      return { head: ['index', 'error_arcsec'], rows: p.errors.map((e, i) => [i, short(e)]) };
    case 'spin':
      return {
        head: ['turn', 'speed (%)'],
        rows: p.curve.map((v, i) => [short(i / p.curve.length), short(v)]),
      };
    case 'sweep':
      return {
        head: ['frame', `wanted (${p.unit})`, `off (${p.unit})`],
        rows: p.frames.map((f, i) => [i + 1, short(f.ideal), short(f.off)]),
      };
  }
}
