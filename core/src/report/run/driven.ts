import { div, exactly, rational, toNumber } from '../../numbers/index.ts';
import type { Drive } from '../../drive/index.ts';
import { shaken, type Status, type Told } from '../../control/index.ts';
import { ARCSEC_PER_RADIAN } from '../../errors/index.ts';
import { blankOf, workGear } from '../../teeth/index.ts';
import { targetOf, type RunPlan, type RunState } from '../../run/index.ts';
import { atWork, offText, type Place, placeOf, sizeText } from '../../plans/index.ts';
import { angleText, measured, whole } from '../../words/index.ts';

/** One of the four things that are done at each gap. */
export interface PhaseReport {
  readonly title: string;
  readonly message: string;
  readonly is: 'done' | 'now' | 'then';
}

/** A run with a controller: what is done, what now, what the large key does. (handbook: run) */
export interface DrivenReport {
  readonly phases: readonly PhaseReport[];
  readonly go: string;
  /** how far off it came to rest; null while it is under way */
  readonly error: {
    readonly counts: string;
    readonly text: string;
    readonly within: boolean;
    /** with the rounding of the place; `size` is ″, or mm along a slide */
    readonly total: string;
    readonly size: number;
  } | null;
  readonly target: string;
}

/** Counts at the work: ″, or mm along a slide. */
const countsAtWork = (plan: RunPlan, counts: number): number =>
  // behind a wheel that locks the work stands, whatever the source is off by
  plan.places === undefined ? atWork(plan, counts / toNumber(exactly(plan.stepsPerTurn))) : 0;

/** Where the work stands by the controller's own counts; null while none drives the run. */
export function standsAt({ driven, plan }: RunState, counts: number): Place | null {
  if (!driven) return null;
  const turns = div(rational(counts - driven.zero), exactly(plan.stepsPerTurn));
  return placeOf(plan)(turns);
}

const offCounts = (error: number): string =>
  error === 0
    ? 'On its count'
    : `${Math.abs(error)} ${Math.abs(error) === 1 ? 'count' : 'counts'} ${error < 0 ? 'short' : 'over'}`;

/** `cut` is what the key says when it is cut; `rounding` what the place itself is off by, as `atWork` gives it. */
export function drivenReport(
  state: RunState,
  moving: boolean,
  cut: string,
  rounding = 0,
): DrivenReport | null {
  const { driven, plan } = state;
  if (!driven) return null;
  const target = targetOf(state);
  const { phase, error } = driven;
  const at = ['advance', 'clamp', 'cut'].indexOf(phase) + 1;
  const is = (i: number): PhaseReport['is'] => (i < at ? 'done' : i === at ? 'now' : 'then');
  const where = target === null ? '' : whole(BigInt(target));
  const off = error === undefined ? null : countsAtWork(plan, error);
  return {
    target: where,
    phases: [
      { title: 'Release', message: at === 1 ? 'before it moves' : '', is: is(0) },
      {
        title: 'Advance',
        message: moving ? 'It moves: hands clear, do not touch the clamp.' : `to ${where}, the work released`,
        is: is(1),
      },
      {
        title: 'Clamp',
        message:
          off === null
            ? 'when it stands'
            : `${offCounts(error!)}, ${offText(plan, off)}: clamp until it stops.`,
        is: is(2),
      },
      {
        title: 'Cut',
        message: driven.holds ? 'Count held: cut, withdraw, go on.' : 'Count not held: cut, withdraw, go on.',
        is: is(3),
      },
    ],
    go: phase === 'advance' ? (moving ? 'It moves' : 'Released, move') : phase === 'clamp' ? 'Clamped' : cut,
    error:
      error === undefined || off === null
        ? null
        : {
            counts: String(error),
            text: offText(plan, off),
            within: Math.abs(error) <= driven.window,
            total: offText(plan, off + rounding),
            size: off + rounding,
          },
  };
}

