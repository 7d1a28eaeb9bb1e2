import { buildFault } from './build.ts';
import { logFault } from './log.ts';
import { revisionsFault } from './revisions.ts';
import { at, parseRational, readDivisions, error, type Refusal } from '../numbers/index.ts';
import { duties, MAX_DUTIES, refuseSweep, type DutyId, type Sweep } from './duties/index.ts';
import { encoderInputs, MAX_STAGES, MAX_TRAINS, type Drive } from './drive.ts';
import { findInputs, readFindInput } from './find-settings.ts';
import { refusalOf, show } from './inputs.ts';
import { checkModes } from './modes.ts';
import { readMoves } from './moves.ts';
import { curveFault } from './curve.ts';
import { isOutputKind, outputKindOf, outputs } from './outputs/index.ts';
import { MAX_HOLES } from './plates.ts';
import { isSourceKind, sourceKindOf, sources } from './sources/index.ts';
import { isStageKind, kindOf, searchedKinds, stageInputs, stages } from './stages/index.ts';
import { sourceArborInputs } from './stages/arbor.ts';
import { playInput } from './stages/common.ts';
import type { StageData } from './stages/stage.ts';
import { togetherFault } from './together-fault.ts';

type Data = Readonly<Record<string, unknown>>;

const isData = (value: unknown): value is Data =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Data of one of a registry's kinds: unknown kinds are refused by name, inputs by the kind's own limits. */
function kindFault(known: object, value: unknown, check: (value: Data) => Refusal | null): Refusal | null {
  if (!isData(value)) return error('notObject', show(value)).refusal;
  const { kind } = value;
  if (typeof kind !== 'string')
    return error(kind === undefined ? 'missing' : 'notText', show(kind), { path: 'kind' }).refusal;
  return Object.hasOwn(known, kind)
    ? check(value)
    : error('unknownKind', show(kind), { path: 'kind', limit: Object.keys(known).join(', ') }).refusal;
}

/** What is wrong with a stage as a file or the browser holds it; null when nothing is. */
export const stageFault = (value: unknown): Refusal | null =>
  kindFault(stages, value, (data) => {
    const stage = data as unknown as StageData;
    return isStageKind(stage.kind)
      ? (refusalOf(stageInputs(stage), data) ?? kindOf(stage).refuse?.(stage) ?? null)
      : null;
  });

/** The same of a source, with its driver's modes. */
export const sourceFault = (value: unknown): Refusal | null =>
  kindFault(sources, value, (data) => {
    const source = data as { readonly kind: string; readonly modes?: unknown; readonly mode?: unknown };
    if (!isSourceKind(source.kind)) return null;
    const kind = sourceKindOf(source);
    const refusal = refusalOf([...kind.inputs, ...sourceArborInputs], data);
    if (refusal || !kind.hasModes) return refusal;
    const checked = checkModes(source.modes, source.mode);
    return checked.ok ? curveFault(data['torqueCurve']) : checked.refusal;
  });

/** The same of an output; any may say its backlash as an angle of its shaft. (docs: formats) */
export const outputFault = (value: unknown): Refusal | null =>
  kindFault(outputs, value, (data) => {
    const output = data as { readonly kind: string };
    return isOutputKind(output.kind) ? refusalOf([...outputKindOf(output).inputs, playInput], data) : null;
  });

/** The same of a duty: its own inputs, and what they may not be together. */
export function dutyFault(id: DutyId, value: unknown): Refusal | null {
  if (!isData(value)) return error('notObject', show(value)).refusal;
  const refusal =
    refusalOf(duties[id].inputs, value) ?? (id === 'sweeps' ? refuseSweep(value as unknown as Sweep) : null);
  if (refusal) return refusal;
  return id === 'rates' && value['kind'] === 'period' && value['seconds'] === undefined
    ? error('missing', '', { path: 'seconds', example: '"86400"' }).refusal
    : null;
}

/** The same of an encoder. */
export const encoderFault = (value: unknown): Refusal | null =>
  isData(value) ? refusalOf(encoderInputs, value) : error('notObject', show(value)).refusal;

