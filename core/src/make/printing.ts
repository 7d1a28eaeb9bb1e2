import type { MadeWheel } from './wheels.ts';
import { blankOf } from '../teeth/index.ts';

/** A printer draws nothing thinner than three widths of its nozzle. (handbook: make, printing) */
export const NOZZLES = 3;

/** What of a wheel is too fine for a nozzle, mm: its module, or a tooth less its backlash; null where it prints. */
export function tooFine(
  { gear }: MadeWheel,
  nozzleMm: number,
): { readonly what: 'module' | 'tooth'; readonly mm: number; readonly leastMm: number } | null {
  if (!gear) return null;
  const leastMm = NOZZLES * nozzleMm;
  const tooth = blankOf(gear).thicknessMm - gear.playMm;
  if (gear.moduleMm < leastMm - 1e-9) return { what: 'module', mm: gear.moduleMm, leastMm };
  return tooth < leastMm - 1e-9 ? { what: 'tooth', mm: tooth, leastMm } : null;
}
