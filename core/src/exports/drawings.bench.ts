import { newDrive } from '../drive/index.ts';
import type { Bench } from '../divide/divide.bench.ts';
import { exportDrive } from './formats.ts';

const wheel = { ...newDrive('x'), job: { divisions: '120' } };
const plate = {
  ...newDrive('x'),
  plates: { plates: [Array.from({ length: 20 }, (_, i) => 40 + 3 * i)] },
};
const write = (drive: typeof wheel, options: object) => () => {
  const made = exportDrive(drive, 'dxf', options);
  if (!made.ok) throw new Error(made.refusal.code);
};

/** Drawings at 1:1 as files. */
export const drawingBenches: readonly Bench[] = [
  { name: 'drawing of a wheel of 120 teeth', run: write(wheel, { of: 'work-120' }), wanted: 100 },
  { name: 'drawing of a plate of 20 circles', run: write(plate, { of: 'plate-0' }), wanted: 200 },
];
