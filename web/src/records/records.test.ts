import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { newPart, pairOfParts, planRun, startRun, type ShelfPart } from '@pendrix/core';
import { databaseRefusal, type Database } from './database.ts';
import { openJournal } from './journal.ts';
import { newId } from './new-id.ts';
import type { Scope } from './history.ts';
import { browser, memory, type Browser, type OpenTab } from './testing.ts';
import { openTab } from './tab.ts';

const inList: Scope = { kind: 'drive', id: null, whole: true };
const onShelf: Scope = { kind: 'part', id: null, whole: true };
const inDrive = (id: string): Scope => ({ kind: 'drive', id, whole: false });

const wheel = (id: string, teeth: number, more: object = {}): ShelfPart =>
  ({ ...newPart('wheel', id), teeth, ...more }) as unknown as ShelfPart;

let b: Browser;
beforeEach(() => {
  b = browser();
});
afterEach(async () => {
  await new Promise((r) => setTimeout(r, 20));
  b.end();
});

const divisions = (t: OpenTab, id: string): string | undefined =>
  t.workshop.records.get(id)?.drive.job.divisions;

/** A drive whose one stage is linked to two lines of the shelf. */
function linkedDrive(t: OpenTab): string {
  t.shelf.take([wheel('s', 20, { own: 3 }), wheel('l', 76)], new Map(), 'two');
  const { id, drive } = t.workshop.create('Tide dial');
  const pair = pairOfParts(t.shelf.byId.get('s')!, t.shelf.byId.get('l')!)!;
  t.workshop.edit(id, { do: 'train', train: { ...drive.train, stages: [pair] }, label: 'take' });
  return id;
}
const driven = (t: OpenTab, id: string): unknown =>
  (t.workshop.records.get(id)!.drive.train.stages[0] as { z2?: number }).z2;

describe('undo and two tabs', () => {
  test('undo never takes back what another tab wrote, and redo brings back only its own', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'rename', name: 'Moon dial' });
    await a.settled();
    const other = await b.tab('b');
    other.workshop.edit(id, { do: 'divisions', text: '73' });
    await other.settled();
    expect(divisions(a, id)).toBe('73');
    expect(a.records.undo(inDrive(id))).toEqual({ label: 'name Moon dial', kept: 'nothing' });
    expect(a.workshop.records.get(id)?.drive).toMatchObject({ name: 'Tide dial', job: { divisions: '73' } });
    expect(a.records.redo(inDrive(id))).toMatchObject({ kept: 'nothing' });
    expect(a.workshop.records.get(id)?.drive).toMatchObject({ name: 'Moon dial', job: { divisions: '73' } });
    await a.settled();
    expect(other.workshop.records.get(id)?.drive.name).toBe('Moon dial');
  });

  test('what another tab changed in the same place stays, and that is said', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'divisions', text: '60' });
    await a.settled();
    const other = await b.tab('b');
    other.workshop.edit(id, { do: 'divisions', text: '73' });
    await other.settled();
    expect(a.records.undo(inDrive(id))).toEqual({ label: 'divisions 60', kept: 'all' });
    expect(divisions(a, id)).toBe('73');
  });

  test('a drive that another tab has gone on with is not taken away by undoing its making', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    await a.settled();
    const other = await b.tab('b');
    other.workshop.edit(id, { do: 'divisions', text: '73' });
    await other.settled();
    expect(a.records.undo(inList)?.kept).toBe('all');
    expect(a.workshop.records.has(id)).toBe(true);
  });

  test('writes at the same moment are both kept', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    await a.settled();
    const other = await b.tab('b');
    // neither has heard of the other yet
    a.workshop.edit(id, { do: 'rename', name: 'Moon dial' });
    other.workshop.edit(id, { do: 'divisions', text: '73' });
    await Promise.all([a.settled(), other.settled()]);
    for (const t of [a, other])
      expect(t.workshop.records.get(id)?.drive).toMatchObject({
        name: 'Moon dial',
        job: { divisions: '73' },
      });
  });

  test('a drive deleted here and changed there is kept, and the other way round, each with a sentence', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    await a.settled();
    const other = await b.tab('b');
    a.workshop.remove(id);
    other.workshop.edit(id, { do: 'divisions', text: '73' });
    await Promise.all([a.settled(), other.settled()]);
    expect([divisions(a, id), divisions(other, id)]).toEqual(['73', '73']);
    expect([a.records.news, other.records.news].filter(Boolean)).toHaveLength(1);
  });
});

