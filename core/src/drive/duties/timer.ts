import { exactly, rational, type Rational } from '../../numbers/index.ts';
import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

/** The controller of the whole drive: its clock, what it can count, what it can hold. (handbook: follow; run, controller budgets) */
export interface Timer {
  /** exact, ticks a second */
  readonly tickHz: string;
  readonly bits?: number;
  readonly tolerancePpm?: number;
  readonly waits?: 'timer' | 'us' | 'ms';
  /** what each step takes besides, exact */
  readonly overheadUs?: string;
  readonly how?: 'spread' | 'fixed';
  /** how far a rate may be off */
  readonly withinPpm?: number;
  /** how long a drift is drawn; an hour unless said */
  readonly sessionMinutes?: number;
  /** of the controller, for tables */
  readonly memoryBytes?: number;
  /** the fastest it can step, steps a second, exact */
  readonly maxStepsPerSecond?: string;
}

/** The controller itself. */
export const controllerInputs: readonly InputSpec[] = [
  {
    type: 'clock',
    key: 'tickHz',
    label: 'Timer rate',
    unit: 'Hz',
    default: '1000000',
    hint: 'for example 250 kHz, or 16 MHz / 64 behind a prescaler',
  },
  { type: 'count', key: 'bits', label: 'Counter', unit: 'bits', min: 4, max: 64, default: 16, ...optional },
  {
    type: 'size',
    key: 'tolerancePpm',
    label: 'Clock within ±',
    unit: 'ppm',
    min: 0,
    max: 100_000,
    default: null,
    hint: 'a crystal 30, a ceramic resonator 5000',
    ...optional,
  },
  {
    type: 'choice',
    key: 'waits',
    label: 'Delay in',
    options: [
      { value: 'timer', title: 'ticks' },
      { value: 'us', title: 'whole µs' },
      { value: 'ms', title: 'whole ms' },
    ],
    default: 'timer',
    ...optional,
  },
  {
    type: 'exact',
    key: 'overheadUs',
    label: 'Overhead per step',
    unit: 'µs',
    default: '',
    hint: 'what each step takes besides the wait, as measured',
    ...optional,
  },
  {
    type: 'exact',
    key: 'maxStepsPerSecond',
    label: 'Fastest',
    unit: 'steps/s',
    default: '',
    hint: 'the greatest step rate of controller and driver; rates, sweeps and speeds are held against it',
    ...optional,
  },
  {
    type: 'count',
    key: 'memoryBytes',
    label: 'Memory',
    unit: 'bytes',
    min: 64,
    max: 1_000_000_000,
    default: null,
    hint: 'for tables of intervals',
    ...optional,
  },
];

/** How rates are kept with it, and what they may be off by. */
export const keepingInputs: readonly InputSpec[] = [
  {
    type: 'choice',
    key: 'how',
    label: 'Intervals',
    options: [
      { value: 'spread', title: 'alternate' },
      { value: 'fixed', title: 'one interval' },
    ],
    default: 'spread',
    ...optional,
  },
  {
    type: 'size',
    key: 'withinPpm',
    label: 'Rate within ±',
    unit: 'ppm',
    min: 0,
    max: 1_000_000,
    default: null,
    hint: 'how far the rate may be off; empty for any',
    ...optional,
  },
  {
    type: 'number',
    key: 'sessionMinutes',
    label: 'Session',
    unit: 'min',
    min: 1,
    max: 100_000,
    default: 60,
    ...optional,
  },
];

export const timerInputs: readonly InputSpec[] = [...controllerInputs, ...keepingInputs];

/** Ticks a second that a wait is counted in: of the timer, or whole delays. */
export function tickHz(timer: Timer): Rational {
  switch (timer.waits ?? 'timer') {
    case 'ms':
      return rational(1000);
    case 'us':
      return rational(1_000_000);
    case 'timer':
      return exactly(timer.tickHz);
  }
}

/** Bits of its counter, until somebody says. */
export const counterBits = (timer: Timer): number => timer.bits ?? 16;
