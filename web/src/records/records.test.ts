import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { pairOfParts, planRun, startRun } from '@pendrix/core';
import { newId } from './new-id.ts';
import type { Scope } from './history.ts';
import { browser, divisions, inDrive, memory, wheel, type Browser, type OpenTab } from './testing.ts';
import { openTab } from './tab.ts';

const inList: Scope = { kind: 'drive', id: null, whole: true };
const onShelf: Scope = { kind: 'part', id: null, whole: true };

let b: Browser;
beforeEach(() => {
  b = browser();
});
afterEach(async () => {
  await b.quiet();
  b.end();
});

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

  test('a drive that another tab has deleted is not brought back by undoing an edit of it', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'divisions', text: '60' });
    await a.settled();
    const other = await b.tab('b');
    other.workshop.remove(id);
    await other.settled();
    expect(a.records.undo(inDrive(id))).toEqual({ label: 'divisions 60', kept: 'all' });
    expect(a.workshop.records.has(id)).toBe(false);
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
    expect(a.records.steps).toHaveLength(200);
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

  test('what was typed and put back again is no step: undo takes back what was before it', async () => {
    const a = await b.tab('a');
    const { id } = a.workshop.create('Tide dial');
    a.workshop.edit(id, { do: 'divisions', text: '60' });
    for (const text of ['6', '6.', '60']) a.workshop.edit(id, { do: 'divisions', text }, 'b1');
    expect(a.records.undo(inDrive(id))?.label).toBe('divisions 60');
    expect(divisions(a, id)).toBe('');
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
    expect(third.workshop.runsOf(id)).toMatchObject([{ name: 'first blank', state: { gap: 8 } }]);
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
    expect(stale.workshop.runs.get(run.id)).toMatchObject({ state: { gap: 8 } });
    expect((await a.database.all()).find((f) => f.id === run.id)?.row).toMatchObject({ state: { gap: 8 } });
  });

  test('an ended run stays with its place and is taken up after a reload', async () => {
    const a = await b.tab('a');
    const { id, run } = await begin(a, 12);
    await a.workshop.putRun(run, { ended: true });
    b.close('a');
    const again = await b.tab('a');
    const kept = again.workshop.runsOf(id)[0]!;
    expect(kept).toMatchObject({ ended: true, state: { gap: 12 } });
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
