import type { Clock, LineLink, Machine } from '../control/index.ts';

/** What is left running of a machine when its page is dead, before the next comes, ms. */
const AFTER_DEATH_MS = 2000;

/** Time that passes when it is told to, with a machine that ticks in it. */
export class World {
  now = 0;
  #due: { at: number; act: () => void; off: boolean }[] = [];
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
    this.#due = [];
  }
  /** runs until the promise is settled, at most so many seconds of its own time, or so long as somebody lives and a moment more */
  async until<T>(made: Promise<T>, seconds = 600, lives: () => boolean = () => true): Promise<T> {
    let done = false;
    const settled = made.finally(() => (done = true));
    settled.catch(() => undefined);
    let end = this.now + seconds * 1000;
    let alive = true;
    const machines = [...new Set(this.machines.map((m) => m.machine))];
    while (!done && this.now < end) {
      if (alive && !lives()) {
        alive = false;
        end = Math.min(end, this.now + AFTER_DEATH_MS);
      }
      this.now += 5;
      // a machine ticks once, however many have been connected to it
      for (const machine of machines) {
        const lines = machine.tick(5);
        if (lines.length === 0) continue;
        for (const m of this.machines)
          if (m.machine === machine && !m.cut) for (const line of lines) m.link.onLine?.(line);
      }
      if (this.#due.some((d) => d.off || d.at <= this.now)) {
        const now = this.#due.filter((d) => d.at <= this.now && !d.off);
        this.#due = this.#due.filter((d) => d.at > this.now && !d.off);
        for (const d of now) {
          d.off = true;
          d.act();
        }
      }
      await Promise.resolve();
      await Promise.resolve();
      await Promise.resolve();
    }
    if (!done) throw new Error('time is up');
    return settled;
  }
}
