import { exactly, toNumber } from '../numbers/index.ts';
import { toleranceArcsec, toleranceOf } from '../motion/index.ts';
import { angleText, lengthText, listed } from '../words/index.ts';
import type { Chosen, Judged } from './choose.ts';
import { measureOf, type MeasureId } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import { askingWords, differs, isBetter, ratioText } from './words.ts';
import type { Bound, Window } from './window.ts';

/** Titles of the measures in which one is better than another beyond what the estimates can tell. */
export const gainsOf = (request: ChooseRequest, one: Judged, than: Judged): readonly MeasureId[] =>
  request.measures.filter(
    (_, i) => differs(request, i, than, one) && isBetter(one.values[i], than.values[i]),
  );

const titled = (ids: readonly MeasureId[]): string =>
  listed(ids.map((id) => measureOf(id).title.toLowerCase()));

/** The tolerance with which another would do that misses by its error alone, and what is gained by it. */
function byTolerance(request: ChooseRequest, best: readonly Judged[]): string | null {
  const { job } = request.wanted;
  const tolerance = toleranceOf(job);
  const at = request.measures.indexOf('error');
  const [leader] = best;
  if (!tolerance || at < 0 || !leader) return null;
  const allowed = toleranceArcsec(tolerance);
  if ((leader.values[at] ?? Infinity) > allowed) return null;
  for (const other of best.slice(1)) {
    const error = other.values[at] ?? null;
    const gains = gainsOf(request, other, leader);
    if (error === null || error <= allowed || gains.length === 0) continue;
    const angle = Math.ceil(error * 100) / 100;
    const radius =
      job.toleranceMm === undefined || job.radiusMm === undefined ? null : toNumber(exactly(job.radiusMm));
    const length =
      radius === null
        ? ''
        : ` (${lengthText(Math.ceil(((angle * Math.PI) / 648_000) * radius * 1e4) / 1e4).join(' ')})`;
    return `With a tolerance of ±${angleText(angle)}${length} ${other.candidate.drive.name} would do, and gain in ${titled(gains)}.`;
  }
  return null;
}

/** Who would lead if the measure that decides did not count. */
function byOrder(request: ChooseRequest, best: readonly Judged[]): string | null {
  const [leader, next] = best;
  if (!leader || !next) return null;
  const decides = request.measures.findIndex((_, i) => differs(request, i, leader, next));
  if (decides < 0 || request.measures.length < 2) return null;
  const rest = request.measures.map((_, i) => i).filter((i) => i !== decides);
  const first = best.reduce((a, b) => {
    const at = rest.find((i) => differs(request, i, a, b));
    return at !== undefined && isBetter(b.values[at], a.values[at]) ? b : a;
  });
  if (first === leader) return null;
  const title = measureOf(request.measures[decides]!).title.toLowerCase();
  return `If ${title} did not count, of these ${first.candidate.drive.name} would lead: better in ${titled(gainsOf(request, first, leader))}.`;
}

/** What one thing would turn the choice; nothing where nothing does. (handbook: choose, what decides) */
export const turnsOf = (request: ChooseRequest, { best }: Pick<Chosen, 'best'>): readonly string[] =>
  [byTolerance(request, best), byOrder(request, best)].filter((s) => s !== null);

/** What would reconcile an asking that leaves too little, by so many times. */
const RECONCILES: Readonly<Partial<Record<Bound['asking'], (times: string) => string>>> = {
  torque: (x) => `a motor of ${x} times the torque, or a load so many times lighter`,
  speed: (x) => `a motor ${x} times as fast, or the work so many times slower`,
  timer: (x) => `a counter ${x} times as long, or a slower tick`,
};

/** The two askings that leave no reduction between them, and what would; nothing while there is one. (handbook: choose, the window) */
export function conflictMessage({ because }: Window): string {
  const hard = because.filter((b) => !b.soft && b.asking !== 'tolerance');
  const from = hard.reduce<Bound | null>((a, b) => ((b.from ?? 0) > (a?.from ?? 0) ? b : a), null);
  const to = hard.reduce<Bound | null>((a, b) => ((b.to ?? Infinity) < (a?.to ?? Infinity) ? b : a), null);
  if (!from || !to || from.from! <= to.to!) return '';
  if (from.from === Infinity)
    return `No reduction serves ${askingWords[from.asking]}: the motors of this pool are too weak for it at any speed asked.`;
  const times = ratioText(from.from! / to.to!);
  const cures = [from, to].flatMap((b) => RECONCILES[b.asking]?.(times) ?? []);
  return (
    `${askingWords[from.asking]} wants ${ratioText(from.from!)} : 1 or more, and ${askingWords[to.asking]} leaves ${ratioText(to.to!)} : 1 or less. ` +
    `To reconcile them: ${listed(cures, 'or')}.`
  ).replace(/^./, (c) => c.toUpperCase());
}
