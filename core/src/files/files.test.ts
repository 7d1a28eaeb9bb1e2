import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ok, refusalSentence, type Result } from '../numbers/index.ts';
import { driveFault, stages, trainsOf, type Drive } from '../drive/index.ts';
import { startRun } from '../run/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import { planRun } from '../plans/index.ts';
import { anyOfKind } from '../testing/any-stage.ts';
import { wheelCutter } from '../testing/samples.ts';
import {
  checkAnswer,
  driveFileName,
  readDrive,
  readJson,
  decodeText,
  readWorkshop,
  writeShelf,
  type Workshop,
  targetsAnswer,
  writeDrive,
  writeWorkshop,
} from './index.ts';

const cutter = wheelCutter('60, 73, 95, 97');
/** As version 1 wrote it: one train, with its encoder beside it. */
const file = (): Record<string, unknown> => ({
  ...(JSON.parse(JSON.stringify(cutter)) as Record<string, unknown>),
  version: 1,
});
const message = (r: Result<unknown>): string => (r.ok ? 'read' : refusalSentence(r.refusal));

/** The file with the value at a path replaced; undefined takes it away. */
function bent(path: string, value: unknown): string {
  const root = file();
  const keys = path.split('.');
  let at = root;
  for (const key of keys.slice(0, -1)) at = at[key] as Record<string, unknown>;
  at[keys.at(-1)!] = value;
  return JSON.stringify(root);
}

