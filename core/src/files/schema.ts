import Joi from 'joi';
import { parseRational, readDivisions, error, type Refusal } from '../numbers/index.ts';
import {
  duties,
  buildFault,
  designFault,
  logFault,
  revisionsFault,
  dutyFault,
  encoderFault,
  findFault,
  hangFault,
  MAX_DUTIES,
  MAX_GEARS,
  MAX_HOLES,
  MAX_NAME,
  MAX_STAGES,
  MAX_TRAINS,
  outputFault,
  readMoves,
  show,
  sourceFault,
  stageFault,
  togetherFault,
  type Drive,
  type DutyId,
} from '../drive/index.ts';

/** Carries a refusal of ours through Joi, which reports the place. */
const REFUSED = 'pendrix.refused';
type Helpers = Joi.CustomHelpers;
export const refuse = (helpers: Helpers, refusal: Refusal): Joi.ErrorReport =>
  helpers.error(REFUSED, { refusal });

/** An exact rational as text; a whole JSON number is taken too, any other number refused by name. */
export const exact = (test?: (value: string) => Refusal | null): Joi.AnySchema =>
  Joi.any().custom((value: unknown, helpers) => {
    if (typeof value === 'number') {
      if (!Number.isFinite(value)) return refuse(helpers, error('notFinite', String(value)).refusal);
      if (!Number.isSafeInteger(value)) return refuse(helpers, error('inexact', String(value)).refusal);
    }
    const text = typeof value === 'number' ? String(value) : value;
    const r = typeof text === 'string' ? parseRational(text) : null;
    if (!r) return refuse(helpers, error('notExact', show(value)).refusal);
    const refusal = test?.(text as string);
    return refusal ? refuse(helpers, refusal) : text;
  });

export const positive = (example: string): Joi.AnySchema =>
  exact((text) => {
    const r = parseRational(text)!;
    if (r.s < 0n) return error('negative', text, { example: `"${example}"` }).refusal;
    return r.n === 0n ? error('zero', text, { example: `"${example}"` }).refusal : null;
  });

const text = (most: number): Joi.StringSchema => Joi.string().allow('').max(most);

export const divisions = Joi.string()
  .allow('')
  .custom((value: string, helpers) => {
    const read = readDivisions(value);
    return read.ok ? value : refuse(helpers, read.refusal);
  });

/** What the drive room finds wrong with a part of a drive, as Joi asks for it. */
const data = (fault: (value: unknown) => Refusal | null): Joi.ObjectSchema =>
  Joi.object({})
    .unknown(true)
    .custom((value: unknown, helpers) => {
      const refusal = fault(value);
      return refusal ? refuse(helpers, refusal) : value;
    });

const dutyOf = (id: DutyId): Joi.ObjectSchema => data((value) => dutyFault(id, value));
const dutiesOf = (id: DutyId): Joi.ArraySchema => Joi.array().items(dutyOf(id)).max(MAX_DUTIES);

const jobDuties = Object.fromEntries(
  (Object.keys(duties) as DutyId[])
    .filter((id) => duties[id].of === 'job')
    .map((id) => [id, duties[id].many ? dutiesOf(id) : dutyOf(id)]),
);

const holes = Joi.number().integer().min(2).max(MAX_HOLES);
const plates = Joi.object({
  wormRatio: positive('40'),
  plates: Joi.array().items(Joi.array().items(holes).max(60)).max(12).required(),
  gears: Joi.array().items(holes).max(MAX_GEARS),
  mostHoles: holes,
}).unknown(true);

const job = Joi.object({
  ...jobDuties,
  divisions: divisions.default(''),
  toleranceArcsec: positive('20'),
  toleranceMm: positive('0.02'),
  radiusMm: positive('30'),
  notes: text(2000),
  moves: Joi.string()
    .allow('')
    .custom((value: string, helpers) => {
      const read = readMoves(value);
      return read.ok ? value : refuse(helpers, read.refusal);
    }),
}).unknown(true);

export const stage = data(stageFault);

/** Turns from home, 0 or more. */
const turns = exact((given) =>
  given.startsWith('-') ? error('negative', given, { example: '"1"' }).refusal : null,
);

const limits = Joi.object({ back: turns.required(), forth: turns.required(), why: text(60) }).unknown(true);

const name = Joi.string()
  .allow('')
  .max(MAX_NAME)
  .custom((value: string, helpers) => value.trim() || refuse(helpers, error('noName', value).refusal));

