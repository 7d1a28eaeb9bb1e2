import { add, exactly, mul, rational, ZERO, type Rational } from '../numbers/index.ts';
import type { Encoder, Plates, Source, Stage } from '../drive/index.ts';

/** A motor, a crank or another source that may be taken, with every mode its driver has. */
export interface SourceChoice {
  readonly source: Source;
  /** [1] where nothing divides its steps */
  readonly modes: readonly number[];
  /** what it costs where it is not owned, exact text; nobody knows while it is absent */
  readonly price?: string;
  readonly own: number;
  /** an encoder that the drive goes by, on the work's shaft, or before the stages that are kept */
  readonly encoder?: Omit<Encoder, 'shaft' | 'corrects'> & { readonly at: 'work' | 'kept' };
  /** what a crank stops by */
  readonly plates?: Plates;
}

/** A stage that may be taken. */
export interface StageChoice {
  readonly stage: Stage;
  /** what it is made of, by keys of the stock: itself, or two wheels of the shelf */
  readonly takes: readonly string[];
}

/** What there is of one thing that stages take. */
export interface Stock {
  /** how many there can be in one drive */
  readonly quantity: number;
  readonly own: number;
  readonly price?: string;
  /** wheels that are cut or printed for one where it is neither owned nor bought; 0 where it cannot be made */
  readonly wheels: number;
}

/** What there is, by its keys. */
export type StockOf = ReadonlyMap<string, Stock>;

/** What must be had beside what is owned. */
export interface Had {
  /** money; null where something that must be bought has no price */
  readonly buy: Rational | null;
  /** wheels to cut or print */
  readonly make: number;
}

const NOTHING: Had = { buy: ZERO, make: 0 };
/** What two things want, together. */
export const hadTogether = (a: Had, b: Had): Had => ({
  buy: a.buy && b.buy && add(a.buy, b.buy),
  make: a.make + b.make,
});

/** What `count` of one thing want beside those that are owned: bought where they have a price, else made where they can be. */
function hadOf({ own, price, wheels }: Pick<Stock, 'own' | 'price' | 'wheels'>, count: number): Had {
  const lacking = Math.max(0, count - own);
  if (lacking === 0) return NOTHING;
  if (price !== undefined) return { buy: mul(rational(lacking), exactly(price)), make: 0 };
  return wheels > 0 ? { buy: ZERO, make: lacking * wheels } : { buy: null, make: 0 };
}

/** How many of each thing stages take together; null when there are not so many. */
export function takenBy(stages: readonly StageChoice[], stock: StockOf): ReadonlyMap<string, number> | null {
  const taken = new Map<string, number>();
  for (const key of stages.flatMap((s) => s.takes)) {
    const count = (taken.get(key) ?? 0) + 1;
    if (count > (stock.get(key)?.quantity ?? 0)) return null;
    taken.set(key, count);
  }
  return taken;
}

/** What the stages alone want beside what is owned. */
export const stagesHad = (taken: ReadonlyMap<string, number>, stock: StockOf): Had =>
  [...taken].reduce((sum, [key, count]) => hadTogether(sum, hadOf(stock.get(key)!, count)), NOTHING);

/** And with the source: it is owned or bought, nobody makes a motor. */
export const withSource = (stages: Had, { own, price }: SourceChoice): Had =>
  hadTogether(stages, hadOf({ own, ...(price !== undefined && { price }), wheels: 0 }, 1));

/** What a source and stages want beside what is owned; null when there are not so many parts. */
export function hadBy(stages: readonly StageChoice[], stock: StockOf, source: SourceChoice): Had | null {
  const taken = takenBy(stages, stock);
  return taken && withSource(stagesHad(taken, stock), source);
}
