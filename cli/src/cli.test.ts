import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from '@jest/globals';
import { main } from './main.ts';

const demo = (name: string): string =>
  fileURLToPath(new URL(`../../demo/${name}.pendrix.json`, import.meta.url));
const CUTTER = demo('orrery-wheel-cutter');
const SLIDE = demo('engraver-slide');

async function run(...words: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await main(words, { out: (t) => void (out += t), err: (t) => void (err += t) });
  return { code, out, err };
}

const scratch = mkdtempSync(path.join(tmpdir(), 'pendrix-'));
function fileWith(text: string): string {
  const name = path.join(scratch, `${Math.random()}.json`);
  writeFileSync(name, text);
  return name;
}

describe('pendrix check', () => {
  test('--json answers the wheel cutter of the handbook', async () => {
    const { code, out } = await run('check', CUTTER, '--json');
    const answer = JSON.parse(out) as { stepsPerTurn: string; divisions: Record<string, unknown>[] };
    const row = (d: number) => answer.divisions.find((r) => r['divisions'] === d);
    expect([code, answer.stepsPerTurn]).toEqual([0, '1094400']);
    expect(row(95)).toMatchObject({ grade: 'even', coarsestMode: 1, step: '11520' });
    expect(row(60)).toMatchObject({ grade: 'even' });
    expect(row(73)).toMatchObject({
      step: '1094400/73',
      worstErrorSteps: '36/73',
      spacingErrorSteps: '57/73',
      closingErrorSteps: '16',
      missingFactor: '73',
    });
    expect(row(97)).toMatchObject({ closingErrorSteps: '-46' });
  });

  test('without it a table that can be read', async () => {
    const { code, out } = await run('check', CUTTER);
    expect(code).toBe(0);
    for (const part of [
      '1 094 400',
      'Rounded ±0.58″',
      '14 991 57/73',
      '+18.95″',
      'lacks 97',
      '73 and 97 do not divide',
    ])
      expect(out).toContain(part);
    expect(out).not.toContain('\u2009');
  });
});

describe('pendrix targets', () => {
  test('--json, --csv and the table agree', async () => {
    const json = JSON.parse((await run('targets', CUTTER, '--divisions', '73', '--json')).out) as {
      rows: { target: number }[];
    };
    const csv = (await run('targets', CUTTER, '--divisions=73', '--csv')).out.split('\n');
    const table = (await run('targets', CUTTER, '--divisions', '73')).out.split('\n');
    expect([json.rows.length, csv.length, table.length]).toEqual([74, 75, 75]);
    expect(json.rows[30]?.target).toBe(449753);
    expect(csv[31]?.split(',').slice(0, 4)).toEqual(['31', '30', '32832000/73', '449753']);
    expect(table[31]).toContain('147°56′42.7″');
  });

  test('marks along a slide: places in mm, exact but where π is left, home at the end', async () => {
    const asked = ['targets', SLIDE, '--divisions', '3', '--move'];
    const table = (await run(...asked, '2pi')).out.split('\n');
    expect(table[2]).toMatch(/12 566 .*−0\.19 µm +6\.2832 mm/);
    expect(table.at(-1)).toMatch(/^ *home /);
    const json = JSON.parse((await run(...asked, '1/8 in', '--json')).out) as {
      move: string;
      rows: { placeMm: number; exact: string }[];
    };
    expect([json.move, json.rows[2]!.placeMm, json.rows[2]!.exact]).toEqual(['1/8 in', 6.35, '12700']);
    expect((await run(...asked, '0.5', '--csv')).out.split('\n')[2]).toBe(
      '2,1,1000,1000,0,0.000000000,0.500000000,5/16,gap',
    );
  });
});

/** A drive file of one motor and these stages. */
const driveWith = (
  stages: readonly object[],
  more: { divisions?: string; source?: object; train?: object } = {},
): string =>
  fileWith(
    JSON.stringify({
      format: 'pendrix-drive',
      version: 1,
      name: 'bench',
      job: { divisions: more.divisions ?? '' },
      train: {
        source: more.source ?? { kind: 'stepper', fullSteps: 200, modes: [1, 16], mode: 16 },
        stages,
        ...more.train,
      },
    }),
  );
