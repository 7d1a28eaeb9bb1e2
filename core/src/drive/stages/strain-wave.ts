import { abs, rational, error, type Rational } from '../../numbers/index.ts';
import type { SetMember } from '../shape.ts';
import { choice, size, teeth } from './pair.ts';
import { ripple, wholeErrorInput } from './wobble.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';

export interface StrainWave extends StageData {
  readonly kind: 'strainWave';
  readonly flex: number;
  readonly rigid: number;
  readonly held?: 'rigid' | 'flex';
  readonly moduleMm?: number;
}

const flexHeld = (s: StrainWave): boolean => s.held === 'flex';

/** Wave in: rigid ring C held, −F/(C − F); flexible ring F held, +C/(C − F). (handbook: drive) */
const reduction = (s: StrainWave): Rational =>
  flexHeld(s) ? rational(s.rigid, s.rigid - s.flex) : rational(-s.flex, s.rigid - s.flex);

export const strainWave: StageKind<StrainWave> = {
  kind: 'strainWave',
  title: 'Strain wave',
  short: 'strain wave',
  message: 'a flexible ring pushed round by a wave; great ratio, hardly any play',
  suits: {
    brings: 'Much in one stage, without play; it ripples twice a turn of the wave.',
    asks: 'a bought set: nobody makes one at home',
  },
  written: '−flex/(rigid − flex); flexible held rigid/(rigid − flex)',
  inputs: [
    teeth('flex', 'Flexible', 20, 200),
    teeth('rigid', 'Rigid', 20, 202),
    choice(
      'held',
      'Fixed',
      [
        ['rigid', 'Rigid'],
        ['flex', 'Flexible'],
      ],
      { optional: true },
    ),
    { ...size('moduleMm', 'Module', 0.3, 'pitch diameter over teeth, for the drawing'), more: true },
    wholeErrorInput,
  ],
  refuse: (s) =>
    s.rigid <= s.flex
      ? error('rigidTooSmall', String(s.rigid), { path: 'rigid', limit: String(s.flex) }).refusal
      : null,
  reduction,
  parts: (s) => [{ label: 'Strain wave', factor: abs(reduction(s)) }],
  origin: () => COUNTED,
  shape: (s) => {
    const module = s.moduleMm ?? 0.3;
    return {
      form: 'set',
      radiusMm: (s.rigid / 2) * module + 4,
      members: members(s, module),
      label: `${s.flex} / ${s.rigid}`,
    };
  },
  typical: [60, 100, 160].map((flex): StrainWave => ({ kind: 'strainWave', flex, rigid: flex + 2 })),
  label: (s) => `${s.flex} / ${s.rigid}`,
  facts: (s) => [
    `One turn of the wave moves the ${flexHeld(s) ? 'rigid ring on' : 'flexible ring back'} by ${s.rigid - s.flex} teeth.`,
    'It ripples twice in each turn of the wave.',
  ],
  warns: (s) =>
    (s.rigid - s.flex) % 2 === 0
      ? []
      : [`A wave with two crests needs an even difference of teeth, not ${s.rigid - s.flex}.`],
  play: { by: 'angle', arcmin: 1 },
  wobbles: () => [ripple('strain wave', 'errorArcmin', 'in', rational(2))],
  efficiency: () => 0.75,
};

function members(s: StrainWave, module: number): readonly SetMember[] {
  const r = Number(reduction(s).s * reduction(s).n) / Number(reduction(s).d);
  const at = (as: SetMember['as'], teeth: number, mm: number, spin: number): SetMember => ({
    as,
    wheel: { teeth, pitchMm: mm },
    reach: 0,
    place: 0,
    orbit: 0,
    spin,
  });
  return [
    at('ring', s.rigid, s.rigid * module, flexHeld(s) ? 1 : 0),
    at('wave', s.flex, s.flex * module * 0.97, r),
    at('wheel', 0, s.flex * module * 0.3, r),
  ];
}
