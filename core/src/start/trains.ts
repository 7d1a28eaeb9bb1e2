import { abs, compare, exactly, rational, sub, div, toText, ZERO, type Rational } from '../numbers/index.ts';
import { newDrive, type BetweenOutputs, type Drive, type Stage } from '../drive/index.ts';
import { find, requestFor, type FoundRow, type Search } from '../find/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import type { Proposals, Proposed } from './proposed.ts';

/** Pairs of a wheel train that is found for a first drive; hands that turn the same way take an even number of them. */
const PAIRS = 3;
const HAND_PAIRS = 4;
const PPM = '100';

/** A ratio that wheels are wanted for, and how far it may be off. */
interface Wanted {
  readonly target: Rational;
  readonly ppm: Rational;
  readonly pairs: readonly number[];
}

const EVEN = Array.from({ length: HAND_PAIRS / 2 }, (_, i) => 2 * (i + 1));
const ANY = Array.from({ length: PAIRS }, (_, i) => i + 1);

const betweens = ({ job }: Drive): readonly BetweenOutputs[] => job.between ?? [];

function wantedOf(drive: Drive): readonly Wanted[] {
  const { find: set } = drive;
  if (drive.start?.aim === 'ratio')
    return set?.target === undefined
      ? []
      : [{ target: abs(exactly(set.target)), ppm: exactly(set.errorPpm ?? PPM), pairs: ANY }];
  return betweens(drive).map((b) => ({
    target: abs(exactly(b.wanted)),
    ppm: exactly(String(b.ppm ?? PPM)),
    pairs: EVEN,
  }));
}

const errorOf = (row: FoundRow): Rational => abs(exactly(row.error ?? '0'));
const within = (row: FoundRow, { ppm }: Wanted): boolean =>
  compare(errorOf(row), div(ppm, rational(1_000_000))) <= 0;

/**
 * Trains of wheels for one ratio: with each number of pairs the fewest teeth that are near enough, else the nearest there is; what needs
 * more pairs than another that is near enough is told only where it is nearer.
 */
function choices(rows: readonly FoundRow[], wanted: Wanted): readonly FoundRow[] {
  const out: FoundRow[] = [];
  for (const pairs of wanted.pairs) {
    const of = rows.filter((r) => r.stages === pairs && r.error !== null && r.idleOf === null);
    const near = of.filter((r) => within(r, wanted)).sort((a, b) => a.teeth - b.teeth);
    const best = near[0] ?? [...of].sort((a, b) => compare(errorOf(a), errorOf(b)))[0];
    const known = out.find((r) => within(r, wanted));
    if (best && (!known || compare(errorOf(best), errorOf(known)) < 0)) out.push(best);
  }
  return out;
}

/** Wheel trains for the ratio, or for every hand of a movement; the simplest first. (handbook: choose, first questions) */
export function* proposeTrains(drive: Drive, shelf: readonly ShelfPart[]): Search<Proposals> {
  const wanted = wantedOf(drive);
  const found: (readonly FoundRow[])[] = [];
  let looked = 0;
  for (const one of wanted) {
    const asked: Drive = {
      ...newDrive(''),
      find: {
        question: 'ratio',
        target: toText(one.target),
        kinds: ['spur'],
        wheels: drive.find?.wheels ?? '12-100',
        pairRatio: '12',
        maxStages: Math.max(...one.pairs),
      },
    };
    const request = requestFor(asked, shelf, () => 0);
    if (!request.ok) return { list: [], judged: looked, meeting: 0, sure: 0, done: true };
    const answer = yield* find(request.value);
    looked += answer.gone.reduce((n, g) => n + g.looked, 0);
    found.push(choices(answer.rows, one));
    if (!answer.proven) return made(drive, wanted, found, looked, false);
  }
  return made(drive, wanted, found, looked, true);
}

/** Of each ratio its first choice, its second, its third; where there are fewer, the last. */
function made(
  drive: Drive,
  wanted: readonly Wanted[],
  found: readonly (readonly FoundRow[])[],
  judged: number,
  done: boolean,
): Proposals {
  const ways = Math.max(0, ...found.map((f) => f.length));
  if (found.length < wanted.length || found.some((f) => f.length === 0) || ways === 0)
    return { list: [], judged, meeting: 0, sure: 0, done };
  const list = Array.from({ length: ways }, (_, i): Proposed => {
    const rows = found.map((f) => f[Math.min(i, f.length - 1)]!);
    return {
      drive: withTrains(
        drive,
        rows.map((r) => r.train),
      ),
      had: { buy: ZERO, make: rows.reduce((n, r) => n + r.wheels, 0) },
      lacks: [],
      meets: rows.every((r, at) => within(r, wanted[at]!)),
    };
  }).sort((a, b) => Number(b.meets) - Number(a.meets));
  const meeting = list.filter((p) => p.meets).length;
  return { list, judged, meeting, sure: meeting, done };
}

/** The found trains in their places: the only one, or one behind each hand that hangs on the first. */
function withTrains(drive: Drive, trains: readonly (readonly Stage[])[]): Drive {
  if (drive.start?.aim === 'ratio') return { ...drive, train: { ...drive.train, stages: trains[0]! } };
  const at = (name: string): number => betweens(drive).findIndex((b) => b.to === name);
  return {
    ...drive,
    others: (drive.others ?? []).map((t) => (at(t.name) < 0 ? t : { ...t, stages: trains[at(t.name)]! })),
  };
}

/** How far a train is from the ratio that is wanted, as a part of it. */
export const offBy = (ratio: Rational, target: Rational): Rational =>
  div(sub(abs(ratio), abs(target)), abs(target));
