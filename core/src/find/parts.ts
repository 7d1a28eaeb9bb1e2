import { abs, type Rational } from '../numbers/index.ts';
import { kindOf, type Stage } from '../drive/index.ts';

/** A stage that is used as it is: a worm with its wheel, a box, a belt sold as a set. */
export interface FixedPart {
  readonly stage: Stage;
  readonly quantity: number;
}

export const partRatio = (part: FixedPart): Rational => abs(kindOf(part.stage).reduction(part.stage));

/** The same stage given twice in the parts is one part with both quantities; the key says when it is the same. */
export const partKey = (part: FixedPart): string => JSON.stringify(part.stage);

/** Teeth of the wheels of a part that are counted with a train's. */
export const partTeeth = (part: FixedPart): number =>
  [...toothed(part.stage).driven, ...toothed(part.stage).drivers].reduce((n, z) => n + z, 0);

/** A part as driven and driving teeth, where it is a quotient of such: a worm's starts drive its wheel. */
export function toothed(stage: Stage): {
  readonly driven: readonly number[];
  readonly drivers: readonly number[];
} {
  switch (stage.kind) {
    case 'spur':
    case 'belt':
    case 'internal':
      return { driven: [stage.z2], drivers: [stage.z1] };
    case 'worm':
      return { driven: [stage.wheel], drivers: [stage.starts] };
    case 'box':
      return {
        driven: (stage.pairs ?? []).map(([, z2]) => z2),
        drivers: (stage.pairs ?? []).map(([z1]) => z1),
      };
    default:
      return { driven: [], drivers: [] };
  }
}
