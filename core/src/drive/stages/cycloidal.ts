import { abs, rational, error, type Rational } from '../../numbers/index.ts';
import type { SetMember } from '../shape.ts';
import { choice, lobes, pinInput, size } from './pair.ts';
import { angleInput, ripple, wholeErrorInput } from './wobble.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';

export interface Cycloidal extends StageData {
  readonly kind: 'cycloidal';
  readonly lobes: number;
  readonly pins: number;
  readonly held?: 'pins' | 'disc';
  /** distance along the pin circle, for the drawing */
  readonly pitchMm?: number;
  readonly pinMm?: number;
  readonly eccentricMm?: number;
}

const discHeld = (s: Cycloidal): boolean => s.held === 'disc';

/** An eccentric disc of L lobes in P pins: r = L/(L − P), −L when P is L + 1; with the disc held, P/(P − L). (handbook: drive) */
const reduction = (s: Cycloidal): Rational =>
  discHeld(s) ? rational(s.pins, s.pins - s.lobes) : rational(s.lobes, s.lobes - s.pins);

export const cycloidal: StageKind<Cycloidal> = {
  kind: 'cycloidal',
  title: 'Cycloidal drive',
  short: 'cycloidal',
  message: 'a lobed disc rolling in pins; compact, little play',
  suits: {
    brings: 'Much in one stage, nearly without play; it ripples at every pin.',
    asks: 'an eccentric, and pins set true',
  },
  written: 'lobes/(lobes − pins); disc held pins/(pins − lobes)',
  inputs: [
    lobes('lobes', 'Lobes', 19),
    lobes('pins', 'Pins', 20),
    choice(
      'held',
      'Fixed',
      [
        ['pins', 'Pins'],
        ['disc', 'Disc'],
      ],
      { optional: true },
    ),
    { ...size('pitchMm', 'Pin pitch', 5, 'from pin to pin around the circle, for the drawing'), more: true },
    { ...pinInput('Pin'), more: true },
    { ...pinInput('Eccentric', 'eccentricMm'), more: true },
    wholeErrorInput,
    angleInput('pinErrorArcmin', 'Pin by pin', '± at its own output, at each pin'),
    angleInput('turnErrorArcmin', 'Once round', '± at its own output, once in its turn'),
  ],
  refuse: (s) => (s.lobes === s.pins ? error('asManyPins', String(s.lobes), { path: 'pins' }).refusal : null),
  reduction,
  parts: (s) => [{ label: 'Cycloidal', factor: abs(reduction(s)) }],
  origin: () => COUNTED,
  shape: (s) => {
    const pinsMm = ((s.pitchMm ?? 5) * s.pins) / Math.PI;
    return {
      form: 'set',
      radiusMm: pinsMm / 2 + 3,
      members: members(s, pinsMm),
      label: `${s.lobes} / ${s.pins}`,
    };
  },
  typical: [10, 20, 40].map((lobes): Cycloidal => ({ kind: 'cycloidal', lobes, pins: lobes + 1 })),
  label: (s) => `${s.lobes} / ${s.pins}`,
  facts: (s) => [
    discHeld(s)
      ? `The disc is held and only wobbles; the ${s.pins} pins turn with the crank.`
      : `One turn of the crank lets the disc back by ${Math.abs(s.pins - s.lobes) === 1 ? 'one lobe' : `${Math.abs(s.pins - s.lobes)} lobes`} of ${s.lobes}.`,
    'It has a ripple of its own at every pin; a second disc half a turn round balances it.',
  ],
  warns: (s) =>
    s.pins === s.lobes + 1
      ? []
      : [`A plain disc has one lobe fewer than there are pins: ${s.pins - 1} lobes for ${s.pins} pins.`],
  play: { by: 'angle', arcmin: 6 },
  wobbles: (s) => [
    ripple('eccentric', 'errorArcmin', 'in', rational(1)),
    ripple('pin by pin', 'pinErrorArcmin', 'in', rational(s.pins)),
    ripple('disc, once round', 'turnErrorArcmin', 'out', rational(1)),
  ],
  efficiency: () => 0.85,
  forms: (s) => [
    {
      as: 'lobes',
      label: 'disc',
      lobes: s.lobes,
      circleMm: ((s.pitchMm ?? 5) * s.pins) / Math.PI,
      pinMm: s.pinMm ?? null,
      eccentricMm: s.eccentricMm ?? null,
      pins: s.pins,
      pinKey: 'pinMm',
    },
  ],
};

function members(s: Cycloidal, pinsMm: number): readonly SetMember[] {
  const r = Number(reduction(s).s * reduction(s).n) / Number(reduction(s).d);
  const eccentric = pinsMm / 2 / s.pins / 1.6;
  return [
    {
      as: 'pins',
      wheel: { teeth: s.pins, pitchMm: pinsMm },
      reach: 0,
      place: 0,
      orbit: 0,
      spin: discHeld(s) ? 1 : 0,
    },
    {
      as: 'lobes',
      wheel: { teeth: s.lobes, pitchMm: pinsMm - 4 * eccentric },
      reach: eccentric,
      place: 0,
      orbit: r,
      spin: discHeld(s) ? 0 : 1,
    },
    { as: 'wheel', wheel: { teeth: 0, pitchMm: pinsMm * 0.16 }, reach: 0, place: 0, orbit: 0, spin: r },
  ];
}