describe('steps', () => {
  test('undo and redo outlive a reload; a closed tab’s steps are taken over, an open one’s are not', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'divisions', text: '60' });
    a.workshop.edit(id, { do: 'divisions', text: '73' });
    a.records.undo(inDrive(id));
    await a.settled();
    const stranger = await b.tab('b');
    expect(stranger.records.undo(inDrive(id))).toBeNull();
    b.close('a');
    const again = await b.tab('a');
    expect(again.records.redo(inDrive(id))?.label).toBe('divisions 73');
    expect(divisions(again, id)).toBe('73');
    again.records.undo(inDrive(id));
    again.records.undo(inDrive(id));
    expect(divisions(again, id)).toBe('');
    await again.settled();
    b.close('a');
    b.close('b');
    const heir = await b.tab('c');
    expect(heir.records.redo(inDrive(id))?.label).toBe('divisions 60');
  });

  test('the last 200 are kept', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    for (let i = 1; i <= 230; i++) a.workshop.edit(id, { do: 'divisions', text: String(i) });
    await a.settled();
    b.close('a');
    const again = await b.tab('a');
    expect(again.records.steps).toHaveLength(200);
    expect(again.records.undo(inDrive(id))?.label).toBe('divisions 230');
  });

  test('a burst of typing is one step; what was undone is gone after a new change', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'divisions', text: '6' }, 'b1');
    a.workshop.edit(id, { do: 'divisions', text: '60' }, 'b1');
    expect(a.records.undo(inDrive(id))?.label).toBe('divisions 60');
    expect(divisions(a, id)).toBe('');
    a.records.redo(inDrive(id));
    expect(divisions(a, id)).toBe('60');
    a.records.undo(inDrive(id));
    a.workshop.edit(id, { do: 'divisions', text: '5' });
    expect(a.records.redo(inDrive(id))).toBeNull();
  });

  test('a shelf line and the drives linked to it change and are undone together', async () => {
    const a = await b.tab('a');
    const id = linkedDrive(a);
    a.shelf.edit('l', 'teeth', '80');
    expect(driven(a, id)).toBe(80);
    // from the drive, as from the shelf
    expect(a.records.undo(inDrive(id))?.label).toContain('teeth');
    expect([driven(a, id), a.shelf.byId.get('l')]).toMatchObject([76, { teeth: 76 }]);
    a.records.redo(onShelf);
    expect([driven(a, id), a.shelf.byId.get('l')]).toMatchObject([80, { teeth: 80 }]);
  });

  test('undo does not leave a linked stage saying other than its line', async () => {
    const a = await b.tab('a');
    const id = linkedDrive(a);
    a.workshop.edit(id, { do: 'stage', at: 0, key: 'z2', text: '60' });
    a.shelf.edit('l', 'teeth', '80');
    a.records.undo(inDrive(id));
    // linked again, and so what the line says by now
    expect(a.workshop.records.get(id)!.drive.train.stages[0]).toMatchObject({ z2: 80, drivenPartId: 'l' });
  });
});

