import { useRegisterSW } from 'virtual:pwa-register/vue';
import { watch } from 'vue';
import { backUpAll } from './backup.ts';
import { useNotices } from '../stores/notices.ts';

/** Keeps Pendrix usable without a network; a new version says so and waits until it is taken. */
export function useNewVersion(): void {
  const notices = useNotices();
  const { needRefresh, updateServiceWorker } = useRegisterSW({ immediate: true });
  watch(needRefresh, (now) => {
    if (now)
      notices.tell({
        message: 'A new version of Pendrix is here. It waits until you take it; nothing of yours is lost.',
        tone: 'plain',
        stays: true,
        more: { label: 'Back up all first', do: () => void backUpAll() },
        act: { label: 'Take it now', do: () => void updateServiceWorker(true) },
      });
  });
}
