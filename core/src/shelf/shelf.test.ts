import { describe, expect, test } from '@jest/globals';
import { newDrive, type Drive, type FurtherTrain, type Stage } from '../drive/index.ts';
import {
  checkPart,
  editPart,
  followedDrive,
  left,
  newPart,
  pairOfParts,
  partCell,
  partKindOf,
  partKinds,
  partLabel,
  samePart,
  shelfGroups,
  sourceOfPart,
  stageOfPart,
  usesOf,
  type PartColumn,
  type PartKindId,
  type ShelfPart,
} from './index.ts';

const kinds = Object.keys(partKinds) as PartKindId[];
const part = (kind: PartKindId, more: object = {}): ShelfPart => ({ ...newPart(kind, kind), ...more });
const shelf = (...parts: ShelfPart[]): Map<string, ShelfPart> => new Map(parts.map((p) => [p.id, p]));

describe('every kind of part', () => {
  test.each(kinds)(
    '%s: a new one is good, has a group, a name and cells that read what they show',
    (kind) => {
      const fresh = newPart(kind, 'x');
      expect(checkPart(fresh)).toBeNull();
      expect(shelfGroups[partKindOf(fresh).group]).toBeTruthy();
      expect(partLabel(fresh)).not.toBe('');
      for (const column of ['teeth', 'size', 'bore', 'own', 'price', 'notes'] as const) {
        const cell = partCell(fresh, column);
        if (!cell) continue;
        const again = editPart(fresh, column, cell.show(fresh));
        expect([column, again.ok && again.value]).toEqual([column, fresh]);
      }
    },
  );

  test.each(kinds)('%s: what cannot be is refused and the part stays as it was', (kind) => {
    const fresh = newPart(kind, 'x');
    for (const text of ['many', '1e400', '0', ...(kind === 'box' ? [] : ['-5'])]) {
      const cell = partCell(fresh, 'teeth') ? 'teeth' : 'size';
      expect([text, editPart(fresh, cell, text).ok]).toEqual([text, false]);
    }
    expect(checkPart({ ...fresh, own: -1 })?.path).toBe('own');
    expect(checkPart({ ...fresh, price: 'dear' })?.path).toBe('price');
    expect(checkPart({ ...fresh, kind: 'sprocket' })?.code).toBe('unknownKind');
  });
});

describe('cells', () => {
  const edited = (p: ShelfPart, column: PartColumn, text: string): ShelfPart | string => {
    const read = editPart(p, column, text);
    return read.ok ? read.value : read.refusal.code;
  };

  test.each([
    ['1:90', { starts: 1, wheel: 90 }],
    ['2:45', { starts: 2, wheel: 45 }],
    ['144', { starts: 1, wheel: 144 }],
  ])('a worm’s %s', (text, want) => {
    expect(edited(part('worm'), 'teeth', text)).toMatchObject(want);
  });
  test.each(['1÷50', '1:2:3', '1/50', ':', '0:50', '1:7'])('a worm’s %s is refused', (text) => {
    expect(typeof edited(part('worm'), 'teeth', text)).toBe('string');
  });

  test.each([
    ['5.90', '5.90'],
    ['€ 5.90', '5.90'],
    ['12', '12'],
    ['0', '0'],
    ['1/2', '1/2'],
  ])('a price of %s is kept as written', (text, price) => {
    expect(edited(part('wheel'), 'price', text)).toMatchObject({ price });
  });
  test.each(['', '–', 'own work', '?'])('"%s" is no price', (text) => {
    expect(edited(part('wheel', { price: '3' }), 'price', text)).not.toHaveProperty('price');
  });
  test('a price below nothing, or one nobody can read, is refused', () => {
    expect(edited(part('wheel'), 'price', '-3')).toBe('negative');
    expect(typeof edited(part('wheel'), 'price', 'a lot')).toBe('string');
  });

  test('an optional size that is emptied is unknown; teeth cannot be emptied', () => {
    expect(edited(part('wheel', { boreMm: 6 }), 'bore', '')).not.toHaveProperty('boreMm');
    expect(edited(part('wheel'), 'teeth', '')).toBe('empty');
    expect(edited(part('wheel'), 'size', '1.25')).toMatchObject({ moduleMm: 1.25 });
  });

  test('a plate keeps its circles in order, a driver its modes', () => {
    expect(edited(part('plate'), 'teeth', '20, 15-17')).toMatchObject({ circles: '15, 16, 17, 20' });
    expect(edited(part('driver'), 'teeth', '1/16 1 4')).toMatchObject({ modes: '1, 4, 16' });
    expect(edited(part('bearing'), 'teeth', '5')).toBe('unknownEdit');
  });

  test('a planetary set that cannot be is refused', () => {
    expect(edited(part('planetary'), 'teeth', '60:12')).toBe('ringTooSmall');
  });

  test('lines are the same part whatever is owned of them and paid for them', () => {
    const a = part('wheel', { teeth: 36, moduleMm: 1, madeOf: 'brass' });
    expect(samePart(a, { ...a, id: 'other', own: 9, price: '3', notes: 'x' })).toBe(true);
    expect(samePart(a, { ...a, boreMm: 6 } as ShelfPart)).toBe(false);
  });
});

