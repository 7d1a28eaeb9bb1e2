/** A wheel that a stage wants made. (handbook: make) */
export interface WheelToMake {
  /** "driver", "worm wheel", "planet" */
  readonly label: string;
  readonly teeth: number;
  readonly as: 'gear' | 'ring' | 'pulley' | 'wormWheel';
  /** which key holds its own profile shift */
  readonly shiftKey?: 'shift' | 'shiftDriven';
  /** which key holds its module; `moduleMm` unless said */
  readonly moduleKey?: 'moduleOutMm';
  /** how many of it */
  readonly count?: number;
}

/** Two of a stage's wheels that mesh, by their places in what it makes. */
export interface Meshing {
  readonly a: number;
  readonly b: number;
  /** the wheel whose shift is taken so that this mesh stands at the distance of the stage's first one */
  readonly closes?: number;
}

/** A form other than a toothed wheel that a stage wants made: a lobed disc, a Geneva's wheel with its driver. Sizes in mm. */
export type FormToMake =
  | {
      readonly as: 'lobes';
      readonly label: string;
      readonly lobes: number;
      /** of the circle that the pins, or the pinion's middle, stand on */
      readonly circleMm: number;
      readonly pinMm: number | null;
      readonly eccentricMm: number | null;
      /** its pins stand in a ring of so many; none where a single pinion drives it */
      readonly pins: number | null;
      readonly pinKey: string;
    }
  | {
      readonly as: 'slots';
      readonly label: string;
      readonly slots: number;
      readonly centreMm: number;
      readonly pinMm: number | null;
      readonly pinKey: string;
    };
