import { refusalSentence, type Edit } from '@pendrix/core';
import { useNotices } from '../stores/notices.ts';
import { useOpenDrive } from './open-drive.ts';

let sessions = 0;

/** Several edits that are one step of undo; the first that is refused is told, and what comes after it is left. */
export function useSeveralEdits(): (edits: readonly Edit[]) => void {
  const { edit } = useOpenDrive();
  const notices = useNotices();
  return (edits) => {
    const session = `several-${Date.now()}-${++sessions}`;
    for (const e of edits) {
      const refused = edit(e, session);
      if (refused) {
        notices.tell({ message: refusalSentence(refused), tone: 'bad' });
        return;
      }
    }
  };
}
