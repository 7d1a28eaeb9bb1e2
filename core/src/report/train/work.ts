import {
  ARCSEC_PER_TURN,
  div,
  exactly,
  piText,
  piToNumber,
  rational,
  scalePi,
  toNumber,
  type PiValue,
} from '../../numbers/index.ts';
import {
  durationText,
  kindOf,
  knownPlay,
  lostMotion,
  outputKindOf,
  type Drive,
  type Kinematics,
} from '../../drive/index.ts';
import { moveReports, type MoveReport } from './moves.ts';
import {
  angleText,
  dmsText,
  type Figure,
  grouped,
  lengthText,
  measured,
  mixed,
  type Rich,
  strong,
  timeText,
  whole,
  type WorkingLine,
} from '../../words/index.ts';
import { rpmOf, speedLine, stepAngle } from './shafts.ts';
import { stageLines, turnLine } from './train.ts';

/** The work: what one division, one microstep and one turn are there, and what a maker should know of it. */
export interface WorkReport {
  readonly title: string;
  readonly carries: string;
  readonly rows: readonly { readonly label: string; readonly figure: Figure }[];
  readonly facts: readonly string[];
  readonly moves: readonly MoveReport[];
}

type Row = WorkReport['rows'][number];

/** A length with its unit set apart. */
const length = (mm: number): Rich => {
  const [n, unit] = lengthText(mm);
  return [n, { unit }];
};

const row = (
  key: string,
  label: string,
  message: string,
  text: Rich,
  exact: boolean,
  lines: () => readonly WorkingLine[],
): Row => ({
  label,
  figure: {
    key: `work.${key}`,
    label: message,
    value: null,
    text,
    exact,
    working: () => [...lines(), { label, text: strong(text), exact }],
  },
});

export function workReport(drive: Drive, k: Kinematics, divisions: number | undefined): WorkReport {
  const kind = outputKindOf(drive.train.output);
  const radius = drive.job.radiusMm === undefined ? null : toNumber(exactly(drive.job.radiusMm));
  const rows = k.travel
    ? linearRows(drive, k)
    : k.hinge
      ? hingeRows(drive, k, k.hinge)
      : rotaryRows(drive, k, divisions, radius);
  const carries =
    k.travel || k.hinge
      ? kind.message
      : radius === null
        ? 'no radius given'
        : `at the rim, ${measured(radius)} mm`;
  return {
    title: kind.title,
    carries,
    rows: [...rows, ...(k.hinge ? [] : [turnRow(drive, k)]), ...playRows(drive, k)],
    facts: [...kind.facts(drive.train.output), ...extremes(drive, k)],
    moves: moveReports(drive, k),
  };
}

function rotaryRows(
  drive: Drive,
  k: Kinematics,
  D: number | undefined,
  radius: number | null,
): readonly Row[] {
  const rows: Row[] = [];
  const circle = radius === null ? 0 : 2 * Math.PI * radius;
  if (D !== undefined) {
    const angle = dmsText(rational(ARCSEC_PER_TURN, D));
    rows.push(
      row('division', `one of ${grouped(String(D))}`, `angle of one of ${D}`, [angle], false, () => [
        { label: 'one turn', text: [`360° ÷ ${grouped(String(D))}`], exact: true },
      ]),
    );
  }
  if (k.stepsPerTurn) {
    const step: Rich =
      radius === null
        ? [stepAngle(div(rational(ARCSEC_PER_TURN), k.stepsPerTurn))]
        : length(circle / toNumber(k.stepsPerTurn));
    const message = radius === null ? 'one step at the work' : 'one step along the rim';
    rows.push(
      row('step', radius === null ? 'one step' : 'step at rim', message, step, false, () => [
        turnLine(drive, k),
        ...(radius === null
          ? []
          : [{ label: 'the rim', text: [`2π × ${measured(radius)} mm`], exact: true }]),
      ]),
    );
  }
  return rows;
}

function linearRows(drive: Drive, k: Kinematics): readonly Row[] {
  const travel = k.travel!;
  const text = length(piToNumber(travel));
  const rows: Row[] = [
    row(
      'travel',
      'travel a turn',
      'travel for one turn of the last shaft',
      text,
      travel.piPower === 0,
      () => [{ label: 'exactly', text: [`${piText(travel)} mm`], exact: true }],
    ),
  ];
  if (k.stepsPerTurn) {
    const per = scalePi(travel, div(rational(1n), k.stepsPerTurn));
    rows.push(
      row('step', 'one step', 'travel of one step', length(piToNumber(per)), false, () => [
        turnLine(drive, k),
        { label: 'travel a turn', text: [`${piText(travel)} mm`], exact: true },
        { label: 'exactly', text: [`${piText(per)} mm`], exact: true },
      ]),
    );
  }
  return rows;
}