describe('what drives take from the shelf', () => {
  const small = part('wheel', { id: 's', teeth: 15, moduleMm: 1, boreMm: 5, own: 3 });
  const large = part('wheel', { id: 'l', teeth: 59, moduleMm: 1, boreMm: 8 });
  const worm = part('worm', { id: 'w', wheel: 90, moduleMm: 1 });
  const all = shelf(small, large, worm);
  const pair = pairOfParts(small, large)!;
  const drive = (stages: readonly Stage[], name = 'Tide dial'): Drive => {
    const d = newDrive(name);
    return { ...d, train: { ...d.train, stages } };
  };

  test('two wheels of one module make a pair with their bores; others do not', () => {
    expect(pair).toEqual({
      kind: 'spur',
      z1: 15,
      z2: 59,
      moduleMm: 1,
      inBoreMm: 5,
      outBoreMm: 8,
      driverPartId: 's',
      drivenPartId: 'l',
    });
    expect(pairOfParts(small, part('wheel', { teeth: 60, moduleMm: 0.5 }))).toBeNull();
    expect(pairOfParts(small, part('beltWheel'))).toBeNull();
    expect(pairOfParts(small, worm)).toBeNull();
    expect(
      pairOfParts(part('beltWheel', { id: 'a' }), part('beltWheel', { id: 'b', teeth: 60 })),
    ).toMatchObject({
      kind: 'belt',
      z1: 20,
      z2: 60,
      pitchMm: 2,
    });
  });

  test('parts are stages and sources, others are neither', () => {
    expect(stageOfPart(worm)).toMatchObject({ kind: 'worm', wheel: 90, partId: 'w' });
    expect(stageOfPart(part('box', { ratio: '64', known: 'printed' }))).toMatchObject({
      provenance: 'nominal',
    });
    expect(stageOfPart(part('box', { ratio: '64', known: 'counted' }))).toMatchObject({
      provenance: 'exact',
    });
    expect(stageOfPart(part('planetary'))).toMatchObject({ kind: 'planetary', sun: 12, ring: 60 });
    expect(stageOfPart(small)).toBeNull();
    const { source } = newDrive('x').train;
    expect(sourceOfPart(part('motor', { fullSteps: 400 }), source)).toMatchObject({
      fullSteps: 400,
      mode: 16,
      partId: 'motor',
    });
    expect(sourceOfPart(part('motor'), { kind: 'crank', marks: 60 })).toMatchObject({ kind: 'stepper' });
    expect(sourceOfPart(part('driver', { modes: '1, 2, 4' }), source)).toMatchObject({
      modes: [1, 2, 4],
      mode: 4,
      driverPartId: 'driver',
    });
    expect(sourceOfPart(worm, source)).toBeNull();
  });

  test('uses are counted by line and drive', () => {
    const uses = usesOf([drive([pair, stageOfPart(worm)!]), drive([pair, pair], 'Orrery')]);
    expect(uses.get('s')).toEqual([
      { drive: 'Tide dial', count: 1 },
      { drive: 'Orrery', count: 2 },
    ]);
    expect(left(small, uses.get('s')!)).toEqual({ used: 3, free: 0 });
    expect(left(large, uses.get('l')!)).toEqual({ used: 3, free: 0 });
    expect(left(worm, uses.get('w')!)).toEqual({ used: 1, free: 0 });
    expect(uses.get('nothing')).toBeUndefined();
  });

  test('a drive follows what the shelf says; what is gone, or no longer fits, leaves what was last known', () => {
    const one = drive([{ ...pair, name: 'first' }, stageOfPart(worm)!, { kind: 'spur', z1: 20, z2: 40 }]);
    expect(followedDrive(one, all)).toBe(one);
    const { train: cut } = followedDrive(one, shelf(small, { ...large, teeth: 60 } as ShelfPart, worm));
    expect(cut.stages[0]).toMatchObject({ z2: 60, name: 'first', drivenPartId: 'l' });
    expect(cut.stages[2]).toBe(one.train.stages[2]);
    expect(followedDrive(one, shelf(small, worm))).toBe(one);
    expect(followedDrive(one, shelf(small, { ...large, moduleMm: 2 } as ShelfPart, worm))).toBe(one);
  });

  test('so do its branches, and what they take is in use', () => {
    const branch: FurtherTrain = {
      name: 'Moon',
      from: { train: 'Train 1', shaft: 0 },
      stages: [{ ...pair }],
      output: { kind: 'rotary' },
      job: { divisions: '' },
    };
    const two = { ...drive([]), others: [branch] };
    expect(usesOf([two]).get('s')).toMatchObject([{ count: 1 }]);
    const after = followedDrive(two, shelf(small, { ...large, teeth: 60 } as ShelfPart));
    expect(after.others![0]!.stages[0]).toMatchObject({ z2: 60 });
    expect(after.train).toBe(two.train);
  });

  test('a motor and a driver are followed each by itself', () => {
    const one = newDrive('x');
    const { train } = one;
    const motor = part('motor', { id: 'm', fullSteps: 400 });
    const driver = part('driver', { id: 'd', modes: '1, 2, 4, 8' });
    const source = sourceOfPart(driver, sourceOfPart(motor, train.source)!)!;
    expect(source).toMatchObject({ fullSteps: 400, modes: [1, 2, 4, 8], partId: 'm', driverPartId: 'd' });
    const now = followedDrive(
      { ...one, train: { ...train, source } },
      shelf({ ...motor, fullSteps: 200 } as ShelfPart),
    );
    expect(now.train.source).toMatchObject({
      fullSteps: 200,
      partId: 'm',
      modes: [1, 2, 4, 8],
      driverPartId: 'd',
    });
  });
});
