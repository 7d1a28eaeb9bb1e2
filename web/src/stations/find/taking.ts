import { useRouter } from 'vue-router';
import { refusalSentence, type Edit } from '@pendrix/core';
import { useRecords } from '../../records/records.ts';
import { useNotices } from '../../stores/notices.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { thisMinute } from '../../ui/clock.ts';
import { useOpenDrive } from '../../ui/open-drive.ts';

/** A train, and what it was judged with. */
export type Taken = Omit<Extract<Edit, { do: 'train' }>, 'do' | 'label'>;

/** Takes what was found: into the open drive, with an undo beside the news, or into a copy of it. */
export function useTaking(): {
  /** `what` it is, for the step and the news; `reason` keeps a revision with it */
  readonly take: (taken: Taken, what: string, news: string, reason?: string) => void;
  readonly copy: (taken: Taken, what: string) => void;
} {
  const { edit, id, path } = useOpenDrive();
  const records = useRecords();
  const workshop = useWorkshop();
  const notices = useNotices();
  const router = useRouter();
  return {
    take(taken, what, news, reason) {
      if (id.value === null) return;
      const at = id.value;
      const session = `taken-${Date.now()}`;
      const refused =
        edit({ do: 'train', ...taken, label: `use ${what}` }, session) ??
        (reason === undefined ? null : edit({ do: 'keep', reason, at: thisMinute() }, session));
      notices.tell(
        refused
          ? { message: refusalSentence(refused), tone: 'bad' }
          : {
              message: news,
              tone: 'plain',
              act: { label: 'Undo', do: () => void records.undo({ kind: 'drive', id: at, whole: false }) },
            },
      );
    },
    copy(taken, what) {
      const made = id.value === null ? null : workshop.duplicate(id.value);
      if (!made) return;
      workshop.edit(made.id, { do: 'train', ...taken, label: `use ${what}` }, null, path.value?.train ?? 0);
      void router.push({ name: 'train', params: { id: made.id } });
    },
  };
}
