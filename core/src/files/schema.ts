import Joi from 'joi';
import { at, parseRational, readDivisions, refused, type Refusal } from '../numbers/index.ts';
import {
  checkModes,
  duties,
  encoderInputs,
  FIND_KINDS,
  findInputs,
  isOutputKind,
  isSourceKind,
  isStageKind,
  kindOf,
  MOST_DUTIES,
  MOST_GEARS,
  MOST_HOLES,
  MOST_NAME,
  MOST_STAGES,
  outputKindOf,
  outputs,
  readFindInput,
  readMoves,
  refusalOf,
  refuseSweep,
  refuseTrain,
  show,
  sourceKindOf,
  sources,
  stageInputs,
  stages,
  type Drive,
  type DutyId,
  type InputSpec,
  type Sweep,
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
      if (!Number.isFinite(value)) return refuse(helpers, refused('notFinite', String(value)).refusal);
      if (!Number.isSafeInteger(value)) return refuse(helpers, refused('inexact', String(value)).refusal);
    }
    const text = typeof value === 'number' ? String(value) : value;
    const r = typeof text === 'string' ? parseRational(text) : null;
    if (!r) return refuse(helpers, refused('notExact', show(value)).refusal);
    const refusal = test?.(text as string);
    return refusal ? refuse(helpers, refusal) : text;
  });

export const positive = (example: string): Joi.AnySchema =>
  exact((text) => {
    const r = parseRational(text)!;
    if (r.s < 0n) return refused('negative', text, { example: `"${example}"` }).refusal;
    return r.n === 0n ? refused('zero', text, { example: `"${example}"` }).refusal : null;
  });

const text = (most: number): Joi.StringSchema => Joi.string().allow('').max(most);

export const divisions = Joi.string()
  .allow('')
  .custom((value: string, helpers) => {
    const read = readDivisions(value);
    return read.ok ? value : refuse(helpers, read.refusal);
  });

/** A duty as its own inputs take it. */
const dutyOf = (id: DutyId): Joi.ObjectSchema =>
  Joi.object({})
    .unknown(true)
    .custom((value: Readonly<Record<string, unknown>>, helpers) => {
      const refusal =
        refusalOf(duties[id].inputs, value) ??
        (id === 'sweeps' ? refuseSweep(value as unknown as Sweep) : null);
      if (refusal) return refuse(helpers, refusal);
      return id === 'rates' && value['kind'] === 'period' && value['seconds'] === undefined
        ? refuse(helpers, refused('missing', '', { path: 'seconds', example: '"86400"' }).refusal)
        : value;
    });
const dutiesOf = (id: DutyId): Joi.ArraySchema => Joi.array().items(dutyOf(id)).max(MOST_DUTIES);

const holes = Joi.number().integer().min(2).max(MOST_HOLES);
const plates = Joi.object({
  wormRatio: positive('40'),
  plates: Joi.array().items(Joi.array().items(holes).max(60)).max(12).required(),
  gears: Joi.array().items(holes).max(MOST_GEARS),
  mostHoles: holes,
}).unknown(true);

