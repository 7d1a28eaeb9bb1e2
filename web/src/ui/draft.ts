import { nextTick, ref, useId, watch, type Ref } from 'vue';
import type { Refusal } from '@pendrix/core';

/** What stands in a field while it is typed in, beside the value in force. */
export interface Draft {
  readonly id: string;
  readonly text: Ref<string>;
  readonly refusal: Ref<Refusal | null>;
  /** what of the typing could be read before the slip, and is in force while it stands: "2-1000" of "2-100000"; null where nothing is */
  readonly partly: Ref<string | null>;
  readonly input: () => void;
  readonly focus: (e: FocusEvent) => void;
  readonly mouseup: (e: MouseEvent) => void;
  readonly blur: () => void;
  /** puts back what stood there when the field was entered */
  readonly escape: (e: KeyboardEvent) => void;
}

/**
 * Every keystroke is handed to `commit`; a refused text stays in the field while the last good value stays in force. When the field is
 * left so, what stood there when it was entered is in force again: of 7.5 teeth no 7 remains. One visit to the field is one edit session,
 * and so one step to undo. Entering it chooses what is there, so that typing takes its place.
 */
export function useDraft(
  value: () => string,
  commit: (text: string, session: string) => Refusal | null,
): Draft {
  const id = useId();
  const text = ref(value());
  const refusal = ref<Refusal | null>(null);
  const partly = ref<string | null>(null);
  let session = '';
  let before = value();
  /** what was taken last */
  let taken = before;
  let typed = false;
  let entered = false;

  const reset = (): void => {
    text.value = value();
    refusal.value = partly.value = null;
  };
  watch(value, () => {
    // What was just typed here stays as typed: "76." must not turn into "76" under the pen.
    if (typed) return;
    reset();
    before = taken = value();
  });

  return {
    id,
    text,
    refusal,
    partly,
    input: () => {
      typed = true;
      refusal.value = commit(text.value, session);
      if (!refusal.value) taken = text.value;
      partly.value = refusal.value && taken !== before ? taken : null;
      void nextTick(() => (typed = false));
    },
    focus: (e) => {
      session = `${id}-${Date.now()}`;
      before = taken = value();
      entered = true;
      if (e.target instanceof HTMLInputElement) e.target.select();
    },
    // The press that entered the field has put the caret somewhere; a second one may.
    mouseup: ({ target }) => {
      if (entered && target instanceof HTMLInputElement && target.selectionStart === target.selectionEnd)
        target.select();
      entered = false;
    },
    blur: () => {
      entered = false;
      if (!refusal.value) text.value = value();
      else if (taken !== before) {
        typed = true;
        commit(before, session);
        taken = before;
        partly.value = null;
        void nextTick(() => (typed = false));
      }
    },
    escape: (e) => {
      if (!refusal.value && value() === before) return;
      e.stopPropagation();
      if (value() !== before) commit(before, session);
      taken = before;
      reset();
      if (e.target instanceof HTMLInputElement) {
        const field = e.target;
        void nextTick(() => field.select());
      }
    },
  };
}
