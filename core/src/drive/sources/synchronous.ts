import { div, exactly, mul, rational, toText, type Rational } from '../../numbers/index.ts';
import type { SourceData, SourceKind } from './source.ts';

export interface Synchronous extends SourceData {
  readonly kind: 'synchronous';
  readonly hz: string;
  readonly poles: number;
}

/** 120·f/poles turns a minute, exact: 50 Hz and 12 poles are 500. (handbook: drive, sources) */
export const synchronousRpm = (s: Synchronous): Rational =>
  div(mul(rational(120), exactly(s.hz)), rational(s.poles));

/** Synchronous motor: no steps, a speed as true as the mains. */
export const synchronous: SourceKind<Synchronous> = {
  kind: 'synchronous',
  title: 'Synchronous motor',
  short: 'motor',
  message: 'turns with the mains; has no steps',
  inputs: [
    { type: 'exact', key: 'hz', label: 'Mains', unit: 'Hz', default: '50' },
    { type: 'count', key: 'poles', label: 'Poles', min: 2, max: 1000, default: 12 },
  ],
  step: 'step',
  stops: null,
  fullSteps: () => null,
  modes: () => [1],
  mode: () => 1,
  hasModes: false,
  speed: (s) => ({ rpm: synchronousRpm(s), estimate: false }),
  parts: () => [],
  facts: (s) => [
    `120 × ${s.hz} / ${s.poles} = ${toText(synchronousRpm(s))} rpm, as steady as the mains over a day.`,
    ...(s.poles % 2 === 0 ? [] : ['Poles come in pairs: an odd count is a slip.']),
  ],
  glyph: 'synchronous',
};
