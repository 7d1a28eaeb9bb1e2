import { STOP_WINDOW } from '../drive/index.ts';

/** What a run with a controller does now: it goes to its gap, waits for the clamp, or is being cut. */
export type Phase = 'advance' | 'clamp' | 'cut';

/** A run that a controller drives. Written before each command, so that whatever happens the same place is offered again. (handbook: run) */
export interface Driven {
  readonly phase: Phase;
  /** what the controller's count was at the run's own 0 */
  readonly zero: number;
  /** the start of the controller that this count belongs to */
  readonly boot: string;
  /** ± counts that are taken for there */
  readonly window: number;
  /** the count is held while the work is clamped */
  readonly holds: boolean;
  /** raw count when the work was clamped */
  readonly raw?: number;
  /** how far off it was when it came to rest */
  readonly error?: number;
}

/** ± counts within which a controller counts as there, for a source whose card says none. (estimate) */
export const WINDOW = STOP_WINDOW;

export const isDriven = (value: unknown): value is Driven => {
  const d = value as Partial<Driven> | null;
  const isCount = (n: unknown): boolean => Number.isSafeInteger(n);
  return (
    typeof d === 'object' &&
    d !== null &&
    (d.phase === 'advance' || d.phase === 'clamp' || d.phase === 'cut') &&
    isCount(d.zero) &&
    typeof d.boot === 'string' &&
    isCount(d.window) &&
    d.window! >= 0 &&
    typeof d.holds === 'boolean' &&
    (d.raw === undefined || isCount(d.raw)) &&
    (d.error === undefined || isCount(d.error))
  );
};
