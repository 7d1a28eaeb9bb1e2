import {
  abs,
  add,
  div,
  frac,
  gcd,
  isZero,
  mul,
  ONE,
  rational,
  error,
  sub,
  toNumber,
  toText,
  type Rational,
} from '../../numbers/index.ts';
import { byModule, type SetMember } from '../shape.ts';
import { moduleOf } from './module.ts';
import { choice, count, size, teeth, tooClose } from './pair.ts';
import { ripple, wholeErrorInput } from './wobble.ts';
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
  /** of the meshes with the held wheel and with a sun */
  readonly moduleMm?: number;
  /** of the mesh with the output; the same unless given */
  readonly moduleOutMm?: number;
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
  title: 'Compound planetary (stepped planets)',
  short: 'stepped',
  message: 'a differential: counts that differ by one give great reductions',
  written: 'handbook: drive',
  inputs: [
    teeth('fixed', 'Fixed, A', 6, 40),
    teeth('out', 'Output, B', 6, 39),
    teeth('planetFixed', 'Planet, a', 4, 16),
    teeth('planetOut', 'Planet, b', 4, 15),
    choice('meshFixed', 'Mesh of A', meshes),
    choice('meshOut', 'Mesh of B', meshes),
    count('planets', 'Planets', 1, 24, 3),
    { ...teeth('sun', 'Input sun', 6, null), optional: true, more: true },
    { ...size('moduleMm', 'Module of A', 1, 'pitch diameter over teeth, for the drawing'), more: true },
    {
      ...size('moduleOutMm', 'Module of B', 1, 'where the two meshes differ; else that of A'),
      default: null,
      more: true,
    },
    wholeErrorInput,
  ],
  refuse: (s) => {
    if (isZero(share(s))) return error('standsStill', '', { path: 'out' }).refusal;
    return s.sun !== undefined && s.meshFixed !== 'inner'
      ? error('sunOutside', '', { path: 'sun' }).refusal
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
    const way = `${s.sun === undefined ? 'Carrier' : `Sun of ${s.sun}`} in, the ${s.fixed} held, the ${s.out} out${reduction(s).s < 0n ? ', backwards' : ''}.`;
    if (unbuildable(s) !== null) return [way];
    return [
      way,
      alike
        ? `All ${s.planets} planets are alike.`
        : `The planets differ: one way round, the second gear of each is turned against its first, the other way round, by ${offsets.map(toText).join(', ')} of its teeth.`,
    ];
  },
  warns: (s) => {
    const hard = unbuildable(s);
    return hard === null ? offAxis(s).slice(0, 1) : [hard];
  },
  play: { by: 'angle', arcmin: 42 },
  wobbles: () => [ripple('stepped planets', 'errorArcmin', 'in', rational(1))],
  efficiency: () => 0.6,
  makes: (s) => [
    ...(s.sun === undefined ? [] : [{ label: 'sun', teeth: s.sun, as: 'gear' as const }]),
    { label: 'fixed, A', teeth: s.fixed, as: s.meshFixed === 'inner' ? 'ring' : 'gear' },
    { label: 'planet, a', teeth: s.planetFixed, as: 'gear', count: s.planets },
    { label: 'planet, b', teeth: s.planetOut, as: 'gear', count: s.planets, moduleKey: 'moduleOutMm' },
    {
      label: 'output, B',
      teeth: s.out,
      as: s.meshOut === 'inner' ? 'ring' : 'gear',
      moduleKey: 'moduleOutMm',
    },
  ],
  meshes: (s) =>
    s.sun === undefined
      ? [
          { a: 0, b: 1 },
          { a: 2, b: 3, closes: 3 },
        ]
      : [
          { a: 0, b: 2 },
          { a: 1, b: 2, closes: 1 },
          { a: 3, b: 4, closes: 4 },
        ],
};

/** Twice the centre distance in teeth. */
const reach = (wheel: number, planet: number, mesh: Mesh): number =>
  mesh === 'inner' ? wheel - planet : wheel + planet;
const moduleA = (s: Stepped): number => moduleOf(s).mm;
const moduleB = (s: Stepped): number => moduleOf(s, { key: 'moduleOutMm' }).mm;
const reachA = (s: Stepped): number => reach(s.fixed, s.planetFixed, s.meshFixed);
const reachB = (s: Stepped): number => reach(s.out, s.planetOut, s.meshOut);
const radius = (s: Stepped): number =>
  Math.max(
    ((s.fixed + 6) * moduleA(s)) / 2,
    ((s.out + 6) * moduleB(s)) / 2,
    ((reachA(s) + s.planetFixed) * moduleA(s)) / 2,
  );