describe('runs', () => {
  const begin = async (t: OpenTab, gap = 1) => {
    const { id, drive } = t.workshop.create('Tide dial');
    await t.settled();
    const run = await t.workshop.startRun(id, 'first blank', startRun(planRun(drive, 95)!, 1000, gap));
    return { id, run: run! };
  };
  const at = (gap: number) => ({ state: { ...startRun(planRun(useDrive, 95)!, 1000), gap } });
  let useDrive: Parameters<typeof planRun>[0];

  test('a drive deleted and brought back has its runs, whatever other tabs do', async () => {
    const a = await b.tab('a');
    const { id } = await begin(a, 8);
    const step = a.workshop.remove(id)!;
    await a.settled();
    const other = await b.tab('b');
    expect(other.workshop.runs.size).toBe(0);
    b.close('b');
    a.records.undoStep(step.id);
    await a.settled();
    const third = await b.tab('c');
    expect(third.workshop.runsOf(id).map((r) => [r.name, r.state.gap])).toEqual([['first blank', 8]]);
  });

  test('a stale tab does not put a run back, even with the clock set back', async () => {
    const a = await b.tab('a');
    const { run } = await begin(a, 3);
    useDrive = a.workshop.drives[0]!.drive;
    const stale = await b.tab('stale');
    const stood = stale.workshop.runs.get(run.id)!;
    const now = Date.now;
    Date.now = () => now() - 86_400_000;
    try {
      expect(await a.workshop.putRun(run, at(8))).toBe('stored');
      const moved = await stale.workshop.putRun(stood, at(4));
      expect(moved).toMatchObject({ newer: { state: { gap: 8 } } });
    } finally {
      Date.now = now;
    }
    expect(stale.workshop.runs.get(run.id)?.state.gap).toBe(8);
    expect((await a.database.all()).find((f) => f.id === run.id)?.row).toMatchObject({ state: { gap: 8 } });
  });

  test('an ended run stays with its place and is taken up after a reload', async () => {
    const a = await b.tab('a');
    const { id, run } = await begin(a, 12);
    await a.workshop.putRun(run, { ended: true });
    b.close('a');
    const again = await b.tab('a');
    const kept = again.workshop.runsOf(id)[0]!;
    expect([kept.ended, kept.state.gap]).toEqual([true, 12]);
    expect(await again.workshop.putRun(kept, { ended: false })).toBe('stored');
  });

  test('a move that could not be stored is not shown; the trouble goes with the next that is', async () => {
    let full = true;
    const a = await b.tab('a', (d) => ({
      ...d,
      write: (...args) =>
        full
          ? Promise.reject(Object.assign(new Error('no'), { name: 'QuotaExceededError' }))
          : d.write(...args),
    }));
    const { id, drive } = a.workshop.create();
    expect(await a.workshop.startRun(id, 'x', startRun(planRun(drive, 5)!, 0))).toBeNull();
    expect([a.workshop.runs.size, a.records.trouble?.code]).toEqual([0, 'storageFull']);
    full = false;
    a.workshop.edit(id, { do: 'divisions', text: '5' });
    await a.settled();
    expect(a.records.trouble).toBeNull();
    expect((await a.workshop.startRun(id, 'x', startRun(planRun(drive, 5)!, 0)))?.name).toBe('x');
  });
});

