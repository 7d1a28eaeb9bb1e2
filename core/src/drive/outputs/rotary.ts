import type { InputSpec } from '../inputs.ts';
import type { OutputData, OutputKind } from './output.ts';

export interface Rotary extends OutputData {
  readonly kind: 'rotary';
  /** play of its shaft in its bearings, and how far apart they are */
  readonly bearingClearanceMm?: number;
  readonly bearingSpanMm?: number;
}

const bearing = (key: string, label: string, hint: string): InputSpec => ({
  type: 'size',
  key,
  label,
  unit: 'mm',
  min: 0,
  max: 10_000,
  default: null,
  optional: true,
  judged: true,
  hint,
});

export const rotary: OutputKind<Rotary> = {
  kind: 'rotary',
  title: 'Table',
  message: 'a table, a dial or an arbor that turns',
  inputs: [
    bearing('bearingClearanceMm', 'Bearing clearance', 'play of its shaft in its bearings, both together'),
    bearing('bearingSpanMm', 'Bearings apart', 'from the middle of one to that of the other'),
  ],
  typical: [{ kind: 'rotary' }],
  travel: () => null,
  play: 'none',
  facts: () => [],
  glyph: 'table',
};
