import {
  ARCSEC_PER_TURN,
  compare,
  divisionPieces,
  exactly,
  factors,
  isPrime,
  rational,
  toNumber,
  toText,
  type Rational,
} from '../../numbers/index.ts';
import { asksOf, ledger, needOf, worthChasing, type Asks, type Division } from '../../divide/index.ts';
import { toleranceArcsec, toleranceOf, type Tolerance } from '../../motion/index.ts';
import { sourceKindOf, type Drive, type Kinematics } from '../../drive/index.ts';
import { refusalMessage } from '../../numbers/index.ts';
import {
  angleText,
  type Figure,
  grouped,
  inWords,
  lengthText,
  limitText,
  listed,
  powers,
  type Rich,
  whole,
} from '../../words/index.ts';
import { owesReport, type OwesReport } from '../train/ledger.ts';

/** A piece of the division list as it is read back: "57–60", "four: 57 58 59 60"; or why it is left out. */
export interface PieceReport {
  readonly text: string;
  readonly message: Rich;
  readonly refused: boolean;
}

const LISTED = 6;

/** Every piece of a division list as typed, read back. */
export function piecesReport(text: string): readonly PieceReport[] {
  const pieces = divisionPieces(text);
  return pieces.map((piece, i) => {
    const name = piece.text.replace(/^(\d+)-(\d+)$/, '$1–$2').replaceAll('x', ' × ');
    const [first] = piece.counts;
    if (piece.refusal || first === undefined) return { text: name, message: ['left out'], refused: true };
    if (piece.instead !== undefined)
      return {
        text: name,
        message: [`and ${pieces[i + 1]?.text ?? ''}: two counts. Meant ${piece.instead}? Write it so.`],
        refused: false,
      };
    if (piece.counts.length > 1) {
      const listed = piece.counts.length <= LISTED ? `: ${piece.counts.join(' ')}` : '';
      return { text: name, message: [`${inWords(piece.counts.length)}${listed}`], refused: false };
    }
    if (String(first) !== piece.text)
      return { text: name, message: [grouped(String(first))], refused: false };
    return {
      text: name,
      message: isPrime(BigInt(first)) ? ['a prime'] : powers(factors(BigInt(first))),
      refused: false,
    };
  });
}

/** The sentence for pieces that were left out while `inForce` counts stay. */
export function leftOutMessage(
  text: string,
  inForce: number,
): { readonly message: string; readonly cure: string } | null {
  const bad = divisionPieces(text).find((p) => p.refusal);
  if (!bad?.refusal) return null;
  const words = refusalMessage(bad.refusal);
  const stays =
    inForce === 0
      ? 'Until then nothing is asked.'
      : `Until then the last good list stays in force: ${inWords(inForce)} ${inForce === 1 ? 'count' : 'counts'}.`;
  return { message: words.message, cure: `${words.cure} ${stays}` };
}

/** The tolerance as it is shown in its field and read back beside it. */
export interface ToleranceReport {
  readonly as: 'angle' | 'length' | 'none';
  readonly field: string;
  readonly radius: string;
  /** "is ±5.3 µm at a radius of" */
  readonly readBack: string;
}

const plainDecimal = (r: Rational): string =>
  r.d === 1n ? toText(r) : String(Number(toNumber(r).toPrecision(9)));

export function toleranceReport(drive: Drive): ToleranceReport {
  const tolerance = toleranceOf(drive.job);
  const radius = drive.job.radiusMm === undefined ? null : exactly(drive.job.radiusMm);
  const radiusText = radius === null ? '' : plainDecimal(radius);
  if (!tolerance && drive.job.toleranceMm !== undefined)
    // Along a linear output a length needs no radius.
    return {
      as: 'length',
      field: fieldLength(exactly(drive.job.toleranceMm)),
      radius: '',
      readBack: 'along its travel',
    };
  if (!tolerance) return { as: 'none', field: '', radius: radiusText, readBack: 'any rounding will do' };
  if (tolerance.as === 'length') {
    const angle = toleranceArcsec(tolerance);
    return {
      as: 'length',
      field: fieldLength(tolerance.mm),
      radius: radiusText,
      readBack: `is ±${angleText(angle)} at the work`,
    };
  }
  const arcsec = tolerance.arcsec;
  const field = `${plainDecimal(arcsec)}″`;
  if (radius === null) return { as: 'angle', field, radius: '', readBack: '' };
  const mm = (toNumber(radius) * 2 * Math.PI * toNumber(arcsec)) / Number(ARCSEC_PER_TURN);
  return { as: 'angle', field, radius: radiusText, readBack: `is ±${lengthText(mm).join(' ')}` };
}

const fieldLength = (mm: Rational): string =>
  compare(mm, rational(1n, 10n)) < 0
    ? `${plainDecimal(rational(mm.n * 1000n, mm.d))} µm`
    : `${plainDecimal(mm)} mm`;