const list = Joi.array().items(stage).max(MAX_STAGES).required();

/** A train that stands beside the first. */
const further = Joi.object({
  name: text(60).required(),
  from: Joi.any().custom((value: unknown, helpers) => {
    const refusal = hangFault(value);
    return refusal ? refuse(helpers, { ...refusal, path: refusal.path.replace(/^from\.?/, '') }) : value;
  }),
  source: data(sourceFault),
  stages: list,
  output: data(outputFault).required(),
  limits,
  encoder: data(encoderFault),
  job: job.required(),
  find: data(findFault),
}).unknown(true);

/** Anything that core judges itself. */
const checked = (fault: (value: unknown) => Refusal | null) =>
  Joi.any().custom((value: unknown, helpers) => {
    const refusal = fault(value);
    return refusal ? refuse(helpers, refusal) : value;
  });

/** A drive as it is kept. Keys it does not name are kept too. (docs: formats) */
export const driveSchema = Joi.object({
  format: Joi.string().valid('pendrix-drive').required(),
  version: Joi.number().valid(2).required(),
  name: name.required(),
  job: job.default({ divisions: '' }),
  train: Joi.object({
    name: text(60),
    source: data(sourceFault).required(),
    stages: list,
    output: data(outputFault).default({ kind: 'rotary' }),
    limits,
  })
    .unknown(true)
    .required(),
  others: Joi.array()
    .items(further)
    .max(MAX_TRAINS - 1),
  encoder: data(encoderFault),
  timer: dutyOf('timer'),
  bench: dutyOf('bench'),
  printer: dutyOf('printer'),
  build: data(buildFault),
  setup: data(buildFault),
  log: checked(logFault),
  revisions: checked((value) => revisionsFault(value, designFault)),
  plates,
  find: data(findFault),
  dismissed: Joi.array().items(text(60)).max(100),
})
  .unknown(true)
  .custom((value: Drive, helpers) => {
    const refusal = togetherFault(value);
    return refusal ? refuse(helpers, refusal) : value;
  });

/** "train.stages[1].wheel" */
export const placeOf = (path: readonly (string | number)[]): string =>
  path.reduce<string>(
    (out, key) => (typeof key === 'number' ? `${out}[${key}]` : out ? `${out}.${key}` : key),
    '',
  );

const tooLong: Readonly<Record<string, Refusal['code']>> = {
  stages: 'tooManyStages',
  others: 'tooManyTrains',
};

/** Joi's first complaint as a refusal of ours. */
export function refusalFrom(fault: Joi.ValidationError): Refusal {
  const detail = fault.details[0]!;
  const path = placeOf(detail.path);
  const context = detail.context ?? {};
  const given = 'value' in context ? show(context['value']) : '';
  if (detail.type === REFUSED) {
    const inner = context['refusal'] as Refusal;
    return {
      ...inner,
      path: inner.path ? placeOf([...detail.path, inner.path]).replaceAll('.[', '[') : path,
    };
  }
  const limit = context['limit'] === undefined ? {} : { limit: String(context['limit']) };
  const plain = (code: Refusal['code'], more = {}): Refusal =>
    error(code, given, { path, ...limit, ...more }).refusal;
  switch (detail.type) {
    case 'any.required':
      return error('missing', '', { path }).refusal;
    case 'object.base':
      return plain('notObject');
    case 'array.base':
      return plain('notList');
    case 'string.base':
      return plain('notText');
    case 'string.empty':
      return plain('empty');
    case 'string.max':
      return plain('tooLong');
    case 'array.max':
      return plain(tooLong[String(detail.path.at(-1))] ?? 'listTooLong', {
        unit: String(detail.path.at(-1)),
      });
    case 'number.base':
      return plain('notNumber');
    case 'number.integer':
      return plain('notWhole');
    case 'number.min':
      return plain('tooSmall');
    case 'number.max':
      return plain('tooLarge');
    case 'number.infinity':
    case 'number.unsafe':
      return plain('notFinite');
    case 'any.only': {
      const valids = (context['valids'] as unknown[] | undefined)?.map(String).join(', ') ?? '';
      return plain(detail.path.at(-1) === 'kind' ? 'unknownKind' : 'notAChoice', { limit: valids });
    }
    default:
      return plain('badValue');
  }
}
