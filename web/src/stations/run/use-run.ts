import { computed, ref, type ComputedRef, type Ref } from 'vue';
import {
  exposureEntry,
  freeEntryId,
  isSession,
  nextSession,
  nextState,
  runName,
  runPlace,
  type AnyRun,
  type FollowingState,
  type RunEvent,
  type SessionEvent,
} from '@pendrix/core';
import type { RunRecord } from '../../records/kinds.ts';
import { useRecords } from '../../records/records.ts';
import { useNotices } from '../../stores/notices.ts';
import { freeName, useWorkshop } from '../../stores/workshop.ts';

/** The runs of one drive, the one that is on the bench, and what can be done with them. Every move is on the disk before it is shown. */
export interface CurrentRun {
  /** on the bench; null while the sheet and the list are shown */
  readonly run: ComputedRef<RunRecord | null>;
  /** under way, the last one worked on first */
  readonly open: ComputedRef<readonly RunRecord[]>;
  /** ended or finished, the newest first */
  readonly past: ComputedRef<readonly RunRecord[]>;
  /** it was already under way when it came to the bench */
  readonly resumed: Ref<boolean>;
  /** puts a new one on the bench, called by a name that is free */
  readonly begin: (state: AnyRun, name: string) => Promise<void>;
  /** puts a run on the bench, an ended one too */
  readonly takeUp: (run: RunRecord) => Promise<void>;
  /** back to the sheet and the list; the run stays as it is */
  readonly leave: () => void;
  readonly event: (what: 'next' | 'back' | 'pauseOrGoOn') => void;
  /** the same as data; true when it is stored */
  readonly put: (event: RunEvent) => Promise<boolean>;
  /** of a session on the clock */
  readonly session: (event: SessionEvent) => Promise<boolean>;
  readonly end: () => Promise<void>;
  readonly rename: (run: RunRecord, name: string) => Promise<void>;
  readonly remove: (run: RunRecord) => void;
  /** a name that no run of this drive has */
  readonly nameFor: (state: AnyRun) => string;
}

/** The runs of a drive; `chosen` is the id of the one the address names. */
export function useRun(driveId: string, chosen: Ref<string | null>): CurrentRun {
  const workshop = useWorkshop();
  const records = useRecords();
  const notices = useNotices();
  const all = computed(() => workshop.runsOf(driveId));
  const underWay = (r: RunRecord): boolean => !r.ended && !r.state.finished;
  const run = computed(() => all.value.find((r) => r.id === chosen.value) ?? null);
  const open = computed(() => all.value.filter(underWay));
  // one blank under way, and no other asked for: that is what the maker came for
  if (chosen.value === null && open.value.length === 1) chosen.value = open.value[0]!.id;
  const resumed = ref(run.value !== null && underWay(run.value));
  /** moves wait for one another: two quick presses are two gaps, never one lost */
  let queue: Promise<unknown> = Promise.resolve();

  /** Stores what became of a run; where another tab went on with it, that stands, and going back is asked for first. */
  async function put(
    from: RunRecord,
    to: Partial<Pick<RunRecord, 'name' | 'state' | 'ended'>>,
  ): Promise<boolean> {
    const moved = await workshop.putRun(from, to);
    if (moved === 'stored') {
      if (notices.notice?.about === 'run') notices.dismiss();
    } else if (moved === 'failed')
      notices.tell({
        message:
          'The move could not be stored, so the run stays where it is. Back up all and reload the page.',
        tone: 'bad',
        about: 'run',
      });
    else if (moved.newer === null)
      notices.tell({
        message: `${from.name} was deleted in another tab. This move is not made.`,
        tone: 'bad',
        about: 'run',
      });
    else {
      const { newer } = moved;
      notices.tell({
        message: `${from.name} has gone on to ${runPlace(newer.state, Date.now())} in another tab, and is shown there now. This tab stood at ${runPlace(from.state, Date.now())}.`,
        tone: 'bad',
        about: 'run',
        act: {
          label: `Go back to ${runPlace(from.state, Date.now())}`,
          do: () => void put(newer, { state: from.state }),
        },
      });
    }
    return moved === 'stored';
  }

  /** A night ends: its exposures go into the log of the drive. */
  async function endNight(from: RunRecord, night: FollowingState): Promise<void> {
    const at = Date.now();
    const drive = workshop.records.get(driveId)?.drive;
    const entry = drive && exposureEntry(night, freeEntryId(drive), new Date().getTimezoneOffset());
    if (!(await put(from, { state: nextSession(night, { do: 'end', at }) }))) return;
    if (entry) workshop.edit(driveId, { do: 'log', entry, message: `exposures of ${from.name}` });
    notices.tell({
      message: `${from.name} is ended, ${runPlace(night, at)}.${entry ? ' Its exposures are in the log.' : ''}`,
      tone: 'plain',
    });
  }

  /** The state that follows, stored before it is shown; true when it stands on the disk. */
  function follow(next: (state: AnyRun) => AnyRun): Promise<boolean> {
    const done = queue.then(async () => {
      const now = run.value;
      if (!now) return false;
      const state = next(now.state);
      return state === now.state || put(now, { state });
    });
    queue = done;
    return done;
  }

  return {
    run,
    open,
    past: computed(() => all.value.filter((r) => !underWay(r))),
    resumed,
    nameFor: (state) =>
      freeName(
        runName(state),
        all.value.map((r) => r.name),
      ),
    begin: async (state, name) => {
      const made = await workshop.startRun(driveId, name, state);
      if (made) {
        resumed.value = false;
        chosen.value = made.id;
      } else
        notices.tell({
          message: 'The run could not be stored, so it is not begun. Back up all and reload the page.',
          tone: 'bad',
          about: 'run',
        });
    },
    takeUp: async (old) => {
      if (old.ended) await put(old, { ended: false });
      resumed.value = true;
      chosen.value = old.id;
    },
    leave: () => (chosen.value = null),
    event: (what) =>
      void follow((state) => {
        if (isSession(state)) return state;
        // what the key means is settled when its turn comes: two quick presses must not both pause
        const act = what !== 'pauseOrGoOn' ? what : state.paused ? 'resume' : 'pause';
        return nextState(state, { do: act, at: Date.now() });
      }),
    put: (event) => follow((state) => (isSession(state) ? state : nextState(state, event))),
    session: (event) => follow((state) => (isSession(state) ? nextSession(state, event) : state)),
    end: async () => {
      const now = run.value;
      if (!now) return;
      chosen.value = null;
      if (now.state.finished) return;
      if (isSession(now.state) && now.state.session === 'following') {
        await endNight(now, now.state);
        return;
      }
      await put(now, { ended: true });
      notices.tell({
        message: `${now.name} is put aside at ${runPlace(now.state, Date.now())}. It stays in the list and can be taken up again.`,
        tone: 'plain',
      });
    },
    rename: async (old, name) => {
      await put(old, { name });
    },
    remove: (old) => {
      const step = workshop.removeRun(old);
      notices.tell({
        message: `The run of ${old.name} is deleted.`,
        tone: 'plain',
        act: { label: 'Undo', do: () => void records.undoStep(step.id) },
      });
    },
  };
}
