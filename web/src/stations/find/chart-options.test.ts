import { describe, expect, test } from '@jest/globals';
import type { FindPoint } from '@pendrix/core';
import { palettes } from '../../theme/colours.ts';
import { bandOf, frontOption, powerText, staircase } from './chart-options.ts';

const point = (teeth: number, error: number, stages = 2): FindPoint => ({
  key: `${teeth} ${stages}`,
  teeth,
  error,
  stages,
});
const points = [
  point(202, 0),
  point(116, 1.2e-6),
  point(143, 9e-8, 3),
  point(185, 3e-8, 3),
  point(190, 5e-8, 3),
];

describe('the chart of error against teeth', () => {
  test('the staircase only ever goes down', () => {
    const steps = staircase(points.filter((p) => p.stages === 3));
    expect(steps.map(([teeth]) => teeth)).toEqual([143, 185]);
    expect(steps.every(([, e], i) => i === 0 || e < steps[i - 1]![1])).toBe(true);
    expect(staircase([])).toEqual([]);
  });

  test('what has no error stands in a band below the least that has one', () => {
    const { low, band } = bandOf(points);
    expect(low).toBeLessThanOrEqual(3e-8 * 1_296_000);
    expect(band).toBeLessThan(low);
    expect(bandOf([point(100, 0)]).band).toBeGreaterThan(0);
  });

  test.each(['day', 'night'] as const)(
    'every point is a row that can be opened, by %s; the opened one is ringed',
    (theme) => {
      const series = (
        opened: string | null,
      ): readonly { type?: string; data?: readonly unknown[]; silent?: boolean }[] =>
        frontOption(points, opened, palettes[theme]).series as never;
      const dots = series(null).find((s) => s.type === 'scatter')!.data as readonly { id: string }[];
      expect(dots.map((d) => d.id)).toEqual(points.map((p) => p.key));
      const rings = (opened: string | null): number =>
        series(opened).filter((s) => s.type === 'scatter' && s.silent).length;
      expect([rings(null), rings(points[0]!.key), rings('gone')]).toEqual([0, 1, 0]);
    },
  );
});

test('angles too small to be read are written as powers', () => {
  expect([1, 0.01, 0.001, 1e-4, 1e-12].map(powerText)).toEqual([
    '1.00″',
    '0.01″',
    '0.0010″',
    '10⁻⁴″',
    '10⁻¹²″',
  ]);
});
