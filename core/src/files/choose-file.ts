import Joi from 'joi';
import { error, ok, type Refusal, type Result } from '../numbers/index.ts';
import {
  isStageKind,
  kindOf,
  newDrive,
  sourceFault,
  sourceKindOf,
  stageFault,
  type Drive,
  type Source,
  type Stage,
} from '../drive/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import {
  chooseCertificate,
  decides,
  droppedOf,
  MAX_CHOOSE_STAGES,
  MAX_MEASURES,
  measureIds,
  poolOf,
  POOLS,
  standing,
  USUAL_MEASURES,
  type ChoosePool,
  type ChooseRequest,
  type Chosen,
  type MeasureId,
  type PoolFrom,
  type SourceChoice,
  type StageChoice,
  type Stock,
} from '../choose/index.ts';
import { driveForm, driveFrom } from './drive-file.ts';
import { readJson } from './json.ts';
import { exact, refusalFrom, refuse } from './schema.ts';

/** Parts of a request, different ones. */
const MAX_PARTS = 200;
const MAX_OWN = 1_000_000;

const price = exact((text) =>
  text.startsWith('-') ? error('negative', text, { example: '"5.90"' }).refusal : null,
);
const count = Joi.number().integer().min(0).max(MAX_OWN);

type Given = Readonly<Record<string, unknown>> & { readonly kind: string };

/** What is said of a part in a drive holds here too; beside it stand what it costs and how many there are. */
const checked = (
  beside: Record<string, Joi.AnySchema>,
  fault: (alone: unknown) => Refusal | null,
): Joi.ObjectSchema =>
  Joi.object({ kind: Joi.string().required(), ...beside })
    .unknown(true)
    .custom((value: Given, helpers) => {
      const refusal = fault(without(value, beside));
      return refusal ? refuse(helpers, refusal) : value;
    });

const without = (value: Given, keys: object): Given =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !(key in keys))) as Given;

const OF_STAGE = { quantity: count, price, own: count };
const OF_SOURCE = { price, own: count };
const stage = checked(OF_STAGE, stageFault);
const kept = checked({}, stageFault);
const source = checked(OF_SOURCE, (alone) => sourceFault(withMode(alone as Given)));

/** A source of a request is taken in all its modes: it needs none in force. */
const withMode = (alone: Given): Given => {
  const { modes } = alone;
  return Array.isArray(modes) && !('mode' in alone) ? { ...alone, mode: modes[0] as unknown } : alone;
};

const schema = Joi.object({
  format: Joi.string().valid('pendrix-choose').required(),
  version: Joi.number().valid(1).required(),
  name: Joi.string().allow('').max(120),
  job: Joi.object().unknown(true).default({}),
  train: Joi.object().unknown(true).default({}),
  output: Joi.object().unknown(true).default({ kind: 'rotary' }),
  timer: Joi.object().unknown(true),
  pool: Joi.object({
    from: Joi.string()
      .valid(...Object.keys(POOLS), 'given')
      .required(),
    sources: Joi.array()
      .items(source)
      .min(1)
      .max(MAX_PARTS)
      .when('from', { is: 'given', then: Joi.required() }),
    stages: Joi.array().items(stage).max(MAX_PARTS).default([]),
    maxStages: Joi.number().integer().min(1).max(MAX_CHOOSE_STAGES).default(3),
    spendAtMost: price,
    canMake: Joi.boolean().default(true),
    byHand: Joi.boolean().default(false),
    keep: Joi.array().items(kept).max(20).default([]),
  })
    .unknown(true)
    .required(),
  measures: Joi.array()
    .items(Joi.string().valid(...measureIds))
    .min(1)
    .max(MAX_MEASURES)
    .unique()
    .default([...USUAL_MEASURES]),
}).unknown(true);

/** A checked request file. */
interface RequestFile {
  readonly job: object;
  readonly train: object;
  readonly output: object;
  readonly timer?: object;
  readonly pool: {
    readonly from: PoolFrom | 'given';
    readonly sources?: readonly (Given & { readonly price?: string; readonly own?: number })[];
    readonly stages: readonly (Given & {
      readonly quantity?: number;
      readonly price?: string;
      readonly own?: number;
    })[];
    readonly maxStages: number;
    readonly spendAtMost?: string;
    readonly canMake: boolean;
    readonly byHand: boolean;
    readonly keep: readonly Stage[];
  };
  readonly measures: readonly MeasureId[];
}

/** Reads the text of a request for whole drives. One refusal names the first place that is wrong. (docs: formats, choose) */
export function readChooseRequest(
  text: string,
  shelf: readonly ShelfPart[] | null,
  told: number,
): Result<ChooseRequest> {
  const json = readJson(text);
  if (!json.ok) return json;
  const { value } = json;
  if (typeof value === 'object' && value !== null && 'format' in value && value.format !== 'pendrix-choose')
    return error('wrongFormat', String(value.format), { path: 'format', limit: 'pendrix-choose' });
  const read = schema.validate(value, { convert: false, abortEarly: true });
  if (read.error) return { ok: false, refusal: refusalFrom(read.error) };
  return requestOf(read.value as RequestFile, shelf, told);
}