/** At the hinge that a screw opens, all of it at the start. */
function hingeRows(drive: Drive, k: Kinematics, hinge: PiValue): readonly Row[] {
  const exactly_ = {
    label: 'the hinge',
    text: [`${piText(hinge)} turns of the screw for one turn`],
    exact: true,
  };
  const minute = measured(piToNumber(hinge) / 1440);
  const rows = [
    row(
      'screw',
      'screw for 15′',
      'turns of the screw for 15′ at the hinge',
      [minute, { unit: 'turns' }],
      false,
      () => [exactly_],
    ),
  ];
  if (!k.stepsPerWorkTurn) return rows;
  const step = angleText(Number(ARCSEC_PER_TURN) / piToNumber(k.stepsPerWorkTurn));
  return [
    ...rows,
    row('step', 'one step', 'one step at the hinge', [step], false, () => [
      { label: 'steps of a turn', text: [piText(k.stepsPerWorkTurn!)], exact: true },
    ]),
  ];
}

/** Seconds of one turn of the work at the source's speed. */
const turnSeconds = (k: Kinematics): number => toNumber(div(rational(60), rpmOf(k, k.shafts.at(-1)!)));

function turnRow(drive: Drive, k: Kinematics): Row {
  const seconds = turnSeconds(k);
  const [n, unit] = timeText(seconds);
  return row('time', 'one turn takes', 'time for one turn of the work', [n, { unit }], false, () => [
    speedLine(k),
    ...stageLines(drive, k),
    {
      label: 'one turn',
      text: [...mixed(k.reduction), ` turns of the source: ${whole(BigInt(Math.round(seconds)))} s`],
      exact: false,
    },
    { label: 'in words', text: [durationText(seconds)], exact: false },
  ]);
}

function playRows(drive: Drive, k: Kinematics): readonly Row[] {
  const lost = lostMotion(drive.train);
  if (drive.train.stages.length === 0 && lost.byOutput === 0) return [];
  const at = (turns: number): Rich =>
    k.travel ? length(turns * piToNumber(k.travel)) : [angleText(turns * Number(ARCSEC_PER_TURN))];
  const known = knownPlay(lost);
  const text: Rich =
    known === null ? ['Unknown'] : lost.unknown > 0 ? [...at(known), { unit: 'or more' }] : at(known);
  const unknown = lost.unknown > 0 ? ` and ${lost.unknown} not known` : '';
  const lock = k.lock?.stage ?? -1;
  const line = (label: string, b: number | null, missing: string): WorkingLine => ({
    label,
    text: b === null ? [`Unknown: ${missing}`] : at(b),
    exact: false,
  });
  return [
    row('play', 'total lost motion', 'lost motion at the work', text, false, () => [
      ...lost.byStage.map((b, i): WorkingLine => {
        const { short } = kindOf(drive.train.stages[i]!);
        return i < lock
          ? {
              label: short,
              text: ['none: the wheel that locks after it keeps it from the work'],
              exact: true,
            }
          : line(short, b, 'give its module or its backlash');
      }),
      ...(drive.train.output.kind === 'rotary'
        ? []
        : [line(outputKindOf(drive.train.output).title.toLowerCase(), lost.byOutput, 'give its backlash')]),
      ...(k.lock
        ? []
        : [
            {
              label: 'at the source',
              text: [`${turnsText(lost.atSource)} of ${sourceTurn(k)} before the work follows`],
              exact: false,
            },
          ]),
      {
        label: 'all at once',
        text: [...text, `${unknown}${lost.estimate ? ', estimated' : ''}`],
        exact: false,
      },
    ]),
  ];
}

const sourceTurn = (k: Kinematics): string => (k.shafts.length > 1 ? 'shaft 0' : 'the source');
const turnsText = (turns: number): string =>
  turns < 1 ? `${measured(turns * 360)}°` : `${measured(turns)} turns`;

const DAY = 86_400;

/** What is surprising about a great reduction, in words. (handbook: drive, long trains) */
function extremes(drive: Drive, k: Kinematics): readonly string[] {
  const out: string[] = [];
  const seconds = turnSeconds(k);
  const lost = lostMotion(drive.train);
  const rpm = `At ${Number(toNumber(k.speed.rpm).toPrecision(6))} rpm`;
  if (seconds >= DAY) {
    const years = seconds / (365.25 * DAY);
    const also = years >= 1 && seconds < 2 * 365.25 * DAY ? ` (${years.toFixed(2)} years)` : '';
    out.push(`${rpm} one turn of the work takes ${durationText(seconds)}${also}.`);
  }
  if (lost.atSource >= 1 && !k.lock) {
    const est = lost.estimate ? ' (estimated)' : '';
    out.push(`Turned back, the source makes ${turnsText(lost.atSource)} that only take up backlash${est}.`);
  }
  const lastPlay = lost.byStage.at(-1) ?? 0;
  if (lastPlay > DAY / seconds && seconds > DAY)
    out.push(
      'The last wheel’s backlash is more than a day’s motion: at first it only takes up backlash. Never drive such a train from its slow end.',
    );
  return out;
}
