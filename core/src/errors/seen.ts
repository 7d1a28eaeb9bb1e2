import type { BudgetRow } from './budget.ts';
import { wavesOf, type Wave } from './waves.ts';

/** What moves the work while it follows, besides what drifts: from the same rows as the picture. (handbook: errors, what a camera sees) */
export interface Moving {
  readonly waves: readonly Wave[];
  /** whole step that the work jumps by, ″; 0 for a source without any */
  readonly step: number;
  /** ± by which a full step stands off, ″, and how long one lasts, s */
  readonly fullStep: { readonly arcsec: number; readonly seconds: number } | null;
  /** causes in force that nobody knows the size of, by name */
  readonly unknown: readonly string[];
}

/** Kinds of row that move the work to and fro. */
const MOVES: readonly string[] = ['periodic', 'step'];

/** `stepArcsec` is one step at the work; `turnSeconds` a turn of it at the rate that is followed. */
export function movingOf(
  rows: readonly BudgetRow[],
  turnSeconds: number,
  stepArcsec: number,
  fullStepsPerTurn: number | null,
): Moving {
  const full = rows.find((r) => r.term.kind === 'step' && r.counted);
  return {
    waves: wavesOf(rows, turnSeconds),
    step: stepArcsec,
    fullStep:
      full && fullStepsPerTurn ? { arcsec: full.counted!, seconds: turnSeconds / fullStepsPerTurn } : null,
    unknown: rows.filter((r) => MOVES.includes(r.term.kind) && r.counted === null).map((r) => r.term.cause),
  };
}

/** Stretches that an exposure is looked at in. */
const LOOKS = 160;

/**
 * Greatest less least in so many seconds from the start at which all of it runs fastest, ″; `driftPerSecond` goes on all the while. Waves
 * that come round many times bring all they have; of slower ones it is the stretch within the exposure that moves most.
 */
export function movedIn({ waves, step, fullStep }: Moving, seconds: number, driftPerSecond = 0): number {
  if (seconds <= 0) return 0;
  const often = (period: number): boolean => period < (4 * seconds) / LOOKS;
  const fast = (w: Wave): boolean => often(w.periodSeconds);
  // full steps stand off to and fro: all of it from one to the next, nothing from one to the next but one
  const full = (t: number): number => {
    if (!fullStep) return 0;
    const steps = t / fullStep.seconds;
    return 2 * fullStep.arcsec * (often(2 * fullStep.seconds) ? 1 : 1 - Math.abs((steps % 2) - 1));
  };
  const slow = waves.filter((w) => !fast(w));
  const round = waves.reduce((n, w) => n + (fast(w) ? 2 * w.arcsec : 0), 0);
  let most = driftPerSecond * seconds;
  for (let i = 1; i <= LOOKS; i++) {
    const t = (seconds * i) / LOOKS;
    let moved = driftPerSecond * t + full(t);
    for (const w of slow) moved += 2 * w.arcsec * Math.abs(Math.sin((Math.PI * t) / w.periodSeconds));
    if (moved > most) most = moved;
  }
  return step + round + most;
}
