import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { newPart, partKinds, type PartKindId, type ShelfPart } from '../shelf/index.ts';
import { readShelf, readTable, shelfCsv, writeCsv, writeShelf } from './index.ts';

const demo = readFileSync(new URL('../../../demo/lantern-hill.shelf.json', import.meta.url), 'utf8');
const parts = (): readonly ShelfPart[] => {
  const read = readShelf(demo);
  if (!read.ok) throw new Error(read.refusal.path);
  return read.value;
};
let ids = 0;
const newId = (): string => `n${++ids}`;

describe('a shelf file', () => {
  test('the demo shelf is read and written back the same', () => {
    expect(parts().length).toBeGreaterThan(40);
    expect(writeShelf(parts())).toBe(demo);
  });

  test.each([
    ['{', 'line 1'],
    ['{"format":"pendrix-drive","version":1}', 'format'],
    ['{"format":"pendrix-shelf","version":2,"parts":[]}', 'version'],
    ['{"format":"pendrix-shelf","version":1}', 'parts'],
    ['{"format":"pendrix-shelf","version":1,"parts":{}}', 'parts'],
    ['{"format":"pendrix-shelf","version":1,"parts":[7]}', 'parts[0]'],
    ['{"format":"pendrix-shelf","version":1,"parts":[{"id":"a","own":1}]}', 'parts[0].kind'],
    ['{"format":"pendrix-shelf","version":1,"parts":[{"kind":"wheel","own":1}]}', 'parts[0].id'],
    [
      '{"format":"pendrix-shelf","version":1,"parts":[{"id":"a","kind":"wheel","own":1,"known":"counted","teeth":14.5}]}',
      'parts[0].teeth',
    ],
    [
      '{"format":"pendrix-shelf","version":1,"parts":[{"id":"a","kind":"flywheel","own":1,"known":"counted"}]}',
      'parts[0].kind',
    ],
    [
      '{"format":"pendrix-shelf","version":1,"parts":[{"id":"a","kind":"bearing","own":1,"known":"counted"},{"id":"a","kind":"bearing","own":1,"known":"counted"}]}',
      'parts[1].id',
    ],
  ])('%s is refused at its place', (text, place) => {
    const read = readShelf(text);
    expect(read.ok ? null : read.refusal.path).toContain(place);
  });
});

