import { describe, expect, test } from '@jest/globals';
import { wheelCutter } from '../../testing/samples.ts';
import { newDrive, type Drive } from '../drive.ts';
import type { Stepper } from '../sources/stepper.ts';
import { applyEdit, editLabel } from '../apply-edit.ts';
import type { Edit } from './index.ts';

const base = wheelCutter();

function after(drive: Drive, ...edits: Edit[]): Drive {
  return edits.reduce((d, e) => {
    const result = applyEdit(d, e);
    if (!result.ok) throw new Error(result.refusal.code);
    return result.value;
  }, drive);
}

const motor = (d: Drive): Stepper => d.train.source as Stepper;

const refusal = (edit: Edit, drive = base): string => {
  const r = applyEdit(drive, edit);
  return r.ok ? 'taken' : r.refusal.code;
};

describe('edits', () => {
  test('leave the drive they were given as it is', () => {
    const before = JSON.stringify(base);
    after(base, { do: 'divisions', text: '73' }, { do: 'removeStage', at: 0 }, { do: 'rename', name: 'x' });
    expect(JSON.stringify(base)).toBe(before);
  });

  test.each<[Edit, (d: Drive) => unknown, unknown]>([
    [{ do: 'rename', name: '  Tide   dial ' }, (d) => d.name, 'Tide dial'],
    [{ do: 'divisions', text: ' 55, 60-63 ' }, (d) => d.job.divisions, '55, 60-63'],
    [{ do: 'tolerance', as: 'angle', text: '±20″' }, (d) => d.job.toleranceArcsec, '20'],
    [{ do: 'tolerance', as: 'angle', text: '0.9 deg' }, (d) => d.job.toleranceArcsec, '3240'],
    [
      { do: 'tolerance', as: 'length', text: '5 µm', radius: '30' },
      (d) => [d.job.toleranceMm, d.job.radiusMm],
      ['1/200', '30'],
    ],
    [{ do: 'radius', text: '1 in' }, (d) => d.job.radiusMm, '127/5'],
    [{ do: 'notes', text: 'by ear' }, (d) => d.job.notes, 'by ear'],
    [{ do: 'source', key: 'fullSteps', text: '400' }, (d) => motor(d).fullSteps, 400],
    [{ do: 'mode', mode: 32 }, (d) => motor(d).mode, 32],
    [{ do: 'modes', text: '1/1, 1/8 4' }, (d) => [motor(d).modes, motor(d).mode], [[1, 4, 8], 8]],
    [
      { do: 'stage', at: 0, key: 'z2', text: '73' },
      (d) => d.train.stages[0],
      { kind: 'belt', z1: 20, z2: 73, pitchMm: 2 },
    ],
    [
      { do: 'stage', at: 0, key: 'pitchMm', text: '' },
      (d) => d.train.stages[0],
      { kind: 'belt', z1: 20, z2: 76 },
    ],
    [
      { do: 'addStage', kind: 'spur', at: 1 },
      (d) => d.train.stages.map((s) => s.kind),
      ['belt', 'spur', 'worm'],
    ],
    [{ do: 'removeStage', at: 0 }, (d) => d.train.stages.map((s) => s.kind), ['worm']],
    [{ do: 'moveStage', from: 0, to: 1 }, (d) => d.train.stages.map((s) => s.kind), ['worm', 'belt']],
    [{ do: 'dismiss', caution: 'spindle' }, (d) => d.dismissed, ['spindle']],
  ])('%j', (edit, read, want) => {
    expect(read(after(base, edit))).toEqual(want);
    expect(editLabel(edit, base).length).toBeGreaterThan(3);
  });

  test.each<[Edit, string]>([
    [{ do: 'rename', name: '   ' }, 'noName'],
    [{ do: 'rename', name: 'x'.repeat(121) }, 'tooLong'],
    [{ do: 'divisions', text: '60, 12.5' }, 'notWhole'],
    [{ do: 'tolerance', as: 'angle', text: '-5' }, 'negative'],
    [{ do: 'tolerance', as: 'length', text: '0.1 mm' }, 'noRadius'],
    [{ do: 'tolerance', as: 'length', text: '0.1 mm', radius: 'x' }, 'notLength'],
    [{ do: 'radius', text: 'far' }, 'notLength'],
    [{ do: 'notes', text: 'x'.repeat(2001) }, 'tooLong'],
    [{ do: 'source', key: 'fullSteps', text: '0' }, 'zero'],
    [{ do: 'source', key: 'nothing', text: '1' }, 'unknownEdit'],
    [{ do: 'mode', mode: 3 }, 'notAMode'],
    [{ do: 'modes', text: 'fine' }, 'notModes'],
    [{ do: 'modes', text: '' }, 'empty'],
    [{ do: 'stage', at: 9, key: 'z1', text: '20' }, 'noSuchStage'],
    [{ do: 'stage', at: 0, key: 'z1', text: '7.5' }, 'notWhole'],
    [{ do: 'stage', at: 0, key: 'pitchMm', text: '1000' }, 'tooLarge'],
    [{ do: 'removeStage', at: 2 }, 'noSuchStage'],
    [{ do: 'moveStage', from: 0, to: 5 }, 'noSuchStage'],
    [{ do: 'addStage', kind: 'spur', at: 9 }, 'noSuchStage'],
  ])('%j is refused: %s', (edit, want) => {
    expect(refusal(edit)).toBe(want);
  });

  test('a tolerance goes over from angle to length and back, never both', () => {
    const length = after(
      base,
      { do: 'tolerance', as: 'angle', text: '20' },
      { do: 'tolerance', as: 'length', text: '0.02', radius: '30' },
    );
    expect([length.job.toleranceArcsec, length.job.toleranceMm]).toEqual([undefined, '1/50']);
    expect(refusal({ do: 'radius', text: '' }, length)).toBe('noRadius');
    const none = after(length, { do: 'tolerance', as: 'none', text: '' });
    expect(none.job).toEqual({ divisions: '60, 73, 95, 97', radiusMm: '30' });
  });

  test('a ring must be larger than the wheel in it', () => {
    const ring = after(base, { do: 'addStage', kind: 'internal', at: 0 });
    expect(refusal({ do: 'stage', at: 0, key: 'z2', text: '16' }, ring)).toBe('sameTeeth');
  });

  test('a train holds at most forty stages', () => {
    const adds = Array.from({ length: 38 }, (): Edit => ({ do: 'addStage', kind: 'spur', at: 0 }));
    expect(refusal({ do: 'addStage', kind: 'spur', at: 0 }, after(base, ...adds))).toBe('tooManyStages');
  });

  test('keys that are not known stay in a stage that is edited', () => {
    const odd = {
      ...base,
      train: { ...base.train, stages: [{ ...base.train.stages[0]!, runoutMm: 0.05 } as never] },
    };
    expect(after(odd, { do: 'stage', at: 0, key: 'z2', text: '73' }).train.stages[0]).toHaveProperty(
      'runoutMm',
      0.05,
    );
  });

  test('another source keeps what both know and takes its own defaults', () => {
    const spring = after(base, { do: 'source', key: 'rpm', text: '3' }, { do: 'sourceKind', kind: 'spring' });
    expect(spring.train.source).toEqual({
      kind: 'spring',
      storedTurns: '6',
      arborPerBarrelTurn: '60',
      rpm: '3',
    });
    expect(refusal({ do: 'mode', mode: 8 }, spring)).toBe('unknownEdit');
    const back = after(spring, { do: 'sourceKind', kind: 'stepper' });
    expect([motor(back).mode, motor(back).modes.length]).toEqual([16, 6]);
    expect(after(base, { do: 'sourceKind', kind: 'encoderMotor' }).train.source).toEqual({
      kind: 'encoderMotor',
      lines: 600,
      decode: 4,
    });
  });

  test('an output goes over to another kind; a length along a circle needs its radius', () => {
    const screw = after(
      base,
      { do: 'outputKind', kind: 'screw' },
      { do: 'output', key: 'leadMm', text: '1/8' },
    );
    expect(screw.train.output).toEqual({ kind: 'screw', leadMm: '1/8' });
    const tight = after(screw, { do: 'tolerance', as: 'length', text: '0.01' });
    expect(tight.job.toleranceMm).toBe('1/100');
    expect(refusal({ do: 'outputKind', kind: 'rotary' }, tight)).toBe('noRadius');
    expect(refusal({ do: 'moves', text: '1, sideways' }, screw)).toBe('noTravel');
    expect(after(screw, { do: 'moves', text: ' 1, 2π ' }).job.moves).toBe('1, 2π');
    expect(after(screw, { do: 'moves', text: '1' }, { do: 'moves', text: '' }).job.moves).toBeUndefined();
  });

  test('the encoder stays on its own shaft when stages come and go before it', () => {
    const on = after(base, { do: 'addEncoder' }, { do: 'encoder', key: 'shaft', text: '1' });
    expect(on.encoder).toEqual({ lines: 600, decode: 4, shaft: 1 });
    expect(after(on, { do: 'addStage', kind: 'spur', at: 0 }).encoder?.shaft).toBe(2);
    expect(after(on, { do: 'addStage', kind: 'spur', at: 2 }).encoder?.shaft).toBe(1);
    expect(after(on, { do: 'removeStage', at: 0 }).encoder?.shaft).toBe(0);
    expect(refusal({ do: 'encoder', key: 'shaft', text: '3' }, on)).toBe('noSuchShaft');
    expect(after(on, { do: 'encoder', key: 'decode', text: '2' }).encoder?.decode).toBe(2);
    expect(after(on, { do: 'removeEncoder' }).encoder).toBeUndefined();
    expect(refusal({ do: 'encoder', key: 'lines', text: '100' })).toBe('noEncoder');
    const bare = after(
      on,
      { do: 'encoder', key: 'shaft', text: '2' },
      { do: 'train', train: { ...base.train, stages: [] }, label: 'bare' },
    );
    expect(bare.encoder?.shaft).toBe(0);
  });

  test('limits of turning are kept as turns, and taken away when both are empty', () => {
    const limited = after(base, { do: 'limits', back: '', forth: '1/2', why: 'cables' });
    expect(limited.train.limits).toEqual({ back: '0', forth: '1/2', why: 'cables' });
    expect(refusal({ do: 'limits', back: '0', forth: '0' })).toBe('limitBackwards');
    expect(refusal({ do: 'limits', back: '-1', forth: '1' })).toBe('negative');
    expect(after(limited, { do: 'limits', back: ' ', forth: '' }).train.limits).toBeUndefined();
    // back was kept as 0 when forth was written: emptying forth is enough
    expect(after(limited, { do: 'limits', back: '0', forth: '' }).train.limits).toBeUndefined();
    expect(after(limited, { do: 'limits', back: '1', forth: '' }).train.limits).toMatchObject({
      back: '1',
      forth: '0',
    });
  });

  test('the members of a planetary set move out of the way, so that each can be chosen alone', () => {
    const set = after(base, { do: 'addStage', kind: 'planetary', at: 0 });
    expect(set.train.stages[0]).toMatchObject({ fixed: 'ring', in: 'sun', out: 'carrier' });
    const held = after(set, { do: 'stage', at: 0, key: 'fixed', text: 'sun' });
    expect(held.train.stages[0]).toMatchObject({ fixed: 'sun', in: 'ring', out: 'carrier' });
  });

  test('another stage takes the place of one, and keeps its name and play', () => {
    const box = after(
      base,
      { do: 'stage', at: 0, key: 'name', text: 'small box' },
      { do: 'stage', at: 0, key: 'playArcmin', text: '30' },
    );
    const now = after(box, {
      do: 'replaceStage',
      at: 0,
      kind: 'ratio',
      with: { value: '206/15', provenance: 'measured' },
    });
    expect(now.train.stages[0]).toEqual({
      kind: 'ratio',
      value: '206/15',
      provenance: 'measured',
      name: 'small box',
      playArcmin: 30,
    });
    expect(now.train.stages.length).toBe(2);
    expect(refusal({ do: 'replaceStage', at: 0, kind: 'ratio', with: { value: '0' } })).toBe('zero');
    expect(refusal({ do: 'replaceStage', at: 9, kind: 'ratio', with: { value: '2' } })).toBe('noSuchStage');
  });

  test('a box takes pairs, its label, or both, but not neither', () => {
    const box = after(base, { do: 'addStage', kind: 'box', at: 0 });
    expect(box.train.stages[0]).toEqual({ kind: 'box', ratio: '45', provenance: 'nominal' });
    const pairs = after(box, { do: 'stage', at: 0, key: 'pairs', text: '9:32, 11:22' });
    expect(pairs.train.stages[0]).toMatchObject({
      pairs: [
        [9, 32],
        [11, 22],
      ],
      ratio: '45',
    });
    expect(refusal({ do: 'stage', at: 0, key: 'pairs', text: '9:32, 11' }, box)).toBe('notPair');
    expect(refusal({ do: 'stage', at: 0, key: 'ratio', text: '' }, box)).toBe('noRatio');
    expect(refusal({ do: 'addStage', kind: 'spur', at: 0, with: { z1: 0, z2: 20 } })).toBe('zero');
  });
});

