import { abs, toNumber } from '../../numbers/index.ts';
import { pixelScale, type Drive, type Edit, type LogValue } from '../../drive/index.ts';
import { errorTerms, turningParts } from '../../errors/index.ts';
import type { Component, Period, TrackingFit, TrackingRecord } from '../../measure/index.ts';
import { contextOf } from '../context.ts';
import type { DutyChart } from '../duties/duty.ts';
import { errorRow } from '../errors/rows.ts';
import { short } from '../force/bench-form.ts';
import { angleText, measured, signed, timeText } from '../../words/index.ts';

/** A rate that a record can be read against: a turn of the output in s, and everything of the train that comes again. */
export interface Readable {
  readonly rate: string;
  readonly turnSeconds: number;
  readonly periods: readonly Period[];
  /** ″ at the axis of one pixel; null without a camera */
  readonly arcsecPerPx: number | null;
}

/** What a record of a rate is read by; null while nothing is followed, or no rate has that name. */
export function readableRate(drive: Drive, name?: string): Readable | null {
  const of = contextOf(drive);
  const rates = of.duties.rates;
  const rate =
    name === undefined ? rates[0] : rates.find((r) => r.name.toLowerCase() === name.trim().toLowerCase());
  if (!rate) return null;
  const turnSeconds = Math.abs(toNumber(rate.period));
  const period = (turns: number): number => turnSeconds / turns;
  const shafts = turningParts(drive, of.k).map((p): Period => ({
    cause: p.id,
    periodS: period(toNumber(abs(p.turns))),
  }));
  const terms = errorTerms(drive, of.k).flatMap((t): (Period & { readonly arcsec: number })[] =>
    t.kind === 'periodic' && t.turnsPerOutputTurn
      ? [{ cause: t.cause, periodS: period(toNumber(abs(t.turnsPerOutputTurn))), arcsec: t.arcsec ?? 0 }]
      : [],
  );
  // of equal periods the largest gives its name first
  terms.sort((a, b) => b.arcsec - a.arcsec);
  const { camera } = drive.job;
  return {
    rate: rate.name,
    turnSeconds,
    periods: joined([...terms, ...shafts]),
    arcsecPerPx: camera
      ? pixelScale(camera.pixelUm, camera.focalMm) / Math.cos(((camera.declinationDeg ?? 0) * Math.PI) / 180)
      : null,
  };
}

/** Equal periods as one row; a shaft is named where nothing on it is. */
function joined(all: readonly Period[]): readonly Period[] {
  const by = new Map<string, Period>();
  for (const p of all) {
    const key = p.periodS.toPrecision(9);
    const before = by.get(key);
    if (!before) by.set(key, p);
    else if (!p.cause.startsWith('shaft') && !before.cause.split(', ').includes(p.cause))
      by.set(key, { ...before, cause: `${before.cause}, ${p.cause}` });
  }
  return [...by.values()];
}

/** What a component of a fit says of the drive: the value that it makes measured, in words and as edits; null where no single value answers. */
export interface Taken {
  readonly title: string;
  readonly message: string;
  readonly edits: readonly Edit[];
}

/** The largest cause of a period takes what its others leave of the amplitude; where they would leave nothing, all of it. */
export function takenFrom(drive: Drive, component: Component): Taken | null {
  const of = contextOf(drive);
  const by = of.errors.budgets.tracking;
  if (!by || component.amplitudeArcsec === null) return null;
  const rows = by.budget.rows.filter(({ term }) => {
    const turns = term.kind === 'periodic' && term.turnsPerOutputTurn;
    return turns && Math.abs(by.turnSeconds! / toNumber(abs(turns)) / component.periodS - 1) < 1e-6;
  });
  const valued = rows
    .filter((r) => r.term.value?.perUnit)
    .sort((a, b) => (b.term.arcsec ?? 0) - (a.term.arcsec ?? 0));
  const row = valued[0];
  const field = row && errorRow(of, row, by).field;
  if (!row || !field) return null;
  const others = rows.filter((r) => r !== row).reduce((n, r) => n + (r.term.arcsec ?? 0), 0);
  const left = component.amplitudeArcsec - others;
  const { perUnit, unit, amount } = row.term.value!;
  const text = short((left > 0 ? left : component.amplitudeArcsec) / perUnit!);
  // taken already
  if (row.term.known === 'measured' && amount !== null && short(amount) === text) return null;
  return {
    title: `${row.term.cause}: ${text} ${unit}`,
    message: `${amount === null ? 'not known before' : `${measured(amount)} ${unit} before`}${others > 0 && left > 0 ? `; ${angleText(others)} of it left to ${rows.length - 1} more of this period` : ''}`,
    edits: [field.edit(text), ...field.knownAs('measured')],
  };
}

/** A component in words for a list. */
export interface ComponentRow {
  readonly cause: string;
  readonly period: string;
  readonly amplitude: string;
  readonly error: string;
  readonly share: string;
  readonly arcsec: number | null;
}

const STATES = {
  tooShort: 'too short to tell',
  notSeparable: 'not separable',
  tooCoarse: 'too coarse',
} as const;

/** The first of joined causes, and how many more there are; a second or third wave stays one. */
function shortCause(cause: string): string {
  const names = cause.replace(/, (second|third) wave/g, '; $1 wave').split(', ');
  const first = names[0]!.replace('; ', ', ');
  return names.length > 1 ? `${first}, and ${names.length - 1} more` : first;
}

const percentText = (share: number | null): string =>
  share === null ? '' : share < 0.001 ? 'under 0.1 %' : `${measured(100 * Math.min(1, share))} %`;

