import { computed, onScopeDispose, shallowRef, watch, type ComputedRef } from 'vue';
import { gradeWords, type Drive, type Graded } from '@pendrix/core';
import type { DriveRecord } from '../../records/kinds.ts';
import { today } from '../../ui/clock.ts';
import { treeOf } from '../../ui/open-drive.ts';

/** What the list says of one drive beyond its row. */
interface Judged {
  readonly grade: Graded['grade'];
  /** why it needs attention; null when it does not */
  readonly attention: string | null;
}

/** How long one slice of judging may hold up the page, ms. */
const SLICE_MS = 6;

const known = new WeakMap<Drive, Judged>();

function judge(drive: Drive): Judged {
  const found = known.get(drive);
  if (found) return found;
  let made: Judged;
  try {
    const tree = treeOf(drive);
    const attention =
      tree.attention ?? tree.marks(0, today()).find((m) => m.mark === 'diamond')?.reason ?? null;
    made = { grade: tree.verdict[1]?.graded?.grade ?? 'unknown', attention };
  } catch {
    made = { grade: 'unknown', attention: 'Pendrix cannot judge this drive' };
  }
  known.set(drive, made);
  return made;
}

/** The verdicts of all drives, reckoned a slice a frame so that a long list can be used at once. */
export function useJudged(drives: () => readonly DriveRecord[]): {
  readonly tally: ComputedRef<readonly Graded[]>;
  readonly attention: ComputedRef<
    readonly { readonly id: string; readonly name: string; readonly why: string }[]
  >;
  /** every drive has been looked at */
  readonly done: ComputedRef<boolean>;
} {
  const judged = shallowRef<readonly (readonly [DriveRecord, Judged])[]>([]);
  let frame = 0;

  function go(list: readonly DriveRecord[], from: number, done: (readonly [DriveRecord, Judged])[]): void {
    const until = performance.now() + SLICE_MS;
    let at = from;
    while (at < list.length && performance.now() < until) {
      const record = list[at++]!;
      done.push([record, judge(record.drive)]);
    }
    if (at < list.length) frame = requestAnimationFrame(() => go(list, at, done));
    else judged.value = done;
  }
  watch(
    drives,
    (list) => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => go(list, 0, []));
    },
    { immediate: true },
  );
  onScopeDispose(() => cancelAnimationFrame(frame));

  return {
    done: computed(() => judged.value.length === drives().length),
    tally: computed(() =>
      (['even', 'evenMicrostep', 'rounded', 'misses', 'unknown'] as const).flatMap((grade) => {
        const n = judged.value.filter(([, j]) => j.grade === grade).length;
        return n > 0 ? [{ grade, word: `${n} ${gradeWords[grade]}` }] : [];
      }),
    ),
    attention: computed(() =>
      judged.value.flatMap(([r, j]) =>
        j.attention === null ? [] : [{ id: r.id, name: r.drive.name, why: j.attention }],
      ),
    ),
  };
}
