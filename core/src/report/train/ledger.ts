import { columnsOf, wheelsWith, type Ledger } from '../../divide/index.ts';
import { product, rational } from '../../numbers/index.ts';
import {
  type Graded,
  gradeWords,
  grouped,
  inLine,
  listed,
  plainText,
  powers,
  type Rich,
  shortList,
  THIN,
  whole,
} from '../../words/index.ts';

/** A cell of the ledger picture: how many dots, and of which kind. */
export interface Dots {
  readonly count: number;
  readonly kind: 'brings' | 'takes' | 'met' | 'short' | 'none';
}

export interface LedgerReport {
  readonly primes: readonly string[];
  /** columns that there is no room for */
  readonly more: number;
  /** which columns are short */
  readonly shortColumns: readonly (number | null)[];
  readonly supply: readonly {
    readonly label: string;
    /** of one part, to the power of how many there are */
    readonly factor: Rich;
    readonly cells: readonly Dots[];
  }[];
  readonly has: readonly number[];
  readonly total: string;
  readonly demand: readonly {
    readonly divisions: string;
    readonly primes: Rich;
    readonly graded: Graded;
    readonly cells: readonly Dots[];
  }[];
  /** demand rows not listed */
  readonly unlisted: number;
  /** one for each prime that is short: what is missing and which wheels bring it */
  readonly missing: readonly { readonly prime: bigint; readonly strong: string; readonly rest: string }[];
}

/** The ledger as rows of dots, for `room` columns. (handbook: divide, the factor ledger) */
export function ledgerReport(l: Ledger, asked: number, room: number): LedgerReport {
  const { shown, more } = columnsOf(l, room);
  const dots = (e: number, over: Dots['kind']): Dots => ({
    count: Math.abs(e),
    kind: e === 0 ? 'none' : over,
  });
  return {
    primes: shown.map((p) => grouped(p.toString())),
    more,
    shortColumns: shown.map((p) => l.short.get(p) ?? null),
    supply: l.supply.map((row) => ({
      label: row.label,
      factor: [factorText(row.factor), ...(row.times > 1 ? [{ sup: String(row.times) }] : [])],
      cells: shown.map((p) =>
        dots(row.exponents.get(p) ?? 0, (row.exponents.get(p) ?? 0) < 0 ? 'takes' : 'brings'),
      ),
    })),
    has: shown.map((p) => l.has.get(p) ?? 0),
    total: inLine(product(l.supply.flatMap((row) => Array.from({ length: row.times }, () => row.factor)))),
    demand: l.demand.map((row) => ({
      divisions: grouped(String(row.divisions)),
      primes: powers(row.exponents),
      graded: { grade: row.grade, word: gradeWords[row.grade] },
      cells: shown.map((p) => {
        const e = row.exponents.get(p) ?? 0;
        return dots(e, (l.has.get(p) ?? 0) >= e ? 'met' : 'short');
      }),
    })),
    unlisted: Math.max(0, asked - l.demand.length),
    missing: [...l.short].slice(0, 8).map(([p, times]) => missingMessage(p, times)),
  };
}

const factorText = (r: { readonly n: bigint; readonly d: bigint }): string =>
  r.n === 1n && r.d > 1n ? `÷${THIN}${whole(r.d)}` : `×${THIN}${inLine(rational(r.n, r.d))}`;

function missingMessage(prime: bigint, times: number): LedgerReport['missing'][number] {
  const name = plainText(powers(new Map([[prime, times]])));
  const wheels = wheelsWith(prime, times, 4).map(String);
  const strong = `${name} is missing:`;
  if (wheels.length === 0) return { prime, strong, rest: 'no single wheel of up to 200 teeth supplies it.' };
  return { prime, strong, rest: `any driven wheel with ${listed(wheels, 'or')} teeth supplies it.` };
}

/** What the job asks, prime by prime, against what the bare motor brings. */
export interface OwesReport {
  readonly primes: readonly string[];
  readonly rows: readonly {
    readonly divisions: string;
    readonly primes: Rich;
    readonly cells: readonly Dots[];
  }[];
  readonly need: readonly Dots[];
  readonly motor: readonly number[];
  readonly motorLabel: string;
  readonly owes: readonly Dots[];
  readonly unlisted: number;
  readonly alt: string;
}

/** `l` is the ledger of the bare motor; the columns are the primes the divisions ask for. */
export function owesReport(
  l: Ledger,
  need: ReadonlyMap<bigint, number>,
  motorLabel: string,
  asked: number,
  room: number,
  rows: number,
): OwesReport {
  const primes = [...need.keys()].sort((a, b) => (a < b ? -1 : 1)).slice(0, room);
  const listedRows = l.demand.slice(0, rows);
  return {
    primes: primes.map((p) => grouped(p.toString())),
    rows: listedRows.map((row) => ({
      divisions: grouped(String(row.divisions)),
      primes: powers(row.exponents),
      cells: primes.map((p) => ({
        count: row.exponents.get(p) ?? 0,
        kind: row.exponents.has(p) ? 'brings' : 'none',
      })),
    })),
    need: primes.map((p) => ({ count: need.get(p) ?? 0, kind: 'brings' })),
    motor: primes.map((p) => l.has.get(p) ?? 0),
    motorLabel,
    owes: primes.map((p) => ({ count: l.short.get(p) ?? 1, kind: l.short.has(p) ? 'short' : 'met' })),
    unlisted: Math.max(0, asked - listedRows.length),
    alt: `The divisions need ${shortList(
      primes.map((p) => plainText(powers(new Map([[p, need.get(p) ?? 0]])))),
      12,
    )}.`,
  };
}
