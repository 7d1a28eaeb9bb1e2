import { decimal, exactly, factors, mul, toNumber, type Rational } from '../../numbers/index.ts';
import { kindOf, wheelSearch } from '../../drive/index.ts';
import {
  capOf,
  ownOf,
  type FindAnswer,
  type FindRequest,
  type FoundRow,
  type Gone,
  type Reason,
} from '../../find/index.ts';
import {
  angleText,
  counted,
  grouped,
  inLine,
  listed,
  measured,
  powers,
  sentenceText,
  shortList,
  trimmed,
} from '../../words/index.ts';

/** What a train's stages are called: pairs where all are wheel pairs, stages where parts are used as they are. */
const stageWord = ({ kit }: FindRequest): 'pair' | 'stage' => (kit.parts.length > 0 ? 'stage' : 'pair');

const asked = ({ asked: a }: FindRequest): string =>
  a.question === 'divisions'
    ? shortList(
        a.divisions.map((d) => grouped(String(d))),
        6,
      )
    : '';

/** Where it was looked: "In your ranges" while any number may be bought, else "From what is there". */
function where({ kit }: FindRequest): string {
  if (kit.mostBought === null) return kit.families.length > 0 ? 'In your ranges' : 'From these parts';
  return kit.mostBought === 0
    ? 'From your shelf'
    : `From your shelf and up to ${counted(kit.mostBought, 'bought wheel')}`;
}

/** What the search built from, family by family, what stays of the present train, and what was left out and why. */
export function poolMessage({ kit }: FindRequest): string {
  const families = kit.families.flatMap((f) => {
    const wheels = f.wheels.filter((w) => w.own > 0 || w.buy);
    if (wheels.length === 0) return [];
    const { wheels: called, size: by, unit } = wheelSearch(f.pair)!;
    const size =
      f.sizeMm === null
        ? `${called} of no ${by} said`
        : `${called} of ${by} ${f.sizeMm}${unit ? ` ${unit}` : ''}`;
    const owned = wheels.reduce((n, w) => n + w.own, 0);
    const teeth = `${wheels.length === 1 ? '' : `${wheels[0]!.teeth}–`}${wheels.at(-1)!.teeth} teeth`;
    return [`${size} (${teeth}${owned > 0 ? `, ${grouped(String(owned))} owned` : ''})`];
  });
  const owned = kit.parts.reduce((n, p) => n + Math.min(p.quantity, ownOf(p)), 0);
  const parts = owned > 0 ? [`${counted(owned, 'whole stage')} of the shelf`] : [];
  const kept = [...(kit.kept?.first ?? []), ...(kit.kept?.last ?? [])].map(
    (s) => `${kindOf(s).short} ${kindOf(s).label(s)}`,
  );
  const pool = [...families, ...parts, ...(kit.variants ?? [])];
  return [
    `Pool: ${pool.length > 0 ? pool.join('; ') : 'nothing'}.`,
    ...(kept.length > 0 ? [`Kept: ${listed(kept)}.`] : []),
    ...(kit.leftOut && kit.leftOut.length > 0 ? [`Left out: ${kit.leftOut.join('; ')}.`] : []),
  ].join(' ');
}

/** A figure with a point where it ends, as it was typed; else a mixed number. */
function asWritten(r: Rational): string {
  for (let places = 0; places <= 12; places++)
    if (10n ** BigInt(places) % r.d === 0n) return grouped(decimal(r, places));
  return inLine(r);
}

/** The question that an answer is to, in words. */
export function askedMessage(request: FindRequest): string {
  const { asked: a } = request;
  if (a.question === 'ratio') return `Ratio ${asWritten(a.target)} : 1`;
  if (a.question === 'divisions') return `Divisions ${asked(request)}`;
  return `One turn in ${grouped(trimmed(toNumber(a.periodSeconds), 6))} s, ${grouped(String(Math.round(toNumber(a.tickHz))))} ticks a second`;
}

/** "1, 2 or 3 pairs" */
function upTo(stages: readonly number[], word: string): string {
  const last = stages.at(-1) ?? 0;
  return `${listed(stages.map(String), 'or')} ${word}${last === 1 ? '' : 's'}`;
}

