import { useRegisterSW } from 'virtual:pwa-register/vue';
import { useEventListener } from '@vueuse/core';
import { watch } from 'vue';
import { someoneDrives } from '../control/driving-lock.ts';
import { useRecords } from '../records/records.ts';
import { backUpAll } from './backup.ts';
import { useNotices, type Notice } from '../stores/notices.ts';

/** Keeps Pendrix usable without a network; a new version says so and waits until it is taken, and for every tab that drives a machine. */
export function useNewVersion(): void {
  const notices = useNotices();
  const records = useRecords();
  const { needRefresh, updateServiceWorker } = useRegisterSW({ immediate: true });
  const waits = {
    tone: 'plain',
    stays: true,
    more: { label: 'Back up all first', do: () => void backUpAll() },
    act: { label: 'Take it now', do: () => void take() },
  } as const satisfies Omit<Notice, 'message'>;

  // taken, it is taken in every tab at once: each is loaded anew
  async function take(): Promise<void> {
    if (await someoneDrives())
      notices.tell({
        ...waits,
        message: 'A tab of this browser has a controller. Disconnect it first: the new version waits.',
      });
    else await updateServiceWorker(true);
  }
  watch(needRefresh, (now) => {
    if (now)
      notices.tell({
        ...waits,
        message: 'A new version of Pendrix is here. It waits until you take it; nothing of yours is lost.',
      });
  });

  // a page of an older version asks for files that the server no longer has, or the server is gone
  useEventListener(window, 'vite:preloadError', () => {
    notices.tell({
      tone: 'bad',
      message: `A part of Pendrix could not be loaded: the server is gone, or has a newer version. Reload the page to go on; ${
        records.endangered ? 'back up all before, some changes are not stored' : 'all you did is stored here'
      }.`,
      more: { label: 'Back up all first', do: () => void backUpAll() },
      act: { label: 'Reload', do: () => location.reload() },
    });
  });
}