describe('what the disk does', () => {
  test('saved is told only when it is; what is unsaved outlives the page in the journal', async () => {
    const never = (d: Database): Database => ({ ...d, write: () => new Promise(() => undefined) });
    const a = await b.tab('a', never);
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'divisions', text: '59' });
    expect([a.records.unsaved, a.records.savedAt, a.records.endangered]).toEqual([1, null, false]);
    b.close('a');
    const again = await b.tab('a');
    await again.settled();
    expect([divisions(again, id), again.records.unsaved]).toEqual(['59', 0]);
    expect(openJournal(b.notes).waiting()).toEqual([]);
    // and so does its undo
    expect(again.records.undo(inDrive(id))?.label).toBe('divisions 59');
    expect((await again.database.all()).map((f) => f.id)).toEqual([id]);
  });

  test('a change too large for the journal is endangered until it is stored', async () => {
    const a = await b.tab('a', (d) => ({ ...d, write: () => new Promise(() => undefined) }));
    const many = Array.from({ length: 5000 }, (_, i) => wheel(`w${i}`, 20, { notes: 'x'.repeat(80) }));
    a.shelf.take(many, new Map(), 'many');
    expect(a.records.endangered).toBe(true);
  });

  test('a full disk is said in words, the edit stays, and the next one stores both', async () => {
    let full = true;
    const a = await b.tab('a', (d) => ({
      ...d,
      write: (...args) =>
        full
          ? Promise.reject(Object.assign(new Error('no'), { name: 'QuotaExceededError' }))
          : d.write(...args),
    }));
    const { id } = a.workshop.create('Tide dial');
    await a.settled();
    expect([a.records.trouble?.code, a.records.endangered]).toEqual(['storageFull', true]);
    expect(a.workshop.records.get(id)?.drive.name).toBe('Tide dial');
    full = false;
    a.workshop.create('Sundial');
    await a.settled();
    expect([a.records.trouble, a.records.unsaved]).toEqual([null, 0]);
    expect(await a.database.all()).toHaveLength(2);
  });

  test('a database that never answers does not hold the page up for ever', async () => {
    const opening = b.tab('a', (d) => ({ ...d, all: () => new Promise(() => undefined) }));
    void opening;
    await new Promise((r) => setTimeout(r, 5300));
    const { useRecords } = await import('./records.ts');
    const records = useRecords();
    expect([records.ready, records.trouble?.code]).toEqual([true, 'storageSlow']);
  }, 10_000);

  test('a record that cannot be read is set apart and named; the rest works, and it can be deleted', async () => {
    const a = await b.tab('a');
    a.workshop.create('Sundial');
    await a.settled();
    const bad = {
      ...a.workshop.create('From the future').drive,
      train: {
        source: { kind: 'stepper', fullSteps: 200, modes: [1], mode: 1 },
        stages: [{ kind: 'flux' }],
        output: { kind: 'rotary' },
      },
    };
    await a.database.write(
      [{ kind: 'drive', id: 'f', row: { id: 'f', drive: bad, rev: 1, createdAt: 0, touchedAt: 0 } as never }],
      [],
      (w) => w.row,
    );
    await a.database.write(
      [{ kind: 'part', id: 'p', row: { id: 'p', part: null } as never }],
      [],
      (w) => w.row,
    );
    await a.database.write([{ kind: 'run', id: 'r', row: { id: 'r', state: 3 } as never }], [], (w) => w.row);
    b.close('a');
    const again = await b.tab('a');
    expect(again.workshop.drives.map((r) => r.drive.name).sort()).toEqual(['From the future', 'Sundial']);
    expect(again.records.apart.map((x) => [x.kind, x.id, x.name, x.why.code]).sort()).toEqual([
      ['drive', 'f', 'From the future', 'unknownKind'],
      ['part', 'p', 'p', 'unknownKind'],
      ['run', 'r', 'r', 'badValue'],
    ]);
    await again.records.discard(again.records.apart.find((x) => x.id === 'f')!);
    b.close('a');
    expect((await b.tab('a')).records.apart).toHaveLength(2);
  });

  test('an older version’s records and notes are read', async () => {
    const name = 'from-before';
    const old = new Dexie(name);
    old.version(1).stores({ drives: 'id, rev', runs: 'id, driveId' });
    old.close();
    await Dexie.delete(name);
    const before = new Dexie(name);
    before.version(1).stores({ drives: 'id', runs: 'id, driveId' });
    before.version(2).stores({ parts: 'id' });
    const a = await b.tab('a');
    const { drive } = a.workshop.create('Kept');
    const state = startRun(planRun(drive, 7)!, 0, 4);
    await before.table('drives').put({ id: 'd', drive, rev: 3, createdAt: 0, touchedAt: 0 });
    await before.table('runs').put({ id: 'r', driveId: 'd', state, touchedAt: 5 });
    before.close();
    const later = browser(name);
    later.notes.setItem(
      'pendrix.journal.d',
      JSON.stringify({ id: 'd', drive: { ...drive, name: 'Noted' }, rev: 4 }),
    );
    later.notes.setItem('pendrix.journal.x', '{broken');
    later.notes.setItem(
      'pendrix.shelf-journal.w',
      JSON.stringify({ id: 'w', part: wheel('w', 33), place: 1, rev: 1 }),
    );
    const t = await later.tab('t');
    expect(t.workshop.drives.map((r) => r.drive.name)).toEqual(['Noted']);
    expect(t.shelf.parts).toMatchObject([{ teeth: 33 }]);
    expect(t.workshop.runsOf('d').map((r) => [r.name, r.state.gap, r.ended])).toEqual([
      ['7 divisions', 4, false],
    ]);
    await t.settled();
    later.end();
  });

  test('an older note does not undo a newer record', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'divisions', text: '59' });
    await a.settled();
    const record = a.workshop.records.get(id)!;
    openJournal(b.notes).note('z.1', {
      rows: [
        { kind: 'drive', id, rev: 1, row: { ...record, rev: 1, drive: { ...record.drive, name: 'old' } } },
      ],
      step: null,
    });
    b.close('a');
    const again = await b.tab('a');
    expect(again.workshop.drives.map((r) => r.drive.name)).toEqual(['Tide dial']);
    expect(openJournal(b.notes).waiting()).toEqual([]);
  });

  test('a tab that slept sees everything when it wakes', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.create('Sundial');
    await a.settled();
    const sleeper = await b.tab('s');
    b.close('s');
    a.workshop.edit(id, { do: 'divisions', text: '73' });
    a.workshop.remove(a.workshop.drives.find((r) => r.drive.name === 'Sundial')!.id);
    await a.settled();
    await sleeper.records.wake();
    expect(sleeper.workshop.drives.map((r) => [r.drive.name, r.drive.job.divisions])).toEqual([
      ['Tide dial', '73'],
    ]);
  });

  const named = (name: string, inner?: unknown) => Object.assign(new Error('x'), { name, inner });
  test.each([
    [named('QuotaExceededError'), 'storageFull'],
    [named('AbortError', named('QuotaExceededError')), 'storageFull'],
    [named('VersionError'), 'storageNewer'],
    [named('DatabaseClosedError'), 'storageNewer'],
    [named('DatabaseClosedError', named('MissingAPIError')), 'storageBlocked'],
    [named('OpenFailedError', named('UnknownError')), 'storageBlocked'],
    [named('DataError'), 'storageFailed'],
    ['text', 'storageFailed'],
  ])('a fault is called what it is (%#)', (fault, code) => {
    expect(databaseRefusal(fault).code).toBe(code);
  });
});

