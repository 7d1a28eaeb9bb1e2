import { readCount, error, ok, type Result } from '../../numbers/index.ts';
import { kindOf, type Stage } from '../../drive/index.ts';
import {
  boreInput,
  cellOf,
  sizeInput,
  toothInput,
  type PartCell,
  type PartData,
  type PartKind,
} from '../part.ts';

export interface PlanetaryPart extends PartData {
  readonly kind: 'planetary';
  readonly sun: number;
  readonly ring: number;
  readonly planets: number;
  readonly moduleMm?: number;
  readonly boreMm?: number;
}

const module = sizeInput('moduleMm', 'Module');
const bore = boreInput();

/** "12:60", sun to ring. */
const both: PartCell<PlanetaryPart> = {
  label: 'Sun : ring',
  show: (p) => `${p.sun}:${p.ring}`,
  read: (text): Result<{ readonly sun: number; readonly ring: number }> => {
    const [sun, ring, more] = text.split(':');
    if (ring === undefined || more !== undefined) return error('notTwo', text.trim(), { example: '12:60' });
    const limits = { min: 4, max: 2000, unit: 'teeth', example: '12:60' };
    const [s, r] = [readCount(sun!, limits), readCount(ring, limits)];
    return !s.ok ? s : !r.ok ? r : ok({ sun: s.value, ring: r.value });
  },
};

const stage = (p: PlanetaryPart): Stage => ({
  kind: 'planetary',
  sun: p.sun,
  ring: p.ring,
  planets: p.planets,
  fixed: 'ring',
  in: 'sun',
  out: 'carrier',
  ...(p.moduleMm !== undefined && { moduleMm: p.moduleMm }),
});

/** A planetary set with its ring held. (handbook: drive) */
export const planetaryPart: PartKind<PlanetaryPart> = {
  kind: 'planetary',
  title: 'Planetary set',
  group: 'planetary',
  inputs: [
    toothInput('sun', 'Sun', 4),
    toothInput('ring', 'Ring', 8),
    { type: 'count', key: 'planets', label: 'Planets', min: 1, max: 12, default: 3 },
    module,
    bore,
  ],
  cells: { teeth: both, size: cellOf(module), bore: cellOf(bore) },
  label: (p) => `sun ${p.sun}, ring ${p.ring}`,
  refuse: (p) => {
    const whole = stage(p);
    const refusal = kindOf(whole).refuse?.(whole);
    return refusal ? { ok: false, refusal } : ok(null);
  },
  stage,
};
