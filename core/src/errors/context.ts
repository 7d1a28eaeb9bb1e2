import { abs, piToNumber, toNumber, type Rational } from '../numbers/index.ts';
import { efficiencyOf, outputKindOf, type Drive, type Kinematics } from '../drive/index.ts';
import { ARCSEC_PER_RADIAN, type ErrorTerm, type KnownFrom, type TermField } from './term.ts';

/** What every cause is reckoned from. */
export interface ErrorContext {
  readonly drive: Drive;
  readonly k: Kinematics;
  /** ″ at the output of one radian of a shaft */
  readonly reflect: (shaft: number) => number;
  /** turns of a shaft for one of the output, a magnitude; those of the last shaft of an arm at its start */
  readonly turnsOf: (shaft: number) => Rational;
  /** part of the torque that comes from shaft 0 to the output */
  readonly efficiency: number;
  /** stages before this one do not reach the output: a wheel that locks */
  readonly from: number;
}

export function errorContext(drive: Drive, k: Kinematics): ErrorContext {
  const hinge = outputKindOf(drive.train.output).hinge?.(drive.train.output);
  const arm = hinge ? piToNumber(hinge) : 1;
  return {
    drive,
    k,
    reflect: (shaft) => ARCSEC_PER_RADIAN / toNumber(abs(k.shafts[shaft]!.turnsPerOutputTurn)) / arm,
    turnsOf: (shaft) => k.shafts[shaft]!.turnsPerOutputTurn,
    efficiency: drive.train.stages.reduce((n, s) => n * efficiencyOf(s), 1),
    from: k.lock?.stage ?? 0,
  };
}

type Sourced = { readonly measured?: string; readonly dataSheet?: string } & object;

/** Where a value that stands under a key comes from. */
export function knownFrom(data: Sourced, key: string): KnownFrom {
  if ((data as Readonly<Record<string, unknown>>)[key] === undefined) return 'none';
  const among = (list: string | undefined): boolean => (list ?? '').split(/[\s,]+/).includes(key);
  return among(data.measured) ? 'measured' : among(data.dataSheet) ? 'dataSheet' : 'typed';
}

/** The key of a term: whose value it is, and which. */
export const termId = ({ of, at, key }: TermField): string =>
  of === 'stage' ? `stage-${at + 1}.${key}` : `${of}.${key}`;

/** A cause: the terms it brings, in the order of the train. To add one: a file with this, and a line in the list of causes. */
export type Cause = (of: ErrorContext) => readonly ErrorTerm[];