describe('drive files', () => {
  test('written and read back, byte for byte', () => {
    const text = writeDrive(cutter);
    const read = readDrive(text);
    expect(read.ok && writeDrive(read.value)).toBe(text);
    expect(text.endsWith('}\n')).toBe(true);
  });

  test('the same drive is the same bytes whatever the order of its keys', () => {
    const shuffled = Object.fromEntries(Object.entries(cutter).reverse()) as unknown as Drive;
    expect(writeDrive(shuffled)).toBe(writeDrive(cutter));
    // those that this version does not know among them
    const strange = ['quill', 'anvil', 'mallet'];
    const [there, back] = [strange, [...strange].reverse()].map((keys) => {
      const read = readDrive(JSON.stringify({ ...file(), ...Object.fromEntries(keys.map((k) => [k, 1])) }));
      return read.ok ? writeDrive(read.value) : message(read);
    });
    expect(there).toBe(back);
    expect(there!.indexOf('"anvil"')).toBeLessThan(there!.indexOf('"quill"'));
  });

  test('unknown keys are kept and written back, at every level, __proto__ among them', () => {
    const text = JSON.stringify({ ...file(), diary: [{ said: 'by ear' }] })
      .replace('"kind":"worm"', '"runoutMm":0.05,"kind":"worm"')
      .replace('"divisions"', '"__proto__":{"x":1},"rates":[{"kind":"stars"}],"divisions"');
    const read = readDrive(text);
    expect(message(read)).toBe('read');
    const back = read.ok ? writeDrive(read.value) : '';
    for (const kept of ['"runoutMm": 0.05', '"said": "by ear"', '"kind": "stars"'])
      expect(back).toContain(kept);
    expect(({} as { x?: number }).x).toBeUndefined();
  });

  test('every kind of stage round-trips with anything its inputs take', () => {
    for (const kind of Object.keys(stages) as (keyof typeof stages)[])
      fc.assert(
        fc.property(anyOfKind(kind), (stage) => {
          const read = readDrive(bent('train.stages', [stage]));
          expect([kind, message(read)]).toEqual([kind, 'read']);
          const back = readDrive(read.ok ? writeDrive(read.value) : '');
          expect(back.ok && back.value.train.stages[0]).toEqual(stage);
        }),
        { numRuns: 20 },
      );
  });

  test('a whole JSON number is taken where exact text is meant', () => {
    const read = readDrive(bent('job.toleranceArcsec', 20));
    expect(read.ok && read.value.job.toleranceArcsec).toBe('20');
  });

  test.each<[string, unknown, string]>([
    ['name', undefined, 'name: something that is needed is missing; write it, for example 90.'],
    ['name', '   ', 'name: a drive needs a name; write one, for example Tide dial.'],
    [
      'version',
      3,
      'version: the file is of version 3, newer than the 2 that is understood here; update Pendrix, then open it.',
    ],
    ['version', 'one', 'version: "one" is not a whole count; write a whole number, for example 1.'],
    [
      'format',
      'pendrix-tray',
      'format: a file of format "pendrix-tray" cannot be used here; choose one of format pendrix-drive or pendrix-workshop or pendrix-find or pendrix-shelf.',
    ],
    [
      'job.divisions',
      '60, 12.5',
      'job.divisions: 12.5 is not a whole count; half a tooth cannot be cut; write the count of the full turn, for example 25.',
    ],
    ['job.divisions', 60, 'job.divisions: 60 is not text; put it in quotes, for example "60, 73".'],
    [
      'job.toleranceArcsec',
      0.9,
      'job.toleranceArcsec: 0.9 is a binary fraction and so not exact; put it in quotes, for example "0.9".',
    ],
    [
      'job.toleranceArcsec',
      '-5',
      'job.toleranceArcsec: -5 is negative; write a number above 0, for example "20".',
    ],
    [
      'job.toleranceArcsec',
      'wide',
      'job.toleranceArcsec: "wide" is not an exact number; write digits, a decimal or a fraction in quotes, for example "76/20".',
    ],
    [
      'job.toleranceMm',
      '0.02',
      'job.radiusMm: a tolerance as a length needs the radius it is measured at; write the radius, for example 30 mm.',
    ],
    ['train', undefined, 'train: something that is needed is missing; write it, for example 90.'],
    ['train.stages', {}, 'train.stages: {} is not a list in brackets; put [ … ] there.'],
    [
      'train.stages.0.kind',
      'flexspline',
      `train.stages[0].kind: the kind "flexspline" is not known to this version; the kinds known are ${Object.keys(stages).join(', ')}.`,
    ],
    [
      'train.stages.0.z2',
      'seventy-six',
      'train.stages[0].z2: "seventy-six" is not a number; write digits, with a point for decimals, for example 60.',
    ],
    [
      'train.stages.0.z2',
      76.5,
      'train.stages[0].z2: 76.5 is not a whole count; write a whole number teeth, for example 60.',
    ],
    [
      'train.stages.0.z2',
      -76,
      'train.stages[0].z2: -76 is negative; write a number above 0, for example 60.',
    ],
    [
      'train.stages.0.z2',
      undefined,
      'train.stages[0].z2: something that is needed is missing; write it, for example 60.',
    ],
    [
      'train.stages.1.wheel',
      1e300,
      'train.stages[1].wheel: 1e+300 is above 10000 teeth; write at most 10000.',
    ],
    [
      'train.stages.1.moduleMm',
      0,
      'train.stages[1].moduleMm: it must not be 0; write a number above 0, for example 1.',
    ],
    [
      'train.stages.1.hand',
      'both',
      'train.stages[1].hand: "both" is not one of the choices; choose one of right, left.',
    ],
    [
      'train.source.kind',
      'treadle',
      'train.source.kind: the kind "treadle" is not known to this version; the kinds known are stepper, encoderMotor, gearMotor, crank, spring, synchronous.',
    ],
    [
      'train.source.mode',
      5,
      "train.source.mode: 5 microsteps a step is not one of the driver's modes; choose one of 1, 2, 4, 8, 16, 32.",
    ],
    [
      'train.source.modes',
      [],
      'train.source.modes: nothing is written here; write a value, for example [1, 2, 4].',
    ],
    ['train.source.modes', 'fine', 'train.source.modes: "fine" is not a list in brackets; put [ … ] there.'],
    [
      'train.source.fullSteps',
      0,
      'train.source.fullSteps: it must not be 0; write a number above 0, for example 200.',
    ],
    [
      'train.output',
      { kind: 'rack' },
      'train.output.teeth: something that is needed is missing; write it, for example 20.',
    ],
    [
      'train.output',
      { kind: 'balloon' },
      'train.output.kind: the kind "balloon" is not known to this version; the kinds known are rotary, screw, beltDrive, rack, drum, tangentArm.',
    ],
    [
      'train.output',
      { kind: 'screw', leadMm: 0.5 },
      'train.output.leadMm: 0.5 is a binary fraction and so not exact; put it in quotes, for example "0.9".',
    ],
    [
      'train.source',
      { kind: 'spring', storedTurns: '6', arborPerBarrelTurn: '-60', rpm: '2' },
      'train.source.arborPerBarrelTurn: "-60" is negative; write a number above 0, for example "60".',
    ],
    [
      'train.limits',
      { back: '0', forth: '-1' },
      'train.limits.forth: -1 is negative; write a number above 0, for example "1".',
    ],
    [
      'job.moves',
      '1, far',
      'job.moves: far cannot be read as a move; write lengths, for example 1 mm, 1/8 in, 2π mm.',
    ],
    [
      'train.stages',
      [{ kind: 'planetary', sun: 13, ring: 47, planets: 3, fixed: 'ring', in: 'ring', out: 'carrier' }],
      'train.stages[0].fixed: the ring cannot be two of fixed, driven and driver at once; fix one of sun, ring and carrier, drive the second and take the third out.',
    ],
    [
      'train.stages',
      [{ kind: 'box' }],
      'train.stages[0].pairs: a box needs its tooth pairs or the ratio printed on it; write one of them, for example 9:28, 10:27 or 45:1.',
    ],
    [
      'train.stages',
      [{ kind: 'box', pairs: [[9, 32], [11]] }],
      'train.stages[0].pairs[1]: [11] is not a pair of wheels; write driver and driven teeth, for example 9:32.',
    ],
    [
      'train.stages',
      [{ kind: 'geneva', slots: 2 }],
      'train.stages[0].slots: 2 is below 3; write at least 3.',
    ],
    [
      'encoder',
      { lines: 600, decode: 3, shaft: 0 },
      'encoder.decode: 3 is not one of the choices; choose one of 4, 2, 1.',
    ],
    [
      'encoder',
      { lines: 600, decode: 4, shaft: 9 },
      'encoder.shaft: there is no shaft 9; the shafts are 0 to 2.',
    ],
    ['job', 'cut wheels', 'job: "cut wheels" is not an object in braces; put { … } there.'],
  ])('%s of %j is refused with its place', (path, value, want) => {
    expect(message(readDrive(bent(path, value)))).toBe(want);
  });

  test.each([
    ['an empty file', '', 'the file is empty'],
    ['blanks', ' \n ', 'the file is empty'],
    ['an archive', 'PK\u0003\u0004\u0014\u0000', 'not text but an archive'],
    ['a program', '\u007fELF\0\0', 'not text but an archive'],
    ['a web page', '<!doctype html><html>', 'the file is a web page'],
    ['broken JSON', '{\n  "name": "x",\n  "job": {,\n}', 'line 3, column 11: the text breaks off'],
    ['JSON cut short', '{"format": "pendrix-drive"', 'line 1, column 27: the text breaks off'],
    ['NaN', '{"format": NaN}', 'line 1, column 12: the text breaks off or is not JSON there, at NaN'],
    ['a list', '[1, 2]', 'JSON but not a Pendrix file'],
    ['null', 'null', 'JSON but not a Pendrix file'],
    ['other JSON', '{"hello": 1}', 'JSON but not a Pendrix file'],
    ['60 MB', `{"x":"${'y'.repeat(20_000_001)}"}`, 'the file is larger than 20 MB'],
    ['a comment', '{ /* no */ "format": 1 }', 'line 1, column 3'],
  ])('%s is refused in one sentence', (_, text, want) => {
    expect(message(readDrive(text))).toContain(want);
  });

  test('1e309 and its like do not pass for a number', () => {
    expect(message(readDrive(bent('train.stages.0.z2', 'X').replace('"X"', '1e309')))).toBe(
      'train.stages[0].z2: Infinity is too large for a number; write a finite number.',
    );
    expect(message(readDrive(bent('job.toleranceArcsec', 'X').replace('"X"', '1e309')))).toContain(
      'job.toleranceArcsec: Infinity is too large',
    );
  });

  test('no text whatever makes the reader throw', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => typeof readDrive(text).ok === 'boolean'),
      { numRuns: 300 },
    );
  });

  test('no value anywhere makes the reader throw', () => {
    const paths = [
      'name',
      'job',
      'job.divisions',
      'job.toleranceArcsec',
      'train',
      'train.source',
      'train.source.modes',
      'train.stages',
      'train.stages.0',
      'train.stages.1.wheel',
      'encoder',
      'dismissed',
    ];
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.jsonValue(), (path, value) => {
        const read = readDrive(bent(path, value));
        expect(message(read)).not.toContain('undefined');
        // What is taken can be computed with.
        if (read.ok) expect(() => checkAnswer(read.value)).not.toThrow();
      }),
      { numRuns: 500 },
    );
  });

  test('file names', () => {
    expect(driveFileName(cutter)).toBe('orrery-wheel-cutter.pendrix.json');
    expect(driveFileName({ ...cutter, name: '…' })).toBe('drive.pendrix.json');
  });
});

