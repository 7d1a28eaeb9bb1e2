import { kinematicsOf } from '../drive/index.ts';
import { report } from '../report/index.ts';
import { driveOf, plainRatio, wheelCutter } from '../testing/samples.ts';
import { divide, dividerOf } from './index.ts';

/** One measured thing: what is done, and how often in one go. */
export interface Bench {
  readonly name: string;
  readonly run: () => void;
  /** the time the handbook or the issue asks for, ms */
  readonly wanted?: number;
}

const divider = dividerOf(kinematicsOf(wheelCutter()), null)!;
const open = dividerOf(kinematicsOf(driveOf(200, 16, [plainRatio('25792/405')])), null)!;
const all = (d: typeof divider, n: number) => () => {
  for (let i = 1; i <= n; i++) divide(d, i);
};
const counts = Array.from({ length: 200 }, (_, i) => i + 40).join(', ');
const twoHundred = wheelCutter(counts, { toleranceArcsec: '30' });

export const benches: readonly Bench[] = [
  { name: '500 divisions', run: all(divider, 500) },
  { name: '5 000 divisions', run: all(divider, 5000), wanted: 50 },
  { name: '5 000 divisions of a turn that is not whole', run: all(open, 5000) },
  {
    name: 'verdict of a drive with 200 divisions',
    run: () => void report(twoHundred).verdict.map((c) => c.figure?.text),
    wanted: 16,
  },
  { name: 'every row of its table', run: () => void report(twoHundred).check.rows.length },
  {
    name: 'its ledger and picture',
    run: () => void [report(twoHundred).train.ledger, report(twoHundred).picture(205, 314)],
  },
];
