import {
  angleText,
  error,
  LARGEST_COUNT,
  at,
  measured,
  ok,
  pictureOf,
  pictureTable,
  readCount,
  readSize,
  report,
  SEED,
  trackingRecord,
  type Drive,
  type Result,
} from '@pendrix/core';
import { writeCsv } from '@pendrix/core/files/index';
import { runTold, table, type Command, type Told } from './command.ts';
import { readOptions } from './options.ts';
import { readOutput } from './read.ts';

/** `pendrix simulate FILE [--seed 7] [--seconds 3600] [--every 0.1] [--divisions D] [--train NAME] [--csv]`. (handbook: errors, simulation) */
export const simulate: Command = {
  name: 'simulate',
  usage: 'simulate FILE [--seed 7] [--seconds 3600 | --divisions 73] [--csv]',
  message: 'its error while it follows, or at each gap, made up from its causes by a seed',
  run,
};

/** Rows of one record. */
const MOST = 5_000_000;
/** s between two rows, and how long a record is, when nobody says. */
const EVERY = 0.1;
const HOUR = 3600;

const OPTIONS = {
  seed: 'text',
  seconds: 'text',
  every: 'text',
  divisions: 'text',
  train: 'text',
  csv: 'flag',
} as const;

async function run(words: readonly string[], progress: Told): Promise<Result<string>> {
  const given = readOptions(words, OPTIONS);
  if (!given.ok) return given;
  const { files, flags, texts } = given.value;
  const drive = await readOutput(files, texts.get('train'));
  if (!drive.ok) return drive;
  const seed = count(texts, 'seed', SEED, { min: 0, max: 999_999_999, unit: 'seed', example: '7' });
  if (!seed.ok) return seed;
  if (texts.has('divisions')) {
    for (const name of ['seconds', 'every'])
      if (texts.has(name)) return error('twice', `--divisions, which takes no --${name}`);
    return dividing(drive.value, texts, seed.value, flags.has('csv'));
  }
  const every = size(texts, 'every', EVERY, { min: 0.001, max: 3600, unit: 's', example: '0.1' });
  if (!every.ok) return every;
  const seconds = size(texts, 'seconds', HOUR, {
    min: every.value,
    max: MOST * every.value,
    unit: 's',
    example: '3600',
  });
  if (!seconds.ok) return seconds;
  const values = runTold(
    trackingRecord(drive.value, seed.value, seconds.value, every.value),
    progress,
    (done) => `${Math.floor(100 * done)} % simulated`,
  );
  if (!values) return error('noRateToFollow', '', { path: files[0]! });
  if (flags.has('csv')) {
    const places = Math.max(0, Math.ceil(-Math.log10(every.value)));
    return ok(
      writeCsv(
        ['time_s', 'error_arcsec'],
        Array.from(values, (e, i) => [(i * every.value).toFixed(places), e.toFixed(6)]),
      ).trimEnd(),
    );
  }
  return ok(told(drive.value, values, seed.value, seconds.value).replaceAll('\u2009', ' '));
}

interface Limits {
  readonly min: number;
  readonly max: number;
  readonly unit: string;
  readonly example: string;
}
type Texts = ReadonlyMap<string, string>;

function count(texts: Texts, name: string, usual: number, limits: Limits): Result<number> {
  const text = texts.get(name);
  const read = text === undefined ? ok(usual) : readCount(text, limits);
  return read.ok ? read : { ok: false, refusal: at(`--${name}`, read.refusal) };
}

function size(texts: Texts, name: string, usual: number, limits: Limits): Result<number> {
  const text = texts.get(name);
  const read = text === undefined ? ok(usual) : readSize(text, limits);
  return read.ok ? read : { ok: false, refusal: at(`--${name}`, read.refusal) };
}

function dividing(drive: Drive, texts: Texts, seed: number, csv: boolean): Result<string> {
  const divisions = count(texts, 'divisions', 0, {
    min: 1,
    max: Math.min(5000, LARGEST_COUNT),
    unit: 'divisions',
    example: '73',
  });
  if (!divisions.ok) return divisions;
  const picture = pictureOf(drive, `divide.${divisions.value}`, seed).next().value;
  if (!picture || typeof picture !== 'object')
    return error('badValue', drive.train.source.kind, { path: 'train.source.kind' });
  const { head, rows } = pictureTable(picture);
  if (csv) return ok(writeCsv(head, rows).trimEnd());
  const all = rows.map((r) => Number(r[1]));
  return ok(
    `${divisions.value} gaps with seed ${seed}: ${angleText(Math.max(...all) - Math.min(...all))} from least to greatest, farthest off ${angleText(Math.max(...all.map(Math.abs)))}.`,
  );
}

function told(drive: Drive, values: Float64Array, seed: number, seconds: number): string {
  let [low, high, sum, squares] = [Infinity, -Infinity, 0, 0];
  for (const v of values) {
    low = Math.min(low, v);
    high = Math.max(high, v);
    sum += v;
    squares += v * v;
  }
  const mean = sum / values.length;
  const { tracking } = report(drive).judged.errors.budgets;
  const rows = (tracking?.budget.rows ?? []).flatMap((r) =>
    r.counted && r.term.turnsPerOutputTurn
      ? [[r.term.cause, `±${angleText(r.counted)}`, r.term.known as string]]
      : [],
  );
  return [
    `${measured(seconds)} s with seed ${seed}: ${angleText(high - low)} from least to greatest, ${angleText(Math.sqrt(Math.max(0, squares / values.length - mean ** 2)))} root mean square.`,
    ...(rows.length > 0 ? [table(['comes again', 'makes', 'known by'], rows)] : []),
  ].join('\n\n');
}
