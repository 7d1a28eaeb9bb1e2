import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { newDrive, planRun, startRun } from '@pendrix/core';
import { browser, inDrive, wheel, type Browser, type OpenTab } from '../records/testing.ts';
import { freeName } from './workshop.ts';

let b: Browser;
let t: OpenTab;
beforeEach(async () => {
  b = browser();
  t = await b.tab('a');
});
afterEach(async () => {
  await t.settled();
  b.end();
});
const labels = (): readonly string[] => {
  const out: string[] = [];
  for (let step = t.records.undo({ kind: 'part', id: null, whole: true }); step;)
    step = (out.push(step.label), t.records.undo({ kind: 'part', id: null, whole: true }));
  return out;
};

describe('the shelf', () => {
  test('a cell that reads as it stood is no step; one that cannot be read changes nothing', () => {
    t.shelf.take([wheel('s', 20, { own: 3 })], new Map(), 'one');
    expect(t.shelf.edit('s', 'own', '3')?.ok).toBe(true);
    const refused = t.shelf.edit('s', 'own', 'many');
    expect(refused && !refused.ok && refused.refusal.code).toBe('notNumber');
    expect(t.shelf.byId.get('s')!.own).toBe(3);
    expect(t.shelf.edit('gone', 'own', '3')).toBeNull();
    expect(t.shelf.edit('s', 'own', '4')?.ok).toBe(true);
    expect(t.shelf.byId.get('s')!.own).toBe(4);
    expect(labels()).toEqual([expect.stringContaining(': own'), 'one']);
  });

  test('lines stand where they were put, new ones last; a copy is a line of its own', () => {
    t.shelf.take([wheel('a', 20), wheel('b', 30)], new Map(), 'two');
    const [copy] = t.shelf.duplicate(['a']);
    expect(t.shelf.parts.map((p) => p.id)).toEqual(['a', 'b', copy]);
    expect(t.shelf.duplicate(['gone'])).toEqual([]);
    expect(t.shelf.duplicate(['a', 'b'])).toHaveLength(2);
    const added = t.shelf.add('wheel');
    expect(t.shelf.parts.at(-1)!.id).toBe(added.id);
    expect(labels()).toEqual([
      expect.stringMatching(/^new /),
      'duplicate 2 lines',
      'duplicate a line',
      'two',
    ]);
  });

  test('one text into many lines: those that cannot take it, or are gone, are left', () => {
    t.shelf.take([wheel('a', 20), wheel('b', 30)], new Map(), 'two');
    expect(t.shelf.editMany(['a', 'gone', 'b'], 'own', '7')).toBe(2);
    expect(t.shelf.parts.map((p) => p.own)).toEqual([7, 7]);
    expect(t.shelf.editMany(['a', 'b'], 'own', '?')).toBe(0);
    expect(labels()[0]).toBe('own of 2 lines');
  });

  test('what is read from a file: more of what is there, new lines last, the same again nothing', () => {
    t.shelf.take([wheel('a', 20, { own: 2 })], new Map(), 'one');
    expect(t.shelf.take([wheel('a', 20, { own: 2 })], new Map(), 'again')).toBeNull();
    t.shelf.take([wheel('b', 30)], new Map([['a', 3]]), 'more');
    expect(t.shelf.parts.map((p) => [p.id, p.own])).toEqual([
      ['a', 5],
      ['b', expect.any(Number)],
    ]);
    expect(t.shelf.remove(['gone'])).toBeNull();
    expect(t.shelf.remove(['a'])!.label).toMatch(/^delete /);
    expect(t.shelf.remove(['b'])!.label).not.toBe('delete 1 lines');
    expect(t.shelf.parts).toEqual([]);
  });
});

describe('the workshop', () => {
  test('a name that is taken gets the next number that is free', () => {
    expect(freeName('Dial', [])).toBe('Dial');
    expect(freeName('Dial', ['Dial', 'Dial 2', 'Dial 4'])).toBe('Dial 3');
  });

  test('a drive goes with its runs, and comes back with them; an edit that changes nothing is no step', async () => {
    const { id, drive } = t.workshop.create('Dial');
    expect(t.workshop.edit(id, { do: 'rename', name: 'Dial' }).ok).toBe(true);
    expect(t.records.undo(inDrive(id))).toBeNull();
    expect(t.workshop.edit('gone', { do: 'rename', name: 'x' }).ok).toBe(false);
    t.workshop.edit(id, { do: 'divisions', text: '12' });
    const plan = planRun({ ...drive, job: { ...drive.job, divisions: '12' } }, 12)!;
    const run = (await t.workshop.startRun(id, 'blank', startRun(plan, 0)))!;
    expect(t.workshop.runsOf(id)).toEqual([run]);
    expect(await t.workshop.putRun(run, { ended: true })).toBe('stored');
    // the same again from what stood before is refused with what stands now
    expect(await t.workshop.putRun(run, { ended: false })).toEqual({
      newer: expect.objectContaining({ ended: true }),
    });
    t.workshop.remove(id);
    expect([t.workshop.drives, t.workshop.runsOf(id)]).toEqual([[], []]);
    t.records.undo({ kind: 'drive', id: null, whole: true });
    expect(t.workshop.runsOf(id)).toHaveLength(1);
    const copy = t.workshop.duplicate(id)!;
    expect([copy.drive.name, t.workshop.runsOf(copy.id), t.workshop.duplicate('gone')]).toEqual([
      'Dial copy',
      [],
      null,
    ]);
  });

  test('what is read from a file stands beside what is here under a name of its own, or alone under its own', () => {
    t.workshop.create('Dial');
    const from = { drives: [newDrive('Dial'), newDrive('Dial')], runs: [] };
    const named = (alone: boolean) =>
      t.workshop
        .additions(from, alone)
        .map((c) => (c.row as unknown as { drive: { name: string } }).drive.name);
    expect(named(false)).toEqual(['Dial 2', 'Dial 3']);
    expect(named(true)).toEqual(['Dial', 'Dial 2']);
  });
});
