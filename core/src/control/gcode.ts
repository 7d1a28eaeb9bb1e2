import { ControllerRefused, type Clock, type Controller, type LineLink } from './client.ts';
import type { Status } from './protocol.ts';

/** How a controller that speaks G-code is told counts: its letter, and counts of one of its units. */
export interface GcodeAxis {
  readonly letter: string;
  readonly countsPerUnit: number;
}

const POLL_MS = 200;
/** An "ok" is waited for so long after the last sign of life. */
const ANSWER_MS = 4000;
/** The end of a move: a turn may take minutes. Whoever sent it keeps the time; this only ends what nobody waits for any more. */
const MOVE_MS = 30 * 60_000;

/** An answer that is still owed after so long does not come any more. */
const FORGOTTEN_MS = 30_000;
const ANEW = 'it began anew';

export type GcodeLine =
  | { readonly is: 'ok' }
  | { readonly is: 'busy' }
  /** it was switched on, or began anew */
  | { readonly is: 'started' }
  | { readonly is: 'error'; readonly error: string }
  /** where it stands, and how finely that is printed: ± counts */
  | { readonly is: 'position'; readonly counts: number; readonly plusMinus: number };

/** "ok", "busy: moving", "error:2", "start", "A:12.500 B:0": what such controllers say; null for remarks and what is not known. */
export function readGcodeLine(line: string, { letter, countsPerUnit }: GcodeAxis): GcodeLine | null {
  const text = line.trim();
  if (/^ok\b/i.test(text)) return { is: 'ok' };
  if (/^(echo:\s*)?(busy|wait|processing)\b/i.test(text)) return { is: 'busy' };
  if (/^(start|reset|booted|ready)\b/i.test(text)) return { is: 'started' };
  if (/^(error|alarm|!!|fatal)/i.test(text)) return { is: 'error', error: text.slice(0, 120) };
  if (/^[;(]/.test(text)) return null;
  const found = new RegExp(`\\b${letter}:\\s*(-?\\d+(?:\\.(\\d*))?)`, 'i').exec(text);
  if (!found) return null;
  return {
    is: 'position',
    counts: Math.round(Number(found[1]) * countsPerUnit),
    plusMinus: Math.ceil(0.5 * 10 ** -(found[2]?.length ?? 0) * countsPerUnit),
  };
}

/** A place in its unit, with as many figures as a count needs. */
export function gcodeMove(counts: number, { letter, countsPerUnit }: GcodeAxis): string {
  const places = Math.min(9, Math.max(3, Math.ceil(Math.log10(countsPerUnit)) + 2));
  return `G0 ${letter}${(counts / countsPerUnit).toFixed(places)}`;
}

/**
 * Lines one at a time, each after the "ok" of the one before; the position is asked for. A move has arrived when M400 is answered and the
 * position, as finely as it is printed, is the one that was sent. M410 stops at once and waits for nothing. A controller that begins anew, or
 * stands elsewhere than it was left, has another `boot`: its mark is asked for. It cannot freeze: holding is the driver's own.
 * (docs: controller; handbook: run, controllers)
 */
export async function connectGcode(link: LineLink, clock: Clock, axis: GcodeAxis): Promise<Controller> {
  let lost: string | null = null;
  let boots = 1;
  let counts = 0;
  /** where it was told to be, at rest; null while that is not known */
  let left: number | null = null;
  let target: number | null = null;
  let held = true;
  let frozenAt: number | null = null;
  /** answers of lines that were given up, the oldest first: they come before the present one's, or are lost */
  let owed: { place: boolean }[] = [];
  let waiting: {
    readonly text: string;
    readonly done: (error: string | null) => void;
    readonly alive: (patience?: number) => void;
  } | null = null;
  let printed = { at: 0, plusMinus: 0 };
  let connected = false;
  /** why what was under way came to nothing; until the next command */
  let fault: string | null = null;
  let queue: Promise<unknown> = Promise.resolve();
  let polling: (() => void) | null = null;

  const status = (): Status => ({
    counts: frozenAt ?? counts,
    raw: counts,
    moving: target !== null,
    held,
    frozen: frozenAt !== null,
    fault: lost ?? fault,
    edges: { a: 0, b: 0 },
  });
  const told = (): void => controller.onStatus?.(status());

  /** What it knew is gone: whoever drives it must set its mark again. */
  function beganAnew(): void {
    boots++;
    if (target !== null) fault = ANEW;
    target = null;
    left = null;
    owed = [];
    told();
  }
  function owes(text: string): void {
    const one = { place: text === 'M114' };
    owed.push(one);
    clock.after(FORGOTTEN_MS, () => void (owed = owed.filter((o) => o !== one)));
  }

  function positioned(at: number, plusMinus: number): void {
    // the first that was asked for and is still owed; where none is, all before it have been answered, or are lost
    const late = owed.find((o) => o.place);
    if (late) late.place = false;
    else if (waiting?.text === 'M114') owed = [];
    const resting = target === null && left !== null;
    // a print that is coarser than a count cannot say that it stands elsewhere
    if (resting && Math.abs(at - left!) <= plusMinus) counts = left!;
    else {
      counts = at;
      if (resting) beganAnew();
    }
    told();
  }

  link.onLine = (heard) => {
    const read = readGcodeLine(heard, axis);
    if (!read) return;
    switch (read.is) {
      case 'position':
        printed = { at: read.counts, plusMinus: read.plusMinus };
        positioned(read.counts, read.plusMinus);
        return;
      case 'busy':
        waiting?.alive();
        return;
      case 'started':
        if (connected) {
          beganAnew();
          waiting?.done(ANEW);
          // what it was before it forgot: units and absolute places
          for (const text of ['G21', 'G90']) void line(text).catch(() => undefined);
        } else if (waiting)
          // it was still waking when the first line came
          link.send(waiting.text);
        return;
      default:
        if (!owed.shift()) waiting?.done(read.is === 'ok' ? null : read.error);
    }
  };
  link.onClose = (why) => {
    lost = why;
    polling?.();
    waiting?.done(why);
    controller.onLost?.(why);
  };

  /** one line and its "ok"; lines wait for one another */
  function line(text: string, patience = ANSWER_MS): Promise<void> {
    const sent = queue.then(
      () =>
        new Promise<void>((resolve, reject) => {
          if (lost !== null) {
            reject(new ControllerRefused(lost));
            return;
          }
          let cancel = (): void => undefined;
          const done = (error: string | null): void => {
            waiting = null;
            cancel();
            if (error === null) resolve();
            else reject(new ControllerRefused(error));
          };
          const alive = (most = patience): void => {
            cancel();
            cancel = clock.after(most, () => {
              owes(text);
              done(`no ok in ${most / 1000} s`);
            });
          };
          waiting = { text, done, alive };
          alive();
          link.send(text);
        }),
    );
    queue = sent.catch(() => undefined);
    return sent;
  }
  /** where it stands, asked again more patiently while nothing comes */
  async function place(): Promise<void> {
    for (let patience = ANSWER_MS; ; patience *= 2)
      try {
        return await line('M114', patience);
      } catch (why) {
        if (lost !== null || patience > 4 * ANSWER_MS) throw why;
      }
  }
  function poll(): void {
    polling = clock.after(POLL_MS, () => {
      void line('M114').then(
        () => lost === null && poll(),
        () => lost === null && poll(),
      );
    });
  }

  /** Sends it, and answers when it is on its way; that it has arrived is told as a status. */
  const go = async (to: number): Promise<void> => {
    if (frozenAt !== null) throw new ControllerRefused('frozen: the work is clamped');
    const boot = boots;
    fault = null;
    target = to;
    told();
    // some say "ok" when the move is planned, some when it is done: none is waited for longer than for any line
    const sent = line(gcodeMove(to, axis), MOVE_MS);
    const planned = new Promise<void>((done) => clock.after(ANSWER_MS, done));
    try {
      await Promise.race([sent, planned]);
    } catch (why) {
      if (target === to) target = null;
      told();
      throw why;
    }
    void line('M400', MOVE_MS)
      .then(place)
      .then(
        () => {
          if (target !== to || boot !== boots) return;
          target = null;
          if (Math.abs(printed.at - to) <= printed.plusMinus) counts = to;
          left = counts;
          told();
        },
        () => {
          if (target !== to) return;
          target = null;
          told();
        },
      );
  };
  const controller: Controller = {
    get hello() {
      return { name: `G-code, axis ${axis.letter}`, boot: `g-code ${boots}`, protocol: 1 as const };
    },
    moveTo: go,
    jog: (by) => go(counts + by),
    zero: async () => {
      fault = null;
      await line(`G92 ${axis.letter}0`);
      counts = 0;
      left = 0;
      target = null;
    },
    hold: async (on) => {
      await line(on ? 'M17' : 'M18');
      held = on;
      // what is let go may be turned by hand
      if (!on) left = null;
    },
    freeze: (on) => {
      frozenAt = on ? counts : null;
      told();
      return Promise.resolve();
    },
    stop: async () => {
      if (lost !== null) throw new ControllerRefused(lost);
      // it does not wait for the end of what it ends; its own "ok" is owed, and so is that of the move
      link.send('M410');
      owes('M410');
      waiting?.alive(ANSWER_MS);
      target = null;
      left = null;
      told();
      await place();
      left = counts;
    },
    status,
    onStatus: null,
    onLost: null,
    close: () => {
      polling?.();
      link.close();
    },
  };
  await line('G21');
  await line('G90');
  await line('M114');
  connected = true;
  left = counts;
  poll();
  return controller;
}
