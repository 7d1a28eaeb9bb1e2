import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

/** What waits between two steps. */
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
}

export const timerInputs: readonly InputSpec[] = [
  {
    type: 'clock',
    key: 'tickHz',
    label: 'Ticks a second',
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
    label: 'Waits in',
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
    label: 'Besides, a step',
    unit: 'µs',
    default: '',
    hint: 'what each step takes besides the wait, as measured',
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
    type: 'choice',
    key: 'how',
    label: 'Intervals',
    options: [
      { value: 'spread', title: 'shared' },
      { value: 'fixed', title: 'always the nearest' },
    ],
    default: 'spread',
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
  {
    type: 'count',
    key: 'memoryBytes',
    label: 'Controller’s memory',
    unit: 'bytes',
    min: 64,
    max: 1_000_000_000,
    default: null,
    ...optional,
  },
];
