import { exactly } from '../numbers/index.ts';
import { turnsOfTravel } from '../motion/index.ts';
import { isDriven } from './driven.ts';
import { exactPi, type PlatePlan, type RunPlan } from './plan.ts';
import { rowsOf, type Move, type RunState } from './state.ts';

const NUMBERS = ['divisions', 'by', 'stepsPerTurn', 'reduction', 'places', 'room', 'plate', 'scale'] as const;

const isPlan = (plan: RunPlan): boolean => {
  try {
    exactly(plan.stepsPerTurn);
    exactly(plan.reduction);
    if (plan.places !== undefined) exactly(plan.places);
    if (plan.room) [plan.room.back, plan.room.forth].forEach(exactly);
    if (plan.scale && turnsOfTravel(exactPi(plan.scale.mm), exactPi(plan.scale.travel)) === null)
      return false;
  } catch {
    return false;
  }
  return Number.isSafeInteger(plan.divisions) && plan.divisions >= 1;
};

/** Would a run begun now follow other numbers? `now` is the plan of the drive as it stands; null when it can make none. */
export const planDiffers = (plan: RunPlan, now: RunPlan | null): boolean =>
  now === null || NUMBERS.some((key) => JSON.stringify(plan[key]) !== JSON.stringify(now[key]));

/** Is this a run state that can be resumed? For what comes back from storage or a file. */
export function isRunState(value: unknown): value is RunState {
  const s = value as Partial<RunState> | null;
  const plan = s?.plan;
  if (!s || !plan || !Array.isArray(s.moves)) return false;
  if (!isPlan(plan) || (plan.rows !== undefined && !isPlan(plan.rows))) return false;
  const { rowCount = 1, rows, passes = 1 } = plan;
  if (!Number.isSafeInteger(passes) || passes < 1 || passes > 100) return false;
  if (!Number.isSafeInteger(rowCount) || rowCount < 1 || rowCount > (rows?.divisions ?? 1)) return false;
  const D = plan.divisions;
  const isGap = (gap: unknown, most: number): boolean =>
    Number.isSafeInteger(gap) && (gap as number) >= 1 && (gap as number) <= most;
  return (
    isGap(D, Number.MAX_SAFE_INTEGER) &&
    isGap(s.gap, D) &&
    isGap(s.row ?? 1, rowsOf(plan)) &&
    typeof s.finished === 'boolean' &&
    typeof s.paused === 'boolean' &&
    typeof s.startedAt === 'number' &&
    s.moves.length > 0 &&
    (s.moves as readonly (Partial<Move> | null)[]).every(
      (m) => isGap(m?.gap, D + 1) && isGap(m?.row ?? 1, rowsOf(plan)) && typeof m?.at === 'number',
    ) &&
    (plan.plate === undefined || isPlatePlan(plan.plate)) &&
    (s.driven === undefined || isDriven(s.driven)) &&
    isPlaces(s.cut) &&
    isPlaces(s.again) &&
    isPlaces(s.bad) &&
    isPlaces(s.skipped)
  );
}

const isPlaces = (list: unknown): boolean =>
  list === undefined || (Array.isArray(list) && list.every((n) => Number.isSafeInteger(n) && n >= 0));

const isPlatePlan = (plate: unknown): boolean => {
  const { plate: index, circles, holes, wholeTurns } = plate as Partial<PlatePlan>;
  const areWhole = (list: unknown): boolean => Array.isArray(list) && list.every(Number.isSafeInteger);
  return (
    Number.isSafeInteger(index) && Number.isSafeInteger(wholeTurns) && areWhole(circles) && areWhole(holes)
  );
};
