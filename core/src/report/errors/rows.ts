import { div, ONE, toNumber, type Rational } from '../../numbers/index.ts';
import { perPlace, preloadHolds, type BudgetRow, type KnownFrom, type Taker } from '../../errors/index.ts';
import {
  kindOf,
  showInput,
  stageInputs,
  sourceKindOf,
  outputKindOf,
  duties,
  type Drive,
  type Edit,
  type InputSpec,
} from '../../drive/index.ts';
import type { Base } from '../base.ts';
import { angleText, type Figure, inLine, measured, type Rich, timeText } from '../../words/index.ts';
import { figureOf, worked } from '../duties/duty.ts';
import type { Budgeted } from './budgets.ts';

/** A field of the drive that a row's value is typed into. */
export interface RowField {
  readonly spec: InputSpec;
  readonly value: string;
  /** what stands in for it while nothing is given */
  readonly estimate: string;
  readonly edit: (text: string) => Edit;
  /** how the value is known, once it was given: the edits that say so, as one */
  readonly knownAs: (from: 'typed' | 'dataSheet' | 'measured') => readonly Edit[];
}

/** What takes a row out, or could. */
export interface RowTaker {
  readonly title: string;
  /** the condition, as it stands */
  readonly message: string;
  /** on; off, and the maker may tick it; or its condition fails */
  readonly state: 'on' | 'off' | 'fails';
  /** what a tick does; absent where nothing can be ticked */
  readonly edit?: Edit;
}

export interface ErrorRow {
  readonly id: string;
  readonly cause: string;
  readonly where: string;
  readonly figure: Figure | null;
  /** ″, for its bar */
  readonly arcsec: number | null;
  /** it is in the sums */
  readonly counts: boolean;
  readonly period: { readonly turns: Rich; readonly time: string } | null;
  readonly known: { readonly from: KnownFrom; readonly word: string };
  readonly field: RowField | null;
  /** "at most 0.031 mm" */
  readonly mayBe: string | null;
  readonly taker: RowTaker | null;
}

export const KNOWN_WORDS = {
  estimate: 'estimate',
  typed: 'typed',
  dataSheet: 'data sheet',
  measured: 'measured',
  exact: 'exact',
  none: 'no estimate',
} as const satisfies Record<KnownFrom, string>;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Where a row arises, in a few words: "shaft 2", "worm 1 : 90". */
function whereOf(drive: Drive, { term }: BudgetRow, by: Budgeted): string {
  const stage = term.stage === null ? null : drive.train.stages[term.stage]!;
  const place =
    term.kind === 'rounding' && by.divisions !== null
      ? by.title
      : term.kind === 'drift' || term.kind === 'clock' || term.kind === 'polar' || term.kind === 'rounding'
        ? by.seconds === null || term.kind === 'rounding'
          ? 'at the work'
          : `gathered in ${timeText(by.seconds).join(' ')}`
        : stage && (term.kind === 'lostMotion' || term.kind === 'windup')
          ? `${kindOf(stage).short} ${kindOf(stage).label(stage)}`
          : `shaft ${term.shaft}`;
  return term.kind === 'step' ? `${place}, ±5 % of a step` : place;
}

const turnsText = (turns: Rational): Rich => {
  const one = div(ONE, turns);
  return [`${inLine(one)} turn${one.n > one.d ? 's' : ''}`];
};

/** The field of a row, where it has one. */
function fieldOf(drive: Drive, { term }: BudgetRow): RowField | null {
  const field = term.value?.field;
  if (!field) return null;
  const { of, at, key } = field;
  const { train, job } = drive;
  const from =
    of === 'stage'
      ? { inputs: stageInputs(train.stages[at]!), data: train.stages[at]! as object }
      : of === 'source'
        ? { inputs: sourceKindOf(train.source).inputs, data: train.source as object }
        : of === 'output'
          ? { inputs: outputKindOf(train.output).inputs, data: train.output as object }
          : { inputs: duties.load.inputs, data: (job.load ?? {}) as object };
  const spec = from.inputs.find((i) => i.key === key);
  if (!spec || (of === 'load' && !job.load)) return null;
  const data = from.data as Readonly<Record<string, never>>;
  const put = (key: string, text: string): Edit =>
    of === 'stage'
      ? { do: 'stage', at, key, text }
      : of === 'source'
        ? { do: 'source', key, text }
        : of === 'output'
          ? { do: 'output', key, text }
          : { do: 'duty', duty: 'load', at: 0, key, text };
  const list = (name: string, among: boolean): Edit => {
    const kept = String(data[name] ?? '')
      .split(/[\s,]+/)
      .filter((k) => k !== '' && k !== key);
    return put(name, [...kept, ...(among ? [key] : [])].join(', '));
  };
  return {
    spec,
    value: showInput(spec, data[key]),
    estimate: typeof term.value?.amount !== 'number' ? '' : String(Number(term.value.amount.toPrecision(3))),
    edit: (text) => put(key, text),
    knownAs: (how) =>
      ['measured', 'dataSheet']
        .filter((name) => from.inputs.some((i) => i.key === name))
        .map((name) => list(name, name === how)),
  };
}

