import { onScopeDispose, ref, shallowRef } from 'vue';
import { wrap } from 'comlink';
import { toText, type TwoAsked } from '@pendrix/core';
import type { BranchesWork, TextBranches } from '../../workers/branches-work.ts';

/** Two branches searched for in a worker; a new search ends the one before, Stop leaves what stood. */
export function useBranches() {
  const rows = shallowRef<readonly TextBranches[] | null>(null);
  const busy = ref(false);
  const failed = ref(false);
  let worker: Worker | null = null;

  function stop(): void {
    worker?.terminate();
    worker = null;
    busy.value = false;
  }

  async function search({ wanted, within, teeth, count }: TwoAsked): Promise<void> {
    stop();
    const mine = new Worker(new URL('../../workers/branches.worker.ts', import.meta.url), { type: 'module' });
    worker = mine;
    busy.value = true;
    failed.value = false;
    try {
      const found = await wrap<BranchesWork>(mine).search({
        wanted: [toText(wanted[0]), toText(wanted[1])],
        within: toText(within),
        teeth: { from: teeth.from, to: teeth.to },
        count,
      });
      if (worker === mine) rows.value = found;
    } catch {
      if (worker === mine) failed.value = true;
    }
    if (worker === mine) stop();
  }
  onScopeDispose(stop);
  return { rows, busy, failed, search, stop };
}
