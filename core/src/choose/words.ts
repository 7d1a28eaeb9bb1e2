import {
  plainText,
  roughAngle,
  measured,
  timeText,
  grouped,
  listed,
  type Graded,
  type Rich,
} from '../words/index.ts';
import { isStageKind, isSourceKind, kindOf, sourceKindOf } from '../drive/index.ts';
import { decimal } from '../numbers/index.ts';
import { withoutUnknown, type CellId } from '../report/index.ts';
import { ENCODER, type Chosen, type Judged, type Met, type Why } from './choose.ts';
import { chosenStages, type Candidate } from './candidate.ts';
import { measureOf, type MeasureId } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import type { Bound } from './window.ts';

/** One measure of one drive, as it is told. */
export interface Told {
  readonly text: Rich;
  readonly graded: Graded | null;
  readonly note?: string;
}

const plain = (text: string, graded: Graded | null = null): Told => ({
  text: text === '' ? [] : [text],
  graded,
});
/** What is no figure. */
const words = (note: string, text: Rich = []): Told => ({ text, graded: null, note });

const cellOf = ({ report }: Candidate, id: CellId): Told => {
  const cell = report.verdict.find((c) => c.cell === id)!;
  return cell.figure ? { text: cell.figure.text, graded: cell.graded } : words(cell.absent);
};

const timed = ([value, unit]: readonly [string, string]): Told => ({
  text: [value, { unit }],
  graded: null,
});

/** What somebody takes for a wheel, where that is said. */
type Pace = Pick<ChooseRequest, 'wheelHours'>;

/** How each measure is told of a drive: by the same cells as everywhere where there is one. */
const told: Readonly<Record<MeasureId, (candidate: Candidate, pace: Pace) => Told>> = {
  error: (c) => {
    const { dividing, tracking } = c.of.errors.budgets;
    const share = dividing?.divisions ? c.of.errors.shareOf(dividing.divisions) : null;
    const note = [
      ...(share ? [`rounding ${share.part}`] : []),
      ...[withoutUnknown((dividing ?? tracking)?.budget.unknown ?? 0)].filter(Boolean),
    ].join(', ');
    return { ...cellOf(c, 'error'), ...(note !== '' && { note }) };
  },
  grade: (c) => cellOf(c, 'divisions'),
  force: (c) => cellOf(c, 'force'),
  speed: (c) => cellOf(c, 'speed'),
  steps: (c) => cellOf(c, 'steps'),
  hold: ({ report: { judged } }) => {
    const back = judged.force?.force.turnsBack;
    if (back === undefined) return words('no load given');
    if (back === null) return plain('', { grade: 'unknown', word: 'not known' });
    return back
      ? plain('', { grade: 'misses', word: 'turns back' })
      : plain('', { grade: 'even', word: 'holds itself' });
  },
  buy: ({ to }) =>
    to.buy === null ? words('no price') : to.buy.n === 0n ? words('nothing') : plain(decimal(to.buy, 2)),
  make: ({ to }, { wheelHours }) => {
    if (to.make === 0) return words('nothing');
    const hours = wheelHours === undefined ? '' : `, ${measured(to.make * wheelHours)} h`;
    return words(`${to.make === 1 ? 'wheel' : 'wheels'}${hours}`, [String(to.make)]);
  },
  stages: ({ drive }) => plain(String(chosenStages(drive).length)),
  parts: (c) => plain(String(measureOf('parts').of(c))),
  lost: (c) => {
    const lost = measureOf('lost').of(c);
    if (lost === null) return plain('', { grade: 'unknown', word: 'Unknown' });
    return lost === 0 ? words('one-sided approach', ['0']) : plain(roughAngle(lost));
  },
  size: (c) => {
    const size = measureOf('size').of(c)!;
    return size === 0
      ? words('no wheel to measure')
      : { text: [measured(size), { unit: 'mm' }], graded: null };
  },
  shakes: (c) => {
    const shakes = measureOf('shakes').of(c);
    if (shakes === null) return plain('', { grade: 'unknown', word: 'not known' });
    return plain(
      '',
      shakes ? { grade: 'close', word: 'shakes in what is asked' } : { grade: 'passes', word: 'clear' },
    );
  },
  battery: (c) => {
    const hours = measureOf('battery').of(c);
    return hours === null ? words('no battery given') : timed(timeText(-hours * 3600));
  },
  round: (c) => {
    const seconds = measureOf('round').of(c);
    return seconds === null ? words('no camera') : timed(timeText(-seconds));
  },
};

export const tellMeasure = (id: MeasureId, candidate: Candidate, pace: Pace = {}): Told =>
  told[id](candidate, pace);

/** The same in a word: its figure, else its grade, else what is said of it. */
export function briefly(pace: Pace, id: MeasureId, { candidate }: Judged): string {
  const { text, graded, note = '' } = tellMeasure(id, candidate, pace);
  return plainText(text) || (graded?.word ?? note);
}

/**
 * What decides between the first and another: the measure in which they first differ by more than the estimates can tell, and what the
 * other gains and costs. (handbook: choose, what decides)
 */
