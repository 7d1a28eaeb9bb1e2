import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import Dexie from 'dexie';
import { planRun, startRun } from '@pendrix/core';
import { databaseRefusal, openDatabase, type Database } from './database.ts';
import { useRecords } from './records.ts';
import { browser, divisions, inDrive, type Browser, type OpenTab } from './testing.ts';
import { NEWEST } from './versions.ts';

let b: Browser;
let name = '';
beforeEach(() => {
  // Dexie warns of a database that is deleted or raised under it: that is what is tested
  jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  name = `vanishing-${Math.random()}`;
  b = browser(name);
});
afterEach(async () => {
  await b.quiet();
  b.end();
  jest.restoreAllMocks();
});

/** What stands on the disk, read by somebody else. */
async function onDisk(): Promise<readonly string[]> {
  const other = openDatabase(name);
  const all = await other.all();
  other.close();
  return all.map((f) => f.id).sort();
}

const until = async (holds: () => boolean | Promise<boolean>): Promise<void> => {
  for (let i = 0; i < 200 && !(await holds()); i++) await new Promise((r) => setTimeout(r, 5));
  expect(await holds()).toBe(true);
};

async function withTwo(): Promise<{ a: OpenTab; dial: string; sun: string }> {
  const a = await b.tab('a');
  const dial = a.workshop.create('Tide dial').id;
  const sun = a.workshop.create('Sundial').id;
  a.workshop.edit(dial, { do: 'divisions', text: '59' });
  await a.settled();
  return { a, dial, sun };
}

describe('a database that was emptied under an open page', () => {
  test('is written again at once, told, and its undo lives', async () => {
    const { a, dial, sun } = await withTwo();
    await Dexie.delete(name);
    await until(async () => a.records.unsaved === 0 && (await onDisk()).length === 2);
    expect(a.records.news).toContain('was emptied');
    b.close('a');
    const again = await b.tab('a');
    expect([divisions(again, dial), await onDisk()]).toEqual(['59', [dial, sun].sort()]);
    expect(again.records.undo(inDrive(dial))?.label).toBe('divisions 59');
  });

  test('a change made after it goes into the new one, with everything else', async () => {
    const { a, dial, sun } = await withTwo();
    const gone = Dexie.delete(name);
    a.workshop.edit(dial, { do: 'divisions', text: '73' });
    await gone;
    await until(async () => a.records.unsaved === 0 && (await onDisk()).length === 2);
    expect(a.records.trouble).toBeNull();
    b.close('a');
    const again = await b.tab('a');
    expect([divisions(again, dial), divisions(again, sun)]).toEqual(['73', '']);
  });

  test('two tabs write it again once: what one has deleted stays deleted, no copies', async () => {
    const { a, dial, sun } = await withTwo();
    const c = await b.tab('c');
    c.workshop.remove(sun);
    await c.settled();
    await until(() => a.workshop.drives.length === 1);
    await Dexie.delete(name);
    await until(
      async () => a.records.unsaved === 0 && c.records.unsaved === 0 && (await onDisk()).length === 1,
    );
    expect([a.workshop.drives.map((r) => r.id), c.workshop.drives.map((r) => r.id)]).toEqual([
      [dial],
      [dial],
    ]);
  });

  test('an empty page leaves the new one empty and says nothing', async () => {
    const a = await b.tab('a');
    await Dexie.delete(name);
    await until(async () => (await onDisk()).length === 0);
    expect([a.records.news, a.records.trouble, a.records.unsaved]).toEqual([null, null, 0]);
  });

  test('a gap cut meanwhile is stored, on top of nothing', async () => {
    const { a, dial } = await withTwo();
    const run = await a.workshop.startRun(
      dial,
      '59 divisions',
      startRun(planRun(a.workshop.records.get(dial)!.drive, 59)!, 0, 4),
    );
    expect(run).not.toBeNull();
    await Dexie.delete(name);
    await until(async () => (await onDisk()).length === 3);
  });
});

describe('a database of a higher version', () => {
  test('is neither read nor written, and the page says why', async () => {
    const newer = new Dexie(name);
    newer.version(NEWEST + 3).stores({ drives: 'id', later: 'id' });
    await newer.table('drives').put({ id: 'd', shape: 'of tomorrow' });
    newer.close();
    const a = await b.tab('a');
    expect([a.records.trouble?.code, a.records.unread?.code, a.records.ready]).toEqual([
      'storageNewer',
      'storageNewer',
      true,
    ]);
    a.workshop.create('Tide dial');
    await a.settled();
    const after = new Dexie(name);
    await after.open();
    expect([after.verno, (await after.table('drives').toArray()).map((d: { id: string }) => d.id)]).toEqual([
      NEWEST + 3,
      ['d'],
    ]);
    after.close();
    expect(a.records.endangered).toBe(true);
  });

  test('one that is raised while the page stands is said too', () => {
    expect(databaseRefusal(new Dexie.VersionError('9 is newer than 4')).code).toBe('storageNewer');
  });
});

describe('before the database has answered', () => {
  test('nothing is known of what is there, though the page is open; then it is', async () => {
    let patience: (() => void) | null = null;
    let answer: (() => void) | null = null;
    const { dial } = await withTwo();
    b.close('a');
    const late = (d: Database): Database => ({
      ...d,
      all: () => new Promise((done) => (answer = () => void d.all().then(done))),
    });
    const opening = b.tab('a', late, {
      later: (act) => {
        patience = act;
        return () => undefined;
      },
    });
    const records = useRecords();
    patience!();
    expect([records.ready, records.unread?.code, records.trouble?.code]).toEqual([
      true,
      'storageSlow',
      'storageSlow',
    ]);
    answer!();
    const a = await opening;
    expect([a.records.unread, a.records.trouble, divisions(a, dial)]).toEqual([null, null, '59']);
  });
});
