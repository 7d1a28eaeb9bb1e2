import type { Stage } from '../drive/index.ts';

/** Why a row is there: it comes out even, it misses the fewest, it creeps a little, or it is the nearest to a ratio or a rate. */
export type RowKind = 'even' | 'misses' | 'near' | 'ratio' | 'rate';

/** One answer: plain data, exact numbers as text, so that it passes between workers and into files as it is. */
export interface FoundRow {
  readonly kind: RowKind;
  /** turns in for one turn out, a magnitude */
  readonly ratio: string;
  readonly stages: number;
  /** of pairs, largest first, then of what parts have teeth; pair i is driven[i] over drivers[i] */
  readonly driven: readonly number[];
  readonly drivers: readonly number[];
  /** the train as a drive holds it */
  readonly train: readonly Stage[];
  readonly teeth: number;
  /** teeth of its largest wheel */
  readonly largest: number;
  /** wheels and parts that are owned, of all there are in it */
  readonly owned: number;
  readonly wheels: number;
  /** what the wheels that are not owned cost, hundredths, as far as it is known */
  readonly cost: number;
  /** ratio or rate over what is wanted less one; null where there is nothing to be near */
  readonly error: string | null;
  /** steps a turn of the work at the mode; null without a motor */
  readonly steps: string | null;
  readonly mode: number | null;
  /** divisions that do not come out even */
  readonly misses: readonly string[];
  readonly intervalTicks: number | null;
  /** with fewer stages the same ratio is there already: its pairs and a 1 : 1 pair */
  readonly idleOf: number | null;
}

/** What was checked with so many stages. */
export interface Gone {
  readonly stages: number;
  readonly proven: boolean;
  /** products or drivers that were checked */
  readonly products: number;
  /** candidates looked at, and of them those that could not be made of what there is */
  readonly looked: number;
  readonly refused: number;
  /** divisions: sets of wheels that come out even within the limits, whatever their order and mode */
  readonly trains: string | null;
  /** divisions: some come out even with steps a turn outside the limits */
  readonly outside?: boolean;
  /** divisions: different numbers of steps a turn among them; all of them while workers still share the work */
  readonly steps: number | null;
  readonly seen?: Float64Array;
}

/** Why there is no answer, as data. */
export type Reason =
  | { readonly why: 'nothingToBuildFrom' }
  | { readonly why: 'primesMissing'; readonly primes: readonly string[] }
  | { readonly why: 'tooFewStages'; readonly primes: readonly string[]; readonly stages: number }
  | { readonly why: 'stepsOutside'; readonly steps: string; readonly stages: number }
  | { readonly why: 'cannotCancel' }
  /** the counter wants more steps a turn than were allowed, or the controller's speed fewer */
  | { readonly why: 'counterForbids'; readonly least: string; readonly bits: number }
  | { readonly why: 'speedForbids'; readonly most: string }
  | { readonly why: 'outOfReach'; readonly least: number; readonly most: number; readonly stages: number }
  | { readonly why: 'nothingNear'; readonly nearest: FoundRow | null };

export interface FindAnswer {
  /** whether the search went through everything it set out to */
  readonly proven: boolean;
  readonly rows: readonly FoundRow[];
  readonly gone: readonly Gone[];
  readonly reason: Reason | null;
}
