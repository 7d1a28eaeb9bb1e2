import { rational, mul } from '../../numbers/index.ts';
import { STOP_WINDOW, type Stepper } from '../../drive/index.ts';
import { knownFrom, termId, type Cause, type ErrorContext } from '../context.ts';
import { detentOf, heldNm, motorsOf, steadyNm } from '../../turning/index.ts';
import type { ErrorTerm, KnownFrom, TermField } from '../term.ts';

/** Part of a full step by which one may stand off; it does not add up. An estimate. (handbook: errors, the motor) */
const STEP_PART = 0.05;

const stepperOf = ({ drive, k }: ErrorContext): Stepper | null =>
  drive.train.source.kind === 'stepper' && !k.lock ? drive.train.source : null;

/** Electrical turns of one turn of the rotor. */
const polePairs = (s: Stepper): number => s.fullSteps / 4;

const base = (
  key: string,
  rest: Pick<ErrorTerm, 'cause' | 'kind' | 'arcsec' | 'turnsPerOutputTurn' | 'known'> & {
    readonly amount: number | null;
    readonly unit: string;
    readonly perUnit?: number | null;
    readonly field?: TermField;
  },
): ErrorTerm => {
  const { amount, unit, perUnit = null, field = { of: 'source', at: 0, key }, ...term } = rest;
  return { id: `motor.${key}`, stage: null, shaft: 0, value: { field, unit, amount, perUnit }, ...term };
};

/** Full steps: ±5 % of one, by the rotor's turns. */
export const fullSteps: Cause = (of) => {
  const s = stepperOf(of);
  if (!s) return [];
  return [
    {
      id: 'motor.step',
      cause: 'full steps',
      stage: null,
      shaft: 0,
      kind: 'step',
      arcsec: ((STEP_PART * 2 * Math.PI) / s.fullSteps) * of.reflect(0),
      turnsPerOutputTurn: of.turnsOf(0),
      known: 'estimate',
      value: null,
    },
  ];
};

/** Between full steps: detent torque, a share d of the holding torque, makes d/p rad, four waves an electrical turn. */
export const microstepWave: Cause = (of) => {
  const s = stepperOf(of);
  if (!s || s.mode === 1) return [];
  const [held, detent] = [heldNm(s), detentOf(s)];
  const share = held !== null && detent !== null ? detent / held : null;
  const one = of.reflect(0) / polePairs(s);
  return [
    base('detentNm', {
      cause: 'microstep wave',
      kind: 'periodic',
      arcsec: share === null ? null : share * one,
      turnsPerOutputTurn: mul(rational(s.fullSteps), of.turnsOf(0)),
      known: known(s, 'detentNm'),
      amount: s.detentNm ?? null,
      unit: 'N·m',
      perUnit: held === null ? null : (one * motorsOf(s)) / held,
    }),
  ];
};

const known = (s: Stepper, key: string): KnownFrom => knownFrom(s, key);

/** asin(T/T_h)/p: what friction lets the rotor be off by, and what a steady load holds it back by; never a part of a sum. */
const lag = (of: ErrorContext, s: Stepper, torqueNm: number): number | null => {
  const held = heldNm(s);
  if (held === null) return null;
  const at = torqueNm / of.efficiency / (of.reflect(0) === 0 ? 1 : turns(of)) / held;
  return at >= 1 ? Infinity : (Math.asin(at) / polePairs(s)) * of.reflect(0);
};

const turns = (of: ErrorContext): number => Number(of.turnsOf(0).n) / Number(of.turnsOf(0).d);

/** Dead band of the motor against the friction that it must overcome, at the output. */
export const deadBand: Cause = (of) => {
  const s = stepperOf(of);
  const { load } = of.drive.job;
  if (!s) return [];
  const arcsec = load?.frictionNm === undefined ? null : lag(of, s, load.frictionNm);
  return [
    base('deadBand', {
      cause: 'dead band',
      kind: 'deadBand',
      arcsec: arcsec === Infinity ? null : arcsec,
      turnsPerOutputTurn: null,
      known: load ? knownFrom(load, 'frictionNm') : 'none',
      amount: load?.frictionNm ?? null,
      unit: 'N·m',
      field: { of: 'load', at: 0, key: 'frictionNm' },
    }),
  ];
};

/** How far a steady load holds the rotor back. */
export const loadLag: Cause = (of) => {
  const s = stepperOf(of);
  const { load } = of.drive.job;
  const torque = load && steadyNm(load);
  if (!s || !torque) return [];
  const arcsec = lag(of, s, torque);
  return [
    base('loadLag', {
      cause: 'load lag',
      kind: 'deadBand',
      arcsec: arcsec === Infinity ? null : arcsec,
      turnsPerOutputTurn: null,
      known: knownFrom(load, 'workNm') === 'none' ? 'typed' : knownFrom(load, 'workNm'),
      amount: torque,
      unit: 'N·m',
      field: { of: 'load', at: 0, key: 'workNm' },
    }),
  ];
};

/** A motor that stops by counts stops within a window of them: ±w/E of a turn. (handbook: errors, stop window) */
export const stopWindow: Cause = (of) => {
  const { source } = of.drive.train;
  if (source.kind !== 'encoderMotor' || of.k.lock) return [];
  const field = { of: 'source', at: 0, key: 'windowCounts' } as const;
  const one = ((2 * Math.PI) / (source.lines * source.decode)) * of.reflect(0);
  const amount = source.windowCounts ?? STOP_WINDOW;
  return [
    {
      id: termId(field),
      cause: 'stop window',
      stage: null,
      shaft: 0,
      kind: 'window',
      arcsec: amount * one,
      turnsPerOutputTurn: null,
      known: source.windowCounts === undefined ? 'estimate' : knownFrom(source, 'windowCounts'),
      value: { field, unit: 'counts', amount, perUnit: one },
    },
  ];
};

/** A dial's mark or a plate's hole that is set off its place. */
export const markError: Cause = (of) => {
  const { source } = of.drive.train;
  if (source.kind !== 'crank' || of.k.lock) return [];
  const field = { of: 'source', at: 0, key: 'markErrorMm' } as const;
  const amount = source.markErrorMm ?? null;
  const one = source.markRadiusMm ? of.reflect(0) / source.markRadiusMm : null;
  return [
    {
      id: termId(field),
      cause: 'marks or holes',
      stage: null,
      shaft: 0,
      kind: 'plate',
      arcsec: amount === null || one === null ? null : amount * one,
      turnsPerOutputTurn: null,
      known: knownFrom(source, 'markErrorMm'),
      value: { field, unit: 'mm', amount, perUnit: one },
    },
  ];
};
