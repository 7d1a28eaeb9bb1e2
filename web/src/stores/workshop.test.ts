import { beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { createPinia, setActivePinia } from 'pinia';
import { planRun, startRun } from '@pendrix/core';
import { openStorage, storageRefusal, type Storage } from '../storage/storage.ts';
import { openJournal, type SyncStorage } from '../storage/journal.ts';
import { versions } from '../storage/versions.ts';
import { freeName, useWorkshop } from './workshop.ts';

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

let count = 0;
const fresh = (): string => `test-${++count}`;

async function workshop(storage: Storage) {
  setActivePinia(createPinia());
  const w = useWorkshop();
  await w.open(storage);
  return w;
}

const settled = async (w: ReturnType<typeof useWorkshop>): Promise<void> => {
  for (let i = 0; i < 200 && w.pending > 0; i++) await new Promise((r) => setTimeout(r, 5));
};

describe('the workshop', () => {
  let name: string;
  beforeEach(() => {
    name = fresh();
  });

  test('what is edited is there after a restart', async () => {
    const w = await workshop(openStorage(name));
    const { id } = w.create('Tide dial');
    w.edit(id, { do: 'divisions', text: '59, 62' });
    w.edit(id, { do: 'addStage', kind: 'worm', at: 0 });
    await settled(w);
    expect(w.savedAt).not.toBeNull();
    const again = await workshop(openStorage(name));
    expect(
      again.drives.map((r) => [r.drive.name, r.drive.job.divisions, r.drive.train.stages.length, r.rev]),
    ).toEqual([['Tide dial', '59, 62', 1, 3]]);
  });

  test('a refused edit changes nothing and writes nothing', async () => {
    const w = await workshop(openStorage(name));
    const { id, rev } = w.create();
    const result = w.edit(id, { do: 'divisions', text: '12.5' });
    expect(result.ok).toBe(false);
    expect(w.records.get(id)?.rev).toBe(rev);
    expect(w.edit('nobody', { do: 'divisions', text: '5' }).ok).toBe(false);
  });

  test('undo and redo go through edits, deletion and duplication', async () => {
    const w = await workshop(openStorage(name));
    const { id } = w.create('Tide dial');
    w.edit(id, { do: 'divisions', text: '6' }, 'b1');
    w.edit(id, { do: 'divisions', text: '60' }, 'b1');
    expect(w.undo({ id: id, whole: true })).toBe('divisions 60');
    expect(w.records.get(id)?.drive.job.divisions).toBe('');
    expect(w.redo({ id: id, whole: true })).toBe('divisions 60');
    expect(w.records.get(id)?.drive.job.divisions).toBe('60');
    const copy = w.duplicate(id);
    expect(copy?.drive.name).toBe('Tide dial copy');
    w.remove(id);
    expect(w.drives.map((r) => r.id)).toEqual([copy?.id]);
    expect(w.undo({ id: null, whole: true })).toBe('delete Tide dial');
    expect(w.drives.length).toBe(2);
    await settled(w);
    expect((await workshop(openStorage(name))).drives.length).toBe(2);
  });

  test('an edit that changes nothing is no step to undo', async () => {
    const w = await workshop(openStorage(name));
    const { id } = w.create();
    w.edit(id, { do: 'divisions', text: '60' });
    const steps = w.history.past.length;
    w.edit(id, { do: 'divisions', text: '60 ' });
    expect(w.history.past.length).toBe(steps);
  });

  test('names that are taken get a number', async () => {
    expect(freeName('Tide dial', ['Tide dial', 'Tide dial 2'])).toBe('Tide dial 3');
    const w = await workshop(openStorage(name));
    const { drive } = w.create('Tide dial');
    expect(w.importDrives([drive, drive]).map((r) => r.drive.name)).toEqual(['Tide dial 2', 'Tide dial 3']);
  });

  test('runs are stored before they count, and go when their drive is gone at the next start', async () => {
    const w = await workshop(openStorage(name));
    const { id, drive } = w.create();
    const run = { id: 'r1', driveId: id, state: startRun(planRun(drive, 95)!, 1000), touchedAt: 1 };
    expect(await w.putRun(run)).toBe(true);
    expect(w.runsOf(id).map((r) => r.state.plan.divisions)).toEqual([95]);
    w.remove(id);
    await settled(w);
    const again = await workshop(openStorage(name));
    expect(again.runs.size).toBe(1);
    const third = await workshop(openStorage(name));
    expect(third.runs.size).toBe(0);
  });

  test('another tab’s edit is heard here', async () => {
    const a = await workshop(openStorage(name));
    const { id } = a.create('Tide dial');
    await settled(a);
    const b = await workshop(openStorage(name));
    b.edit(id, { do: 'divisions', text: '73' });
    await settled(b);
    for (let i = 0; i < 100 && a.records.get(id)?.drive.job.divisions !== '73'; i++)
      await new Promise((r) => setTimeout(r, 10));
    expect(a.records.get(id)?.drive.job.divisions).toBe('73');
  });

  test('a query that was already under way does not make a new drive vanish', async () => {
    const listeners: ((d: never[], r: never[]) => void)[] = [];
    const storage = openStorage(name);
    const watch: Storage['watch'] = (told) => {
      listeners.push(told);
      return () => undefined;
    };
    const w = await workshop({ ...storage, watch });
    const record = w.create('Tide dial');
    await settled(w);
    listeners[0]!([], []);
    expect(w.records.get(record.id)?.drive.name).toBe('Tide dial');
    w.remove(record.id);
    await settled(w);
    listeners[0]!([record as never], []);
    expect(w.records.has(record.id)).toBe(false);
  });

  test('a full disk is said in words and the edit stays on the screen', async () => {
    const storage = openStorage(name);
    const full: Mutable<Storage> = {
      ...storage,
      put: () => Promise.reject(Object.assign(new Error('no'), { name: 'QuotaExceededError' })),
    };
    const w = await workshop(full);
    const { id } = w.create('Tide dial');
    await settled(w);
    expect(w.trouble?.code).toBe('storageFull');
    expect(w.records.get(id)?.drive.name).toBe('Tide dial');
    // Room is made; the next edit, of any drive, stores both.
    full.put = storage.put;
    w.create('Sundial');
    await settled(w);
    expect(w.trouble).toBeNull();
    expect((await storage.drives()).map((r) => r.drive.name).sort()).toEqual(['Sundial', 'Tide dial']);
  });

  test('a run that could not be stored does not move', async () => {
    const broken = { ...openStorage(name), putRun: () => Promise.reject(new Error('gone')) };
    const w = await workshop(broken);
    const { id, drive } = w.create();
    expect(
      await w.putRun({ id: 'r', driveId: id, state: startRun(planRun(drive, 5)!, 0), touchedAt: 0 }),
    ).toBe(false);
    expect(w.runs.size).toBe(0);
  });
});

describe('the journal', () => {
  /** Synchronous storage as a browser has it. */
  function shelf(): SyncStorage {
    const kept = new Map<string, string>();
    return {
      getItem: (k) => kept.get(k) ?? null,
      setItem: (k, v) => void kept.set(k, v),
      removeItem: (k) => void kept.delete(k),
      key: (i) => [...kept.keys()][i] ?? null,
      get length() {
        return kept.size;
      },
    };
  }

  test('an edit whose write the page took with it is there at the next start', async () => {
    const name = fresh();
    const notes = shelf();
    const storage = openStorage(name);
    setActivePinia(createPinia());
    const w = useWorkshop();
    // The page is gone before the database has answered.
    await w.open(
      { ...storage, put: () => new Promise(() => undefined), remove: () => new Promise(() => undefined) },
      openJournal(notes),
    );
    const { id } = w.create('Tide dial');
    w.edit(id, { do: 'divisions', text: '59' });
    expect(await storage.drives()).toEqual([]);

    setActivePinia(createPinia());
    const again = useWorkshop();
    await again.open(openStorage(name), openJournal(notes));
    expect(again.drives.map((r) => [r.drive.name, r.drive.job.divisions])).toEqual([['Tide dial', '59']]);
    await settled(again);
    expect((await storage.drives()).length).toBe(1);
    expect(openJournal(notes).waiting().size).toBe(0);
  });

  test('an older note does not undo a newer record; spoilt notes are passed over; no storage is no fault', async () => {
    const name = fresh();
    const notes = shelf();
    const w = await workshop(openStorage(name));
    const { id } = w.create('Tide dial');
    w.edit(id, { do: 'divisions', text: '59' });
    await settled(w);
    notes.setItem(`pendrix.journal.${id}`, JSON.stringify({ id, drive: { name: 'old' }, rev: 1 }));
    notes.setItem('pendrix.journal.x', '{broken');
    setActivePinia(createPinia());
    const again = useWorkshop();
    await again.open(openStorage(name), openJournal(notes));
    expect(again.drives.map((r) => r.drive.name)).toEqual(['Tide dial']);
    expect(openJournal(null).waiting().size).toBe(0);
    const shut = {
      ...shelf(),
      setItem: () => {
        throw new Error('shut');
      },
    };
    expect(() => openJournal(shut).note('a', null)).not.toThrow();
  });
});

describe('storage', () => {
  test('every old version opens with its records', async () => {
    expect(versions.map((v) => v.version)).toEqual([1, 2]);
    const name = fresh();
    const old = new Dexie(name);
    old.version(1).stores({ drives: 'id', runs: 'id, driveId' });
    await old.table('drives').put({ id: 'a', drive: { name: 'kept' }, rev: 1, createdAt: 0, touchedAt: 0 });
    old.close();
    const storage = openStorage(name);
    expect((await storage.drives()).map((r) => r.drive.name)).toEqual(['kept']);
    expect(await storage.parts()).toEqual([]);
    storage.close();
  });

  test('a run that cannot be read is left out, not fatal', async () => {
    const storage = openStorage(fresh());
    await storage.putRun({ id: 'x', driveId: 'a', state: { plan: { divisions: 0 } } as never, touchedAt: 0 });
    expect(await storage.runs()).toEqual([]);
    storage.close();
  });

  test.each([
    ['QuotaExceededError', 'storageFull'],
    ['VersionError', 'storageNewer'],
    ['MissingAPIError', 'storageBlocked'],
    ['DataError', 'storageFailed'],
  ])('%s is %s', (fault, code) => {
    expect(storageRefusal(Object.assign(new Error('x'), { name: fault })).code).toBe(code);
  });
});
