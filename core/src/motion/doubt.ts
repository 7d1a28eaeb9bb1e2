import { abs, add, isZero, mul, rational, toNumber, ZERO, type Rational } from '../numbers/index.ts';
import { kinematics, newDrive, type Kinematics, type Stage } from '../drive/index.ts';

/**
 * How sure the ratio of a piece of the train is, as one value: what it rests on that nobody counted, and by what part of 1 the
 * measured ratios may be off together. (handbook: numbers, where a ratio comes from)
 */
export interface Doubt {
  /** ratios that are printed, estimated, or measured without a ±: "45 : 1" */
  readonly printed: readonly string[];
  /** measured ratios that have their ± */
  readonly measured: readonly string[];
  /** Σ u/q of the measured ones; exact */
  readonly part: Rational;
}

/** All of it was counted. */
export const SURE: Doubt = { printed: [], measured: [], part: ZERO };

/** The doubt of the stages from `from` on, 0 the first. */
export function doubtFrom(k: Kinematics, from: number): Doubt {
  let doubt = SURE;
  for (const { stage, label, origin } of k.unsure) {
    if (stage < from) continue;
    doubt =
      origin.from === 'measured'
        ? {
            ...doubt,
            measured: [...doubt.measured, label],
            part: add(doubt.part, abs(origin.part)),
          }
        : { ...doubt, printed: [...doubt.printed, label] };
  }
  return doubt;
}

/** What the work's own motion rests on: nothing before a wheel that locks reaches it. */
export const doubtOf = (k: Kinematics): Doubt => doubtFrom(k, k.lock ? k.lock.stage + 1 : 0);

/** What turns of the source rest on, a lock or none: its speed, its windings. */
export const doubtOfAll = (k: Kinematics): Doubt => doubtFrom(k, 0);

/** Of stages that stand in no drive yet. */
export const doubtOfStages = (stages: readonly Stage[]): Doubt =>
  doubtOf(kinematics({ ...newDrive('').train, stages }));

/** Of a quotient of two pieces: whatever either rests on. */
export const doubtOfBoth = (a: Doubt, b: Doubt): Doubt => ({
  printed: [...a.printed, ...b.printed],
  measured: [...a.measured, ...b.measured],
  part: add(a.part, b.part),
});

export const isSure = (doubt: Doubt): boolean => doubt.printed.length === 0 && isZero(doubt.part);

/** At the closing of one turn, ″. */
export const doubtArcsec = (doubt: Doubt): number => toNumber(mul(doubt.part, rational(1_296_000n)));

/** Of a rate, parts in a million. */
export const doubtPpm = (doubt: Doubt): number => toNumber(mul(doubt.part, rational(1_000_000n)));

/** The keys of the terminal's answers: nothing for what is sure. (docs: formats) */
export const doubtKeys = (
  doubt: Doubt,
): { readonly ifExact?: true; readonly plusMinusArcsec?: number; readonly plusMinusPpm?: number } => ({
  ...(doubt.printed.length > 0 && { ifExact: true as const }),
  ...(!isZero(doubt.part) && { plusMinusArcsec: doubtArcsec(doubt), plusMinusPpm: doubtPpm(doubt) }),
});