describe('a table from a spreadsheet', () => {
  test('lines without names over them, in the usual order: good ones read, bad ones named', () => {
    const pasted = [
      'Brass wheel\t30\t1\t6\t2\t7.50',
      'Brass wheel\t32\t1\t6\t1\t7.50',
      'Steel pinion\t14.5\t1\t5\t1\t4.20',
      'Belt wheel\t40\t2\t8\t1\t6.10',
      'Acetal wheel\t50\t1\t?\t2\t3.00',
      'Worm\t1÷50\t1\t8\t1\t28.00',
      'Brass wheel\t36\t1\t6\t1\t8.00',
      'Planet ring\t-47\t1\t?\t1\t5.00',
      'Sprocket of old\t12\t1\t6\t1\t',
    ].join('\n');
    const lines = readTable(pasted, parts(), newId);
    expect(lines.map((l) => [l.line, l.part?.kind ?? null, l.bad, l.addsTo])).toEqual([
      [1, 'wheel', null, 'wheel-1-30'],
      [2, 'wheel', null, null],
      [3, null, 'teeth', null],
      [4, 'beltWheel', null, 'pulley-2-40'],
      [5, 'wheel', null, null],
      [6, null, 'teeth', null],
      [7, 'wheel', null, 'wheel-1-36'],
      [8, null, 'teeth', null],
      [9, null, 'name', null],
    ]);
    expect(lines[0]!.part).toMatchObject({
      teeth: 30,
      moduleMm: 1,
      boreMm: 6,
      own: 2,
      price: '7.50',
      madeOf: 'brass',
    });
    expect(lines[4]!.unknown).toContain('bore');
    expect(lines[4]!.part).not.toHaveProperty('boreMm');
    expect(lines[2]!.refusal).toMatchObject({ code: 'notWhole', given: '14.5' });
  });

  test('a line of names in any order, semicolons, a mark at the start, empty lines', () => {
    const text = '\uFEFFQty;Kind;Teeth;Module\r\n3;wheel;48;0,5\r\n\r\n2;change wheel;64;1.5\r\n';
    const lines = readTable(text, [], newId);
    expect(lines.map((l) => [l.line, l.part?.own ?? null, l.part?.kind ?? null])).toEqual([
      [2, 3, 'wheel'],
      [4, 2, 'changeWheel'],
    ]);
    // where semicolons part the cells, a comma between digits is a decimal comma
    expect(lines[0]!.part).toMatchObject({ moduleMm: 0.5 });
  });

  test('where commas part the cells they are never decimal; a thousand in quotes is asked about', () => {
    const [line] = readTable('kind,teeth,own\nwheel,48,"1,200"\n', [], newId);
    expect([line!.bad, line!.refusal?.code]).toEqual(['own', 'doubtfulComma']);
  });

  test('a geared motor is a box, not a motor of as many steps', () => {
    const [line] = readTable('Gear motor 64:1;64:1', [], newId);
    expect(line!.part).toMatchObject({ kind: 'box', ratio: '64' });
    expect(readTable('Gearmotor;1:187', [], newId)[0]!.part).toMatchObject({ kind: 'box', ratio: '187' });
    expect(readTable('Stepper motor;200', [], newId)[0]!.part).toMatchObject({ kind: 'motor' });
  });

  test('cells take units', () => {
    const [line] = readTable('kind\tteeth\tsize\tbore\nwheel\t76 teeth\t24 DP\t3/8 in\n', [], newId);
    expect(line!.part).toMatchObject({ teeth: 76, boreMm: 9.525 });
    expect((line!.part as unknown as { moduleMm: number }).moduleMm).toBeCloseTo(25.4 / 24, 12);
  });

  test('the shelf as CSV is read back as it was, apart from ids', () => {
    const bare = (all: readonly (ShelfPart | null)[]): object[] =>
      all.map((p) => {
        // what the table has no column for: set in the file only
        const {
          id: _i,
          widthMm: _w,
          planets: _p,
          holdingNm: _h,
          madeOf: _m,
          ...rest
        } = { ...p } as Record<string, unknown>;
        return rest;
      });
    const lines = readTable(shelfCsv(parts()), [], newId);
    expect(lines.filter((l) => l.refusal)).toEqual([]);
    expect(bare(lines.map((l) => l.part))).toEqual(bare(parts()));
  });

  test.each(Object.keys(partKinds) as PartKindId[])('%s goes out and comes back', (kind) => {
    const part = newPart(kind, 'x');
    const [line] = readTable(shelfCsv([part]), [part], newId);
    expect([line?.refusal, line?.addsTo]).toEqual([null, 'x']);
  });

  test('two thousand lines with three bad ones: three are named', () => {
    const rows = Array.from({ length: 2000 }, (_, i) => `wheel,${12 + (i % 100)},1,6,1,2.50`);
    rows[10] = 'wheel,none,1,6,1,2.50';
    rows[999] = 'wheel,20,1,6,-1,2.50';
    rows[1500] = 'thing,20,1,6,1,2.50';
    const lines = readTable(rows.join('\n'), [], newId);
    expect(lines).toHaveLength(2000);
    expect(lines.filter((l) => !l.part).map((l) => [l.line, l.bad])).toEqual([
      [11, 'teeth'],
      [1000, 'own'],
      [1501, 'name'],
    ]);
  });

  test('nothing, and rubbish, give no parts', () => {
    expect(readTable('', [], newId)).toEqual([]);
    expect(readTable('\n\n', [], newId)).toEqual([]);
    expect(readTable('\u0000\u0001', [], newId).every((l) => !l.part)).toBe(true);
  });
});

describe('cells that a spreadsheet would run', () => {
  test.each(['=1+2', '+SUM(A1)', '-lathe', '@home', '\treturn', "'quoted", "'=already"])(
    'a part named %j is made safe and read back as it was',
    (name) => {
      const part = { ...newPart('wheel', 'a'), name } as ShelfPart;
      const text = shelfCsv([part]);
      for (const cell of text.split('\n')[1]!.split(',')) expect(cell).not.toMatch(/^"?[=@\t]/);
      expect(readTable(text, [], newId)[0]!.part?.name).toBe(name.trim());
    },
  );

  test('numbers stay numbers, negative ones too', () => {
    const formulas = ['=1+1', '+cmd', '-2+3', '@SUM(1)'];
    expect(
      writeCsv(
        ['a'],
        formulas.map((f) => [f]),
      ),
    ).toBe(`a\n${formulas.map((f) => `"'${f}"\n`).join('')}`);
    expect(writeCsv(['a'], [[-0.5], ['-1.25'], ['+18240'], [-1e-9]])).toBe('a\n-0.5\n-1.25\n+18240\n-1e-9\n');
  });
});
