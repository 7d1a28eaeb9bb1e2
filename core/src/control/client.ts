import { readAnswer, writeRequest, type Command, type Hello, type Status } from './protocol.ts';

/** A way to a controller: lines out, lines in. A serial port, a socket, a worker. */
export interface LineLink {
  readonly send: (line: string) => void;
  /** hears each line, until it is closed */
  onLine: ((line: string) => void) | null;
  onClose: ((why: string) => void) | null;
  readonly close: () => void;
}

/** Time as the caller keeps it. */
export interface Clock {
  readonly after: (ms: number, act: () => void) => () => void;
}

/** One axis that can be sent somewhere: whatever protocol it speaks. (handbook: run, controllers) */
export interface Controller {
  readonly hello: Hello;
  moveTo(counts: number): Promise<void>;
  jog(counts: number): Promise<void>;
  zero(): Promise<void>;
  hold(on: boolean): Promise<void>;
  freeze(on: boolean): Promise<void>;
  stop(): Promise<void>;
  status(): Status | null;
  /** hears every status */
  onStatus: ((status: Status) => void) | null;
  /** hears the end of the connection, with its reason */
  onLost: ((why: string) => void) | null;
  close(): void;
}

/** Why a controller did not do what was asked. */
export class ControllerRefused extends Error {}

/** An answer is waited for so long, ms; then the line is sent once more with the same id: done once all the same. */
const ANSWER_MS = 1500;
const SENDS = 3;

/** Speaks the lines over a link; rejects where nobody answers, or what answers is no controller of this kind. */
export async function connectLines(link: LineLink, clock: Clock): Promise<Controller> {
  let next = 1;
  let last: Status | null = null;
  let lost: string | null = null;
  let hello: Hello | null = null;
  const waiting = new Map<number, { readonly done: (error: string | null) => void }>();

  const controller: Controller = {
    get hello() {
      return hello!;
    },
    moveTo: (counts) => ask({ cmd: 'moveTo', counts }),
    jog: (counts) => ask({ cmd: 'jog', counts }),
    zero: () => ask({ cmd: 'zero' }),
    hold: (on) => ask({ cmd: 'hold', on }),
    freeze: (on) => ask({ cmd: 'freeze', on }),
    stop: () => ask({ cmd: 'stop' }),
    status: () => last,
    onStatus: null,
    onLost: null,
    close: () => link.close(),
  };

  link.onLine = (line) => {
    const read = readAnswer(line);
    if (!read) return;
    if (read.is === 'status') {
      last = read.status;
      controller.onStatus?.(read.status);
      return;
    }
    if (read.is === 'refused') {
      // before it said who it is: another client has it. Later a line was lost on the way, and is sent again
      if (!hello) fail(read.error || 'the controller refuses this connection');
      return;
    }
    if (read.hello) hello = read.hello;
    waiting.get(read.id)?.done(read.ok ? null : read.error || 'refused');
  };
  link.onClose = (why) => fail(why);

  function fail(why: string): void {
    if (lost !== null) return;
    lost = why;
    for (const w of [...waiting.values()]) w.done(why);
    controller.onLost?.(why);
  }

  function ask(command: Command): Promise<void> {
    const id = next++;
    return new Promise((resolve, reject) => {
      if (lost !== null) {
        reject(new ControllerRefused(lost));
        return;
      }
      let sends = 0;
      let cancel = (): void => undefined;
      const send = (): void => {
        if (++sends > SENDS) {
          finish(`no answer in ${(ANSWER_MS * SENDS) / 1000} s`);
          return;
        }
        // set before it goes out: an answer may come at once
        cancel = clock.after(ANSWER_MS, send);
        link.send(writeRequest({ id, command }));
      };
      const finish = (error: string | null): void => {
        cancel();
        waiting.delete(id);
        if (error === null) resolve();
        else reject(new ControllerRefused(error));
      };
      waiting.set(id, { done: finish });
      send();
    });
  }

  await ask({ cmd: 'hello' });
  if (!hello) throw new ControllerRefused('what answers does not say who it is');
  await ask({ cmd: 'status' });
  return controller;
}
