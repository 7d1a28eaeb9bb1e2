import { exactly, mul, rational, type Rational } from '../../numbers/index.ts';
import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

/** What a drive may be asked to do besides dividing, and what is needed to judge it: each duty is data with its inputs. (handbook: follow, travel) */

/** Named rates and the free one: seconds for one turn of the work. To add one is to add a line. */
export const ratePeriods = {
  stars: { title: 'Stars (sidereal)', name: 'stars', seconds: '86164.0905' },
  sun: { title: 'Sun (solar)', name: 'sun', seconds: '86400' },
  moon: { title: 'Moon (lunar)', name: 'moon', seconds: '89428.33' },
  starsRefracted: {
    title: 'Stars with mean refraction',
    name: 'stars, mean refraction',
    seconds: '1296000/15.0369',
  },
  tide: { title: 'Tide', name: 'tide', seconds: '44714.165' },
  period: { title: 'Another', name: 'another', seconds: null },
} as const satisfies Readonly<
  Record<string, { readonly title: string; readonly name: string; readonly seconds: string | null }>
>;

export type RateKind = keyof typeof ratePeriods;

/** A rate that is kept up. */
export interface Rate {
  readonly kind: RateKind;
  /** exact; of kind `period` */
  readonly seconds?: string;
  readonly name?: string;
  /** half as fast: a mirror on a polar axis */
  readonly half?: boolean;
  /** the other way: south of the equator, or a shaft that turns back */
  readonly reverse?: boolean;
}

export const rateInputs: readonly InputSpec[] = [
  {
    type: 'choice',
    key: 'kind',
    label: 'Follow',
    options: Object.entries(ratePeriods).map(([value, { title }]) => ({ value, title })),
    default: 'stars',
  },
  {
    type: 'period',
    key: 'seconds',
    label: 'One turn in',
    unit: 's',
    default: '86400',
    ...optional,
    hint: 'or a speed: 24 h, 0.5 rpm, 15 °/h, 15.041 ″/s, 0.5 mm/min',
  },
  { type: 'flag', key: 'half', label: 'half rate', default: '', ...optional },
  { type: 'flag', key: 'reverse', label: 'backwards', default: '', ...optional },
  { type: 'text', key: 'name', label: 'Called', max: 60, default: '', ...optional },
];

/** What a rate is called: its own name, else that of its kind. */
export function rateName(rate: Rate): string {
  const own = rate.name?.trim();
  if (own) return own;
  const { name } = ratePeriods[rate.kind];
  return rate.half ? `half ${name}` : name;
}

/** Seconds for one turn of the work, exact; a half rate takes twice as long. (handbook: follow) */
export function periodOf(rate: Rate): Rational {
  const seconds = ratePeriods[rate.kind].seconds;
  const period = seconds === null ? exactly(rate.seconds ?? '1') : exactly(seconds);
  return rate.half ? mul(rational(2), period) : period;
}
