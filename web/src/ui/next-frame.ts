import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue';

/**
 * A value that follows `source` one frame later. For what is large to draw: the verdict of an edit comes first, in the same
 * frame as the keystroke, and the picture follows in the next; of several edits in one frame only the last is drawn.
 */
export function useNextFrame<T>(source: () => T): Readonly<ShallowRef<T>> {
  const later = shallowRef(source()) as ShallowRef<T>;
  let frame = 0;
  watch(source, () => {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(() => (later.value = source()));
  });
  onScopeDispose(() => cancelAnimationFrame(frame));
  return later;
}
