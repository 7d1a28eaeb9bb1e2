import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { main } from './main.ts';

const folder = mkdtempSync(join(tmpdir(), 'pendrix-'));
const CUTTER = 'demo/orrery-wheel-cutter.pendrix.json';
const CRADLE = 'demo/night-meadow-camera-cradle.pendrix.json';
const SLIDE = 'demo/garden-film-slide.pendrix.json';
const HEAD = 'demo/sundial-plate-head.pendrix.json';

async function run(...words: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await main(words, { out: (t) => (out += `${t}\n`), err: (t) => (err += `${t}\n`) });
  return { code, out, err };
}

describe('pendrix check with duties', () => {
  test('rates, camera and arm in words', async () => {
    const { code, out } = await run('check', CRADLE);
    expect(code).toBe(0);
    expect(out).toContain('follows the stars and one more');
    expect(out).toMatch(/stars +Alternate 15 582 and 15 583 +15 582 6 211\/18 432 +0 ppm/);
    const arm = (await run('check', 'demo/meadow-barn-door.pendrix.json')).out;
    expect(arm).toContain('Tangent arm: Within ±20″');
    expect(arm).toContain('159.9998 steps a second of the motor');
  });
  test('a head turned by hand', async () => {
    const { out } = await run('check', HEAD);
    expect(out).toMatch(/77 +Even by compound +9 on 21 and 3 on 33 +plate 2/);
  });
  test('sweeps by figures', async () => {
    const { sweeps } = JSON.parse((await run('check', SLIDE, '--json')).out) as {
      sweeps: Record<string, unknown>[];
    };
    expect(sweeps[0]).toMatchObject({
      name: 'slide',
      steps: '384000',
      mean: '384000/479',
      range: 1260,
      grade: 'rounded',
    });
  });
});

describe('pendrix plates', () => {
  const set = ['--worm', '40', '--circles', '15,16,17,18,19,20;21,23,27,29,31,33'];
  test('in JSON and in words', async () => {
    const json = JSON.parse((await run('plates', ...set, '--divisions', '63', '--json')).out) as Record<
      string,
      unknown
    >;
    expect(json).toMatchObject({ turns: '40/63', simple: [], smallestNewCircle: 63, differential: [] });
    const { out } = await run('plates', ...set, '--divisions', '77', '--gears', '24,32,48');
    expect(out).toContain('smallest to make has 77 holes');
    expect(out).toMatch(/21 and 33 +9 and 3/);
    expect(out).toMatch(/80 +16 +8 +3\/2 +48 +32/);
    expect((await run('plates', ...set, '--divisions', '95')).out).toMatch(/19 +0 +8 +9/);
  });
  test('a plate to make', async () => {
    const list = JSON.parse((await run('plates', '--worm', '60', '--make', '26', '--json')).out) as {
      repeatsAfter: number;
      rows: unknown[];
    };
    expect([list.repeatsAfter, list.rows[1]]).toEqual([13, { hole: 1, wholeTurns: 2, degrees: '1440/13' }]);
    expect((await run('plates', '--worm', '60', '--make', '26', '--radius', '40')).out).toMatch(
      /^hole,crank \(turns\)/,
    );
    expect((await run('plates', '--worm', '60', '--make', '4', '--gcode')).out).toContain(
      'G81 X50.000 Y0.000',
    );
  });
  test.each([
    [['--circles', '15', '--divisions', '7'], '--worm'],
    [['--worm', 'x', '--circles', '15', '--divisions', '7'], '--worm'],
    [['--worm', '40', '--divisions', '7'], '--circles'],
    [['--worm', '40', '--circles', '15;x', '--divisions', '7'], '--circles'],
    [['--worm', '40', '--circles', '15', '--divisions', '0'], '--divisions'],
    [['--worm', '40', '--circles', '15', '--divisions', '7', '--gears', 'x'], '--gears'],
    [['--worm', '40', '--make', '1'], '--make'],
    [['--worm', '40', '--make', '5', '--radius', '0'], '--radius'],
    [['file'], 'file'],
  ])('%j is bad input', async (words, named) => {
    const { code, out, err } = await run('plates', ...words);
    expect([code, out, err.trim().split('\n').length, err.includes(named)]).toEqual([2, '', 1, true]);
  });
});

