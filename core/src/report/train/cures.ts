import { kindOf, kinematicsOf, stageInputs, type Drive, type Train } from '../../drive/index.ts';
import {
  cures,
  divide,
  dividerOf,
  type Cure,
  type Division,
  type Owns,
  type WheelRange,
} from '../../divide/index.ts';
import { toleranceOf } from '../../motion/index.ts';
import type { RoundingShare } from '../errors/share.ts';
import { doubtful, type Graded, gradeWords, grouped, shortList, whole } from '../../words/index.ts';

/** A cure as it is offered: what to do, what comes of it, and the train to compare. */
export interface CureReport {
  /** "Change the belt’s driven 76 for 73" */
  readonly message: string;
  readonly train: Train;
  /** what it wants is on the shelf and free */
  readonly owned: boolean;
  /** what becomes of the asked counts */
  readonly outcome: readonly { readonly graded: Graded; readonly counts: string }[];
  /** "loses 95"; "" when nothing is lost */
  readonly loses: string;
}

/** Cures that are offered. */
const MAX_CURES = 6;

/** Counts that are still listed in what a cure does. */
const LISTED = 60;

function cureReport(drive: Drive, cure: Cure, before: readonly Division[]): CureReport {
  const cured = { ...drive, train: cure.train };
  const divider = dividerOf(cured, kinematicsOf(cured), toleranceOf(drive.job));
  const after = divider ? before.slice(0, LISTED).map((d) => divide(divider, d.divisions)) : [];
  const groups = new Map<Division['grade'], string[]>();
  for (const d of after) groups.set(d.grade, [...(groups.get(d.grade) ?? []), grouped(String(d.divisions))]);
  const order = ['even', 'evenMicrostep', 'rounded', 'misses'] as const;
  const lost = after.filter((d, i) => d.missingFactor !== 1n && before[i]!.missingFactor === 1n);
  return {
    message: cureMessage(drive, cure),
    owned: cure.owned && cure.change.do !== 'mode',
    train: cure.train,
    outcome: order.flatMap((grade) => {
      const counts = groups.get(grade);
      return counts
        ? [
            {
              graded: doubtful({ grade, word: gradeWords[grade] }, divider!.doubt, 'arcsec'),
              counts: shortList(counts, 6),
            },
          ]
        : [];
    }),
    loses: lost.length === 0 ? '' : `loses ${shortList(lost.map((d) => grouped(String(d.divisions))))}`,
  };
}

function cureMessage(drive: Drive, { change }: Cure): string {
  switch (change.do) {
    case 'mode':
      return `Set the driver to 1/${change.mode}`;
    case 'wheel': {
      const stage = drive.train.stages[change.stage]!;
      const spec = stageInputs(stage).find((i) => i.key === change.key);
      return `Change the ${kindOf(stage).short}’s ${spec?.label.toLowerCase() ?? change.key} ${change.from} for ${change.to}`;
    }
    case 'pair': {
      const before = drive.train.stages[change.at - 1];
      const where = before ? `after the ${kindOf(before).short}` : 'after the motor';
      return `Add a pair ${change.z1} : ${change.z2} ${where}`;
    }
  }
}

/** Said when no single change in range does it. */
const noCureMessage = (prime: bigint, targets: readonly number[], range: WheelRange): string =>
  `No one wheel and no one pair of ${range.from} to ${range.to} teeth makes ${shortList(targets.map((D) => grouped(String(D))))} even. Widen the range, or bring the ${whole(prime)} with two wheels of your own.`;

/** Where no rounding is felt beside what errs anyhow: nobody need chase a prime that does not matter. (handbook: choose, good enough) */
function enoughMessage(shares: readonly (RoundingShare | null)[]): string {
  const [first] = shares;
  if (!first || shares.some((s) => s === null || s.matters)) return '';
  return `Good enough without it: rounding is ${first.sentence}. What would bring it all the same:`;
}

/** What one short prime wants: the counts that lack it, the cures, or why there is none. */
export interface CureBlock {
  readonly prime: string;
  readonly lacking: string;
  readonly cures: readonly CureReport[];
  /** said when there is none */
  readonly none: string;
  /** said above them where the rounding of those counts is not felt beside the rest of their errors */
  readonly enough: string;
}

/** What a block is made from. */
interface Curing {
  readonly drive: Drive;
  readonly divisions: readonly Division[];
  readonly errors: { shareOf(divisions: number): RoundingShare | null };
}

export function cureBlock(
  { drive, divisions, errors }: Curing,
  prime: bigint,
  range: WheelRange,
  owns?: Owns,
): CureBlock | null {
  const lacking = divisions.filter((d) => d.missingFactor % prime === 0n).map((d) => d.divisions);
  if (lacking.length === 0) return null;
  const found = cures(
    drive,
    lacking,
    divisions.map((d) => d.divisions),
    range,
    MAX_CURES,
    owns,
  ).map((cure) => cureReport(drive, cure, divisions));
  return {
    prime: whole(prime),
    lacking: shortList(lacking.map((D) => grouped(String(D)))),
    cures: found,
    none: found.length === 0 ? noCureMessage(prime, lacking, range) : '',
    enough: enoughMessage(lacking.map((D) => errors.shareOf(D))),
  };
}
