import { describe, expect, test } from '@jest/globals';
import { newDrive, report, type Drive, type ErrorChart } from '@pendrix/core';
import { palettes } from '../../theme/colours.ts';
import { ownOption, repeatedOption } from './chart-options.ts';

interface Option {
  readonly xAxis: { readonly max: number };
  readonly yAxis: {
    readonly min: number;
    readonly max: number;
    readonly axisLabel: { readonly formatter: (v: number) => string };
  };
  readonly tooltip: { readonly formatter: (rows: unknown) => string };
  readonly series: readonly {
    readonly type: string;
    readonly data: readonly (readonly [number, number])[];
    readonly markLine?: { readonly data: readonly { readonly yAxis: number }[] };
    readonly markArea?: { readonly data: readonly (readonly { readonly yAxis: number }[])[] };
    readonly markPoint?: { readonly data: readonly { readonly coord: readonly [number, number] }[] };
  }[];
}

const drive = (toleranceArcsec?: string): Drive => {
  const plain = newDrive('x');
  return {
    ...plain,
    job: { divisions: '97', ...(toleranceArcsec ? { toleranceArcsec } : {}) },
    train: {
      ...plain.train,
      stages: [
        { kind: 'belt', z1: 20, z2: 76 },
        { kind: 'worm', starts: 1, wheel: 90 },
      ],
    },
  };
};
const chart = (divisions: number, tolerance?: string): ErrorChart =>
  report(drive(tolerance)).chart(divisions)!;
const own = (c: ErrorChart): Option => ownOption(c, palettes.day) as unknown as Option;
const repeated = (c: ErrorChart): Option => repeatedOption(c, palettes.day) as unknown as Option;

describe('each place to its own microstep', () => {
  test('a stem and a point for every move, the worst ringed, half a microstep dashed', () => {
    const { series, xAxis, yAxis } = own(chart(97));
    expect(series.map((s) => [s.type, s.data.length])).toEqual([
      ['bar', 98],
      ['scatter', 98],
    ]);
    expect(xAxis.max).toBe(97);
    expect(series[1]!.markPoint!.data[0]!.coord[0]).toBe(39);
    const [up, down] = series[1]!.markLine!.data.map((d) => d.yAxis);
    expect(up).toBeCloseTo(0.592, 3);
    expect(down).toBe(-up!);
    expect(yAxis.max).toBeGreaterThan(up!);
    for (const [, e] of series[1]!.data) expect(Math.abs(e)).toBeLessThanOrEqual(up!);
  });

  test('the axis is in the unit that the figure beside it is told in', () => {
    const c = chart(97);
    const great = { ...c, errors: c.errors.map((e) => e * 600), halfMicrostep: c.halfMicrostep * 600 };
    const { series, yAxis } = own(great);
    expect(yAxis.axisLabel.formatter(-2)).toBe('−2′');
    expect(series[1]!.markLine!.data[0]!.yAxis).toBeCloseTo(5.92, 2);
    expect(series[1]!.data[39]![1]).toBeCloseTo(-5.86, 2);
    expect(own(c).yAxis.axisLabel.formatter(0.5)).toBe('0.5″');
    const turned = repeated({ ...c, closing: c.closing * 200, drift: c.drift * 200, tolerance: 7200 });
    expect(turned.yAxis.axisLabel.formatter(1)).toBe('1°');
    expect(turned.series[2]!.data[0]![1]).toBeCloseTo(-3.03, 2);
    expect(turned.tooltip.formatter([{ data: [97, -3.03] }])).toBe('move 97: −3.03°');
  });

  test('nothing is ringed where every place is exact', () => {
    expect(own(chart(95)).series[1]!.markPoint).toBeUndefined();
  });

  test('stems are left out where they would be a blur', () => {
    expect(own(chart(1500)).series[0]!.data).toEqual([]);
    expect(own(chart(1500)).series[1]!.data.length).toBe(1501);
  });

  test('the tip counts gaps as Run does', () => {
    const { tooltip } = own(chart(97));
    expect(tooltip.formatter([{ data: [39, -0.586] }])).toBe('gap 40, move 39: −0.59″');
    expect(tooltip.formatter([])).toBe('');
  });
});

describe('one count repeated', () => {
  test('leaves the tolerance, and goes on in another colour from there', () => {
    const { series } = repeated(chart(97, '30'));
    const [within, outside, end] = series;
    expect(within!.data[0]).toEqual([0, 0]);
    expect(within!.data[1]![0]).toBe(53);
    expect(outside!.data[0]).toEqual(within!.data[1]);
    expect(end!.data[0]![0]).toBe(97);
    expect(end!.data[0]![1]).toBeCloseTo(-54.47, 2);
    expect(within!.markLine!.data.map((d) => d.yAxis)).toEqual([-30]);
  });

  test('stays in one colour within the tolerance, and without one has no band', () => {
    const wide = repeated(chart(97, '600'));
    expect(wide.series[1]!.data).toEqual([]);
    expect(wide.series[0]!.markArea).toBeDefined();
    const none = repeated(chart(97));
    expect(none.series[0]!.markArea).toBeUndefined();
    expect(none.series[0]!.markLine).toBeUndefined();
  });

  test('the band is cut to the picture', () => {
    const { series, yAxis } = repeated(chart(97, '600'));
    const band = series[0]!.markArea!.data[0]!.map((d) => d.yAxis);
    expect(Math.min(...band)).toBeGreaterThanOrEqual(yAxis.min);
    expect(Math.max(...band)).toBeLessThanOrEqual(yAxis.max);
  });

  test('an exact count is a flat line in a picture that has a height', () => {
    const { series, yAxis } = repeated(chart(95, '30'));
    expect(series[2]!.data).toEqual([[95, 0]]);
    expect(yAxis.max).toBeGreaterThan(yAxis.min);
    expect(repeated(chart(95, '30')).tooltip.formatter([{ data: [12.4, 0] }])).toBe('move 12: 0″');
  });
});