describe('workshop files', () => {
  const dial = { ...cutter, name: 'Tide dial' };
  const line = { id: 'w76', kind: 'wheel', teeth: 76, own: 1, known: 'counted' } as ShelfPart;
  const state = { ...startRun(planRun(cutter, 73)!, 1000, 12), paused: true };
  const whole: Workshop = {
    drives: [cutter, dial],
    parts: [line],
    runs: [{ drive: 1, name: 'second blank', state, ended: true }],
  };

  test('drives, shelf and runs come back as they went', () => {
    const read = readWorkshop(writeWorkshop(whole));
    expect(read).toEqual(ok({ ...whole, left: [] }));
    expect(JSON.parse(writeWorkshop({ drives: [], parts: [], runs: [] }))).toEqual({
      format: 'pendrix-workshop',
      version: 1,
      drives: [],
    });
  });

  test('what is good is read, what is not is named with its place', () => {
    const text = writeWorkshop(whole)
      .replace('"wheel": 90', '"wheel": "x"')
      .replace('"teeth": 76', '"teeth": -3');
    const read = readWorkshop(text);
    if (!read.ok) throw new Error('refused');
    expect(read.value.drives.map((d) => d.name)).toEqual(['Tide dial']);
    expect(read.value.parts).toEqual([]);
    // the run follows its drive to its new place
    expect(read.value.runs.map((r) => r.drive)).toEqual([0]);
    expect(read.value.left.map((l) => [l.name, l.refusal.path])).toEqual([
      ['Orrery wheel cutter', 'drives[0].trains[0].stages[1].wheel'],
      ['parts[0]', 'parts[0].teeth'],
    ]);
  });

  test('a run of a drive that is not good is named, not given to another', () => {
    const text = writeWorkshop({ ...whole, runs: [{ ...whole.runs[0]!, drive: 0 }] });
    const read = readWorkshop(text.replace('"wheel": 90', '"wheel": 0'));
    expect(read.ok && read.value.runs).toEqual([]);
    expect(read.ok && read.value.left.map((l) => l.name)).toEqual(['Orrery wheel cutter', 'second blank']);
  });

  test.each([
    ['{"format":"pendrix-workshop","version":1}', 'drives: something that is needed is missing'],
    ['{"format":"pendrix-workshop","version":1,"drives":{}}', 'drives: '],
    ['{"format":"pendrix-find","version":1}', 'a file of format pendrix-find cannot be used here'],
  ])('%s is refused as a whole', (text, why) => {
    expect(message(readWorkshop(text))).toContain(why);
  });

  test('a drive file is a workshop of one, a shelf file one of parts', () => {
    expect(readWorkshop(writeDrive(cutter))).toMatchObject({ value: { drives: [cutter], parts: [] } });
    expect(readWorkshop(writeShelf([line]))).toMatchObject({ value: { drives: [], parts: [line] } });
    expect(message(readDrive(writeWorkshop(whole)))).toContain(
      'a file of format pendrix-workshop cannot be used here',
    );
  });
});

