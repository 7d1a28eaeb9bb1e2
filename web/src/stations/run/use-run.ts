import { computed, ref, type ComputedRef, type Ref } from 'vue';
import { nextState, startRun, type RunPlan, type RunState } from '@pendrix/core';
import type { RunRecord } from '../../storage/storage.ts';
import { useNotices } from '../../stores/notices.ts';
import { useWorkshop } from '../../stores/workshop.ts';

/** The run of one drive that is under way, and what can be done with it. Every move is on the disk before it is shown. */
export interface CurrentRun {
  readonly run: ComputedRef<RunRecord | null>;
  readonly past: ComputedRef<readonly RunRecord[]>;
  /** it was already under way when this page was opened */
  readonly resumed: Ref<boolean>;
  readonly start: (plan: RunPlan) => Promise<void>;
  readonly event: (what: 'next' | 'back' | 'pauseOrGoOn') => void;
  readonly end: () => Promise<void>;
  readonly forget: (run: RunRecord) => Promise<void>;
}

export function useRun(driveId: string): CurrentRun {
  const workshop = useWorkshop();
  const notices = useNotices();
  const all = computed(() => workshop.runsOf(driveId));
  /** a run that has just been finished stays on the bench until it is ended */
  const open = ref<string | null>(null);
  const run = computed(() => all.value.find((r) => !r.state.finished || r.id === open.value) ?? null);
  const resumed = ref(run.value !== null);
  /** moves wait for one another: two quick presses are two gaps, never one lost */
  let queue: Promise<unknown> = Promise.resolve();

  const store = async (base: RunRecord, state: RunState): Promise<void> => {
    if (!(await workshop.putRun({ ...base, state, touchedAt: Date.now() })))
      notices.tell({
        says: 'The move could not be stored, so the run stays where it is. Export your drives and reload the page.',
        tone: 'bad',
      });
  };

  return {
    run,
    past: computed(() => all.value.filter((r) => r.id !== run.value?.id)),
    resumed,
    start: async (plan) => {
      const now = Date.now();
      const id = crypto.randomUUID();
      open.value = id;
      resumed.value = false;
      await store({ id, driveId, state: startRun(plan, now), touchedAt: now }, startRun(plan, now));
    },
    event: (what) => {
      queue = queue.then(async () => {
        const now = run.value;
        if (!now) return;
        open.value = now.id;
        // what the key means is settled when its turn comes: two quick presses must not both pause
        const act = what !== 'pauseOrGoOn' ? what : now.state.paused ? 'resume' : 'pause';
        const state = nextState(now.state, { do: act, at: Date.now() });
        if (state !== now.state) await store(now, state);
      });
    },
    end: async () => {
      const now = run.value;
      if (!now) return;
      open.value = null;
      if (now.state.finished) return;
      await workshop.removeRun(now.id);
      notices.tell({
        says: `The run of ${now.state.plan.divisions} is ended at gap ${now.state.gap}.`,
        tone: 'plain',
        act: { label: 'Take it up again', do: () => void workshop.putRun(now) },
      });
    },
    forget: async (old) => {
      await workshop.removeRun(old.id);
      notices.tell({
        says: 'The run is forgotten.',
        tone: 'plain',
        act: { label: 'Undo', do: () => void workshop.putRun(old) },
      });
    },
  };
}
