import Joi from 'joi';
import { exactly, readDivisions, error, ok, type Rational, type Result } from '../numbers/index.ts';
import { searchedKinds, wheelSearch, type Stage, type StageKindId } from '../drive/index.ts';
import {
  MAX_FIND_COUNT,
  MAX_FIND_STAGES,
  stagesRefused,
  type Asked,
  type Between,
  type Family,
  type FindRequest,
  type FixedPart,
  type PoolWheel,
} from '../find/index.ts';
import { readJson } from './json.ts';
import { migrate } from './migrate.ts';
import { divisions, exact, positive, refusalFrom, refuse, stage } from './schema.ts';

/** The largest wheel a request may name, teeth; four of the largest multiply to what doubles still hold exactly. */
const MAX_TEETH = 2000;
/** Wheels of a request, different ones. */
const MAX_WHEELS = 2000;

const teeth = Joi.number().integer().min(1).max(MAX_TEETH);
const quantity = Joi.number().integer().min(0).max(1_000_000);

const range = Joi.object({ from: teeth.required(), to: teeth.required() }).custom(
  (value: { from: number; to: number }, helpers) =>
    value.from > value.to
      ? refuse(
          helpers,
          error('backwards', `${value.from} to ${value.to}`, { path: 'to', example: '12 to 127' }).refusal,
        )
      : value,
);

const wheels = Joi.alternatives().conditional(Joi.array(), {
  then: Joi.array()
    .items(
      Joi.object({
        teeth: teeth.required(),
        quantity: quantity.default(1),
        buy: Joi.boolean().default(false),
      }),
    )
    .max(MAX_WHEELS),
  otherwise: range,
});

const family = Joi.object({
  pair: Joi.string()
    .valid(...searchedKinds.filter(wheelSearch))
    .default('spur'),
  sizeMm: Joi.number().greater(0).max(1000),
  wheels: wheels.required(),
});

/** A stage beside its quantity: what is said of a stage in a drive holds here too. */
const part = Joi.object({ kind: Joi.string().required(), quantity: quantity.default(1) })
  .unknown(true)
  .custom((value: Stage & { quantity: number }, helpers) => {
    const { quantity: _, ...alone } = value;
    const checked = stage.validate(alone, { convert: false });
    return checked.error ? refuse(helpers, refusalFrom(checked.error)) : value;
  });

const between = (item: Joi.AnySchema): Joi.ArraySchema => Joi.array().items(item).length(2);
const limit = Joi.alternatives().conditional(Joi.valid(null), {
  then: Joi.valid(null),
  otherwise: positive('10000'),
});

const schema = Joi.object({
  format: Joi.string().valid('pendrix-find').required(),
  version: Joi.number().valid(1).required(),
  name: Joi.string().allow('').max(120),
  question: Joi.string().valid('ratio', 'divisions', 'rate').required(),
  target: positive('365.24219').when('question', { is: 'ratio', then: Joi.required() }),
  divisions: divisions.when('question', { is: 'divisions', then: Joi.required() }),
  rate: Joi.object({ periodSeconds: positive('86164.0905').required() })
    .unknown(true)
    .when('question', {
      is: 'rate',
      then: Joi.required(),
    }),
  timer: Joi.object({
    tickHz: positive('2000000').required(),
    bits: Joi.number().integer().min(1).max(53),
  })
    .unknown(true)
    .when('question', { is: 'rate', then: Joi.required() }),
  source: Joi.object({
    fullSteps: Joi.number().integer().min(1).max(1_000_000).default(200),
    modes: Joi.array().items(Joi.number().integer().min(1).max(65_536)).min(1).max(64).default([1]),
  })
    .unknown(true)
    .when('question', { is: 'ratio', otherwise: Joi.required() }),
  pool: Joi.object({
    wheels,
    parts: Joi.array().items(part).max(20_000),
    kept: Joi.array().items(stage).max(20),
    families: Joi.array().items(family).max(20),
    mostBought: Joi.number().integer().min(0).max(20),
  }).required(),
  maxStages: Joi.number().integer().min(1).max(MAX_FIND_STAGES).default(3),
  limits: Joi.object({
    steps: between(limit),
    ratio: between(limit),
    maxErrorPpm: exact((text) =>
      text.startsWith('-') ? error('negative', text, { example: '"1000"' }).refusal : null,
    ),
    interval: between(Joi.number().integer().min(1)),
    pairRatio: positive('10'),
    pairTeeth: between(Joi.number().integer().min(2)),
    meet: Joi.string().valid('hunting', 'repeating'),
  }).default({}),
  rank: Joi.string().valid('best', 'pareto', 'both').default('best'),
  count: Joi.number().integer().min(1).max(MAX_FIND_COUNT).default(20),
}).unknown(true);

type WheelsFile =
  | { readonly from: number; readonly to: number }
  | readonly { readonly teeth: number; readonly quantity: number; readonly buy: boolean }[];

