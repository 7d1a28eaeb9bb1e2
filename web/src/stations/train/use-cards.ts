import { nextTick, ref, type Ref } from 'vue';
import type { Edit, InputValue, Refusal, StageKindId } from '@pendrix/core';
import type { SortableEvent } from 'vue-draggable-plus';

/** A menu gives the focus back to its key when it closes; then the card takes it again. */
const MENU_CLOSES_MS = 80;

/** What can be done with the cards of a train; the focus follows, and what was done is said. */
export function useCards(
  cards: Ref<HTMLElement | null>,
  edit: (e: Edit) => Refusal | null,
  /** says why something that has no field of its own was refused */
  tell: (refusal: Refusal) => void,
): {
  readonly selected: Ref<number | null>;
  readonly said: Ref<string>;
  readonly add: (kind: StageKindId, at: number, values?: Readonly<Record<string, InputValue>>) => boolean;
  readonly move: (from: number, to: number) => void;
  readonly remove: (at: number) => void;
  readonly dropped: (e: SortableEvent) => void;
} {
  const selected = ref<number | null>(null);
  const said = ref('');

  let latest = 0;
  /** At once, for the next key may follow on its heels; and after a menu has closed. Of several moves only the last one. */
  async function focusCard(at: number): Promise<void> {
    const mine = ++latest;
    const byMenu = document.activeElement?.closest('.v-overlay, [aria-haspopup]') instanceof Element;
    await nextTick();
    if (mine !== latest) return;
    const card = cards.value?.querySelectorAll<HTMLElement>('[data-stage]')[at];
    const focus = (): void => card?.querySelector<HTMLElement>('.card input, .card select')?.focus();
    focus();
    if (!byMenu) return;
    await new Promise((r) => setTimeout(r, MENU_CLOSES_MS));
    if (mine === latest && card?.isConnected && !card.querySelector('input:focus, select:focus')) focus();
  }
  function add(kind: StageKindId, at: number, values?: Readonly<Record<string, InputValue>>): boolean {
    const refused = edit({ do: 'addStage', kind, at, ...(values ? { with: values } : {}) });
    if (refused) {
      tell(refused);
      return false;
    }
    said.value = `Stage ${at + 1} added`;
    void focusCard(at);
    return true;
  }
  function move(from: number, to: number): void {
    if (from === to) return;
    const refused = edit({ do: 'moveStage', from, to });
    if (refused) return tell(refused);
    selected.value = to;
    said.value = `Stage moved to place ${to + 1}`;
    void focusCard(to);
  }
  function remove(at: number): void {
    const refused = edit({ do: 'removeStage', at });
    if (refused) return tell(refused);
    selected.value = null;
    said.value = `Stage ${at + 1} removed`;
  }
  function dropped(e: SortableEvent): void {
    if (e.oldIndex !== undefined && e.newIndex !== undefined) move(e.oldIndex, e.newIndex);
  }
  return { selected, said, add, move, remove, dropped };
}