/** What was fitted as rows, and what cannot be told, by its reason: "too short to tell: the wheel, 23 h 56 min". */
export function componentRows(fit: TrackingFit): {
  readonly rows: readonly ComponentRow[];
  readonly untold: readonly { readonly reason: string; readonly causes: string }[];
} {
  const period = (s: number): string => timeText(s).join(' ');
  const rows = fit.components.flatMap((c): ComponentRow[] =>
    c.amplitudeArcsec === null
      ? []
      : [
          {
            cause: shortCause(c.cause),
            period: period(c.periodS),
            amplitude: `±${angleText(c.amplitudeArcsec)}`,
            error: `±${angleText(c.amplitudeError ?? 0)}`,
            share: percentText(c.share),
            arcsec: c.amplitudeArcsec,
          },
        ],
  );
  const untold = (Object.keys(STATES) as (keyof typeof STATES)[]).flatMap((state) => {
    const all = fit.components.filter((c) => c.state === state);
    const shown = all.slice(0, 4).map((c) => `${shortCause(c.cause)}, ${period(c.periodS)}`);
    return all.length === 0
      ? []
      : [
          {
            reason: STATES[state],
            causes: [...shown, ...(all.length > 4 ? [`and ${all.length - 4} more`] : [])].join('; '),
          },
        ];
  });
  return { rows, untold };
}

/** A record with its fit as a chart: readings, the fitted curve, the drift; thinned so that it can be drawn. */
export function recordChart({ times, values }: TrackingRecord, fit: TrackingFit | null): DutyChart {
  const every = Math.max(1, Math.floor(times.length / 500));
  const at = (when: Float64Array, of: Float64Array): readonly [number, number][] =>
    Array.from({ length: Math.ceil(when.length / every) }, (_, i) => {
      const k = Math.min(when.length - 1, i * every);
      return [when[k]! / 60, of[k]!];
    });
  const [first, last] = [times[0] ?? 0, times.at(-1) ?? 0];
  const drift = (t: number): number => (fit ? fit.offset + (fit.driftArcsecPerHour * t) / 3600 : 0);
  return {
    key: 'record',
    title: 'What was recorded',
    x: 'min',
    y: '″',
    series: [
      { name: 'readings', points: at(times, values), look: 'second' },
      ...(fit
        ? [
            { name: 'fit', points: at(fit.times, fit.fitted), look: 'main' as const },
            {
              name: 'drift',
              points: [
                [first / 60, drift(first)],
                [last / 60, drift(last)],
              ] as [number, number][],
              look: 'limit' as const,
            },
          ]
        : []),
    ],
    message: `${times.length} readings over ${timeText(last - first).join(' ')}.`,
  };
}

/** Outliers that are named. */
const NAMED_OUTLIERS = 4;

/** Drift with its sign and in parts of a million, what was left out, what is no period of the train as it was sampled; in sentences. */
export function recordSentences(fit: TrackingFit, turnSeconds: number): readonly string[] {
  const drift = fit.driftArcsecPerHour;
  const ppm = (drift / 3600 / (1_296_000 / turnSeconds)) * 1e6;
  const way = drift < 0 ? ', it runs slow' : drift > 0 ? ', it runs fast' : '';
  const named = fit.outliers.slice(0, NAMED_OUTLIERS).map((t) => `${measured(t)} s`);
  return [
    `Drift ${signed(angleText(Math.abs(drift)), drift)} an hour, ${signed(measured(Math.abs(ppm)), ppm)} ppm${way}; left over ${angleText(fit.residualRmsArcsec)} root mean square.`,
    ...(fit.outliers.length > 0
      ? [
          `${fit.outliers.length} ${fit.outliers.length === 1 ? 'reading lies' : 'readings lie'} far off and ${fit.outliers.length === 1 ? 'is' : 'are'} left out: at ${named.join(', ')}${fit.outliers.length > named.length ? ' and later' : ''}.`,
        ]
      : []),
    ...fit.unexplained.map((p) =>
      p.folded
        ? `±${angleText(p.amplitudeArcsec)} every ${p.periodS.toPrecision(4)} s is ${shortCause(p.folded.cause)}, ${p.folded.periodS.toPrecision(4)} s, folded: it was sampled too seldom.`
        : `Unexplained: ±${angleText(p.amplitudeArcsec)} every ${p.periodS.toPrecision(4)} s${p.cause ? `; the nearest of the train is ${shortCause(p.cause)}` : ''}.`,
    ),
  ];
}

/** Clear of its own scatter so many σ. */
const CLEAR = 3;
/** Figures of a record that go into the log. */
const MAX_LOGGED = 4;

/** What stands clear of its own scatter, the largest first. */
export const clearComponents = ({ components }: TrackingFit): readonly Component[] =>
  components.filter((c) => (c.amplitudeArcsec ?? 0) > CLEAR * (c.amplitudeError ?? 0));

/** A record as figures of the log: its largest components, and the drift. */
export const recordValues = (fit: TrackingFit): readonly LogValue[] => [
  ...clearComponents(fit)
    .slice(0, MAX_LOGGED)
    .map((c) => ({
      name: c.cause.slice(0, 60),
      value: Number(c.amplitudeArcsec!.toPrecision(4)),
      unit: '″',
      plusMinus: Number((c.amplitudeError ?? 0).toPrecision(2)),
    })),
  {
    name: 'drift an hour',
    value: Number(fit.driftArcsecPerHour.toPrecision(4)),
    unit: '″',
    plusMinus: Number(fit.driftError.toPrecision(2)),
  },
];
