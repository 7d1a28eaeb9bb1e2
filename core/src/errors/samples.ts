import { abs, rational, mul, type Rational } from '../numbers/index.ts';
import type { Drive, Kinematics } from '../drive/index.ts';
import { perPlace } from './budget.ts';

/** A shaft of the train, or a belt that comes round by itself. */
export interface Turning {
  /** "shaft 1", "belt of stage 1" */
  readonly id: string;
  readonly belt: boolean;
  /** along the path; of a belt the shaft that drives it */
  readonly shaft: number;
  /** turns for one of the output, a magnitude */
  readonly turns: Rational;
}

/** How one of them stands at the places of a count. */
export interface Sample {
  /** turns from one place to the next */
  readonly perPlace: Rational;
  /** different ways that it stands at; 1: its error cancels */
  readonly places: bigint;
}

/** Everything that comes round, source first. (handbook: errors, dividing sees only samples) */
export function turningParts({ train }: Drive, k: Kinematics): readonly Turning[] {
  const from = k.lock ? k.lock.stage + 1 : 0;
  return k.shafts.slice(from).flatMap(({ index, turnsPerOutputTurn }): Turning[] => {
    const turns = abs(turnsPerOutputTurn);
    const stage = train.stages[index];
    return [
      { id: `shaft ${index}`, belt: false, shaft: index, turns },
      ...(stage?.kind === 'belt' && stage.beltTeeth !== undefined
        ? [
            {
              id: `belt of stage ${index + 1}`,
              belt: true,
              shaft: index,
              turns: mul(turns, rational(stage.z1, stage.beltTeeth)),
            },
          ]
        : []),
    ];
  });
}

export function sampleOf({ turns }: Turning, divisions: number): Sample {
  const per = perPlace(turns, divisions);
  return { perPlace: per, places: per.d };
}