describe('pendrix export', () => {
  test('constants, moves and tables', async () => {
    expect((await run('export', CRADLE, '--as', 'cheader')).out).toContain('#define STARS_NUM 6211U');
    expect((await run('export', SLIDE, '--as', 'gcode')).out).toContain(
      'G0 X480.000000 A60.000000 ; frame 480',
    );
    expect((await run('export', SLIDE, '--as', 'csv', '--of', 'sweep-1')).out).toContain('\n480,1916,');
    expect((await run('export', CUTTER, '--as', 'csv')).out).toMatch(/^divisions,grade/);
    expect((await run('export', CUTTER, '--as', 'csv', '--divisions', '73')).out).toMatch(/^gap,move/);
    expect((await run('export', CUTTER, '--as', 'gcode', '--divisions', '4')).out).toContain(
      'G0 A270.000000',
    );
  });
  test('to a file', async () => {
    const path = join(folder, 'cradle.h');
    expect((await run('export', CRADLE, '--as', 'cheader', '--out', path)).code).toBe(0);
    expect(readFileSync(path, 'utf8')).toContain('#endif');
  });
  test.each([
    [[CUTTER], '--as'],
    [[CUTTER, '--as', 'pdf'], 'cheader, gcode, csv, svg, dxf'],
    [[CUTTER, '--as', 'cheader'], 'rates'],
    [[CUTTER, '--as', 'gcode'], 'sweeps'],
    [[CUTTER, '--as', 'csv', '--of', 'moons'], 'divisions'],
    [[CUTTER, '--as', 'csv', '--divisions', '0'], '--divisions'],
    [[CRADLE, '--as', 'cheader', '--out', join(folder, 'no', 'where.h')], 'ENOENT'],
    [['nowhere.json', '--as', 'csv'], 'nowhere.json'],
  ])('%j is refused', async (words, named) => {
    const { code, out, err } = await run('export', ...words);
    expect([code, out, err.includes(named)]).toEqual([2, '', true]);
  });
  test('a drive that asks nothing has no table', async () => {
    const path = join(folder, 'bare.pendrix.json');
    writeFileSync(
      path,
      JSON.stringify({
        format: 'pendrix-drive',
        version: 1,
        name: 'bare',
        train: { source: { kind: 'stepper', fullSteps: 200, modes: [1], mode: 1 }, stages: [] },
      }),
    );
    expect((await run('export', path, '--as', 'csv')).err).toContain('makes a table');
  });
});

