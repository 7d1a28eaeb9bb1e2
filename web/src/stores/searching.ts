import { defineStore } from 'pinia';
import { ref, shallowRef, watchEffect, type Ref } from 'vue';

/** A long work that the frame tells of. */
interface Told {
  readonly running: Readonly<Ref<boolean>>;
  readonly part: Readonly<Ref<number>>;
  readonly message: Readonly<Ref<string>>;
  /** ends it and keeps what it has */
  readonly stop: () => void;
}

/** What the frame tells of a search that is under way, whichever station is shown; who searches keeps it true. */
export const useSearching = defineStore('searching', () => {
  const running = ref(false);
  /** the part that is behind, 0 to 1 */
  const part = ref(0);
  const message = ref('');
  const stop = shallowRef<() => void>(() => undefined);
  /** tells of one from now on; of two the one that began last is told */
  const follow = (of: Told): void => {
    watchEffect(() => {
      if (of.running.value) stop.value = of.stop;
      else if (stop.value !== of.stop) return;
      running.value = of.running.value;
      part.value = of.part.value;
      message.value = of.message.value;
    });
  };
  return { running, part, message, stop, follow };
});
