import {
  abs,
  add,
  compare,
  div,
  frac,
  gcd,
  isZero,
  mul,
  ONE,
  rational,
  refused,
  sub,
  toNumber,
  toText,
  type Rational,
} from '../../numbers/index.ts';
import { byModule, type SetMember } from '../shape.ts';
import { choice, count, size, teeth } from './pair.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';

type Mesh = 'inner' | 'outer';

export interface Stepped extends StageData {
  readonly kind: 'stepped';
  /** teeth of the wheel that is held, A */
  readonly fixed: number;
  /** teeth of the output wheel, B */
  readonly out: number;
  /** teeth of the planet's gear on A, pa */
  readonly planetFixed: number;
  /** teeth of the planet's gear on B, pb */
  readonly planetOut: number;
  readonly meshFixed: Mesh;
  readonly meshOut: Mesh;
  readonly planets: number;
  /** teeth of a sun that drives the planets, instead of the carrier */
  readonly sun?: number;
  readonly moduleMm?: number;
}

/** A·pb/(pa·B), minus for meshes of the same kind: 1/r of the carrier is 1 plus this. */
function share(s: Stepped): Rational {
  const q = rational(BigInt(s.fixed) * BigInt(s.planetOut), BigInt(s.planetFixed) * BigInt(s.out));
  return s.meshFixed === s.meshOut ? sub(ONE, q) : add(ONE, q);
}

const carrierReduction = (s: Stepped): Rational => div(ONE, share(s));
const sunFactor = (s: Stepped): Rational => (s.sun === undefined ? ONE : add(ONE, rational(s.fixed, s.sun)));
const reduction = (s: Stepped): Rational => mul(carrierReduction(s), sunFactor(s));

/** σB·B·pa − σA·A·pb, σ +1 for an inner mesh, −1 for an outer. */
const lead = (s: Stepped): bigint =>
  BigInt(s.meshOut === 'inner' ? 1 : -1) * BigInt(s.out) * BigInt(s.planetFixed) -
  BigInt(s.meshFixed === 'inner' ? 1 : -1) * BigInt(s.fixed) * BigInt(s.planetOut);

/**
 * By how many teeth of pb planet i has its second gear turned against its first, i = 0…n−1 one way round: each from 0 up to but
 * not g/pa, g = gcd(pa, pb), for whole teeth of pa come free. (handbook: drive, stepped planets)
 * Example: A 61, B 60, pa = pb, n = 6 gives 0, 5/6, 2/3, 1/2, 1/3, 1/6.
 */
export function planetOffsets(s: Stepped): readonly Rational[] {
  const free = rational(gcd(BigInt(s.planetFixed), BigInt(s.planetOut)), s.planetFixed);
  return Array.from({ length: s.planets }, (_, i) => {
    const offset = rational(lead(s) * BigInt(i), BigInt(s.planets) * BigInt(s.planetFixed));
    return mul(frac(div(offset, free)), free);
  });
}

const meshes = [
  ['inner', 'Inner (ring)'],
  ['outer', 'Outer'],
] as const;