/** The same of what was last searched for: each field as the field itself takes it. */
export function findFault(value: unknown): Refusal | null {
  if (!isData(value)) return error('notObject', show(value)).refusal;
  const refusal = refusalOf(findInputs, value);
  if (refusal) return refusal;
  const { kinds } = value;
  if (
    kinds !== undefined &&
    !(Array.isArray(kinds) && kinds.every((k) => searchedKinds.includes(k as never)))
  )
    return error('notAChoice', show(kinds), { path: 'kinds', limit: searchedKinds.join(', ') }).refusal;
  for (const key of ['divisions', 'steps', 'between', 'wheels'] as const) {
    const text = value[key];
    const read = typeof text === 'string' ? readFindInput(key, text) : null;
    if (read && !read.ok) return at(key, read.refusal);
  }
  return null;
}

const isText = (value: unknown): boolean => value === undefined || typeof value === 'string';
const bad = (path: string, value: unknown): Refusal => error('badValue', show(value), { path }).refusal;

/** An exact number above 0 as text, or nothing. */
const isPositive = (value: unknown): boolean => {
  if (value === undefined) return true;
  const r = typeof value === 'string' ? parseRational(value) : null;
  return r !== null && r.s > 0n && r.n !== 0n;
};
const isNotNegative = (value: unknown): boolean => {
  const r = typeof value === 'string' ? parseRational(value) : null;
  return r !== null && (r.s > 0n || r.n === 0n);
};
const isHoles = (value: unknown): boolean =>
  Number.isInteger(value) && Number(value) >= 2 && Number(value) <= MAX_HOLES;

function jobFault(job: unknown): Refusal | null {
  if (!isData(job)) return bad('', job);
  const { divisions, moves, notes } = job;
  if (typeof divisions !== 'string') return bad('divisions', divisions);
  for (const [key, read] of [
    ['divisions', divisions === '' ? null : readDivisions(divisions)],
    ['moves', typeof moves === 'string' && moves !== '' ? readMoves(moves) : null],
  ] as const)
    if (read && !read.ok) return at(key, read.refusal);
  if (!isText(moves)) return bad('moves', moves);
  if (!isText(notes)) return bad('notes', notes);
  const { approach } = job;
  if (approach !== undefined && approach !== 'oneSide' && approach !== 'both')
    return error('notAChoice', show(approach), { path: 'approach', limit: 'oneSide, both' }).refusal;
  for (const key of ['toleranceArcsec', 'toleranceMm', 'radiusMm'])
    if (!isPositive(job[key])) return bad(key, job[key]);
  return null;
}

/** Every duty that stands in the job or beside it. */
function dutiesFault(job: Data, drive: Data): Refusal | null {
  for (const [id, spec] of Object.entries(duties) as [DutyId, (typeof duties)[DutyId]][]) {
    const given = (spec.of === 'job' ? job : drive)[id];
    if (given === undefined) continue;
    const place = spec.of === 'job' ? `job.${id}` : id;
    if (spec.many && !(Array.isArray(given) && given.length <= MAX_DUTIES)) return bad(place, given);
    for (const [i, one] of (spec.many ? (given as readonly unknown[]) : [given]).entries()) {
      const refusal = dutyFault(id, one);
      if (refusal) return at(spec.many ? `${place}[${i}]` : place, refusal);
    }
  }
  return null;
}

/** `driven`: it hangs on another train, which has the source. */
function trainFault(train: unknown, driven = false): Refusal | null {
  if (!isData(train)) return bad('', train);
  const { name, source, stages: list, output, limits } = train;
  if (!isText(name)) return bad('name', name);
  if (!Array.isArray(list)) return bad('stages', list);
  if (list.length > MAX_STAGES) return error('tooManyStages', '', { limit: String(MAX_STAGES) }).refusal;
  const of = (place: string, refusal: Refusal | null): Refusal | null => refusal && at(place, refusal);
  const refusal =
    (driven && source === undefined ? null : of('source', sourceFault(source))) ??
    of('output', outputFault(output)) ??
    list.reduce<Refusal | null>((found, stage, i) => found ?? of(`stages[${i}]`, stageFault(stage)), null);
  if (refusal || limits === undefined) return refusal;
  return isData(limits) &&
    isNotNegative(limits['back']) &&
    isNotNegative(limits['forth']) &&
    isText(limits['why'])
    ? null
    : bad('limits', limits);
}

