import { describe, expect, test } from '@jest/globals';
import DxfParser, { type ILineEntity } from 'dxf-parser';
import { newDrive, type Drive, type Stage } from '../drive/index.ts';
import { madeWheels } from '../make/index.ts';
import { blankOf, gearOutline } from '../teeth/index.ts';
import { exportDrive } from './formats.ts';

const drive: Drive = {
  ...newDrive('Head'),
  job: { divisions: '73', blank: { moduleMm: 0.5, boreMm: 4 } },
  train: {
    ...newDrive('x').train,
    stages: [
      { kind: 'belt', z1: 20, z2: 76, pitchMm: 2, beltTeeth: 100 },
      { kind: 'spur', z1: 20, z2: 60, moduleMm: 1, playMm: 0.04, inBoreMm: 5 },
      { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 },
    ] as readonly Stage[],
  },
  plates: { plates: [[15, 63], [49]] },
};
interface Entity {
  readonly type: string;
  readonly layer: string;
  readonly center?: { readonly x: number; readonly y: number };
  readonly radius?: number;
  readonly vertices?: readonly { readonly x: number; readonly y: number }[];
  readonly shape?: boolean;
}
const text = (as: 'dxf' | 'svg' | 'csv' | 'gcode', options: object): string => {
  const made = exportDrive(drive, as, options);
  expect(made.ok || made.refusal).toBe(true);
  return made.ok ? made.value : '';
};
const parsed = (options: object): readonly Entity[] =>
  new DxfParser().parseSync(text('dxf', options))!.entities;
const refusal = (options: object, as: 'dxf' | 'csv' | 'gcode' = 'dxf') => {
  const made = exportDrive(drive, as, options);
  return made.ok ? null : [made.refusal.code, made.refusal.limit];
};

describe('a plate, read back by another reader', () => {
  test('63 holes on 60 mm, each within 0.001 mm; hole 2 at 29.405, 5.944 on 30', () => {
    const holes = parsed({ of: 'plate-0', circle: 63, radius: [60, 60] }).filter(
      (e) => e.type === 'CIRCLE' && e.layer === 'HOLES',
    );
    expect(holes).toHaveLength(63);
    holes.forEach((h, i) => {
      const a = (2 * Math.PI * i) / 63;
      expect(Math.abs(h.center!.x - 60 * Math.cos(a))).toBeLessThan(0.001);
      expect(Math.abs(h.center!.y - 60 * Math.sin(a))).toBeLessThan(0.001);
    });
    const on30 = parsed({ of: 'plate-0', circle: 63, radius: [30, 30] }).filter((e) => e.layer === 'HOLES');
    expect(on30[2]!.center!.x).toBeCloseTo(29.405, 3);
    expect(on30[2]!.center!.y).toBeCloseTo(5.944, 3);
  });
  test('all circles of a plate, evenly between two radii', () => {
    const circles = parsed({ of: 'plate-0', radius: [40, 90] });
    expect(circles.filter((e) => e.layer === 'HOLES')).toHaveLength(15 + 63);
    const rings = circles.filter((e) => e.layer === 'CENTRE' && e.type === 'CIRCLE').map((e) => e.radius);
    expect(rings).toEqual([40, 90]);
  });
  test('its list and its moves hold the same places; SVG turns y down', () => {
    const rows = text('csv', { of: 'plate-1', radius: [30, 30] })
      .trim()
      .split('\n');
    expect(rows).toHaveLength(50);
    expect(rows[1]).toBe('49,0,30.000,0.000,0');
    const moves = text('gcode', { of: 'plate-1', radius: [30, 30] });
    expect(moves.match(/^(G81 )?X/gm)).toHaveLength(49);
    const svg = text('svg', { of: 'plate-1', radius: [30, 30] });
    const [, w, h] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!;
    expect(svg).toContain(`viewBox="0 0 ${w} ${h}"`);
    expect(svg.match(/<circle/g)!.length).toBe(49 + 2);
  });
});

