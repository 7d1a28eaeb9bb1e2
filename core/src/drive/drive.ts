import type { BenchNotes, JobDuties, Plates, Printer, Start, Timer } from './duties/index.ts';
import type { Build } from './build.ts';
import type { LogEntry } from './log.ts';
import type { FindSettings } from './find-settings.ts';
import type { InputSpec } from './inputs.ts';
import type { Output } from './outputs/index.ts';
import { STEPPER_DEFAULT } from './sources/stepper.ts';
import type { Source } from './sources/index.ts';
import type { Stage } from './stages/index.ts';

/** What the drive must do. Divisions are kept as typed; tolerance is an angle, or a length at a radius. */
export interface Job extends JobDuties {
  readonly divisions: string;
  /** exact rational text */
  readonly toleranceArcsec?: string;
  /** exact rational text; in force instead of the angle when it is there; needs radiusMm */
  readonly toleranceMm?: string;
  readonly radiusMm?: string;
  readonly notes?: string;
  /** places are come to from one side, or, "both", from either */
  readonly approach?: 'oneSide' | 'both';
  /** moves along a linear output that must come out even, as typed: "1, 1/8 in, 2π" */
  readonly moves?: string;
}

export interface Train {
  /** what it is called beside others; absent while it is the only one */
  readonly name?: string;
  readonly source: Source;
  readonly stages: readonly Stage[];
  readonly output: Output;
  readonly limits?: TurnLimits;
  /** of a path, never kept: turns a minute of shaft 0 where its governor sits on a shaft that is not on the path */
  readonly governedRpm?: string;
}

/** How far the work may turn from its home, turns, exact text; a run never passes them. (handbook: drive, limits of turning) */
export interface TurnLimits {
  /** backwards from home, 0 or more */
  readonly back: string;
  /** forwards from home, 0 or more */
  readonly forth: string;
  readonly why?: string;
}

/** An incremental encoder on shaft `shaft`. (handbook: drive, sources) */
export interface Encoder {
  /** the line of the shelf it follows */
  readonly partId?: string;
  readonly lines: number;
  readonly decode: 1 | 2 | 4;
  readonly shaft: number;
  /** the drive goes by it: what lies before its shaft is corrected */
  readonly corrects?: boolean;
}

/** Where a train hangs on another: `shaft` counted along that train, 0 being the one it begins at. */
export interface Hang {
  readonly train: string;
  readonly shaft: number;
}

/**
 * One more train of a drive: with a source of its own, or hanging on a shaft of another train, which then turns it. What its job does not
 * say of tolerance, camera and load, the drive's says. (handbook: drive, more than one train)
 */
export interface FurtherTrain {
  readonly name: string;
  readonly from: Hang | null;
  /** absent where it hangs on another */
  readonly source?: Source;
  readonly stages: readonly Stage[];
  readonly output: Output;
  readonly limits?: TurnLimits;
  /** `shaft` counted along this train, 0 being the one it begins at */
  readonly encoder?: Encoder;
  readonly job: Job;
  readonly find?: FindSettings;
}

/**
 * One drive: plain immutable data, current version, checked. The first train, which has a source, stands in it with its job; what
 * further trains there are beside it. Whatever reckons one train takes a drive and reads its first: `pathOf` gives any other as such. Exact quantities are text, as in the file; keys that this
 * version does not know are kept in it untouched. (docs: formats)
 */
export interface Drive {
  readonly format: 'pendrix-drive';
  readonly version: 2;
  readonly name: string;
  readonly job: Job;
  readonly train: Train;
  /** absent when there is one train */
  readonly others?: readonly FurtherTrain[];
  readonly encoder?: Encoder;
  readonly timer?: Timer;
  /** what it was first asked, and what could not be answered */
  readonly start?: Start;
  /** what was done and tried at the bench */
  readonly bench?: BenchNotes;
  /** what printed wheels are drawn for */
  readonly printer?: Printer;
  /** the list that is gone through at the machine before the first gap */
  readonly setup?: Build;
  /** the list that it is built by */
  readonly build?: Build;
  readonly plates?: Plates;
  /** what was measured, changed and learnt, the newest last */
  readonly log?: readonly LogEntry[];
  /** its designs, each with its reason, numbered from 1 */
  readonly revisions?: readonly Revision[];
  /** what was last searched for */
  readonly find?: FindSettings;
  /** cautions the user has read and put away, by id */
  readonly dismissed?: readonly string[];
}

/** What of a drive is its design: what a revision keeps, and what going back brings again. */
export const DESIGN_KEYS = ['job', 'train', 'others', 'encoder', 'timer', 'plates', 'printer'] as const;
export type Design = Pick<Drive, (typeof DESIGN_KEYS)[number]>;

/** A drive's design at a moment, with its reason. */
export interface Revision {
  readonly n: number;
  readonly at: string;
  readonly reason: string;
  readonly design: Design;
  /** it was tried, and taken back: it stays visible */
  readonly takenBack?: boolean;
  /** it is that earlier one again */
  readonly backTo?: number;
}

/** What can be set of an encoder. */
export const encoderInputs: readonly InputSpec[] = [
  { type: 'count', key: 'lines', label: 'Lines', unit: 'a turn', min: 1, max: 10_000_000, default: 600 },
  {
    type: 'choice',
    key: 'decode',
    label: 'Decoded',
    options: [
      { value: '4', title: '4 times' },
      { value: '2', title: 'twice' },
      { value: '1', title: 'once' },
    ],
    default: '4',
    number: true,
  },
  { type: 'count', key: 'shaft', label: 'On shaft', min: 0, max: 40, default: 0, hint: '0 is the motor’s' },
  {
    type: 'flag',
    key: 'corrects',
    label: 'The drive goes by it',
    default: '',
    optional: true,
    more: true,
    hint: 'what lies before its shaft is then corrected',
  },
];

/** The questions that a new drive begins with are open, and no train is chosen yet. (handbook: choose, first questions) */
export const asksFirst = ({ start, train }: Drive): boolean =>
  start !== undefined && !start.begun && train.stages.every((s) => s.kept);

export const MAX_STAGES = 40;
/** Most trains of one drive. */
export const MAX_TRAINS = 40;
export const MAX_NAME = 120;

/** A drive with nothing asked of it yet: a 200-step motor at 1/16 straight on the work. */
export const newDrive = (name: string): Drive => ({
  format: 'pendrix-drive',
  version: 2,
  name,
  job: { divisions: '' },
  train: { source: STEPPER_DEFAULT, stages: [], output: { kind: 'rotary' } },
});
