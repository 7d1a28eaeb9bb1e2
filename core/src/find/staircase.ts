import { abs, compare, type Rational } from '../numbers/index.ts';
import type { Progress } from './search.ts';

/** What a front is made of: how far off it is, and what it takes. */
interface Step {
  readonly error: Rational;
  readonly teeth: number;
  readonly largest: number;
}

/** The least error within a budget of teeth and of the largest wheel; null for none, or when it was stopped. */
type Least<S> = (budget: number, most: number, known: S | null) => Generator<Progress, S | null, boolean>;

/**
 * Of one number of stages everything that nothing beats in |error|, teeth and largest wheel. For each limit of the largest wheel
 * the least error is taken, then the least with fewer teeth than that, and so on; the next limit is one below the largest wheel of
 * these, for what takes a wheel between the two is beaten by one of them. What was least under a greater limit and keeps to the
 * lesser one still is, and need not be looked for again.
 */
export function* staircase<S extends Step>(
  mostTeeth: number,
  /** no smaller largest wheel can be had, for a stage that is kept has one; null where the largest wheel does not count */
  floor: number | null,
  least: Least<S>,
): Generator<Progress, readonly S[], boolean> {
  const all = new Set<S>();
  let before: readonly S[] | null = null;
  for (let most = Infinity; most >= (floor ?? 0); most = largestOf(before) - 1) {
    const here: S[] = [];
    for (let budget = mostTeeth; ; budget = here.at(-1)!.teeth - 1) {
      const within: readonly S[] | undefined = before?.filter((s) => s.teeth <= budget);
      if (within?.length === 0) break;
      const [best] = [...(within ?? [])].sort(compareSteps);
      const fits = best && best.largest <= most;
      const known = within?.filter((s) => s.largest <= most).sort(compareSteps)[0] ?? null;
      const step: S | null = fits ? best : yield* least(budget, most, known);
      if (!step) break;
      here.push(step);
    }
    for (const step of here) all.add(step);
    if (here.length === 0 || floor === null) break;
    before = here;
  }
  return [...all];
}

const largestOf = (steps: readonly Step[] | null): number => Math.max(...(steps ?? []).map((s) => s.largest));

/** Least error first, then fewer teeth. */
const compareSteps = (a: Step, b: Step): number => compare(abs(a.error), abs(b.error)) || a.teeth - b.teeth;
