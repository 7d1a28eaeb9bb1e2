import { describe, expect, test } from '@jest/globals';
import { applyEdit, designOf, driveFault, newDrive, type Drive, type LogEntry } from '../drive/index.ts';
import {
  backWarning,
  compareRevisions,
  figuresText,
  logReport,
  sharesChart,
  timeLine,
} from '../report/index.ts';
import { readDrive, writeDrive } from '../files/index.ts';
import {
  curesTakenBack,
  dueBy,
  freeEntryId,
  logLines,
  openComplaints,
  readExposure,
  readValues,
  revisionAt,
  seriesOf,
  sharesOf,
  valuesText,
} from './index.ts';

const done = (drive: Drive, ...edits: Parameters<typeof applyEdit>[1][]): Drive =>
  edits.reduce((d, e) => {
    const made = applyEdit(d, e);
    if (!made.ok) throw new Error(made.refusal.code);
    return made.value;
  }, drive);
const entry = (id: string, more: Partial<LogEntry> = {}): LogEntry => ({
  id,
  kind: 'measurement',
  at: '2026-11-02 20:00',
  words: 'x',
  ...more,
});
const put = (e: LogEntry) => ({ do: 'log', entry: e, message: 'm' }) as const;
const base = newDrive('Cradle');
const stage = (z2: number) => ({ do: 'stage', at: 0, key: 'z2', text: String(z2) }) as const;
const drive = done(
  base,
  { do: 'addStage', kind: 'spur', at: 0 } as never,
  { do: 'keep', reason: 'first light', at: '2026-11-01 10:00' },
  put(entry('c', { kind: 'complaint', words: 'it knocks', at: '2026-11-03', revision: 1 })),
  stage(61),
  { do: 'keep', reason: 'a larger wheel', at: '2026-11-05 10:00' },
  put(
    entry('m', {
      closes: 'c',
      at: '2026-11-06',
      revision: 2,
      values: [{ name: 'Play', value: 40, unit: '″', plusMinus: 6 }],
    }),
  ),
  put(entry('n', { at: '2026-11-08', revision: 2, values: [{ name: 'play', value: 31, unit: '″' }] })),
  put(entry('o', { kind: 'lubrication', words: 'worm oiled', at: '2026-11-01', due: '2026-11-20' })),
  put(
    entry('e', {
      kind: 'exposure',
      at: '2026-11-09',
      revision: 2,
      exposure: { focalMm: 135, seconds: 60, kept: 7, taken: 9 },
    }),
  ),
);

describe('revisions', () => {
  test('the same design is kept once, with a reason', () => {
    expect(applyEdit(drive, { do: 'keep', reason: 'again', at: '2026-11-09' })).toMatchObject({
      ok: false,
      refusal: { code: 'sameDesign', given: '2' },
    });
    expect(applyEdit(drive, { do: 'keep', reason: ' ', at: '2026-11-09' }).ok).toBe(false);
  });
  test('going back brings the design, keeps what stood, and marks what came after as taken back', () => {
    const changed = done(drive, stage(70));
    const back = done(changed, { do: 'goBack', to: 1, at: '2026-11-10 09:00' });
    expect(designOf(back)).toEqual(drive.revisions![0]!.design);
    expect(back.revisions!.map((r) => [r.n, r.takenBack ?? false, r.backTo ?? null])).toEqual([
      [1, false, null],
      [2, true, null],
      [3, true, null],
      [4, false, 1],
    ]);
    expect(back.revisions![2]!.design.train.stages[0]).toMatchObject({ z2: 70 });
    expect(back.log).toEqual(drive.log);
    expect(applyEdit(drive, { do: 'goBack', to: 9, at: '2026-11-10' }).ok).toBe(false);
    expect(applyEdit(back, { do: 'goBack', to: 4, at: '2026-11-10' }).ok).toBe(false);
  });
  test('two are compared figure by figure', () => {
    const rows = compareRevisions(drive, 1, 2)!;
    expect(rows.filter((r) => r.differs).map((r) => r.label)).toEqual(
      expect.arrayContaining(['reduction', 'stage 1']),
    );
    expect(compareRevisions(drive, 2, 0)!.some((r) => r.differs)).toBe(false);
    expect(compareRevisions(drive, 1, 7)).toBeNull();
  });
  test('taking back a change that cured a complaint warns', () => {
    expect(curesTakenBack(drive, 1).map((c) => c.id)).toEqual(['c']);
    expect(backWarning(drive, 1)).toContain('“it knocks”');
    expect(backWarning(drive, 2)).toBeNull();
  });
  test('which was in force at a moment', () => {
    expect(
      ['2026-10-30', '2026-11-01', '2026-11-04 12:00', '2026-12-01'].map((at) => revisionAt(drive, at)),
    ).toEqual([null, 1, 1, 2]);
  });
});