const set = { kind: 'planetary', sun: 13, ring: 47, planets: 4, fixed: 'ring', in: 'sun', out: 'carrier' };
const differential = {
  kind: 'stepped',
  fixed: 61,
  out: 60,
  planetFixed: 18,
  planetOut: 18,
  meshFixed: 'inner',
  meshOut: 'inner',
  planets: 6,
};
const twelve = (n: number): object[] => Array.from({ length: n }, () => ({ kind: 'spur', z1: 12, z2: 60 }));

describe('the examples of the handbook, by the terminal', () => {
  test.each<[string, object[], string]>([
    ['planetary 13/47', [set], '60/13'],
    ['two of them', [set, set], '3600/169'],
    ['stepped 61/60', [differential], '-60'],
    ['the same with a sun of 25', [{ ...differential, sun: 25 }], '-1032/5'],
    ['12:60 five times', twelve(5), '-3125'],
    ['12:60 eleven times', twelve(11), '-48828125'],
  ])('%s', async (_, stages, ratio) => {
    const { code, out } = await run('check', driveWith(stages), '--json');
    expect([code, (JSON.parse(out) as { ratio: string }).ratio]).toEqual([0, ratio]);
  });

  test('what a maker should know stands under the table', async () => {
    const { out } = await run('check', driveWith([set, differential]));
    expect(out).toContain('(13 + 47)/4 = 15: four planets fit.');
    expect(out).toContain('by 0, 5/6, 2/3, 1/2, 1/3, 1/6 of its teeth');
    const long = await run(
      'check',
      driveWith(twelve(11), { source: { kind: 'crank', marks: 100, rpm: '60' } }),
    );
    expect(long.out).toContain('At 60 rpm one turn of the work takes 565.14 days (1.55 years).');
    const misfit = await run('check', driveWith([{ ...set, planets: 5 }]), '--json');
    expect(
      (JSON.parse(misfit.out) as { misfits: { stage: number; message: string }[] }).misfits,
    ).toMatchObject([{ stage: 0, message: expect.stringContaining('17.63') }]);
  });

  test('the four-pair box, and what its label would have promised', async () => {
    const source = { kind: 'stepper', fullSteps: 32, modes: [1], mode: 1 };
    const box = {
      kind: 'box',
      pairs: [
        [9, 32],
        [11, 22],
        [9, 26],
        [10, 31],
      ],
    };
    const counted = JSON.parse(
      (await run('check', driveWith([box], { divisions: '10', source }), '--json')).out,
    ) as Record<string, unknown>;
    expect([counted['ratio'], counted['stepsPerTurn'], counted['turnsToClose']]).toEqual([
      '25792/405',
      '825344/405',
      '405',
    ]);
    expect(counted['divisions']).toMatchObject([
      { worstErrorSteps: '971/2025', returnErrorSteps: '46/405', closingErrorSteps: '856/405' },
    ]);
    const label = driveWith([{ kind: 'box', ratio: '64' }], { divisions: '10, 64', source });
    const promised = JSON.parse((await run('check', label, '--json')).out) as {
      divisions: { grade: string; ifExact?: boolean }[];
    };
    expect(promised.divisions.map((d) => [d.grade, d.ifExact])).toEqual([
      ['rounded', true],
      ['even', true],
    ]);
    expect((await run('check', label)).out).toContain('Even if exactly 64 : 1');
  });

  test('a Geneva locks, a rack keeps its π, a source without steps is unknown', async () => {
    const geneva = JSON.parse(
      (await run('check', driveWith([{ kind: 'geneva', slots: 6 }], { divisions: '3, 4' }), '--json')).out,
    ) as { divisions: { grade: string }[] };
    expect(geneva.divisions.map((d) => d.grade)).toEqual(['even', 'misses']);
    const rack = driveWith([], { train: { output: { kind: 'rack', teeth: 20, moduleMm: '1' } } });
    const travel = JSON.parse((await run('check', rack, '--json')).out) as { travelPerTurnMm: unknown };
    expect(travel.travelPerTurnMm).toEqual({ q: '20', piPower: 1 });
    const mains = driveWith([], { divisions: '60', source: { kind: 'synchronous', hz: '50', poles: 12 } });
    const none = JSON.parse((await run('check', mains, '--json')).out) as {
      stepsPerTurn: null;
      divisions: { grade: string; step: null }[];
      secondsPerTurn: number;
    };
    expect([none.stepsPerTurn, none.divisions[0]?.grade, none.divisions[0]?.step]).toEqual([
      null,
      'unknown',
      null,
    ]);
    expect(none.secondsPerTurn).toBeCloseTo(0.12, 9);
  });
});

