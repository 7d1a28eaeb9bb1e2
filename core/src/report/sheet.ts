import { ARCSEC_PER_TURN, div, exactly, mul, rational, toNumber, type Rational } from '../numbers/index.ts';
import { crankTurns, targetAt } from '../divide/index.ts';
import type { RunPlan } from '../run/index.ts';
import type { Rich } from './rich.ts';
import { dms, mixed, signedAngle, whole } from './text.ts';

type Dms = ReturnType<typeof dms>;

/** One line of the run sheet: where to go for gap `gap`, in steps, in degrees and in turns of the crank. */
export interface SheetRow {
  /** 1…D; the line D + 1 is the return to the start */
  readonly gap: number;
  /** gap − 1 */
  readonly move: number;
  readonly target: string;
  /** steps from the place before; "" at the start */
  readonly moved: string;
  readonly exact: Rich;
  readonly error: string;
  readonly errorArcsec: number;
  /** the wanted angle at the work */
  readonly wanted: Dms;
  /** the angle of the step that is gone to */
  readonly position: Dms;
  /** turns of the source's shaft from the start, exact */
  readonly crank: Rich;
}

/** The sheet of a run: its head, and its rows on demand. (handbook: divide, absolute targets) */
export interface Sheet {
  readonly steps: Rich;
  /** microsteps from gap to gap */
  readonly step: Rich;
  /** turns of the source's shaft from gap to gap */
  readonly crank: Rich;
  /** a row, gap from 1 to D + 1 */
  readonly row: (gap: number) => SheetRow;
}

export function sheet(plan: RunPlan): Sheet {
  const N = exactly(plan.stepsPerTurn);
  const R = exactly(plan.reduction);
  const D = plan.divisions;
  const arcsec = (steps: Rational): Rational => mul(div(steps, N), rational(ARCSEC_PER_TURN));
  return {
    steps: mixed(N),
    step: mixed(div(N, rational(D))),
    crank: mixed(crankTurns(R, D, 1)),
    row: (gap) => {
      const move = gap - 1;
      // Where the work may not go round, the line after the last gap leads back the way it came.
      const t = targetAt(N, D, plan.rewind && gap > D ? 0 : move);
      const errorArcsec = toNumber(arcsec(t.errorSteps));
      return {
        gap,
        move,
        target: whole(t.target),
        moved: move === 0 ? '' : whole(t.target - targetAt(N, D, move - 1).target),
        exact: mixed(t.exact),
        error: signedAngle(errorArcsec),
        errorArcsec,
        wanted: dms(arcsec(t.exact)),
        position: dms(arcsec(rational(t.target))),
        crank: mixed(crankTurns(R, D, t.index)),
      };
    },
  };
}

/** "about 1 h 22 min", from seconds; "" when there is no pace yet. */
export function timeLeft(seconds: number | null): string {
  if (seconds === null) return '';
  const minutes = Math.round(seconds / 60);
  if (minutes < 1) return 'under a minute';
  return minutes < 60 ? `about ${minutes} min` : `about ${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}
