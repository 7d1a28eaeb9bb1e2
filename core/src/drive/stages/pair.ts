import { gcd, neg, rational, type Rational } from '../../numbers/index.ts';
import type { InputOf } from '../inputs.ts';
import { knownModule } from './module.ts';
import type { LoadedTeeth, Part, StageData } from './stage.ts';

/** Two toothed wheels or pulleys: z1 drives z2. */
export interface Pair {
  readonly z1: number;
  readonly z2: number;
}

/** Most teeth on one wheel: beyond this a count is a slip of the pen. */
const MAX_TEETH = 10_000;

export const teeth = (
  key: string,
  label: string,
  min: number,
  standard: number | null,
): InputOf<'count'> => ({
  type: 'count',
  key,
  label,
  unit: 'teeth',
  min,
  max: MAX_TEETH,
  default: standard,
  wheel: true,
});

export const size = (key: string, label: string, standard: number, hint: string): InputOf<'size'> => ({
  type: 'size',
  key,
  label,
  unit: 'mm',
  min: 0.01,
  max: 100,
  default: standard,
  optional: true,
  hint,
});

/** How wide a pin is, or how far an eccentric stands out: what a drawing at 1:1 needs; taken from the rest unless said. */
export const pinInput = (label: string, key = 'pinMm'): InputOf<'size'> => ({
  type: 'size',
  key,
  label,
  unit: 'mm',
  min: 0.01,
  max: 200,
  default: null,
  optional: true,
  hint: 'for the drawing at 1:1; reckoned unless given',
});

/** Lobes and pins are counted like teeth, but a disc and its pins are made for one another. */
export const lobes = (key: string, label: string, standard: number): InputOf<'count'> => ({
  type: 'count',
  key,
  label,
  min: 2,
  max: 1000,
  default: standard,
});

/** A count that is no wheel: starts, planets, pins. */
export const count = (
  key: string,
  label: string,
  min: number,
  max: number,
  standard: number,
): InputOf<'count'> => ({
  type: 'count',
  key,
  label,
  min,
  max,
  default: standard,
});

export const choice = (
  key: string,
  label: string,
  options: readonly (readonly [string, string])[],
  more: {
    readonly optional?: true;
    readonly more?: true;
    readonly judged?: true;
    readonly made?: true;
  } = {},
): InputOf<'choice'> => ({
  type: 'choice',
  key,
  label,
  options: options.map(([value, title]) => ({ value, title })),
  default: options[0]![0],
  ...more,
});

/** z2/z1, turned the other way when the wheels roll on one another's outside. */
export const pairReduction = ({ z1, z2 }: Pair, reverses: boolean): Rational => {
  const r = rational(z2, z1);
  return reverses ? neg(r) : r;
};

export const pairParts = (name: string, { z1, z2 }: Pair): readonly Part[] => [
  { label: `${name} driver`, factor: rational(1n, z1) },
  { label: `${name} driven`, factor: rational(z2) },
];

/** Both wheels at F = T/ρ2; the smaller has the weaker teeth. Nothing while the module is not known. (handbook: force, tooth load) */
export const pairLoads = (stage: Pair & StageData): readonly LoadedTeeth[] => {
  const { z1, z2 } = stage;
  const moduleMm = knownModule(stage);
  return moduleMm === null
    ? []
    : (
        [
          ['driver', z1],
          ['driven', z2],
        ] as const
      ).map(([label, teeth]) => ({ label, teeth, moduleMm, perNm: 2000 / (moduleMm * z2) }));
};

/** How the teeth of a pair meet again: wear against an error that repeats. (handbook: drive, hunting) */
export function huntingFacts({ z1, z2 }: Pair): readonly string[] {
  const shared = Number(gcd(BigInt(z1), BigInt(z2)));
  const turns = z2 / shared;
  const meet = `the same teeth meet again after ${turns} ${turns === 1 ? 'turn' : 'turns'} of the ${z1}`;
  if (shared === 1) return [`No common factor: ${meet}, which spreads the wear.`];
  if (z2 % z1 === 0) return [`A whole multiple: ${meet}, so its error repeats each turn of the ${z2}.`];
  return [`Common factor ${shared}: ${meet}.`];
}

/** Teeth by which a ring must pass the wheel inside it before their tips foul. (handbook: drive) */
const RING_CLEARS = 10;

/** What is said of a wheel too large for its ring; nothing where it goes in. */
export const tooClose = (ring: number, wheel: number): readonly string[] =>
  ring - wheel >= RING_CLEARS
    ? []
    : [
        `A wheel of ${wheel} inside a ring of ${ring}: with fewer than about ${RING_CLEARS} teeth between them the tips foul unless the teeth are shifted.`,
      ];