describe('pendrix ratio', () => {
  const span = ['--low', '27465/2000', '--high', '27473/2000'];

  test('--json: the simplest fractions, and the wheels', async () => {
    const { code, out } = await run('ratio', ...span, '--teeth', '8-60', '--pairs', '2', '--json');
    const answer = JSON.parse(out) as {
      fractions: string[];
      trains: { ratio: string; driven: number[]; drivers: number[] }[];
    };
    expect([code, answer.fractions.length, answer.fractions.slice(0, 4)]).toEqual([
      0,
      20,
      ['206/15', '467/34', '673/49', '728/53'],
    ]);
    expect(answer.trains.length).toBe(6);
    expect(answer.trains[0]).toEqual({ ratio: '989/72', driven: [43, 23], drivers: [9, 8] });
    expect((JSON.parse((await run('ratio', ...span, '--json')).out) as { trains: unknown[] }).trains).toEqual(
      [],
    );
  });

  test('without it two tables', async () => {
    const { out } = await run('ratio', ...span, '--teeth', '8-60');
    for (const part of ['206/15', '13.733333', '989/72', '43 23', '9 8']) expect(out).toContain(part);
    expect((await run('ratio', '--low', '1000', '--high', '1001', '--teeth', '8-10')).out).toContain(
      'No wheels of that range',
    );
  });

  test.each([
    [[], '--low is missing'],
    [['--low', '1'], '--high is missing'],
    [['--low', '0', '--high', '1'], '--low: it must not be 0'],
    [['--low', '-1', '--high', '1'], '--low'],
    [['--low', '2', '--high', '1'], '2 to 1 runs backwards'],
    [['--low', 'x', '--high', '1'], '--low: x is not a number'],
    [['--low', '1', '--high', '2', '--pairs', '2'], '--teeth is missing'],
    [['--low', '1', '--high', '2', '--teeth', '60-8'], '60-8 runs backwards'],
    [['--low', '1', '--high', '2', '--teeth', 'a-8'], '--teeth: a is not a number'],
    [['--low', '1', '--high', '2', '--teeth', '1-2-3'], '--teeth'],
    [['--low', '1', '--high', '2', '--teeth', '8-60', '--pairs', '5'], '--pairs: 5 is above 4 pairs'],
    [['file.json', ...['--low', '1', '--high', '2']], 'file.json'],
  ])('%j is refused', async (words, want) => {
    const { code, out, err } = await run('ratio', ...words);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(want);
    expect(err.trim().split('\n').length).toBe(1);
  });
});

describe('bad input ends with 2 and one sentence', () => {
  test.each([
    [[], 'a command is wanted'],
    [
      ['divide'],
      'there is no command divide; the commands are check, targets, ratio, find, choose, plates, export, simulate, make, pack, fit.',
    ],
    [['check'], 'the file is missing'],
    [['check', 'nowhere.json'], 'the file nowhere.json cannot be read'],
    [['check', CUTTER, '--colour'], 'there is no option --colour here; the options are --json, --train.'],
    [['check', CUTTER, CUTTER], 'the file is given twice'],
    [['check', CUTTER, '--json', '--json'], '--json is given twice'],
    [['check', CUTTER, '--json=yes'], 'there is no option --json=yes'],
    [['targets', CUTTER], '--divisions is missing; write it, for example --divisions 73.'],
    [['targets', CUTTER, '--divisions'], 'the value of --divisions is missing'],
    [['targets', CUTTER, '--divisions', '12.5'], '--divisions: 12.5 is not a whole count'],
    [['targets', CUTTER, '--divisions', '0'], '--divisions: it must not be 0'],
    [['targets', CUTTER, '--divisions=-3'], '--divisions: -3 is negative'],
    [['targets', CUTTER, '--divisions', '5000000'], 'rows are too many for one sheet'],
    [['targets', CUTTER, '--divisions', '7', '--json', '--csv'], 'the way to print is given twice'],
    [
      ['targets', CUTTER, '--divisions', '7', '--move', '1'],
      'this output turns, and makes no marks along a slide',
    ],
    [['targets', SLIDE, '--divisions', '7', '--move', 'moon'], 'move: moon cannot be read as a move'],
    [['check', scratch], 'cannot be read'],
  ])('%j', async (words, want) => {
    const { code, out, err } = await run(...words);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(want);
    expect(err.trim().split('\n').length).toBe(1);
  });

  test('a bad file names file and place', async () => {
    const name = fileWith(
      '{"format":"pendrix-drive","version":1,"name":"x","train":{"source":{"kind":"stepper","fullSteps":"two"},"stages":[]}}',
    );
    const { code, err } = await run('check', name);
    expect([code, err]).toEqual([
      2,
      `pendrix: ${name}: train.source.fullSteps: "two" is not a number; write digits, with a point for decimals, for example 200.`,
    ]);
    expect((await run('check', fileWith('{"a": NaN}'))).err).toContain('line 1, column 7');
  });
});

