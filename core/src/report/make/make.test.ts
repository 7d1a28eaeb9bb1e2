import { describe, expect, test } from '@jest/globals';
import { applyEdit, newDrive, type Drive, type Stage } from '../../drive/index.ts';
import { readMeshLog, turnText, withMeshMove } from '../../make/index.ts';
import { report } from '../report.ts';
import { beltReports, beltRows } from './belts.ts';
import { meshChoices, meshReport } from './mesh.ts';
import { WHEEL_HEAD, wheelRows } from './cut-list.ts';
import { wheelReports } from './wheels.ts';

const drive = (stages: readonly object[], job: Partial<Drive['job']> = {}): Drive => ({
  ...newDrive('x'),
  job: { divisions: '', ...job },
  train: { ...newDrive('x').train, stages: stages as readonly Stage[] },
});
const head = drive(
  [
    { kind: 'belt', z1: 20, z2: 76, pitchMm: 2, beltTeeth: 100 },
    { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 },
  ],
  { divisions: '12, 73' },
);

describe('the cut list', () => {
  test('wheels of the train, then those of the work', () => {
    expect(wheelReports(head).map((w) => w.title)).toEqual([
      '1 · driver pulley, 20',
      '2 · driven pulley, 76',
      '3 · worm wheel, 90',
      'work, 12',
      'work, 73',
    ]);
  });
  test('73 of module 1: two passes, 1.60 then 0.65; 1.85 and 2.43 wide at the rim', () => {
    const w = wheelReports(head)
      .find((r) => r.wheel.key === 'work-73')!
      .of();
    expect(w.passes.map((p) => [p.feed, p.depth, p.gap, p.left])).toEqual([
      ['1.60', '1.60', '1.85', '0.65'],
      ['0.65', '2.25', '2.43', '0'],
    ]);
    expect(w.measure.map((m) => m.text)).toEqual(['26.116', '75.422', '1.571', '1.008']);
    expect(w.cutter).toMatchObject({ customA: 2, customB: 7 });
  });
  test('12 teeth say what keeps their root whole', () => {
    const w = wheelReports(head)
      .find((r) => r.wheel.key === 'work-12')!
      .of();
    expect(w.message[0]).toBe('Module 1.00 mm is assumed, nobody gave it: every size here goes by it.');
    expect(w.message[1]).toBe(
      'From 17 teeth on a root stays whole at 20°; with 12 a shift of 0.29 keeps it so, and is taken.',
    );
    expect(w.blank[0]).toMatchObject({ label: 'Turn outside to', text: '14.588' });
  });
  test('a table as the file tells it', () => {
    const [worm] = wheelRows(head);
    expect(Object.fromEntries(WHEEL_HEAD.map((h, i) => [h, worm![i]]))).toMatchObject({
      wheel: '3',
      teeth: '90',
      'outside (mm)': '92',
      'cutter range': '55-134',
    });
    const tap = drive([{ kind: 'worm', starts: 1, wheel: 72, cut: 'tap', threadPitchMm: 3 }]);
    expect(wheelRows(tap)[0]!.slice(0, 3)).toEqual(['1', '72', '70.5951']);
    expect(wheelReports(tap)[0]!.of().cutterMessage).toContain('tap or thread of 3');
  });
  test('a ring, a pulley and few teeth say why no cutter is named', () => {
    const of = (stage: object, at: number) => wheelReports(drive([stage]))[at]!.of().cutterMessage;
    expect(of({ kind: 'internal', z1: 16, z2: 80 }, 1)).toContain('ring');
    expect(of({ kind: 'belt', z1: 20, z2: 76 }, 0)).toContain('pulley');
    expect(of({ kind: 'spur', z1: 9, z2: 60 }, 0)).toContain('Under 12');
  });
  test('a wheel that cannot be made marks the station', () => {
    const bad = drive([{ kind: 'spur', z1: 12, z2: 60, moduleMm: 1, inBoreMm: 30 }]);
    expect(wheelReports(bad)[0]!.of().refusal).toContain('leaves nothing under the teeth');
    const mark = (d: Drive) =>
      report(d)
        .marks(0)
        .find((m) => m.concern === 'made');
    expect(mark(bad)).toMatchObject({ mark: 'diamond' });
    expect(mark(head)).toMatchObject({ mark: 'dot', reason: 'one wheel to make' });
    expect(mark(drive([]))).toMatchObject({ mark: 'ring' });
  });
});