describe('pendrix simulate', () => {
  test('a record of following: so many rows, one seed one text, another seed another', async () => {
    const of = async (...more: string[]) =>
      (await run('simulate', CRADLE, '--seconds', '60', '--csv', ...more)).out;
    const rows = (await of('--seed', '7')).trim().split('\n');
    expect(rows[0]).toBe('time_s,error_arcsec');
    expect(rows).toHaveLength(602);
    expect(rows[1]).toBe('0.0,0.000000');
    expect(await of('--seed', '7')).toBe(await of());
    expect(await of('--seed', '8')).not.toBe(await of());
    expect((await of('--every', '1')).trim().split('\n')).toHaveLength(62);
  });
  test('in words, with what comes again', async () => {
    const { out } = await run('simulate', CRADLE);
    expect(out).toMatch(/^3 600 s with seed 7: \d+\.\d+″ from least to greatest/);
    expect(out).toMatch(/worm run-out +±35\.81″ +estimate/);
  });
  test('a wheel', async () => {
    const { out } = await run('simulate', CUTTER, '--divisions', '73', '--csv');
    const rows = out.trim().split('\n');
    expect([rows[0], rows.length]).toEqual(['index,error_arcsec', 74]);
    expect((await run('simulate', CUTTER, '--divisions', '73')).out).toContain('73 gaps with seed 7');
  });
  test.each([
    [['simulate', CUTTER], 'nothing is followed'],
    [['simulate', CRADLE, '--seconds', '-3'], '--seconds: -3 is negative'],
    [['simulate', CRADLE, '--seconds', '9999999'], '--seconds: 9999999 is above 500000 s'],
    [['simulate', CRADLE, '--seed', 'x'], '--seed: x is not a number'],
    [['simulate', CRADLE, '--every', '0'], '--every'],
    [['simulate', CUTTER, '--divisions', '9000'], '--divisions: 9000 is above 5000'],
    [['simulate', CUTTER, '--divisions', '73', '--seconds', '9'], 'takes no --seconds'],
    // what has no circle is not divided
    [['simulate', HEAD, '--divisions', '4999'], 'train.source.kind'],
  ])('%j is refused', async (words, message) => {
    const { code, err } = await run(...words);
    expect([code, err]).toEqual([2, expect.stringContaining(message)]);
  });
});

describe('pendrix make', () => {
  test('the cut list, and one wheel drawn', async () => {
    const { out, code } = await run('make', CUTTER, '--as', 'csv');
    expect(code).toBe(0);
    expect(out.split('\n')[0]).toBe(
      'wheel,teeth,outside (mm),root (mm),depth (mm),thickness (mm),shift,span teeth,span (mm),pins (mm),over pins (mm),cutter range,cutter custom A,cutter custom B,module (mm),module from,helix (deg),distance (mm)',
    );
    expect(out.split('\n')[1]).toMatch(/^3,90,92,87\.5,2\.25,1\.5708,0,/);
    expect((await run('make', CUTTER, '--wheel', '3', '--as', 'dxf')).out).toContain('LWPOLYLINE');
    expect((await run('make', CUTTER)).out).toContain('custom A');
    // the first train of an orrery has no wheel; the next that has is told
    const orrery = await run('make', 'demo/walnut-orrery.pendrix.json', '--as', 'csv');
    expect([orrery.code, orrery.out.split('\n')[1]!.split(',')[0]]).toEqual([0, '1']);
  });
  test.each([
    [['make', CUTTER, '--wheel', '9'], '--wheel: there is no wheel 9'],
    [['make', CUTTER, '--wheel', '0'], '--wheel'],
    [['make', CUTTER, '--as', 'stl'], '--as: stl is not one of the choices'],
    [['make', CUTTER, '--as', 'svg'], '--wheel is missing'],
    [['make', SLIDE], 'no wheels to cut'],
  ])('%j is refused', async (words, message) => {
    const { code, err } = await run(...words);
    expect([code, err]).toEqual([2, expect.stringContaining(message)]);
  });
});

describe('pendrix pack', () => {
  test('writes a folder, and not over what is there', async () => {
    const out = join(folder, 'pack');
    const { code, out: told } = await run(
      'pack',
      CUTTER,
      '--out',
      out,
      '--shelf',
      'demo/lantern-hill.shelf.json',
    );
    expect([code, told]).toEqual([0, expect.stringMatching(/^\d+ files written to .*build-pack\.html/)]);
    expect(readFileSync(join(out, 'parts.csv'), 'utf8')).toContain('belt of 158');
    expect(readFileSync(join(out, 'drawings', 'wheel-3.svg'), 'utf8')).toContain('<svg');
    const again = await run('pack', CUTTER, '--out', out);
    expect([again.code, again.err]).toEqual([2, expect.stringContaining('is not empty')]);
  });
  test('wants a folder, a drive, and a shelf that is one', async () => {
    expect((await run('pack', CUTTER)).err).toContain('--out');
    expect((await run('pack', 'nothing.json', '--out', join(folder, 'p2'))).code).toBe(2);
    expect((await run('pack', CUTTER, '--out', join(folder, 'p3'), '--shelf', CUTTER)).code).toBe(2);
    expect((await run('pack', CUTTER, '--out', CUTTER)).err).toContain('cannot be written');
  });
});

