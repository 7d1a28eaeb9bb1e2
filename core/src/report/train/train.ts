import {
  abs,
  div,
  exactly,
  factors,
  frac,
  mul,
  piText,
  piToNumber,
  rational,
  toNumber,
  toText,
} from '../../numbers/index.ts';
import {
  boreClashes,
  kindOf,
  sourceKindOf,
  STOP_WINDOW,
  type Drive,
  type Kinematics,
  type Stage,
} from '../../drive/index.ts';
import { doubtFrom, doubtOf, doubtOfAll, isSure, stepAtWork } from '../../motion/index.ts';
import {
  angleText,
  compact,
  doubtful,
  doubtText,
  type Figure,
  type Graded,
  grouped,
  measured,
  mixed,
  type Piece,
  powers,
  type Rich,
  stacked,
  strong,
  whole,
  type WorkingLine,
} from '../../words/index.ts';

/** "200 × 16 × 76/20 × 90": the steps of one turn as a product of what each part brings. */
function product(drive: Drive, k: Kinematics): Rich {
  const pieces: Piece[] = [
    grouped(String(sourceKindOf(drive.train.source).fullSteps(drive.train.source) ?? 1)),
  ];
  if (k.mode > 1) pieces.push(' × ', String(k.mode));
  for (const stage of drive.train.stages) pieces.push(' × ', ...asBuilt(stage));
  return pieces;
}

/** A stage's reduction as it stands on the bench, not in lowest terms: 76/20. */
function asBuilt(stage: Stage): Rich {
  const parts = kindOf(stage).parts(stage);
  const [n, d] = parts.reduce(([top, below], p) => [top * p.factor.n, below * p.factor.d], [1n, 1n]);
  return d === 1n ? [whole(n)] : [stacked(n, d)];
}

/** The line that most workings start with: one turn in steps. */
export const turnLine = (drive: Drive, k: Kinematics): WorkingLine =>
  k.lock
    ? {
        label: 'one turn',
        text: ['the Geneva lets it rest at ', ...strong(mixed(k.lock.places)), ' places'],
        exact: true,
      }
    : {
        label: 'one turn',
        text: [...product(drive, k), ' = ', ...strong(mixed(k.stepsPerTurn!)), ` ${stepsWord(drive)}`],
        exact: true,
      };

/** The finest thing the source goes by: "microstep", "step", "mark", "count". */
export const stepUnit = (drive: Drive, k: Kinematics): string =>
  k.mode > 1 ? 'microstep' : sourceKindOf(drive.train.source).step.split(' ').at(-1)!;

/** "steps", "marks", "counts" */
const stepsWord = (drive: Drive): string => `${sourceKindOf(drive.train.source).step.split(' ').at(-1)!}s`;

/** A line for each stage from `from` on: its label and its reduction, signed or not. */
export const stageLines = (drive: Drive, k: Kinematics, from = 0, magnitude = false): WorkingLine[] =>
  drive.train.stages.slice(from).map((stage, i) => {
    const kind = kindOf(stage);
    const r = k.reductions[from + i]!;
    return {
      label: kind.title.toLowerCase(),
      text: [`${kind.label(stage)}, reduction `, ...mixed(magnitude ? abs(r) : r)],
      exact: kind.origin(stage).from === 'exact',
    };
  });

/** What a piece of the train rests on, as a line of a working; none where all of it was counted. */
const restsOn = (k: Kinematics, from: number): readonly WorkingLine[] => {
  const doubt = doubtFrom(k, from);
  return isSure(doubt)
    ? []
    : [{ label: 'rests on', text: [doubtText(doubt, 'arcsec').replace(/^,? /, '')], exact: false }];
};

/** N, with how it comes about. */
export function stepsFigure(drive: Drive, k: Kinematics): Figure {
  const N = k.stepsPerTurn;
  const label = 'steps per turn';
  const sure = isSure(doubtOfAll(k));
  const base = { key: 'train.steps', label, exact: N !== null && sure && !k.hinge };
  if (!N)
    return {
      ...base,
      value: null,
      text: ['Unknown'],
      working: () => [{ label, text: ['this source has no steps'], exact: false }],
    };
  const hinge = k.stepsPerWorkTurn!;
  const text: Rich = k.hinge ? [grouped(piToNumber(hinge).toFixed(0))] : compact(N);
  return {
    ...base,
    value: k.hinge ? piText(hinge) : toText(N),
    text,
    working: () => {
      const source = sourceKindOf(drive.train.source);
      const full = grouped(String(source.fullSteps(drive.train.source)));
      const lines: WorkingLine[] = [
        {
          label: source.title.toLowerCase(),
          text: [
            source.hasModes
              ? `${full} full steps × ${k.mode} microsteps`
              : `${full} ${stepsWord(drive)} a turn`,
          ],
          exact: true,
        },
        ...stageLines(drive, k, 0, true),
        ...restsOn(k, 0),
      ];
      if (k.hinge)
        return [
          ...lines,
          { label: 'of the screw', text: [...product(drive, k), ' = ', ...strong(mixed(N))], exact: sure },
          { label: 'the hinge', text: [`${piText(k.hinge)} turns of the screw for one turn`], exact: true },
          { label: 'exactly', text: [piText(hinge)], exact: sure },
          {
            label: `${label}, at the start`,
            text: strong([grouped(piToNumber(hinge).toFixed(3))]),
            exact: false,
          },
        ];
      const back = k.turnsToClose ?? N.d;
      if (back > 1n)
        lines.push({
          label: 'back as it began',
          text: [
            `after ${whole(back)} turns: ${N.d > 1n ? 'one turn is not a whole number' : 'the places do not close in one'}`,
          ],
          exact: true,
        });
      else
        lines.push({ label: 'in primes', text: [whole(N.n), ' = ', ...powers(factors(N.n))], exact: true });
      lines.push({ label, text: [...product(drive, k), ' = ', ...strong(mixed(N))], exact: sure });
      return lines;
    },
  };
}

