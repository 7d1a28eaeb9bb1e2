import { defineStore } from 'pinia';
import { shallowRef, watch } from 'vue';
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
  // Plain data: a train that is taken up again goes to the database as it stands.
  const kept = shallowRef<Kept>(read());
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