describe('what Pendrix writes it reads', () => {
  /** Any text of Unicode but halves of a pair, which no file can hold. */
  const words = fc.string({ unit: 'binary', maxLength: 60 });

  test('names and notes of all of Unicode, whatever they begin with', () => {
    fc.assert(
      fc.property(words, words, words, (name, notes, part) => {
        const drive = { ...cutter, name: `x${name}`.trim(), job: { ...cutter.job, notes } };
        const line = { id: '1', kind: 'wheel', teeth: 12, own: 1, known: 'counted', name: part } as ShelfPart;
        const workshop: Workshop = { drives: [drive], parts: [line], runs: [] };
        const bytes = new TextEncoder().encode(writeWorkshop(workshop));
        const text = decodeText(bytes);
        if (!text.ok) throw new Error('refused');
        const read = readWorkshop(text.value);
        expect(read).toEqual(ok({ ...workshop, left: [] }));
      }),
      { numRuns: 300 },
    );
  });

  test('a note with a replacement character near the start is a note', () => {
    const odd = { ...cutter, name: '\uFFFD and \uFFFD' };
    expect(readDrive(writeDrive(odd))).toEqual(ok(odd));
  });

  test('a backlash as small as a double can say', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5e-324, max: 21_600, noNaN: true, noDefaultInfinity: true }),
        (playArcmin) => {
          const [stage, ...rest] = cutter.train.stages;
          const drive = {
            ...cutter,
            train: { ...cutter.train, stages: [{ ...stage!, playArcmin }, ...rest] },
          } as Drive;
          expect(readDrive(writeDrive(drive))).toEqual(ok(drive));
          expect(driveFault(drive)).toBeNull();
        },
      ),
    );
  });
});

