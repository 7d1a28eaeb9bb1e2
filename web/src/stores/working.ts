import { defineStore } from 'pinia';
import { ref } from 'vue';

/** Which figure's working is open. The figure itself is looked up in the present report, so that the drawer stays live. */
export const useWorking = defineStore('working', () => {
  const key = ref<string | null>(null);
  let opener: HTMLElement | null = null;

  function open(figure: string, from: EventTarget | null = null): void {
    key.value = figure;
    opener = from instanceof HTMLElement ? from : null;
  }

  /** Closes the drawer and gives the focus back to what opened it. */
  function close(): void {
    key.value = null;
    if (opener?.isConnected) opener.focus();
    opener = null;
  }

  return { key, open, close };
});