const oneSide = (drive: Drive, on: boolean): RowTaker => ({
  title: 'one-sided approach',
  message: on ? 'holds: arrives forwards' : 'now from either side',
  state: on ? 'on' : 'off',
  edit: { do: 'approach', both: on },
});

/** What took it out, else what of the maker's means would. */
function takerOf(of: Base, row: BudgetRow, by: Budgeted): RowTaker | null {
  const { drive } = of;
  const { term, out } = row;
  const stage = term.stage;
  if (out) return OUT[out](drive, row, by);
  if (term.kind === 'lostMotion')
    return preloadHolds(drive) ? OUT.preload(drive, row, by) : oneSide(drive, false);
  if (term.kind === 'windup' || term.kind === 'deadBand')
    return by.divisions === null ? null : oneSide(drive, false);
  const behind = stage === null ? (term.id.startsWith('motor.') ? 0 : null) : stage + 1;
  if (
    by.divisions !== null &&
    term.turnsPerOutputTurn &&
    (term.kind === 'periodic' || term.kind === 'step')
  ) {
    const per = perPlace(term.turnsPerOutputTurn, by.divisions);
    if (term.shaft < drive.train.stages.length)
      return {
        title: 'whole turns a gap',
        message: `not at ${by.divisions}: ${inLine(per)}${per.d === 2n ? ', two places: start at its zero' : ' turns'}`,
        state: 'fails',
      };
  }
  if (behind === null) return null;
  const { encoder } = drive;
  if (encoder && encoder.shaft >= behind)
    return {
      title: `encoder on shaft ${encoder.shaft}`,
      message: 'when the drive goes by it',
      state: 'off',
      edit: { do: 'encoder', key: 'corrects', text: 'true' },
    };
  return { title: `encoder, shaft ${behind}`, message: 'needs one fitted there', state: 'fails' };
}

const OUT: Readonly<Record<Taker, (drive: Drive, row: BudgetRow, by: Budgeted) => RowTaker>> = {
  oneSide: (drive) => oneSide(drive, true),
  oneWay: () => ({ title: 'runs one way', message: 'holds until it is reversed', state: 'on' }),
  encoder: (drive) => ({
    title: `encoder on shaft ${drive.encoder!.shaft}`,
    message: 'the drive goes by it',
    state: 'on',
    edit: { do: 'encoder', key: 'corrects', text: '' },
  }),
  sprung: (_, { term }) => ({
    title: 'sprung wheel',
    message: 'while its spring is stronger than the load',
    state: 'on',
    edit: { do: 'stage', at: term.stage!, key: 'sprung', text: '' },
  }),
  preload: ({ job: { load } }) => ({
    title: 'preload',
    message: `holds: ${measured(load!.preloadNm!)} N·m is over friction and load; a cord winds up and must be wound back`,
    state: 'on',
  }),
  cancels: (_, { term }, by) => ({
    title: 'whole turns a gap',
    message: `${inLine(perPlace(term.turnsPerOutputTurn!, by.divisions!))} at ${by.divisions}: it always stands the same way`,
    state: 'on',
  }),
};

/** A row of a budget in words and figures. */
export function errorRow(of: Base, row: BudgetRow, by: Budgeted): ErrorRow {
  const { term } = row;
  const { arcsec, value } = term;
  const n = term.turnsPerOutputTurn;
  const whole = term.kind === 'lostMotion';
  const text = arcsec === null ? null : `${whole ? '' : '±'}${angleText(arcsec)}`;
  return {
    id: term.id,
    cause: capital(term.cause),
    where: whereOf(of.drive, row, by),
    arcsec,
    counts: row.counted !== null && row.counted > 0,
    figure:
      text === null
        ? null
        : figureOf({
            key: `errors.${by.key}.${term.id}`,
            label: `${term.cause} at the output, ${by.title}`,
            value: arcsec,
            text: [text],
            from: [
              worked('arises', whereOf(of.drive, row, by)),
              ...(value?.amount && value.perUnit
                ? [
                    worked(
                      'reflected',
                      `${measured(value.amount)} ${value.unit} × ${measured(value.perUnit)}″ for each`,
                    ),
                  ]
                : []),
              worked('known from', KNOWN_WORDS[term.known]),
              ...(row.out ? [worked('taken out by', takerOf(of, row, by)!.title)] : []),
            ],
          }),
    period: n
      ? {
          turns: turnsText(n),
          time: by.turnSeconds === null ? '' : timeText(by.turnSeconds / toNumber(n)).join(' '),
        }
      : null,
    known: { from: term.known, word: KNOWN_WORDS[term.known] },
    field: fieldOf(of.drive, row),
    mayBe:
      row.mayBe === null || !value ? null : `at most ${measured(row.mayBe)} ${value.unit}`.replace(' ′', '′'),
    taker: takerOf(of, row, by),
  };
}
