import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

/** What the work asks of the motor. A physical load: floats but for the speed. (handbook: force) */
export interface Load {
  readonly inertiaKgM2?: number;
  readonly frictionNm?: number;
  readonly workNm?: number;
  /** turns a minute of the work, exact text */
  readonly speedRpm?: string;
  readonly accelRevPerS2?: number;
  readonly massKg?: number;
  readonly offsetMm?: number;
  readonly elevationDeg?: number;
  readonly windNm?: number;
  /** of a carriage: its path above the level, the friction number of its wheels or slides, and a force along the path */
  readonly inclineDeg?: number;
  readonly slideMu?: number;
  readonly pullN?: number;
  /** a weight, cord or spring that keeps the teeth on one side */
  readonly preloadNm?: number;
  readonly footprintMm?: number;
  readonly heightMm?: number;
  readonly slopeDeg?: number;
  readonly standKg?: number;
  readonly areaM2?: number;
  readonly windMs?: number;
  readonly batteryWh?: number;
  readonly electronicsW?: number;
  /** keys that were measured, with commas between */
  readonly measured?: string;
}

const number = (
  key: keyof Load,
  label: string,
  unit: string,
  max: number,
  more: { readonly hint?: string; readonly more?: true; readonly min?: number } = {},
): InputSpec =>
  (more.min ?? 0) < 0
    ? { type: 'number', key, label, unit, min: 0, max, default: null, ...optional, ...more }
    : { type: 'size', key, label, unit, min: 0, max, default: null, ...optional, ...more };

const more = { more: true } as const;

export const loadInputs: readonly InputSpec[] = [
  number('frictionNm', 'Friction', 'N·m', 1e6, {
    min: 1e-9,
    hint: 'at the work, as a spring balance shows it; nothing turns without any',
  }),
  number('workNm', 'Tool', 'N·m', 1e6, { hint: 'the cut, or what else the work is held against' }),
  number('inertiaKgM2', 'Inertia', 'kg·m²', 1e6),
  number('accelRevPerS2', 'Ramp', 'rev/s²', 1e6),
  { type: 'exact', key: 'speedRpm', label: 'Speed', unit: 'rpm', default: '1', ...optional },
  number('massKg', 'Mass', 'kg', 1e6),
  number('offsetMm', 'Off its axis', 'mm', 1e6, {
    hint: 'how far its centre of gravity stands off the axis',
  }),
  number('inclineDeg', 'Path rises', '°', 90, { min: -90, hint: 'of a carriage: its path above the level' }),
  number('slideMu', 'Friction number', '', 10, {
    hint: 'of its wheels or slides: 0.01 balls, 0.2 dry, estimates',
  }),
  number('pullN', 'Force along it', 'N', 1e6, { hint: 'a tool, a cable, a spring' }),
  number('elevationDeg', 'Axis at', '°', 90, {
    ...more,
    min: -90,
    hint: 'above the horizon; upright, so that nothing hangs, unless given',
  }),
  number('windNm', 'Wind', 'N·m', 1e6, more),
  number('preloadNm', 'Preload', 'N·m', 1e6, {
    ...more,
    hint: 'a weight, cord or spring that keeps the teeth on one side',
  }),
  number('standKg', 'Stand', 'kg', 1e6, more),
  number('footprintMm', 'Foot', 'mm', 1e6, { ...more, hint: 'width of its stand' }),
  number('heightMm', 'Centre at', 'mm', 1e6, {
    ...more,
    hint: 'height of the centre of gravity, and of the wind',
  }),
  number('slopeDeg', 'Slope', '°', 60, more),
  number('areaM2', 'Face to the wind', 'm²', 1000, more),
  number('windMs', 'Gust', 'm/s', 200, more),
  number('batteryWh', 'Battery', 'Wh', 1e6, more),
  number('electronicsW', 'Electronics', 'W', 1e5, more),
  { type: 'text', key: 'measured', label: 'Measured', max: 400, default: '', judged: true, optional: true },
];

const OF_TURNING: readonly string[] = ['offsetMm', 'elevationDeg', 'windNm'];
const OF_TRAVELLING: readonly string[] = ['inclineDeg', 'slideMu', 'pullN'];

/** What a load is told by where the work turns, and where it travels. */
export const loadInputsOf = (travels: boolean): readonly InputSpec[] =>
  loadInputs.filter((i) => !i.judged && !(travels ? OF_TURNING : OF_TRAVELLING).includes(i.key));