/** One line of what the job asks: a label and a figure. */
export interface AskLine {
  readonly label: string;
  readonly figure: Figure;
}

/** What the job asks of any train, and where the present one stands; pins for a scale of powers of ten. */
export interface AsksReport {
  readonly lines: readonly AskLine[];
  readonly pins: readonly {
    readonly message: string;
    readonly log10: number;
    readonly tone: 'even' | 'present' | 'all';
  }[];
  /** said when Even for all is not practical */
  readonly honest: { readonly strong: string; readonly rest: string } | null;
}

const digits = (n: bigint): number => {
  const text = n.toString();
  return text.length - 1 + Math.log10(Number(`${text[0]}.${text.slice(1, 15) || '0'}`));
};

export function asksReport(drive: Drive, k: Kinematics, counts: readonly number[]): AsksReport {
  const tolerance = toleranceOf(drive.job);
  const asks = asksOf(counts, tolerance);
  const lines: AskLine[] = [];
  const pins: AsksReport['pins'][number][] = [];
  if (asks.evenMultiple !== null) {
    const label =
      counts.length === 1
        ? `${grouped(String(counts[0]))} Even, a multiple of`
        : `All ${inWords(counts.length)} Even, a multiple of`;
    lines.push({ label, figure: evenFigure(counts, asks.evenMultiple) });
    pins.push({ message: 'all Even', log10: digits(asks.evenMultiple), tone: 'all' });
  }
  if (tolerance && asks.toleranceSteps !== null) {
    const allowed = limitText(toleranceArcsec(tolerance));
    lines.push({
      label: `All within ±${allowed}, at least`,
      figure: toleranceFigure(tolerance, asks.toleranceSteps),
    });
    pins.push({ message: `±${allowed} at least`, log10: digits(asks.toleranceSteps), tone: 'even' });
  }
  const N = k.stepsPerTurn;
  if (N)
    pins.push({ message: 'present train', log10: Math.log10(Math.max(1e-9, toNumber(N))), tone: 'present' });
  return { lines, pins: pins.sort((a, b) => a.log10 - b.log10), honest: honestly(asks, counts) };
}

function honestly(asks: Asks, counts: readonly number[]): AsksReport['honest'] {
  if (worthChasing(asks) || asks.evenMultiple === null || asks.toleranceSteps === null) return null;
  return {
    strong: `Even for all ${inWords(counts.length)} is not practical:`,
    rest: `together they ask for a multiple of ${whole(asks.evenMultiple)} steps a turn. Any train from ${whole(asks.toleranceSteps)} holds the tolerance.`,
  };
}

const evenFigure = (counts: readonly number[], multiple: bigint): Figure => ({
  key: 'job.even',
  label: 'steps that make every count even',
  value: multiple.toString(),
  text: [whole(multiple)],
  exact: true,
  working: () => [
    {
      label: 'counts',
      text: [
        counts.length <= 12 ? listed(counts.map((c) => grouped(String(c)))) : `${counts.length} of them`,
      ],
      exact: true,
    },
    { label: 'least common multiple', text: [{ strong: whole(multiple) }], exact: true },
  ],
});

const toleranceFigure = (t: Tolerance, steps: bigint): Figure => ({
  key: 'job.tolerance',
  label: 'steps that hold the tolerance',
  value: steps.toString(),
  text: [whole(steps)],
  exact: true,
  working: () => [
    { label: 'rounding', text: ['is at worst half a microstep'], exact: true },
    t.as === 'angle'
      ? { label: 'half a turn', text: [`648\u2009000″ ÷ ${plainDecimal(t.arcsec)}″`], exact: true }
      : {
          label: 'half the circle',
          text: [`π × ${plainDecimal(t.radiusMm)} mm ÷ ${plainDecimal(t.mm)} mm`],
          exact: true,
        },
    { label: 'steps per turn, at least', text: [{ strong: whole(steps) }], exact: true },
  ],
});

/** Columns and rows of the ledger beside the Job. */
const OWES_ROOM = 8;
const OWES_ROWS = 8;

/** What the divisions ask of a train, against what the source alone brings. */
export function owesOf(drive: Drive, k: Kinematics, divisions: readonly Division[]): OwesReport | null {
  const source = sourceKindOf(drive.train.source);
  if (divisions.length === 0) return null;
  const full = source.fullSteps(drive.train.source) ?? 1;
  const label = k.mode > 1 ? `${full} × 1/${k.mode}` : `${full} steps`;
  const bare = ledger([{ label, factor: rational(BigInt(full) * BigInt(k.mode)) }], divisions);
  return owesReport(
    bare,
    needOf(divisions.map((d) => d.divisions)),
    label,
    divisions.length,
    OWES_ROOM,
    OWES_ROWS,
  );
}
