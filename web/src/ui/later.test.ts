import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { effectScope, nextTick, ref } from 'vue';
import { useNextFrame } from './next-frame.ts';
import { useSettled } from './settled.ts';

/** Frames that come when the test says so. */
let waiting = new Map<number, () => void>();
let last = 0;
const frame = async (): Promise<void> => {
  const due = [...waiting.values()];
  waiting = new Map();
  for (const run of due) run();
  await nextTick();
};

beforeEach(() => {
  waiting = new Map();
  Object.assign(globalThis, {
    requestAnimationFrame: (run: () => void) => {
      waiting.set(++last, run);
      return last;
    },
    cancelAnimationFrame: (id: number) => void waiting.delete(id),
  });
});

describe('some frames later', () => {
  test('it has the first value at once and the next after as many frames as were asked', async () => {
    const source = ref(1);
    const scope = effectScope();
    const later = scope.run(() => useNextFrame(() => source.value, 2))!;
    expect(later.value).toBe(1);
    source.value = 2;
    await nextTick();
    await frame();
    expect(later.value).toBe(1);
    await frame();
    expect(later.value).toBe(2);
    scope.stop();
  });

  test('of several edits only the last is drawn', async () => {
    const source = ref(1);
    const seen: number[] = [];
    const later = effectScope().run(() => useNextFrame(() => source.value))!;
    for (const n of [2, 3, 4]) {
      source.value = n;
      await nextTick();
    }
    await frame();
    seen.push(later.value);
    await frame();
    expect([seen, waiting.size]).toEqual([[4], 0]);
  });

  test('a page that is left draws nothing more', async () => {
    const source = ref(1);
    const scope = effectScope();
    const later = scope.run(() => useNextFrame(() => source.value))!;
    source.value = 2;
    await nextTick();
    scope.stop();
    await frame();
    expect(later.value).toBe(1);
  });
});

describe('when the typing rests', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  test('it says at once that it is old, and is new when nothing has changed for a while', async () => {
    const source = ref('a');
    const scope = effectScope();
    const { settled, fresh } = scope.run(() => useSettled(() => source.value))!;
    expect([settled.value, fresh.value]).toEqual(['a', true]);
    source.value = 'b';
    await nextTick();
    jest.advanceTimersByTime(150);
    source.value = 'c';
    await nextTick();
    jest.advanceTimersByTime(150);
    expect([settled.value, fresh.value]).toEqual(['a', false]);
    jest.advanceTimersByTime(200);
    expect([settled.value, fresh.value]).toEqual(['c', true]);
    source.value = 'd';
    await nextTick();
    scope.stop();
    jest.advanceTimersByTime(1000);
    expect(settled.value).toBe('c');
  });
});
