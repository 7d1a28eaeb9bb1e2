import { mul } from '../../numbers/index.ts';
import { kindOf, outputKindOf, qualityOf, RUNOUT_MM, type Stage, type Wobble } from '../../drive/index.ts';
import { knownFrom, termId, type Cause, type ErrorContext } from '../context.ts';
import type { ErrorTerm, KnownFrom, TermField } from '../term.ts';

/** What is said of a wobble: its own key, else a run-out for both wheels, else the estimate of the quality. */
function amountOf(
  data: object,
  wobble: Wobble,
): { readonly amount: number | null; readonly known: KnownFrom } {
  const of = data as Readonly<Record<string, unknown>> & { readonly quality?: Stage['quality'] };
  const own = of[wobble.key];
  if (typeof own === 'number') return { amount: own, known: knownFrom(data, wobble.key) };
  if (!wobble.estimate) return { amount: null, known: 'none' };
  const both = of['runoutMm'];
  if (typeof both === 'number') return { amount: both, known: knownFrom(data, 'runoutMm') };
  return { amount: RUNOUT_MM[qualityOf(data as Stage)], known: 'estimate' };
}

function term(
  { reflect, turnsOf }: ErrorContext,
  data: object,
  wobble: Wobble,
  out: number,
  stage: number | null,
  field: TermField,
): ErrorTerm {
  const shaft = wobble.shaft === 'in' ? out - 1 : out;
  const { amount, known } = amountOf(data, wobble);
  const perUnit = wobble.perUnit === null ? null : wobble.perUnit * reflect(out);
  return {
    id: termId(field),
    cause: wobble.cause,
    stage,
    shaft,
    kind: 'periodic',
    arcsec: amount === null || perUnit === null ? null : amount * perUnit,
    turnsPerOutputTurn: wobble.waves && mul(wobble.waves, turnsOf(shaft)),
    known,
    value: { field, unit: wobble.unit, amount, perUnit },
  };
}

/** Run-out, tooth to tooth, belts, waves and pins: what comes again with a shaft. (handbook: errors, periodic error) */
export const wobbles: Cause = (of) => {
  const { stages, output } = of.drive.train;
  return [
    ...stages.flatMap((s, at) =>
      at < of.from
        ? []
        : (kindOf(s).wobbles?.(s) ?? [])
            .filter((w) => !(at === of.from && of.k.lock && w.shaft === 'in'))
            .map((w) => term(of, s, w, at + 1, at, { of: 'stage', at, key: w.key })),
    ),
    ...(outputKindOf(output).wobbles?.(output) ?? []).map((w) =>
      term(of, output, w, stages.length, null, { of: 'output', at: 0, key: w.key }),
    ),
  ];
};
