import type { InputSpec } from '../inputs.ts';

/** The wheel that a drive divides for: what its teeth are like, whatever their count. (handbook: make) */
export interface WorkBlank {
  readonly moduleMm?: number;
  readonly diametralPitch?: number;
  readonly pressureAngleDeg?: number;
  readonly boreMm?: number;
  readonly faceMm?: number;
}

const size = (
  key: keyof WorkBlank,
  label: string,
  unit: string,
  [min, max]: readonly [number, number],
  standard: number | null,
  hint?: string,
): InputSpec => ({
  type: 'size',
  key,
  label,
  unit,
  min,
  max,
  default: standard,
  optional: true,
  ...(hint && { hint }),
});

export const blankInputs: readonly InputSpec[] = [
  size('moduleMm', 'Module', 'mm', [0.05, 100], 1),
  size('diametralPitch', 'or pitch', 'per inch', [0.5, 500], null, 'teeth for an inch of pitch diameter'),
  size('pressureAngleDeg', 'Angle', '°', [10, 35], 20),
  size('boreMm', 'Bore', 'mm', [0, 1000], null),
  size('faceMm', 'Face', 'mm', [0, 500], null),
];
