import type { Suits } from '../suits.ts';
import type { Rational, Refusal, Result } from '../../numbers/index.ts';
import type { InputSpec, InputValue } from '../inputs.ts';
import type { Shape } from '../shape.ts';
import type { FormToMake, Meshing, WheelToMake } from './wheel.ts';
import type { Quality, Wobble } from './wobble.ts';

export type { Quality } from './wobble.ts';

/** Where a ratio comes from. `nominal` is printed on the part: an Even that rests on it holds only if it is exactly so. (handbook: numbers) */
export type Provenance = 'exact' | 'nominal' | 'measured';

/**
 * How sure a stage's ratio is, with its ± where it was measured: a part of 1, u/q. What was measured and has no ± is no surer than
 * a label. (handbook: numbers, where a ratio comes from)
 */
export type Origin =
  | { readonly from: 'exact' | 'printed' | 'estimated' }
  | { readonly from: 'measured'; readonly part: Rational };

/** It follows from counted teeth. */
export const COUNTED: Origin = { from: 'exact' };

/** A stage as the drive file holds it; keys that this version does not know stay in it. */
export interface StageData {
  readonly kind: string;
  readonly name?: string;
  readonly quality?: Quality;
  /** end to end at its own output */
  readonly playArcmin?: number;
  readonly playMm?: number;
  readonly inBoreMm?: number;
  readonly outBoreMm?: number;
  /** the line of the shelf it follows; a pair follows two */
  readonly partId?: string;
  readonly driverPartId?: string;
  readonly drivenPartId?: string;
  /** distance of its two arbors when it is not what the teeth want, mm, exact text */
  readonly distanceMm?: string;
  /** 1 and up before the plate, −1 and down behind it */
  readonly layer?: number;
  /** arbors of one axis: tubes, hands on one centre */
  readonly axis?: string;
  /** where the arbor that it turns is pinned, mm */
  readonly arborXMm?: number;
  readonly arborYMm?: number;
  /** where that arbor swings about the one before, degrees */
  readonly arborDeg?: number;
  /** of two places it takes the other */
  readonly arborOther?: boolean;
  /** it stays as it is when trains are searched and cured: a bought head, a one-piece gear motor */
  readonly kept?: boolean;
  /** total run-out of both wheels, mm, and of either where they differ; of a worm along its axis */
  readonly runoutMm?: number;
  readonly driverRunoutMm?: number;
  readonly drivenRunoutMm?: number;
  /** tooth to tooth, ± */
  readonly toothErrorMm?: number;
  /** of the shaft, belt or coupling that it turns by */
  readonly stiffnessNmPerRad?: number;
  /** part of the torque that comes through, 0 to 1 */
  readonly efficiency?: number;
  readonly material?: Material;
  readonly faceMm?: number;
  /** how its wheels are made: teeth an inch instead of a module, pressure angle, shifts, and of a worm wheel the cut */
  readonly diametralPitch?: number;
  readonly pressureAngleDeg?: number;
  readonly shift?: number;
  readonly shiftDriven?: number;
  /** the mate takes back the shift that keeps a root whole, so that the distance stays; where it bears it */
  readonly shiftBack?: boolean;
  readonly cut?: 'form' | 'hob' | 'tap';
  readonly threadPitchMm?: number;
  /** helix of its teeth, and the hand of its first wheel; its mates follow. The module stays that of the pitch circle */
  readonly helixDeg?: number;
  readonly hand?: 'right' | 'left' | 'herringbone';
  /** how its mesh was set: pitch of the screw, the feel that is wanted, what was turned and felt, and that of earlier times */
  readonly meshScrewMm?: number;
  readonly meshWanted?: 'smooth' | 'slight';
  readonly meshLog?: string;
  readonly meshPast?: string;
  /** a split or sprung wheel takes its backlash up */
  readonly sprung?: boolean;
  /** keys of it that were measured, or stand on a data sheet, with commas between */
  readonly measured?: string;
  readonly dataSheet?: string;
}

/** What teeth are made of. */
export type Material = 'printed' | 'acetal' | 'brass' | 'steel';

/** A wheel that bears load on its teeth. (handbook: force, tooth load) */
export interface LoadedTeeth {
  /** "driver", "sun" */
  readonly label: string;
  readonly teeth: number;
  readonly moduleMm: number;
  /** N at the teeth of one mesh for 1 N·m on the shaft that the stage turns */
  readonly perNm: number;
}

/**
 * An estimate of play: an angle at the output, or a length at the driven wheel's pitch line of diameter `drivenMm`
 * (null while the module is not known, and the play with it). (handbook: errors)
 */
export type Play<D> =
  | {
      readonly by: 'angle';
      readonly arcmin: number;
      /** where a length of backlash that somebody typed is measured; nowhere unless given */
      readonly drivenMm?: (stage: D) => number | null;
    }
  | { readonly by: 'mesh'; readonly drivenMm: (stage: D) => number | null }
  | null;

/** What one part of a stage does to the steps of a turn: a driven wheel of 76 brings 76, a driver of 20 takes 20. */
export interface Part {
  readonly label: string;
  readonly factor: Rational;
}

/** Teeth of the wheels that can be had, both ends included. */
export interface TeethRange {
  readonly from: number;
  readonly to: number;
}

