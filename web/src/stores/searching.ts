import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';

/** What the frame tells of a search that is under way, whichever station is shown; who searches keeps it true. */
export const useSearching = defineStore('searching', () => {
  const running = ref(false);
  /** the part that is behind, 0 to 1 */
  const part = ref(0);
  const message = ref('');
  /** ends the search and keeps what it has */
  const stop = shallowRef<() => void>(() => undefined);
  return { running, part, message, stop };
});
