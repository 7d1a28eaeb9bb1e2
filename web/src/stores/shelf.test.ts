import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { newPart, pairOfParts, type ShelfPart } from '@pendrix/core';
import { openShelfJournal, type SyncStorage } from '../storage/journal.ts';
import { openStorage, type Storage } from '../storage/storage.ts';
import { useShelf } from './shelf.ts';
import { useWorkshop } from './workshop.ts';

let count = 0;
const opened: Storage[] = [];
const fresh = (): string => `shelf-test-${++count}`;

async function open(storage: Storage, notes: SyncStorage | null = null) {
  opened.push(storage);
  setActivePinia(createPinia());
  const workshop = useWorkshop();
  await workshop.open(storage);
  const shelf = useShelf();
  await shelf.open(storage, openShelfJournal(notes));
  return { shelf, workshop };
}
async function settled(shelf: ReturnType<typeof useShelf>): Promise<void> {
  for (let i = 0; i < 200 && shelf.pending > 0; i++) await new Promise((r) => setTimeout(r, 5));
}
const wheel = (id: string, teeth: number, more: object = {}): ShelfPart =>
  ({ ...newPart('wheel', id), teeth, ...more }) as unknown as ShelfPart;

/** Synchronous storage as a browser has it. */
function memory(): SyncStorage {
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

describe('the shelf', () => {
  let name: string;
  beforeEach(() => {
    name = fresh();
  });

  afterEach(async () => {
    await new Promise((r) => setTimeout(r, 30));
    for (const storage of opened.splice(0)) storage.close();
  });

  test('what is put there is there after a restart, in its order', async () => {
    const { shelf } = await open(openStorage(name));
    const a = shelf.add('wheel');
    shelf.add('worm');
    shelf.edit(a.id, 'teeth', '73');
    shelf.edit(a.id, 'price', '12.50');
    await settled(shelf);
    const again = await open(openStorage(name));
    expect(again.shelf.parts.map((p) => p.kind)).toEqual(['wheel', 'worm']);
    expect(again.shelf.parts[0]).toMatchObject({ teeth: 73, price: '12.50' });
  });

  test('a refused cell changes nothing; one burst is one step; undo and redo go both ways', async () => {
    const { shelf } = await open(openStorage(name));
    const { id } = shelf.add('wheel');
    expect(shelf.edit(id, 'teeth', '14.5')?.ok).toBe(false);
    shelf.edit(id, 'teeth', '7', 'b');
    shelf.edit(id, 'teeth', '73', 'b');
    expect(shelf.undoSays).toContain('teeth');
    shelf.undo();
    expect(shelf.parts[0]).toMatchObject({ teeth: 60 });
    shelf.redo();
    expect(shelf.parts[0]).toMatchObject({ teeth: 73 });
    shelf.remove([id]);
    expect(shelf.parts).toEqual([]);
    shelf.undo();
    expect(shelf.parts[0]).toMatchObject({ teeth: 73 });
    await settled(shelf);
    expect((await open(openStorage(name))).shelf.parts).toHaveLength(1);
    expect(shelf.edit('nobody', 'teeth', '5')).toBeNull();
  });

  test('many at once are one step; those that cannot take it stay', async () => {
    const { shelf } = await open(openStorage(name));
    shelf.take([wheel('a', 20), wheel('b', 30), { ...newPart('bearing', 'c') }], new Map(), 'three');
    expect(shelf.editMany(['a', 'b', 'c'], 'own', '5')).toBe(3);
    expect(shelf.editMany(['a', 'c'], 'teeth', '24')).toBe(1);
    expect(shelf.byId.get('a')).toMatchObject({ own: 5, teeth: 24 });
    shelf.undo();
    shelf.undo();
    expect(shelf.parts.map((p) => p.own)).toEqual([1, 1, 1]);
    expect(shelf.duplicate(['a', 'b'])).toHaveLength(2);
    expect(shelf.parts).toHaveLength(5);
  });

  test('a line that is there already gets more of it, the same id takes the place of the old', async () => {
    const { shelf } = await open(openStorage(name));
    shelf.take([wheel('a', 36, { own: 1 })], new Map(), 'one');
    shelf.take([wheel('b', 40)], new Map([['a', 2]]), 'a table');
    expect(shelf.byId.get('a')!.own).toBe(3);
    shelf.take([wheel('a', 37)], new Map(), 'a file');
    expect(shelf.byId.get('a')).toMatchObject({ teeth: 37 });
    expect(shelf.parts).toHaveLength(2);
  });

  test('drives follow a line that changes, and are counted', async () => {
    const { shelf, workshop } = await open(openStorage(name));
    shelf.take([wheel('s', 15, { own: 3 }), wheel('l', 59)], new Map(), 'two');
    const { id, drive } = workshop.create('Tide dial');
    const pair = pairOfParts(shelf.byId.get('s')!, shelf.byId.get('l')!)!;
    workshop.edit(id, { do: 'train', train: { ...drive.train, stages: [pair] }, says: 'take' });
    expect(shelf.uses.get('s')).toEqual([{ drive: 'Tide dial', count: 1 }]);
    expect(shelf.usedBeside('s', 'Tide dial')).toBe(0);
    expect(shelf.usedBeside('s', null)).toBe(1);
    shelf.edit('l', 'teeth', '62');
    expect(workshop.records.get(id)!.drive.train.stages[0]).toMatchObject({ z1: 15, z2: 62 });
    shelf.undo();
    expect(workshop.records.get(id)!.drive.train.stages[0]).toMatchObject({ z2: 59 });
    // what is said by hand stands alone
    workshop.edit(id, { do: 'stage', at: 0, key: 'z2', text: '60' });
    expect(shelf.uses.get('l')).toBeUndefined();
    shelf.edit('l', 'teeth', '70');
    expect(workshop.records.get(id)!.drive.train.stages[0]).toMatchObject({ z2: 60 });
  });

  test('an edit whose write the page took with it is there at the next start', async () => {
    const notes = memory();
    const storage = openStorage(name);
    const { shelf } = await open({ ...storage, changeParts: () => new Promise(() => undefined) }, notes);
    shelf.take([wheel('a', 36)], new Map(), 'one');
    shelf.edit('a', 'teeth', '37');
    const again = await open(openStorage(name), notes);
    expect(again.shelf.parts).toMatchObject([{ teeth: 37 }]);
    await settled(again.shelf);
    expect(openShelfJournal(notes).waiting().size).toBe(0);
  });

  test('a full disk is said in words and the line stays on the screen; a spoilt line is left out', async () => {
    const storage = openStorage(name);
    const { shelf } = await open({
      ...storage,
      changeParts: () => Promise.reject(Object.assign(new Error('no'), { name: 'QuotaExceededError' })),
    });
    shelf.add('wheel');
    await settled(shelf);
    expect(shelf.trouble?.code).toBe('storageFull');
    expect(shelf.parts).toHaveLength(1);
    await storage.changeParts(
      [{ id: 'x', part: { id: 'x', kind: 'flywheel', own: 1 } as unknown as ShelfPart, place: 1, rev: 1 }],
      [],
    );
    expect(await openStorage(name).parts()).toEqual([]);
  });
});