/** Why no planets go in, whatever is shifted: the first reason alone; null when they do. (handbook: drive, stepped planets) */
function unbuildable(s: Stepped): string | null {
  if (reachA(s) <= 0 || reachB(s) <= 0)
    return 'A planet does not go inside its ring: give the ring more teeth than the planet.';
  const circle = moduleA(s) * reachA(s);
  const room = circle * Math.sin(Math.PI / s.planets);
  const outside = Math.max(moduleA(s) * (s.planetFixed + 2), moduleB(s) * (s.planetOut + 2));
  if (s.planets > 1 && room <= outside)
    return `${s.planets} planets foul one another: on a circle of ${shown(circle / 2)} mm radius ${circle === 1 ? '' : `${shown(circle)}·`}sin(180°/${s.planets}) = ${room.toFixed(2)} mm lie between them, and ${shown(outside)} mm is needed.`;
  if (s.sun === undefined) return null;
  if (s.sun + s.planetFixed !== reachA(s))
    return `The sun does not reach the planets: ${s.sun} + ${s.planetFixed} must be ${s.fixed} − ${s.planetFixed}, so a sun of ${reachA(s) - s.planetFixed} teeth.`;
  return (s.sun + s.fixed) % s.planets === 0
    ? null
    : `(${s.sun} + ${s.fixed})/${s.planets} is not whole: ${s.planets} planets at equal angles do not go in.`;
}

const shown = (mm: number): string => String(Number(mm.toPrecision(6)));

/** What profile shift may still mend: centres apart, a ring too near its wheel. */
function offAxis(s: Stepped): readonly string[] {
  const [a, b] = [reachA(s), reachB(s)];
  const apart = Math.abs(moduleA(s) * a - moduleB(s) * b) / 2;
  const close = [
    ...(s.meshFixed === 'inner' ? tooClose(s.fixed, s.planetFixed) : []),
    ...(s.meshOut === 'inner' ? tooClose(s.out, s.planetOut) : []),
  ];
  if (apart < 1e-9) return close;
  const given = s.moduleOutMm === undefined ? 'with one module' : 'with these';
  return [
    `Both meshes sit on one axis only if their modules stand as ${b} : ${a} (held to output); ${given} the centres are ${shown(apart)} mm apart${apart <= moduleA(s) ? ', which profile shift can close' : ''}.`,
    ...close,
  ];
}

function members(s: Stepped): readonly SetMember[] {
  const carrier = toNumber(carrierReduction(s));
  const centre = (Math.max(4, reachA(s)) / 2) * moduleA(s);
  const sense = s.meshFixed === 'inner' ? -1 : 1;
  const spin = carrier * (1 + (sense * s.fixed) / s.planetFixed);
  const wheel = (teeth: number, module: number, mesh: Mesh, turn: number): SetMember => ({
    as: mesh === 'inner' ? 'ring' : 'wheel',
    wheel: byModule(teeth, module),
    reach: 0,
    place: 0,
    orbit: 0,
    spin: turn,
  });
  const planet = (teeth: number, module: number, i: number): SetMember => ({
    as: 'wheel',
    wheel: byModule(teeth, module),
    reach: centre,
    place: i / s.planets,
    orbit: carrier,
    spin,
  });
  const places = Array.from({ length: s.planets }, (_, i) => i);
  return [
    wheel(s.fixed, moduleA(s), s.meshFixed, 0),
    wheel(s.out, moduleB(s), s.meshOut, 1),
    {
      as: 'arms',
      arms: s.planets,
      wheel: { teeth: 0, pitchMm: centre * 2 },
      reach: 0,
      place: 0,
      orbit: 0,
      spin: carrier,
    },
    ...places.map((i) => planet(s.planetFixed, moduleA(s), i)),
    ...(s.planetFixed === s.planetOut ? [] : places.map((i) => planet(s.planetOut, moduleB(s), i))),
    ...(s.sun === undefined ? [] : [wheel(s.sun, moduleA(s), 'outer', carrier * toNumber(sunFactor(s)))]),
  ];
}
