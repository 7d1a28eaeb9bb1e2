import {
  compare,
  decimal,
  error,
  exactly,
  isNegative,
  isZero,
  ok,
  readCount,
  readNumber,
  readReduction,
  toText,
  type Rational,
  type Result,
} from '../../numbers/index.ts';
import { knownBoxes, pairsRatio, type InputValue, type StageKindId } from '../../drive/index.ts';
import {
  labelInterval,
  MAX_WHEEL_SETS,
  middleOf,
  pairTrains,
  ratioInterval,
  runNow,
  simplestIn,
  wheelSets,
  type Interval,
  type Teeth,
} from '../../find/index.ts';
import { grouped } from '../../words/index.ts';

/** What is known of a gearbox: a count at the machine or a label, exact numbers as they were typed. Plain data. */
export interface TrueRatioAsked {
  readonly by: 'count' | 'label';
  /** full steps a turn of the source, whole turns of the output, steps counted ("" while none are), give or take */
  readonly perTurn: string;
  readonly turns: string;
  readonly steps: string;
  readonly off: string;
  readonly label: string;
  readonly percent: string;
  /** wheels that may make it */
  readonly teeth: Teeth;
  readonly pairs: number;
}

/** A stage that something found would become. */
export interface StageToUse {
  readonly kind: StageKindId;
  readonly values: Readonly<Record<string, InputValue>>;
}

export interface TrueRatioReport {
  /** "63.9 to 64.1", or what is missing */
  readonly message: string;
  /** what was counted with its ±; null while nothing is */
  readonly measured: { readonly text: string; readonly use: StageToUse } | null;
  readonly fractions: readonly { readonly text: string; readonly value: string; readonly use: StageToUse }[];
  readonly boxes: readonly {
    readonly title: string;
    readonly label: string;
    readonly value: string;
    readonly inside: boolean;
    readonly use: StageToUse;
  }[];
  /** why wheels cannot be looked through; null when they can */
  readonly refuses: string | null;
}

/** Wheels that make a ratio in the interval. */
export interface WheelTrain {
  readonly text: string;
  readonly value: string;
  /** "12:60  10:50" */
  readonly words: string;
  readonly use: StageToUse;
}

const FRACTIONS = 8;
const TRAINS = 20;

export const trueRatioAsked = (fullSteps: number): TrueRatioAsked => ({
  by: 'count',
  perTurn: String(fullSteps),
  turns: '10',
  steps: '',
  off: '4',
  label: '64',
  percent: '1',
  teeth: { from: 8, to: 60 },
  pairs: 2,
});

const positive = (text: string, zero: boolean): Result<string> => {
  const read = readNumber(text);
  if (!read.ok) return read;
  if (isNegative(read.value)) return error('negative', text, { example: '10' });
  return isZero(read.value) && !zero ? error('zero', text, { example: '10' }) : ok(toText(read.value));
};

/** A field as it was typed; refused where it is no number of its kind. */
export function setTrueRatio(
  asked: TrueRatioAsked,
  key: 'perTurn' | 'turns' | 'steps' | 'off' | 'label' | 'percent' | 'pairs',
  text: string,
): Result<TrueRatioAsked> {
  if (key === 'pairs') {
    const read = readCount(text, { min: 1, max: 4, unit: 'pairs', example: '2' });
    return read.ok ? ok({ ...asked, pairs: read.value }) : read;
  }
  if (key === 'label') {
    const read = readReduction(text);
    if (!read.ok) return read;
    return isNegative(read.value.value)
      ? error('negative', text, { example: '45:1' })
      : ok({ ...asked, label: toText(read.value.value) });
  }
  const read = positive(text, key === 'off' || key === 'percent');
  return read.ok ? ok({ ...asked, [key]: read.value }) : read;
}

function intervalOf(asked: TrueRatioAsked): Interval | null {
  const { by, label, percent, steps, perTurn, turns, off } = asked;
  if (by === 'label') return labelInterval(exactly(label), exactly(percent));
  if (steps === '') return null;
  return ratioInterval({
    perTurn: exactly(perTurn),
    turns: exactly(turns),
    steps: exactly(steps),
    error: exactly(off),
  });
}

/** A fraction that fits is a guess, however it was found: it counts as printed until teeth are counted. */
const guess = (r: Rational): StageToUse => ({
  kind: 'ratio',
  values: { value: toText(r), provenance: 'nominal' },
});

function measuredOf(interval: Interval): NonNullable<TrueRatioReport['measured']> {
  const { ratio, plusMinus } = middleOf(interval);
  const sure = isZero(plusMinus);
  return {
    text: `${decimal(ratio, 6)} ± ${decimal(plusMinus, 6)}`,
    use: {
      kind: 'ratio',
      values: {
        value: toText(ratio),
        provenance: sure ? 'nominal' : 'measured',
        ...(sure ? {} : { plusMinus: toText(plusMinus) }),
      },
    },
  };
}

/** What a gearbox may be: the simplest fractions, boxes often met, what was counted. (handbook: numbers, true ratio) */
export function trueRatioReport(asked: TrueRatioAsked): TrueRatioReport {
  const interval = intervalOf(asked);
  const inside = (r: Rational): boolean =>
    interval !== null && compare(interval.low, r) <= 0 && compare(r, interval.high) <= 0;
  return {
    message: interval
      ? `${decimal(interval.low, 5)} to ${decimal(interval.high, 5)}`
      : asked.by === 'label'
        ? 'The label may not be off by all of itself.'
        : asked.steps === ''
          ? 'Type how many steps the source made.'
          : 'So few steps, give or take so many, may be none at all.',
    measured: asked.by === 'count' && interval ? measuredOf(interval) : null,
    fractions: interval
      ? simplestIn(interval, FRACTIONS).map((r) => ({ text: toText(r), value: decimal(r, 5), use: guess(r) }))
      : [],
    boxes: knownBoxes.map(({ title, label, pairs }) => ({
      title,
      label,
      value: decimal(pairsRatio(pairs), 5),
      inside: inside(pairsRatio(pairs)),
      use: { kind: 'box', values: { pairs, ratio: label, guessed: true } },
    })),
    refuses:
      wheelSets(asked.teeth, asked.pairs) > MAX_WHEEL_SETS
        ? `These are more than ${grouped(String(MAX_WHEEL_SETS))} sets of wheels. Allow fewer pairs, or a narrower range.`
        : interval === null
          ? ''
          : null,
  };
}

/** Wheels that make a ratio in it, for a worker; none while nothing is known. */
export function wheelTrains(asked: TrueRatioAsked): readonly WheelTrain[] {
  const interval = intervalOf(asked);
  if (!interval) return [];
  return runNow(pairTrains(interval.low, interval.high, asked.teeth, asked.pairs, TRAINS)).map(
    ({ ratio, driven, drivers }) => ({
      text: toText(ratio),
      value: decimal(ratio, 5),
      words: driven.map((z, i) => `${drivers[i]}:${z}`).join('  '),
      use: {
        kind: 'box',
        values: { pairs: driven.map((z, i) => [drivers[i]!, z] as const), guessed: true },
      },
    }),
  );
}
