import { boreInput, cellOf, type PartData, type PartKind } from '../part.ts';
import type { InputSpec } from '../../drive/index.ts';

export interface EncoderPart extends PartData {
  readonly kind: 'encoder';
  readonly lines: number;
  readonly boreMm?: number;
}

const lines: InputSpec = {
  type: 'count',
  key: 'lines',
  label: 'Lines',
  unit: 'a turn',
  min: 1,
  max: 10_000_000,
  default: 600,
};
const bore = boreInput('Shaft');

/** An incremental encoder. (handbook: drive, sources) */
export const encoderPart: PartKind<EncoderPart> = {
  kind: 'encoder',
  title: 'Encoder',
  group: 'motors',
  pasted: /\bencoders?\b/i,
  fresh: { lines: 600 },
  inputs: [lines, bore],
  cells: { teeth: cellOf(lines), size: null, bore: cellOf(bore) },
  label: (p) => `encoder of ${p.lines} lines`,
};
