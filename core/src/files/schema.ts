import Joi from 'joi';
import { parseRational, readDivisions, refused, type Refusal } from '../numbers/index.ts';
import {
  checkModes,
  isSourceKind,
  isStageKind,
  kindOf,
  MOST_NAME,
  MOST_STAGES,
  refusalOf,
  show,
  sourceKindOf,
  sources,
  stages,
} from '../drive/index.ts';

/** Carries a refusal of ours through Joi, which reports the place. */
const REFUSED = 'pendrix.refused';
type Helpers = Joi.CustomHelpers;
const refuse = (helpers: Helpers, refusal: Refusal): Joi.ErrorReport => helpers.error(REFUSED, { refusal });

/** An exact rational as text; a whole JSON number is taken too, any other number refused by name. */
const exact = (test?: (value: string) => Refusal | null): Joi.AnySchema =>
  Joi.any().custom((value: unknown, helpers) => {
    if (typeof value === 'number') {
      if (!Number.isFinite(value)) return refuse(helpers, refused('notFinite', String(value)).refusal);
      if (!Number.isSafeInteger(value)) return refuse(helpers, refused('inexact', String(value)).refusal);
    }
    const text = typeof value === 'number' ? String(value) : value;
    const r = typeof text === 'string' ? parseRational(text) : null;
    if (!r) return refuse(helpers, refused('notExact', show(value)).refusal);
    const refusal = test?.(text as string);
    return refusal ? refuse(helpers, refusal) : text;
  });

const positive = (example: string): Joi.AnySchema =>
  exact((text) => {
    const r = parseRational(text)!;
    if (r.s < 0n) return refused('negative', text, { example: `"${example}"` }).refusal;
    return r.n === 0n ? refused('zero', text, { example: `"${example}"` }).refusal : null;
  });

const text = (most: number): Joi.StringSchema => Joi.string().allow('').max(most);

const divisions = Joi.string()
  .allow('')
  .custom((value: string, helpers) => {
    const read = readDivisions(value);
    return read.ok ? value : refuse(helpers, read.refusal);
  });

const job = Joi.object({
  divisions: divisions.default(''),
  toleranceArcsec: positive('20'),
  toleranceMm: positive('0.02'),
  radiusMm: positive('30'),
  notes: text(2000),
})
  .unknown(true)
  .custom((value: { toleranceMm?: string; radiusMm?: string }, helpers) =>
    value.toleranceMm !== undefined && value.radiusMm === undefined
      ? refuse(helpers, refused('noRadius', '', { path: 'radiusMm' }).refusal)
      : value,
  );

/** One stage: its kind from the registry, its inputs by the kind's own limits. */
const stage = Joi.object({ kind: Joi.string().required() })
  .unknown(true)
  .custom((value: { kind: string }, helpers) => {
    if (!isStageKind(value.kind))
      return refuse(
        helpers,
        refused('unknownKind', show(value.kind), { path: 'kind', limit: Object.keys(stages).join(', ') })
          .refusal,
      );
    const kind = kindOf(value);
    const refusal = refusalOf(kind.inputs, { ...value }) ?? kind.refuse?.(value) ?? null;
    return refusal ? refuse(helpers, refusal) : value;
  });

const source = Joi.object({ kind: Joi.string().required() })
  .unknown(true)
  .custom((value: { kind: string; modes?: unknown; mode?: unknown }, helpers) => {
    if (!isSourceKind(value.kind))
      return refuse(
        helpers,
        refused('unknownKind', show(value.kind), { path: 'kind', limit: Object.keys(sources).join(', ') })
          .refusal,
      );
    const refusal = refusalOf(sourceKindOf(value).inputs, { ...value });
    if (refusal) return refuse(helpers, refusal);
    const checked = checkModes(value.modes, value.mode);
    return checked.ok ? value : refuse(helpers, checked.refusal);
  });

const encoder = Joi.object({
  lines: Joi.number().integer().min(1).max(10_000_000).required(),
  decode: Joi.number().valid(1, 2, 4).required(),
  shaft: Joi.number().integer().min(0).max(MOST_STAGES).required(),
}).unknown(true);

const name = Joi.string()
  .allow('')
  .max(MOST_NAME)
  .custom((value: string, helpers) => value.trim() || refuse(helpers, refused('noName', value).refusal));

/** A drive file of version 1. Keys it does not name are kept. (docs: formats) */
export const driveSchema = Joi.object({
  format: Joi.string().valid('pendrix-drive').required(),
  version: Joi.number().valid(1).required(),
  name: name.required(),
  job: job.default({ divisions: '' }),
  train: Joi.object({
    source: source.required(),
    stages: Joi.array().items(stage).max(MOST_STAGES).required(),
    output: Joi.object({ kind: Joi.string().valid('rotary').required() })
      .unknown(true)
      .default({ kind: 'rotary' }),
  })
    .unknown(true)
    .required(),
  encoder,
  dismissed: Joi.array().items(text(60)).max(100),
})
  .unknown(true)
  .custom((value: { encoder?: { shaft: number }; train: { stages: unknown[] } }, helpers) =>
    value.encoder && value.encoder.shaft > value.train.stages.length
      ? refuse(
          helpers,
          refused('tooLarge', String(value.encoder.shaft), {
            path: 'encoder.shaft',
            limit: String(value.train.stages.length),
          }).refusal,
        )
      : value,
  );

/** "train.stages[1].wheel" */
export const placeOf = (path: readonly (string | number)[]): string =>
  path.reduce<string>(
    (out, key) => (typeof key === 'number' ? `${out}[${key}]` : out ? `${out}.${key}` : key),
    '',
  );

/** Joi's first complaint as a refusal of ours. */
export function refusalFrom(error: Joi.ValidationError): Refusal {
  const detail = error.details[0]!;
  const path = placeOf(detail.path);
  const context = detail.context ?? {};
  const given = 'value' in context ? show(context['value']) : '';
  if (detail.type === REFUSED) {
    const inner = context['refusal'] as Refusal;
    return { ...inner, path: inner.path ? placeOf([...detail.path, inner.path]) : path };
  }
  const limit = context['limit'] === undefined ? {} : { limit: String(context['limit']) };
  const plain = (code: Refusal['code'], more = {}): Refusal =>
    refused(code, given, { path, ...limit, ...more }).refusal;
  switch (detail.type) {
    case 'any.required':
      return refused('missing', '', { path }).refusal;
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
      return plain('tooManyStages');
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