/** A checked request file. */
interface RequestFile {
  readonly question: 'ratio' | 'divisions' | 'rate';
  readonly target?: string;
  readonly divisions?: string;
  readonly rate?: { readonly periodSeconds: string };
  readonly timer?: { readonly tickHz: string; readonly bits?: number };
  readonly source?: { readonly fullSteps: number; readonly modes: readonly number[] };
  readonly pool: {
    readonly wheels?: WheelsFile;
    readonly parts?: readonly (Stage & { readonly quantity: number })[];
    readonly kept?: readonly Stage[];
    readonly families?: readonly {
      readonly pair: StageKindId;
      readonly sizeMm?: number;
      readonly wheels: WheelsFile;
    }[];
    readonly mostBought?: number;
  };
  readonly maxStages: number;
  readonly limits: {
    readonly steps?: readonly (string | null)[];
    readonly ratio?: readonly (string | null)[];
    readonly maxErrorPpm?: string;
    readonly interval?: readonly number[];
    readonly pairRatio?: string;
    readonly pairTeeth?: readonly number[];
    readonly meet?: 'hunting' | 'repeating';
  };
  readonly rank: FindRequest['rank'];
  readonly count: number;
}

/** Reads the text of a request for trains. One refusal names the first place that is wrong. (docs: formats) */
export function readFindRequest(text: string): Result<FindRequest> {
  const json = readJson(text);
  if (!json.ok) return json;
  const file = migrate(json.value);
  if (!file.ok) return file;
  if (file.value.format !== 'pendrix-find')
    return error('wrongFormat', file.value.format, { path: 'format', limit: 'pendrix-find' });
  const checked = schema.validate(file.value.file, { convert: false, abortEarly: true });
  if (checked.error) return { ok: false, refusal: refusalFrom(checked.error) };
  return requestOf(checked.value as RequestFile);
}

function requestOf(file: RequestFile): Result<FindRequest> {
  const asked = askedOf(file);
  if (!asked.ok) return asked;
  const { limits, pool } = file;
  const families: Family[] = [
    ...(pool.wheels ? [{ pair: 'spur' as const, sizeMm: null, wheels: wheelsOf(pool.wheels) }] : []),
    ...(pool.families ?? []).map((f) => ({
      pair: f.pair,
      sizeMm: f.sizeMm ?? null,
      wheels: wheelsOf(f.wheels),
    })),
  ];
  const largest = families.flatMap((f) => f.wheels).reduce((n, w) => Math.max(n, w.teeth), 1);
  if (largest ** file.maxStages > Number.MAX_SAFE_INTEGER / 2 ** 12)
    return error('tooLarge', String(largest), {
      path: 'pool.wheels',
      unit: 'teeth',
      limit: String(Math.floor((Number.MAX_SAFE_INTEGER / 2 ** 12) ** (1 / file.maxStages))),
    });
  const owned = families.every((f) => f.wheels.every((w) => !w.buy));
  const request: FindRequest = {
    asked: asked.value,
    source: file.source ?? null,
    kit: {
      families,
      parts: (pool.parts ?? []).map(({ quantity: many, ...alone }): FixedPart => ({
        stage: alone,
        quantity: many,
      })),
      mostBought: pool.mostBought ?? (owned && families.length > 0 ? 0 : null),
      ...(pool.kept && { kept: { first: [], last: pool.kept } }),
      ...pairLimits(limits),
    },
    maxStages: file.maxStages,
    steps: betweenOf(limits.steps),
    ratio: betweenOf(limits.ratio),
    maxErrorPpm: limits.maxErrorPpm === undefined ? null : exactly(limits.maxErrorPpm),
    interval: limits.interval ? [limits.interval[0]!, limits.interval[1]!] : null,
    rank: file.rank,
    count: file.count,
  };
  const refused = stagesRefused(request);
  return refused ? { ok: false, refusal: refused } : ok(request);
}

function askedOf(file: RequestFile): Result<Asked> {
  if (file.question === 'ratio') return ok({ question: 'ratio', target: exactly(file.target!) });
  if (file.question === 'rate')
    return ok({
      question: 'rate',
      periodSeconds: exactly(file.rate!.periodSeconds),
      tickHz: exactly(file.timer!.tickHz),
      bits: file.timer!.bits ?? null,
    });
  const read = readDivisions(file.divisions!);
  if (!read.ok) return read;
  if (read.value.length === 0) return error('empty', '', { path: 'divisions', example: '"73, 97"' });
  return ok({ question: 'divisions', divisions: read.value.map(BigInt) });
}

const wheelsOf = (file: WheelsFile): readonly PoolWheel[] =>
  'from' in file
    ? Array.from({ length: file.to - file.from + 1 }, (_, i) => ({ teeth: file.from + i, own: 0, buy: true }))
    : merged(file.map((w) => ({ teeth: w.teeth, own: w.quantity, buy: w.buy })));

/** The same wheel on two lines is one wheel with both quantities. */
function merged(wheels: readonly PoolWheel[]): readonly PoolWheel[] {
  const out = new Map<number, PoolWheel>();
  for (const w of wheels) {
    const known = out.get(w.teeth);
    out.set(w.teeth, known ? { ...w, own: known.own + w.own, buy: known.buy || w.buy } : w);
  }
  return [...out.values()];
}

function pairLimits({ pairRatio, pairTeeth, meet }: RequestFile['limits']): Pick<FindRequest['kit'], 'pair'> {
  if (pairRatio === undefined && !pairTeeth && !meet) return {};
  return {
    pair: {
      ...(pairRatio !== undefined && { mostRatio: exactly(pairRatio) }),
      ...(pairTeeth && { sum: [pairTeeth[0]!, pairTeeth[1]!] as const }),
      ...(meet && { meet }),
    },
  };
}

function betweenOf(pair: readonly (string | null)[] | undefined): Between {
  const side = (text: string | null | undefined): Rational | null =>
    text === null || text === undefined ? null : exactly(text);
  return [side(pair?.[0]), side(pair?.[1])];
}
