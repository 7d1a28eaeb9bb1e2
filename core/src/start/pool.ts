import { toNumber } from '../numbers/index.ts';
import {
  kindOf,
  outputKindOf,
  outputs,
  sourceKindOf,
  type Drive,
  type Output,
  type Source,
} from '../drive/index.ts';
import { partKindOf, type ShelfPart } from '../shelf/index.ts';
import { poolOf, type ChoosePool, type SourceChoice, type StageChoice } from '../choose/index.ts';
import { wordsOf, type Can, type Own } from './at-hand.ts';

/** A mode that every driver has and that steps smoothly by: nobody need choose one to begin with. */
const USUAL_MODE = 16;
/** Choices of one kind that are tried, spread over its ratios. */
const EACH = 7;

const has = (words: string | undefined, word: Own | Can): boolean => wordsOf(words ?? '').includes(word);

/** Is a line of the shelf something of this sort? Motors with what drives them, wheels of all sorts, what is bought whole. */
function sortOf(part: ShelfPart): Own {
  const { wheel } = partKindOf(part);
  if (part.kind === 'motor' || part.kind === 'driver') return 'motor';
  return wheel ? 'wheels' : 'worm';
}

/** Of many stages of a kind a few, from the smallest reduction to the largest. */
function spread(choices: readonly StageChoice[], own: (c: StageChoice) => boolean): readonly StageChoice[] {
  const kinds = [...new Set(choices.map((c) => c.stage.kind))];
  return kinds.flatMap((kind) => {
    const list = choices.filter((c) => c.stage.kind === kind);
    const ratio = (c: StageChoice): number => Math.abs(toNumber(kindOf(c.stage).reduction(c.stage)));
    // of one ratio what is owned goes first
    const sorted = [...list].sort((a, b) => Number(own(b)) - Number(own(a)));
    const one = [...new Map([...sorted].reverse().map((c) => [ratio(c).toFixed(6), c])).values()];
    const rising = one.sort((a, b) => ratio(a) - ratio(b));
    if (rising.length <= EACH) return rising;
    return Array.from(
      { length: EACH },
      (_, i) => rising[Math.round((i * (rising.length - 1)) / (EACH - 1))]!,
    );
  });
}

/** A source in one mode: the usual, else the finest below it; none where it has only finer ones beside another driver's. */
function usual(choice: SourceChoice): readonly SourceChoice[] {
  const modes = choice.modes.filter((m) => m <= USUAL_MODE);
  return modes.length > 0 ? [{ ...choice, modes: [Math.max(...modes)] }] : [];
}

/** What a first drive may be made of, by the answers. `free` tells how many of a line other drives leave. (handbook: choose, first questions) */
export function firstPool(
  drive: Drive,
  shelf: readonly ShelfPart[],
  free: (part: ShelfPart) => number,
): ChoosePool {
  const { own, can } = drive.start ?? {};
  const there = shelf.filter((p) => has(own, sortOf(p)));
  const kept = drive.find?.keepMotor === 'yes' ? drive.train.source : null;
  const canMake = has(can, 'print') || has(can, 'cut');
  const buys = has(can, 'buy');
  const from = buys || canMake ? 'anything' : 'shelf';
  const pool = poolOf(
    { from, canMake, keepSource: kept, plates: null, keptStages: false },
    there.filter((p) => p.kind !== 'encoder'),
    free,
  );
  const isOwned = ({ takes }: StageChoice): boolean => takes.every((k) => (pool.stock.get(k)?.own ?? 0) > 0);
  // who can neither buy nor make has what stands on the shelf; who cannot buy makes what can be made
  const stages = pool.stages.filter(
    (c) =>
      isOwned(c) ||
      c.takes.every((k) => {
        const { own: some = 0, wheels = 0, price } = pool.stock.get(k) ?? {};
        return some > 0 || buys || (canMake && wheels > 0 && price === undefined);
      }),
  );
  const motors = pool.sources.filter((s) => s.own > 0 || buys || kept !== null);
  const loaded = drive.job.load !== undefined;
  return { ...pool, stages: spread(stages, isOwned), sources: alikeOnce(motors.flatMap(usual), loaded) };
}

/** Motors of the same steps are one while nothing loads them; what is owned goes first. */
function alikeOnce(choices: readonly SourceChoice[], loaded: boolean): readonly SourceChoice[] {
  const sorted = [...choices].sort((a, b) => Math.sign(b.own) - Math.sign(a.own));
  const key = ({ source, modes }: SourceChoice): string =>
    loaded
      ? JSON.stringify([source, modes])
      : JSON.stringify([source.kind, sourceKindOf(source).fullSteps(source), modes]);
  return sorted.filter((c, i) => sorted.findIndex((o) => key(o) === key(c)) === i);
}

/** A crank, where a head has plates for it. */
export const byHand = (drive: Drive): readonly SourceChoice[] =>
  drive.plates && drive.plates.plates.length > 0
    ? [{ source: { kind: 'crank', marks: 1 } satisfies Source, modes: [1], own: 1 }]
    : [];

/** Every output that moves what this drive's moves: along, or round; a hinge opens where something is followed for a while. */
export function outputsFor({ train, job, start }: Drive): readonly Output[] {
  const travels = outputKindOf(train.output).travel(train.output) !== null;
  const hinges = (job.rates ?? []).length > 0 && has(start?.can, 'drill');
  return Object.values(outputs).flatMap((kind) =>
    ('typical' in kind ? (kind.typical as readonly Output[]) : []).filter((o) => {
      const { travel, hinge } = outputKindOf(o);
      return hinge ? hinges && !travels : (travel(o) !== null) === travels;
    }),
  );
}