export function decides(request: ChooseRequest, { best }: Pick<Chosen, 'best'>, at: number): string {
  const [leader, one] = [best[0]!, best[at]!];
  if (best.length === 1) return 'Nothing else is as good in anything that counts.';
  const other = at === 0 ? best[1]! : one;
  const first = request.measures.findIndex((_, i) => differs(request, i, leader, other));
  if (first < 0) return 'As good as the first in everything that counts.';
  const id = request.measures[first]!;
  const title = measureOf(id).title.toLowerCase();
  if (at === 0)
    return `${measureOf(id).title} decides: ${briefly(request, id, leader)}, against ${briefly(request, id, other)} of the next.`;
  const gains = request.measures.filter(
    (_, i) => differs(request, i, leader, one) && isBetter(one.values[i], leader.values[i]),
  );
  const gain = gains.map((g) => `${measureOf(g).title.toLowerCase()} (${briefly(request, g, one)})`);
  return `Behind the first in ${title}: ${briefly(request, id, one)}.${gain.length > 0 ? ` Better in ${listed(gain)}.` : ''}`;
}

/** Less is better; what is not known is worst. */
export const isBetter = (a: number | null | undefined, b: number | null | undefined): boolean =>
  (a ?? Infinity) < (b ?? Infinity);

/** Beyond what the estimates can tell apart. */
export function differs({ measures }: ChooseRequest, i: number, a: Judged, b: Judged): boolean {
  const [x, y] = [a.values[i] ?? null, b.values[i] ?? null];
  if (x === null || y === null) return x !== y;
  const [low, high] = [Math.min(x, y), Math.max(x, y)];
  return high > low + Math.abs(low) * (measureOf(measures[i]!).alike ?? 0);
}

/** What leaves a bound, in words. */
export const askingWords: Readonly<Record<Why, string>> = {
  tolerance: 'the tolerance',
  counts: 'the counts',
  speed: 'the speed asked',
  torque: 'the torque asked',
  inertia: 'a start without a jerk',
  following: 'half a pixel a step',
  timer: 'the timer’s counter',
  misfit: 'fit',
  spend: 'the money',
  coarse: 'its counts',
};

export const ratioText = (r: number): string => measured(r);

/** "from 10.8 by the torque asked" */
export const boundMessage = ({ asking, from, to, soft }: Bound): string =>
  `${from !== undefined ? `from ${ratioText(from)}` : ''}${from !== undefined && to !== undefined ? ' ' : ''}${to !== undefined ? `to ${ratioText(to)}` : ''} by ${askingWords[asking]}${soft ? ' (beyond it: poorer, not out)' : ''}`;

/** Families of which nothing is shown, and what excluded them. */
export interface Dropped {
  readonly family: string;
  /** what excluded it; null where others are as good in everything and better in something */
  readonly asking: Why | null;
  readonly by: string;
}

export function droppedOf(chosen: Chosen): readonly Dropped[] {
  const there = new Set(
    chosen.best.flatMap(({ candidate: { drive } }): readonly string[] => [
      drive.train.source.kind,
      ...(drive.encoder?.corrects ? [ENCODER] : []),
      ...chosenStages(drive).map((s) => s.kind),
    ]),
  );
  return [...chosen.families].flatMap(([kind, met]): readonly Dropped[] =>
    there.has(kind) ? [] : [{ family: titleOf(kind), ...whyOut(met) }],
  );
}

const titleOf = (kind: string): string =>
  kind === ENCODER
    ? 'Encoder that corrects'
    : isStageKind(kind)
      ? kindOf({ kind }).title
      : isSourceKind(kind)
        ? sourceKindOf({ kind }).title
        : kind;

function whyOut({ judged, out }: Met): Pick<Dropped, 'asking' | 'by'> {
  if (judged > 0)
    return { asking: null, by: 'others are as good in all that counts, and better in something' };
  const [asking, met] = [...out].sort((a, b) => b[1].count - a[1].count)[0] ?? [null, null];
  if (!asking || !met) return { asking: null, by: 'what stands behind it is beaten already' };
  if (asking === 'tolerance') return { asking, by: `rounding alone is ${roughAngle(met.by)} over it` };
  if (asking === 'torque') return { asking, by: `at best ${measured(met.by)} times what is wanted` };
  if (asking === 'misfit') return { asking, by: 'nothing of it goes together' };
  if (asking === 'counts')
    return { asking, by: `at best ${met.by} of the counts ${met.by === 1 ? 'has' : 'have'} no circle` };
  if (asking === 'coarse') return { asking, by: 'a step of the motor is coarser than one of its counts' };
  if (asking === 'spend') return { asking, by: `it costs ${measured(met.by)} at least` };
  return { asking, by: `${askingWords[asking]}: at best ${measured(met.by)} times beyond it` };
}

/** What was gone through, and whether all of it was. */
export function chooseCertificate(request: ChooseRequest, chosen: Chosen): string {
  const { considered, bounded, window, proven, equal, best } = chosen;
  const spread =
    window.from > 0 || window.to < Infinity
      ? ` Reductions ${[...(window.from > 0 ? [`from ${ratioText(window.from)}`] : []), ...(window.to < Infinity ? [`to ${ratioText(window.to)}`] : [])].join(' ')} are open.`
      : '';
  const beaten =
    bounded > 0
      ? `, and ${grouped(String(bounded))} endings that are beaten whatever stands before them`
      : '';
  return (
    `${request.pool}, up to ${request.maxStages} ${request.maxStages === 1 ? 'stage' : 'stages'}: ${grouped(String(considered))} drives were judged${beaten}; ` +
    `nothing beats ${best.length === 1 ? 'one' : best.length}${equal > 0 ? `, and ${grouped(String(equal))} are as good as one of them` : ''}.${spread} ` +
    (proven ? 'Proven within this pool.' : 'So far, not proven yet.')
  );
}
