import {
  div,
  equal,
  exactly,
  isNegative,
  mul,
  ONE,
  rational,
  sub,
  toNumber,
  toText,
} from '../numbers/index.ts';
import {
  kindOf,
  ratioBetween,
  trainAt,
  trainsOf,
  type BetweenOutputs,
  type Drive,
  type Stage,
} from '../drive/index.ts';
import { doubtOfBoth, doubtOfStages, gradeRatio, isSure, type Doubt } from '../motion/index.ts';
import {
  doubtful,
  doubtText,
  type Figure,
  type Graded,
  gradeWords,
  grouped,
  measured,
  mixed,
  type Rich,
  signed,
  strong,
  type WorkingLine,
} from '../words/index.ts';

/** Days of a hundred years, by which it is said what a ratio adds up to. */
const CENTURY = 36_525;

/** A ratio asked between two outputs, as the teeth make it. */
export interface BetweenReport {
  readonly key: string;
  /** "Moon to Mercury" */
  readonly title: string;
  readonly from: string;
  readonly to: string;
  /** turns of `from` during one of `to`, exact */
  readonly ratio: string;
  readonly wanted: string;
  readonly ppm: number;
  /** days that `to` is late, or early when below 0, after a hundred years of `from`'s time */
  readonly days: number;
  /** what it adds up to, in words: "0.21 d early in 100 years", "it turns the other way" */
  readonly message: string;
  readonly figures: { readonly ratio: Figure; readonly off: Figure };
  readonly graded: Graded;
  readonly doubt: Doubt;
}

/** A ratio between two outputs. It is checked that both are there and have a source in common. (handbook: drive, more than one train) */
export function betweenReport(drive: Drive, asked: BetweenOutputs, i: number): BetweenReport {
  const trains = trainsOf(drive);
  const { ratio, apart } = ratioBetween(drive, trainAt(trains, asked.from), trainAt(trains, asked.to))!;
  const wanted = exactly(asked.wanted);
  const part = sub(div(ratio, wanted), ONE);
  const ppm = toNumber(mul(part, rational(1_000_000n)));
  const days = toNumber(mul(part, rational(BigInt(CENTURY))));
  const exact = equal(ratio, wanted);
  const doubt = doubtOfBoth(doubtOfStages(apart[0]), doubtOfStages(apart[1]));
  const allowed = asked.ppm ?? null;
  const grade = gradeRatio(exact, ppm, allowed);
  const key = `between.${i}`;
  const title = `${asked.to} to ${asked.from}`;
  const against = isNegative(ratio) !== isNegative(wanted);
  const off: Rich = exact
    ? ['exact']
    : against
      ? ['the other way']
      : [signed(measured(ppm), ppm), { unit: 'ppm' }];
  const sure = isSure(doubt);
  const lines = workingOf(asked, apart);
  const found: WorkingLine = {
    label: 'the teeth make',
    text: [...strong(mixed(ratio)), doubtText(doubt, 'ppm')],
    exact: sure,
  };
  return {
    key,
    title,
    from: asked.from,
    to: asked.to,
    ratio: toText(ratio),
    wanted: asked.wanted,
    ppm,
    days,
    message: exact
      ? 'it never drifts'
      : against
        ? 'it turns the other way'
        : `${daysWords(days)} in 100 years`,
    doubt,
    graded: doubtful({ grade, word: against ? 'Turns the other way' : gradeWords[grade] }, doubt, 'ppm'),
    figures: {
      ratio: {
        key: `${key}.ratio`,
        label: `turns of ${asked.from} during one of ${asked.to}`,
        value: toText(ratio),
        text: mixed(ratio),
        exact: sure,
        working: () => [...lines, found],
      },
      off: {
        key: `${key}.off`,
        label: `${title}, off by`,
        value: ppm,
        text: off,
        exact: exact && sure,
        working: () => [
          ...lines,
          found,
          { label: 'wanted', text: [asked.wanted], exact: true },
          ...(allowed === null
            ? []
            : [{ label: 'allowed', text: [`±${measured(allowed)}`, { unit: 'ppm' }] as Rich, exact: true }]),
          {
            label: 'in 100 years',
            text: exact
              ? ['nothing: it is exactly so']
              : against
                ? ['it runs away from it']
                : [daysWords(days, asked.to)],
            exact: false,
          },
          { label: 'off by', text: strong(off), exact: exact && sure },
        ],
      },
    },
  };
}

/** "0.21 d early": what a ratio adds up to in a hundred years. */
const daysWords = (days: number, name = ''): string =>
  days === 0
    ? 'to the day'
    : `${name && `${name} `}${grouped(measured(Math.abs(days)))} d ${days < 0 ? 'early' : 'late'}`;

function workingOf(
  { from, to }: BetweenOutputs,
  [ofFrom, ofTo]: readonly [readonly Stage[], readonly Stage[]],
): readonly WorkingLine[] {
  const along = (name: string, stages: readonly Stage[]): readonly WorkingLine[] =>
    stages.map((stage) => ({
      label: `to ${name}`,
      text: [`${kindOf(stage).label(stage)}, reduction `, ...mixed(kindOf(stage).reduction(stage))],
      exact: kindOf(stage).origin(stage).from === 'exact',
    }));
  return [...along(to, ofTo), ...along(from, ofFrom)];
}