describe('the log', () => {
  test('a complaint stays open until a measurement closes it', () => {
    expect(openComplaints(drive)).toEqual([]);
    const open = done(drive, { do: 'log', remove: 'm', message: 'm' });
    expect(openComplaints(open).map((c) => c.id)).toEqual(['c']);
  });
  test('what was oiled falls due, and doing it again puts it off', () => {
    expect(dueBy(drive, '2026-11-19')).toEqual([]);
    expect(dueBy(drive, '2026-11-20').map((e) => e.id)).toEqual(['o']);
    const again = done(
      drive,
      put(entry('p', { kind: 'lubrication', words: 'worm oiled', at: '2026-11-21', due: '2027-03-01' })),
    );
    expect(dueBy(again, '2026-11-25')).toEqual([]);
  });
  test('a figure over time, whatever its capitals; shares with their interval', () => {
    expect(seriesOf(drive)).toEqual([
      {
        name: 'Play',
        unit: '″',
        points: [
          { at: '2026-11-06', revision: 2, value: 40, plusMinus: 6 },
          { at: '2026-11-08', revision: 2, value: 31, plusMinus: null },
        ],
      },
    ]);
    const [share] = sharesOf(drive);
    expect([share!.revision, share!.low.toFixed(2), share!.high.toFixed(2)]).toEqual([2, '0.45', '0.94']);
  });
  test('runs, build steps and faults come by themselves, the newest first', () => {
    const kept: Drive = {
      ...drive,
      build: { steps: [{ id: 's', title: 'Work shaft', gate: 'turns freely', done: '2026-11-04' }] },
      bench: { faults: 'jerks.mode not 2026-11-07; nonsense' },
    };
    const run = {
      id: 'r',
      name: '60 divisions',
      state: {
        plan: { divisions: 60, stepsPerTurn: '200', reduction: '1' },
        gap: 3,
        finished: false,
        paused: false,
        startedAt: Date.UTC(2026, 10, 10),
        moves: [],
      },
    };
    const lines = logLines(kept, [{ ...run, done: '2 of 60 gaps' }]);
    expect(lines[0]).toMatchObject({ kind: 'run', words: '60 divisions: 2 of 60 gaps', revision: 2 });
    expect(lines.map((l) => l.kind)).toEqual(expect.arrayContaining(['build', 'fault']));
    const at = lines.map((l) => l.at);
    expect(at).toEqual([...at].sort().reverse());
  });
  test('filters and words; what is open or due', () => {
    const of = (filter: 'all' | 'open' | 'exposures', sought = '') =>
      logReport(drive, { runs: [], filter, sought, day: '2026-12-01', offset: 0 }).rows.map((r) => r.line.id);
    expect(of('open')).toEqual(['o']);
    expect(of('exposures')).toEqual(['e']);
    expect(of('all', 'knocks')).toEqual(['c']);
    expect(of('all', 'play 31')).toEqual(['n']);
  });
  test('figures as they are read: a sign of angle at its figure, a word apart, nothing where there is no unit', () => {
    expect(
      ([['″', 6], ['dB', 0.5], ['']] as const).map(([unit, plusMinus]) =>
        figuresText({ values: [{ name: 'x', value: 40, unit, ...(plusMinus && { plusMinus }) }] }),
      ),
    ).toEqual(['x 40.0″ ± 6.00', 'x 40.0 dB ± 0.50', 'x 40.0']);
  });
  test('figures as typed: name, value, ±, unit; others are refused', () => {
    const read = readValues('play at 60 mm 40 ± 6 ″; noise: 52,5 dB');
    expect(read.ok && read.value).toEqual([
      { name: 'play at 60 mm', value: 40, plusMinus: 6, unit: '″' },
      { name: 'noise', value: 52.5, unit: 'dB' },
    ]);
    expect(read.ok && valuesText(read.value)).toBe('play at 60 mm 40 ± 6 ″; noise 52.5 dB');
    for (const bad of ['forty', '40', '± 6', 'play']) expect([bad, readValues(bad).ok]).toEqual([bad, false]);
    expect(readValues('')).toEqual({ ok: true, value: [] });
    expect(freeEntryId(drive)).not.toBe('m');
  });
  test('the time line keeps heads apart and within', () => {
    const line = timeLine(drive, logLines(drive, []), 0.3)!;
    expect(line.revisions[1]!.head - line.revisions[0]!.head).toBeGreaterThanOrEqual(0.3 - 1e-9);
    expect(line.revisions[1]!.head).toBeLessThanOrEqual(0.7 + 1e-9);
    expect(timeLine(base, [], 0.1)).toBeNull();
  });
});

