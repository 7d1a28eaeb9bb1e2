import { describe, expect, test } from '@jest/globals';
import { newDrive } from '../../drive/index.ts';
import { applyEdit, pathOf, trainsOf, type Drive, type Edit } from '../../drive/index.ts';
import {
  branchEdits,
  branchRows,
  setTrueRatio,
  trueRatioAsked,
  trueRatioReport,
  wheelTrains,
  type TrueRatioAsked,
} from '../index.ts';

const typed = (
  key: Parameters<typeof setTrueRatio>[1],
  text: string,
  from = trueRatioAsked(48),
): TrueRatioAsked => {
  const next = setTrueRatio(from, key, text);
  if (!next.ok) throw new Error(next.refusal.code);
  return next.value;
};
const code = (key: Parameters<typeof setTrueRatio>[1], text: string): string => {
  const next = setTrueRatio(trueRatioAsked(48), key, text);
  return next.ok ? 'taken' : next.refusal.code;
};

describe('what a gearbox really is', () => {
  test('a count gives its interval, its middle with its ±, and the fractions in it', () => {
    // ten turns, 30 572 ± 4 of 48 steps: 63.6833 to 63.7
    const told = trueRatioReport(typed('steps', '30572'));
    expect(told.message).toBe('63.68333 to 63.70000');
    expect(told.measured).toEqual({
      text: '63.691667 ± 0.008333',
      use: { kind: 'ratio', values: { value: '7643/120', provenance: 'measured', plusMinus: '1/120' } },
    });
    expect(told.fractions[0]).toEqual({
      text: '637/10',
      value: '63.70000',
      use: { kind: 'ratio', values: { value: '637/10', provenance: 'nominal' } },
    });
    // 9:32, 11:22, 9:26, 10:31: 25 792/405 is 63.68395
    expect(told.boxes.filter((b) => b.inside).map((b) => b.label)).toEqual(['64']);
    expect(told.refuses).toBeNull();
  });

  test('a count that is sure is a ratio as it stands', () => {
    const sure = trueRatioReport(typed('off', '0', typed('steps', '480')));
    expect(sure.measured?.use.values).toEqual({ value: '1', provenance: 'nominal' });
  });

  test('a label, and how far it may be off', () => {
    const label = { ...typed('label', '45:1'), by: 'label' as const };
    expect(trueRatioReport(label).message).toBe('44.55000 to 45.45000');
    expect(trueRatioReport(label).measured).toBeNull();
    expect(trueRatioReport(typed('percent', '100', label)).message).toContain('may not be off by all');
  });

  test('nothing is known yet, or nothing can be', () => {
    const none = trueRatioReport(trueRatioAsked(48));
    expect([none.message, none.refuses, none.fractions]).toEqual([
      'Type how many steps the source made.',
      '',
      [],
    ]);
    expect(wheelTrains(trueRatioAsked(48))).toEqual([]);
    expect(trueRatioReport(typed('off', '9', typed('steps', '5'))).message).toContain('none at all');
  });

  test('what is no number of its kind is refused', () => {
    expect([
      code('steps', 'many'),
      code('steps', '-3'),
      code('steps', '0'),
      code('off', '0'),
      code('label', '-45:1'),
      code('pairs', '5'),
      code('pairs', '4'),
    ]).toEqual(['notNumber', 'negative', 'zero', 'taken', 'negative', 'tooLarge', 'taken']);
  });

  test('wheels that make it, as the stage they would become; too many are refused first', () => {
    const asked = { ...typed('steps', '1920'), teeth: { from: 12, to: 48 }, pairs: 1 };
    expect(wheelTrains(typed('off', '0', asked))[0]).toEqual({
      text: '4',
      value: '4.00000',
      words: '12:48',
      use: { kind: 'box', values: { pairs: [[12, 48]], guessed: true } },
    });
    expect(trueRatioReport({ ...asked, teeth: { from: 8, to: 400 }, pairs: 4 }).refuses).toContain(
      'Allow fewer pairs',
    );
  });
});

describe('two branches from one shaft', () => {
  const drive: Drive = {
    ...newDrive('orrery'),
    find: { question: 'ratio', target: '12', target2: '30', wheels: '10-60', errorPpm: '0' } as never,
  };
  test('each row hangs both on the shaft, a shared pair once', () => {
    const rows = branchRows(drive);
    expect(rows.length).toBeGreaterThan(0);
    for (const row of rows.slice(0, 6)) {
      const edits = branchEdits(row, { train: trainsOf(drive)[0]!.name, shaft: 0 }, ['day', 'month']);
      const made = edits.reduce((d: Drive, e: Edit) => {
        const next = applyEdit(d, e);
        if (!next.ok) throw new Error(next.refusal.code);
        return next.value;
      }, drive);
      // what stands in the drive turns as it was asked
      const ratio = (at: number): number =>
        pathOf(made, at)
          .drive.train.stages.map((s) => (s.kind === 'spur' ? s.z2 / s.z1 : NaN))
          .reduce((a, b) => a * b, 1);
      expect([ratio(1), ratio(2)].map((r) => r.toFixed(9))).toEqual(['12.000000000', '30.000000000']);
      expect(row.off).toEqual(['exact', 'exact']);
    }
  });
  test('nothing is looked for while a ratio is missing', () => {
    expect(branchRows(newDrive('bare'))).toEqual([]);
  });
});
