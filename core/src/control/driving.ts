import { beyondOf, targetOf, type RunEvent, type RunState } from '../run/index.ts';
import { ControllerRefused, type Clock, type Controller } from './client.ts';
import type { Status } from './protocol.ts';
import { reach, type Reached } from './reach.ts';

/** `Omit` of each member of a union: an event before its time is known. */
export type Untimed = RunEvent extends infer E ? (E extends RunEvent ? Omit<E, 'at'> : never) : never;

/** What a run with a controller works with. */
export interface DrivingWorld {
  readonly state: () => RunState;
  /** on the disk before it resolves; false when it could not be stored, and then no command goes out */
  readonly store: (event: Untimed) => Promise<boolean>;
  readonly controller: () => Controller | null;
  readonly clock: Clock;
  /** edges of both channels since they were last asked for */
  readonly takeEdges: () => { readonly a: number; readonly b: number };
  /** milliseconds after which a place is given up */
  readonly most: number;
}

/** What happened that has to be told; null when all is well. */
export type Told =
  | { readonly is: 'noController' }
  /** it was switched off since: its count begins anew */
  | { readonly is: 'strange' }
  | {
      readonly is: 'notThere';
      readonly why: Extract<Reached, { readonly ok: false }>['why'];
      readonly words: string;
    }
  | { readonly is: 'refused'; readonly words: string }
  /** what the raw count did while the work was clamped: before, and now */
  | {
      readonly is: 'clamped';
      readonly before: number;
      readonly now: Status;
      readonly edges: { readonly a: number; readonly b: number };
    }
  | null;

/** What the keys of a run do with a controller. One at a time: a key that comes while another acts does nothing. */
export interface Driving {
  /** moves, takes the clamp, or goes on to the next gap */
  go(): Promise<Told>;
  /** another gap than the next: back, jump, skip */
  away(event: Untimed): Promise<Told>;
  /** the controller's count here is this gap's */
  attach(): Promise<Told>;
  letGo(): Promise<Told>;
  busy(): boolean;
}

/**
 * Drives a run: every change of its state is stored before a command goes out, so that whatever happens between the two the same place is
 * offered again: no gap is missed, none is cut twice. (handbook: run)
 */
export function drivingOf(world: DrivingWorld): Driving {
  let acting = false;

  async function once(act: () => Promise<Told>): Promise<Told> {
    if (acting) return null;
    acting = true;
    try {
      return await act();
    } catch (fault) {
      if (fault instanceof ControllerRefused) return { is: 'refused', words: fault.message };
      throw fault;
    } finally {
      acting = false;
    }
  }

  /** to the present gap, from one side, into the window */
  async function advance(): Promise<Told> {
    const controller = world.controller();
    const state = world.state();
    const target = targetOf(state);
    if (!controller || target === null || !state.driven) return null;
    // whatever was cut off before: what is sent somewhere is not held
    await controller.freeze(false);
    const there = await reach(controller, world.clock, {
      counts: target,
      window: state.driven.window,
      beyond: beyondOf(state),
      side: 1,
      most: world.most,
    });
    if (!there.ok) return { is: 'notThere', why: there.why, words: there.words };
    await world.store({ do: 'reached', error: there.error });
    return null;
  }

  async function clamp(): Promise<Told> {
    const controller = world.controller()!;
    world.takeEdges();
    if (!(await world.store({ do: 'clamp', raw: controller.status()?.raw ?? 0 }))) return null;
    if (world.state().driven?.holds) await controller.freeze(true);
    return null;
  }

  /** the work is cut and withdrawn: what the count did meanwhile is told, and the next place begins */
  async function onwards(event: Untimed): Promise<Told> {
    const controller = world.controller();
    const { driven } = world.state();
    const now = controller?.status();
    const clamped: Told =
      now && driven?.phase === 'cut' && driven.raw !== undefined
        ? { is: 'clamped', before: driven.raw, now, edges: world.takeEdges() }
        : null;
    if (!(await world.store(event))) return null;
    if (world.state().finished) {
      await controller?.freeze(false);
      return clamped;
    }
    return (await advance()) ?? clamped;
  }

  /** why nothing can be sent; null when it can */
  function hindered(): Told {
    const controller = world.controller();
    if (!controller) return { is: 'noController' };
    return controller.hello.boot === world.state().driven?.boot ? null : { is: 'strange' };
  }

  return {
    busy: () => acting,
    go: () =>
      once(async () => {
        const { driven, paused, finished } = world.state();
        if (!driven || paused || finished) return null;
        const why = hindered();
        if (why) return why;
        if (driven.phase === 'advance') return advance();
        return driven.phase === 'clamp' ? clamp() : onwards({ do: 'next' });
      }),
    away: (event) => once(async () => hindered() ?? onwards(event)),
    attach: () =>
      once(async () => {
        const controller = world.controller();
        if (!controller) return { is: 'noController' };
        await world.store({
          do: 'attach',
          boot: controller.hello.boot,
          counts: controller.status()?.counts ?? 0,
        });
        return null;
      }),
    letGo: () =>
      once(async () => {
        await world.controller()?.freeze(false);
        await world.store({ do: 'detach' });
        return null;
      }),
  };
}