describe('identities', () => {
  test('without randomUUID, as over plain http, there are new ids all the same', () => {
    const bare = {
      getRandomValues: (a: Uint8Array<ArrayBuffer>) => crypto.getRandomValues(a),
    } as unknown as Crypto;
    const ids = new Set(Array.from({ length: 100 }, () => newId(bare)));
    expect(ids.size).toBe(100);
    expect([...ids][0]).toMatch(/^[0-9a-f]{32}$/);
  });

  test('a tab keeps its name over a reload; a duplicate of it gets its own', async () => {
    const session = memory();
    const first = await openTab(session, null);
    expect((await openTab(session, null)).id).toBe(first.id);
    const taken = {
      request: (name: string, options: { signal: AbortSignal }, grant: () => Promise<void>) =>
        name.endsWith(first.id)
          ? new Promise((_, fail) =>
              options.signal.addEventListener('abort', () => fail(new Error('aborted'))),
            )
          : grant(),
      query: () => Promise.resolve({ held: [{ name: `pendrix-tab-${first.id}` }] }),
    } as unknown as LockManager;
    const second = await openTab(session, taken);
    expect(second.id).not.toBe(first.id);
    expect([...(await second.alive())!]).toEqual([first.id]);
    expect((await openTab(null, null)).id).toBeTruthy();
  });
});
