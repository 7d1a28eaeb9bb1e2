import { computed, type ComputedRef } from 'vue';

/**
 * Plain data that is made anew by every edit, kept as it is while it says the same: what shows it need not be drawn again. For a few
 * words and numbers; what carries functions is compared by them alone.
 */
export function useKept<T>(source: () => T): ComputedRef<T> {
  return computed((before?: T) => {
    const now = source();
    return before !== undefined && JSON.stringify(before) === JSON.stringify(now) ? before : now;
  });
}
