import { defineStore } from 'pinia';
import { ref, watch, watchEffect, type Ref } from 'vue';

const KEY = 'pendrix.night';

/** How each step of a run is told. */
export type Cues = 'off' | 'tone' | 'voice';

/** What this device prefers, kept in the browser apart from the drives. */
export const useSettings = defineStore('settings', () => {
  const night = ref(kept(KEY) === 'night');
  watchEffect(() => {
    keep(KEY, night.value ? 'night' : 'day');
    document.documentElement.dataset['theme'] = night.value ? 'night' : 'day';
  });
  const said = kept('pendrix.cues');
  const cues = ref<Cues>(said === 'tone' || said === 'voice' ? said : 'off');
  /** a second key for "next", as the browser names it; empty for none */
  const pedal = ref(kept('pendrix.pedal') ?? '');
  remember(cues, 'pendrix.cues');
  remember(pedal, 'pendrix.pedal');
  /** at the machine in the dark: the station alone, nothing beside it; not kept */
  const field = ref(false);
  return { night, cues, pedal, field };
});

const remember = (value: Ref<string>, key: string): void => void watch(value, (now) => keep(key, now));

function keep(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // Storage that is shut changes nothing but that the choice is forgotten.
  }
}

function kept(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}