describe('pendrix fit', () => {
  const record = join(folder, 'record.csv');
  const wheel = join(folder, 'wheel.csv');
  test('a record that the drive made itself gives its worm back', async () => {
    writeFileSync(record, (await run('simulate', CRADLE, '--seconds', '3600', '--every', '5', '--csv')).out);
    const found = JSON.parse((await run('fit', CRADLE, record, '--rate', 'stars', '--json')).out) as {
      components: { cause: string; periodS: number; amplitudeArcsec: number | null; state: string }[];
      driftArcsecPerHour: number;
    };
    const worm = found.components[0]!;
    expect(worm.cause).toContain('worm run-out');
    expect(worm.periodS).toBeCloseTo(598.36, 1);
    expect(worm.amplitudeArcsec).toBeGreaterThan(30);
    expect(found.components.find((c) => c.cause === 'wheel run-out')).toMatchObject({
      state: 'tooShort',
      amplitudeArcsec: null,
    });
    const { out } = await run('fit', CRADLE, record);
    expect(out).toMatch(/Too short to tell: wheel run-out, 23\.9 h/);
    expect(out).toMatch(/Drift \+.* an hour, \+\d+ ppm, it runs fast; left over/);
  });
  test('a divided wheel in words and as JSON', async () => {
    const rows = Array.from({ length: 73 }, (_, i) => `${i},${i >= 30 ? 90 : 0}`);
    writeFileSync(wheel, `index,error_arcsec\n${rows.join('\n')}\n`);
    expect((await run('fit', CUTTER, wheel, '--divided')).out).toContain(
      'a jump that stays, 90.00″ at tooth 31',
    );
    expect(JSON.parse((await run('fit', CUTTER, wheel, '--divided', '--json')).out)).toMatchObject({
      best: { shape: 'jump', at: 30 },
    });
  });
  test.each([
    ['time_s,error_arcsec\n0,1\n1,two\n', 'line 3, column error_arcsec'],
    ['seconds,error\n0,1\n', 'no column of readings'],
    ['error_arcsec\n1\n', 'time_s'],
    ['time_s,error_arcsec\n0,1\n', '1 reading says nothing'],
    ['', 'no column of readings'],
    ['<html><body>', 'no column of readings'],
  ])('what is no record is refused by its place: %j', async (text, says) => {
    writeFileSync(record, text);
    const { code, err } = await run('fit', CRADLE, record);
    expect([code, err]).toEqual([2, expect.stringContaining(says)]);
  });
  test('columns that the heads do not tell are said', async () => {
    writeFileSync(
      record,
      `frame;min;dev x\n${Array.from({ length: 40 }, (_, i) => `${i};${i};${3 * i}`).join('\n')}\n`,
    );
    const { out } = await run('fit', CRADLE, record, '--columns', ',time_min,error_arcsec');
    expect(out).toContain('Drift +3.00′ an hour');
    const { code, err } = await run('fit', CRADLE, record, '--columns', 'minutes');
    expect([code, err]).toEqual([2, expect.stringContaining('time_min')]);
  });
  test('pixels want a camera, a rate its name, and two files', async () => {
    writeFileSync(record, 'time_s;error_px\n0;1,5\n1;2,5\n');
    expect((await run('fit', 'demo/tide-dial.pendrix.json', record)).err).toMatch(
      /pixels need a camera|no rate/,
    );
    expect((await run('fit', CRADLE, record, '--rate', 'mars')).err).toContain('stars');
    expect((await run('fit', CRADLE)).err).toContain('the record');
    expect((await run('fit', CUTTER, record)).err).toMatch(/rate/);
  });
});
