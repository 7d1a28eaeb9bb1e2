import { defineStore } from 'pinia';
import { ref, watchEffect } from 'vue';

const KEY = 'pendrix.night';

/** What this device prefers, kept in the browser apart from the drives. */
export const useSettings = defineStore('settings', () => {
  const night = ref(read());
  watchEffect(() => {
    try {
      localStorage.setItem(KEY, night.value ? 'night' : 'day');
    } catch {
      // Storage that is shut changes nothing but that the choice is forgotten.
    }
    document.documentElement.dataset['theme'] = night.value ? 'night' : 'day';
  });
  return { night };
});

function read(): boolean {
  try {
    return localStorage.getItem(KEY) === 'night';
  } catch {
    return false;
  }
}
