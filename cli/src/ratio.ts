import {
  at,
  compare,
  decimal,
  isNegative,
  isZero,
  MAX_WHEEL_SETS,
  pairTrains,
  readCount,
  readNumber,
  error,
  simplestIn,
  ok,
  toText,
  wheelSets,
  type Interval,
  type PairTrain,
  type Rational,
  type Result,
  type Teeth,
} from '@pendrix/core';
import { runTold, table, type Command, type Told } from './command.ts';
import { readOptions } from './options.ts';

/** Up to so many of each are given. */
const COUNT = 20;
const MAX_TEETH = 400;
const MAX_PAIRS = 4;

/** `pendrix ratio --low A --high B [--teeth 8-60 --pairs 3] [--json]`: what ratio it may be. (handbook: numbers, true ratio) */
export const ratio: Command = {
  name: 'ratio',
  usage: 'ratio --low 13.7325 --high 13.7365 [--teeth 8-60 --pairs 3] [--json]',
  message: 'the simplest fractions in an interval, and the wheel pairs that make one',
  run: (words, progress) => Promise.resolve(run(words, progress)),
};

function run(words: readonly string[], progress: Told): Result<string> {
  const given = readOptions(words, {
    json: 'flag',
    low: 'text',
    high: 'text',
    teeth: 'text',
    pairs: 'text',
  });
  if (!given.ok) return given;
  const { files, flags, texts } = given.value;
  if (files[0] !== undefined)
    return error('noOption', files[0], { limit: '--low, --high, --teeth, --pairs, --json' });
  const interval = readInterval(texts);
  if (!interval.ok) return interval;
  const trains = readTrains(texts, interval.value, progress);
  if (!trains.ok) return trains;
  const fractions = simplestIn(interval.value, COUNT);
  if (flags.has('json')) return ok(JSON.stringify(answer(fractions, trains.value), null, 2));
  return ok(readable(fractions, trains.value));
}

function readInterval(texts: ReadonlyMap<string, string>): Result<Interval> {
  const ends: Rational[] = [];
  for (const name of ['low', 'high']) {
    const text = texts.get(name);
    const option = `--${name}`;
    if (text === undefined) return error('needsOption', option, { example: `${option} 13.7325` });
    const read = readNumber(text);
    if (!read.ok) return { ok: false, refusal: at(option, read.refusal) };
    if (isZero(read.value)) return error('zero', text, { path: option, example: '13.7325' });
    if (isNegative(read.value)) return error('negative', text, { path: option, example: '13.7325' });
    ends.push(read.value);
  }
  const [low, high] = ends as [Rational, Rational];
  return compare(low, high) > 0
    ? error('backwards', `${toText(low)} to ${toText(high)}`, {
        path: '--high',
        example: '--low 13.7 --high 13.8',
      })
    : ok({ low, high });
}

/** The wheel trains when wheels were given; null when not. */
function readTrains(
  texts: ReadonlyMap<string, string>,
  { low, high }: Interval,
  progress: Told,
): Result<readonly PairTrain[] | null> {
  const [wheels, pairs] = [texts.get('teeth'), texts.get('pairs')];
  if (wheels === undefined)
    return pairs === undefined ? ok(null) : error('needsOption', '--teeth', { example: '--teeth 8-60' });
  const teeth = readTeeth(wheels);
  if (!teeth.ok) return teeth;
  const most = readCount(pairs ?? '2', { min: 1, max: MAX_PAIRS, unit: 'pairs', example: '2' });
  if (!most.ok) return { ok: false, refusal: at('--pairs', most.refusal) };
  const sets = wheelSets(teeth.value, most.value);
  if (sets > MAX_WHEEL_SETS)
    return error('tooManySets', `${wheels} in ${most.value} pairs`, { limit: String(MAX_WHEEL_SETS) });
  const search = pairTrains(low, high, teeth.value, most.value, COUNT);
  return ok(
    runTold(search, progress, (p) => `${p.stages} pairs, ${Math.floor((100 * p.done) / p.of)} % checked`),
  );
}

function readTeeth(text: string): Result<Teeth> {
  const sides = text
    .split('-')
    .map((s) => readCount(s, { min: 1, max: MAX_TEETH, unit: 'teeth', example: '8-60' }));
  for (const side of sides) if (!side.ok) return { ok: false, refusal: at('--teeth', side.refusal) };
  const [from, to = from] = sides.map((s) => (s.ok ? s.value : 0));
  if (from === undefined || to === undefined || sides.length > 2)
    return error('notDivisions', text, { path: '--teeth' });
  return from > to ? error('backwards', text, { path: '--teeth', example: '8-60' }) : ok({ from, to });
}

const answer = (fractions: readonly Rational[], trains: readonly PairTrain[] | null): object => ({
  fractions: fractions.map(toText),
  trains: (trains ?? []).map((t) => ({ ratio: toText(t.ratio), driven: t.driven, drivers: t.drivers })),
});

function readable(fractions: readonly Rational[], trains: readonly PairTrain[] | null): string {
  const parts = [
    table(
      ['Fraction', 'decimal'],
      fractions.map((r) => [toText(r), decimal(r, 6)]),
    ),
  ];
  if (trains?.length === 0) parts.push('No wheels of that range make a ratio in it.');
  if (trains && trains.length > 0)
    parts.push(
      table(
        ['Wheels', 'driven', 'drivers', 'teeth'],
        trains.map((t) => [
          toText(t.ratio),
          t.driven.join(' '),
          t.drivers.join(' '),
          String([...t.driven, ...t.drivers].reduce((n, z) => n + z, 0)),
        ]),
      ),
    );
  return parts.join('\n\n');
}
