import { abs, compare, mul, ONE, rational, error, type Rational, type Refusal } from '../numbers/index.ts';
import type { Train } from './drive.ts';
import { kindOf } from './stages/index.ts';

/**
 * Of several wheels that lock on one path the last counts, and only if each before it comes to rest while the next is locked: else
 * the work is left standing in the middle of a move. Home is the middle of every dwell. (handbook: drive, Geneva)
 */
export function refuseTrain(train: Train): Refusal | null {
  const locks = train.stages.flatMap((s, i) => (kindOf(s).locks ? [i] : []));
  for (const [at, next] of locks.slice(1).entries()) {
    const first = locks[at]!;
    const before = train.stages[first]!;
    const after = train.stages[next]!;
    const between = train.stages.slice(first + 1, next).reduce((r, s) => mul(r, kindOf(s).reduction(s)), ONE);
    const crank = abs(mul(rational(kindOf(before).locks!(before)), between));
    if (compare(farthest(crank), dwell(kindOf(after).locks!(after))) > 0)
      return error('restsInMove', kindOf(before).label(before), {
        path: `stages[${next}]`,
        limit: kindOf(after).label(after),
      }).refusal;
  }
  return null;
}

/** A rest moves the next crank on by 1/`per` of a turn: how far from its middle, in turns, it then stands at the worst. */
function farthest(per: Rational): Rational {
  // a/b turns a rest: after some rests every b-th part of a turn is met
  const parts = per.n;
  return rational(parts / 2n, parts);
}

/** Half of the dwell of n slots, turns of the crank: (½ + 1/n)/2. */
const dwell = (slots: number): Rational => rational(slots + 2, 4 * slots);