const job = Joi.object({
  rates: dutiesOf('rates'),
  sweeps: dutiesOf('sweeps'),
  spins: dutiesOf('spins'),
  camera: dutyOf('camera'),
  altAz: dutyOf('altAz'),
  knob: dutyOf('knob'),
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

/** Data of one of a registry's kinds: unknown kinds are refused by name, inputs checked by the kind's own limits. */
const kindData = <D extends { readonly kind: string }>(
  known: Readonly<Record<string, unknown>>,
  check: (value: D) => Refusal | null,
): Joi.ObjectSchema =>
  Joi.object({ kind: Joi.string().required() })
    .unknown(true)
    .custom((value: D, helpers) => {
      if (!Object.hasOwn(known, value.kind))
        return refuse(
          helpers,
          refused('unknownKind', show(value.kind), { path: 'kind', limit: Object.keys(known).join(', ') })
            .refusal,
        );
      const refusal = check(value);
      return refusal ? refuse(helpers, refusal) : value;
    });

export const stage = kindData(stages, (value) =>
  isStageKind(value.kind)
    ? (refusalOf(stageInputs(value), { ...value }) ?? kindOf(value).refuse?.(value) ?? null)
    : null,
);

const source = kindData<{ kind: string; modes?: unknown; mode?: unknown }>(sources, (value) => {
  if (!isSourceKind(value.kind)) return null;
  const kind = sourceKindOf(value);
  const refusal = refusalOf(kind.inputs, { ...value });
  if (refusal || !kind.hasModes) return refusal;
  const checked = checkModes(value.modes, value.mode);
  return checked.ok ? null : checked.refusal;
});

/** Any output may say its play as an angle of its shaft. (docs: formats) */
const playArcmin: InputSpec = {
  type: 'size',
  key: 'playArcmin',
  label: 'Backlash',
  unit: '′',
  min: 0,
  max: 21_600,
  default: null,
  optional: true,
};

const output = kindData(outputs, (value) =>
  isOutputKind(value.kind) ? refusalOf([...outputKindOf(value).inputs, playArcmin], { ...value }) : null,
);

const encoder = Joi.object({})
  .unknown(true)
  .custom((value: Readonly<Record<string, unknown>>, helpers) => {
    const refusal = refusalOf(encoderInputs, value);
    return refusal ? refuse(helpers, refusal) : value;
  });

/** Turns from home, 0 or more. */
const turns = exact((given) =>
  given.startsWith('-') ? refused('negative', given, { example: '"1"' }).refusal : null,
);

const limits = Joi.object({ back: turns.required(), forth: turns.required(), why: text(60) }).unknown(true);

const name = Joi.string()
  .allow('')
  .max(MOST_NAME)
  .custom((value: string, helpers) => value.trim() || refuse(helpers, refused('noName', value).refusal));

/** What a search was bent to: each field as the field itself takes it. */
const find = Joi.object({ kinds: Joi.array().items(Joi.string().valid(...FIND_KINDS)) })
  .unknown(true)
  .custom((value: Readonly<Record<string, unknown>>, helpers) => {
    const refusal = refusalOf(findInputs, value);
    if (refusal) return refuse(helpers, refusal);
    for (const key of ['divisions', 'steps', 'between', 'wheels'] as const) {
      const text = value[key];
      const read = typeof text === 'string' ? readFindInput(key, text) : null;
      if (read && !read.ok) return refuse(helpers, at(key, read.refusal));
    }
    return value;
  });

/** A drive file of version 1. Keys it does not name are kept. (docs: formats) */
export const driveSchema = Joi.object({
  format: Joi.string().valid('pendrix-drive').required(),
  version: Joi.number().valid(1).required(),
  name: name.required(),
  job: job.default({ divisions: '' }),
  train: Joi.object({
    source: source.required(),
    stages: Joi.array().items(stage).max(MOST_STAGES).required(),
    output: output.default({ kind: 'rotary' }),
    limits,
  })
    .unknown(true)
    .required(),
  encoder,
  timer: dutyOf('timer'),
  plates,
  find,
  dismissed: Joi.array().items(text(60)).max(100),
})
  .unknown(true)
  .custom((value: Drive, helpers) => {
    const { encoder: e, job: j, train: t } = value;
    if (e && e.shaft > t.stages.length)
      return refuse(
        helpers,
        refused('noSuchShaft', String(e.shaft), { path: 'encoder.shaft', limit: String(t.stages.length) })
          .refusal,
      );
    if (j.toleranceMm !== undefined && j.radiusMm === undefined && t.output.kind === 'rotary')
      return refuse(helpers, refused('noRadius', '', { path: 'job.radiusMm' }).refusal);
    const locks = refuseTrain(t);
    return locks ? refuse(helpers, at('train', locks)) : value;
  });

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
      return plain(detail.path.at(-1) === 'stages' ? 'tooManyStages' : 'listTooLong', {
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