/** An error as parts of a million, or of fewer when that is too small to read. */
export function ppmText(error: Rational): string {
  if (error.n === 0n) return 'exact';
  const ppm = toNumber(error) * 1_000_000;
  const size = Math.abs(ppm);
  const sign = ppm < 0 ? '−' : '+';
  if (size >= 0.01) return `${sign}${measured(size)} ppm`;
  return `${sign}${measured(size * 1000)} ppb`;
}

/** An error as an angle at the work over one turn. */
export const turnErrorText = (error: Rational): string => angleText(Math.abs(toNumber(error)) * 1_296_000);

/** What was proven, in one sentence; what is not yet when it was stopped. (handbook: find) */
export function findCertificate(request: FindRequest, answer: FindAnswer): string {
  const proven = answer.gone.filter((g) => g.proven).map((g) => g.stages);
  const word = stageWord(request);
  if (proven.length === 0) return `Nothing is proven yet: it was stopped among ${upTo([1], word)}.`;
  const open = answer.gone.find((g) => !g.proven);
  const rest = open
    ? ` With ${counted(open.stages, word)} it was stopped: what stands there is provisional.`
    : '';
  return `${proved(request, answer, proven, word)}${rest} ${poolMessage(request)}`;
}

/** How far off a row of a ratio or a rate may be, for what lies beyond was never looked at; null where nothing is left out so. */
function capText(request: FindRequest): string | null {
  const cap = request.asked.question === 'divisions' ? null : capOf(request);
  return cap && `${grouped(trimmed(toNumber(cap) * 1_000_000, 6))} ppm`;
}

function proved(
  request: FindRequest,
  { rows, gone }: FindAnswer,
  proven: readonly number[],
  word: string,
): string {
  const known = rows.filter((r) => proven.includes(r.stages));
  const walked = gone.filter((g) => g.proven);
  if (request.asked.question === 'divisions') {
    const even = known.filter((r) => r.kind === 'even');
    const least = even.reduce((n, r) => Math.min(n, r.teeth), Infinity);
    const products = sum(walked, (g) => g.products);
    const counts = products === 0 ? '' : ` ${grouped(String(products))} driven products were checked.`;
    if (even.length === 0)
      return `${where(request)} no ${upTo(proven, word)} come out even for ${asked(request)}.${counts}`;
    return `${where(request)} no ${upTo(proven, word)} come out even for ${asked(request)} with under ${least} teeth.${counts}`;
  }
  // what stands beyond the count is there because nothing beats it, not because nothing is nearer
  const last = known
    .filter((r) => r.error !== null)
    .slice(0, request.count)
    .at(-1);
  const looked = sum(walked, (g) => g.looked);
  const closely =
    looked === 0 ? '' : `, ${grouped(String(looked))} looked at closely${refusedMessage(walked)}`;
  const cap = capText(request);
  const only = cap === null ? '' : ` Only what is within ${cap} was looked for.`;
  const counts = `${grouped(String(sum(walked, (g) => g.products)))} products were walked${closely}.${only}`;
  if (!last) return `${where(request)} nothing of ${upTo(proven, word)} comes near enough. ${counts}`;
  const what = request.asked.question === 'ratio' ? 'comes nearer' : 'keeps the rate better';
  if (request.rank === 'pareto')
    return `${where(request)} nothing of ${upTo(proven, word)} beats one of these in error, stages, teeth and largest wheel at once. ${counts}`;
  return `${where(request)} nothing of ${upTo(proven, word)} ${what} than these; the last ${lastMessage(last)}. ${counts}`;
}

const lastMessage = (row: FoundRow): string => {
  const error = exactly(row.error!);
  return error.n === 0n ? 'is exact' : `is off by ${ppmText(error)}`;
};

const sum = (gone: readonly Gone[], of: (g: Gone) => number): number => gone.reduce((n, g) => n + of(g), 0);

function refusedMessage(gone: readonly Gone[]): string {
  const refused = sum(gone, (g) => g.refused);
  return refused === 0 ? '' : `, of which ${grouped(String(refused))} cannot be made of what is there`;
}

