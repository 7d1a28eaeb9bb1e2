import { execFile } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';

/**
 * The table "to add" of architecture.md, each row done once, in a copy of the tree: what a row names is touched and nothing else, and then
 * the kind is asked for wherever it should be found.
 */
const root = fileURLToPath(new URL('../', import.meta.url));
let copy = '';

/** A new file, made of another: words put in place of others. */
const likeness = (to: string, from: string, words: readonly (readonly [string, string])[]): void => {
  let text = readFileSync(path.join(root, from), 'utf8');
  for (const [a, b] of words) text = text.replaceAll(a, b);
  writeFileSync(path.join(copy, to), text);
};
const write = (to: string, text: string): void => writeFileSync(path.join(copy, to), text);
/** A line before the one that holds a text, which stands there once. */
const line = (file: string, before: string, added: string): void => {
  const at = path.join(copy, file);
  const text = readFileSync(at, 'utf8');
  if (text.split(before).length !== 2) throw new Error(`${file}: "${before}" does not stand there once`);
  writeFileSync(at, text.replace(before, () => `${added}\n${before}`));
};
/** Its import, and its place in the list. */
const listed = (file: string, name: string, from: string, before: string, added = `  ${name},`): void => {
  line(file, before, added);
  const at = path.join(copy, file);
  writeFileSync(at, `import { ${name} } from '${from}';\n${readFileSync(at, 'utf8')}`);
};

