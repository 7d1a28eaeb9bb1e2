import { counted, refusalSentence, type Result } from '@pendrix/core';
import type { Workshop, WorkshopRead } from '@pendrix/core/files/index';
import { useRecords, type Change } from '../records/records.ts';
import { useNotices } from './notices.ts';
import { useShelf } from './shelf.ts';
import { useWorkshop } from './workshop.ts';

/** Drives, shelf lines and runs that come from outside, as one step that one Undo takes back. */
export interface Importing {
  /** all of a workshop; the number of records it brought. An empty message tells nothing */
  readonly take: (workshop: Workshop, label: string, message: string) => number;
  /** what came of reading a file: the good is taken, beside what is here or instead of it, the bad is named */
  readonly takeRead: (name: string, read: Result<WorkshopRead>, how?: 'beside' | 'instead') => void;
}

/** Names of what is left out that are told; beyond them their number. */
const MAX_NAMED = 3;

export function useImporting(): Importing {
  const records = useRecords();
  const workshop = useWorkshop();
  const shelf = useShelf();
  const notices = useNotices();

  function take(
    from: Workshop,
    label: string,
    message: string,
    how: 'beside' | 'instead' = 'beside',
  ): number {
    const alone = how === 'instead';
    const lines: Change[] = [...shelf.additions(from.parts)].map(([id, row]) => ({ kind: 'part', id, row }));
    const changes: readonly Change[] = [
      ...(alone ? othersThan(from) : []),
      ...lines,
      ...workshop.additions(from, alone),
    ];
    if (changes.length > 0) {
      const step = records.change(label, changes);
      if (message !== '')
        notices.tell({
          message,
          tone: 'plain',
          act: { label: 'Undo', do: () => void records.undoStep(step.id) },
        });
    }
    return changes.length;
  }

  /** All that is here and not in the file, deleted: lines of the shelf keep their identities, drives and runs come anew. */
  function othersThan({ parts }: Workshop): readonly Change[] {
    const stay = new Set(parts.map((p) => p.id));
    return (['drive', 'part', 'run'] as const).flatMap((kind) =>
      [...records.tables[kind].keys()]
        .filter((id) => kind !== 'part' || !stay.has(id))
        .map((id): Change => ({ kind, id, row: null })),
    );
  }

  function takeRead(name: string, read: Result<WorkshopRead>, how: 'beside' | 'instead' = 'beside'): void {
    if (!read.ok) {
      notices.tell({ message: `${name} is left out. ${refusalSentence(read.refusal)}`, tone: 'bad' });
      return;
    }
    const { left, ...good } = read.value;
    const counts = [
      [good.drives.length, 'drive'],
      [good.parts.length, 'shelf line'],
      [good.runs.length, 'run'],
    ] as const;
    const what = counts.flatMap(([n, word]) => (n > 0 ? [counted(n, word)] : [])).join(', ');
    const done = how === 'instead' ? 'stand in the place of what was here' : 'imported';
    const taken = take(good, `import ${name}`, `${name}: ${what} ${done}.`, how);
    if (left.length > 0) {
      const named = left.slice(0, MAX_NAMED).map((l) => `${l.name} (${refusalSentence(l.refusal)})`);
      const others = left.length > MAX_NAMED ? `, and ${left.length - MAX_NAMED} more` : '';
      notices.tell({
        message: `${name}: ${taken > 0 ? `${what} ${done}` : 'nothing imported'}; left out: ${named.join('; ')}${others}`,
        tone: 'bad',
      });
    } else if (taken === 0)
      notices.tell({ message: `${name} holds nothing that is not here already.`, tone: 'plain' });
  }

  return { take, takeRead };
}
