import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import { CURE_WHEELS, type Train, type WheelRange } from '@pendrix/core';

const KEY = 'pendrix.trials';

interface Kept {
  /** the train pinned as A, by the drive's id */
  readonly pinned: Readonly<Record<string, Train>>;
  /** wheels that cures are made of */
  readonly wheels: WheelRange;
}

/** What is being tried on this device beside the drives: pinned trains, and the wheels that cures may be made of. */
export const useTrials = defineStore('trials', () => {
  const kept = ref<Kept>(read());
  watch(kept, (now) => {
    try {
      localStorage.setItem(KEY, JSON.stringify(now));
    } catch {
      // Storage that is shut forgets the trial, not the drive.
    }
  });
  const pin = (id: string, train: Train): void => {
    kept.value = { ...kept.value, pinned: { ...kept.value.pinned, [id]: train } };
  };
  const unpin = (id: string): void => {
    kept.value = {
      ...kept.value,
      pinned: Object.fromEntries(Object.entries(kept.value.pinned).filter(([k]) => k !== id)),
    };
  };
  const setWheels = (wheels: WheelRange): void => {
    kept.value = { ...kept.value, wheels };
  };
  return { kept, pin, unpin, setWheels };
});

function read(): Kept {
  const none: Kept = { pinned: {}, wheels: CURE_WHEELS };
  try {
    const value = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<Kept> | null;
    const { from, to } = value?.wheels ?? CURE_WHEELS;
    const fits = Number.isInteger(from) && Number.isInteger(to) && from >= 1 && to >= from;
    return { pinned: value?.pinned ?? {}, wheels: fits ? { from, to } : CURE_WHEELS };
  } catch {
    return none;
  }
}