describe('a stage again', () => {
  const worm = {
    do: 'addStage',
    kind: 'worm',
    at: 0,
    with: { starts: 1, wheel: 50, name: 'first' },
  } as const;
  const one = applyEdit(newDrive('great'), worm);
  if (!one.ok) throw new Error('refused');

  test('fifteen more of it make sixteen, the copies without its name', () => {
    const many = applyEdit(one.value, { do: 'repeatStage', at: 0, times: 15 });
    const stages = many.ok ? many.value.train.stages : [];
    expect(stages.map((s) => [s.kind, s.name])).toEqual([
      ['worm', 'first'],
      ...Array.from({ length: 15 }, () => ['worm', undefined]),
    ]);
    expect(new Set(stages).size).toBe(16);
  });

  test('an encoder behind it stays where it was', () => {
    const seen = applyEdit(
      { ...one.value, encoder: { lines: 600, decode: 4, shaft: 1 } },
      { do: 'repeatStage', at: 0, times: 2 },
    );
    expect(seen.ok && seen.value.encoder?.shaft).toBe(3);
  });

  test.each([
    [{ at: 3, times: 1 }, 'noSuchStage'],
    [{ at: 0, times: 0 }, 'tooSmall'],
    [{ at: 0, times: 1.5 }, 'tooSmall'],
    [{ at: 0, times: 40 }, 'tooManyStages'],
  ])('%j is refused', (how, code) => {
    const read = applyEdit(one.value, { do: 'repeatStage', ...how });
    expect(read.ok ? 'read' : read.refusal.code).toBe(code);
  });
});