/** Whether one turn is a whole number of steps, and of rests where a wheel locks. */
export function stepsGrade(k: Kinematics): Graded {
  const N = k.stepsPerTurn;
  if (k.hinge) return { grade: N ? 'rounded' : 'unknown', word: N ? 'Holds π' : 'Unknown' };
  if (!N && !k.lock) return { grade: 'unknown', word: 'Unknown' };
  const back = k.turnsToClose ?? 1n;
  if (back > 1n)
    return doubtful({ grade: 'rounded', word: `Repeats after ${whole(back)} turns` }, doubtOf(k), 'arcsec');
  return doubtful({ grade: 'even', word: k.lock ? 'Indexed' : 'Even' }, doubtOf(k), 'arcsec');
}

/** R signed, with the product of the stages. */
export function ratioFigure(drive: Drive, k: Kinematics): Figure {
  const sure = isSure(doubtOfAll(k));
  return {
    key: 'train.ratio',
    label: 'train reduction',
    value: toText(k.reduction),
    text: mixed(k.reduction),
    exact: sure,
    working: () => [
      ...stageLines(drive, k),
      ...restsOn(k, 0),
      {
        label: 'sense',
        text: [`the work turns ${senseWords(k)}`],
        exact: k.senseBy.length === 0,
      },
      { label: 'train reduction', text: [...strong(mixed(k.reduction)), ' : 1'], exact: sure },
    ],
  };
}

/** "against the motor, by a left-hand thread: …": which way the work turns, and on what that rests. */
export const senseWords = (k: Kinematics): string =>
  [`${k.shafts[0]!.against ? 'against' : 'with'} the motor`, ...k.senseBy].join(', ') +
  (k.senseBy.length > 0 ? '; look before you trust it' : '');

/** The source's card: its steps a turn in the mode in use, and what a maker should know of it. */
export function sourceReport(
  drive: Drive,
  k: Kinematics,
): { readonly steps: Rich; readonly word: string; readonly facts: readonly string[] } {
  const { source } = drive.train;
  const kind = sourceKindOf(source);
  const full = kind.fullSteps(source);
  return {
    steps: full === null ? ['none'] : [grouped(String(full * kind.mode(source)))],
    word: `${stepsWord(drive)} a turn`,
    facts: [...kind.facts(source, k.reduction), ...windowFacts(drive, k), ...gangedPinions(drive)],
  };
}

/** What its stop window is at the work, and along the pitch circle where a radius is given. (handbook: run, stop window) */
function windowFacts({ train, job }: Drive, k: Kinematics): readonly string[] {
  const { source } = train;
  const count = source.kind === 'encoderMotor' ? stepAtWork({ train }, k) : null;
  if (source.kind !== 'encoderMotor' || count?.by !== 'count') return [];
  const counts = source.windowCounts ?? STOP_WINDOW;
  const size = counts * count.arcsec;
  const radius = job.radiusMm === undefined ? null : toNumber(exactly(job.radiusMm));
  const along =
    radius === null ? '' : `, ${measured((size / 206_264.806) * radius * 1000)} µm at ${measured(radius)} mm`;
  return [
    `It stops within ±${counts} counts${source.windowCounts === undefined ? ', an estimate' : ''}: ±${angleText(size)} at the work${along}.`,
  ];
}

/** Equal pinions on one wheel mesh alike only if its teeth divide by their number; else each has a phase of its own. (handbook: drive, ganged pinions) */
function gangedPinions(drive: Drive): readonly string[] {
  const ganged = Number((drive.train.source as { readonly count?: number }).count ?? 1);
  const first = drive.train.stages[0];
  if (ganged < 2 || (first?.kind !== 'spur' && first?.kind !== 'internal')) return [];
  const z = first.z2;
  if (z % ganged === 0) return [`${z}/${ganged} = ${z / ganged}: the ${ganged} pinions mesh alike.`];
  const phases = Array.from({ length: ganged }, (_, i) => toText(frac(rational(i * z, ganged))));
  return [
    `${z} does not divide by ${ganged}: at equal angles the pinions stand at ${phases.join(', ')} of a tooth; turn each on its shaft by that much.`,
  ];
}

/** A card of the train: what a stage is, what it brings, the steps a turn so far, what a maker should know of it. */
export interface StageReport {
  readonly title: string;
  readonly label: string;
  readonly stepsSoFar: Rich;
  readonly facts: readonly string[];
  /** what keeps it from being built as it stands */
  readonly warns: readonly string[];
}

export function stageReports(drive: Drive, k: Kinematics): readonly StageReport[] {
  let soFar = k.stepsPerTurn && div(k.stepsPerTurn, abs(k.reduction));
  const clashes = boreClashes(drive.train);
  return drive.train.stages.map((stage, i) => {
    const kind = kindOf(stage);
    const clash = clashes.find((c) => c.shaft === i);
    soFar = soFar && mul(soFar, abs(k.reductions[i]!));
    return {
      title: stage.name || kind.title,
      label: kind.label(stage),
      stepsSoFar: soFar ? mixed(soFar) : ['none'],
      facts: kind.facts(stage),
      warns: [
        ...(kind.warns?.(stage) ?? []),
        ...(clash
          ? [`Shaft ${i} would have to be ${clash.a} mm and ${clash.b} mm at once: its two bores disagree.`]
          : []),
      ],
    };
  });
}
