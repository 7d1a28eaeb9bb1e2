import type { Point } from './geometry.ts';
import type { Distance } from './mesh.ts';
import type { How } from './solve.ts';

/** A shaft of a drive, by the train that has it: 0 that of its source, i the one that stage i − 1 turns. */
export interface ShaftOf {
  readonly train: number;
  readonly shaft: number;
}

/** One wheel on an arbor; a wheel that meshes with several is one. */
export interface PlanWheel {
  readonly id: number;
  readonly arbor: number;
  readonly shaft: ShaftOf;
  readonly form: 'wheel' | 'ring' | 'pulley' | 'rim' | 'worm' | 'crank' | 'slots';
  /** 0 for a smooth rim */
  readonly teeth: number;
  readonly pitchMm: number;
  readonly outsideMm: number;
  /** 1 and up before the plate, −1 and down behind it */
  readonly layer: number;
  /** the stages it belongs to */
  readonly of: readonly {
    readonly train: number;
    readonly stage: number;
    readonly role: 'driver' | 'driven';
  }[];
}

/** Two wheels that turn one another, and the distance they want. */
export interface PlanMesh {
  readonly train: number;
  readonly stage: number;
  readonly label: string;
  readonly driver: number;
  readonly driven: number;
  readonly distance: Distance;
}

/** One axis of the plan with all that sits on it: a shaft, or several as tubes. */
export interface Arbor {
  readonly id: number;
  /** "C" for a crank's, else a number */
  readonly name: string;
  readonly at: Point;
  readonly how: How;
  readonly swingsAbout: number | null;
  readonly deg: number | null;
  /** mm by which its distances do not reach it; 0 when they do */
  readonly miss: number;
  readonly shafts: readonly (ShaftOf & { readonly boreMm: number | null })[];
  readonly wheels: readonly number[];
  /** over all its tubes, mm */
  readonly diameterMm: number;
  /** nobody has given a bore */
  readonly estimated: boolean;
  /** the layers it passes, both ends included; 0 is the plate */
  readonly span: readonly [number, number];
  /** outputs that it carries: names of trains */
  readonly outputs: readonly string[];
  /** whose place it is: the stage that turns it, or null for a source */
  readonly set: { readonly train: number; readonly stage: number | null };
}

/** Pairs that join the same two arbors and want different distances. */
export interface Disagreement {
  readonly a: number;
  readonly b: number;
  /** the first is what the plan is drawn at */
  readonly meshes: readonly { readonly mesh: number; readonly mm: number }[];
  readonly mm: number;
}

export interface ArborPlan {
  readonly arbors: readonly Arbor[];
  readonly wheels: readonly PlanWheel[];
  readonly meshes: readonly PlanMesh[];
  readonly clashes: readonly Clash[];
  readonly disagreements: readonly Disagreement[];
  /** stages whose driven arbor stands at right angles to the rest */
  readonly crossed: readonly number[];
}

/** What meets that should pass: a wheel and a foreign arbor in its layer, a wheel and one that it does not turn, or two arbors. */
export type Clash = WheelClash | ArborsClash;

export interface WheelClash {
  readonly meets: 'arbor' | 'wheel';
  readonly wheel: number;
  /** of arbors or of wheels */
  readonly other: number;
  readonly layer: number;
  /** how far they overlap */
  readonly mm: number;
}

/** Two shafts that want the same place in the plate. */
export interface ArborsClash {
  readonly meets: 'both';
  readonly arbors: readonly [number, number];
  readonly mm: number;
}