describe('bytes of a file', () => {
  const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
  test('an older spreadsheet’s é is é', () => {
    expect(decodeText(Uint8Array.of(0x63, 0x61, 0x66, 0xe9))).toEqual(ok('café'));
    expect(decodeText(bytes('café'))).toEqual(ok('café'));
    expect(decodeText(Uint8Array.of(0xff, 0xfe, 0xe9, 0))).toEqual(ok('é'));
  });
  test('an archive and a program are none', () => {
    expect(message(decodeText(bytes('PK\u0003\u0004')))).toContain('not text but an archive');
    expect(message(decodeText(Uint8Array.of(0x7f, 0x45, 0, 1)))).toContain('not text but an archive');
  });
});

describe('JSON that would lose something', () => {
  test('a key given twice is refused at its line', () => {
    const text = writeDrive(cutter).replace('"wheel": 90', '"wheel": 90,\n      "wheel": 91');
    expect(message(readDrive(text))).toMatch(/^line \d+, column \d+: "wheel" is given twice/);
  });
  test('objects side by side and within each other may have the same keys', () => {
    expect(readJson('{"a": {"x": 1, "a": 2}, "x": 3, "b": [{"x": 4}, {"x": 5}]}').ok).toBe(true);
    expect(message(readJson('{"x": 3, "a": {"y": 1}, "x": 4}'))).toMatch(
      /^line 1, column 25: "x" is given twice/,
    );
  });
  test('brackets in a name are not nesting, even behind a quotation mark in it', () => {
    const name = `said "${'['.repeat(90)}`;
    const read = readDrive(writeDrive({ ...cutter, name }));
    expect(read.ok && read.value.name).toBe(name);
  });
  test('what a drive may hold can be written, alone and with the whole workshop, and read again', () => {
    const nested = (deep: number): unknown => (deep === 0 ? 1 : { x: nested(deep - 1) });
    const file = JSON.parse(writeDrive(cutter)) as { trains: object[] };
    // the file, its trains and the first of them are three brackets
    const holding = (deep: number): string =>
      JSON.stringify({ ...file, trains: [{ ...file.trains[0], x: nested(deep) }, ...file.trains.slice(1)] });
    const read = readDrive(holding(57));
    if (!read.ok) throw new Error(refusalSentence(read.refusal));
    expect(readDrive(writeDrive(read.value))).toEqual(read);
    const whole = readWorkshop(writeWorkshop({ drives: [read.value, cutter], parts: [], runs: [] }));
    expect(whole.ok && [whole.value.drives[0], whole.value.left]).toEqual([read.value, []]);
    expect(message(readDrive(holding(58)))).toContain('nested deeper than 60');
    // and a drive that is too deep leaves the others in
    const both = writeWorkshop({ drives: [], parts: [], runs: [] }).replace(
      '"drives": []',
      `"drives": [${holding(58)},${holding(57)}]`,
    );
    const left = readWorkshop(both);
    expect(left.ok && [left.value.drives.length, left.value.left.map((l) => l.refusal.code)]).toEqual([
      1,
      ['tooDeep'],
    ]);
  });
  test.each([20_000, 200_000])('%i brackets deep', (deep) => {
    expect(message(readDrive('['.repeat(deep)))).toContain('nested deeper');
    expect(message(readDrive(`{"a":${'['.repeat(deep)}${']'.repeat(deep)}}`))).toContain('line 1, column');
  });
});

