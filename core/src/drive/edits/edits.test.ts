import { describe, expect, test } from '@jest/globals';
import { wheelCutter } from '../../testing/samples.ts';
import type { Drive } from '../drive.ts';
import { applyEdit, editSays, type Edit } from './index.ts';

const base = wheelCutter();

function after(drive: Drive, ...edits: Edit[]): Drive {
  return edits.reduce((d, e) => {
    const result = applyEdit(d, e);
    if (!result.ok) throw new Error(result.refusal.code);
    return result.value;
  }, drive);
}

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
    [{ do: 'source', key: 'fullSteps', text: '400' }, (d) => d.train.source.fullSteps, 400],
    [{ do: 'mode', mode: 32 }, (d) => d.train.source.mode, 32],
    [{ do: 'modes', text: '1/1, 1/8 4' }, (d) => [d.train.source.modes, d.train.source.mode], [[1, 4, 8], 8]],
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
    expect(editSays(edit, base).length).toBeGreaterThan(3);
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
});
