import { kinematicsOf, type Drive, type Stage } from '../drive/index.ts';
import { report } from '../report/index.ts';
import { driveOf, plainRatio, wheelCutter } from '../testing/samples.ts';
import { rational } from '../numbers/index.ts';
import { cures, divide, dividerOf, newPlates, plateChart } from './index.ts';

/** One measured thing: what is done, and how often in one go. */
export interface Bench {
  readonly name: string;
  readonly run: () => void;
  /** the time the handbook or the issue asks for, ms */
  readonly wanted?: number;
}

const dividerFor = (d: Drive) => dividerOf(d, kinematicsOf(d), null)!;
const divider = dividerFor(wheelCutter());
const open = dividerFor(driveOf(200, 16, [plainRatio('25792/405')]));
const all = (d: typeof divider, n: number) => () => {
  for (let i = 1; i <= n; i++) divide(d, i);
};
const counts = Array.from({ length: 200 }, (_, i) => i + 40).join(', ');
const twoHundred = wheelCutter(counts, { toleranceArcsec: '30' });

const pair: Stage = { kind: 'spur', z1: 20, z2: 61 };
const eight = driveOf(200, 16, [
  { kind: 'belt', z1: 20, z2: 76 },
  pair,
  { kind: 'planetary', sun: 13, ring: 47, planets: 4, fixed: 'ring', in: 'sun', out: 'carrier' },
  pair,
  { kind: 'internal', z1: 16, z2: 80 },
  pair,
  { kind: 'strainWave', flex: 200, rigid: 202 },
  { kind: 'worm', starts: 1, wheel: 90 },
]);

const CIRCLES = [15, 16, 17, 18, 19, 20, 21, 23, 27, 29, 31, 33, 37, 39, 41, 43, 47, 49];
const TO_400 = Array.from({ length: 399 }, (_, i) => i + 2);
const PRIMES = [61, 63, 65, 66, 67, 71, 73, 79, 83, 89, 97, 101];

export const benches: readonly Bench[] = [
  { name: '500 divisions', run: all(divider, 500) },
  { name: '5 000 divisions', run: all(divider, 5000), wanted: 50 },
  { name: '5 000 divisions of a turn that is not whole', run: all(open, 5000) },
  {
    name: 'verdict of a drive with 200 divisions',
    run: () => void report(twoHundred).verdict.map((c) => c.figure?.text),
    wanted: 16,
  },
  { name: 'every row of its table', run: () => void report(twoHundred).judged.rows.length },
  { name: 'the strip of 2 to 400', run: () => void report(wheelCutter()).built.strip.list },
  {
    name: 'cures for 73 on an eight-stage train',
    run: () => void cures(eight, [73], [60, 73, 95, 97]).length,
    wanted: 100,
  },
  {
    name: 'plates: 2 to 400 on 18 circles, two at once',
    run: () => void plateChart(rational(40), [CIRCLES], TO_400).length,
    wanted: 300,
  },
  {
    name: 'plates: the best new one for twelve counts',
    run: () => void newPlates(rational(40), [CIRCLES], PRIMES, 400).choices.length,
  },
  {
    name: 'its ledger and picture',
    run: () => void [report(twoHundred).built.ledger, report(twoHundred).picture(205, 314)],
  },
];
