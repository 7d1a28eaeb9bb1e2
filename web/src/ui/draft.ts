import { nextTick, ref, useId, watch, type Ref } from 'vue';
import type { Refusal } from '@pendrix/core';

/** What stands in a field while it is typed in, beside the value in force. */
export interface Draft {
  readonly id: string;
  readonly text: Ref<string>;
  readonly refusal: Ref<Refusal | null>;
  readonly input: () => void;
  readonly focus: () => void;
  readonly blur: () => void;
  /** takes the last good value back while something refused stands there */
  readonly escape: (e: KeyboardEvent) => void;
}

/**
 * Every keystroke is handed to `commit`; a refused text stays in the field while the last good value stays in force.
 * One visit to the field is one burst, and so one step to undo.
 */
export function useDraft(
  value: () => string,
  commit: (text: string, burst: string) => Refusal | null,
): Draft {
  const id = useId();
  const text = ref(value());
  const refusal = ref<Refusal | null>(null);
  let burst = '';
  let typed = false;

  const reset = (): void => {
    text.value = value();
    refusal.value = null;
  };
  watch(value, () => {
    // What was just typed here stays as typed: "76." must not turn into "76" under the pen.
    if (!typed) reset();
  });

  return {
    id,
    text,
    refusal,
    input: () => {
      typed = true;
      refusal.value = commit(text.value, burst);
      void nextTick(() => (typed = false));
    },
    focus: () => {
      burst = `${id}-${Date.now()}`;
    },
    blur: () => {
      if (!refusal.value) text.value = value();
    },
    escape: (e) => {
      if (!refusal.value) return;
      e.stopPropagation();
      reset();
    },
  };
}
