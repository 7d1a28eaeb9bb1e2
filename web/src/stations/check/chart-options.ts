import type { EChartsCoreOption } from 'echarts/core';
import { angleUnit, signedAngle, type ErrorChart } from '@pendrix/core';
import type { palettes } from '../../theme/colours.ts';

type Palette = (typeof palettes)[keyof typeof palettes];

const TEXT = 'Atkinson Hyperlegible Next Variable';
const MONO = 'Atkinson Hyperlegible Mono Variable';

/** What is said of the move under the pointer. */
const tooltipOf = (p: Palette) => ({
  trigger: 'axis',
  axisPointer: { type: 'line', lineStyle: { color: p.blue } },
  backgroundColor: p.surface,
  borderColor: p.field,
  textStyle: { color: p.ink, fontSize: 13 },
});

/** Axes both charts share: moves along, angles up, in the unit of the figure that is told beside them. */
const axes = (
  p: Palette,
  chart: ErrorChart,
  low: number,
  high: number,
  labelled: boolean,
  unit: string,
): EChartsCoreOption => ({
  animation: false,
  textStyle: { fontFamily: TEXT },
  grid: { left: 52, right: 8, top: 8, bottom: labelled ? 24 : 8 },
  tooltip: tooltipOf(p),
  xAxis: {
    type: 'value',
    min: 0,
    max: chart.divisions,
    axisLine: { onZero: false, show: labelled, lineStyle: { color: p.tickTen } },
    axisTick: { show: labelled, lineStyle: { color: p.tickTen } },
    axisLabel: {
      show: labelled,
      color: p.quiet,
      fontFamily: MONO,
      fontSize: 13,
      showMaxLabel: true,
      hideOverlap: true,
    },
    splitLine: { show: false },
  },
  yAxis: {
    type: 'value',
    min: low,
    max: high,
    splitNumber: 3,
    axisLabel: {
      color: p.quiet,
      fontFamily: MONO,
      fontSize: 13,
      formatter: (v: number) => `${Number(v.toPrecision(6))}${unit}`.replace('-', '−'),
      showMinLabel: false,
      showMaxLabel: false,
    },
    splitLine: { lineStyle: { color: p.hair } },
  },
});

/** The chart with its angles in the unit that the one told beside it has, for even numbers on the axis. */
function inUnit(
  chart: ErrorChart,
  told: number,
): { readonly unit: string; readonly chart: ErrorChart; readonly per: number } {
  const { unit, arcsec: per } = angleUnit(told);
  return {
    unit,
    per,
    chart: {
      ...chart,
      errors: chart.errors.map((e) => e / per),
      halfMicrostep: chart.halfMicrostep / per,
      tolerance: chart.tolerance === null ? null : chart.tolerance / per,
      drift: chart.drift / per,
      closing: chart.closing / per,
    },
  };
}

/** Every place to its own nearest microstep: a stem for the error at each move. */
export function ownOption(told: ErrorChart, p: Palette): EChartsCoreOption {
  const { chart, unit } = inUnit(told, told.halfMicrostep);
  const points = Array.from(chart.errors, (e, i) => [i, e] as const);
  const reach = chart.halfMicrostep * 1.35;
  const worst = points[chart.worstMove]!;
  const stems = chart.divisions <= 400;
  return {
    ...axes(p, chart, -reach, reach, false, unit),
    tooltip: {
      ...tooltipOf(p),
      formatter: (rows: unknown) => tip(rows, told),
    },
    series: [
      {
        type: 'bar',
        data: stems ? points : [],
        barWidth: 1.1,
        itemStyle: { color: p.amber, opacity: 0.6 },
        silent: true,
      },
      {
        type: 'scatter',
        data: points,
        symbolSize: chart.divisions <= 150 ? 4 : 2.4,
        large: chart.divisions > 2000,
        itemStyle: { color: p.amber },
        markLine: {
          silent: true,
          symbol: 'none',
          label: { show: false },
          lineStyle: { color: p.amber, type: [5, 3], width: 1 },
          data: [{ yAxis: chart.halfMicrostep }, { yAxis: -chart.halfMicrostep }],
        },
        markPoint:
          worst[1] === 0
            ? undefined
            : {
                symbol: 'circle',
                symbolSize: 13,
                itemStyle: { color: 'transparent', borderColor: p.amber, borderWidth: 1.5 },
                label: { show: false },
                data: [{ coord: [...worst] }],
              },
      },
    ],
  };
}

function tip(rows: unknown, chart: ErrorChart): string {
  const [row] = rows as { readonly data: readonly [number, number] }[];
  if (!row) return '';
  const [move] = row.data;
  return `gap ${move + 1}, move ${move}: ${signedAngle(chart.errors[move] ?? 0)}`;
}

/** One count repeated: a line that leaves the tolerance, or ends in the last gap. */
export function repeatedOption(told: ErrorChart, p: Palette): EChartsCoreOption {
  const { chart, unit, per } = inUnit(told, told.closing);
  const { closing, tolerance, divisions, drift } = chart;
  const out = chart.leavesAtGap === null ? divisions : chart.leavesAtGap - 2;
  const ends = [Math.min(0, closing), Math.max(0, closing)] as const;
  const pad =
    Math.max(ends[1] - ends[0], tolerance === null ? 0 : Math.min(tolerance, Math.abs(closing) * 1.2), 1e-9) *
    0.18;
  const [low, high] = [ends[0] - pad, ends[1] + pad];
  const inside = (v: number): number => Math.max(low, Math.min(high, v));
  return {
    ...axes(p, chart, low, high, true, unit),
    tooltip: {
      ...tooltipOf(p),
      formatter: (rows: unknown) => {
        const [row] = rows as { readonly data: readonly [number, number] }[];
        return row ? `move ${Math.round(row.data[0])}: ${signedAngle(row.data[1] * per)}` : '';
      },
    },
    series: [
      {
        type: 'line',
        symbol: 'none',
        data: [
          [0, 0],
          [out, drift * out],
        ],
        lineStyle: { color: p.amber, width: 2 },
        markArea:
          tolerance === null
            ? undefined
            : {
                silent: true,
                itemStyle: { color: p.evenGround },
                data: [[{ yAxis: inside(-tolerance) }, { yAxis: inside(tolerance) }]],
              },
        markLine:
          tolerance === null
            ? undefined
            : {
                silent: true,
                symbol: 'none',
                label: { show: false },
                lineStyle: { color: p.even, type: [5, 3], width: 1 },
                data: [tolerance, -tolerance].filter((t) => t > low && t < high).map((t) => ({ yAxis: t })),
              },
      },
      {
        type: 'line',
        symbol: 'none',
        data:
          out < divisions
            ? [
                [out, drift * out],
                [divisions, closing],
              ]
            : [],
        lineStyle: { color: p.red, width: 2 },
      },
      {
        type: 'scatter',
        data: [[divisions, closing]],
        symbolSize: 7,
        itemStyle: { color: out < divisions ? p.red : p.amber },
        silent: true,
      },
    ],
  };
}
