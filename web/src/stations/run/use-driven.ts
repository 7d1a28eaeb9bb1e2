import { computed, ref, watch } from 'vue';
import {
  drivingOf,
  goneMessage,
  toldMessage,
  type RunEvent,
  type RunState,
  type Told,
  type Untimed,
} from '@pendrix/core';
import { pageClock } from '../../control/links.ts';
import { useController } from '../../stores/controller.ts';

/** Given up after so long on the way to a place, ms. */
const MAX_MS = 120_000;

/** A run that a controller drives, for its page: what the keys do, and what has to be told. */
export function useDriven(state: () => RunState, event: (e: RunEvent) => Promise<boolean>) {
  const link = useController();
  const busy = ref(false);
  const message = ref<string | null>(null);
  const driven = computed(() => state().driven ?? null);
  const stored = (e: Untimed): Promise<boolean> => event({ ...e, at: Date.now() });
  const driving = drivingOf({
    state,
    store: stored,
    controller: () => link.controller,
    clock: pageClock,
    takeEdges: () => link.takeEdges(),
    most: MAX_MS,
  });
  /** the count began anew: the controller was switched off in between */
  const strange = computed(
    () =>
      driven.value !== null && link.controller !== null && link.controller.hello.boot !== driven.value.boot,
  );
  watch(
    () => link.lost,
    (why) => {
      if (why && driven.value) message.value = goneMessage(why);
    },
  );

  async function act(of: () => Promise<Told>): Promise<void> {
    if (driving.busy()) return;
    busy.value = true;
    message.value = null;
    const told = await of();
    busy.value = false;
    // that it is gone was told already, and is the reason
    if (told?.is !== 'refused' || link.lost === null) message.value = toldMessage(state(), told);
  }
  const away = (e: Untimed): Promise<void> => act(() => driving.away(e));
  const gone = computed(() => link.controller === null);
  return {
    driven,
    /** none is connected now */
    gone,
    busy,
    message,
    strange,
    stored,
    go: () => act(() => driving.go()),
    attach: () => act(() => driving.attach()),
    letGo: () => act(() => driving.letGo()),
    /** by the controller where there is one, else as it is done by hand */
    either: (e: Untimed): void => void (driven.value ? away(e) : stored(e)),
    stop: async (): Promise<void> => {
      try {
        await link.controller?.stop();
      } catch {
        message.value = 'The controller does not answer: switch its supply off.';
      }
    },
  };
}
