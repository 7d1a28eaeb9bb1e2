import {
  ARCSEC_PER_TURN,
  abs,
  div,
  exactly,
  factors,
  isNegative,
  mul,
  rational,
  toNumber,
  toText,
  type Rational,
} from '../numbers/index.ts';
import { kindOf, sourceKindOf, type Drive, type Kinematics, type Shaft, type Stage } from '../drive/index.ts';
import type { Figure, Graded, WorkingLine } from './figure.ts';
import type { Piece, Rich } from './rich.ts';
import {
  dmsText,
  fraction,
  grouped,
  lengthText,
  measured,
  mixed,
  powers,
  stacked,
  strong,
  whole,
} from './text.ts';

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
export const turnLine = (drive: Drive, k: Kinematics): WorkingLine => ({
  label: 'one turn',
  text: [...product(drive, k), ' = ', ...strong(mixed(k.stepsPerTurn!)), ' steps'],
  exact: true,
});

/** A line for each stage from `from` on: its label and its reduction, signed or not. */
const stageLines = (drive: Drive, k: Kinematics, from = 0, magnitude = false): WorkingLine[] =>
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
          text: [`${full} full steps × ${k.mode} microsteps`],
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
  if (N.d > 1n) return { grade: 'rounded', word: `Closes in ${whole(N.d)} turns` };
  return { grade: 'even', word: k.nominal ? 'Even if exact' : 'Even' };
}

/** R signed, with the product of the stages. */
export const ratioFigure = (drive: Drive, k: Kinematics): Figure => ({
  key: 'train.ratio',
  label: 'train reduction',
  value: toText(k.reduction),
  text: mixed(k.reduction),
  exact: !k.nominal,
  working: () => [
    ...stageLines(drive, k),
    {
      label: 'sense',
      text: [`the work turns ${isNegative(k.reduction) ? 'against' : 'with'} the motor`],
      exact: true,
    },
    { label: 'train reduction', text: [...strong(mixed(k.reduction)), ' : 1'], exact: !k.nominal },
  ],
});

/** What stands under a shaft: rows of label and figure. */
export interface ShaftReport {
  readonly index: number;
  readonly title: string;
  readonly carries: string;
  readonly rows: readonly { readonly label: string; readonly figure: Figure }[];
}

/** The shafts with turns per turn of the work, sense, and one step seen there. (handbook: drive, facts to show at each shaft) */
export function shaftReports(drive: Drive, k: Kinematics): readonly ShaftReport[] {
  const { stages } = drive.train;
  const name = (at: number): string => {
    const stage = stages[at];
    return stage ? kindOf(stage).short : '';
  };
  return k.shafts.map((shaft) => {
    const i = shaft.index;
    const last = i === stages.length;
    const carries =
      i === 0
        ? last
          ? 'motor and work'
          : 'motor'
        : last
          ? `${name(i - 1)}, work`
          : `${name(i - 1)} to ${name(i)}`;
    return { index: i, title: `Shaft ${i}`, carries, rows: shaftRows(drive, k, shaft) };
  });
}

/** What one division and one microstep are at the work, and along the circle of the job's radius. */
export function workReport(
  drive: Drive,
  k: Kinematics,
  divisions: number | undefined,
): { readonly carries: string; readonly rows: readonly { readonly label: string; readonly text: string }[] } {
  const radius = drive.job.radiusMm === undefined ? null : toNumber(exactly(drive.job.radiusMm));
  const rows: { label: string; text: string }[] = [];
  const circle = radius === null ? 0 : 2 * Math.PI * radius;
  if (divisions !== undefined) {
    rows.push({
      label: `one of ${grouped(String(divisions))}`,
      text: dmsText(rational(ARCSEC_PER_TURN, divisions)),
    });
    if (radius !== null)
      rows.push({ label: 'along the rim', text: lengthText(circle / divisions).join(' ') });
  }
  if (k.stepsPerTurn) {
    rows.push({ label: 'one microstep', text: stepAngle(div(rational(ARCSEC_PER_TURN), k.stepsPerTurn)) });
    if (radius !== null)
      rows.push({ label: 'along the rim', text: lengthText(circle / toNumber(k.stepsPerTurn)).join(' ') });
  }
  return {
    carries: radius === null ? 'give a radius in the Job' : `at the rim, ${measured(radius)} mm`,
    rows,
  };
}

