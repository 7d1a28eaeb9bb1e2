import type { OutputData, OutputKind } from './output.ts';

export interface Rotary extends OutputData {
  readonly kind: 'rotary';
}

export const rotary: OutputKind<Rotary> = {
  kind: 'rotary',
  title: 'Table',
  message: 'a table, a dial or an arbor that turns',
  inputs: [],
  travel: () => null,
  play: 'none',
  facts: () => [],
  glyph: 'table',
};
