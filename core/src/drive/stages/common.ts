import type { InputSpec } from '../inputs.ts';
import { choice } from './pair.ts';
import type { Quality, StageData } from './stage.ts';

const millimetres = (key: string, label: string, max: number, hint: string): InputSpec => ({
  type: 'size',
  key,
  label,
  unit: 'mm',
  min: 0,
  max,
  default: null,
  optional: true,
  more: true,
  hint,
});

/** Lost motion as an angle. */
export const playInput: InputSpec = {
  type: 'size',
  key: 'playArcmin',
  label: 'Backlash',
  unit: '′',
  min: 0,
  max: 21_600,
  default: null,
  optional: true,
};

/** What any stage may carry. (docs: formats) */
export const commonInputs: readonly InputSpec[] = [
  { type: 'text', key: 'name', label: 'Name', max: 60, default: '', optional: true, more: true },
  choice(
    'quality',
    'Made',
    [
      ['bought', 'Bought'],
      ['printed', 'Printed'],
      ['homecut', 'Home-cut'],
      ['precise', 'Precise'],
    ],
    { optional: true, more: true },
  ),
  { ...playInput, more: true, hint: 'end to end at its own output, as an angle' },
  millimetres(
    'playMm',
    'Backlash at rim',
    50,
    'end to end at the pitch line; the angle above goes before it',
  ),
  millimetres('inBoreMm', 'Driver bore', 500, 'of the wheel on the shaft before'),
  millimetres('outBoreMm', 'Driven bore', 500, 'of the wheel on the shaft after'),
  {
    type: 'flag',
    key: 'kept',
    label: 'Keep this stage',
    default: '',
    optional: true,
    more: true,
    hint: 'Find and the cures leave it as it is and look around it',
  },
];

/** Play at the pitch line of a mesh until it is measured, mm. (handbook: errors, estimates) */
export const MESH_PLAY_MM = {
  printed: 0.2,
  homecut: 0.08,
  bought: 0.05,
  precise: 0.02,
} as const satisfies Record<Quality, number>;

export const qualityOf = (stage: StageData): Quality => stage.quality ?? 'bought';
