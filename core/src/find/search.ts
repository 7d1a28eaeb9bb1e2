/** How far a search has come, for the ruler and the words beside it. */
export interface Progress {
  readonly stages: number;
  /** what is checked of what there is to go through with so many stages */
  readonly done: number;
  readonly of: number;
}

/**
 * A search as a generator: it gives way often, says how far it is, and takes true when it should stop. What it returns then is
 * what it has by then, and says so.
 */
export type Search<T> = Generator<Progress, T, boolean>;

/** What an AbortSignal is to a search. */
export interface Signal {
  readonly aborted: boolean;
}

/** Runs a search to its end, or until the signal. `pause` is asked at each breath and may wait, so that a Stop can arrive. */
export async function run<T>(
  search: Search<T>,
  signal: Signal,
  pause: (progress: Progress) => Promise<void> | null,
): Promise<T> {
  let step = search.next(signal.aborted);
  while (!step.done) {
    const wait = pause(step.value);
    if (wait) await wait;
    step = search.next(signal.aborted);
  }
  return step.value;
}

/** Runs a search to its end in one go. */
export function runNow<T>(search: Search<T>): T {
  let step = search.next(false);
  while (!step.done) step = search.next(false);
  return step.value;
}
