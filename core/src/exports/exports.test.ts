import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { kinematicsOf, newDrive, pathOf, trainsOf, type Drive } from '../drive/index.ts';
import { dividerOf } from '../divide/index.ts';
import { readDrive } from '../files/index.ts';
import { planRun } from '../plans/index.ts';
import { report } from '../report/index.ts';
import { plainSigns } from '../words/index.ts';
import { allDuties as full, driveOf, wheelCutter } from '../testing/samples.ts';
import {
  divisionsCsv,
  exportDrive,
  exportFormats,
  exportOptions,
  isExportId,
  offersOf,
  packFiles,
  readExportOptions,
  sheetCsv,
  tablesOf,
  type ExportId,
  type ExportOptions,
} from './index.ts';

/** Demo drives with everything that is offered: trees, plates, slides, rates, wheels. */
const OFFERING = [
  'walnut-orrery',
  'sundial-plate-head',
  'orchard-slide-and-pan',
  'night-meadow-camera-cradle',
];

/** What a drive is written as, or why it is not. */
const written = (drive: Drive, as: ExportId, options: ExportOptions = {}): string => {
  const text = exportDrive(drive, as, options);
  return text.ok ? text.value : text.refusal.code;
};

describe('what is exported', () => {
  test('a C header: whole numbers with their width, names made safe', () => {
    const text = written({ ...full, name: 'Sun & moon */ dial' }, 'cheader');
    expect(text).toContain('#ifndef PENDRIX_SUN_MOON_DIAL_H');
    expect(text).not.toMatch(/\*\/ dial/);
    expect(text).toContain('#define STARS_TICKS 19682U\n#define STARS_NUM 13891U\n#define STARS_DEN 14592U');
    expect(text).toContain('#define HOUR_WHEEL_FORWARD 0');
    expect(written(newDrive('bare'), 'cheader')).toBe('nothingToExport');
    expect(written({ ...full, timer: { tickHz: '1' } }, 'cheader')).toBe('nothingToExport');
    const twice = written(
      { ...full, job: { ...full.job, rates: [{ kind: 'stars' }, { kind: 'stars' }] } },
      'cheader',
    );
    expect(twice).toContain('#define STARS_2_TICKS');
  });
  test('G-code of a sweep frame by frame, of a division place by place', () => {
    const sweep = written(full, 'gcode').split('\n');
    expect(sweep.filter((l) => l.startsWith('G0'))).toHaveLength(5);
    expect(sweep).toContain('G0 A90.000000 ; frame 5');
    expect(sweep).toEqual(
      expect.arrayContaining([
        'G21',
        'G90',
        'G4 P0.500 ; settle',
        'G4 P2.000 ; expose',
        '; shutter, frame 3',
      ]),
    );
    const seven = written(full, 'gcode', { divisions: 7 });
    expect(seven).toContain('G0 A51.428571 ; place 1 of 7');
    expect(seven).toContain('3040 microsteps a degree');
    expect(written(newDrive('bare'), 'gcode')).toBe('nothingToExport');
  });
  test('G-code waits at every gap, and passes through where it only rewinds', () => {
    const drive = driveOf(200, 16, [{ kind: 'worm', starts: 1, wheel: 40 }], '4');
    const corded = { ...drive, train: { ...drive.train, limits: { back: '0', forth: '1', why: 'a cord' } } };
    const lines = written(corded, 'gcode', { divisions: 4 }).split('\n');
    const moves = lines.flatMap((line, i) =>
      line.startsWith('G0') ? [[line.split('; ')[1], lines[i + 1] === 'M0']] : [],
    );
    expect(moves).toEqual([
      ['place 0 of 4', true],
      ['place 1 of 4', true],
      ['place 2 of 4', true],
      ['place 3 of 4', true],
      ['rewind to the start', false],
    ]);
  });
  test('every table of a drive by its name', () => {
    const tables = tablesOf(full);
    expect([...tables.keys()]).toEqual([
      'divisions',
      'rates',
      'camera',
      'altAz',
      'sweep-0',
      'spin-0',
      'knob',
      'controller',
      'plates',
      'arbors',
      'parts',
      'fits',
      'wheels',
      'work',
    ]);
    expect(tables.get('sweep-0')!.text()).toBe(
      'frame,second,microsteps,target\n1,,0,0\n2,,68400,68400\n3,,68400,136800\n4,,68400,205200\n5,,68400,273600\n',
    );
    expect(tables.get('rates')!.text().split('\n')).toHaveLength(8);
    expect(tables.get('knob')!.text().split('\n')[1]).toBe('turns across the range,342,342,,');
    expect(tables.get('plates')!.text()).toContain('\n77,compound,21,,9,33,3,\n');
  });
  test('CSV: a table by its name, the first unless one is named, the sheet of a count', () => {
    expect(written(full, 'csv', { of: 'knob' })).toBe(tablesOf(full).get('knob')!.text());
    expect(written(full, 'csv')).toBe(tablesOf(full).get('divisions')!.text());
    expect(written(full, 'csv', { of: 'moon' })).toBe('notAChoice');
    expect(written(newDrive('bare'), 'csv')).toBe('nothingToExport');
    expect(written(full, 'csv', { divisions: 95 }).split('\n')[2]).toContain('11520');
  });
  test('an option that a format does not take is refused, and so is one that cannot be read', () => {
    expect(written(full, 'cheader', { axes: 'slide=X' })).toBe('noOption');
    const read = (key: string, text: string): string => {
      const options = readExportOptions(new Map([[key, text]]));
      return options.ok
        ? JSON.stringify(options.value)
        : `${options.refusal.code} at ${options.refusal.path}`;
    };
    expect(read('dwell', 'ms')).toBe('{"dwell":"ms"}');
    expect(read('dwell', 'minutes')).toBe('notAChoice at --dwell');
    expect(read('shutter', 'M240; G0')).toBe('badValue at --shutter');
    expect(read('divisions', '0')).toBe('zero at --divisions');
    expect(read('divisions', '7')).toBe('{"divisions":7}');
  });
});