describe('in a file', () => {
  test('log and revisions are written and read back', () => {
    const back = readDrive(writeDrive(drive));
    expect(back.ok && back.value).toEqual(drive);
    expect(driveFault(drive)).toBeNull();
  });
  test.each([
    [{ log: [{ id: 'a', kind: 'rant', at: '2026-11-01', words: '' }] }, 'log[0].kind'],
    [{ log: [entry('a'), entry('a')] }, 'log[1].id'],
    [{ log: [entry('a', { at: 'yesterday' })] }, 'log[0].at'],
    [
      { log: [entry('a', { values: [{ name: 'x', value: Number.NaN, unit: '' }] })] },
      'log[0].values[0].value',
    ],
    [
      { log: [entry('a', { exposure: { focalMm: 50, seconds: 1, kept: 3, taken: 2 } })] },
      'log[0].exposure.kept',
    ],
    [{ revisions: [{ n: 2, at: '2026-11-01', reason: '', design: designOf(drive) }] }, 'revisions[0].n'],
    [
      { revisions: [{ n: 1, at: '2026-11-01', reason: '', design: { train: {} } }] },
      'revisions[0].design.train',
    ],
    [{ log: {} }, 'log'],
  ])('bad ones are refused by their place: %#', (more, path) => {
    const fault = driveFault({ ...base, ...more });
    expect(fault?.path).toContain(path);
    expect(readDrive(writeDrive({ ...base, ...(more as Partial<Drive>) })).ok).toBe(false);
  });
});

describe('an exposure as typed', () => {
  const typed = { focalMm: '135', seconds: '60', kept: '38', taken: '40' };
  test('is read; none kept is one, too', () => {
    expect(readExposure(typed)).toEqual({
      ok: true,
      value: { focalMm: 135, seconds: 60, kept: 38, taken: 40 },
    });
    expect(readExposure({ ...typed, kept: '0' })).toMatchObject({ value: { kept: 0 } });
  });
  test.each([
    [{ focalMm: 'long' }, 'lens'],
    [{ seconds: '' }, 'each'],
    [{ taken: '-1' }, 'taken'],
    [{ kept: '41' }, 'kept'],
  ])('%j is refused by its field', (more, place) => {
    const read = readExposure({ ...typed, ...more });
    expect(read.ok || read.refusal.path).toBe(place);
  });
});

test('shares of two revisions are a chart with their intervals; one alone is none', () => {
  const exposed = (id: string, revision: number, kept: number, taken: number): LogEntry =>
    entry(id, { kind: 'exposure', revision, exposure: { focalMm: 135, seconds: 60, kept, taken } });
  const of = (...log: LogEntry[]) => sharesChart(sharesOf({ ...base, log }));
  expect(of(exposed('a', 1, 7, 9), exposed('b', 1, 1, 1))).toBeNull();
  const chart = of(exposed('a', 2, 7, 9), exposed('b', 1, 2, 9))!;
  expect(chart.series.map((s) => s.points.map(([x, y]) => [x, Math.round(y)]))).toEqual([
    [
      [1, 22],
      [2, 78],
    ],
    [
      [1, 6],
      [2, 45],
    ],
    [
      [1, 55],
      [2, 94],
    ],
  ]);
  expect(chart.message).toBe('2 of 9: 6 to 55 % with revision 1, 7 of 9: 45 to 94 % with 2.');
});
