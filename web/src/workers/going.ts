import { run, type Progress, type Search } from '@pendrix/core';

/** A Stop is heard this often, ms. */
const BREATH_MS = 12;
/** Progress is told this often, ms. */
const TELL_MS = 80;

/** Gives way to messages, a Stop among them. */
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

/** What a worker does that can be ended from the page. */
export interface Stoppable {
  /** ends what is under way; it gives what it has */
  readonly stop: () => void;
}

/** A search under way in a worker: it tells how far it is, and hears a Stop. */
export class Going {
  private signal = { aborted: false };

  begin(): void {
    this.signal = { aborted: false };
  }

  get stopped(): boolean {
    return this.signal.aborted;
  }

  readonly stop = (): void => {
    this.signal.aborted = true;
  };

  go<T>(search: Search<T>, told: (progress: Progress) => void): Promise<T> {
    let [breathed, tells] = [performance.now(), 0];
    return run(search, this.signal, (progress: Progress) => {
      const now = performance.now();
      if (now - tells > TELL_MS) {
        tells = now;
        told(progress);
      }
      if (now - breathed < BREATH_MS) return null;
      return breathe().then(() => {
        breathed = performance.now();
      });
    });
  }
}
