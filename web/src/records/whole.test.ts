import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { planRun, startRun } from '@pendrix/core';
import { readWorkshop, writeWorkshop } from '@pendrix/core/files/index';
import { kindIds, kinds } from './kinds.ts';
import { browser, wheel, type Browser } from './testing.ts';
import { useImporting } from '../stores/importing.ts';
import { wholeWorkshop } from './whole.ts';

let b: Browser;
beforeEach(() => {
  b = browser();
});
afterEach(async () => {
  await b.quiet();
  b.end();
});

describe('a backup', () => {
  test('holds something of every kind of record, and brings all of it back', async () => {
    const a = await b.tab('a');
    const { id, drive } = a.workshop.create('Dial');
    a.workshop.create('Other dial');
    a.shelf.take([wheel('w', 20, { own: 3 })], new Map(), 'one');
    const plan = planRun({ ...drive, job: { divisions: '12' } }, 12)!;
    await a.workshop.startRun(id, 'brass blank', startRun(plan, 0));
    await a.settled();
    const kept = wholeWorkshop();
    // a kind that is added and forgotten here has an empty list
    for (const kind of kindIds) expect([kind, kept[kinds[kind].list].length > 0]).toEqual([kind, true]);
    expect(new Set(kindIds.map((k) => kinds[k].list)).size).toBe(kindIds.length);

    const read = readWorkshop(writeWorkshop(kept));
    if (!read.ok) throw new Error(read.refusal.code);
    expect([read.value.left, Object.keys(read.value).sort()]).toEqual([
      [],
      [...Object.keys(kept), 'left'].sort(),
    ]);
    const other = browser();
    const empty = await other.tab('x');
    useImporting().takeRead('backup', read);
    await empty.settled();
    const again = wholeWorkshop();
    expect(again.parts).toEqual(kept.parts);
    expect(again.drives.map((d) => d.name).sort()).toEqual(['Dial', 'Other dial']);
    const [run] = again.runs;
    expect([again.drives[run!.drive]!.name, run!.name]).toEqual(['Dial', 'brass blank']);
    await other.quiet();
    other.end();
  });

  test('leaves out a run whose drive is gone', async () => {
    const a = await b.tab('a');
    const { id, drive } = a.workshop.create('Dial');
    const run = await a.workshop.startRun(
      id,
      'x',
      startRun(planRun({ ...drive, job: { divisions: '12' } }, 12)!, 0),
    );
    a.records.change('lost', [{ kind: 'drive', id, row: null }]);
    expect([run !== null, wholeWorkshop()]).toEqual([true, { drives: [], parts: [], runs: [] }]);
    await a.settled();
  });
});
