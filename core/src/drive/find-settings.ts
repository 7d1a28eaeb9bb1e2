import {
  readCount,
  readDivisions,
  readNumber,
  readReduction,
  error,
  ok,
  toText,
  isNegative,
  type Rational,
  type Result,
} from '../numbers/index.ts';
import { readInput, type InputSpec, type InputValue } from './inputs.ts';
import { searchedKinds, type StageKindId } from './stages/index.ts';

/** What a search for trains was bent to, kept with the drive. What is absent is read from the job, the train, or is free. (handbook: find) */
export interface FindSettings {
  readonly question?: 'divisions' | 'ratio' | 'rate' | 'branches' | 'drives';
  /** as typed; the job's when absent */
  readonly divisions?: string;
  /** exact; the present train's ratio when absent */
  readonly target?: string;
  /** of a second branch that leaves the same shaft */
  readonly target2?: string;
  readonly periodSeconds?: string;
  readonly tickHz?: string;
  readonly bits?: number;
  readonly fullSteps?: number;
  /** the finest mode that may be used */
  readonly finest?: number;
  /** steps a turn, "10000-200000"; empty for any */
  readonly steps?: string;
  /** the ratio itself, "10-400" */
  readonly between?: string;
  readonly made?: 'shelf' | 'ranges' | 'both' | 'few';
  /** wheels that can be cut or bought, "12-127" */
  readonly wheels?: string;
  readonly kinds?: readonly StageKindId[];
  readonly maxStages?: number;
  /** greatest ratio of one pair */
  readonly pairRatio?: string;
  readonly mostTeeth?: number;
  readonly mostCost?: string;
  readonly meet?: 'any' | 'hunting' | 'repeating';
  readonly holds?: 'any' | 'must';
  readonly play?: 'any' | 'none';
  /** the work must reach so many turns a minute at the motor's speed */
  readonly leastRpm?: string;
  /** greatest error, parts in a million */
  readonly errorPpm?: string;
  /** of whole drives: where they are chosen from, what may be cut, whether the motor stays, a crank may take its place, and how many stages */
  readonly pool?: 'shelf' | 'shelfAndBought' | 'anything';
  readonly canMake?: 'yes' | 'no';
  readonly keepMotor?: 'yes' | 'no';
  readonly byHand?: 'yes' | 'no';
  readonly driveStages?: number;
  readonly spendAtMost?: string;
  /** of one wheel that is cut or printed, h */
  readonly wheelHours?: string;
  /** what counts, in its order: "error, grade, hold" */
  readonly measures?: string;
}

const text = (key: string, label: string, hint: string): InputSpec => ({
  type: 'text',
  key,
  label,
  max: 2000,
  default: '',
  optional: true,
  hint,
});

const choice = (key: string, label: string, options: readonly (readonly [string, string])[]): InputSpec => ({
  type: 'choice',
  key,
  label,
  options: options.map(([value, title]) => ({ value, title })),
  default: options[0]![0],
  optional: true,
});

const exact = (key: string, label: string, standard: string, unit?: string): InputSpec => ({
  type: 'exact',
  key,
  label,
  default: standard,
  optional: true,
  ...(unit && { unit }),
});

const count = (
  key: string,
  label: string,
  min: number,
  max: number,
  standard: number,
  unit?: string,
): InputSpec => ({
  type: 'count',
  key,
  label,
  min,
  max,
  default: standard,
  optional: true,
  ...(unit && { unit }),
});

/** The fields of a search, as data. */
export const findInputs: readonly InputSpec[] = [
  choice('question', 'Question', [
    ['divisions', 'Divisions'],
    ['ratio', 'Ratio'],
    ['rate', 'Rate'],
    ['branches', 'Two branches'],
    ['drives', 'Whole drives'],
  ]),
  text('divisions', 'Divide by', 'read from the job'),
  exact('target', 'Ratio', '365.24219'),
  exact('target2', 'Second ratio', '12'),
  exact('periodSeconds', 'One turn in', '86164.0905', 's'),
  exact('tickHz', 'Timer', '2000000', 'Hz'),
  count('bits', 'Counter', 1, 53, 32, 'bits'),
  count('fullSteps', 'Motor', 1, 100_000, 200, 'a turn'),
  count('finest', 'Modes to', 1, 1024, 16),
  text('steps', 'Steps', 'a turn of the work, from and to'),
  text('between', 'Ratio', 'turns in for one out, from and to'),
  choice('made', 'Parts', [
    ['ranges', 'Ranges'],
    ['shelf', 'Shelf'],
    ['both', 'Both'],
    ['few', 'Shelf + 2'],
  ]),
  text('wheels', 'Wheels', 'teeth, from and to'),
  count('maxStages', 'Up to', 1, 5, 3),
  exact('pairRatio', 'Max ratio of a pair', '10', ': 1'),
  count('mostTeeth', 'All teeth, most', 8, 100_000, 300),
  exact('mostCost', 'Max cost', '50', '€'),
  choice('meet', 'Hunting tooth', [
    ['any', 'as they come'],
    ['hunting', 'all in turn'],
    ['repeating', 'again soon'],
  ]),
  choice('holds', 'Self-locking', [
    ['any', 'any'],
    ['must', 'holds itself'],
  ]),
  choice('play', 'Backlash', [
    ['any', 'any'],
    ['none', 'none'],
  ]),
  exact('leastRpm', 'Min output speed', '2', 'rpm'),
  exact('errorPpm', 'Max error', '1000', 'ppm'),
  choice('pool', 'Chosen from', [
    ['shelf', 'Shelf'],
    ['shelfAndBought', 'Shelf + bought'],
    ['anything', 'Anything'],
  ]),
  choice('canMake', 'I can cut or print wheels', [
    ['yes', 'yes'],
    ['no', 'no'],
  ]),
  choice('keepMotor', 'Keep the motor I have', [
    ['no', 'no'],
    ['yes', 'yes'],
  ]),
  choice('byHand', 'A crank with plates', [
    ['no', 'no'],
    ['yes', 'yes'],
  ]),
  count('driveStages', 'Stages at most', 1, 4, 2),
  exact('spendAtMost', 'Spend at most', '60'),
  exact('wheelHours', 'A wheel takes', '3', 'h'),
  text('measures', 'What counts', 'error, grade, hold, buy, make: the most important first'),
];

