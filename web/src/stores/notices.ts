import { defineStore } from 'pinia';
import { shallowRef } from 'vue';

export interface Notice {
  readonly message: string;
  /** what it is about: it goes when that is put right */
  readonly about?: string;
  readonly tone: 'plain' | 'bad';
  /** until it is put away; what failed always does */
  readonly stays?: boolean;
  /** what may be done before */
  readonly more?: { readonly label: string; readonly do: () => void };
  readonly act?: { readonly label: string; readonly do: () => void };
}

/** The one line at the foot that tells what has just happened, with what can be done about it. */
export const useNotices = defineStore('notices', () => {
  const notice = shallowRef<Notice | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;

  function tell(n: Notice): void {
    clearTimeout(timer);
    notice.value = n;
    if (n.tone === 'plain' && !n.stays) timer = setTimeout(() => (notice.value = null), 10_000);
  }

  function dismiss(): void {
    clearTimeout(timer);
    notice.value = null;
  }

  return { notice, tell, dismiss };
});
