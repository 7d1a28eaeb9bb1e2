import { dataOf } from '../drive/index.ts';
import { exactly, parseRational, toNumber, type Rational } from '../numbers/index.ts';
import { kindOf, type Shape, type Stage } from '../drive/index.ts';
import { meshesOf, plainDistance, wormOf } from '../teeth/index.ts';

/** How far apart a stage wants its two arbors. (handbook: drive, arbors and centre distances) */
export type Distance =
  /** mm; exact where modules and teeth give it */
  | { readonly is: 'mesh'; readonly mm: number; readonly exact: Rational | null; readonly held: boolean }
  /** both on one axis: a planetary set, a box */
  | { readonly is: 'coaxial' }
  /** a belt of any length: `mm` is what it is drawn at until its length is known */
  | { readonly is: 'free'; readonly mm: number }
  /** a worm's wheel stands at right angles to it, `mm` from its axis */
  | { readonly is: 'crossed'; readonly mm: number };

const asRational = (mm: number): Rational | null => parseRational(String(mm));

/** Length of an open belt around two pulleys, mm. */
function beltLength(r1: number, r2: number, centre: number): number {
  const a = Math.asin(Math.min(1, Math.abs(r2 - r1) / centre));
  return 2 * centre * Math.cos(a) + Math.PI * (r1 + r2) + 2 * a * Math.abs(r2 - r1);
}

/** The centre distance that a belt of so many mm runs at; null where it is too short for its pulleys. (handbook: make, belts) */
export function beltCentre(length: number, d1: number, d2: number): number | null {
  const [r1, r2] = [d1 / 2, d2 / 2];
  let [low, high] = [Math.max(Math.abs(r2 - r1), 1e-6), Math.max(length, 1)];
  if (beltLength(r1, r2, low) > length) return null;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (beltLength(r1, r2, middle) < length) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Clear of one another by half as much again: how a belt of unknown length is drawn. */
const FREE = 1.4;

export function distanceOf(stage: Stage): Distance {
  const shape: Shape = kindOf(stage).shape(stage);
  const held = stage.distanceMm === undefined ? null : exactly(stage.distanceMm);
  if (held && (shape.form === 'mesh' || shape.form === 'belt' || shape.form === 'geneva'))
    return { is: 'mesh', mm: toNumber(held), exact: held, held: true };
  switch (shape.form) {
    case 'mesh': {
      // wheels with teeth stand where their teeth want them; what only rolls stands rim on rim
      const [first] = meshesOf(stage);
      if (first)
        return {
          is: 'mesh',
          mm: first.mesh?.distanceMm ?? plainDistance(first.a.gear!, first.b.gear!),
          exact: first.exact,
          held: false,
        };
      const [a, b] = [shape.driver.pitchMm / 2, shape.driven.pitchMm / 2];
      return { is: 'mesh', mm: shape.inner ? Math.abs(b - a) : a + b, exact: null, held: false };
    }
    case 'belt': {
      const { beltTeeth, pitchMm } = dataOf(stage);
      const [d1, d2] = [shape.driver.pitchMm, shape.driven.pitchMm];
      const length = Number(beltTeeth) * Number(pitchMm ?? 2);
      const centre = length > 0 ? beltCentre(length, d1, d2) : null;
      return centre === null
        ? { is: 'free', mm: ((d1 + d2) / 2) * FREE }
        : { is: 'mesh', mm: centre, exact: null, held: false };
    }
    case 'worm':
      return { is: 'crossed', mm: wormOf(stage)?.distanceMm ?? (shape.wormMm + shape.wheel.pitchMm) / 2 };
    case 'geneva':
      return { is: 'mesh', mm: shape.centreMm, exact: asRational(shape.centreMm), held: false };
    default:
      return { is: 'coaxial' };
  }
}

/** What the teeth of a pair want when nothing holds it elsewhere, mm; null where there are none. */
export function ownDistance(stage: Stage): number | null {
  const { distanceMm: _, ...free } = stage;
  const distance = distanceOf(free);
  return distance.is === 'mesh' ? distance.mm : null;
}
