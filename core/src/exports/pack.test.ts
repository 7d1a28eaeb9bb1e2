import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import DxfParser from 'dxf-parser';
import Papa from 'papaparse';
import { newDrive, type Drive, type Stage } from '../drive/index.ts';
import { readDrive } from '../files/index.ts';
import { setupOf } from '../make/index.ts';
import { exportDrive } from './formats.ts';
import { packFiles } from './pack.ts';
import { packPage } from './pack-page.ts';

const files = (drive: Drive): ReadonlyMap<string, string> => {
  const made = packFiles(drive, []);
  expect(made.ok).toBe(true);
  return new Map(made.ok ? made.value.map((f) => [f.name, f.text]) : []);
};
const driveOf = (name: string, ...stages: readonly Stage[]): Drive => ({
  ...newDrive(name),
  job: { divisions: '60, 73' },
  train: { ...newDrive('x').train, stages },
});

describe('a build pack', () => {
  const drive = {
    ...driveOf('Head <b>& "co"', { kind: 'spur', z1: 20, z2: 60, moduleMm: 1 }),
    setup: { steps: setupOf(newDrive('x')) },
  };
  const pack = files(drive);
  test('holds the drive, the tables, run sheets and drawings, each read back by another reader', () => {
    const back = readDrive(pack.get('drive.pendrix.json')!);
    expect(back.ok && back.value).toEqual(drive);
    for (const [name, text] of pack)
      if (name.endsWith('.csv'))
        expect([name, Papa.parse(text, { skipEmptyLines: true }).errors]).toEqual([name, []]);
      else if (name.endsWith('.dxf'))
        expect(new DxfParser().parseSync(text)!.entities.length).toBeGreaterThan(0);
    expect([...pack.keys()]).toEqual(
      expect.arrayContaining([
        'run-sheets/73.csv',
        'drawings/wheel-2.dxf',
        'parts.csv',
        'fits.csv',
        'setup.csv',
      ]),
    );
    expect(Papa.parse(pack.get('setup.csv')!, { header: true, skipEmptyLines: true }).data).toHaveLength(9);
  });
  test('its page has every part, and no word of a drive becomes markup', () => {
    const page = pack.get('build-pack.html')!;
    expect(page).toContain('Head &lt;b&gt;&amp; &quot;co&quot;: build pack');
    for (const head of ['Parts', 'Fits', 'Set-up at the machine', 'Run sheets', 'Drawings, 1:1'])
      expect(page).toContain(`<h2>${head}</h2>`);
    expect(page.match(/<svg/g)!.length).toBeGreaterThanOrEqual(5);
    expect(page).toContain('a qualified person come before');
  });
  test('is the same each time, and refused where there is nothing to build', () => {
    expect([...files(drive)]).toEqual([...pack]);
    const bare = packFiles(newDrive('bare'), []);
    expect(bare.ok || bare.refusal.code).toBe('nothingToExport');
  });
  test('of several trains each has its folder, and the plan is that of all', () => {
    const orrery = readDrive(
      readFileSync(new URL('../../../demo/walnut-orrery.pendrix.json', import.meta.url), 'utf8'),
    );
    const names = [...files(orrery.ok ? orrery.value : newDrive('none')).keys()];
    expect(names).toContain('arbors.dxf');
    expect(new Set(names.filter((n) => n.endsWith('/parts.csv'))).size).toBeGreaterThan(1);
  });
});

describe('discs, Genevas and faces, read back', () => {
  const drive = driveOf(
    'Forms',
    { kind: 'cycloidal', lobes: 19, pins: 20, pitchMm: 5 },
    { kind: 'geneva', slots: 6, centreMm: 60, pinMm: 6 },
    { kind: 'cycloidPinion', lobes: 30, moduleMm: 2 },
  );
  const entities = (of: string) => {
    const made = exportDrive(drive, 'dxf', { of });
    return made.ok ? new DxfParser().parseSync(made.value)!.entities : [made.refusal.code];
  };
  const holes = (of: string) =>
    (
      entities(of) as unknown as readonly {
        layer: string;
        type: string;
        radius: number;
        center: { x: number; y: number };
      }[]
    ).filter((e) => e.layer === 'HOLES' && e.type === 'CIRCLE');
  test('twenty pins on a circle of 100/π mm about the eccentric', () => {
    const pins = holes('lobes-1');
    expect(pins).toHaveLength(20);
    const middle = pins.reduce((n, p) => n + p.center.x / 20, 0);
    for (const p of pins) expect(Math.hypot(p.center.x - middle, p.center.y)).toBeCloseTo(50 / Math.PI, 3);
  });
  test('a Geneva: its pin of 6 mm', () => expect(holes('slots-2').map((p) => p.radius)).toEqual([3]));
  test('a lobed wheel with its pinion', () => expect(entities('lobes-3').length).toBeGreaterThan(3));
  test('frame 17: four holes on 31.0 mm square, pilot 22', () => {
    const face = holes('motor-17');
    expect(face.map((h) => h.radius * 2)).toEqual([22, 3, 3, 3, 3]);
    expect(face.slice(1).map((h) => [Math.abs(h.center.x), Math.abs(h.center.y)])).toEqual(
      Array.from({ length: 4 }, () => [15.5, 15.5]),
    );
  });
  test('names that are none are refused', () => {
    expect(entities('lobes-2')).toEqual(['notAChoice']);
    expect(entities('motor-18')).toEqual(['notAChoice']);
  });
  test('the back plate is the front one seen from behind', () => {
    const pair = driveOf('Pair', { kind: 'spur', z1: 20, z2: 60, moduleMm: 1 });
    const of = (side: string): readonly number[] => {
      const made = exportDrive(pair, 'dxf', { of: side });
      return made.ok
        ? (
            new DxfParser().parseSync(made.value)!.entities as unknown as {
              layer: string;
              type: string;
              center: { x: number };
            }[]
          )
            .filter((e) => e.layer === 'HOLES' && e.type === 'CIRCLE')
            .map((e) => e.center.x)
        : [];
    };
    const [front, back] = [of('front'), of('back')];
    expect(front).toHaveLength(2);
    expect(Math.abs(front[0]! - front[1]!)).toBeCloseTo(40, 3);
    expect(back[1]! - back[0]!).toBeCloseTo(front[0]! - front[1]!, 3);
  });
});

describe('the page of a pack', () => {
  test('has the run sheet of each count, the first one too, and names the train of a figure where there are several', () => {
    const page = packPage(driveOf('Dial', { kind: 'spur', z1: 20, z2: 60, moduleMm: 1 }), []);
    expect(page).toContain('<h3>60 divisions');
    expect(page).toContain('<h3>73 divisions');
    const read = readDrive(
      readFileSync(new URL('../../../demo/walnut-orrery.pendrix.json', import.meta.url), 'utf8'),
    );
    if (!read.ok) throw new Error('the demo is refused');
    const named = /(Steps per turn|Worst error|Divisions|Rate|Speed|Force) \([A-Z]/;
    expect(packPage(read.value, [])).toMatch(named);
    expect(page).not.toMatch(named);
  });
});
