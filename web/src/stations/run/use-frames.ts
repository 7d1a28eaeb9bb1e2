import { computed, onScopeDispose, watch, type ComputedRef } from 'vue';
import { useNow } from '@vueuse/core';
import {
  frameNow,
  framesReport,
  goneMessage,
  WINDOW,
  type FramesReport,
  type FramesState,
  type SessionEvent,
} from '@pendrix/core';
import { useController } from '../../stores/controller.ts';
import { useNotices } from '../../stores/notices.ts';

/** A shot that runs on this page's clock, its one axis sent by the controller where there is one. */
export interface RunningFrames {
  readonly report: ComputedRef<FramesReport>;
  /** the large key: start, go on, or by hand: exposed */
  readonly go: () => void;
  readonly pause: () => void;
  readonly back: () => void;
  /** what there is to say of the controller that is connected */
  readonly words: ComputedRef<string>;
}

/** How often the clock is looked at, ms. */
const TICK_MS = 100;
/** A move that is not over at its mark gets so much longer each time, ms. */
const LATE_MS = 500;

export function useFrames(
  state: () => FramesState,
  put: (event: SessionEvent) => Promise<boolean>,
): RunningFrames {
  const now = useNow({ interval: TICK_MS });
  const link = useController();
  const notices = useNotices();
  /** a controller knows this shot by the start it was set at; any other is not sent anywhere */
  const driven = computed(() => link.controller !== null && state().boot === link.controller.hello.boot);
  const target = computed(() => (state().zero ?? 0) + state().plan.axes[0]!.targets[state().frame - 1]!);
  const isThere = computed(
    () =>
      !driven.value ||
      (link.status !== null && !link.status.moving && Math.abs(link.status.counts - target.value) <= WINDOW),
  );
  // a page that was shut in the middle of a shot did not move it: it waits until somebody has looked
  if (!state().paused) void put({ do: 'pause', at: Date.now() });
  let telling = false;
  async function tell(event: SessionEvent): Promise<void> {
    if (telling) return;
    telling = true;
    try {
      await put(event);
    } finally {
      telling = false;
    }
  }
  const stop = watch(now, () => {
    const s = state();
    if (s.paused || !s.clock) return;
    const at = Date.now();
    if (s.boot !== undefined && !link.controller && link.lost !== null) {
      notices.tell({
        message: goneMessage(link.lost, s.frame),
        tone: 'bad',
        about: 'run',
      });
      void tell({ do: 'pause', at });
      return;
    }
    const { phase, toMark } = frameNow(s, at);
    if (phase === 'over') void tell({ do: 'shot', at });
    else if (toMark > 0 && toMark * 1000 <= TICK_MS && !isThere.value)
      void tell({ do: 'late', mark: at + LATE_MS + s.plan.settle * 1000, at });
  });
  // each frame is on the disk before its move goes out
  const send = watch(
    () => (driven.value && !state().paused && !state().finished ? `${state().frame} ${state().zero}` : null),
    (which) => {
      if (which !== null) void link.controller?.moveTo(target.value).catch(() => undefined);
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    stop();
    send();
  });
  const start = (): void => {
    const s = state();
    const boot = link.controller?.hello.boot;
    // a shot of several axes is made by its file: one controller has one axis
    const fresh = link.status && boot !== undefined && boot !== s.boot && s.plan.axes.length === 1;
    void put({
      do: 'go',
      at: Date.now(),
      ...(fresh && { boot, zero: link.status!.counts - s.plan.axes[0]!.targets[s.frame - 1]! }),
    });
  };
  return {
    report: computed(() => framesReport(state(), now.value.getTime())),
    go: () => {
      if (state().paused) start();
      else if (!state().clock) void put({ do: 'shot', at: Date.now() });
    },
    pause: () => {
      if (state().paused) {
        start();
        return;
      }
      void link.controller?.stop().catch(() => undefined);
      void put({ do: 'pause', at: Date.now() });
    },
    back: () => void put({ do: 'back', at: Date.now() }),
    words: computed(() =>
      driven.value
        ? 'It sends the work to each frame.'
        : state().paused
          ? `At the start it takes the work to stand at the place of frame ${state().frame}, and sends it to each frame.`
          : 'Pause, and start again, and it sends the work to each frame.',
    ),
  };
}
