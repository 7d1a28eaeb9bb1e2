import { computed, onScopeDispose, shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue';

/** How long nothing must change before what is slow to work out is worked out, ms. */
const RESTS_MS = 240;

/**
 * A value that follows `source` once it has rested. For what takes longer than a frame: typing is not held up, and `fresh` tells
 * whether what is shown still belongs to what is typed.
 */
export function useSettled<T>(source: () => T): {
  readonly settled: Readonly<ShallowRef<T>>;
  readonly fresh: ComputedRef<boolean>;
} {
  const settled = shallowRef(source()) as ShallowRef<T>;
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(source, (now) => {
    clearTimeout(timer);
    timer = setTimeout(() => (settled.value = now), RESTS_MS);
  });
  onScopeDispose(() => clearTimeout(timer));
  return { settled, fresh: computed(() => same(settled.value, source())) };
}

/** Of several things together each is the same. */
const same = (a: unknown, b: unknown): boolean =>
  Array.isArray(a) && Array.isArray(b) ? a.length === b.length && a.every((v, i) => v === b[i]) : a === b;
