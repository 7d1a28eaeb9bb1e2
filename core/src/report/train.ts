import { abs, div, factors, frac, isNegative, mul, rational, toText } from '../numbers/index.ts';
import {
  boreClashes,
  kindOf,
  sourceKindOf,
  type Drive,
  type Kinematics,
  type Stage,
} from '../drive/index.ts';
import type { Figure, Graded, WorkingLine } from './figure.ts';
import type { Piece, Rich } from './rich.ts';
import { grouped, mixed, powers, stacked, strong, whole } from './text.ts';

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
      exact: kind.provenance(stage) === 'exact',
    };
  });

/** N, with how it comes about. */
export function stepsFigure(drive: Drive, k: Kinematics): Figure {
  const N = k.stepsPerTurn;
  const label = 'steps per turn';
  const base = { key: 'train.steps', label, value: N && toText(N), exact: N !== null };
  if (!N)
    return {
      ...base,
      text: ['Unknown'],
      working: () => [{ label, text: ['this source has no steps'], exact: false }],
    };
  return {
    ...base,
    text: mixed(N),
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
      ];
      if (N.d > 1n)
        lines.push({
          label: 'back on a step',
          text: [`after ${whole(N.d)} turns: one turn is not a whole number`],
          exact: true,
        });
      else
        lines.push({ label: 'in primes', text: [whole(N.n), ' = ', ...powers(factors(N.n))], exact: true });
      lines.push({ label, text: [...product(drive, k), ' = ', ...strong(mixed(N))], exact: true });
      return lines;
    },
  };
}

/** Whether one turn is a whole number of steps. */
export function stepsGrade(k: Kinematics): Graded {
  const N = k.stepsPerTurn;
  if (!N) return { grade: 'unknown', word: 'Unknown' };
  if (k.lock)
    return k.lock.places.d === 1n
      ? { grade: 'even', word: 'Locked' }
      : { grade: 'rounded', word: `In ${whole(k.lock.places.d)} turns` };
  if (N.d > 1n) return { grade: 'rounded', word: `In ${whole(N.d)} turns` };
  return { grade: 'even', word: k.inexact.length > 0 ? 'Even if exact' : 'Even' };
}

/** R signed, with the product of the stages. */
export const ratioFigure = (drive: Drive, k: Kinematics): Figure => ({
  key: 'train.ratio',
  label: 'train reduction',
  value: toText(k.reduction),
  text: mixed(k.reduction),
  exact: k.inexact.length === 0,
  working: () => [
    ...stageLines(drive, k),
    {
      label: 'sense',
      text: [`the work turns ${isNegative(k.reduction) ? 'against' : 'with'} the motor`],
      exact: true,
    },
    {
      label: 'train reduction',
      text: [...strong(mixed(k.reduction)), ' : 1'],
      exact: k.inexact.length === 0,
    },
  ],
});

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
    facts: [...kind.facts(source, k.reduction), ...gangedPinions(drive)],
  };
}

/** Equal pinions on one wheel mesh alike only if its teeth divide by their number; else each has a phase of its own. (handbook: drive, ganged pinions) */
function gangedPinions(drive: Drive): readonly string[] {
  const ganged = Number((drive.train.source as { readonly ganged?: number }).ganged ?? 1);
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
