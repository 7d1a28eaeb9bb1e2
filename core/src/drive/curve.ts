import { error, ok, type Refusal, type Result } from '../numbers/index.ts';
import { show } from './inputs.ts';

/** Torque by speed, slowest first: [full steps a second, N·m]. */
export type TorqueCurve = readonly (readonly [number, number])[];

/** Most points of a torque curve. */
const MAX_CURVE = 200;
const limit = String(MAX_CURVE);

/** A torque curve: two points or more, faster from point to point, its torque never rising. (handbook: force) */
export function curveFault(curve: unknown): Refusal | null {
  if (curve === undefined) return null;
  const place = { path: 'torqueCurve' };
  if (!Array.isArray(curve) || curve.length < 2 || curve.length > MAX_CURVE)
    return error('badCurve', show(curve), { ...place, limit }).refusal;
  const points = curve as readonly unknown[];
  for (const [i, point] of points.entries()) {
    const here = { path: `torqueCurve[${i}]` };
    if (
      !Array.isArray(point) ||
      point.length !== 2 ||
      !point.every((v) => typeof v === 'number' && v >= 0 && v < 1e9)
    )
      return error('badCurve', show(point), { ...here, limit }).refusal;
    const before = points[i - 1] as readonly [number, number] | undefined;
    const [speed, torque] = point as [number, number];
    if (before && speed <= before[0]) return error('curveTurnsBack', String(speed), here).refusal;
    if (before && torque > before[1]) return error('curveRises', String(torque), here).refusal;
  }
  return null;
}

/** A curve as it is pasted: a line a point, full steps a second and N·m with a comma, a semicolon or a tab between; a head is passed over. */
export function readCurve(text: string): Result<TorqueCurve> {
  const lines = text
    .split(/\r?\n/)
    .map((l) => l.trim())
    .filter((l) => l !== '');
  const body = /\d/.test(lines[0]?.split(/[,;\t]/)[0] ?? '') ? lines : lines.slice(1);
  const points = body.map((line) =>
    line.split(/[,;\t]/).map((cell) => (cell.trim() === '' ? NaN : Number(cell))),
  );
  const bad = points.findIndex((p) => p.length !== 2 || p.some((v) => !Number.isFinite(v)));
  if (bad >= 0)
    return error('badCurve', body[bad] ?? '', { path: `line ${lines.indexOf(body[bad]!) + 1}`, limit });
  const fault = curveFault(points);
  return fault ? { ok: false, refusal: fault } : ok(points as unknown as TorqueCurve);
}

/** The same as it would be pasted again. */
export const curveText = (curve: TorqueCurve | undefined): string =>
  (curve ?? []).map(([speed, torque]) => `${speed}, ${torque}`).join('\n');