describe('tables', () => {
  test('CSV reads back with every number as it was', () => {
    const divider = dividerOf(
      wheelCutter('60, 73, 95, 97'),
      kinematicsOf(wheelCutter('60, 73, 95, 97')),
      null,
    )!;
    const divisions = Papa.parse<Record<string, string>>(divisionsCsv(divider, [60, 73]), {
      header: true,
      skipEmptyLines: true,
    });
    expect(divisions.errors).toEqual([]);
    expect(divisions.data[1]).toMatchObject({
      divisions: '73',
      grade: 'rounded',
      'step (microsteps)': '1094400/73',
      'missing factor': '73',
      'worst error (arcsec)': '0.583994232',
      'rounding, of the whole error': '',
    });
    // with what else errs beside it, as the page tells it
    const { errors } = report(wheelCutter('60, 73')).of;
    const shareOf = (count: number) => errors.shareOf(count);
    const shares = Papa.parse<Record<string, string>>(divisionsCsv(divider, [60, 73], shareOf), {
      header: true,
    }).data;
    expect(shares.slice(0, 2).map((r) => r['rounding, of the whole error'])).toEqual(['', shareOf(73)!.text]);
    expect(shareOf(73)!.text).toMatch(/% of ±/);
    const sheet = sheetCsv(planRun(wheelCutter('60, 73, 95, 97'), 95)!);
    expect(sheet.includes('\r')).toBe(false);
    const rows = Papa.parse<Record<string, string>>(sheet, { header: true, skipEmptyLines: true }).data;
    expect([rows[1]?.['gap'], rows[1]?.['move'], rows[95]?.['gap'], rows[95]?.['move']]).toEqual([
      '2',
      '1',
      '96',
      '95',
    ]);
    expect([
      rows.length,
      rows[1]?.['target (microsteps)'],
      rows[1]?.['motor (turns)'],
      rows[95]?.['angle (deg)'],
    ]).toEqual([96, '11520', '18/5', '360.000000000']);
  });
  test('a sheet of resting places gives the motor as it stands at the rest, not at what was asked', () => {
    const ring = driveOf(200, 16, [{ kind: 'geneva', slots: 6 }], '4');
    const sheet = Papa.parse<Record<string, string>>(sheetCsv(planRun(ring, 4)!), {
      header: true,
      skipEmptyLines: true,
    });
    // a quarter of six places is one and a half: the wheel rests at 2, which the motor reaches in two turns
    expect(sheet.data[1]).toMatchObject({
      'exact (rests)': '3/2',
      'target (rests)': '2',
      'source (turns)': '2',
    });
  });
});

describe('every format', () => {
  test.each(Object.entries(exportFormats))('%s says what it is, and writes the same twice', (id, format) => {
    expect(isExportId(id)).toBe(true);
    expect([format.title, format.extension, format.type].every((t) => t !== '')).toBe(true);
    expect(format.takes.every((key) => key in exportOptions)).toBe(true);
    const once = exportDrive(full, id as ExportId);
    expect(once.ok).toBe(true);
    expect(exportDrive(full, id as ExportId)).toEqual(once);
  });
});

describe('signs that no format allows', () => {
  const hostile = 'Mill\u0000 \u202egear\u2066 \ufffe\ud800 wheel’s\u0007';
  const drive: Drive = { ...wheelCutter('73'), name: hostile };
  const bad = /[\p{Cs}\ufffe\uffff\u202a-\u202e\u2066-\u2069]|(?![\n\t\r])\p{Cc}/u;

  test('are left out of every file, and the rest of the name stays', () => {
    expect(plainSigns(hostile)).toBe('Mill gear  wheel’s');
    expect(plainSigns('one\ttwo\nthree é 𝄞')).toBe('one\ttwo\nthree é 𝄞');
    const asked: Drive = { ...full, name: hostile, train: { ...full.train, stages: drive.train.stages } };
    const made = (Object.keys(exportFormats) as ExportId[]).flatMap((id) => {
      const file = exportDrive(asked, id, {});
      return file.ok ? [[id, file.value] as const] : [];
    });
    expect(made.length).toBeGreaterThan(2);
    expect(made.filter(([, text]) => bad.test(text)).map(([id]) => id)).toEqual([]);
  });

  test('whatever is offered of a drive can be written, under a name of its own, and is in its pack', () => {
    for (const name of OFFERING) {
      const read = readDrive(
        readFileSync(new URL(`../../../demo/${name}.pendrix.json`, import.meta.url), 'utf8'),
      );
      if (!read.ok) throw new Error(name);
      const offers = trainsOf(read.value).flatMap((_, i) => {
        const { drive } = pathOf(read.value, i);
        const own = offersOf(drive);
        for (const { as, options, file } of own)
          expect([name, file, exportDrive(drive, as, options).ok]).toEqual([name, file, true]);
        const files = own.map((o) => `${o.file}.${exportFormats[o.as].extension}`);
        expect(new Set(files).size).toBe(files.length);
        return files;
      });
      const pack = packFiles(read.value, []);
      if (!pack.ok) throw new Error(name);
      const packed = pack.value.map((f) =>
        f.name.replace(/^(?!run-sheets|drawings|drilling|moves)[^/]+\//, ''),
      );
      expect(packed).toEqual(expect.arrayContaining(offers));
    }
  });
});
