import {
  div,
  error,
  exactly,
  inUnit,
  mul,
  ok,
  rational,
  readNumber,
  readPeriod,
  readSpeed,
  toNumber,
  toText,
  type Result,
} from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';
import { duties, MAX_DUTIES, refuseSweep, type DutyId, type DutySpec, type Sweep } from '../duties/index.ts';
import { defaultsOf } from '../inputs.ts';
import { outputKindOf } from '../outputs/index.ts';
import type { EditKind } from './edit.ts';
import { inputLabel, withInput } from './input.ts';

type Data = Readonly<Record<string, unknown>>;

/** What stands under a duty's key now: a list of it, of one at most where there can be but one. */
export function dutiesIn(drive: Drive, id: DutyId): readonly object[] {
  const spec: DutySpec = duties[id];
  const home = (spec.of === 'job' ? drive.job : drive) as unknown as Data;
  const value = home[id];
  if (value === undefined) return [];
  return spec.many ? (value as readonly object[]) : [value as object];
}

/** The drive with another list under that key; an empty one is taken away. */
function withDuties(drive: Drive, id: DutyId, list: readonly object[]): Drive {
  const spec: DutySpec = duties[id];
  const home = (spec.of === 'job' ? drive.job : drive) as unknown as Data;
  const { [id]: _, ...rest } = home;
  const after = list.length === 0 ? rest : { ...rest, [id]: spec.many ? list : list[0] };
  return (spec.of === 'job' ? { ...drive, job: after } : after) as unknown as Drive;
}

export interface SetDuty {
  readonly do: 'duty';
  readonly duty: DutyId;
  /** which of several, from 0 */
  readonly at: number;
  readonly key: string;
  /** as typed; nothing takes an optional one away */
  readonly text: string;
}

/** One field of a duty, as typed. A speed along a straight travel is read as the time of one turn. */
export const duty: EditKind<SetDuty> = {
  id: 'duty',
  apply: (drive, edit) => {
    const spec = duties[edit.duty];
    const list = dutiesIn(drive, edit.duty);
    const old = list[edit.at];
    if (!old) return error('noSuchDuty', String(edit.at + 1));
    const text = written(drive, edit);
    if (!text.ok) return text;
    const read = withInput(old, spec.inputs, edit.key, text.value);
    if (!read.ok) return read;
    const after = settled(edit.duty, read.value);
    if (!after.ok) return after;
    return ok(
      withDuties(
        drive,
        edit.duty,
        list.map((d, i) => (i === edit.at ? after.value : d)),
      ),
    );
  },
  label: (edit) => `${duties[edit.duty].title}: ${inputLabel(duties[edit.duty].inputs, edit.key, edit.text)}`,
};

const SWEPT = { deg: '°', mm: 'mm', turns: 'turns' } as const;
const sweepUnit = (drive: Drive, at: number): Sweep['unit'] =>
  (dutiesIn(drive, 'sweeps')[at] as Sweep | undefined)?.unit ?? 'deg';

/** What was typed, in the form that its field takes. */
function written(drive: Drive, { duty: id, at, key, text }: SetDuty): Result<string> {
  if (id === 'rates' && key === 'seconds') return asPeriod(drive, text);
  if (id === 'between' && key === 'wanted') return asRatioOfTimes(text);
  // a sweep says itself in what its ends are
  if (id === 'sweeps' && (key === 'from' || key === 'to'))
    return ok(inUnit(text, SWEPT[sweepUnit(drive, at)]));
  if (id === 'between' && key === 'ppm') return asPpm(text);
  return ok(text);
}

/** "12 h to 29.530589 d": the times of one turn, of the one output and of the other, as turns of the one during one of the other. */
function asRatioOfTimes(text: string): Result<string> {
  const [a, b, more] = text.split(/\s+to\s+|\s*→\s*/);
  if (a === undefined || b === undefined || more !== undefined) return ok(text);
  const [one, other] = [readPeriod(a), readPeriod(b)];
  if (!one.ok) return one;
  return other.ok ? ok(toText(div(other.value, one.value))) : other;
}

/** "0.01 d a year" is so many parts in a million of the 365.25 days of a year; exact until it is a number. */
function asPpm(text: string): Result<string> {
  const [, figure] = /^(.+?)\s*(?:d|days?)\s*(?:\/|an?\s|per\s)\s*(?:y|yr|years?)$/i.exec(text.trim()) ?? [];
  if (figure === undefined) return ok(text.replace(/\s*ppm\s*$/i, ''));
  const days = readNumber(figure);
  return days.ok ? ok(String(toNumber(div(mul(days.value, rational(1_000_000)), exactly('365.25'))))) : days;
}

/** "0.5 mm/min" is so many seconds a turn, where a turn travels a length without π. */
function asPeriod(drive: Drive, text: string): Result<string> {
  const speed = readSpeed(text);
  if (!speed) return ok(text);
  const travel = outputKindOf(drive.train.output).travel(drive.train.output);
  if (!travel) return error('notTravelling', text);
  return travel.piPower === 0 ? ok(toText(div(travel.q, speed))) : error('piSpeed', text);
}

/** What must hold between the fields of one duty. */
function settled(id: DutyId, data: object): Result<object> {
  if (id === 'rates') {
    const { seconds, ...rest } = data as Data;
    if (rest['kind'] !== 'period') return ok(rest);
    return ok({ ...rest, seconds: seconds ?? '86400' });
  }
  const refusal = id === 'sweeps' ? refuseSweep(data as Sweep) : null;
  return refusal ? { ok: false, refusal } : ok(data);
}

export interface AddDuty {
  readonly do: 'addDuty';
  readonly duty: DutyId;
  /** inputs that differ from the defaults */
  readonly with?: Readonly<Record<string, unknown>>;
}

/** One more duty with its defaults; where there can be but one, it is put there unless it is there already. */
export const addDuty: EditKind<AddDuty> = {
  id: 'addDuty',
  apply: (drive, edit) => {
    const spec: DutySpec = duties[edit.duty];
    const list = dutiesIn(drive, edit.duty);
    if (!spec.many && list.length > 0) return ok(drive);
    if (list.length >= MAX_DUTIES) return error('tooManyDuties', '', { limit: String(MAX_DUTIES) });
    return ok(withDuties(drive, edit.duty, [...list, { ...defaultsOf(spec.inputs), ...edit.with }]));
  },
  label: (edit) => `new ${duties[edit.duty].title}`,
};

export interface RemoveDuty {
  readonly do: 'removeDuty';
  readonly duty: DutyId;
  readonly at: number;
}

export const removeDuty: EditKind<RemoveDuty> = {
  id: 'removeDuty',
  apply: (drive, edit) => {
    const list = dutiesIn(drive, edit.duty);
    if (!list[edit.at]) return error('noSuchDuty', String(edit.at + 1));
    return ok(
      withDuties(
        drive,
        edit.duty,
        list.filter((_, i) => i !== edit.at),
      ),
    );
  },
  label: (edit) => `${duties[edit.duty].title} taken away`,
};
