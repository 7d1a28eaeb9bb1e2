import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { nextTick } from 'vue';
import { readStandIn, standIn } from '@pendrix/core/control/index';
import { CURE_WHEELS } from '@pendrix/core';
import { memory } from '../records/testing.ts';
import { useController } from './controller.ts';
import { useSettings } from './settings.ts';
import { useTrials } from './trials.ts';

let dataset: Record<string, string>;
beforeEach(() => {
  dataset = {};
  Object.assign(globalThis, {
    localStorage: memory(),
    navigator: {},
    document: { documentElement: { dataset } },
  });
  setActivePinia(createPinia());
});
afterEach(() => {
  for (const name of ['localStorage', 'document', 'navigator', 'Worker'])
    Reflect.deleteProperty(globalThis, name);
});

describe('what a device prefers', () => {
  test('is day until night is chosen, and kept', async () => {
    const settings = useSettings();
    expect([settings.night, dataset['theme'], settings.cues, settings.field]).toEqual([
      false,
      'day',
      'off',
      false,
    ]);
    settings.night = true;
    settings.cues = 'voice';
    settings.columns = { 'a,b': ['time', 'error'] };
    await nextTick();
    expect(dataset['theme']).toBe('night');
    setActivePinia(createPinia());
    const again = useSettings();
    expect([again.night, again.cues, again.columns]).toEqual([true, 'voice', { 'a,b': ['time', 'error'] }]);
  });

  test('what was kept and cannot be read is as if nothing were', () => {
    localStorage.setItem('pendrix.columns', '{"a": 3, "b": ["time"]}');
    localStorage.setItem('pendrix.cues', 'trumpet');
    localStorage.setItem('pendrix.trials', '{"wheels": {"from": 40, "to": 12}}');
    const settings = useSettings();
    expect([settings.cues, settings.columns]).toEqual(['off', { b: ['time'] }]);
    expect(useTrials().kept).toEqual({ pinned: {}, wheels: CURE_WHEELS });
  });

  test('a pinned train is kept, and let go', async () => {
    const trials = useTrials();
    trials.pin('d', { stages: [] } as never);
    trials.setWheels({ from: 12, to: 12 });
    await nextTick();
    setActivePinia(createPinia());
    const again = useTrials();
    expect(again.kept).toEqual({ pinned: { d: { stages: [] } }, wheels: { from: 12, to: 12 } });
    again.unpin('d');
    expect(again.kept.pinned).toEqual({});
  });
});

describe('the controller of a page', () => {
  /** The stand-in's worker, in this thread. */
  class HereWorker {
    onmessage: ((e: { data: string }) => void) | null = null;
    onerror = null;
    #machine: ReturnType<typeof standIn> | null = null;
    postMessage(line: string): void {
      if (!this.#machine) {
        this.#machine = standIn(readStandIn(new Map(new URLSearchParams(line))), 'here');
        return;
      }
      const lines = this.#machine.receive(line);
      queueMicrotask(() => lines.forEach((data) => this.onmessage?.({ data })));
    }
    terminate(): void {
      this.#machine = null;
    }
  }
  const asked = { way: 'browser', address: '', words: '', baud: 0, letter: 'A', countsPerUnit: 1 } as const;

  test('is connected, held, and let go; what becomes of it is told', async () => {
    Object.assign(globalThis, { Worker: HereWorker });
    const page = useController();
    expect([page.connecting, page.moving, page.controller]).toEqual([false, false, null]);
    const done = page.connect(asked);
    expect(page.connecting).toBe(true);
    await done;
    expect([page.connecting, page.lost, page.moving]).toEqual([false, null, false]);
    await page.controller!.freeze(true);
    expect(page.takeEdges()).toEqual({ a: 0, b: 0 });
    const { controller } = page;
    page.disconnect();
    expect([page.controller, page.status, page.lost]).toEqual([null, null, null]);
    // what an old connection says later is nobody's loss
    controller!.onLost?.('late');
    expect(page.lost).toBeNull();
  });

  test('what cannot be connected says why', async () => {
    const page = useController();
    await page.connect({ ...asked, way: 'serial' });
    expect([page.connecting, page.lost]).toEqual([false, expect.stringContaining('no serial ports')]);
  });
});
