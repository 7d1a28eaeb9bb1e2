import type { Clock, LineLink, Machine } from '../control/index.ts';

/** Time that passes when it is told to, with a machine that ticks in it. */
export class World {
  now = 0;
  readonly #due: { at: number; act: () => void; off: boolean }[] = [];
  readonly machines: { machine: Machine; link: LineLink; cut: boolean; deaf: boolean }[] = [];
  readonly clock: Clock = {
    after: (ms, act) => {
      const entry = { at: this.now + ms, act, off: false };
      this.#due.push(entry);
      return () => void (entry.off = true);
    },
  };
  link(machine: Machine): LineLink {
    const link: LineLink = {
      send: (line) => {
        if (!at.cut && !at.deaf) for (const answer of machine.receive(line)) link.onLine?.(answer);
      },
      onLine: null,
      onClose: null,
      close: () => link.onClose?.('closed'),
    };
    const at = { machine, link, cut: false, deaf: false };
    this.machines.push(at);
    return link;
  }
  /** every page is gone; what they were connected to stays */
  drop(): void {
    for (const m of this.machines) m.cut = true;
    this.#due.length = 0;
  }
  /** runs until the promise is settled, at most so many seconds of its own time */
  async until<T>(made: Promise<T>, seconds = 600): Promise<T> {
    let done = false;
    const settled = made.finally(() => (done = true));
    settled.catch(() => undefined);
    const end = this.now + seconds * 1000;
    while (!done && this.now < end) {
      this.now += 5;
      // a machine ticks once, however many have been connected to it
      for (const machine of new Set(this.machines.map((m) => m.machine))) {
        const lines = machine.tick(5);
        for (const m of this.machines)
          if (m.machine === machine && !m.cut) for (const line of lines) m.link.onLine?.(line);
      }
      for (const d of this.#due.filter((x) => x.at <= this.now && !x.off)) {
        d.off = true;
        d.act();
      }
      await Promise.resolve();
      await Promise.resolve();
      await Promise.resolve();
    }
    if (!done) throw new Error('time is up');
    return settled;
  }
}
