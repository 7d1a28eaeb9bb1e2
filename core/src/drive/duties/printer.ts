import type { InputSpec } from '../inputs.ts';

/** A printer and its material: the nozzle, and a coupon that tells how its holes come out. (handbook: make, print fits) */
export interface Printer {
  readonly name?: string;
  readonly nozzleMm?: number;
  readonly couponDrawnMm?: number;
  readonly couponMeasuredMm?: number;
  readonly runoutMm?: number;
}

const size = (
  key: keyof Printer,
  label: string,
  range: readonly [number, number],
  standard: number | null,
  hint: string,
): InputSpec => ({
  type: 'size',
  key,
  label,
  unit: 'mm',
  min: range[0],
  max: range[1],
  default: standard,
  optional: true,
  hint,
});

export const printerInputs: readonly InputSpec[] = [
  { type: 'text', key: 'name', label: 'Printer, material', max: 60, default: '', optional: true },
  size('nozzleMm', 'Nozzle', [0.05, 3], 0.4, 'a tooth wants three of its widths'),
  size('couponDrawnMm', 'Coupon drawn', [0.1, 500], null, 'a hole as it was drawn'),
  size('couponMeasuredMm', 'Coupon measured', [0.1, 500], null, 'the same hole as it came out'),
  size('runoutMm', 'Good to', [0.001, 5], 0.1, 'how truly it prints a round thing'),
];
