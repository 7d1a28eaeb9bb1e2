import { abs, mul, toNumber } from '../numbers/index.ts';
import { counterBits, pixelScale, sourceKindOf, tickHz, type Drive, type Stage } from '../drive/index.ts';
import { toleranceArcsec, toleranceOf } from '../motion/index.ts';
import { contextOf, type Context } from '../report/index.ts';
import { rotorKgM2 } from '../turning/index.ts';
import { driveOf, inMode } from './candidate.ts';
import type { SourceChoice } from './stock.ts';

/** Everything that leaves a range of reductions. */
export type AskingId = 'tolerance' | 'counts' | 'speed' | 'torque' | 'inertia' | 'following' | 'timer';

/** What an asking leaves of R, turns of the source in one of the work. */
export interface Bound {
  readonly asking: AskingId;
  readonly from?: number;
  readonly to?: number;
  /** a drive beyond it is poorer, not out */
  readonly soft?: true;
}

/** The window of one source in one mode: what excludes leaves [from, to] together. */
export interface Window {
  readonly from: number;
  readonly to: number;
  readonly because: readonly Bound[];
}

const ARCSEC = 1_296_000;
/** Where the reach of a motor is looked for, and how finely before it is halved. */
const RATIOS = { least: 1e-3, most: 1e6, each: [1.5, 1.05], halvings: 30 } as const;
/** A reflected inertia up to ten times the rotor's starts as it should. */
const INERTIAS = 10;

/** A double without an exponent. */
const plainDigits = (n: number): string => n.toFixed(12).replace(/\.?0+$/, '');

/** A train without losses of one ratio: no other of that ratio asks less of its motor. */
const lossless = (ratio: number): readonly Stage[] => [
  { kind: 'ratio', value: plainDigits(ratio), efficiency: 1 },
];

/** What the motor has over what is wanted of it at the speeds asked, with so much reduction and no loss; null where that is not known. */
function marginAt(wanted: Drive, source: SourceChoice, ratio: number): number | null {
  const bare = { ...wanted, train: { ...wanted.train, stages: [] } };
  const drive = driveOf(bare, inMode(source, source.modes[0]!), lossless(ratio));
  return contextOf(drive).force?.motor.margin ?? null;
}

/** The reductions with which a motor has what is wanted of it; null where that is not known, or nothing is asked of it. */
function reachOf(wanted: Drive, source: SourceChoice): { readonly from: number; readonly to: number } | null {
  const able = (ratio: number): boolean => (marginAt(wanted, source, ratio) ?? 0) >= 1;
  const edge = (out: number, within: number): number => {
    for (let i = 0; i < RATIOS.halvings; i++) {
      const middle = Math.sqrt(out * within);
      if (able(middle)) within = middle;
      else out = middle;
    }
    return out;
  };
  if (marginAt(wanted, source, 1) === null) return null;
  // what it can do lies together: a coarse look finds it, a fine one what is narrow
  for (const each of RATIOS.each) {
    let [from, to] = [Infinity, 0];
    for (let ratio: number = RATIOS.least; ratio <= RATIOS.most; ratio *= each) {
      if (!able(ratio)) continue;
      from = Math.min(from, ratio);
      to = Math.max(to, ratio);
    }
    if (to > 0)
      return {
        from: from === RATIOS.least ? 0 : edge(from / each, from),
        to: to * each > RATIOS.most ? Infinity : edge(to * each, to),
      };
  }
  return { from: Infinity, to: 0 };
}

/** Turns a minute that a hand keeps up at a crank. */
const HAND_RPM = 60;
const byHandOnly = ({ plates }: SourceChoice): boolean => plates !== undefined;

