import { byModule } from '../shape.ts';
import { knownPitch, moduleOf } from './module.ts';
import { huntingFacts, pairParts, pairReduction, size, teeth, type Pair, pairLoads } from './pair.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';
import { runouts, toothToTooth } from './wobble.ts';

export interface Spur extends StageData, Pair {
  readonly kind: 'spur';
  readonly moduleMm?: number;
}

const drivenMm = (s: Spur): number | null => knownPitch(s, s.z2);

/** Spur or helical pair, z1 drives z2: r = −z2/z1. (handbook: drive) */
export const spur: StageKind<Spur> = {
  kind: 'spur',
  title: 'Spur pair',
  short: 'spur pair',
  message: 'two wheels side by side; turns the other way',
  suits: {
    brings: 'Carries much, and is easily made; its play is taken out from one side.',
    asks: 'centres bored to a tenth or better',
  },
  written: '−z2/z1',
  inputs: [
    teeth('z1', 'Driver', 4, 20),
    teeth('z2', 'Driven', 4, 60),
    size('moduleMm', 'Module', 1, 'pitch diameter over teeth, for the drawing'),
  ],
  reduction: (s) => pairReduction(s, true),
  parts: (s) => pairParts('Spur', s),
  origin: () => COUNTED,
  shape: (s) => {
    const module = moduleOf(s).mm;
    return { form: 'mesh', driver: byModule(s.z1, module), driven: byModule(s.z2, module), inner: false };
  },
  toothed: (s) => ({ driven: [s.z2], drivers: [s.z1] }),
  typical: [
    [20, 40],
    [20, 60],
    [16, 64],
    [12, 60],
    [12, 72],
    [12, 96],
  ].map(([z1, z2]): Spur => ({ kind: 'spur', z1: z1!, z2: z2!, moduleMm: 1 })),
  search: { title: 'Spur pairs', by: 'wheels', wheels: 'wheels', size: 'module', sizeKey: 'moduleMm' },
  label: (s) => `${s.z1} : ${s.z2}`,
  facts: huntingFacts,
  play: { by: 'mesh', drivenMm: (s) => drivenMm(s) },
  wobbles: (s) => [...runouts('driver', 'wheel', drivenMm(s)), toothToTooth(s.z1, drivenMm(s))],
  efficiency: () => 0.97,
  makes: (s) => [
    { label: 'driver', teeth: s.z1, as: 'gear', shiftKey: 'shift' },
    { label: 'driven', teeth: s.z2, as: 'gear', shiftKey: 'shiftDriven' },
  ],
  meshes: () => [{ a: 0, b: 1 }],
  loads: pairLoads,
};