/** Two-gear planets between a held wheel and the output: great reductions from nearly equal counts. (handbook: drive) */
export const stepped: StageKind<Stepped> = {
  kind: 'stepped',
  title: 'Stepped planets',
  short: 'stepped',
  says: 'a differential: counts that differ by one give great reductions',
  inputs: [
    teeth('fixed', 'Held, A', 6, 40),
    teeth('out', 'Output, B', 6, 39),
    teeth('planetFixed', 'Planet, a', 4, 16),
    teeth('planetOut', 'Planet, b', 4, 15),
    choice('meshFixed', 'Mesh of A', meshes),
    choice('meshOut', 'Mesh of B', meshes),
    count('planets', 'Planets', 1, 24, 3),
    { ...teeth('sun', 'Input sun', 6, null), optional: true, more: true },
    { ...size('moduleMm', 'Module', 1, 'pitch diameter over teeth, for the drawing'), more: true },
  ],
  refuse: (s) => {
    if (isZero(share(s))) return refused('standsStill', '', { path: 'out' }).refusal;
    return s.sun !== undefined && s.meshFixed !== 'inner'
      ? refused('sunOutside', '', { path: 'sun' }).refusal
      : null;
  },
  reduction,
  parts: (s) => [
    { label: 'Differential', factor: abs(carrierReduction(s)) },
    ...(s.sun === undefined ? [] : [{ label: 'Input sun', factor: sunFactor(s) }]),
  ],
  origin: () => COUNTED,
  shape: (s) => ({ form: 'set', radiusMm: radius(s), members: members(s), label: `${s.fixed} / ${s.out}` }),
  label: (s) => `${s.fixed} / ${s.out}`,
  facts: (s) => {
    const offsets = planetOffsets(s);
    const alike = offsets.every(isZero);
    return [
      `${s.sun === undefined ? 'Carrier' : `Sun of ${s.sun}`} in, the ${s.fixed} held, the ${s.out} out${reduction(s).s < 0n ? ', backwards' : ''}.`,
      alike
        ? `All ${s.planets} planets are alike.`
        : `The planets differ: one way round, the second gear of each is turned against its first, the other way round, by ${offsets.map(toText).join(', ')} of its teeth.`,
    ];
  },
  warns: (s) => {
    const [a, b] = [reach(s.fixed, s.planetFixed, s.meshFixed), reach(s.out, s.planetOut, s.meshOut)];
    if (a <= 0 || b <= 0)
      return ['A planet does not go inside its ring: give the ring more teeth than the planet.'];
    if (compare(rational(a), rational(b)) === 0) return [];
    return [
      `Both meshes sit on one axis only if their modules stand as ${b} : ${a} (held to output); with one module the centres are ${Math.abs(a - b) / 2} modules apart${Math.abs(a - b) <= 2 ? ', which profile shift can close' : ''}.`,
    ];
  },
  play: { by: 'angle', arcmin: 42 },
};

/** Twice the centre distance in teeth. */
const reach = (wheel: number, planet: number, mesh: Mesh): number =>
  mesh === 'inner' ? wheel - planet : wheel + planet;
const radius = (s: Stepped): number =>
  (Math.max(s.fixed + 6, s.out + 6, reach(s.fixed, s.planetFixed, s.meshFixed) + s.planetFixed) / 2) *
  (s.moduleMm ?? 1);

function members(s: Stepped): readonly SetMember[] {
  const module = s.moduleMm ?? 1;
  const carrier = toNumber(carrierReduction(s));
  const centre = (Math.max(4, reach(s.fixed, s.planetFixed, s.meshFixed)) / 2) * module;
  const sense = s.meshFixed === 'inner' ? -1 : 1;
  const spin = carrier * (1 + (sense * s.fixed) / s.planetFixed);
  const wheel = (teeth: number, mesh: Mesh, turn: number): SetMember => ({
    as: mesh === 'inner' ? 'ring' : 'wheel',
    wheel: byModule(teeth, module),
    reach: 0,
    place: 0,
    orbit: 0,
    spin: turn,
  });
  const planet = (teeth: number, i: number): SetMember => ({
    as: 'wheel',
    wheel: byModule(teeth, module),
    reach: centre,
    place: i / s.planets,
    orbit: carrier,
    spin,
  });
  const places = Array.from({ length: s.planets }, (_, i) => i);
  return [
    wheel(s.fixed, s.meshFixed, 0),
    wheel(s.out, s.meshOut, 1),
    {
      as: 'arms',
      arms: s.planets,
      wheel: { teeth: 0, pitchMm: centre * 2 },
      reach: 0,
      place: 0,
      orbit: 0,
      spin: carrier,
    },
    ...places.map((i) => planet(s.planetFixed, i)),
    ...(s.planetFixed === s.planetOut ? [] : places.map((i) => planet(s.planetOut, i))),
    ...(s.sun === undefined ? [] : [wheel(s.sun, 'outer', carrier * toNumber(sunFactor(s)))]),
  ];
}
