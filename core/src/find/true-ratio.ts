import {
  add,
  compare,
  div,
  mul,
  rational,
  simplestFirst,
  sub,
  ZERO,
  type Rational,
} from '../numbers/index.ts';

/** A count at the machine: the output went `turns` round against a mark while the source made `steps` (± `error`) of `perTurn` a turn. */
export interface TurnCount {
  readonly perTurn: Rational;
  readonly turns: Rational;
  readonly steps: Rational;
  readonly error: Rational;
}

export interface Interval {
  readonly low: Rational;
  readonly high: Rational;
}

/** [(n − e)/(s·k), (n + e)/(s·k)], ends included; null when it reaches down to 0. (handbook: numbers, true ratio) */
export function ratioInterval({ perTurn, turns, steps, error }: TurnCount): Interval | null {
  const whole = mul(perTurn, turns);
  const low = div(sub(steps, error), whole);
  return compare(low, ZERO) > 0 ? { low, high: div(add(steps, error), whole) } : null;
}

/** A label and how far it may be off, in per cent; null when it reaches down to 0. */
export function labelInterval(label: Rational, percent: Rational): Interval | null {
  const off = mul(label, div(percent, rational(100)));
  const low = sub(label, off);
  return compare(low, ZERO) > 0 ? { low, high: add(label, off) } : null;
}

/** What was counted, and how far it may be off: n/(s·k) ± e/(s·k). (handbook: numbers, where a ratio comes from) */
export const middleOf = ({
  low,
  high,
}: Interval): { readonly ratio: Rational; readonly plusMinus: Rational } => ({
  ratio: div(add(low, high), rational(2)),
  plusMinus: div(sub(high, low), rational(2)),
});

/** The `count` simplest fractions in an interval. (handbook: numbers, true ratio) */
export function simplestIn({ low, high }: Interval, count: number): readonly Rational[] {
  const out: Rational[] = [];
  for (const r of simplestFirst(low, high)) {
    out.push(r);
    if (out.length === count) break;
  }
  return out;
}
