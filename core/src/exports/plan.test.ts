import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import dxfParser from 'dxf-parser';
import { arborPlan } from '../arbors/index.ts';
import { readDrive } from '../files/index.ts';
import { driveOf } from '../testing/samples.ts';
import { exportDrive, tablesOf } from './index.ts';

// the package is CommonJS: what it exports stands in its default
const DxfParser = (dxfParser as unknown as { default?: typeof dxfParser }).default ?? dxfParser;

const demo = readDrive(
  readFileSync(new URL('../../../demo/walnut-orrery.pendrix.json', import.meta.url), 'utf8'),
);
if (!demo.ok) throw new Error('the demo is refused');
const orrery = demo.value;
const plan = arborPlan(orrery);
const text = (as: 'dxf' | 'svg' | 'csv', options = {}): string => {
  const made = exportDrive(orrery, as, options);
  if (!made.ok) throw new Error(made.refusal.code);
  return made.value;
};

interface Circle {
  readonly type: string;
  readonly layer: string;
  readonly center: { readonly x: number; readonly y: number };
  readonly radius: number;
}

describe('the arbor plan as DXF, read back by another reader', () => {
  const read = new DxfParser().parseSync(text('dxf'))!;
  const circles = (layer: string): readonly Circle[] =>
    (read.entities as unknown as Circle[]).filter((e) => e.type === 'CIRCLE' && e.layer === layer);

  test('is in millimetres, with its layers, and names no other program', () => {
    expect(read.header['$INSUNITS']).toBe(4);
    expect(Object.keys(read.tables.layer.layers)).toEqual(
      expect.arrayContaining(['OUTLINE', 'HOLES', 'CENTRE', 'TEXT']),
    );
    expect(read.header['$LASTSAVEDBY']).toBe('Pendrix');
  });

  test('has a hole for each arbor, where it stands and as wide as it is', () => {
    const holes = circles('HOLES').map((c) => [c.center.x, c.center.y, 2 * c.radius]);
    expect(holes).toHaveLength(plan.arbors.length);
    for (const [i, a] of plan.arbors.entries())
      for (const [j, want] of [a.at.x, a.at.y, a.diameterMm].entries())
        expect(holes[i]![j]).toBeCloseTo(want, 6);
  });

  test('has each wheel at its outside diameter', () => {
    expect(circles('OUTLINE').map((c) => Number((2 * c.radius).toFixed(6)))).toEqual(
      plan.wheels.map((w) => Number(w.outsideMm.toFixed(6))),
    );
  });
});

describe('the arbor plan as SVG', () => {
  const svg = text('svg');
  const numbers = (pattern: RegExp): readonly number[][] =>
    [...svg.matchAll(pattern)].map((m) => m.slice(1).map(Number));

  test('is as many millimetres wide and high as its view box', () => {
    const [[w, h, vw, vh]] = numbers(
      /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/g,
    ) as [[number, number, number, number]];
    expect([w, h]).toEqual([vw, vh]);
  });

  test('holds distances: arbors 2 and 4 are 48 mm apart, and up is up', () => {
    const holes = /<g id="HOLES"[\s\S]*?<\/g>/.exec(svg)![0];
    const at = [...holes.matchAll(/cx="([\d.]+)" cy="([\d.]+)"/g)].map(
      (m) => [Number(m[1]), Number(m[2])] as const,
    );
    const [two, four] = [plan.arbors[2]!, plan.arbors[4]!];
    expect([two.name, four.name]).toEqual(['2', '4']);
    expect(at[4]![0] - at[2]![0]).toBeCloseTo(48, 3);
    // arbor 3 is above both
    expect(at[3]![1]).toBeLessThan(at[2]![1]);
  });

  test('a name with signs of its own stays a name', () => {
    const odd = exportDrive({ ...orrery, name: 'A <b> & "c"' }, 'svg');
    expect(odd.ok && odd.value).toContain('A &lt;b&gt; &amp; &quot;c&quot;');
  });
});

describe('the arbor plan as a table', () => {
  test('has a row for each wheel, with its layer and what it meshes with', () => {
    const rows = text('csv', { of: 'arbors' }).trim().split('\n');
    expect(rows).toHaveLength(1 + plan.wheels.length);
    expect(rows).toContain('2,pinned,0,0,5,18,F1,14.4,16,Mercury; Year; Moon,61 on 3; 49 on 5; 37 on 6');
  });

  test('there is none, and no drawing, where nothing meshes', () => {
    const alone = driveOf(200, 16, []);
    expect(tablesOf(alone).has('arbors')).toBe(false);
    for (const as of ['svg', 'dxf'] as const) {
      const made = exportDrive(alone, as);
      expect(made.ok ? '' : made.refusal.code).toBe('nothingToExport');
      const other = exportDrive(orrery, as, { of: 'face' });
      expect(other.ok ? '' : other.refusal.code).toBe('notAChoice');
      expect(other.ok ? '' : other.refusal.limit?.split(', ')).toContain('arbors');
    }
  });
});

describe('sweeps of several trains as one shot', () => {
  const read = readDrive(
    readFileSync(new URL('../../../demo/orchard-slide-and-pan.pendrix.json', import.meta.url), 'utf8'),
  );
  const slide = read.ok ? read.value : orrery;

  test('one line moves both axes, each by the letter of its train', () => {
    const made = exportDrive(slide, 'gcode', { axes: 'pan=B' });
    const lines = made.ok ? made.value.split('\n') : [];
    expect(lines.find((l) => l.startsWith('; X'))).toContain('Slide, mm, 240 microsteps a mm');
    expect(lines.find((l) => l.startsWith('; B'))).toContain('Pan, degrees, 1600/3 microsteps a degree');
    const frames = lines.filter((l) => l.startsWith('G0 X'));
    expect(frames).toHaveLength(240);
    expect(frames.at(-1)).toBe('G0 X900.000000 B120.000000 ; frame 240');
  });

  test('two sweeps of what one source turns are refused by name', () => {
    const [pan] = slide.others!;
    const { source: _, ...hung } = pan!;
    const one = { ...slide, others: [{ ...hung, from: { train: 'Slide', shaft: 1 } }] };
    const made = exportDrive(one, 'gcode');
    expect(made.ok ? '' : [made.refusal.code, made.refusal.given, made.refusal.limit]).toEqual([
      'twoSweeps',
      'Pan',
      'Slide',
    ]);
  });
});