function shaftRows(drive: Drive, k: Kinematics, shaft: Shaft): ShaftReport['rows'] {
  const i = shaft.index;
  const turns = shaft.turnsPerOutputTurn;
  const sense = shaft.against ? 'against the work' : 'with the work';
  const turnsFigure: Figure = {
    key: `shaft.${i}.turns`,
    label: `turns of shaft ${i} for one of the work`,
    value: toText(turns),
    text: mixed(turns),
    exact: true,
    working: () => [
      ...stageLines(drive, k, i, true),
      { label: 'turns per work turn', text: strong(mixed(turns)), exact: true },
    ],
  };
  const senseFigure: Figure = {
    key: `shaft.${i}.sense`,
    label: `sense of shaft ${i}`,
    value: sense,
    text: [sense],
    exact: true,
    working: () => [
      {
        label: 'reversals after it',
        text: [String(k.reductions.slice(i).filter(isNegative).length)],
        exact: true,
      },
      { label: 'sense', text: strong([sense]), exact: true },
    ],
  };
  const rows = [
    { label: 'turns per work turn', figure: turnsFigure },
    { label: 'sense', figure: senseFigure },
  ];
  const { fullStepsPerTurn, stepsPerTurn } = k;
  if (!fullStepsPerTurn || !stepsPerTurn) return rows;
  const turnsLine: WorkingLine = {
    label: 'this shaft',
    text: [...mixed(turns), ' turns for one of the work'],
    exact: true,
  };
  const step = (key: string, label: string, per: Rational): ShaftReport['rows'][number] => {
    const arcsec = mul(div(rational(ARCSEC_PER_TURN), per), turns);
    const text = stepAngle(arcsec);
    const working = (): readonly WorkingLine[] => [
      turnLine(drive, k),
      turnsLine,
      {
        label: 'so one of them',
        text: [`${whole(ARCSEC_PER_TURN)}″ × `, ...fraction(turns), ' ÷ ', ...mixed(per)],
        exact: true,
      },
      { label, text: strong([text]), exact: false },
    ];
    return {
      label,
      figure: {
        key: `shaft.${i}.${key}`,
        label: `${label} at shaft ${i}`,
        value: toText(arcsec),
        text: [text],
        exact: false,
        working,
      },
    };
  };
  rows.push(step('step', 'one full step', fullStepsPerTurn));
  if (k.mode > 1) rows.push(step('microstep', 'one microstep', stepsPerTurn));
  return rows;
}

/** The angle of a step from exact arcseconds: 18.95″, 28′25.3″, 1°48′00″. */
function stepAngle(arcsec: Rational): string {
  const n = toNumber(arcsec);
  if (n < 60) return `${measured(n)}″`;
  if (n < 3600) return dmsText(arcsec, 1).replace(/^0°0?/, '');
  return dmsText(arcsec, 0);
}

/** The source's card: its steps a turn in the mode in use, and what a maker should know of it. */
export function sourceReport(drive: Drive): { readonly steps: Rich; readonly facts: readonly string[] } {
  const { source } = drive.train;
  const kind = sourceKindOf(source);
  const full = kind.fullSteps(source);
  return {
    steps: full === null ? ['Unknown'] : [grouped(String(full * kind.mode(source)))],
    facts: kind.facts(source),
  };
}

/** A card of the train: what a stage is, what it brings, the steps a turn so far, what a maker should know of it. */
export interface StageReport {
  readonly title: string;
  readonly label: string;
  readonly stepsSoFar: Rich;
  readonly facts: readonly string[];
}

export function stageReports(drive: Drive, k: Kinematics): readonly StageReport[] {
  let soFar = k.stepsPerTurn && div(k.stepsPerTurn, abs(k.reduction));
  return drive.train.stages.map((stage, i) => {
    const kind = kindOf(stage);
    soFar = soFar && mul(soFar, abs(k.reductions[i]!));
    return {
      title: kind.title,
      label: kind.label(stage),
      stepsSoFar: soFar ? mixed(soFar) : ['Unknown'],
      facts: kind.facts(stage),
    };
  });
}
