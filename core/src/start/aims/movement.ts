import {
  div,
  error,
  exactly,
  mul,
  ok,
  readPeriod,
  toNumber,
  toText,
  type Rational,
  type Result,
} from '../../numbers/index.ts';
import { ratePeriods, trainsOf, type BetweenOutputs, type Drive, type Edit } from '../../drive/index.ts';
import { timeText, trimmed } from '../../words/index.ts';
import { inDuty, toDuty, type Aim } from '../question.ts';
import { wheelsAtHand } from './ratio.ts';

/** Hands beside the first. */
const MOST = 8;
const PPM = '100';

const between = ({ job }: Drive): readonly BetweenOutputs[] => job.between ?? [];
const firstName = (drive: Drive): string => trainsOf(drive)[0]!.name;

function firstSeconds(drive: Drive): Rational {
  const rate = drive.job.rates?.[0];
  return exactly(rate?.seconds ?? ratePeriods.sun.seconds);
}

const inTime = (seconds: Rational): string => {
  const s = toNumber(seconds);
  if (s >= 2 * 86_400) return `${trimmed(s / 86_400, 9)} d`;
  return s >= 3600 ? `${trimmed(s / 3600, 9)} h` : `${trimmed(s, 9)} s`;
};

const periods = (drive: Drive): readonly Rational[] =>
  between(drive).map((b) => mul(exactly(b.wanted), firstSeconds(drive)));

/** Trains, one a hand, and the ratios that must hold between the first and each. */
function handsEdits(drive: Drive, first: Rational, list: readonly Rational[], ppm: string): readonly Edit[] {
  const others = trainsOf(drive).slice(1);
  const name = firstName(drive);
  return [
    ...between(drive).map((): Edit => ({ do: 'removeDuty', duty: 'between', at: 0 })),
    ...[...others].reverse().map((t): Edit => ({ do: 'removeTrain', name: t.name })),
    ...list.map((_, i): Edit => ({ do: 'addTrain', name: `Hand ${i + 2}`, from: { train: name, shaft: 0 } })),
    ...list.map((seconds, i): Edit => ({
      do: 'addDuty',
      duty: 'between',
      with: { from: name, to: `Hand ${i + 2}`, wanted: toText(div(seconds, first)), ppm: Number(ppm) },
    })),
  ];
}

function listSet(drive: Drive, text: string): Result<readonly Edit[]> {
  const pieces = text.split(/\s*[,;]\s*/).filter((p) => p !== '');
  if (pieces.length > MOST) return error('tooMany', text, { limit: String(MOST) });
  const list: Rational[] = [];
  for (const piece of pieces) {
    const read = readPeriod(piece);
    if (!read.ok) return read;
    list.push(read.value);
  }
  const ppm = String(between(drive)[0]?.ppm ?? PPM);
  return ok(handsEdits(drive, firstSeconds(drive), list, ppm));
}

/** Hands that must agree. */
export const movement: Aim = {
  title: 'A movement',
  hint: 'hands that must agree',
  wheels: true,
  begins: [{ do: 'addDuty', duty: 'rates', with: { kind: 'period', seconds: '86400' } }],
  questions: [
    {
      id: 'first',
      title: 'The first hand',
      hint: 'one turn in',
      example: '1 d, or 12 h',
      taken: '1 d',
      get: (drive) => (inDuty(drive, 'rates', 'seconds') === '' ? '' : inTime(firstSeconds(drive))),
      set: (drive, text) => {
        const read = readPeriod(text);
        if (!read.ok) return read;
        const wanted = periods(drive).map((p, at): Edit => ({
          do: 'duty',
          duty: 'between',
          at,
          key: 'wanted',
          text: toText(div(p, read.value)),
        }));
        return ok([toDuty('rates', 'seconds', toText(read.value)), ...wanted]);
      },
      means: () => ['the others are driven from its arbor'],
    },
    {
      id: 'others',
      needed: true,
      title: 'The others',
      hint: 'one turn of each in',
      example: '29.530589 d, 365.2422 d',
      taken: '',
      get: (drive) => periods(drive).map(inTime).join(', '),
      set: listSet,
      means: (drive) =>
        between(drive).length === 0
          ? []
          : [
              `${between(drive)
                .map((b) => `${toNumber(exactly(b.wanted)).toPrecision(7)} : 1`)
                .join(', ')}`,
            ],
    },
    {
      id: 'agree',
      title: 'How near',
      hint: 'parts in a million',
      unit: 'ppm',
      example: '10',
      taken: PPM,
      get: (drive) => inDuty(drive, 'between', 'ppm') || PPM,
      set: (drive, text) =>
        ok(between(drive).map((_, at): Edit => ({ do: 'duty', duty: 'between', at, key: 'ppm', text }))),
      means: (drive) => {
        const ppm = Number(inDuty(drive, 'between', 'ppm') || PPM);
        return [`${timeText((ppm / 1e6) * 365.25 * 86_400).join(' ')} in a year`];
      },
    },
    wheelsAtHand,
  ],
};
