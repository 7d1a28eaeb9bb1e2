import { ARCSEC_PER_TURN, div, factors, rational, toNumber, toText } from '../../numbers/index.ts';
import { counterOf, divide } from '../../divide/index.ts';
import { isSure, toleranceOf } from '../../motion/index.ts';
import { countsPerTurn, type Drive, type Kinematics } from '../../drive/index.ts';
import {
  type Figure,
  type Graded,
  gradeOfDivision,
  grouped,
  measured,
  mixed,
  powers,
  shortList,
  strong,
  whole,
} from '../../words/index.ts';
import { stageLines } from './train.ts';

/** The encoder: its counts a turn of the work, and how they divide. (handbook: drive, sources) */
export interface EncoderReport {
  readonly counts: Figure;
  readonly one: string;
  readonly groups: readonly { readonly graded: Graded; readonly counts: string }[];
}

export function encoderReport(drive: Drive, k: Kinematics, asked: readonly number[]): EncoderReport | null {
  const { encoder } = drive;
  const counts = encoder && countsPerTurn(k, encoder);
  const counter = encoder && counterOf(k, encoder, toleranceOf(drive.job));
  if (!encoder || !counts || !counter) return null;
  const label = 'counts per turn';
  const groups = new Map<string, { graded: Graded; counts: string[] }>();
  for (const D of asked) {
    const d = divide(counter, D);
    const graded = gradeOfDivision(d, counter);
    const word = d.grade === 'rounded' ? 'Rounded' : d.grade === 'misses' ? 'Misses' : graded.word;
    const group = groups.get(word) ?? { graded: { ...graded, word }, counts: [] };
    group.counts.push(grouped(String(D)));
    groups.set(word, group);
  }
  return {
    counts: {
      key: 'encoder.counts',
      label,
      value: toText(counts),
      text: mixed(counts),
      exact: isSure(counter.doubt),
      working: () => [
        {
          label: 'encoder',
          text: [`${grouped(String(encoder.lines))} lines × ${encoder.decode}, on shaft ${encoder.shaft}`],
          exact: true,
        },
        ...stageLines(drive, k, encoder.shaft, true),
        ...(counts.d === 1n
          ? [
              {
                label: 'in primes',
                text: [whole(counts.n), ' = ', ...powers(factors(counts.n))],
                exact: true,
              },
            ]
          : []),
        { label, text: strong(mixed(counts)), exact: isSure(counter.doubt) },
      ],
    },
    one: `${measured(toNumber(div(rational(ARCSEC_PER_TURN), counts)))}″ a count at the work`,
    groups: [...groups.values()].map((g) => ({ graded: g.graded, counts: shortList(g.counts, 8) })),
  };
}
