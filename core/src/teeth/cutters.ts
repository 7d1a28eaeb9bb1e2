/** One profile cutter of a set of eight. */
export interface Cutter {
  /** "55–134" */
  readonly range: string;
  readonly from: number;
  readonly to: number | null;
  /** its number where 1 cuts a rack, and where 8 does */
  readonly customA: number;
  readonly customB: number;
}

/** Teeth from which each cutter is right, the one for a rack first. (handbook: make, gear blanks) */
const FROM = [135, 55, 35, 26, 21, 17, 14, 12];

export const cutters: readonly Cutter[] = FROM.map((from, i) => {
  const to = i === 0 ? null : FROM[i - 1]! - 1;
  return {
    range: to === null ? `${from}–rack` : `${from}–${to}`,
    from,
    to,
    customA: i + 1,
    customB: FROM.length - i,
  };
});

/** The cutter for so many teeth; null under 12, for which no set has one. */
export const cutterFor = (teeth: number): Cutter | null => cutters.find((c) => teeth >= c.from) ?? null;
