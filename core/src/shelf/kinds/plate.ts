import { readDivisions, error, ok, type Result } from '../../numbers/index.ts';
import { boreInput, cellOf, textInput, type PartCell, type PartData, type PartKind } from '../part.ts';

export interface PlatePart extends PartData {
  readonly kind: 'plate';
  /** holes of its circles, "15, 16, 17" */
  readonly circles: string;
  readonly boreMm?: number;
}

const bore = boreInput();

const readCircles = (text: string): Result<{ readonly circles: string }> => {
  const read = readDivisions(text);
  if (!read.ok) return read;
  if (read.value.length === 0) return error('empty', '', { example: '15, 16, 17' });
  return ok({ circles: [...read.value].sort((a, b) => a - b).join(', ') });
};

const circles: PartCell<PlatePart> = { label: 'Circles', show: (p) => p.circles, read: readCircles };

/** A plate of hole circles for dividing by hand. (handbook: divide, plates) */
export const plate: PartKind<PlatePart> = {
  kind: 'plate',
  title: 'Plate',
  group: 'plates',
  pasted: /\b(plate|dial)s?\b/i,
  fresh: { circles: '15, 16, 17, 18, 19, 20' },
  inputs: [textInput('circles', 'Circles', 400), bore],
  cells: { teeth: circles, size: null, bore: cellOf(bore) },
  label: (p) => `plate ${p.circles.split(',')[0] ?? ''}–${p.circles.split(',').at(-1)?.trim() ?? ''}`,
  refuse: (p) => {
    const read = readCircles(p.circles ?? '');
    return read.ok ? ok(null) : { ok: false, refusal: { ...read.refusal, path: 'circles' } };
  },
};
