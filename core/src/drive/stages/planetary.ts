import {
  abs,
  div,
  error,
  neg,
  ok,
  rational,
  readCount,
  toNumber,
  type Rational,
  type Result,
} from '../../numbers/index.ts';
import { byModule, type SetMember } from '../shape.ts';
import { knownModule, moduleOf } from './module.ts';
import { choice, count, size, teeth } from './pair.ts';
import { ripple, wholeErrorInput } from './wobble.ts';
import { COUNTED, type Owned, type StageData, type StageKind, type TeethRange } from './stage.ts';

export type Member = 'sun' | 'ring' | 'carrier';

export interface Planetary extends StageData {
  readonly kind: 'planetary';
  readonly sun: number;
  readonly ring: number;
  readonly planets: number;
  readonly fixed: Member;
  readonly in: Member;
  readonly out: Member;
  readonly moduleMm?: number;
}

const ROLES = ['fixed', 'in', 'out'] as const;
const member = (key: string, label: string, first: Member): ReturnType<typeof choice> =>
  choice(
    key,
    label,
    ([first, 'sun', 'ring', 'carrier'] as const)
      .filter((m, i, all) => all.indexOf(m) === i)
      .map((m) => [m, m[0]!.toUpperCase() + m.slice(1)] as const),
  );

/** Willis: S·(ωS − ωC) + R·(ωR − ωC) = 0, so these weights times the three speeds add up to nothing. */
const weight = (s: Planetary, m: Member): Rational =>
  m === 'sun' ? rational(s.sun) : m === 'ring' ? rational(s.ring) : rational(-s.sun - s.ring);

/** Teeth of a planet; a half when ring and sun are not both odd or both even. */
const planetTeeth = (s: Planetary): number => (s.ring - s.sun) / 2;

const sun = teeth('sun', 'Sun', 6, 12);
const ring = teeth('ring', 'Ring', 12, 48);
/** Most planets that a set is asked about. */
const MOST_PLANETS = 24;
const planets = count('planets', 'Planets', 1, MOST_PLANETS, 3);
const module = size('moduleMm', 'Module', 1, 'pitch diameter over teeth, for the drawing');

/** "12:60", sun to ring. */
function readBoth(text: string): Result<{ readonly sun: number; readonly ring: number }> {
  const [inner, outer, more] = text.split(':');
  if (outer === undefined || more !== undefined) return error('notTwo', text.trim(), { example: '12:60' });
  const limits = { min: 4, max: 2000, unit: 'teeth', example: '12:60' };
  const [s, r] = [readCount(inner!, limits), readCount(outer, limits)];
  return !s.ok ? s : !r.ok ? r : ok({ sun: s.value, ring: r.value });
}

/** A set with its ring held. */
const owned: Owned<Planetary> = {
  title: 'Planetary set',
  plural: 'Planetary sets',
  group: 'planetary',
  pasted: /\b(planetary|planet|epicyclic)\b/i,
  inputs: [sun, ring, planets, module],
  teeth: { label: 'Sun : ring', show: (s) => `${s.sun}:${s.ring}`, read: readBoth },
  size: 'moduleMm',
  bore: 'Bore',
  fresh: { sun: 12, ring: 60, planets: 3 },
  rest: () => ({ fixed: 'ring', in: 'sun', out: 'carrier' }),
  label: (s) => `sun ${s.sun}, ring ${s.ring}`,
};

/** Planets of a set that can be had, the usual number first; which member is held, driven and out, of those that reduce. */
const PLANETS = [3, 4, 5, 6];
const HELD = [
  ['ring', 'sun', 'carrier'],
  ['sun', 'ring', 'carrier'],
  ['carrier', 'sun', 'ring'],
] as const;

/** Sets with the fewest planets from three on that go in and clear one another, each member held. */
function* sets({ from, to }: TeethRange): Generator<Planetary> {
  const least = Math.max(from, 12);
  for (let inner = least; inner <= to; inner++)
    for (let outer = inner + 2 * least; outer <= to; outer += 2) {
      const made = PLANETS.map((n): Planetary => ({
        ...{ kind: 'planetary', sun: inner, ring: outer, planets: n },
        ...{ fixed: 'ring', in: 'sun', out: 'carrier' },
      })).find((set) => unbuildable(set) === null);
      if (made) for (const [fixed, input, out] of HELD) yield { ...made, fixed, in: input, out };
    }
}

