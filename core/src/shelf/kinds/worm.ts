import { readCount, error, ok, type Result } from '../../numbers/index.ts';
import {
  boreInput,
  cellOf,
  sizeInput,
  toothInput,
  type PartCell,
  type PartData,
  type PartKind,
} from '../part.ts';

export interface WormPart extends PartData {
  readonly kind: 'worm';
  readonly starts: number;
  readonly wheel: number;
  readonly moduleMm?: number;
  readonly boreMm?: number;
}

const wheelTeeth = toothInput('wheel', 'Wheel', 8);
const module = sizeInput('moduleMm', 'Module');
const bore = boreInput();

/** "1:90", starts to teeth; a number alone is the wheel of a single start. */
const both: PartCell<WormPart> = {
  label: 'Starts : teeth',
  show: (p) => `${p.starts}:${p.wheel}`,
  read: (text): Result<{ readonly starts: number; readonly wheel: number }> => {
    const sides = text.split(':');
    if (sides.length > 2 || /[÷/x×]/.test(text))
      return error('notTwo', text.trim(), { example: '1:50, or 50 for the wheel alone' });
    const [starts, teeth] = sides.length === 2 ? sides : ['1', sides[0]];
    const k = readCount(starts, { min: 1, max: 20, unit: 'starts', example: '1' });
    if (!k.ok) return k;
    const z = readCount(teeth!, { min: 8, max: 2000, unit: 'teeth', example: '1:50' });
    return z.ok ? ok({ starts: k.value, wheel: z.value }) : z;
  },
};

/** A worm with the wheel that was cut for it. (handbook: drive) */
export const wormPart: PartKind<WormPart> = {
  kind: 'worm',
  title: 'Worm with its wheel',
  group: 'worms',
  inputs: [
    { type: 'count', key: 'starts', label: 'Starts', min: 1, max: 20, default: 1 },
    wheelTeeth,
    module,
    bore,
  ],
  cells: { teeth: both, size: cellOf(module), bore: cellOf(bore) },
  label: (p) => `worm and ${p.wheel}`,
  stage: (p) => ({
    kind: 'worm',
    starts: p.starts,
    wheel: p.wheel,
    ...(p.moduleMm !== undefined && { moduleMm: p.moduleMm }),
  }),
};
