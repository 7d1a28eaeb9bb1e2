/** In how many ways so many can be chosen of some kinds, the same one as often as one likes. */
export function multisets(kinds: number, count: number): number {
  let out = count > 0 && kinds === 0 ? 0 : 1;
  for (let i = 0; i < count; i++) out = (out * (kinds + i)) / (i + 1);
  return Math.round(out);
}

/** Every way to share a whole number between so many. */
export function* shared(count: number, among: number): Generator<readonly number[]> {
  if (among === 0) {
    if (count === 0) yield [];
    return;
  }
  if (among === 1) {
    yield [count];
    return;
  }
  for (let first = count; first >= 0; first--)
    for (const rest of shared(count - first, among - 1)) yield [first, ...rest];
}
