import { describe, expect, test } from '@jest/globals';
import { newPart, type PartKindId, type ShelfPart, type Use } from '../../shelf/index.ts';
import { shelfMark, shelfReport, usedMessage, type ShelfView } from '../index.ts';

const part = (kind: PartKindId, id: string, more: object = {}): ShelfPart => ({
  ...newPart(kind, id),
  ...more,
});
const parts: readonly ShelfPart[] = [
  part('wheel', 'a', { teeth: 36, madeOf: 'brass', own: 2, price: '8.00' }),
  part('wheel', 'b', { teeth: 9, own: 1 }),
  part('wheel', 'c', { teeth: 60, moduleMm: 0.5, own: 14, price: '3.80', known: 'printed' }),
  part('worm', 'd', { wheel: 90, own: 1, price: '31', notes: 'the good one' }),
  part('bearing', 'e', { own: 0 }),
];
const uses = new Map<string, readonly Use[]>([
  ['a', [{ drive: 'Tide dial', count: 2 }]],
  [
    'd',
    [
      { drive: 'Orrery', count: 1 },
      { drive: 'Tide dial', count: 1 },
    ],
  ],
]);
const ALL: ShelfView = { groups: [], filter: '', sort: 'teeth', down: false };
const ids = (view: Partial<ShelfView>): readonly string[] =>
  shelfReport(parts, uses, { ...ALL, ...view }).sections.flatMap((s) => s.rows.map((r) => r.id));

describe('the list of the shelf', () => {
  test('sections by kind and size, with their lines and pieces', () => {
    const r = shelfReport(parts, uses, ALL);
    expect(r.sections.map((s) => [s.title, s.message])).toEqual([
      ['Wheels, module 1', '2 lines, 3 pieces'],
      ['Wheels, module 0.5', '1 line, 14 pieces'],
      ['Worms with their wheels', '1 line, 1 piece'],
      ['Bearings', '1 line, 0 pieces'],
    ]);
    expect(r.groups.find((g) => g.id === 'wheels')!.lines).toBe(3);
    expect([r.lines, r.pieces, r.inUse, r.worth]).toEqual([5, 18, 4, '100.20']);
    expect(r.worthMessage).toContain('17 priced pieces');
  });

  test('teeth are sorted as numbers; every column both ways', () => {
    expect(ids({})).toEqual(['b', 'a', 'c', 'd', 'e']);
    expect(ids({ down: true }).slice(0, 2)).toEqual(['a', 'b']);
    for (const sort of ['name', 'size', 'bore', 'own', 'used', 'price', 'known'] as const) {
      const up = ids({ sort });
      expect(new Set(up).size).toBe(5);
      expect(ids({ sort, down: true }).slice(0, 2)).toEqual(up.slice(0, 2).reverse());
    }
  });

  test.each([
    ['36', ['a']],
    ['brass', ['a']],
    ['worm 90', ['d']],
    ['good', ['d']],
    ['printed', ['c']],
    ['no such thing', []],
  ])('a filter of "%s"', (filter, want) => {
    expect(ids({ filter })).toEqual(want);
  });

  test('groups that are shown', () => {
    expect(ids({ groups: ['worms', 'bearings'] })).toEqual(['d', 'e']);
  });

  test('what is used more than owned is marked, on the line and on the rail', () => {
    const rows = shelfReport(parts, uses, ALL).sections.flatMap((s) => s.rows);
    expect(rows.filter((r) => r.short).map((r) => r.id)).toEqual(['d']);
    expect(rows.find((r) => r.id === 'd')!.usedBy).toBe('2 drives');
    expect(shelfMark(parts, uses)).toMatchObject({
      mark: 'diamond',
      reason: 'worm and 90: 2 in use, 1 owned',
    });
    expect(shelfMark(parts, new Map())).toMatchObject({ mark: 'dot' });
    expect(shelfMark([], new Map())).toMatchObject({ mark: 'ring' });
  });

  test('use in words', () => {
    expect(usedMessage(parts[0]!, uses.get('a')!)).toBe('2 of 2 used by Tide dial');
    expect(usedMessage(parts[3]!, uses.get('d')!)).toBe('2 of 1 used by Orrery (1) and Tide dial (1)');
    expect(usedMessage(parts[1]!, [])).toBe('The one is free.');
    expect(usedMessage(parts[2]!, [])).toBe('None of 14 is in use.');
  });
});
