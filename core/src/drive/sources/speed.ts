import { exactly, rational, type Rational } from '../../numbers/index.ts';
import type { InputOf } from '../inputs.ts';

/** The speed of a source that the user sets, and the one shown while nobody has. */
export const speedInput = (standard: string): InputOf<'exact'> => ({
  type: 'exact',
  key: 'rpm',
  label: 'Speed',
  unit: 'rpm',
  default: standard,
  optional: true,
  hint: 'turns a minute of its shaft; the times under the shafts follow it',
});

/** The fastest that a DC motor turns: `hint` says of which shaft. */
export const topSpeedInput = (hint: string): InputOf<'exact'> => ({
  type: 'exact',
  key: 'maxRpm',
  label: 'At most',
  unit: 'rpm',
  default: '',
  optional: true,
  more: true,
  hint,
});

export const speedOf = (
  rpm: string | undefined,
  standard: number,
): { readonly rpm: Rational; readonly estimate: boolean } =>
  rpm === undefined ? { rpm: rational(standard), estimate: true } : { rpm: exactly(rpm), estimate: false };

/** How many equal motors turn the first wheel together; the ratio stays as it is. */
export const gangedInput: InputOf<'count'> = {
  type: 'count',
  key: 'count',
  label: 'Motors',
  min: 1,
  max: 24,
  default: 1,
  optional: true,
  more: true,
  hint: 'equal motors on the first wheel',
};

/** Torque of motors that share a wheel: from two on 10 % less than their sum. (handbook: drive, sources) */
export const gangedFacts = (ganged = 1): readonly string[] =>
  ganged < 2
    ? []
    : [
        `${ganged} motors on one wheel give ${Number((ganged * 0.9).toFixed(1))} times the torque of one: they never share it quite evenly. The ratio stays as it is.`,
      ];