describe('wheels and dials', () => {
  test('the outline in the file is the outline: every point within 1 µm, closed, in mm', () => {
    const [rim] = parsed({ of: 'wheel-3' }).filter((e) => e.type === 'LWPOLYLINE');
    const gear = madeWheels(drive)[2]!.gear!;
    const want = gearOutline(gear);
    expect(rim!.vertices).toHaveLength(want.length);
    want.forEach(([x, y], i) => {
      expect(Math.abs(rim!.vertices![i]!.x - x)).toBeLessThan(0.001);
      expect(Math.abs(rim!.vertices![i]!.y - y)).toBeLessThan(0.001);
    });
    expect(rim!.shape).toBe(true);
    expect(text('dxf', { of: 'wheel-3' })).toMatch(/\$INSUNITS\s+70\s+4\b/);
    const bore = parsed({ of: 'wheel-3' }).find((e) => e.layer === 'HOLES');
    expect(bore!.radius).toBe(2.5);
  });
  test('a wheel of the work like the blank of the job', () => {
    const entities = parsed({ of: 'work-73' });
    const pitch = entities.find((e) => e.layer === 'CENTRE' && e.type === 'CIRCLE');
    expect(pitch!.radius).toBe(73 * 0.25);
    expect(entities.find((e) => e.layer === 'HOLES')!.radius).toBe(2);
    expect(blankOf(madeWheels(drive)[3]!.gear!).outsideMm).toBe(62);
  });
  test('a dial of 360 has its lines, a vernier of ten parts eleven', () => {
    const lines = (of: string, more: object = {}) =>
      parsed({ of, ...more }).filter((e) => e.type === 'LINE' && e.layer === 'OUTLINE').length;
    expect(lines('dial')).toBe(360);
    expect(lines('dial', { lines: 72 })).toBe(72);
    expect(lines('vernier', { lines: 360, parts: 10 })).toBe(11);
  });
  test('what is not there is refused by what there is', () => {
    expect(refusal({ of: 'wheel-9' })).toEqual(['noWheel', '5']);
    expect(refusal({ of: 'plate-7' })).toEqual(['noPlate', '1']);
    expect(refusal({ of: 'plate-0', circle: 17 })).toEqual(['noCircle', '15, 63']);
    expect(refusal({ of: 'gear' })![0]).toBe('notAChoice');
    expect(refusal({ of: 'dial' }, 'gcode')).toEqual(['notAChoice', 'plate-0']);
    const thin = {
      ...drive,
      train: { ...drive.train, stages: [{ kind: 'spur', z1: 8, z2: 40, shift: 1.5 } as never] },
    };
    const made = exportDrive(thin, 'dxf', { of: 'wheel-1' });
    expect(!made.ok && made.refusal.code).toBe('pointedTeeth');
  });
});

describe('what is drawn how', () => {
  const stages = (...list: readonly Stage[]): Drive => ({
    ...newDrive('drawn'),
    train: { ...newDrive('drawn').train, stages: list },
  });
  const entities = (drive: Drive, of: string) => {
    const made = exportDrive(drive, 'dxf', { of });
    if (!made.ok) throw new Error(made.refusal.code);
    return new DxfParser().parseSync(made.value)!.entities;
  };
  const spur = (z1: number, z2: number, more: object = {}): Stage => ({
    kind: 'spur',
    z1,
    z2,
    moduleMm: 1,
    ...more,
  });

  test('only what lies behind the plate is dashed', () => {
    const dashes = (layer: number) =>
      entities(stages(spur(20, 60, { layer })), 'arbors')
        .filter((e) => e.type === 'CIRCLE' && e.layer === 'OUTLINE')
        .map((e) => e.lineType === 'DASHED');
    expect(dashes(-1)).toEqual([true, true]);
    expect(dashes(1)).toEqual([false, false]);
  });
  test('a centre has a cross, as high as it is wide', () => {
    const lines = entities(stages(spur(20, 60)), 'wheel-1').filter(
      (e) => e.type === 'LINE' && e.layer === 'CENTRE',
    );
    const size = (axis: 'x' | 'y'): number =>
      Math.max(
        ...lines.map((l) =>
          Math.abs((l as ILineEntity).vertices[0]![axis] - (l as ILineEntity).vertices[1]![axis]),
        ),
      );
    expect(lines.length).toBeGreaterThan(1);
    expect(size('y')).toBeGreaterThan(1);
    expect(size('y')).toBeCloseTo(size('x'), 9);
  });
  test('two pairs between the same arbors have one distance on the plan', () => {
    const there = stages(spur(20, 60), spur(20, 60, { axis: 'hands' }));
    const back = { ...there, train: { ...there.train, source: { ...there.train.source, axis: 'hands' } } };
    const texts = (drive: Drive) =>
      entities(drive, 'arbors').filter(
        (e) => e.type === 'TEXT' && /^40\b/.test((e as unknown as { text: string }).text),
      );
    expect([texts(there).length, texts(back).length]).toEqual([2, 1]);
  });
  test('moves that a drive has no room for are refused, not written', () => {
    const plain = stages(spur(20, 60));
    const short = { ...plain, train: { ...plain.train, limits: { back: '0', forth: '1/4' } } } as Drive;
    const made = exportDrive(short, 'gcode', { divisions: 12 });
    expect(made.ok).toBe(false);
    expect(made.ok ? '' : made.refusal.code.length).toBeGreaterThan(3);
    expect(exportDrive(plain, 'gcode', { divisions: 12 }).ok).toBe(true);
  });
});
