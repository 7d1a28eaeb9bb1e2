import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue';

/**
 * A value that follows `source` some frames later. For what is large to draw: the verdict of an edit comes first, in the frame of
 * the keystroke, and the drawing, its figures and the ledger follow in a frame each, so that none is long; of several edits in the
 * meantime only the last is drawn.
 */
export function useNextFrame<T>(source: () => T, frames = 1): Readonly<ShallowRef<T>> {
  const later = shallowRef(source()) as ShallowRef<T>;
  let frame = 0;
  const wait = (left: number): void => {
    frame = requestAnimationFrame(() => {
      if (left > 1) wait(left - 1);
      else later.value = source();
    });
  };
  watch(source, () => {
    cancelAnimationFrame(frame);
    wait(frames);
  });
  onScopeDispose(() => cancelAnimationFrame(frame));
  return later;
}

/** What was loaded, in a task of its own: to run it and to show it in one would hold up the page. */
export const afterLoading = <T>(loaded: T): Promise<T> =>
  new Promise((done) => setTimeout(() => done(loaded)));
