import { describe, expect, test } from '@jest/globals';
import { newDrive } from '@pendrix/core';
import type { DriveRecord } from '../storage/storage.ts';
import { NO_HISTORY, recorded, redoable, redone, undoable, undone } from './history.ts';

const at = (name: string, id = 'a'): DriveRecord => ({
  id,
  drive: newDrive(name),
  rev: 1,
  createdAt: 0,
  touchedAt: 0,
});
const change = (
  before: DriveRecord | null,
  after: DriveRecord | null,
  burst: string | null = null,
  id = 'a',
) => ({
  id,
  before,
  after,
  says: after?.drive.name ?? 'gone',
  burst,
});

const of = (id: string | null, whole = true) => ({ id, whole });

describe('history', () => {
  test('one burst of typing is one change', () => {
    let h = recorded(NO_HISTORY, change(at('7'), at('76'), 'x'));
    h = recorded(h, change(at('76'), at('760'), 'x'));
    expect(h.past.length).toBe(1);
    expect([undoable(h, of('a'))?.before?.drive.name, undoable(h, of('a'))?.after?.drive.name]).toEqual([
      '7',
      '760',
    ]);
    h = recorded(h, change(at('760'), at('761'), 'y'));
    expect(h.past.length).toBe(2);
  });

  test('inside a drive its making cannot be undone, in the list it can', () => {
    const h = recorded(NO_HISTORY, change(null, at('new')));
    expect([undoable(h, of('a', false)), undoable(h, of('a'))?.id, undoable(h, of(null))?.id]).toEqual([
      null,
      'a',
      'a',
    ]);
  });

  test('drives are undone apart, or the latest of all', () => {
    let h = recorded(NO_HISTORY, change(at('1'), at('2')));
    h = recorded(h, change(at('1', 'b'), at('2', 'b'), null, 'b'));
    expect(undoable(h, of('a'))?.id).toBe('a');
    expect(undoable(h, of(null))?.id).toBe('b');
    expect(undoable(h, of('c'))).toBeNull();
  });

  test('undo, redo, and a new change forgets what was undone of that drive only', () => {
    let h = recorded(NO_HISTORY, change(at('1'), at('2')));
    h = recorded(h, change(null, at('n', 'b'), null, 'b'));
    h = undone(h, undoable(h, of('b'))!);
    h = undone(h, undoable(h, of('a'))!);
    expect([redoable(h, of('a'))?.after?.drive.name, h.past.length]).toEqual(['2', 0]);
    h = redone(h, redoable(h, of('a'))!);
    expect(undoable(h, of('a'))?.after?.drive.name).toBe('2');
    h = recorded(h, change(at('2'), at('3')));
    expect([redoable(h, of('a')), redoable(h, of(null))?.id]).toEqual([null, 'b']);
  });
});