describe('answers and tables', () => {
  test('check: the figures of the contract', () => {
    const answer = checkAnswer({ ...cutter, encoder: { lines: 600, decode: 4, shaft: 0 } }) as Record<
      string,
      unknown
    >;
    expect(answer).toMatchObject({
      ratio: '342',
      stepsPerTurn: '1094400',
      countsPerTurn: '820800',
      turnsToClose: '1',
    });
    expect(answer['shafts']).toEqual([
      { index: 0, turnsPerOutputTurn: '342' },
      { index: 1, turnsPerOutputTurn: '90' },
      { index: 2, turnsPerOutputTurn: '1' },
    ]);
    expect((answer['divisions'] as unknown[])[1]).toMatchObject({
      divisions: 73,
      step: '1094400/73',
      grade: 'rounded',
      coarsestMode: null,
      missingFactor: '73',
      worstErrorSteps: '36/73',
      spacingErrorSteps: '57/73',
      closingErrorSteps: '16',
      returnErrorSteps: '0',
    });
    expect((answer['divisions'] as unknown[])[2]).toMatchObject({
      divisions: 95,
      step: '11520',
      grade: 'even',
      coarsestMode: 1,
      missingFactor: '1',
      worstErrorSteps: '0',
    });
    expect((answer['verdict'] as { cell: string }[]).map((c) => c.cell)).toEqual([
      'steps',
      'divisions',
      'error',
      'rate',
      'speed',
      'force',
    ]);
  });

  test('targets: rows 0…D, the last back where it began', () => {
    const answer = targetsAnswer(planRun(cutter, 73)!) as {
      rows: { index: number; target: number; exact: string; errorSteps: string }[];
    };
    expect(answer.rows.length).toBe(74);
    expect(answer.rows[30]).toMatchObject({
      index: 30,
      target: 449753,
      exact: '32832000/73',
      errorSteps: '-31/73',
    });
    expect(answer.rows[73]?.target).toBe(1094400);
  });
});

describe('the demo workshop', () => {
  const folder = new URL('../../../demo/', import.meta.url);
  const names = readdirSync(folder).filter((n) => n.endsWith('.pendrix.json'));

  test('has three drives or more, each written as we write', () => {
    expect(names.length).toBeGreaterThanOrEqual(3);
    for (const name of names) {
      const text = readFileSync(new URL(name, folder), 'utf8');
      const read = readDrive(text);
      expect([name, message(read)]).toEqual([name, 'read']);
      expect(read.ok && writeDrive(read.value)).toBe(text);
      expect(read.ok && driveFileName(read.value)).toBeTruthy();
    }
  });

  test('shows every grade', () => {
    const grades = names.flatMap((name) => {
      const read = readDrive(readFileSync(new URL(name, folder), 'utf8'));
      return read.ok
        ? trainsOf(read.value).flatMap((_, at) =>
            (checkAnswer(read.value, at) as { divisions: { grade: string }[] }).divisions.map((d) => d.grade),
          )
        : [];
    });
    for (const grade of ['even', 'evenMicrostep', 'rounded', 'misses']) expect(grades).toContain(grade);
  });
});
