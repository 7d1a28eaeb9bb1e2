import { ONE, compare, mul, rational, toNumber, type Rational } from '../numbers/index.ts';
import { Best, SLACK } from './best.ts';
import { pairStage, type Family, type Shape } from './kit.ts';
import { partRatio, partTeeth, type FixedPart } from './parts.ts';
import { firstAtLeast } from './products.ts';
import type { RatioFound, RatioQuestion, Walked } from './ratio-question.ts';
import type { Search } from './search.ts';

/** Stages of one ratio, and how many of them there are together. */
interface Item {
  readonly ratio: Rational;
  readonly parts: readonly FixedPart[];
  readonly quantity: number;
}

/** Products of two items in one window of values, laid out in cells of equal width. */
interface Window {
  readonly low: number;
  readonly scale: number;
  /** where each cell begins; one more than there are cells */
  readonly starts: Int32Array;
  readonly values: Float64Array;
  /** first item times the length of the list plus the second */
  readonly codes: Int32Array;
}

/** A window need not hold just so many: it is halved this often. */
const HALVINGS = 16;
/** Outer items between two breaths. */
const BREATH = 64;

/**
 * The best ratios from a long list of stages, exhaustively: one and two stages by search, three by two pointers for each first
 * stage, four by windows of pair products laid against the windows that complement them. Time goes with the square (three, four)
 * of the list, memory with its length. (handbook: find)
 */
export function* searchList(parts: readonly FixedPart[], question: RatioQuestion): Search<RatioFound> {
  const list = new List(parts, question);
  const walked: Walked[] = [];
  let stopped = false;
  for (let stages = 1; stages <= question.maxStages; stages++) {
    const before = { ...list.tally };
    const steps: Iterable<Walk> = stopped ? [] : list.walk(stages);
    for (const { done, of } of steps) {
      stopped = yield { stages, done, of };
      if (stopped) break;
    }
    walked.push({
      stages,
      products: list.length,
      looked: list.tally.looked - before.looked,
      refused: list.tally.refused - before.refused,
      proven: !stopped,
    });
  }
  return { best: list.best.settle(), walked };
}

/** How far a walk is. */
interface Walk {
  readonly done: number;
  readonly of: number;
}

class List {
  readonly best: Best;
  readonly tally = { looked: 0, refused: 0 };
  private readonly items: readonly Item[];
  private readonly values: Float64Array;
  private readonly target: number;

  private readonly question: RatioQuestion;

  constructor(parts: readonly FixedPart[], question: RatioQuestion) {
    this.question = question;
    this.best = new Best(question.target, question.count, question.cap);
    const byRatio = new Map<string, Item>();
    for (const part of parts) {
      const ratio = partRatio(part);
      const key = `${ratio.n}/${ratio.d}`;
      const known = byRatio.get(key);
      byRatio.set(key, {
        ratio,
        parts: [...(known?.parts ?? []), part],
        quantity: (known?.quantity ?? 0) + part.quantity,
      });
    }
    this.items = [...byRatio.values()].sort((a, b) => compare(a.ratio, b.ratio));
    this.values = Float64Array.from(this.items, (item) => toNumber(item.ratio));
    this.target = toNumber(question.target);
  }

  get length(): number {
    return this.items.length;
  }

  *walk(stages: number): Generator<Walk> {
    if (stages === 1) {
      this.pairsWith([], 1);
      yield { done: 1, of: 1 };
    } else if (stages <= 3) {
      const outer = stages === 2 ? [[]] : this.items.map((_, i) => [i]);
      for (const [i, fixed] of outer.entries()) {
        this.pairsWith(fixed, 2);
        if (i % BREATH === BREATH - 1) yield { done: i, of: outer.length };
      }
      yield { done: 1, of: 1 };
    } else yield* this.fours();
  }

  /** One or two more items beside those that are fixed, in order, none below the last fixed one. */
  private pairsWith(fixed: readonly number[], more: 1 | 2): void {
    const from = fixed.at(-1) ?? 0;
    const rest = this.target / fixed.reduce((n, i) => n * this.values[i]!, 1);
    if (more === 1) {
      this.near(rest, from, (i) => this.take([...fixed, i]));
      return;
    }
    const { values } = this;
    let high = values.length - 1;
    for (let i = from; i < values.length; i++) {
      const wanted = rest / values[i]!;
      while (high > i && values[high]! > wanted) high--;
      for (let j = Math.max(high + 1, i); j < values.length; j++) {
        if ((values[j]! - wanted) / wanted > this.best.bound) break;
        this.take([...fixed, i, j]);
      }
      for (let j = high; j >= i; j--) {
        if ((wanted - values[j]!) / wanted > this.best.bound) break;
        this.take([...fixed, i, j]);
      }
      if (high < i && values[i]! ** 2 > rest * (1 + this.best.bound)) break;
    }
  }

  private near(wanted: number, from: number, take: (i: number) => void): void {
    const { values } = this;
    const at = firstAtLeast(values, wanted);
    for (let i = Math.max(at, from); i < values.length; i++) {
      if ((values[i]! - wanted) / wanted > this.best.bound) break;
      take(i);
    }
    for (let i = at - 1; i >= from; i--) {
      if ((wanted - values[i]!) / wanted > this.best.bound) break;
      take(i);
    }
  }

  /** Every product of two in a window against every one in the window that complements it. */
  private *fours(): Generator<Walk> {
    const { values, target } = this;
    if (values.length === 0) return;
    const middle = Math.sqrt(target);
    // of two pairs one is not above the root of the target: only those need be checked, with a little over for the bound
    const edges = this.edges(values[0]! ** 2, middle * (1 + Math.min(this.best.bound, 1)));
    for (let w = 0; w + 1 < edges.length; w++) {
      const reach = 1 + Math.min(this.best.bound, 1) + 1e-12;
      const large = this.window(target / edges[w + 1]! / reach, (target / edges[w]!) * reach);
      this.against(edges[w]!, edges[w + 1]!, large);
      yield { done: w, of: edges.length };
    }
  }