describe('belts', () => {
  test('the chosen, the owned and the near, with their centres', () => {
    const owned = [{ id: 'b', kind: 'belt', own: 2, teeth: 158, pitchMm: 2, widthMm: 6 }] as never;
    const [b] = beltReports(head, owned);
    expect(b!.lines.find((l) => l.chosen)).toMatchObject({ teeth: 100, centre: '48.700', inMesh: '7.614' });
    expect(b!.lines.find((l) => l.teeth === 158)).toMatchObject({ own: 2 });
    expect(b!.message).toContain('48.700 mm apart');
    expect(beltRows(head)).toEqual([['20:76', '100', '48.700', '7.614']]);
  });
  test('one too short says which goes round', () => {
    const [b] = beltReports(drive([{ kind: 'belt', z1: 20, z2: 76, pitchMm: 2, beltTeeth: 50 }]), []);
    expect(b!.lines.find((l) => l.chosen)!.graded.word).toBe('Too short');
    expect(b!.message).toMatch(/too short for these pulleys: \d+ go round/);
  });
});

describe('setting a mesh, kept with the drive', () => {
  const felt = (
    d: Drive,
    ...feels: readonly Parameters<NonNullable<ReturnType<typeof meshReport>>['entry']>[0][]
  ): Drive =>
    feels.reduce<Drive>((now, f) => {
      const made = applyEdit(now, meshReport(now, 1)!.entry(f, {}));
      expect(made.ok).toBe(true);
      return made.ok ? made.value : now;
    }, d);
  test('each feel is an edit; the log is text in the stage, and is read back', () => {
    const after = felt(head, 'binds', 'rattles', 'stiff');
    expect(after.train.stages[1]!.meshLog).toBe('0 binds; 16/128 rattles; -8/128 stiff');
    const m = meshReport(after, 1)!;
    expect(m.rows.map((r) => [r.turned, r.stands, r.side])).toEqual([
      ['as found', '0', 'tight'],
      ['+1/8', '1/8', 'loose'],
      ['−1/16', '1/16', 'tight'],
    ]);
    expect(m.next.title).toBe('Turn out 1/32, to 3/32');
  });
  test('with a screw it says how far, and what of play', () => {
    const made = applyEdit(felt(head, 'binds'), { do: 'stage', at: 1, key: 'meshScrewMm', text: '0.7' });
    expect(made.ok && meshReport(made.value, 1)!.next.message).toContain(
      '0.087 mm apart, about 0.064 mm of play',
    );
  });
  test('smooth, then locked and smooth, is set; put away, it stands among the past', () => {
    const set = felt(head, 'smooth', 'smooth');
    expect(meshReport(set, 1)!.next.title).toBe('It is set');
    const [past, empty] = meshReport(set, 1)!.again;
    const one = applyEdit(set, past!);
    const two = one.ok ? applyEdit(one.value, empty!) : one;
    expect(two.ok && meshReport(two.value, 1)).toMatchObject({
      rows: [],
      past: ['stood at 0, smooth, no rattle, 2 felt'],
    });
  });
  test('the last can be taken back', () => {
    const after = felt(head, 'binds', 'rattles');
    const made = applyEdit(after, meshReport(after, 1)!.back!);
    expect(made.ok && made.value.train.stages[1]!.meshLog).toBe('0 binds');
  });
  test('pairs and worms can be set, belts not; no stage, no mesh', () => {
    expect(meshChoices(head).map((c) => c.stage)).toEqual([1]);
    expect(meshReport(head, 7)).toBeNull();
  });
  test('what cannot be read in a log is passed over; turns are told as fractions', () => {
    expect(readMeshLog('0 binds; nonsense; x smooth; lock smooth; 1/4 rattles rocks unsnugged')).toEqual([
      { turns: 0, felt: 'binds' },
      { turns: 0, felt: 'smooth', locked: true },
      { turns: 0.25, felt: 'rattles', rocks: true, loose: true },
    ]);
    expect([0.3125, -0.5, 1.25, 0].map(turnText)).toEqual(['5/16', '-1/2', '1 1/4', '0']);
    expect(withMeshMove('', { turns: -0.25, felt: 'stiff', rocks: true })).toBe('-32/128 stiff rocks');
  });
});
