import { beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { nextTick } from 'vue';
import { newPart, type ShelfPart } from '@pendrix/core';
import { useShelf } from '../../stores/shelf.ts';
import { useShelfView } from './use-shelf-view.ts';

/** Frames that come when they are called: a filter is followed in the next. */
const frames: (() => void)[] = [];
Object.assign(globalThis, {
  requestAnimationFrame: (run: () => void) => frames.push(run),
  cancelAnimationFrame: () => undefined,
});
async function frame(): Promise<void> {
  await nextTick();
  // the key's own, and the next
  for (let i = 0; i < 2; i++) for (const run of frames.splice(0)) run();
}

const wheel = (id: string, teeth: number): ShelfPart =>
  ({ ...newPart('wheel', id), teeth }) as unknown as ShelfPart;

describe('what of the shelf is shown and chosen', () => {
  beforeEach(() => {
    setActivePinia(createPinia());
    useShelf().take(
      [wheel('a', 12), wheel('b', 15), wheel('c', 18), wheel('d', 20), newPart('worm', 'w')],
      new Map(),
      'five',
    );
  });

  test('one, one more, one less, a range, all, none', () => {
    const { choose, chooseAll, letGo, picked } = useShelfView();
    choose('b');
    expect(picked.value).toEqual(['b']);
    choose('d', 'more');
    choose('b', 'more');
    expect(picked.value).toEqual(['d']);
    choose('a');
    choose('c', 'range');
    expect(picked.value).toEqual(['a', 'b', 'c']);
    chooseAll();
    expect(picked.value).toHaveLength(5);
    letGo();
    expect(picked.value).toEqual([]);
  });

  test('what is filtered out, or gone, is not chosen any more', async () => {
    const { choose, picked, view } = useShelfView();
    choose('a');
    choose('c', 'range');
    view.filter = '15';
    await frame();
    expect(picked.value).toEqual(['b']);
    view.filter = '';
    await frame();
    useShelf().remove(['a']);
    expect(picked.value).toEqual(['b', 'c']);
  });

  test('a head sorts, and turns the order when it is pressed again; groups come and go', () => {
    const { report, sortBy, toggleGroup, view } = useShelfView();
    const first = (): string | undefined => report.value.sections[0]?.rows[0]?.id;
    sortBy('teeth');
    expect([view.down, first()]).toEqual([true, 'd']);
    sortBy('name');
    expect([view.down, first()]).toEqual([false, 'a']);
    toggleGroup('worms');
    expect(first()).toBe('w');
    toggleGroup('worms');
    expect(first()).toBe('a');
  });
});