const D = 'core/src/drive';
const rows = {
  'a chain stage': () => {
    likeness(`${D}/stages/twin.ts`, `${D}/stages/friction.ts`, [
      ['Friction drive', 'Twin drive'],
      ["'friction'", "'twin'"],
      ['friction', 'twin'],
      ['Friction', 'Twin'],
    ]);
    listed(`${D}/stages/index.ts`, 'twin', './twin.ts', '  ratio,\n} as const;');
  },
  'a source': () => {
    likeness(`${D}/sources/sail.ts`, `${D}/sources/synchronous.ts`, [
      ["'synchronous'", "'sail'"],
      ['synchronous', 'sail'],
      ['Synchronous', 'Sail'],
      ["glyph: 'sail'", "glyph: 'synchronous'"],
    ]);
    listed(`${D}/sources/index.ts`, 'sail', './sail.ts', 'export type SourceKindId', 'Object.assign(sources, { sail });');
  },
  'an output': () => {
    likeness(`${D}/outputs/door.ts`, `${D}/outputs/rotary.ts`, [
      ["'rotary'", "'door'"],
      ["'Table'", "'Door'"],
      ['rotary', 'door'],
      ['Rotary', 'Door'],
    ]);
    listed(`${D}/outputs/index.ts`, 'door', './door.ts', 'export type OutputKindId', 'Object.assign(outputs, { door });');
  },
  'a kind of part': () => {
    likeness('core/src/shelf/kinds/gauge.ts', 'core/src/shelf/kinds/plate.ts', [
      ["'plate'", "'gauge'"],
      ["'Plate'", "'Gauge'"],
      ['(plate|dial)', '(gauge)'],
      ['const plate', 'const gauge'],
      ['PlatePart', 'GaugePart'],
    ]);
    listed(
      'core/src/shelf/kinds/index.ts',
      'gauge',
      './gauge.ts',
      'export const isPartKind',
      'Object.assign(partKinds, { gauge });',
    );
  },
  'an edit': () => {
    likeness(`${D}/edits/shout.ts`, `${D}/edits/rename.ts`, [
      ["'rename'", "'shout'"],
      ['rename', 'shout'],
      ['Rename', 'Shout'],
      ['{ ...drive, name }', '{ ...drive, name: name.toUpperCase() }'],
    ]);
    listed(`${D}/edits/index.ts`, 'shout', './shout.ts', '  goBack,\n} as const;');
  },
  'a terminal command': () => {
    write(
      'cli/src/hum.ts',
      `import { ok } from '@pendrix/core';
import type { Command } from './command.ts';
export const hum: Command = { name: 'hum', usage: 'hum', message: 'hums', run: () => Promise.resolve(ok('hm')) };
`,
    );
    listed('cli/src/main.ts', 'hum', './hum.ts', '  fit,\n];');
  },
  'a duty': () => {
    likeness(`${D}/duties/hum.ts`, `${D}/duties/printer.ts`, [
      ['printerInputs', 'humInputs'],
      ['Printer', 'Hum'],
      ["'name'", "'hummed'"],
    ]);
    listed(
      `${D}/duties/index.ts`,
      'humInputs',
      './hum.ts',
      '  printer: duty<Printer>()',
      "  hum: duty<object>()({ title: 'hum', inputs: humInputs, of: 'job', many: false }),",
    );
    mkdirSync(path.join(copy, 'core/src/report/duties/hum'));
    write(
      'core/src/report/duties/hum/hum.ts',
      `import { empty } from '../../cell.ts';
import { figureOf, line } from '../duty.ts';
import { only, type DutyKind } from '../kind.ts';
const figure = figureOf({ key: 'hum.loud', label: 'loudness of the hum', value: 3, text: ['3'] });
export const hum: DutyKind = {
  group: { id: 'hum', title: 'Hum' },
  ask: {
    title: 'Hum',
    purpose: 'that it hums',
    edit: { do: 'addDuty', duty: 'hum' as never },
    empty: { title: 'No hum', message: 'It is still.', add: 'Let it hum' },
  },
  asked: ({ job }) => 'hum' in job,
  many: false,
  says: ({ job }) => ('hum' in job ? 'hums' : null),
  job: { word: 'Hum', inputs: ['nozzleMm'] },
  cells: { speed: (_, [one]) => (one ? { ...empty('speed', 'judged', ''), figure, graded: null } : null) },
  reports: ({ drive: { job } }) =>
    only(
      'hum' in job
        ? { key: 'hum', title: 'Hum', graded: null, lines: [line(figure)], message: [], charts: [], table: null }
        : null,
    ),
};
`,
    );
    listed('core/src/report/duties/kinds.ts', 'hum', './hum/hum.ts', '  controller,\n} as const');
  },
  'a cause of error': () => {
    write(
      'core/src/errors/causes/moon.ts',
      `import type { Cause } from '../context.ts';
export const moon: Cause = () => [
  { id: 'moon', cause: 'the moon', stage: null, shaft: 0, kind: 'joint', arcsec: 7, turnsPerOutputTurn: null, known: 'exact', value: null },
];
`,
    );
    listed('core/src/errors/causes/index.ts', 'moon', './moon.ts', '  bearings,\n];');
  },
  'a drawing': () => {
    line('core/src/make/drawings.ts', "  dial: { of:", "  star: { of: () => [{ name: 'star', title: 'A star' }] },");
    line('core/src/exports/drawings.ts', '  dial: (drive, o)', '  star: () => ok(dialSheet(5, 10)),');
  },
  'a symptom of the fault finder': () =>
    line('core/src/make/faults.ts', '  {\n    id: \'still\'', "  { id: 'sings', title: 'It sings', checks: [check('tune', 'It is in tune.', 'Enjoy it.')] },"),
  'an export': () => {
    write(
      'core/src/exports/plain.ts',
      `import { ok } from '../numbers/index.ts';
import type { ExportFormat } from './export.ts';
export const plain: ExportFormat = {
  title: 'Plain text',
  extension: 'txt',
  type: 'text/plain',
  takes: [],
  offers: () => [{ file: 'name', title: 'Its name', options: {} }],
  write: (drive) => ok(drive.name),
};
`,
    );
    const at = path.join(copy, 'core/src/exports/formats.ts');
    writeFileSync(
      at,
      `import { plain } from './plain.ts';\n${readFileSync(at, 'utf8').replace('{ cheader, gcode,', '{ cheader, plain, gcode,')}`,
    );
  },
  'a table of Make': () =>
    line('core/src/report/make/tables.ts', "  { id: 'belts'", "  { id: 'names', title: 'Names', head: ['name'], rows: (d) => [[d.name]] },"),
  'a section of the report': () => {
    line('core/src/report/sections.ts', '    errors: (of) => of.errors,', "    mood: ({ drive }) => (drive.name === '' ? 'low' : 'good'),");
    line('core/src/files/answers.ts', '  errors: ({ judged, drive })', '  mood: ({ judged }) => judged.mood,');
  },
  'a dialect of controllers': () =>
    line('core/src/control/dialects.ts', "  gcode: { title:", "  morse: { title: 'Morse', asks: [], connect: (link, clock) => connectLines(link, clock) },"),
  'a kind of record': () => {
    line(
      'web/src/records/kinds.ts',
      '  run: {\n    table:',
      `  note: {
    table: 'notes', title: 'note',
    read: (raw) => ok({ id: String(raw['id']), rev: 1 }),
    nameOf: () => 'a note', stamped: (r) => r, list: 'notes', before: () => 0, kept: (r) => r,
  },`,
    );
    line('web/src/records/versions.ts', '];\n\n/** The newest version', "  { version: 5, stores: { notes: 'id' } },");
  },
  'a station': () => {
    line('web/src/ui/stations.ts', '  log: {\n    title:', "  sing: { title: 'Sing', icon: mdiCogs, asks: 'Does it sing?', concern: 'sung' },");
    line('web/src/router.ts', "  log: () => import(", "  sing: () => import('./stations/log/LogPage.vue'),");
  },
};

