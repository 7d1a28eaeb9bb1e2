import { decimal, exactly, toText, type Rational } from '../../../numbers/index.ts';
import { makingList, readingError, repeatsAfter } from '../../../divide/index.ts';
import { inLine, measured } from '../../../words/index.ts';
import type { DutyTable } from '../duty.ts';

/** How a circle is made on a head: where the crank stands for each hole, and what reading a protractor leaves. (handbook: divide, index plates) */
export interface MakingReport {
  /** of the head it is made on */
  readonly worm: Rational;
  readonly message: string;
  readonly table: DutyTable;
}

/** `read` is what the protractor is read to, degrees; `used` the worm that the plate will be used on. */
export function makingReport(wormText: string, holes: number, used: Rational, read: number): MakingReport {
  const worm = exactly(wormText);
  const repeats = repeatsAfter(worm, holes);
  const { plateArcsec, workArcsec } = readingError(worm, used, read);
  return {
    worm,
    message: `The degrees repeat after ${repeats} ${repeats === 1 ? 'hole' : 'holes'}. Read to ${measured(read)}°, a hole is out by at most ${measured(plateArcsec)}″, and the work by ${measured(workArcsec)}″. Add exactly, round only what you set.`,
    table: {
      title: `Crank for ${holes} holes`,
      head: ['hole', 'turns', 'and degrees', 'exactly'],
      rows: makingList(worm, holes).map((r) => [
        String(r.hole),
        r.wholeTurns.toString(),
        decimal(r.degrees, 3),
        r.degrees.n === 0n ? '0' : r.degrees.d === 1n ? toText(r.degrees) : inLine(r.degrees),
      ]),
    },
  };
}
