/**
 * The least i ≥ 0 with low ≤ a·i mod m ≤ high (0 ≤ low ≤ high < m, 0 ≤ a < m), or null when there is none.
 * Takes about as many steps as Euclid's algorithm on a and m.
 */
export function firstInRange(a: bigint, m: bigint, low: bigint, high: bigint): bigint | null {
  if (low === 0n) return 0n;
  if (a === 0n) return null;
  const c = (low + a - 1n) / a;
  if (a * c <= high) return c;
  const wraps = firstInRange(m % a, a, (a - (high % a)) % a, (a - (low % a)) % a);
  return wraps === null ? null : (low + m * wraps + a - 1n) / a;
}

/**
 * The worst rounding of i·a/b to the nearest whole number for i = 0…last, as a numerator over b: the greatest distance.
 * 0 ≤ a < b. Found by bisection over firstInRange, so `last` may be millions. (handbook: divide, N not whole)
 */
export function worstResidue(a: bigint, b: bigint, last: bigint): bigint {
  // A distance of at least w means a residue in [w, b − w]; the wider the band, the earlier it is entered.
  let [known, refused] = [0n, b / 2n + 1n];
  while (refused - known > 1n) {
    const w = (known + refused) / 2n;
    const i = w > b - w ? null : firstInRange(a, b, w, b - w);
    if (i !== null && i <= last) known = w;
    else refused = w;
  }
  return known;
}