/** Asked in the copy, by a process of its own: everything that a page, a file, the terminal and the documents list. */
const PROBE = `
import * as core from '@pendrix/core';
import * as files from '@pendrix/core/files/index';
import * as exported from '@pendrix/core/exports/index';
import { dialects } from '@pendrix/core/control/index';
import { main } from './cli/src/main.ts';
import { withTables } from './docs/tables.ts';
import { kindIds, kinds } from './web/src/records/kinds.ts';
import { versions } from './web/src/records/versions.ts';
import { places, placeOf } from './web/src/ui/stations.ts';
import { readFileSync, writeFileSync } from 'node:fs';
const words = async (...asked) => {
  const out = [];
  const code = await main(asked, { out: (t) => out.push(t), err: (t) => out.push(t) });
  return { code, text: out.join('\\n') };
};
const plain = core.newDrive('dial');
const edit = (d, e) => { const r = core.applyEdit(d, e); if (!r.ok) throw new Error(JSON.stringify(r.refusal)); return r.value; };
let drive = edit(plain, { do: 'divisions', text: '12' });
drive = edit(drive, { do: 'addStage', kind: 'twin', at: 0 });
drive = edit(drive, { do: 'addDuty', duty: 'hum' });
drive = edit(drive, { do: 'shout', name: 'loud' });
const back = files.readDrive(files.writeDrive(drive));
writeFileSync('dial.pendrix.json', files.writeDrive(drive));
const checked = await words('check', 'dial.pendrix.json', '--json');
const answer = JSON.parse(checked.text);
const r = core.report(drive);
const docs = withTables(readFileSync('docs/formats.md', 'utf8'));
const sailed = edit(plain, { do: 'sourceKind', kind: 'sail' });
const doored = edit(plain, { do: 'outputKind', kind: 'door' });
const part = core.newPart('gauge', 'g');
const shelf = files.readWorkshop(files.writeWorkshop({ drives: [drive], parts: [part], runs: [] }));
console.log(JSON.stringify({
  stage: { page: Object.keys(core.stages).includes('twin'), file: back.ok && back.value.train.stages[0].kind, docs: docs.includes('\`twin\`'), words: r.built.stages[0].title },
  source: { page: Object.keys(core.sources).includes('sail'), file: files.readDrive(files.writeDrive(sailed)).ok, words: core.report(sailed).built.source.word },
  output: { page: Object.keys(core.outputs).includes('door'), file: files.readDrive(files.writeDrive(doored)).ok },
  part: { page: Object.keys(core.partKinds).includes('gauge'), backup: shelf.ok && shelf.value.parts.map((p) => p.kind), docs: docs.includes('\`gauge\`') },
  edit: { name: drive.name, label: core.editLabel({ do: 'shout', name: 'loud' }, plain, 0) },
  command: { run: await words('hum'), help: (await words('help')).text.includes('pendrix hum') },
  duty: { file: back.ok && 'hum' in back.value.job, docs: docs.includes('hum'), purpose: r.purpose, tab: core.dutyGroups.map((g) => g.id).includes('hum'), menu: core.asking.includes('hum'), job: r.duties.asks.map((a) => a.key), cell: r.verdict.find((c) => c.cell === 'speed').figure?.key, drawer: r.figure('hum.loud')?.key, terminal: answer.hum?.figures ?? Object.keys(answer).includes('hum'), csv: [...exported.tablesOf(drive).keys()].includes('hum') },
  cause: { table: r.judged.errors.of(r.judged.errors.first)?.rows.map((row) => row.cause ?? row.title ?? row.what), terminal: JSON.stringify(answer.errors).includes('the moon') },
  drawing: { page: core.madeOf(r).drawings(false).map((d) => d.name), offers: exported.offersOf(drive).map((o) => o.file), svg: exported.exportDrive(drive, 'svg', { of: 'star' }).ok },
  symptom: core.madeOf(r).faults.map((f) => f.id), symptomTold: core.madeOf(r).fault('sings')?.checks.length,
  export: { offers: exported.offersOf(drive).filter((o) => o.as === 'plain').map((o) => o.file), terminal: await words('export', 'dial.pendrix.json', '--as', 'plain'), pack: (() => { const p = exported.packFiles(drive, []); return p.ok && p.value.map((f) => f.name); })(), list: (await words('export', 'dial.pendrix.json', '--list')).text.includes('name.txt') },
  table: { page: core.madeOf(r).tables().map((t) => t.id), csv: [...exported.tablesOf(drive).keys()] },
  section: { page: r.judged.mood, terminal: answer.mood },
  dialect: Object.keys(dialects),
  record: { kinds: kindIds, table: versions.some((v) => kinds.note.table in v.stores) },
  station: { places, of: placeOf('sung') },
}));
`;

