import { ControllerRefused, type Clock, type Controller, type LineLink } from './client.ts';
import type { Status } from './protocol.ts';

/** How a controller that speaks G-code is told counts: its letter, and counts of one of its units. */
export interface GcodeAxis {
  readonly letter: string;
  readonly countsPerUnit: number;
}

const POLL_MS = 200;
const ANSWER_MS = 4000;

/** "ok", "error:2", "Resend: 4", "A:12.500 B:0": what such controllers say. */
export function readGcodeLine(
  line: string,
  { letter, countsPerUnit }: GcodeAxis,
):
  | { readonly is: 'ok' }
  | { readonly is: 'error'; readonly error: string }
  | { readonly is: 'position'; readonly counts: number }
  | null {
  const text = line.trim();
  if (/^ok\b/i.test(text)) return { is: 'ok' };
  if (/^(error|alarm|!!|fatal)/i.test(text)) return { is: 'error', error: text.slice(0, 120) };
  const found = new RegExp(`\\b${letter}:\\s*(-?\\d+(?:\\.\\d+)?)`, 'i').exec(text);
  return found ? { is: 'position', counts: Math.round(Number(found[1]) * countsPerUnit) } : null;
}

/** A place in its unit, with as many figures as a count needs. */
export function gcodeMove(counts: number, { letter, countsPerUnit }: GcodeAxis): string {
  const places = Math.min(9, Math.max(3, Math.ceil(Math.log10(countsPerUnit)) + 2));
  return `G0 ${letter}${(counts / countsPerUnit).toFixed(places)}`;
}

/** Lines one at a time, each after the "ok" of the one before; the position is asked for. It cannot freeze: holding is the driver's own. */
export async function connectGcode(link: LineLink, clock: Clock, axis: GcodeAxis): Promise<Controller> {
  let lost: string | null = null;
  let counts = 0;
  let target: number | null = null;
  let held = true;
  let frozenAt: number | null = null;
  let waiting: ((error: string | null) => void) | null = null;
  let queue: Promise<unknown> = Promise.resolve();
  let polling: (() => void) | null = null;

  const status = (): Status => ({
    counts: frozenAt ?? counts,
    raw: counts,
    moving: target !== null,
    held,
    frozen: frozenAt !== null,
    fault: lost,
    edges: { a: 0, b: 0 },
  });
  const told = (): void => controller.onStatus?.(status());

  link.onLine = (line) => {
    const read = readGcodeLine(line, axis);
    if (!read) return;
    if (read.is === 'position') {
      counts = read.counts;
      if (target !== null && counts === target) target = null;
      told();
    } else waiting?.(read.is === 'ok' ? null : read.error);
  };
  link.onClose = (why) => {
    lost = why;
    polling?.();
    waiting?.(why);
    controller.onLost?.(why);
  };

  /** one line and its "ok"; lines wait for one another */
  function line(text: string): Promise<void> {
    const sent = queue.then(
      () =>
        new Promise<void>((resolve, reject) => {
          if (lost !== null) {
            reject(new ControllerRefused(lost));
            return;
          }
          const cancel = clock.after(ANSWER_MS, () => waiting?.(`no ok in ${ANSWER_MS / 1000} s`));
          waiting = (error) => {
            waiting = null;
            cancel();
            if (error === null) resolve();
            else reject(new ControllerRefused(error));
          };
          link.send(text);
        }),
    );
    queue = sent.catch(() => undefined);
    return sent;
  }
  function poll(): void {
    polling = clock.after(POLL_MS, () => {
      void line('M114').then(
        () => lost === null && poll(),
        () => lost === null && poll(),
      );
    });
  }

  const go = async (to: number): Promise<void> => {
    if (frozenAt !== null) throw new ControllerRefused('frozen: the work is clamped');
    target = to;
    told();
    await line(gcodeMove(to, axis));
    await line('M400');
  };
  const controller: Controller = {
    hello: { name: `G-code, axis ${axis.letter}`, boot: 'g-code', protocol: 1 },
    moveTo: go,
    jog: (by) => go(counts + by),
    zero: async () => {
      await line(`G92 ${axis.letter}0`);
      counts = 0;
      target = null;
    },
    hold: async (on) => {
      await line(on ? 'M17' : 'M18');
      held = on;
    },
    freeze: (on) => {
      frozenAt = on ? counts : null;
      told();
      return Promise.resolve();
    },
    stop: async () => {
      target = null;
      await line('M0');
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
  poll();
  return controller;
}
