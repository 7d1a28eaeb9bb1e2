/** A cord on a drum that keeps the teeth on one side. (handbook: make, preload design) */
export interface Preload {
  /** mm of cord for the turns */
  readonly travelMm: number;
  /** N at the start and at the end */
  readonly fromN: number;
  readonly toN: number;
  /** N·m at the work, at its least and at its greatest */
  readonly leastNm: number;
  readonly mostNm: number;
}

/** F0 and F0 + k·π·d·turns at d/2; d is the drum and its cord. A weight has no stiffness. */
export function preloadOf(startN: number, drumMm: number, nPerMm: number, turns: number): Preload {
  const travelMm = Math.PI * drumMm * turns;
  const toN = startN + nPerMm * travelMm;
  const arm = drumMm / 2 / 1000;
  return { travelMm, fromN: startN, toN, leastNm: startN * arm, mostNm: toN * arm };
}
