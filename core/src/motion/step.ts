import { compare, piToNumber, toNumber, type Rational } from '../numbers/index.ts';
import { doubtFrom, doubtOf, type Doubt } from './doubt.ts';
import { countsPerTurn, sourceKindOf, type Drive, type Kinematics } from '../drive/index.ts';

/** What lets the work stop there: a step of the motor, a mark of a dial, a count of an encoder, a hole of a plate, a rest of a wheel that locks. */
export type StopBy = 'step' | 'mark' | 'count' | 'hole' | 'rest';

/** What of a drive says by what its work stops: its train, and the encoder that it goes by. */
export type Steered = Pick<Drive, 'train' | 'encoder'>;

/**
 * Counts a turn of the work of an encoder that corrects what stands before it: it is what is divided by then. null without one, behind a
 * wheel that locks, and where the motor is coarser than one count and so decides itself. (handbook: run, an encoder that corrects)
 */
export function steeredCounts({ encoder }: Steered, k: Kinematics): Rational | null {
  if (!encoder?.corrects || k.lock || k.hinge) return null;
  const counts = countsPerTurn(k, encoder);
  return counts && (k.stepsPerTurn === null || compare(k.stepsPerTurn, counts) >= 0) ? counts : null;
}

/** How sure a place of the work is: what stands before an encoder that corrects does not come into it. */
export const doubtOfStops = (drive: Steered, k: Kinematics): Doubt =>
  steeredCounts(drive, k) ? doubtFrom(k, drive.encoder!.shaft) : doubtOf(k);

/** ″ of a turn. */
const TURN = 1_296_000;

/** One step at the work. */
export interface WorkStep {
  readonly by: StopBy;
  /** ″ of the work: of the hinge that an arm opens, as it starts; of the last shaft of a slide */
  readonly arcsec: number;
}

/**
 * What the work moves by at one step of what it stops by, through all stages and the output; null where nothing counts. Rounding leaves half
 * of it. (handbook: errors, one step at the work)
 * Example: 200 × 16, belt 20 : 60, an arm of 228.557 on a lead of 1: 1 296 000/13 786 233 = 0.094″.
 */
export function stepAtWork(drive: Steered, k: Kinematics): WorkStep | null {
  const counts = steeredCounts(drive, k);
  if (counts) return { by: 'count', arcsec: TURN / toNumber(counts) };
  if (k.lock) return { by: 'rest', arcsec: TURN / toNumber(k.lock.places) };
  const by = sourceKindOf(drive.train.source).stops;
  const steps = k.stepsPerWorkTurn;
  return steps && by ? { by, arcsec: TURN / Math.abs(piToNumber(steps)) } : null;
}

/** ± that rounding to whole steps leaves at the work, ″. */
export const halfStep = (step: WorkStep): number => step.arcsec / 2;
