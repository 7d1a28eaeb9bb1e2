import { byPitch } from '../shape.ts';
import { pairParts, pairReduction, size, teeth, type Pair } from './pair.ts';
import { rational } from '../../numbers/index.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';
import { runouts, toothToTooth } from './wobble.ts';

export interface Belt extends StageData, Pair {
  readonly kind: 'belt';
  readonly pitchMm?: number;
  /** teeth of the belt itself */
  readonly beltTeeth?: number;
  /** of the belt once round, ± */
  readonly beltErrorMm?: number;
}

const drivenMm = (s: Belt): number | null => (s.pitchMm === undefined ? null : (s.pitchMm * s.z2) / Math.PI);

/** Timing belt or chain, z1 drives z2: r = +z2/z1. (handbook: drive) */
export const belt: StageKind<Belt> = {
  kind: 'belt',
  title: 'Timing belt',
  short: 'belt',
  message: 'two pulleys or sprockets; no play, same way round',
  suits: {
    brings: 'No play, and quiet; it stretches a little.',
    asks: 'a belt kept short and taut',
  },
  written: '+z2/z1',
  inputs: [
    teeth('z1', 'Driver', 6, 20),
    teeth('z2', 'Driven', 6, 60),
    size('pitchMm', 'Pitch', 2, 'from tooth to tooth along the belt, for the drawing'),
    {
      type: 'count',
      key: 'beltTeeth',
      label: 'Belt',
      unit: 'teeth',
      min: 10,
      max: 100_000,
      default: null,
      optional: true,
      more: true,
      hint: 'of the belt itself: how often it comes round',
    },
    {
      type: 'size',
      key: 'beltErrorMm',
      label: 'Belt error',
      unit: 'mm',
      min: 0,
      max: 10,
      default: null,
      optional: true,
      judged: true,
      hint: '± of the belt once round',
    },
  ],
  reduction: (s) => pairReduction(s, false),
  parts: (s) => pairParts('Belt', s),
  origin: () => COUNTED,
  shape: (s) => {
    const pitch = s.pitchMm ?? 2;
    return { form: 'belt', driver: byPitch(s.z1, pitch), driven: byPitch(s.z2, pitch) };
  },
  toothed: (s) => ({ driven: [s.z2], drivers: [s.z1] }),
  typical: [
    [20, 36],
    [20, 40],
    [20, 60],
    [16, 72],
    [20, 72],
    [16, 80],
  ].map(([z1, z2]): Belt => ({ kind: 'belt', z1: z1!, z2: z2!, pitchMm: 2 })),
  search: {
    title: 'Belts',
    by: 'wheels',
    wheels: 'belt wheels',
    size: 'pitch',
    unit: 'mm',
    sizeKey: 'pitchMm',
  },
  label: (s) => `${s.z1} : ${s.z2}`,
  // pulleys never meet: which teeth of the belt they take wears nothing
  facts: () => [],
  play: { by: 'angle', arcmin: 0, drivenMm },
  wobbles: (s) => [
    ...runouts('driver pulley', 'driven pulley', drivenMm(s)),
    {
      cause: 'belt, once round',
      key: 'beltErrorMm',
      unit: 'mm',
      shaft: 'in',
      waves: s.beltTeeth === undefined ? null : rational(s.z1, s.beltTeeth),
      perUnit: drivenMm(s) === null ? null : 2 / drivenMm(s)!,
      estimate: false,
    },
    ...(s.toothErrorMm === undefined ? [] : [toothToTooth(s.z1, drivenMm(s))]),
  ],
  efficiency: () => 0.96,
  makes: (s) => [
    { label: 'driver pulley', teeth: s.z1, as: 'pulley' },
    { label: 'driven pulley', teeth: s.z2, as: 'pulley' },
  ],
};
