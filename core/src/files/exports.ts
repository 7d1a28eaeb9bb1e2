import { decimal, exactly, mul, rational, sub, toText, type Rational } from '../numbers/index.ts';
import { kinematicsOf, type Drive, type Sweep } from '../drive/index.ts';
import { dividerOf } from '../divide/index.ts';
import { tickHz } from '../follow/index.ts';
import { planSweep, stepsOfSweep } from '../travel/index.ts';
import { figuresTable, report, type DutyTable, type RateReport } from '../report/index.ts';
import { divisionsCsv, writeCsv } from './csv.ts';

/** "HOUR_WHEEL": what a name is called in C. */
const macro = (name: string): string =>
  name
    .normalize('NFKD')
    .toUpperCase()
    .replace(/[^A-Z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '') || 'RATE';

const suffix = (n: bigint): string => (n > 0xffff_ffffn ? 'ULL' : n > 0xffffn ? 'UL' : 'U');
const literal = (n: bigint): string => `${n}${suffix(n)}`;

/** Text that may stand in a comment of C. */
const comment = (text: string): string => text.replace(/[\r\n]+/g, ' ').replaceAll('*/', '* /');

/**
 * The constants of every rate that a timer keeps: whole ticks, and what is shared out by error diffusion. null when there is none.
 * (handbook: follow)
 */
export function cHeader(drive: Drive): string | null {
  const rates = report(drive).duties.rates.filter((r) => r.timing?.fixed);
  const { timer } = drive;
  if (rates.length === 0 || !timer) return null;
  const guard = `PENDRIX_${macro(drive.name)}_H`;
  const taken = new Set<string>();
  const blocks = rates.map((r, i) => {
    const base = macro(r.name);
    const name = taken.has(base) ? `${base}_${i + 1}` : base;
    taken.add(name);
    return rateBlock(r, name, tickHz(timer));
  });
  return [
    `/* ${comment(drive.name)}: ticks between two steps. */`,
    `#ifndef ${guard}`,
    `#define ${guard}`,
    '',
    '/* Wait TICKS; add NUM to a sum that starts at 0; when it is DEN or more, take DEN off and wait one tick longer. */',
    '',
    ...blocks,
    `#endif /* ${guard} */`,
    '',
  ].join('\n');
}

function rateBlock(r: RateReport, name: string, hz: Rational): string {
  const { spread, fixed, interval, fits } = r.timing!;
  return [
    `/* ${comment(r.name)}, ${r.sense}: ${toText(interval)} ticks of 1/${toText(hz)} s${fits ? '' : '; wider than the counter'} */`,
    `#define ${name}_TICKS ${literal(spread.q)}`,
    `#define ${name}_NUM ${literal(spread.num)}`,
    `#define ${name}_DEN ${literal(spread.den)}`,
    ...(fixed
      ? [
          `#define ${name}_FIXED ${literal(fixed.ticks)} /* always: ${r.ways.find((w) => w.how === 'fixed')?.ppm.replaceAll('\u2009', '') ?? '0'} ppm */`,
        ]
      : []),
    `#define ${name}_FORWARD ${r.rate.reverse ? 0 : 1}`,
    '',
  ].join('\n');
}

const CAUTION =
  '; Read it through and run it in the air first; the machine\u2019s own rules come before this file.';

/** G-code of a division, or of the job's sweeps frame by frame: degrees on A, or mm on X. null when there is nothing to move. */
export function gcode(drive: Drive, divisions: number | null): string | null {
  const k = kinematicsOf(drive);
  const head = [`; ${drive.name.replace(/[\r\n;()]+/g, ' ')}`, CAUTION, 'G90'];
  if (divisions !== null) {
    const moves = Array.from({ length: divisions + 1 }, (_, i) => {
      const degrees = decimal(rational(360n * BigInt(i), BigInt(divisions)), 6);
      return `G0 A${degrees} ; ${i === divisions ? 'back at the start' : `place ${i} of ${divisions}`}`;
    });
    return [...head, ...moves.flatMap((m) => [m, 'M0']), 'M2', ''].join('\n');
  }
  const sweeps = drive.job.sweeps ?? [];
  const blocks = sweeps.flatMap((sweep, at) => {
    const steps = stepsOfSweep(sweep, k);
    return steps && steps.n > 0n ? [sweepMoves(sweep, at, steps)] : [];
  });
  return blocks.length === 0 ? null : [...head, ...blocks.flat(), 'M2', ''].join('\n');
}

function sweepMoves(sweep: Sweep, at: number, steps: Rational): readonly string[] {
  const [from, to] = [exactly(sweep.from), exactly(sweep.to)];
  const turns = sweep.unit === 'turns';
  const axis = sweep.unit === 'mm' ? 'X' : 'A';
  const plan = planSweep(sweep, steps);
  const place = (target: number): string => {
    const part = rational(BigInt(target) * steps.d, steps.n);
    const way = mul(part, sub(to, from));
    const value = sub(from, mul(way, rational(-1)));
    return decimal(turns ? mul(value, rational(360)) : value, 6);
  };
  return [
    `; ${sweep.name?.replace(/[\r\n;()]+/g, ' ') ?? `sweep ${at + 1}`}, ${sweep.frames} frames`,
    ...plan.targets.flatMap((t, i) => [
      `G0 ${axis}${place(t)} ; frame ${i + 1}`,
      ...(sweep.exposureSeconds === undefined
        ? []
        : [`G4 P${(sweep.settleSeconds ?? 0) + sweep.exposureSeconds}`]),
    ]),
  ];
}

export const dutyCsv = (table: DutyTable): string => writeCsv(table.head, table.rows);

/** The rates of the job, exact where they are. */
export const ratesCsv = (rates: readonly RateReport[]): string =>
  writeCsv(
    ['name', 'sense', 'period (s)', 'way', 'interval (ticks)', 'ticks', 'off by (part of 1)', 'grade'],
    rates.flatMap((r) =>
      r.ways.map((w) => [
        r.name,
        r.sense,
        toText(r.period),
        w.how,
        r.timing ? toText(r.timing.interval) : '',
        w.how === 'spread'
          ? `${r.timing!.spread.q} + ${r.timing!.spread.num}/${r.timing!.spread.den}`
          : w.how === 'fixed'
            ? String(r.timing!.fixed!.ticks)
            : w.how === 'beside'
              ? String(r.timing!.beside!.ticks)
              : '',
        toText(w.off),
        w.graded.grade,
      ]),
    ),
  );

/** The plates' chart: each count, how it is made, with what. */
export function platesCsv(drive: Drive): string | null {
  const plates = report(drive).plates;
  if (!plates) return null;
  return writeCsv(
    ['divisions', 'how', 'circle', 'whole turns', 'holes', 'second circle', 'holes on it', 'circle to make'],
    plates.chart.map((a) =>
      a.how === 'circle'
        ? [a.divisions, a.how, a.move.circle, a.move.wholeTurns, a.move.holes, '', '', '']
        : a.how === 'compound'
          ? [
              a.divisions,
              a.how,
              a.move.circles[0],
              '',
              a.move.holes[0],
              a.move.circles[1],
              a.move.holes[1],
              '',
            ]
          : [a.divisions, a.how, '', '', '', '', '', a.circle],
    ),
  );
}

/** Every table that a drive has, by name. */
export function tablesOf(drive: Drive): ReadonlyMap<string, () => string> {
  const r = report(drive);
  const out = new Map<string, () => string>();
  const divider = dividerOf(r.kinematics, null);
  if (divider && r.counts.length > 0) out.set('divisions', () => divisionsCsv(divider, r.counts));
  if (r.duties.rates.length > 0) out.set('rates', () => ratesCsv(r.duties.rates));
  for (const d of r.duties.all) out.set(d.key.replace('.', '-'), () => dutyCsv(d.table ?? figuresTable(d)));
  if (r.plates) out.set('plates', () => platesCsv(drive)!);
  return out;
}
