import type { Clock, Controller } from './client.ts';
import type { Status } from './protocol.ts';

/** How a place is come to. */
export interface ReachAsked {
  readonly counts: number;
  /** ± counts that are taken for there */
  readonly window: number;
  /** counts past the place when it is come to from the wrong side; 0 where there is no lost motion to take up */
  readonly beyond: number;
  /** the side it is come from: 1 with rising counts */
  readonly side: 1 | -1;
  /** given up after so many ms */
  readonly most: number;
}

export type Reached =
  | { readonly ok: true; readonly status: Status; readonly error: number }
  | {
      readonly ok: false;
      readonly why: 'window' | 'fault' | 'time';
      readonly words: string;
      readonly status: Status | null;
    };

/** How often what it says is looked at, ms. */
const LOOK = 25;

/** The places that lead to one: past it first, where it would be come to from the wrong side. (handbook: run) */
export function approach(
  from: number,
  { counts, beyond, side }: Pick<ReachAsked, 'counts' | 'beyond' | 'side'>,
): readonly number[] {
  const wrong = side * (counts - from) < 0;
  return wrong && beyond > 0 ? [counts - side * beyond, counts] : [counts];
}

/** Sends an axis to a place, waits until it stands, and tells whether it stands within its window. */
export async function reach(controller: Controller, clock: Clock, asked: ReachAsked): Promise<Reached> {
  const from = controller.status()?.counts ?? asked.counts;
  for (const to of approach(from, asked)) {
    await controller.moveTo(to);
    const stood = await standing(controller, clock, asked.most);
    if (!stood.ok) return stood;
  }
  const status = controller.status()!;
  const error = status.counts - asked.counts;
  return Math.abs(error) <= asked.window
    ? { ok: true, status, error }
    : {
        ok: false,
        why: 'window',
        words: `it stands ${Math.abs(error)} counts off, outside ±${asked.window}`,
        status,
      };
}

/** Until a status tells that it stands; the first one after the command counts. */
function standing(
  controller: Controller,
  clock: Clock,
  most: number,
): Promise<{ readonly ok: true } | Extract<Reached, { readonly ok: false }>> {
  return new Promise((resolve) => {
    let waited = 0;
    const seen = controller.status();
    const look = (): void => {
      const status = controller.status();
      if (status?.fault) {
        resolve({ ok: false, why: 'fault', words: status.fault, status });
        return;
      }
      if (status && status !== seen && !status.moving) {
        resolve({ ok: true });
        return;
      }
      waited += LOOK;
      if (waited > most) {
        resolve({
          ok: false,
          why: 'time',
          words: `it does not come to rest in ${Math.round(most / 1000)} s`,
          status,
        });
        return;
      }
      clock.after(LOOK, look);
    };
    clock.after(LOOK, look);
  });
}

/** What edges say of a count that changed while the work stood still. (handbook: run, shake test) */
export interface Shaken {
  /** counts it walked off by */
  readonly counts: number;
  readonly a: number;
  readonly b: number;
  readonly verdict: 'still' | 'oneEdge' | 'moved' | 'jitter';
}

/** Many edges on one channel and none on the other are flicker of one edge; edges on both that add up are a move; few are nothing. */
export function shaken(before: Status, after: Status, a: number, b: number): Shaken {
  const counts = after.raw - before.raw;
  const most = Math.max(a, b);
  const verdict =
    Math.abs(counts) <= 1
      ? most > 4
        ? 'jitter'
        : 'still'
      : most > 4 && Math.min(a, b) * 10 <= most
        ? 'oneEdge'
        : 'moved';
  return { counts, a, b, verdict };
}