/** Steps a turn that are looked for when nobody says: below it a step is coarse, above it a motor is slow. */
export const FIND_STEPS = '10000-200000';
/** Wheels that are looked for when nobody says. */
export const FIND_WHEELS = '12-127';
export const FIND_STAGES = 3;

/** "10000-200000", "10 000 – 200 000", "500-" or "-400": from and to, either side may be open; nothing for any. */
export function readBetween(given: string): Result<readonly [Rational | null, Rational | null]> {
  const written = given.trim();
  if (written === '' || /^any$/i.test(written)) return ok([null, null]);
  const sides = written.split(/\s*(?:–|-|to|…|\.\.)\s*/);
  if (sides.length !== 2) return error('notRange', written, { example: FIND_STEPS });
  const out: (Rational | null)[] = [];
  for (const side of sides) {
    if (side === '') {
      out.push(null);
      continue;
    }
    const read = side.includes(':') ? readReduction(side) : readNumber(side);
    if (!read.ok) return read;
    const value = 'value' in read.value ? read.value.value : read.value;
    if (isNegative(value)) return error('negative', side, { example: FIND_STEPS });
    out.push(value);
  }
  const [low, high] = out as [Rational | null, Rational | null];
  if (low && high && low.n * high.d > high.n * low.d)
    return error('backwards', written, { example: FIND_STEPS });
  return ok([low, high]);
}

const TEETH = { min: 4, max: 400, unit: 'teeth', example: FIND_WHEELS };

/** "12-127", teeth of wheels that can be had. */
export function readWheels(given: string): Result<{ readonly from: number; readonly to: number }> {
  const sides = given.trim().split(/\s*(?:–|-|to)\s*/);
  const [from, to = from, more] = sides;
  if (more !== undefined) return error('notRange', given.trim(), { example: FIND_WHEELS });
  const [a, b] = [readCount(from ?? '', TEETH), readCount(to ?? '', TEETH)];
  if (!a.ok) return a;
  if (!b.ok) return b;
  return a.value > b.value
    ? error('backwards', given.trim(), { example: FIND_WHEELS })
    : ok({ from: a.value, to: b.value });
}

/** Reads what was typed into a field of the search; undefined empties it. */
export function readFindInput(
  key: string,
  given: string,
): Result<InputValue | readonly StageKindId[] | undefined> {
  if (key === 'kinds') {
    const kinds = given.split(/[\s,]+/).filter((k) => k !== '');
    const unknown = kinds.find((k) => !(searchedKinds as readonly string[]).includes(k));
    return unknown === undefined
      ? ok(searchedKinds.filter((k) => kinds.includes(k)))
      : error('unknownKind', unknown, { limit: searchedKinds.join(', ') });
  }
  const spec = findInputs.find((i) => i.key === key);
  if (!spec) return error('unknownEdit', key);
  if (given.trim() === '' && key !== 'steps' && key !== 'between') return ok(undefined);
  if (key === 'divisions') {
    const read = readDivisions(given);
    return read.ok ? ok(given) : read;
  }
  if (key === 'measures')
    return /^[a-z]+(\s*,\s*[a-z]+)*$/i.test(given.trim())
      ? ok(given.trim())
      : error('notAChoice', given.trim(), { path: key, limit: 'words with commas: error, grade, hold' });
  if (key === 'steps' || key === 'between') {
    const read = readBetween(given);
    return read.ok
      ? ok(read.value.some(Boolean) ? read.value.map((r) => (r ? toText(r) : '')).join('-') : '')
      : read;
  }
  if (key === 'wheels') {
    const read = readWheels(given);
    return read.ok ? ok(`${read.value.from}-${read.value.to}`) : read;
  }
  if ((key === 'target' || key === 'target2') && given.includes(':')) {
    const read = readReduction(given);
    return read.ok ? ok(toText(read.value.value)) : read;
  }
  return readInput(spec, given);
}