/** What a window of counts means at the work, and along the pitch circle where it is known. */
export function windowMeaning(drive: Drive, plan: RunPlan, counts: number): string {
  const size = countsAtWork(plan, counts);
  if (plan.scale) return `±${sizeText(plan, size)} along the slide`;
  const radius =
    drive.job.radiusMm !== undefined
      ? toNumber(exactly(drive.job.radiusMm))
      : drive.job.blank
        ? blankOf(workGear(drive.job.blank, plan.divisions)).pitchMm / 2
        : null;
  const along =
    radius === null
      ? ''
      : `, ${measured((size / ARCSEC_PER_RADIAN) * radius * 1000)} µm at ${measured(radius)} mm`;
  return `±${angleText(size)} at the work${along}`;
}

/** What the raw count did while the work was clamped, in a sentence; null where it stood still. */
function clampedMessage(
  state: RunState,
  before: number,
  now: Status,
  edges: { readonly a: number; readonly b: number },
): string | null {
  const { driven, plan } = state;
  if (!driven) return null;
  const told = shaken({ ...now, raw: before, counts: before }, now, edges.a, edges.b);
  if (told.verdict === 'still' || told.verdict === 'jitter') return null;
  const off = Math.abs(told.counts);
  const size = `${off} ${off === 1 ? 'count' : 'counts'} (${sizeText(plan, countsAtWork(plan, off))})`;
  const why =
    told.verdict === 'oneEdge'
      ? `${told.a} edges on A and ${told.b} on B: one edge flickers while it is cut, counted once each time. Decode all four edges, or hold the count while it is clamped`
      : 'edges on both channels: the shaft itself moved under the clamp';
  return driven.holds
    ? `While it was clamped the raw count moved by ${size}; it was held, so nothing is lost. ${why}.`
    : `The count walked off by ${size} while it was clamped. ${why}.`;
}

/** What a run with a controller has to tell, in a sentence; null for nothing. */
export function toldMessage(state: RunState, told: Told): string | null {
  if (told === null) return null;
  switch (told.is) {
    case 'noController':
      return 'No controller: connect it, or choose “Run without it” and turn by hand.';
    case 'strange':
      return 'The controller was switched off since: its count begins anew. Put the work on the mark of this gap, and set it.';
    case 'notThere':
      return told.why === 'fault'
        ? `The controller stopped: ${told.words}. Look at window and coast, then move again.`
        : `It did not get there: ${told.words}. A wider window, or a slower motor; then move again.`;
    case 'refused':
      return `The controller did not do it: ${told.words}.`;
    case 'clamped':
      return clampedMessage(state, told.before, told.now, told.edges);
  }
}

const GONE = 'The controller is gone';

/** A controller that is gone, and where what it drove stands: gap by gap, or at a frame. */
export const goneMessage = (why: string | null, frame?: number): string =>
  `${GONE}${why === null ? '' : `: ${why}`}. ${
    frame === undefined
      ? 'The run stands where it stood; connect again and go on.'
      : `The shot waits at frame ${frame}; connect again and go on.`
  }`;

/** A shake test in words: clamp, knock, watch; `after` is null where the controller went meanwhile. */
export function shakeMessage(
  plan: RunPlan,
  before: Status,
  after: Status | null,
  edges: { readonly a: number; readonly b: number },
): string {
  if (!after) return `${GONE}.`;
  const told = shaken(before, after, edges.a, edges.b);
  const off = Math.abs(told.counts);
  switch (told.verdict) {
    case 'still':
      return 'Still: not one count, not one edge more than a few.';
    case 'jitter':
      return `Edges flicker (A ${told.a}, B ${told.b}), the count stays within one: it is safe to cut.`;
    case 'oneEdge':
      return `${told.a} edges on A and ${told.b} on B: ${off} counts, ${sizeText(plan, countsAtWork(plan, off))}. One edge flickers; decode all four edges, or hold the count while it is clamped.`;
    case 'moved':
      return `It moved by ${off} counts, ${sizeText(plan, countsAtWork(plan, off))}: the clamp does not hold, or the axis was turned.`;
  }
}
