import type { EChartsOption } from 'echarts/types/dist/shared';
import type { DutyChart, DutySeries } from '@pendrix/core';
import type { palettes } from '../theme/colours.ts';

type Palette = (typeof palettes)[keyof typeof palettes];

const minus = (v: number): string => String(v).replace('-', '−');
/** A figure of a scale, without what the floating point leaves behind it. */
const tick = (v: number): string => minus(Number(v.toPrecision(6)));

/** Lines told apart by their strokes as well as by their colours. */
export function dutyOption(chart: DutyChart, p: Palette): EChartsOption {
  const text = { color: p.quiet, fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 };
  const looks: Readonly<
    Record<
      DutySeries['look'],
      { readonly color: string; readonly width: number; readonly type: 'solid' | number[] }
    >
  > = {
    main: { color: p.blue, width: 2, type: 'solid' },
    second: { color: p.amber, width: 1.6, type: [2, 3] },
    third: { color: p.ink, width: 1.4, type: [8, 3, 2, 3] },
    limit: { color: p.even, width: 1.4, type: [6, 4] },
  };
  const last = Math.max(0, ...chart.series.flatMap((s) => s.points.map(([x]) => x)));
  return {
    animation: false,
    grid: { left: 62, right: 44, top: 12, bottom: 26 },
    tooltip: {
      trigger: 'axis',
      backgroundColor: p.surface,
      borderColor: p.field,
      textStyle: { color: p.ink, fontSize: 13 },
      valueFormatter: (v) =>
        typeof v === 'number' ? `${minus(Number(v.toPrecision(5)))} ${chart.y}`.trim() : '',
    },
    xAxis: {
      type: chart.log ? 'log' : 'value',
      ...(chart.log && { min: Math.min(...chart.series.flatMap((s) => s.points.map(([x]) => x))) }),
      max: last,
      name: chart.x,
      nameGap: 8,
      nameTextStyle: text,
      axisLine: { onZero: false, lineStyle: { color: p.tickTen } },
      // an end that is no round figure is not told
      axisLabel: {
        ...text,
        hideOverlap: true,
        formatter: tick,
        ...(!chart.log && !Number.isInteger(last) && { showMaxLabel: false }),
      },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      axisLabel: { ...text, formatter: (v: number) => `${tick(v)}${chart.y}` },
      splitLine: { lineStyle: { color: p.row } },
    },
    series: chart.series.map((s, i) => ({
      type: 'line' as const,
      name: s.name,
      showSymbol: false,
      lineStyle: looks[s.look],
      itemStyle: { color: looks[s.look].color },
      data: s.points.map(([x, y]) => [x, y]),
      ...(i === 0 && chart.bands && { markArea: bandsOf(chart.bands, p, text) }),
    })),
  };
}

/** Stretches of the scale: what is asked as a wash, what is to be kept clear of between two edges and named. */
const bandsOf = (
  bands: NonNullable<DutyChart['bands']>,
  p: Palette,
  text: { readonly fontFamily: string; readonly fontSize: number },
) => ({
  silent: true,
  data: bands.map((b, i): [object, object] => {
    const bad = b.look === 'bad';
    const colour = bad ? p.amber : p.blue;
    return [
      {
        name: b.name,
        xAxis: b.from,
        itemStyle: {
          color: colour,
          opacity: bad ? 0.16 : 0.09,
          ...(bad && { borderColor: colour, borderWidth: 1, borderType: 'dashed' }),
        },
        label: {
          ...text,
          color: colour,
          fontWeight: 650,
          // torque falls from left to right: at the foot no line runs through a word
          position: 'insideBottom',
          distance: 6 + 18 * i,
        },
      },
      { xAxis: b.to },
    ];
  }),
});
