import { useNotices } from '../stores/notices.ts';

/** Puts a text on the clipboard and says so; `otherwise` is what to do where the browser does not let it. */
export function useCopy(): (text: string, what: string, otherwise?: string) => Promise<void> {
  const notices = useNotices();
  return async (text, what, otherwise = '') => {
    try {
      await navigator.clipboard.writeText(text);
      notices.tell({ message: `${what} on the clipboard.`, tone: 'plain' });
    } catch {
      notices.tell({
        message: `The browser did not let Pendrix copy.${otherwise && ` ${otherwise}`}`,
        tone: 'bad',
      });
    }
  };
}