test('npx pendrix really starts', () => {
  const bin = fileURLToPath(new URL('../pendrix.mjs', import.meta.url));
  const out = execFileSync(process.execPath, [bin, 'check', CUTTER, '--json'], { encoding: 'utf8' });
  expect((JSON.parse(out) as { ratio: string }).ratio).toBe('342');
  expect(execFileSync(process.execPath, [bin, '--help'], { encoding: 'utf8' })).toContain('pendrix targets');
  expect(() => execFileSync(process.execPath, [bin, 'check'], { stdio: 'pipe' })).toThrow(
    expect.objectContaining({ status: 2 }),
  );
}, 30_000);

describe('what a terminal must not be made to do', () => {
  test('control characters of a file are written out, not sent', async () => {
    const text = readFileSync(CUTTER, 'utf8').replace(
      '"Orrery wheel cutter"',
      '"\\u001b]0;gone\\u0007\\u202ebent"',
    );
    for (const words of [
      ['check', fileWith(text)],
      ['check', fileWith(text), '--json'],
    ]) {
      const { code, out, err } = await run(...words);
      expect(code).toBe(0);
      // eslint-disable-next-line no-control-regex
      expect(out + err).not.toMatch(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202a-\u202e]/);
    }
  });

  test('a search that is long tells how far it is, on standard error', async () => {
    const now = Date.now;
    let at = 0;
    Date.now = () => (at += 500);
    try {
      const { code, out, err } = await run(
        'ratio',
        '--low',
        '13.7',
        '--high',
        '13.7001',
        '--teeth',
        '8-80',
        '--pairs',
        '3',
      );
      expect([code, out !== '']).toEqual([0, true]);
      expect(err).toMatch(/pairs, \d+ % checked/);
    } finally {
      Date.now = now;
    }
  });

  test('one that could never be held is refused with its limit', async () => {
    const { code, err } = await run('ratio', '--low', '2', '--high', '3', '--teeth', '8-400', '--pairs', '4');
    expect(code).toBe(2);
    expect(err).toContain('more than 4000000 sets');
  });
});

describe('pendrix export --list', () => {
  test('tells every file with the words that write it', async () => {
    const { out, code } = await run('export', CUTTER, '--list');
    expect([code, out]).toEqual([
      0,
      expect.stringContaining('run-sheets/73.csv  Run sheet, 73 divisions: --as csv --divisions 73'),
    ]);
    const listed = await run('export', CUTTER, '--list', '--json');
    const rows = JSON.parse(listed.out) as Record<string, string | number>[];
    expect(rows).toContainEqual({
      file: 'drawings/wheel-3.dxf',
      title: 'Wheel 3, 90 teeth',
      as: 'dxf',
      of: 'wheel-3',
    });
    for (const { as, file: _, title: __, ...options } of rows.filter((r) => r['as'] === 'csv').slice(0, 3)) {
      const words = Object.entries(options).flatMap(([key, value]) => [`--${key}`, String(value)]);
      expect((await run('export', CUTTER, '--as', String(as), ...words)).code).toBe(0);
    }
    expect((await run('export', 'nowhere.json', '--list')).code).toBe(2);
  });
});