/** Sun, planets in a carrier, ring: r = −w(out)/w(in) with one member held. (handbook: drive, planetary) */
const reduction = (s: Planetary): Rational => neg(div(weight(s, s.out), weight(s, s.in)));

/** Of one stage, an estimate. (handbook: force) */
const EFFICIENCY = 0.95;

export const planetary: StageKind<Planetary> = {
  kind: 'planetary',
  title: 'Planetary set',
  short: 'planetary',
  message: 'sun, planets and ring on one axis; strong and short',
  suits: {
    brings: 'Short, in line, carries much.',
    asks: 'planets that go in, and teeth counted',
  },
  written: '−w(out)/w(in), w = sun, ring, −(sun + ring)',
  inputs: [
    sun,
    ring,
    planets,
    member('fixed', 'Fixed', 'ring'),
    member('in', 'Input', 'sun'),
    member('out', 'Output', 'carrier'),
    { ...module, more: true },
    wholeErrorInput,
  ],
  refuse: (s) => {
    if (s.ring < s.sun + 2)
      return error('ringTooSmall', String(s.ring), { path: 'ring', limit: String(s.sun) }).refusal;
    if (s.fixed === s.in || s.fixed === s.out) return error('sameMember', s.fixed, { path: 'fixed' }).refusal;
    return s.in === s.out ? error('sameMember', s.in, { path: 'in' }).refusal : null;
  },
  settle: (after, before, key) => {
    const other = ROLES.find((r) => r !== key && after[r] === after[key as 'fixed']);
    return (ROLES as readonly string[]).includes(key) && other
      ? { ...after, [other]: before[key as 'fixed'] }
      : after;
  },
  reduction,
  parts: (s) => [
    { label: `Planetary in`, factor: abs(div(rational(1n), weight(s, s.in))) },
    { label: `Planetary out`, factor: abs(weight(s, s.out)) },
  ],
  origin: () => COUNTED,
  shape: (s) => ({
    form: 'set',
    radiusMm: (s.ring / 2 + 3) * moduleOf(s).mm,
    members: members(s),
    label: `${s.sun} / ${s.ring}`,
  }),
  typical: [
    [18, 54],
    [12, 60],
    [12, 84],
  ].map(([sun, ring]): Planetary => ({
    kind: 'planetary',
    sun: sun!,
    ring: ring!,
    planets: 3,
    fixed: 'ring',
    in: 'sun',
    out: 'carrier',
    moduleMm: 1,
  })),
  search: {
    title: 'Planetary',
    by: 'whole',
    any: sets,
    message: ({ to }) =>
      `planetary sets of ${PLANETS[0]} to ${PLANETS.at(-1)} planets as reducers, ring, sun or carrier held, rings to ${to} teeth`,
  },
  owned,
  label: (s) => `${s.sun} / ${s.ring}`,
  facts: (s) => [
    `${s.fixed} held, ${s.in} in, ${s.out} out; ${Number.isInteger(planetTeeth(s)) ? `planets of ${planetTeeth(s)} teeth` : 'no planet fits'}.`.replace(
      /^./,
      (c) => c.toUpperCase(),
    ),
    ...(unbuildable(s) === null
      ? [`(${s.sun} + ${s.ring})/${s.planets} = ${(s.sun + s.ring) / s.planets}: ${planetsFit(s)}.`]
      : []),
    ...(s.fixed === 'carrier'
      ? [`With the carrier held the planets are idlers and the ${s.out} turns backwards.`]
      : []),
  ],
  warns: (s) => [unbuildable(s)].filter((w) => w !== null),
  play: { by: 'angle', arcmin: 42 },
  wobbles: () => [ripple('planetary', 'errorArcmin', 'in', rational(1))],
  efficiency: () => EFFICIENCY,
  makes: (s) => [
    { label: 'sun', teeth: s.sun, as: 'gear', shiftKey: 'shift' },
    { label: 'planet', teeth: (s.ring - s.sun) / 2, as: 'gear', count: s.planets },
    { label: 'ring', teeth: s.ring, as: 'ring' },
  ],
  meshes: () => [
    { a: 0, b: 1 },
    { a: 1, b: 2, closes: 2 },
  ],
  loads: (s) => {
    const moduleMm = knownModule(s);
    if (moduleMm === null) return [];
    const r = Math.abs(toNumber(reduction(s)));
    // torque of the sun for 1 N·m at the output: in, out, or what is left of both where it is held
    const before = 1 / (r * (s.efficiency ?? EFFICIENCY));
    const torque =
      s.in === 'sun'
        ? before
        : s.out === 'sun'
          ? 1
          : Math.abs(1 - Math.sign(toNumber(reduction(s))) * before);
    const share = (s.planets > 3 ? 1.3 : 1) / s.planets;
    const perNm = (torque * share * 2000) / (moduleMm * s.sun);
    return [
      { label: 'sun', teeth: s.sun, moduleMm, perNm },
      { label: 'planet', teeth: planetTeeth(s), moduleMm, perNm },
    ];
  },
};

const WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];
const planetsFit = (s: Planetary): string =>
  `${WORDS[s.planets] ?? s.planets} ${s.planets === 1 ? 'planet fits' : 'planets fit'}`;

/** Fewest teeth that are drawn and cut as a wheel. */
const LEAST_PLANET = 4;

/** Why it does not go together, the first reason alone; null when it does. (handbook: drive, planetary) */
function unbuildable(s: Planetary): string | null {
  if (!Number.isInteger(planetTeeth(s)))
    return `${s.ring} − ${s.sun} is odd: a planet would need ${planetTeeth(s)} teeth; take one tooth more or less on ring or sun.`;
  if (planetTeeth(s) < LEAST_PLANET)
    return `A planet of ${planetTeeth(s)} ${planetTeeth(s) === 1 ? 'tooth' : 'teeth'} is none: give the ring at least ${s.sun + 2 * LEAST_PLANET} teeth.`;
  if (!fits(s))
    return `(${s.sun} + ${s.ring})/${s.planets} is not whole: ${s.planets} planets at equal angles do not go in${otherPlanets(s)}.`;
  return clear(s) ? null : fouls(s);
}

const fits = (s: Planetary): boolean => (s.sun + s.ring) % s.planets === 0;

/** Tips of neighbouring planets stay apart: (S + P)·sin(π/n) > P + 2. */
const clear = (s: Planetary): boolean =>
  s.planets < 2 || (s.sun + planetTeeth(s)) * Math.sin(Math.PI / s.planets) > planetTeeth(s) + 2;

function fouls(s: Planetary): string {
  const P = planetTeeth(s);
  const room = (s.sun + P) * Math.sin(Math.PI / s.planets);
  return `${s.planets} planets of ${P} teeth foul one another: (${s.sun} + ${P})·sin(180°/${s.planets}) = ${room.toFixed(2)}, and ${P + 2} is needed.`;
}

function otherPlanets(s: Planetary): string {
  const good = Array.from({ length: MOST_PLANETS - 1 }, (_, i) => i + 2).filter(
    (n) => fits({ ...s, planets: n }) && clear({ ...s, planets: n }),
  );
  return good.length > 0 ? `; ${good.join(' or ')} would` : '';
}

function members(s: Planetary): readonly SetMember[] {
  const { mm } = moduleOf(s);
  const out = weight(s, s.out);
  const turn = (m: Member): number => {
    if (m === s.fixed) return 0;
    return m === s.out ? 1 : -Number(out.s * out.n) / Number(weight(s, m).s * weight(s, m).n);
  };
  const carrier = turn('carrier');
  const planet = Math.max(1, Math.round(planetTeeth(s)));
  const reach = ((s.sun + s.ring) / 4) * mm;
  const spin = carrier - (s.sun / planet) * (turn('sun') - carrier);
  return [
    { as: 'ring', wheel: byModule(s.ring, mm), reach: 0, place: 0, orbit: 0, spin: turn('ring') },
    {
      as: 'arms',
      arms: s.planets,
      wheel: { teeth: 0, pitchMm: reach * 2 },
      reach: 0,
      place: 0,
      orbit: 0,
      spin: carrier,
    },
    ...Array.from({ length: s.planets }, (_, i): SetMember => ({
      as: 'wheel',
      wheel: byModule(planet, mm),
      reach,
      place: i / s.planets,
      orbit: carrier,
      spin,
    })),
    { as: 'wheel', wheel: byModule(s.sun, mm), reach: 0, place: 0, orbit: 0, spin: turn('sun') },
  ];
}