interface Found {
  readonly [row: string]: unknown;
}
let found: Found = {};
beforeAll(async () => {
  copy = mkdtempSync(path.join(tmpdir(), 'pendrix-'));
  for (const part of ['core', 'cli', 'docs', 'web/src/records', 'web/src/ui/stations.ts', 'web/src/router.ts', 'package.json'])
    cpSync(path.join(root, part), path.join(copy, part), {
      recursive: true,
      filter: (from) => !/(node_modules|screenshots|\.test\.ts$)/.test(from),
    });
  // packages as they are, our own from the copy
  mkdirSync(path.join(copy, 'node_modules/@pendrix'), { recursive: true });
  for (const name of readdirSync(path.join(root, 'node_modules')))
    if (name !== '@pendrix' && !name.startsWith('.'))
      symlinkSync(path.join(root, 'node_modules', name), path.join(copy, 'node_modules', name));
  symlinkSync(path.join(copy, 'core'), path.join(copy, 'node_modules/@pendrix/core'));
  for (const add of Object.values(rows)) add();
  write('probe.ts', PROBE);
  const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', 'probe.ts'], { cwd: copy, maxBuffer: 1e8 });
  found = JSON.parse(stdout) as Found;
}, 120_000);
afterAll(() => rmSync(copy, { recursive: true, force: true }));

describe('what architecture.md says is touched to add a kind is all that is touched', () => {
  test('every row of its table is tried here', () => {
    const table = readFileSync(path.join(root, 'docs/architecture.md'), 'utf8');
    for (const row of Object.keys(rows)) expect([row, table.includes(row)]).toEqual([row, true]);
  });
  test('a chain stage: list of stages, file, documents, card', () => {
    expect(found['stage']).toEqual({ page: true, file: 'twin', docs: true, words: 'Twin drive' });
  });
  test('a source and an output: list and file', () => {
    expect(found['source']).toMatchObject({ page: true, file: true });
    expect(found['output']).toEqual({ page: true, file: true });
  });
  test('a kind of part: list, backup, documents', () => {
    expect(found['part']).toEqual({ page: true, backup: ['gauge'], docs: true });
  });
  test('an edit and a terminal command', () => {
    expect(found['edit']).toMatchObject({ name: 'LOUD' });
    expect(found['command']).toEqual({ run: { code: 0, text: 'hm' }, help: true });
  });
  test('a duty: file, documents, purpose, tab, menu, Job, strip, drawer, terminal, CSV', () => {
    expect(found['duty']).toMatchObject({
      file: true,
      docs: true,
      purpose: expect.stringContaining('hums'),
      tab: true,
      menu: true,
      job: ['hum'],
      cell: 'hum.loud',
      drawer: 'hum.loud',
      csv: true,
    });
    expect((found['duty'] as { terminal: unknown }).terminal).toBeTruthy();
  });
  test('a cause of error: table and terminal', () => {
    expect(JSON.stringify((found['cause'] as { table: unknown }).table)).toContain('moon');
    expect(found['cause']).toMatchObject({ terminal: true });
  });
  test('a drawing: Make, offers, file', () => {
    expect(found['drawing']).toMatchObject({
      page: expect.arrayContaining(['star']),
      offers: expect.arrayContaining(['drawings/star']),
      svg: true,
    });
  });
  test('a symptom, a table of Make, a section', () => {
    expect(found['symptom']).toContain('sings');
    expect(found['symptomTold']).toBe(1);
    expect(found['table']).toMatchObject({
      page: expect.arrayContaining(['names']),
      csv: expect.arrayContaining(['names']),
    });
    expect(found['section']).toEqual({ page: 'good', terminal: 'good' });
  });
  test('an export: offers, terminal, pack, list', () => {
    expect(found['export']).toMatchObject({
      offers: ['name'],
      terminal: { code: 0, text: 'LOUD' },
      pack: expect.arrayContaining(['name.txt']),
      list: true,
    });
  });
  test('a dialect, a kind of record, a station', () => {
    expect(found['dialect']).toContain('morse');
    expect(found['record']).toMatchObject({ kinds: expect.arrayContaining(['note']), table: true });
    expect(found['station']).toMatchObject({ places: expect.arrayContaining(['sing']), of: 'sing' });
  });
});
