import { rational, neg } from '../../numbers/index.ts';
import { lobes, pinInput, size } from './pair.ts';
import { runouts } from './wobble.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';

export interface CycloidPinion extends StageData {
  readonly kind: 'cycloidPinion';
  readonly lobes: number;
  readonly moduleMm?: number;
  readonly pinMm?: number;
  readonly eccentricMm?: number;
}

/** A pinion of a single lobe on a lobed wheel, on parallel shafts: r = −L, like a worm's. (handbook: drive) */
export const cycloidPinion: StageKind<CycloidPinion> = {
  kind: 'cycloidPinion',
  title: 'Cycloid pinion',
  short: 'cycloid pinion',
  message: 'one lobe drives a lobed wheel: a worm’s ratio on parallel shafts',
  written: '−lobes',
  inputs: [
    lobes('lobes', 'Lobes', 30),
    size('moduleMm', 'Module', 2, 'pitch diameter of the wheel over its lobes, for the drawing'),
    { ...pinInput('Pinion'), more: true },
    { ...pinInput('Eccentric', 'eccentricMm'), more: true },
  ],
  reduction: (s) => neg(rational(s.lobes)),
  parts: (s) => [{ label: 'Lobed wheel', factor: rational(s.lobes) }],
  origin: () => COUNTED,
  shape: (s) => {
    const module = s.moduleMm ?? 2;
    return {
      form: 'mesh',
      driver: { teeth: 1, pitchMm: module * 4 },
      driven: { teeth: s.lobes, pitchMm: module * s.lobes },
      inner: false,
    };
  },
  label: (s) => `1 : ${s.lobes}`,
  facts: (s) => [
    `One turn of the pinion moves the wheel by one lobe of ${s.lobes}; it is a twisted stack, for a single disc would let go.`,
  ],
  play: { by: 'mesh', drivenMm: (s) => (s.moduleMm === undefined ? null : s.moduleMm * s.lobes) },
  forms: (s) => [
    {
      as: 'lobes',
      label: 'lobed wheel',
      lobes: s.lobes,
      circleMm: (s.moduleMm ?? 2) * (s.lobes + 1),
      pinMm: s.pinMm ?? null,
      eccentricMm: s.eccentricMm ?? null,
      pins: null,
      pinKey: 'pinMm',
    },
  ],
  wobbles: (s) => runouts('pinion', 'wheel', s.moduleMm === undefined ? null : s.moduleMm * s.lobes),
};
