import { knownModule, moduleOf, type Stage } from '../drive/index.ts';
import { RAD } from './involute.ts';

/** A worm as it is turned; mm and degrees. (handbook: make, the worm itself) */
export interface WormSizes {
  readonly pitchMm: number;
  readonly outsideMm: number;
  readonly rootMm: number;
  /** one turn of its thread along the axis */
  readonly leadMm: number;
  /** by which the wheel's gashes are swivelled */
  readonly leadDeg: number;
  readonly lengthMm: number;
  /** of its axis from the wheel's */
  readonly distanceMm: number;
  /** nobody gave the module */
  readonly assumed: boolean;
}

/** Pitch diameter over module, unless the worm's diameter is given. */
const USUAL_Q = 18;

/** The worm of a stage; null for any other kind. */
export function wormOf(stage: Stage): WormSizes | null {
  if (stage.kind !== 'worm') return null;
  const m = moduleOf(stage).mm;
  const pitchMm = stage.wormDiameterMm ?? USUAL_Q * m;
  const { starts, wheel } = stage;
  return {
    pitchMm,
    outsideMm: pitchMm + 2 * m,
    rootMm: pitchMm - 2.4 * m,
    leadMm: starts * Math.PI * m,
    leadDeg: Math.atan((starts * m) / pitchMm) / RAD,
    lengthMm: (4.5 + wheel / 50) * Math.PI * m,
    distanceMm: (pitchMm + m * wheel) / 2,
    assumed: knownModule(stage) === null,
  };
}