/** A further train by itself, as the browser holds it. */
function otherFault(one: unknown): Refusal | null {
  if (!isData(one)) return bad('', one);
  const { name, from, encoder, find, job } = one;
  if (typeof name !== 'string' || name.trim() === '') return bad('name', name);
  const hangs = hangFault(from);
  if (hangs) return hangs;
  const of = (place: string, refusal: Refusal | null): Refusal | null => refusal && at(place, refusal);
  return (
    trainFault(one, from !== null) ??
    of('job', jobFault(job)) ??
    dutiesFault(job as Data, {}) ??
    (encoder === undefined ? null : of('encoder', encoderFault(encoder))) ??
    (find === undefined ? null : of('find', findFault(find)))
  );
}

/** Where a train hangs: null, or the name of a train and one of its shafts. */
export function hangFault(from: unknown): Refusal | null {
  if (from === null) return null;
  if (!isData(from)) return error('notObject', show(from), { path: 'from' }).refusal;
  const { train, shaft } = from;
  if (typeof train !== 'string') return error('notText', show(train), { path: 'from.train' }).refusal;
  return typeof shaft === 'number' && Number.isInteger(shaft) && shaft >= 0
    ? null
    : error('noSuchShaft', show(shaft), { path: 'from.shaft', limit: String(MAX_STAGES) }).refusal;
}

function platesFault(plates: unknown): Refusal | null {
  if (!isData(plates)) return bad('', plates);
  const sets = plates['plates'];
  const gears = plates['gears'];
  const isList = (list: unknown): boolean => Array.isArray(list) && list.every(isHoles);
  if (!Array.isArray(sets) || !sets.every(isList)) return bad('plates', sets);
  if (gears !== undefined && !isList(gears)) return bad('gears', gears);
  if (plates['mostHoles'] !== undefined && !isHoles(plates['mostHoles'])) return bad('mostHoles', plates);
  return isPositive(plates['wormRatio']) ? null : bad('wormRatio', plates['wormRatio']);
}

/** A design is a drive without its name, log and lists. */
export const designFault = (design: unknown): Refusal | null =>
  isData(design)
    ? driveFault({
        ...design,
        format: 'pendrix-drive',
        version: 2,
        name: 'design',
        log: undefined,
        revisions: undefined,
      })
    : error('notObject', show(design)).refusal;

/**
 * What is wrong with a drive as it came out of the browser's database: by the registries alone, so that it is cheap at every start.
 * The first place that is wrong, or null. A drive without one can be reported on. (docs: formats)
 */
export function driveFault(value: unknown): Refusal | null {
  if (!isData(value)) return error('notObject', show(value)).refusal;
  const {
    format,
    version,
    name,
    job,
    train,
    others,
    encoder,
    plates,
    find,
    dismissed,
    build,
    setup,
    log,
    revisions,
  } = value;
  if (format !== 'pendrix-drive') return bad('format', format);
  if (typeof version === 'number' && version > 2)
    return error('newerVersion', String(version), { path: 'version', limit: '2' }).refusal;
  if (version !== 2) return bad('version', version);
  if (typeof name !== 'string' || name.trim() === '') return bad('name', name);
  const of = (place: string, refusal: Refusal | null): Refusal | null => refusal && at(place, refusal);
  const refusal =
    of('train', trainFault(train)) ??
    of('job', jobFault(job)) ??
    dutiesFault(job as Data, value) ??
    (encoder === undefined ? null : of('encoder', encoderFault(encoder))) ??
    (plates === undefined ? null : of('plates', platesFault(plates))) ??
    (find === undefined ? null : of('find', findFault(find))) ??
    (build === undefined ? null : of('build', buildFault(build))) ??
    (setup === undefined ? null : of('setup', buildFault(setup))) ??
    (log === undefined ? null : of('log', logFault(log))) ??
    (revisions === undefined ? null : of('revisions', revisionsFault(revisions, designFault)));
  if (refusal) return refusal;
  if (dismissed !== undefined && !(Array.isArray(dismissed) && dismissed.every((d) => typeof d === 'string')))
    return bad('dismissed', dismissed);
  if (others !== undefined) {
    if (!Array.isArray(others) || others.length >= MAX_TRAINS) return bad('others', others);
    for (const [i, one] of others.entries()) {
      const fault = otherFault(one);
      if (fault) return at(`others[${i}]`, fault);
    }
  }
  return togetherFault(value as unknown as Drive);
}