  /** Bounds of windows that hold some 32n products each: fewer of them, while one still lies near at hand. */
  private edges(low: number, high: number): readonly number[] {
    const wanted = Math.max(4096, this.length * 32);
    const out = [low];
    while (out.at(-1)! < high) {
      const last = out.at(-1)!;
      const behind = this.below(last);
      let [near, far] = [last, high * (1 + 1e-9)];
      if (this.below(far) - behind > wanted)
        for (let i = 0; i < HALVINGS; i++) {
          const half = Math.sqrt(near * far);
          if (this.below(half) - behind > wanted) far = half;
          else near = half;
        }
      out.push(Math.max(far, last * (1 + 1e-12)));
    }
    return out;
  }

  /** How many products of two are below a value. */
  private below(value: number): number {
    const { values } = this;
    let count = 0;
    let j = values.length;
    for (let i = 0; i < values.length; i++) {
      while (j > 0 && values[i]! * values[j - 1]! >= value) j--;
      if (j <= i) break;
      count += j - i;
    }
    return count;
  }

  /** Items j of which values[i]·values[j] is in [low, high), i ≤ j. */
  private partners(i: number, low: number, high: number): readonly [number, number] {
    const { values } = this;
    const v = values[i]!;
    let from = Math.max(i, firstAtLeast(values, (low / v) * (1 - SLACK)));
    while (from < values.length && v * values[from]! < low) from++;
    let to = Math.max(from, firstAtLeast(values, (high / v) * (1 - SLACK)));
    while (to < values.length && v * values[to]! < high) to++;
    return [from, to];
  }

  private window(low: number, high: number): Window {
    const { values } = this;
    const n = values.length;
    const spans: (readonly [number, number])[] = [];
    let count = 0;
    for (let i = 0; i < n && values[i]! ** 2 < high; i++) {
      const span = this.partners(i, low, high);
      spans.push(span);
      count += span[1] - span[0];
    }
    const cells = Math.max(1, 2 * count);
    const scale = (cells - 1) / (high - low);
    const starts = new Int32Array(cells + 1);
    for (const [i, [from, to]] of spans.entries())
      for (let j = from; j < to; j++) starts[Math.floor((values[i]! * values[j]! - low) * scale) + 1]!++;
    for (let c = 0; c < cells; c++) starts[c + 1]! += starts[c]!;
    const next = starts.slice();
    const out = new Float64Array(count);
    const codes = new Int32Array(count);
    for (const [i, [from, to]] of spans.entries())
      for (let j = from; j < to; j++) {
        const value = values[i]! * values[j]!;
        const at = next[Math.floor((value - low) * scale)]!++;
        out[at] = value;
        codes[at] = i * n + j;
      }
    return { low, scale, starts, values: out, codes };
  }

  /** Every product of two in [low, high) against the cells about what it wants. */
  private against(low: number, high: number, large: Window): void {
    const { values, target } = this;
    const cells = large.starts.length - 1;
    for (let i = 0; i < values.length && values[i]! ** 2 < high; i++) {
      const [from, to] = this.partners(i, low, high);
      for (let j = from; j < to; j++) {
        const wanted = target / (values[i]! * values[j]!);
        const reach = wanted * (this.best.bound + SLACK);
        const first = Math.max(0, Math.floor((wanted - reach - large.low) * large.scale));
        const last = Math.min(cells - 1, Math.floor((wanted + reach - large.low) * large.scale));
        if (first > last) continue;
        for (let at = large.starts[first]!; at < large.starts[last + 1]!; at++)
          if (Math.abs(large.values[at]! - wanted) <= reach) this.takeFour(i, j, large.codes[at]!);
      }
    }
  }

  private takeFour(i: number, j: number, code: number): void {
    const n = this.values.length;
    this.take([i, j, Math.floor(code / n), code % n]);
  }

  private take(chosen: readonly number[]): void {
    this.tally.looked++;
    const parts: FixedPart[] = [];
    for (const [at, i] of chosen.entries()) {
      const item = this.items[i]!;
      const before = chosen.slice(0, at).filter((c) => c === i).length;
      if (before >= item.quantity) {
        this.tally.refused++;
        return;
      }
      let left = before;
      parts.push(item.parts.find((p) => (left -= p.quantity) < 0)!);
    }
    const ratio = chosen.reduce((r, i) => mul(r, this.items[i]!.ratio), ONE);
    const [low, high] = this.question.between;
    if ((low && compare(ratio, low) < 0) || (high && compare(ratio, high) > 0)) return;
    const shape: Shape = {
      stages: chosen.length,
      parts,
      partsRatio: ratio,
      partsTeeth: parts.reduce((n, p) => n + partTeeth(p), 0),
      pairs: [],
      pairCount: 0,
    };
    this.best.offer(1, 1, shape);
  }
}

/** Every distinct pair of wheels of a range as stages that can be had in any number. */
export function pairsAsParts(family: Family, teeth: readonly number[]): readonly FixedPart[] {
  const byRatio = new Map<string, FixedPart>();
  for (const z1 of teeth)
    for (const z2 of teeth) {
      const ratio = rational(z2, z1);
      const key = `${ratio.n}/${ratio.d}`;
      const known = byRatio.get(key);
      if (known && partTeeth(known) <= z1 + z2) continue;
      byRatio.set(key, { stage: pairStage(family, z1, z2), quantity: Infinity });
    }
  return [...byRatio.values()];
}
