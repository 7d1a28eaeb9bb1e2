import { neg, rational } from '../../numbers/index.ts';
import { count, pinInput, size } from './pair.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';

export interface Geneva extends StageData {
  readonly kind: 'geneva';
  readonly slots: number;
  /** between the two shafts, for the drawing */
  readonly centreMm?: number;
  readonly pinMm?: number;
}

const degrees = (d: number): string => `${Number(d.toFixed(2))}°`;

/** External Geneva with one pin: one slot a turn of the crank, locked in between; mean r = −n. (handbook: drive, Geneva) */
export const geneva: StageKind<Geneva> = {
  kind: 'geneva',
  title: 'Geneva',
  short: 'Geneva',
  message: 'steps by one slot a turn and locks itself in between',
  written: '−slots on the mean; it locks at each slot',
  inputs: [
    count('slots', 'Slots', 3, 60, 6),
    { ...size('centreMm', 'Centres', 40, 'from shaft to shaft, for the drawing'), max: 1000 },
    { ...pinInput('Pin'), more: true },
  ],
  reduction: (s) => neg(rational(s.slots)),
  parts: (s) => [{ label: 'Geneva', factor: rational(s.slots) }],
  origin: () => COUNTED,
  shape: (s) => ({ form: 'geneva', slots: s.slots, centreMm: s.centreMm ?? 40 }),
  label: (s) => `${s.slots} slots`,
  facts: (s) => {
    const index = 360 / s.slots;
    return [
      `Each turn of the crank indexes ${degrees(index)}: it moves during ${degrees(180 - index)} of the crank and dwells, locked, for ${degrees(180 + index)}.`,
      `The output rests at ${s.slots} places only; the motor’s own error does not reach a locked one.`,
    ];
  },
  play: null,
  locks: (s) => s.slots,
  forms: (s) => [
    {
      as: 'slots',
      label: 'Geneva wheel',
      slots: s.slots,
      centreMm: s.centreMm ?? 40,
      pinMm: s.pinMm ?? null,
      pinKey: 'pinMm',
    },
  ],
};
