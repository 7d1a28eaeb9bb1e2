import { mul, rational, toNumber } from '../../numbers/index.ts';
import type { Drive, Edit, Stage, Hang } from '../../drive/index.ts';
import { branchesAsked, runNow, twoBranches, type TwoPair } from '../../find/index.ts';
import { measured } from '../../words/index.ts';

/** Two branches that were found, as they are shown, and the stages they would become. Plain data. */
export interface BranchRow {
  readonly wheels: number;
  readonly teeth: number;
  /** "12:60 · 10:50" of either, and what they share */
  readonly words: readonly [string, string];
  readonly shared: string;
  /** "exact", "+3.1 ppm" of either */
  readonly off: readonly [string, string];
  readonly shares: 'nothing' | 'wheel' | 'pair';
  readonly stages: readonly [readonly Stage[], readonly Stage[]];
}

const SHARES = { nothing: '', wheel: 'one wheel drives both', pair: 'the first pair drives both' } as const;
const words = (pairs: readonly TwoPair[]): string => pairs.map((p) => p.join(':')).join(' · ');
const stages = (pairs: readonly TwoPair[]): readonly Stage[] =>
  pairs.map(([z1, z2]): Stage => ({ kind: 'spur', z1, z2 }));
const offText = (ppm: number): string => (ppm === 0 ? 'exact' : `${ppm > 0 ? '+' : ''}${measured(ppm)} ppm`);

/** What a drive asks of two branches at once, looked for and put into words, for a worker; none while it asks nothing of them. */
export function branchRows(drive: Drive): readonly BranchRow[] {
  const asked = branchesAsked(drive);
  if (!asked.ok) return [];
  return runNow(twoBranches(asked.value)).map(({ first, second, shares, wheels, teeth, off }) => ({
    wheels,
    teeth,
    words: [words(first), words(second)],
    shared: SHARES[shares],
    off: [ppmOf(off[0]), ppmOf(off[1])],
    shares,
    stages: [stages(first), stages(second)],
  }));
}

const ppmOf = (part: Parameters<typeof toNumber>[0]): string =>
  offText(toNumber(mul(part, rational(1_000_000))));

/** What hangs both on a shaft, under their names: edits that are one step. A common pair belongs to the first; the second goes on from it. */
export const branchEdits = (
  { shares, stages: [first, second] }: BranchRow,
  from: Hang,
  [a, b]: readonly [string, string],
): readonly Edit[] => [
  { do: 'addTrain', name: a, from, stages: first },
  shares === 'pair'
    ? { do: 'addTrain', name: b, from: { train: a, shaft: 1 }, stages: second.slice(1) }
    : { do: 'addTrain', name: b, from, stages: second },
];
