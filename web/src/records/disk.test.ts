import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { planRun, startRun } from '@pendrix/core';
import { databaseRefusal, type Database } from './database.ts';
import { openJournal, type Note } from './journal.ts';
import { useRecords } from './records.ts';
import { browser, divisions, inDrive, wheel, type Browser } from './testing.ts';

let b: Browser;
beforeEach(() => {
  b = browser();
});
afterEach(async () => {
  await b.quiet();
  b.end();
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

  test('a database that never answers does not hold the page up for ever', () => {
    let patience: (() => void) | null = null;
    const never = (d: Database): Database => ({ ...d, all: () => new Promise(() => undefined) });
    void b.tab('a', never, {
      later: (act) => {
        patience = act;
        return () => undefined;
      },
    });
    const records = useRecords();
    expect([records.ready, records.trouble]).toEqual([false, null]);
    patience!();
    expect([records.ready, records.trouble?.code]).toEqual([true, 'storageSlow']);
  });

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
    expect(t.workshop.runsOf('d')).toMatchObject([{ name: '7 divisions', state: { gap: 4 }, ended: false }]);
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

  /** A promise that is kept when told to. */
  /** Something that waits until it is let through: `come` once somebody stands before it. */
  const gate = () => {
    let [open, arrived] = [(): void => undefined, (): void => undefined];
    const opened = new Promise<void>((r) => (open = r));
    const come = new Promise<void>((r) => (arrived = r));
    return {
      come,
      passed: () => {
        arrived();
        return opened;
      },
      open: () => open(),
    };
  };

  test('what a waking tab reads slowly does not go over what was written meanwhile', async () => {
    const slow = gate();
    let waking = false;
    const a = await b.tab('a', (d) => ({
      ...d,
      all: async () => {
        const rows = await d.all();
        if (waking) await slow.passed();
        return rows;
      },
    }));
    const { id } = a.workshop.create('Tide dial');
    await a.settled();
    waking = true;
    const woken = a.records.wake();
    await slow.come;
    a.workshop.edit(id, { do: 'divisions', text: '73' });
    await a.settled();
    slow.open();
    await woken;
    expect(divisions(a, id)).toBe('73');
  });

  test('a change on its way is not hidden by what another tab writes in that moment', async () => {
    const slow = gate();
    let held = false;
    const a = await b.tab('a', (d) => ({
      ...d,
      write: async (...args) => {
        if (held) await slow.passed();
        return d.write(...args);
      },
    }));
    const { id } = a.workshop.create('Tide dial');
    await a.settled();
    const other = await b.tab('b');
    held = true;
    a.workshop.edit(id, { do: 'divisions', text: '73' });
    other.workshop.edit(id, { do: 'rename', name: 'Moon dial' });
    await other.settled();
    expect([divisions(a, id), a.records.unsaved]).toEqual(['73', 1]);
    slow.open();
    await a.settled();
    expect(a.workshop.records.get(id)?.drive).toMatchObject({ name: 'Moon dial', job: { divisions: '73' } });
  });

  test('notes are taken up in the order they were made, whatever order the storage gives them in', () => {
    const journal = openJournal(b.notes);
    for (const key of ['t.000000003.c', 't.000000001.c', 't.000000002.c'])
      journal.note(key, { rows: [], step: null });
    expect(journal.waiting().map(([key]) => key.slice(-3 - 8, -2))).toEqual([
      '000000001',
      '000000002',
      '000000003',
    ]);
    for (const [key] of journal.waiting()) journal.done(key);
  });

  test('a note whose record cannot be read is let go, and nothing else with it', async () => {
    const journal = openJournal(b.notes);
    const rows = [{ kind: 'drive', id: 'd', rev: 5, row: { id: 'd', rev: 5, drive: { name: 7 } } }];
    journal.note('t.1', { rows: rows as unknown as Note['rows'], step: null });
    const a = await b.tab('a');
    expect([a.workshop.records.has('d'), a.records.unsaved, journal.waiting()]).toEqual([false, 0, []]);
    a.workshop.create('Tide dial');
    await a.settled();
    expect(a.workshop.drives).toHaveLength(1);
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
