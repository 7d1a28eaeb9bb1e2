import { describe, expect, test } from '@jest/globals';
import { newDrive, newPart, planRun, startRun } from '@pendrix/core';
import { isApart, kindIds, kindOfRow, kinds, readRow, type KindId } from './kinds.ts';

const plan = planRun({ ...newDrive('dial'), job: { divisions: '12' } }, 12)!;
/** The least that is a record of each kind. */
const LEAST: Readonly<Record<KindId, object>> = {
  drive: { drive: newDrive('dial') },
  part: { part: newPart('wheel', 'p') },
  run: { state: startRun(plan, 0), driveId: 'd' },
};

describe('kinds of record', () => {
  test.each(kindIds)(
    '%s: what is missing of a row is as it always was, and a later write is stamped',
    (kind) => {
      const row = readRow(kind, { id: 'x', ...LEAST[kind] });
      if (isApart(row)) throw new Error(row.why.code);
      expect([row.id, row.rev]).toEqual(['x', 1]);
      const rest = row as unknown as Record<string, unknown>;
      for (const key of ['createdAt', 'touchedAt', 'place'])
        if (key in row) expect([key, rest[key]]).toEqual([key, 0]);
      const later = kindOfRow(kind).stamped(row, 5, 77) as unknown as Record<string, unknown>;
      expect(later['rev']).toBe(5);
      if ('touchedAt' in later) expect(later['touchedAt']).toBe(77);
      expect(kindOfRow(kind).nameOf(row)).not.toBe('');
    },
  );
  test.each(kindIds)('%s: anything else is set apart with its name and why, whatever it is', (kind) => {
    for (const raw of [
      null,
      3,
      'x',
      [],
      {},
      { id: 7 },
      { id: 'x', name: 'Old dial', drive: 3, part: [], state: {} },
    ]) {
      const row = readRow(kind, raw);
      expect([raw, isApart(row)]).toEqual([raw, true]);
      if (isApart(row)) expect(row.why.code).not.toBe('');
    }
    const named = readRow(kind, { id: 'x', name: 'Old dial' });
    expect(isApart(named) && named.name).toBe('Old dial');
  });
  test('each kind has a table and a title of its own', () => {
    for (const key of ['table', 'title'] as const)
      expect(new Set(kindIds.map((k) => kinds[k][key])).size).toBe(kindIds.length);
  });
});
