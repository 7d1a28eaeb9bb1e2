export {
  ONE,
  ZERO,
  abs,
  add,
  compare,
  decimal,
  div,
  equal,
  exactly,
  floor,
  floorDiv,
  frac,
  isNegative,
  isWhole,
  isZero,
  mul,
  neg,
  numerator,
  parseRational,
  product,
  rational,
  round,
  roundDiv,
  sub,
  toNumber,
  toText,
  type Rational,
} from './rational.ts';
export { factors, gcd, isPrime, lcm, valuation, type Factors } from './primes.ts';
export { ceilTimesPi, compareToPi, PI } from './pi.ts';
export {
  comparePi,
  divPi,
  nearPi,
  piText,
  piToNumber,
  piValue,
  roundPi,
  scalePi,
  type PiValue,
} from './pi-value.ts';
export { nearestFraction, simplestFirst } from './simplest.ts';
export { firstInRange, worstResidue } from './residues.ts';
export { at, error, ok, type Refusal, type RefusalCode, type Result } from './refusal.ts';
export { refusalMessage, refusalSentence } from './refusal-text.ts';
export {
  readCount,
  readingOf,
  readNumber,
  withoutExponent,
  readSigned,
  readSize,
  type Limits,
} from './read-number.ts';
export { readRatio, readReduction, type ReadRatio } from './read-ratio.ts';
export { fromStepAngle, inUnit } from './read-unit.ts';
export {
  divisionPieces,
  divisionRuns,
  readDivisions,
  LARGEST_COUNT,
  MAX_COUNTS,
  MAX_TEXT,
  type DivisionPiece,
} from './read-divisions.ts';
export { ARCSEC_PER_TURN, readAngle, readLength, readPositiveAngle } from './read-quantity.ts';
export { readClock, readPeriod, readSpeed } from './read-rate.ts';
export { scientific, tenTo } from './power-text.ts';
