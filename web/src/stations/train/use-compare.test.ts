import { beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { effectScope, nextTick, shallowRef } from 'vue';
import { applyEdit, newDrive, report, type Drive, type Edit } from '@pendrix/core';
import { useTrials } from '../../stores/trials.ts';
import { useCompare } from './use-compare.ts';

const kept = new Map<string, string>();
Object.assign(globalThis, {
  localStorage: {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
  },
});

const after = (drive: Drive, edit: Edit): Drive => {
  const r = applyEdit(drive, edit);
  if (!r.ok) throw new Error(r.refusal.code);
  return r.value;
};
const base = [
  { do: 'divisions', text: '60, 73' } as const,
  { do: 'addStage', kind: 'belt', at: 0, with: { z1: 20, z2: 76 } } as const,
  { do: 'addStage', kind: 'worm', at: 1, with: { starts: 1, wheel: 90 } } as const,
].reduce<Drive>(after, newDrive('cutter'));

function bench() {
  const drive = shallowRef(base);
  const said: string[] = [];
  const edit = (e: Edit): null => {
    drive.value = after(drive.value, e);
    if ('label' in e) said.push(e.label);
    return null;
  };
  const c = effectScope().run(() =>
    useCompare(
      () => 'd1',
      () => report(drive.value),
      edit,
      (d) => report(d),
    ),
  )!;
  return { drive, said, edit, c };
}

describe('comparing', () => {
  beforeEach(() => {
    kept.clear();
    setActivePinia(createPinia());
  });

  test('a cure stands beside the present train, and goes in only when it is taken', () => {
    const { drive, said, c } = bench();
    const cure = report(drive.value).built.cures(73n, { from: 12, to: 127 })!.cures[0]!;
    c.tryCure(cure);
    expect([c.pair.value?.cure, c.pair.value?.title]).toEqual([true, cure.message]);
    expect(drive.value).toBe(base);
    expect(c.pair.value!.b.opened(73)!.division.missingFactor).toBe(1n);
    c.take();
    expect(drive.value.train).toBe(cure.train);
    expect([c.pair.value, said]).toEqual([null, [cure.message.toLowerCase()]]);
  });

  test('a cure is dropped with the train it was found for', async () => {
    const { drive, edit, c } = bench();
    c.tryCure(report(drive.value).built.cures(73n, { from: 12, to: 127 })!.cures[0]!);
    edit({ do: 'stage', at: 0, key: 'z2', text: '80' });
    await nextTick();
    expect(c.pair.value).toBeNull();
    c.take();
    expect(drive.value.train.stages[0]).toMatchObject({ z2: 80 });
  });

  test('a pinned train is kept over a restart, compared, gone back to, let go', async () => {
    const { drive, edit, c } = bench();
    c.pin();
    edit({ do: 'stage', at: 0, key: 'z2', text: '73' });
    c.comparePinned();
    expect([c.pair.value?.aName, c.pair.value?.cure]).toEqual(['A, pinned', false]);
    expect(c.pair.value!.a.drive.train).toEqual(base.train);
    await nextTick();
    setActivePinia(createPinia());
    const again = bench();
    expect(again.c.pinned.value).toEqual(base.train);
    again.edit({ do: 'removeStage', at: 0 });
    again.c.backToA();
    expect(again.drive.value.train).toEqual(base.train);
    again.c.unpin();
    expect([again.c.pinned.value, again.c.pair.value]).toEqual([null, null]);
    expect(drive.value.train.stages[0]).toMatchObject({ z2: 73 });
  });
});

describe('what is kept of trials', () => {
  test('wheels that are no range, and text that is no JSON, fall back', () => {
    for (const text of ['{"wheels":{"from":60,"to":12}}', '{"wheels":{"from":"a"}}', 'not json', '7']) {
      kept.set('pendrix.trials', text);
      setActivePinia(createPinia());
      expect(useTrials().kept).toEqual({ pinned: {}, wheels: { from: 12, to: 127 } });
    }
    useTrials().setWheels({ from: 8, to: 60 });
    expect(useTrials().kept.wheels).toEqual({ from: 8, to: 60 });
  });
});
