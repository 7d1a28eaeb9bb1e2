import { expect, test } from '@jest/globals';
import type { DutyChart } from '@pendrix/core';
import { palettes } from '../theme/colours.ts';
import { dutyOption } from './duty-chart-options.ts';

const chart: DutyChart = {
  key: 'rate.0.drift',
  title: 'Drift',
  x: 'min',
  y: '″',
  message: '',
  series: [
    {
      name: 'always',
      points: [
        [0, 0],
        [60, -1.5],
      ],
      look: 'main',
    },
    {
      name: 'shared',
      points: [
        [0, 0],
        [60, 0],
      ],
      look: 'second',
    },
    {
      name: 'clock',
      points: [
        [0, 0],
        [60, 3],
      ],
      look: 'limit',
    },
  ],
};

test('a line for each series, told apart by its stroke, to the end of the axis', () => {
  const option = dutyOption(chart, palettes.day);
  const series = option.series as { lineStyle: { type: unknown }; data: unknown }[];
  expect(new Set(series.map((s) => JSON.stringify(s.lineStyle.type))).size).toBe(3);
  expect(series[0]!.data).toEqual([
    [0, 0],
    [60, -1.5],
  ]);
  expect((option.xAxis as { max: number }).max).toBe(60);
  const { formatter } = (option.yAxis as { axisLabel: { formatter: (v: number) => string } }).axisLabel;
  expect(formatter(-1.5)).toBe('−1.5″');
  const across = (option.xAxis as { axisLabel: { formatter: (v: number) => string } }).axisLabel;
  expect([69.83500000000001, -20].map(across.formatter)).toEqual(['69.835', '−20']);
});
