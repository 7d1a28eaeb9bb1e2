import { hadTogether } from '../choose/index.ts';
import { pathOf, type Drive } from '../drive/index.ts';
import { usesOf, type ShelfPart } from '../shelf/index.ts';
import type { Proposals, Proposed } from './proposed.ts';

/** Axes with a motor of their own that are asked to move: each is chosen by itself, of what the first leaves. */
export const axesOf = (drive: Drive): readonly number[] =>
  (drive.others ?? []).flatMap((train, i) =>
    train.from === null && (train.job.sweeps ?? []).length > 0 ? [i + 1] : [],
  );

/** One axis as a drive that is asked the same. */
export const axisDrive = (drive: Drive, at: number): Drive => ({
  ...pathOf(drive, at).drive,
  ...(drive.start && { start: drive.start }),
  ...(drive.find && { find: drive.find }),
});

/** How many of each line are free still, whichever of the proposals is taken. */
export function freeAfter(
  { list }: Proposals,
  free: (part: ShelfPart) => number,
): (part: ShelfPart) => number {
  const most = new Map<string, number>();
  for (const { drive } of list)
    for (const [id, [use]] of usesOf([drive])) most.set(id, Math.max(use!.count, most.get(id) ?? 0));
  return (part) => Math.max(0, free(part) - (most.get(part.id) ?? 0));
}

/** Each of some proposals with the simplest of those for a further axis; none where there is nothing for it. */
export function withAxis(of: Proposals, axis: Proposals, at: number): Proposals {
  const [best] = axis.list;
  const judged = of.judged + axis.judged;
  if (!best) return { list: [], judged, meeting: 0, sure: 0, done: of.done && axis.done };
  const joined = ({ drive, had, lacks, meets }: Proposed): Proposed => {
    const { source, stages, output } = best.drive.train;
    return {
      drive: {
        ...drive,
        others: drive.others!.map((t, i) => (i === at - 1 ? { ...t, source, stages, output } : t)),
      },
      had: hadTogether(had, best.had),
      lacks: [...new Set([...lacks, ...best.lacks])],
      meets: meets && best.meets,
    };
  };
  return {
    list: of.list.map(joined),
    judged,
    meeting: best.meets ? of.meeting : 0,
    sure: axis.sure > 0 ? of.sure : 0,
    done: of.done && axis.done,
  };
}
