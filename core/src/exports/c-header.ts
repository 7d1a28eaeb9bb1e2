import { plainSigns } from '../words/index.ts';
import { decimal, error, nearestFraction, ok, rational, toText, type Rational } from '../numbers/index.ts';
import { kinematicsOf, type Drive, type Kinematics, counterBits, tickHz } from '../drive/index.ts';
import { type Spread, type Timing } from '../follow/index.ts';
import { report, type RateReport } from '../report/index.ts';
import type { ExportFormat } from './export.ts';

/** Letters of a name that every compiler still tells apart, with the longest ending behind it. */
const LONGEST_NAME = 40;

/** "HOUR_WHEEL": what a name is called in C. It never begins with a digit. */
function macro(name: string): string {
  const bare = name
    .normalize('NFKD')
    .toUpperCase()
    .replace(/[^A-Z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '')
    .slice(0, LONGEST_NAME)
    .replace(/_+$/, '');
  if (bare === '') return 'RATE';
  return /^\d/.test(bare) ? `RATE_${bare}` : bare;
}

/** A name of its own for each: the second of two gets a number that none has. */
function namesOf(rates: readonly RateReport[]): readonly string[] {
  const taken = new Set<string>();
  return rates.map((r) => {
    const base = macro(r.name);
    let name = base;
    for (let n = 2; taken.has(name); n++) name = `${base}_${n}`;
    taken.add(name);
    return name;
  });
}

const U16 = 0xffffn;
const U32 = 0xffff_ffffn;
const U64 = 0xffff_ffff_ffff_ffffn;

const suffix = (n: bigint): string => (n > U32 ? 'ULL' : n > U16 ? 'UL' : 'U');
const literal = (n: bigint): string => `${n}${suffix(n)}`;

/** Text that may stand in a comment of C: one line, no end of a comment, no beginning of one, no trigraph. */
const comment = (text: string): string =>
  [...plainSigns(text.replace(/\p{Cc}/gu, ' '))]
    .map((c) => (c < ' ' || c === '\u007f' || c === '\\' ? ' ' : c))
    .join('')
    .replace(/[\u2009\u202f]/g, ' ')
    .replace(/\?{2,}/g, '?')
    .replace(/\*+\//g, '*')
    .replace(/\/+\*/g, '*');

/**
 * The constants of every rate that a timer keeps: whole ticks, and what alternates by error diffusion. null when there is none.
 * (handbook: follow)
 */
function cHeader(drive: Drive): string | null {
  const rates = report(drive).duties.rates.filter((r) => r.timing?.fixed);
  const { timer } = drive;
  if (rates.length === 0 || !timer) return null;
  const names = namesOf(rates);
  const guard = `PENDRIX_${macro(drive.name)}_H`;
  return [
    `/* ${comment(drive.name)}: ticks between two steps. */`,
    `#ifndef ${guard}`,
    `#define ${guard}`,
    '',
    '/* Wait TICKS; add NUM to a sum that starts at 0; when it is DEN or more, take DEN off and wait one tick longer. */',
    '/* A counter that counts from 0 to a top value and starts again wants TICKS - 1 there. */',
    '/* FORWARD is the sense of the motor: 1 turns the way in which it counts up, 0 the other way. */',
    ...kinematicsOf(drive).senseBy.map((by) => `/* The work turns so ${by}. Try it before you trust it. */`),
    '',
    ...rates.map((r, i) => rateBlock(r, names[i]!, tickHz(timer), counterBits(timer), kinematicsOf(drive))),
    `#endif /* ${guard} */`,
    '',
  ].join('\n');
}

/** What alternates, in numbers that a compiler takes: a denominator of at most 32 bits. */
function shared({ interval, spread }: Timing): { readonly spread: Spread; readonly cut: boolean } {
  if (spread.den <= U32) return { spread, cut: false };
  const part = nearestFraction(rational(interval.n % interval.d, interval.d), U32);
  return { spread: { q: spread.q, num: part.n, den: part.d }, cut: true };
}

function rateBlock(r: RateReport, name: string, hz: Rational, bits: number, k: Kinematics): string {
  const timing = r.timing!;
  const { fixed, interval, fits, tooFast, holdsPi } = timing;
  const { spread, cut } = shared(timing);
  const exactly = holdsPi || cut ? `about ${decimal(interval, 9)}` : toText(interval);
  const told = [
    `${comment(r.name)}, the work ${r.sense}: ${exactly} ticks of 1/${toText(hz)} s`,
    ...(fits ? [] : [`wider than ${bits} bits`]),
    ...(tooFast ? ['faster than the controller steps'] : []),
    ...(r.doubt ? [comment(r.doubt)] : []),
    ...(r.arm ? ['at the start of the arm'] : []),
  ].join('; ');
  if (spread.q > U64) return `/* ${told}: too long for any counter */\n`;
  const always =
    r.ways
      .find((w) => w.how === 'fixed')
      ?.ppm.replaceAll('\u2009', '')
      .replace('−', '-') ?? '0';
  const forward = (r.rate.reverse ? -1n : 1n) * k.reduction.s > 0n;
  return [
    `/* ${told} */`,
    `#define ${name}_TICKS ${literal(spread.q)}`,
    `#define ${name}_NUM ${literal(spread.num)}`,
    `#define ${name}_DEN ${literal(spread.den)}${cut ? ' /* the nearest fraction of 32 bits */' : ''}`,
    ...(fixed ? [`#define ${name}_FIXED ${literal(fixed.ticks)} /* one interval: ${always} ppm */`] : []),
    `#define ${name}_FORWARD ${forward ? 1 : 0} /* of the motor */`,
    '',
  ].join('\n');
}

/** Constants of the rates for a program. */
export const cheader: ExportFormat = {
  title: 'C header',
  extension: 'h',
  type: 'text/plain',
  takes: [],
  offers: (drive) =>
    cHeader(drive) === null ? [] : [{ file: 'constants', title: 'Constants for a program', options: {} }],
  write: (drive) => {
    const text = cHeader(drive);
    return text === null ? error('nothingToExport', 'rates that a timer keeps') : ok(text);
  },
};
