import { div, parseRational, rational, toNumber, type Rational } from '../../numbers/index.ts';
import type { StageData } from './stage.ts';

/** Where a wheel's module comes from; `assumed` is for a drawing alone, and is said. (handbook: make, one wheel) */
export type ModuleFrom = 'typed' | 'diametralPitch' | 'thread' | 'assumed';

/** Pitch diameter over teeth, across the wheel. */
export interface ModuleSize {
  readonly mm: number;
  readonly from: ModuleFrom;
  /** null where a thread brings a π into it */
  readonly exact: Rational | null;
}

const MM_PER_INCH = rational(127, 5);

const ofNumber = (mm: number): Rational | null => parseRational(String(mm));

/** Module of so many teeth an inch of pitch diameter: 25.4/P mm. */
export function moduleOfPitch(perInch: number): ModuleSize {
  const pitch = ofNumber(perInch);
  const exact = pitch && div(MM_PER_INCH, pitch);
  return { mm: exact ? toNumber(exact) : 25.4 / perInch, from: 'diametralPitch', exact };
}

/**
 * The module of a stage's teeth, in mm: of the tap that cuts its wheel (pitch/π), from teeth an inch, as typed under `key`, or what is
 * assumed for a drawing. Whatever asks for the size of a tooth asks this. (handbook: make, one wheel)
 */
export function moduleOf(
  stage: StageData,
  { key = 'moduleMm', assumed = 1 }: { readonly key?: string; readonly assumed?: number } = {},
): ModuleSize {
  const sizes = stage as unknown as Readonly<Record<string, number | undefined>>;
  if (stage.cut === 'tap' && stage.threadPitchMm !== undefined)
    return { mm: stage.threadPitchMm / Math.PI, from: 'thread', exact: null };
  if (stage.diametralPitch !== undefined) return moduleOfPitch(stage.diametralPitch);
  const typed = sizes[key] ?? sizes['moduleMm'];
  const mm = typed ?? assumed;
  return { mm, from: typed === undefined ? 'assumed' : 'typed', exact: ofNumber(mm) };
}

/** The module that somebody gave, in whichever way, mm; null while it is only assumed. */
export function knownModule(stage: StageData): number | null {
  const { mm, from } = moduleOf(stage);
  return from === 'assumed' ? null : mm;
}

/** Pitch diameter of so many teeth of a stage, mm; null while its module is only assumed. */
export function knownPitch(stage: StageData, teeth: number): number | null {
  const module = knownModule(stage);
  return module === null ? null : module * teeth;
}