/** Each asking, and what it leaves. (handbook: choose, the window of reductions) */
export function windowsOf(wanted: Drive, source: SourceChoice): (mode: number) => Window {
  const kind = sourceKindOf(source.source);
  const full = kind.fullSteps(source.source);
  const { job, timer } = wanted;
  const always: Bound[] = [];
  const reach = reachOf(wanted, source);
  const fastest = contextOf(wanted).force?.range?.[1];
  if (byHandOnly(source) && fastest) always.push({ asking: 'speed', to: HAND_RPM / fastest });
  if (reach) {
    if (reach.to < Infinity) always.push({ asking: 'speed', to: reach.to });
    if (reach.from > 0) always.push({ asking: 'torque', from: reach.from });
  }
  const rotor = rotorKgM2(source.source);
  if (rotor > 0 && job.load?.inertiaKgM2)
    always.push({
      asking: 'inertia',
      from: Math.sqrt(job.load.inertiaKgM2 / (INERTIAS * rotor)),
      soft: true,
    });
  const tolerance = toleranceOf(job);
  const bare = contextOf({ ...wanted, train: { ...wanted.train, source: inMode(source, source.modes[0]!) } });
  const rate = bare.duties.rates[0];
  return (mode) => {
    const because = [...always];
    const steps = full === null ? null : full * mode;
    if (steps !== null && tolerance && bare.counts.length > 0)
      because.push({ asking: 'tolerance', from: ARCSEC / 2 / toleranceArcsec(tolerance) / steps });
    if (steps !== null && rate && job.camera) {
      const { pixelUm, focalMm } = job.camera as { readonly pixelUm?: number; readonly focalMm?: number };
      if (pixelUm && focalMm)
        because.push({
          asking: 'following',
          from: ARCSEC / (pixelScale(pixelUm, focalMm) / 2) / steps,
          soft: true,
        });
    }
    if (steps !== null && rate && timer) {
      const ticks = toNumber(mul(tickHz(timer), abs(rate.period)));
      because.push({ asking: 'timer', from: ticks / (2 ** counterBits(timer) - 1) / steps });
    }
    // what lands has no rounding: the bound of the tolerance is asked of each train
    const hard = because.filter((b) => !b.soft && b.asking !== 'tolerance');
    return {
      from: Math.max(0, ...hard.map((b) => b.from ?? 0)),
      to: Math.min(Infinity, ...hard.map((b) => b.to ?? Infinity)),
      because,
    };
  };
}

/** The window of a whole pool: what every asking leaves of its sources at their most favourable. */
export function widest(windows: readonly Window[]): Window {
  const ids = [...new Set(windows.flatMap((w) => w.because.map((b) => b.asking)))];
  const because = ids.flatMap((asking): Bound[] => {
    const all = windows.map((w) => w.because.find((b) => b.asking === asking));
    // a source of which an asking leaves everything
    if (all.some((b) => !b)) return [];
    const from = Math.min(...all.map((b) => b!.from ?? 0));
    const to = Math.max(...all.map((b) => b!.to ?? Infinity));
    if (from <= 0 && to === Infinity) return [];
    return [
      {
        asking,
        ...(from > 0 && { from }),
        ...(to < Infinity && { to }),
        ...(all.every((b) => b!.soft) && { soft: true as const }),
      },
    ];
  });
  return {
    from: Math.min(...windows.map((w) => w.from)),
    to: Math.max(...windows.map((w) => w.to)),
    because,
  };
}

/** The asking that leaves no room for so many turns, and how many times they are beyond it; null for one that has room. */
export function outside(
  { from, to, because }: Window,
  turns: number,
): { readonly asking: AskingId; readonly by: number } | null {
  if (turns >= from && turns <= to) return null;
  const hard = because.filter((b) => !b.soft && b.asking !== 'tolerance');
  const short = hard.find((b) => turns < (b.from ?? 0));
  if (short) return { asking: short.asking, by: short.from! / turns };
  const long = hard.find((b) => turns > (b.to ?? Infinity))!;
  return { asking: long.asking, by: turns / long.to! };
}

/** What truly fails of a drive whose reduction lies outside the window; null for one that does not. */
export function failing(r: Context): { readonly asking: AskingId; readonly by: number } | null {
  const { motor } = r.force ?? { motor: null };
  if (motor?.margin !== null && motor?.margin !== undefined && motor.margin < 1) {
    const { force, range } = r.force!;
    const slow = range && force.at(range[0]).margin;
    return { asking: slow !== null && slow >= 1 ? 'speed' : 'torque', by: motor.margin };
  }
  const late = r.duties.rates.find(({ timing }) => timing && !timing.fits);
  if (late)
    return { asking: 'timer', by: toNumber(late.timing!.interval) / 2 ** counterBits(r.drive.timer!) };
  const without = r.byHand?.filter((row) => row.graded.grade !== 'even').length ?? 0;
  if (without > 0) return { asking: 'counts', by: without };
  // by plates a count is made exactly, or not at all
  if (r.byHand) return null;
  const misses = r.divisions.filter((d) => d.grade === 'misses');
  const tolerance = toleranceOf(r.drive.job);
  if (misses.length === 0 || !tolerance || !r.divider) return null;
  const worst = Math.max(...misses.map((d) => toNumber(d.worstErrorSteps)));
  const step = ARCSEC / Math.abs(toNumber(r.divider.stepsPerTurn));
  return { asking: 'tolerance', by: worst * step - toleranceArcsec(tolerance) };
}
