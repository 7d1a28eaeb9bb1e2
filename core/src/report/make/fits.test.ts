import { describe, expect, test } from '@jest/globals';
import { newDrive, type Drive, type Stage } from '../../drive/index.ts';
import type { ShelfPart } from '../../shelf/index.ts';
import { adjustersFor, fitReport } from '../index.ts';
import { readAdjusters } from './adjusters.ts';
import { fitRows, partsRows } from './fits.ts';

const driveOf = (stages: readonly Stage[], more: Partial<Drive> = {}): Drive => ({
  ...newDrive('x'),
  ...more,
  train: {
    ...newDrive('x').train,
    source: { kind: 'stepper', fullSteps: 200, modes: [16], mode: 16, boreMm: 5 },
    stages,
  },
});
const part = (more: object): ShelfPart => ({ id: 'p', own: 1, ...more }) as unknown as ShelfPart;

describe('fits', () => {
  const drive = driveOf([
    { kind: 'belt', z1: 20, z2: 76, pitchMm: 2, inBoreMm: 6, outBoreMm: 8, beltTeeth: 100 },
    {
      kind: 'spur',
      z1: 20,
      z2: 60,
      moduleMm: 0.5,
      inBoreMm: 8,
      outBoreMm: 10,
      quality: 'printed',
      faceMm: 6,
      helixDeg: 15,
    },
  ]);
  const fits = fitReport(drive, []);
  test('each shaft with what sits on it, the hand of slanted wheels, and bores that disagree', () => {
    expect(fits.shafts.map((s) => [s.name, s.diameter])).toEqual([
      ['Stepper motor', '5'],
      ['Shaft 1', '8'],
      ['Work', '10'],
    ]);
    expect(fits.shafts[0]!.trouble).toContain('driver pulley 20 is bored 6 mm on a shaft of 5 mm');
    expect(fits.shafts[1]!.trouble).toBeNull();
    expect(fits.shafts[1]!.sits[1]).toContain('right hand');
    expect(fits.shafts[2]!.sits[0]).toContain('left hand');
    expect(fitRows(drive)).toHaveLength(3);
  });
  test('a module under three nozzle widths is named, with a finer nozzle it is not', () => {
    expect(fits.troubles.join(' ')).toContain(
      'module of 0.5 mm is under 3 widths of a nozzle of 0.4 mm, 1.2 mm',
    );
    expect(fitReport({ ...drive, printer: { nozzleMm: 0.15 } }, []).troubles).toEqual([]);
    expect(fitReport({ ...drive, printer: { nozzleMm: 0.15, runoutMm: 0.3 } }, []).troubles[0]).toContain(
      'good to about 0.1 mm',
    );
  });
});

describe('parts', () => {
  const drive = driveOf([
    { kind: 'spur', z1: 20, z2: 60, moduleMm: 1, outBoreMm: 8 },
    { kind: 'spur', z1: 20, z2: 20, moduleMm: 1, inBoreMm: 8 },
  ]);
  const shelf = [
    part({ id: 'a', kind: 'wheel', teeth: 20, moduleMm: 1, own: 2, price: '3.10' }),
    part({ id: 'b', kind: 'wheel', teeth: 60, moduleMm: 0.8, own: 1 }),
    part({ id: 'c', kind: 'bearing', boreMm: 8, own: 1, price: '0.90' }),
    part({ id: 'm', kind: 'motor', fullSteps: 200, own: 1, price: '14' }),
  ];
  const rows = (kind: string) => fitReport(drive, shelf).parts.filter((p) => p.what.includes(kind));
  test('two of three wheels of 20 are there, the third lacks; what one line took the next does not find', () => {
    expect(rows(' 20').map((p) => [p.have, p.lack])).toEqual([
      ['1', 0],
      ['1', 0],
      ['0', 1],
    ]);
  });
  test('a wheel of another module is offered instead, bearings are two a shaft', () => {
    expect(rows('driven 60')[0]).toMatchObject({ have: '0', lack: 1, instead: '60' });
    expect(rows('Bearing').map((p) => [p.size, p.need, p.have])).toEqual([
      ['bore 8', '2', '1'],
      ['bore not known yet', '2', '0'],
    ]);
  });
  test('costs: 14 + 3 × 3.10 + 2 × 0.90 = 25.10, to buy 3.10 + 0.90', () => {
    expect(fitReport(drive, shelf).costs).toContain('All of it 25.10, of that to buy 4.00');
    expect(partsRows(drive, shelf)).toHaveLength(8);
  });
  test('without a shelf everything lacks and nothing breaks', () => {
    expect(fitReport(drive, []).parts.every((p) => p.lack > 0)).toBe(true);
    expect(fitReport(newDrive('bare'), []).parts.length).toBeGreaterThan(0);
  });
});

describe('the user’s own map of adjusters', () => {
  const map = 'wall screws: stiff → release; jack: rattles -> up; nonsense; : →';
  test('is read line by line, and what cannot be read is left out', () =>
    expect(readAdjusters(map)).toEqual([
      { name: 'wall screws', felt: 'stiff', act: 'release' },
      { name: 'jack', felt: 'rattles', act: 'up' },
    ]));
  test('a symptom points to what is felt by it', () => {
    expect(adjustersFor(map, 'The mesh is stiff').map((a) => a.name)).toEqual(['wall screws']);
    expect(adjustersFor(map, 'slight rattle').map((a) => a.name)).toEqual(['jack']);
    expect(adjustersFor(map, 'Stars trail')).toEqual([]);
    expect(adjustersFor(undefined, 'stiff')).toEqual([]);
  });
});