const within = (request: FindRequest): string => {
  const cap = capText(request);
  return cap === null ? '' : `, within ${cap}`;
};

/** Why there is nothing, or only something near, and what would cure it. */
export function reasonMessage(request: FindRequest, reason: Reason): string {
  const word = stageWord(request);
  switch (reason.why) {
    case 'nothingToBuildFrom':
      return 'There is nothing to build from: allow a range of wheels, or put wheels on the shelf.';
    case 'primesMissing': {
      const [first] = reason.primes;
      const primes = listed(reason.primes);
      return reason.primes.length === 1
        ? `${primes} is in none of the wheels and not in the motor: a driven wheel with ${first} teeth, or a multiple of it, would bring it.`
        : `${primes} are in none of the wheels and not in the motor: driven wheels must bring them, one each or one of ${grouped(String(reason.primes.reduce((n, p) => n * BigInt(p), 1n)))} for all.`;
    }
    case 'tooFewStages':
      return reason.primes.length === reason.stages && reason.stages > 1
        ? `${listed(reason.primes)} each need a driven wheel of their own: ${counted(reason.stages, word)} at least.`
        : `${listed(reason.primes)} cannot be brought by so few driven wheels: ${counted(reason.stages, word)} at least.`;
    case 'stepsOutside':
      return `With ${counted(reason.stages, word)} there are trains that come out even, but none with ${reason.steps} steps a turn: widen the limits.`;
    case 'cannotCancel':
      return 'The driven wheels can bring what is wanted, but no drivers leave a whole number of steps: allow finer modes, or more drivers.';
    case 'counterForbids':
      return `The counter of ${reason.bits} bits wants at least ${grouped(reason.least)} steps a turn between two ticks that it can hold: widen the steps, or take a wider counter or a coarser prescaler.`;
    case 'speedForbids':
      return `The controller’s greatest speed allows ${grouped(reason.most)} steps a turn at most: lower the steps, or let it step faster.`;
    case 'outOfReach':
      return `It is out of reach: ${counted(reason.stages, word)} of these give ${measured(reason.least)} to ${measured(reason.most)} at most. Allow more stages, larger wheels or a worm.`;
    case 'nothingNear':
      return reason.nearest?.error
        ? `Nothing is near enough${within(request)}. The nearest is ${pairsText(reason.nearest)}, off by ${ppmText(exactly(reason.nearest.error))}.`
        : `Nothing is near enough${within(request)} with these limits.`;
  }
}

/** "16:97 · 16:73"; what is not a plain pair says what it is: "belt 20:76 · worm 1:90". */
export function pairsText(row: FoundRow): string {
  return row.train
    .map((stage) => {
      const kind = kindOf(stage);
      const label = kind.label(stage).replace(/ : /g, ':');
      return stage.kind === 'spur' ? label : `${kind.short} ${label}`;
    })
    .join(' · ');
}

/** The primes of a rate that no wheel or motor brings, so that they must be in the ticks between two steps. */
export function ticksMustHold(request: FindRequest): string | null {
  if (request.asked.question !== 'rate' || !request.source) return null;
  const ticks = mul(request.asked.tickHz, request.asked.periodSeconds);
  const wheels = request.kit.families.flatMap((f) => f.wheels.map((w) => BigInt(w.teeth)));
  const steps = BigInt(request.source.fullSteps) * BigInt(Math.max(...request.source.modes));
  const foreign = [...factors(ticks.n)].filter(
    ([p]) => steps % p !== 0n && !wheels.some((w) => w % p === 0n),
  );
  if (foreign.length === 0) return null;
  const must = foreign.reduce((n, [p, e]) => n * p ** BigInt(e), 1n);
  return `One turn is ${inLine(ticks)} ticks = ${sentenceText(powers(factors(ticks.n)))}; ${listed(foreign.map(([p]) => grouped(String(p))))} ${foreign.length === 1 ? 'is' : 'are'} in no wheel, so for no error at all the ticks between two steps must be a multiple of ${grouped(String(must))}.`;
}
