import { defineStore } from 'pinia';
import { ref, shallowRef, watch, watchEffect, type Ref } from 'vue';

const KEY = 'pendrix.night';
const COLUMNS = 'pendrix.columns';

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
  /** what was said of the columns of a record, by its first line; said once, it is asked no more */
  const columns = shallowRef<Readonly<Record<string, readonly string[]>>>(columnsKept());
  watch(columns, (now) => keep(COLUMNS, JSON.stringify(Object.fromEntries(Object.entries(now).slice(-40)))));
  /** at the machine in the dark: the station alone, nothing beside it; not kept */
  const field = ref(false);
  return { night, cues, pedal, columns, field };
});

function columnsKept(): Record<string, readonly string[]> {
  try {
    const said: unknown = JSON.parse(kept(COLUMNS) ?? '{}');
    return said && typeof said === 'object'
      ? Object.fromEntries(
          Object.entries(said).filter(
            (e): e is [string, string[]] => Array.isArray(e[1]) && e[1].every((h) => typeof h === 'string'),
          ),
        )
      : {};
  } catch {
    return {};
  }
}

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
