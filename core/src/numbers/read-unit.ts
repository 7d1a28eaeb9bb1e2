import { div, mul, rational, toText, type Rational } from './rational.ts';
import { plain, readNumber } from './read-number.ts';
import { ANGLE_UNITS, LENGTH_UNITS, readAngle, type Units } from './read-quantity.ts';
import { SECONDS, timeOfParts } from './read-rate.ts';

const KGF = rational(980_665n, 100_000n);
const POUND = rational(45_359_237n, 100_000_000n);

const TORQUE: Units = [
  [/^(n·?m|nxm)$/, rational(1n)],
  [/^(m ?n·?m|mnxm)$/, rational(1n, 1000n)],
  [/^(n·?cm|nxcm)$/, rational(1n, 100n)],
  [/^(kg·?cm|kgxcm|kgf·?cm|kgfxcm)$/, div(KGF, rational(100n))],
  [/^(oz·?in|ozxin|oz-in)$/, rational(7_061_552n, 1_000_000_000n)],
];
const MASS: Units = [
  [/^kg$/, rational(1n)],
  [/^g$/, rational(1n, 1000n)],
  [/^lbs?$/, POUND],
  [/^oz$/, div(POUND, rational(16n))],
];
const SHARE: Units = [
  [/^%$/, rational(1n, 100n)],
  [/^ppm$/, rational(1n, 1_000_000n)],
];
const SPEED: Units = [
  [/^(rpm|(turns?|revs?)\s*(\/|per|a)\s*min(ute)?)$/, rational(1n, 60n)],
  [/^(rps|(turns?|revs?)\s*(\/|per|a)\s*s(ec|econd)?)$/, rational(1n)],
  [/^(turns?|revs?)\s*(\/|per|an)\s*h(our)?$/, rational(1n, 3600n)],
];
const TRAVEL: Units = [
  [/^mm\/s$/, rational(1n)],
  [/^mm\/min$/, rational(1n, 60n)],
  [/^cm\/s$/, rational(10n)],
  [/^m\/s$/, rational(1000n)],
  [/^m\/min$/, rational(1000n, 60n)],
];

/** Units that can stand for one another. (handbook: numbers, units) */
const FAMILIES: readonly Units[] = [LENGTH_UNITS, SECONDS, ANGLE_UNITS, TORQUE, MASS, SHARE, SPEED, TRAVEL];

/** What a field of an angle is marked with: its ′ and ″ are no minutes of time, and a d there no day. */
const OF_ANGLE = /^(°|′|″|'|"|deg|degrees?|arcmin|arcsec|turns?|rev)$/;
/** A field of a time. */
const OF_TIME = /^(s|min|h|ms|days?)$/;

const sizeIn = (family: Units, name: string): Rational | null =>
  family.find(([pattern]) => pattern.test(name))?.[1] ?? null;

/** A number and what is written after it; the number may be a fraction. */
const WITH_UNIT =
  /^([+-]?(?:\d+ +\d+\/\d+|\d*[.,]?\d+(?:\/\d+)?|\d{1,3}(?: \d{3})+(?:\.\d+)?))\s*([^\d\s.,][^\d]*)$/;

/**
 * What is typed into a field of a unit, as a number in that unit: `1/16 in` in a field of mm is 1.5875, `76 teeth` in one of teeth 76,
 * `24 DP` and `m1` are modules. Text that has no unit of its own, or none that is known there, is given back as it is. (handbook: numbers)
 */
export function inUnit(text: string, unit: string | undefined, isModule = false): string {
  if (unit === undefined) return text;
  const s = plain(text);
  if (isModule) {
    const [, pitch] = /^(\d+(?:\.\d+)?)\s*d\.?p\.?$/i.exec(s) ?? [];
    const read = pitch === undefined ? null : readNumber(pitch);
    if (read?.ok && read.value.n > 0n) return toText(div(rational(254n, 10n), read.value));
    const [, module] = /^m(?:od(?:ule)?)?\s*(\d*\.?\d+)$/i.exec(s) ?? [];
    if (module !== undefined) return module;
  }
  const parts = partsIn(s, plain(unit).toLowerCase());
  if (parts !== null) return parts;
  const [, figure, given] = WITH_UNIT.exec(s) ?? [];
  const read = figure === undefined ? null : readNumber(figure);
  if (!read?.ok || given === undefined) return text;
  const [wanted, name] = [unit, given].map((u) => plain(u).trim().toLowerCase());
  if (name === wanted || `${name}s` === wanted || name === wanted!.replace(/^a /, '')) return figure!;
  for (const family of FAMILIES) {
    if (family === ANGLE_UNITS && !OF_ANGLE.test(wanted!)) continue;
    if (family === SECONDS && !OF_TIME.test(wanted!)) continue;
    const [from, to] = [sizeIn(family, name!), sizeIn(family, wanted!)];
    if (from && to) return toText(div(mul(read.value, from), to));
  }
  return text;
}

/** An angle or a time of several parts in the unit of its field: 45°30′ in one of degrees, 1h 5m in one of seconds; null where it is none. */
function partsIn(text: string, wanted: string): string | null {
  if (OF_TIME.test(wanted)) {
    const seconds = timeOfParts(text.toLowerCase(), wanted === 's' ? 'min' : 'h');
    const size = sizeIn(SECONDS, wanted);
    return seconds && size ? toText(div(seconds, size)) : null;
  }
  const size = OF_ANGLE.test(wanted) ? sizeIn(ANGLE_UNITS, wanted) : null;
  const several = /[°′'″"a-z].*\d.*[°′'″"a-z]/i.test(text);
  const read = size && several ? readAngle(text) : null;
  return read?.ok && size ? toText(div(read.value, size)) : null;
}

/** Full steps a turn from the angle of one step: `0.9°` is 400; `200 steps` is 200. What is neither is given back as it is. */
export function fromStepAngle(text: string): string {
  const [, steps] = /^(\d+)\s*(?:full )?steps?(?: a turn)?$/i.exec(plain(text)) ?? [];
  if (steps !== undefined) return steps;
  const [, figure] = /^(\d*\.?\d+)\s*(?:°|deg|degrees?)$/i.exec(plain(text)) ?? [];
  const read = figure === undefined ? null : readNumber(figure);
  return read?.ok && read.value.n > 0n ? toText(div(rational(360n), read.value)) : text;
}
