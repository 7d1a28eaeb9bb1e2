import type { EChartsOption } from 'echarts/types/dist/shared';
import { angleText, raised, type FindPoint } from '@pendrix/core';
import type { palettes } from '../../theme/colours.ts';

type Palette = (typeof palettes)['day'];

const ARCSEC = 1_296_000;
/** Lines by the number of stages, told apart by their dashes. */
const DASHES: readonly number[][] = [
  [1, 0],
  [2, 3],
  [6, 3],
  [1, 0],
  [8, 2, 2, 2],
];

/** What stands for no error at all on a scale of powers of ten: a band below the least that is shown. */
export function bandOf(points: readonly FindPoint[]): { readonly low: number; readonly band: number } {
  const errors = points.map((p) => p.error * ARCSEC).filter((e) => e > 0);
  const low = errors.length === 0 ? 0.1 : 10 ** Math.floor(Math.log10(Math.min(...errors)));
  return { low, band: low / 10 };
}

/** An angle on a scale of powers of ten; those too small to be read as 0.000001″ as a power. */
export function powerText(arcsec: number): string {
  if (arcsec >= 0.001) return angleText(arcsec);
  return `10${raised(String(Math.round(Math.log10(arcsec))))}″`;
}

/** Error against teeth: a line of the best for each number of stages, what comes out even as marks in a band below. */
export function frontOption(
  points: readonly FindPoint[],
  opened: string | null,
  palette: Palette,
): EChartsOption {
  const { band } = bandOf(points);
  const stages = [...new Set(points.map((p) => p.stages))].sort((a, b) => a - b);
  const dot = (p: FindPoint) => ({
    value: [p.teeth, p.error === 0 ? band : p.error * ARCSEC],
    id: p.key,
    name: p.key,
    symbol: p.error === 0 ? 'rect' : 'diamond',
    symbolSize: p.error === 0 ? [3, 12] : 10,
    itemStyle: {
      color: p.error === 0 ? palette.even : palette.surface,
      borderColor: p.error === 0 ? palette.even : palette.amber,
      borderWidth: 1.4,
    },
  });
  const chosen = points.find((p) => p.key === opened);
  const text = { color: palette.quiet, fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 };
  return {
    animation: false,
    grid: { left: 58, right: 60, top: 8, bottom: 26 },
    xAxis: {
      type: 'value',
      scale: true,
      name: 'teeth',
      nameTextStyle: text,
      nameGap: 10,
      axisLabel: text,
      axisLine: { lineStyle: { color: palette.tickTen } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'log',
      min: band / 2,
      axisLabel: {
        ...text,
        formatter: (v: number) => (v <= band * 1.01 ? (v < band / 1.5 ? '' : 'none') : powerText(v)),
      },
      splitLine: { lineStyle: { color: palette.row } },
    },
    tooltip: { show: false },
    series: [
      ...stages.map((k) => ({
        type: 'line' as const,
        step: 'end' as const,
        name: `${k}`,
        showSymbol: false,
        silent: true,
        lineStyle: { color: palette.amber, width: 1.3, type: DASHES[k]! },
        data: staircase(points.filter((p) => p.stages === k && p.error > 0)),
      })),
      {
        type: 'scatter' as const,
        data: points.map(dot),
        cursor: 'pointer',
      },
      ...(chosen
        ? [
            {
              type: 'scatter' as const,
              silent: true,
              symbol: 'circle',
              symbolSize: 18,
              itemStyle: { color: 'transparent', borderColor: palette.blue, borderWidth: 1.8 },
              data: [[chosen.teeth, chosen.error === 0 ? band : chosen.error * ARCSEC]],
            },
          ]
        : []),
    ],
  };
}

/** The least error with so many teeth or fewer. */
export function staircase(points: readonly FindPoint[]): [number, number][] {
  const out: [number, number][] = [];
  for (const p of [...points].sort((a, b) => a.teeth - b.teeth || a.error - b.error)) {
    const last = out.at(-1);
    if (!last || p.error * ARCSEC < last[1]) out.push([p.teeth, p.error * ARCSEC]);
  }
  return out;
}
