import { error } from '../../numbers/index.ts';
import { byModule } from '../shape.ts';
import { knownPitch, moduleOf } from './module.ts';
import {
  huntingFacts,
  tooClose,
  pairParts,
  pairReduction,
  size,
  teeth,
  type Pair,
  pairLoads,
} from './pair.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';
import { runouts, toothToTooth } from './wobble.ts';

export interface Internal extends StageData, Pair {
  readonly kind: 'internal';
  readonly moduleMm?: number;
}

const drivenMm = (s: Internal): number | null => knownPitch(s, s.z2);

/** A wheel inside a ring, either driving: r = +z2/z1. The larger count is the ring. (handbook: drive) */
export const internal: StageKind<Internal> = {
  kind: 'internal',
  title: 'Internal pair',
  short: 'ring pair',
  message: 'a wheel inside a ring; turns the same way',
  suits: {
    brings: 'A large reduction in little room, both turning the same way.',
    asks: 'a ring held true',
  },
  written: '+z2/z1',
  inputs: [
    teeth('z1', 'Driver', 4, 16),
    teeth('z2', 'Driven', 4, 80),
    size('moduleMm', 'Module', 1, 'pitch diameter over teeth, for the drawing'),
  ],
  refuse: (s) =>
    s.z1 === s.z2 ? error('sameTeeth', String(s.z1), { path: 'z2', limit: String(s.z2) }).refusal : null,
  reduction: (s) => pairReduction(s, false),
  parts: (s) => pairParts('Inner', s),
  origin: () => COUNTED,
  shape: (s) => {
    const module = moduleOf(s).mm;
    return { form: 'mesh', driver: byModule(s.z1, module), driven: byModule(s.z2, module), inner: true };
  },
  toothed: (s) => ({ driven: [s.z2], drivers: [s.z1] }),
  typical: [
    [20, 60],
    [15, 90],
    [15, 120],
    [12, 120],
  ].map(([z1, z2]): Internal => ({ kind: 'internal', z1: z1!, z2: z2!, moduleMm: 1 })),
  label: (s) => `${s.z1} : ${s.z2}`,
  facts: (s) => [
    `The ${Math.max(s.z1, s.z2)} is the ring; the wheel turns inside it, ${Math.abs(s.z2 - s.z1)} teeth fewer.`,
    ...huntingFacts(s),
  ],
  warns: ({ z1, z2 }) => tooClose(Math.max(z1, z2), Math.min(z1, z2)),
  play: { by: 'mesh', drivenMm: (s) => drivenMm(s) },
  wobbles: (s) => [...runouts('pinion', 'ring', drivenMm(s)), toothToTooth(s.z1, drivenMm(s))],
  efficiency: () => 0.97,
  makes: (s) => [
    {
      label: s.z1 > s.z2 ? 'ring' : 'driver',
      teeth: s.z1,
      as: s.z1 > s.z2 ? 'ring' : 'gear',
      shiftKey: 'shift',
    },
    {
      label: s.z2 > s.z1 ? 'ring' : 'driven',
      teeth: s.z2,
      as: s.z2 > s.z1 ? 'ring' : 'gear',
      shiftKey: 'shiftDriven',
    },
  ],
  meshes: () => [{ a: 0, b: 1 }],
  loads: pairLoads,
};