function requestOf(
  file: RequestFile,
  shelf: readonly ShelfPart[] | null,
  told: number,
): Result<ChooseRequest> {
  const { pool, measures } = file;
  if (pool.from !== 'given' && !shelf)
    return error('needsOption', 'the shelf', {
      path: '--shelf',
      example: '--shelf demo/lantern-hill.shelf.json',
    });
  const given = pool.from === 'given' ? givenPool(pool) : null;
  if (given?.sources.length === 0) return error('empty', '', { path: 'pool.sources', example: 'a stepper' });
  const wanted = wantedFrom(file, given?.sources[0]?.source ?? newDrive('').train.source);
  if (!wanted.ok) return wanted;
  const { from, canMake, byHand } = pool;
  const chosen =
    from === 'given'
      ? given!
      : poolOf({ from, canMake, keepSource: null, ...standing(wanted.value, byHand) }, shelf!, (p) => p.own);
  if (chosen.sources.length === 0) return error('empty', '', { path: 'pool.sources', example: 'a stepper' });
  return ok({
    wanted: wanted.value,
    sources: chosen.sources,
    stages: chosen.stages,
    stock: chosen.stock,
    maxStages: pool.maxStages,
    ...(pool.spendAtMost !== undefined && { spendAtMost: pool.spendAtMost }),
    measures,
    count: told,
    pool: chosen.words,
  });
}

/** The job as a drive of which only the kept stages are chosen; places are those of the request. */
function wantedFrom(file: RequestFile, source: Source): Result<Drive> {
  const drive = driveFrom({
    format: 'pendrix-drive',
    version: 2,
    name: 'Wanted',
    job: file.job,
    trains: [
      {
        job: file.train,
        from: null,
        source,
        stages: file.pool.keep.map((s) => ({ ...s, kept: true })),
        output: file.output,
      },
    ],
    ...(file.timer && { timer: file.timer }),
  });
  if (drive.ok) return drive;
  const { refusal } = drive;
  const path = refusal.path
    .replace(/^trains\[0\]\.job/, 'train')
    .replace(/^trains\[0\]\.stages/, 'pool.keep')
    .replace(/^trains\[0\]\./, '');
  return { ok: false, refusal: { ...refusal, path } };
}

/** The parts that are written down in the request itself; two equal stages are one kind. */
function givenPool({ sources = [], stages, canMake }: RequestFile['pool']): ChoosePool {
  const stock = new Map<string, Stock>();
  const byKey = new Map<string, StageChoice>();
  for (const { quantity = 1, price: cost, own = 0, ...alone } of stages) {
    const made = alone as unknown as Stage;
    const key = JSON.stringify(made);
    const known = stock.get(key);
    const wheels = canMake && isStageKind(made.kind) ? (kindOf(made).makes?.(made).length ?? 0) : 0;
    stock.set(key, {
      quantity: quantity + (known?.quantity ?? 0),
      own: own + (known?.own ?? 0),
      ...((cost ?? known?.price) !== undefined && { price: cost ?? known!.price! }),
      wheels,
    });
    byKey.set(key, { stage: made, takes: [key] });
  }
  const choices = sources.map(({ price: cost, own = 0, ...alone }): SourceChoice => {
    const one = withMode(alone) as unknown as Source;
    return {
      source: one,
      modes: sourceKindOf(one).modes(one),
      own,
      ...(cost !== undefined && { price: cost }),
    };
  });
  return {
    sources: choices,
    stages: [...byKey.values()],
    stock,
    words: `From ${byKey.size} stages and ${choices.length} sources of the request`,
  };
}

/** What `pendrix choose --json` prints. (docs: formats, choose) */
export function chooseAnswer(request: ChooseRequest, chosen: Chosen): object {
  const { window } = chosen;
  const finite = (n: number): number | null => (Number.isFinite(n) ? n : null);
  return {
    considered: chosen.considered,
    window: { from: window.from, to: finite(window.to), because: window.because },
    candidates: chosen.best.slice(0, request.count).map(({ candidate, values }, i) => ({
      drive: driveForm(candidate.drive),
      measures: Object.fromEntries(request.measures.map((id, at) => [id, values[at]])),
      decides: decides(request, chosen, i),
    })),
    dropped: droppedOf(chosen).map(({ family, asking, by }) => ({ family, asking, by })),
    equal: chosen.equal,
    proven: chosen.proven,
    pool: chooseCertificate(request, chosen),
  };
}