/** How a search for trains takes a kind: as any two wheels that mesh, or whole, as it is bought or made. (handbook: find) */
export type Searched<D> = {
  /** beside its tick: "Belts" */
  readonly title: string;
} & (
  | {
      readonly by: 'wheels';
      /** what its wheels are called, their size, and its unit where it has one: "belt wheels", "pitch", "mm" */
      readonly wheels: string;
      readonly size: string;
      readonly unit?: string;
      /** the input of a stage that holds that size */
      readonly sizeKey: 'moduleMm' | 'pitchMm';
    }
  | {
      readonly by: 'whole';
      /** those that can be had in any number; of each ratio the one with the fewest teeth is taken */
      readonly any: (wheels: TeethRange) => Iterable<D>;
      /** the same in words */
      readonly message: (wheels: TeethRange) => string;
    }
);

/** How a kind is owned whole, as one line of the shelf. */
export interface Owned<D> {
  readonly title: string;
  /** a head over several of them */
  readonly plural: string;
  /** the group of the shelf that it stands in */
  readonly group: string;
  /** words by which a pasted line is known for one */
  readonly pasted: RegExp;
  /** what a line says of it */
  readonly inputs: readonly InputSpec[];
  /** the cell of the list with its teeth or its ratio: the key of an input, or several of them as one text */
  readonly teeth:
    | string
    | {
        readonly label: string;
        readonly show: (stage: D) => string;
        readonly read: (text: string) => Result<Partial<D>>;
      };
  /** the input in the column of sizes */
  readonly size: string | null;
  /** what its bore is called */
  readonly bore: string;
  readonly fresh: Readonly<Record<string, InputValue>>;
  /** what a line does not say; `counted` when somebody counted it, or made it */
  readonly rest?: (counted: boolean) => Partial<D>;
  /** as the maker would call it when it has no name */
  readonly label: (stage: D) => string;
}

/** Which way an output turns, beside the sign that is counted for it. (handbook: drive, reduction stages) */
export interface Sense {
  /** −1: the other way than that sign */
  readonly turns: 1 | -1;
  /** "by its right-hand thread": what it rests on, for it has to be looked at */
  readonly by: string;
}

/** Everything Pendrix knows of one kind of stage. To add a kind: one file with this, one line in the registry. */
export interface StageKind<D extends StageData> {
  readonly kind: D['kind'];
  /** the trade's name, for the card and the list of kinds */
  readonly title: string;
  /** the same in a word or two, lower case, for shafts and sentences */
  readonly short: string;
  /** when one would choose it, in one line */
  readonly message: string;
  readonly inputs: readonly InputSpec[];
  /** what a new one has beside the defaults of what must be there */
  readonly fresh?: Readonly<Record<string, InputValue>>;
  /** turns in for one turn out; negative when the output turns the other way. (handbook: drive) */
  readonly reduction: (stage: D) => Rational;
  /** whose factors multiply to |reduction| */
  readonly parts: (stage: D) => readonly Part[];
  readonly origin: (stage: D) => Origin;
  readonly shape: (stage: D) => Shape;
  /** "20 : 76" as the maker would write it */
  readonly label: (stage: D) => string;
  /** a condition that no single input can hold, such as a ring larger than the wheel in it */
  readonly refuse?: (stage: D) => Refusal | null;
  /** after an edit of `key`: the stage with its other choices moved out of the way, so that it can be edited field by field */
  readonly settle?: (after: D, before: D, key: string) => D;
  /** what a maker should know of this very stage, said in words */
  readonly facts: (stage: D) => readonly string[];
  /** which way its output really turns where the sign of its ratio does not tell: shown, not counted */
  readonly sense?: (stage: D) => Sense | null;
  /** what keeps it from being built as it stands: teeth that foul, planets that do not go in */
  readonly warns?: (stage: D) => readonly string[];
  /** its play when nothing was said or measured, end to end at its output; null when there is none to go by */
  readonly play: Play<D>;
  /** some that can be had or made when nobody owns any, as whole drives are chosen: estimates, small ones that reduce well. (handbook: choose, families) */
  readonly typical?: readonly D[];
  readonly suits?: Suits;
  /** how it is searched; not at all when absent */
  readonly search?: Searched<D>;
  /** how it is owned whole; when absent it is made of wheels, or not owned */
  readonly owned?: Owned<D>;
  /** as driven and driving teeth, where it is a quotient of such: a worm's starts drive its wheel */
  readonly toothed?: (stage: D) => {
    readonly driven: readonly number[];
    readonly drivers: readonly number[];
  };
  /** it holds by itself when nothing drives it. (handbook: force) */
  readonly holds?: (stage: D) => boolean;
  /** what a file calls its reduction; for docs/formats.md */
  readonly written: string;
  /** errors that come again with its shafts; none where they are not known of */
  readonly wobbles?: (stage: D) => readonly Wobble[];
  /** part of the torque that comes through when nobody says, an estimate; 0.9 unless said. (handbook: force) */
  readonly efficiency?: (stage: D) => number;
  /** the same when its output drives it, where it is not what an equal loss would leave */
  readonly backEfficiency?: (stage: D) => number;
  /** its meshes under load; none where they have no limit to go by, or a size is missing */
  readonly loads?: (stage: D) => readonly LoadedTeeth[];
  /** what it wants made besides wheels */
  readonly forms?: (stage: D) => readonly FormToMake[];
  /** the wheels that are made for it, driver before driven; none where it is bought whole. (handbook: make) */
  readonly makes?: (stage: D) => readonly WheelToMake[];
  /** which of these mesh with one another, the one that sets the distance first. (handbook: make, one wheel) */
  readonly meshes?: (stage: D) => readonly Meshing[];
  /** it rests only at this many places a turn of its output, whatever drives it; its reduction is then the mean */
  readonly locks?: (stage: D) => number;
}
