import { rational } from '../../numbers/index.ts';
import { byModule } from '../shape.ts';
import { size, teeth } from './pair.ts';
import { COUNTED, type StageData, type StageKind } from './stage.ts';

export interface Worm extends StageData {
  readonly kind: 'worm';
  readonly starts: number;
  readonly wheel: number;
  readonly moduleMm?: number;
  readonly wormDiameterMm?: number;
  readonly hand?: 'right' | 'left';
}

/** Worm of k starts on a wheel of z teeth: r = z/k. The sense goes by the hand: shown, not counted. (handbook: drive) */
export const worm: StageKind<Worm> = {
  kind: 'worm',
  title: 'Worm',
  short: 'worm',
  message: 'a great reduction in one mesh; holds by itself when its thread is shallow',
  inputs: [
    { type: 'count', key: 'starts', label: 'Starts', min: 1, max: 20, default: 1 },
    teeth('wheel', 'Wheel', 8, 60),
    size('moduleMm', 'Module', 1, 'pitch diameter of the wheel over its teeth, for the drawing'),
    { ...size('wormDiameterMm', 'Worm', 18, 'pitch diameter of the worm, for the drawing'), more: true },
    {
      type: 'choice',
      key: 'hand',
      label: 'Hand',
      options: [
        { value: 'right', title: 'Right' },
        { value: 'left', title: 'Left' },
      ],
      default: 'right',
      optional: true,
    },
  ],
  reduction: (s) => rational(s.wheel, s.starts),
  parts: (s) => [
    ...(s.starts > 1 ? [{ label: 'Worm starts', factor: rational(1n, s.starts) }] : []),
    { label: 'Worm wheel', factor: rational(s.wheel) },
  ],
  origin: () => COUNTED,
  handed: true,
  shape: (s) => {
    const module = s.moduleMm ?? 1;
    const wormMm = s.wormDiameterMm ?? module * 18;
    return { form: 'worm', starts: s.starts, wheel: byModule(s.wheel, module), wormMm };
  },
  label: (s) => `${s.starts} : ${s.wheel}`,
  facts: (s) => [
    `One turn of the worm moves the wheel by ${s.starts === 1 ? 'one tooth' : `${s.starts} teeth`} of ${s.wheel}; ${s.hand ?? 'right'} hand.`,
    holdMessage(s),
  ],
  play: { by: 'mesh', drivenMm: (s) => (s.moduleMm === undefined ? null : s.moduleMm * s.wheel) },
};

/** Friction of the thread: oiled bronze on steel, and dry or printed. (handbook: force) */
const FRICTION = { oiled: 0.05, dry: 0.15 } as const;
const PRESSURE_ANGLE = (20 * Math.PI) / 180;
/** Starts over this stand for the tangent of the lead angle where the worm's size is not known. */
const USUAL_WORM = 10;

const leadTangent = ({ starts, moduleMm, wormDiameterMm }: Worm): number =>
  moduleMm !== undefined && wormDiameterMm !== undefined
    ? (starts * moduleMm) / wormDiameterMm
    : starts / USUAL_WORM;

/** Does it hold by itself, standing dry: μ ≥ tan λ·cos 20°, λ the lead angle. (handbook: force) */
export const wormHolds = (s: Worm, friction: number = FRICTION.dry): boolean =>
  friction >= leadTangent(s) * Math.cos(PRESSURE_ANGLE);

function holdMessage(s: Worm): string {
  const lead = `Lead angle ${((Math.atan(leadTangent(s)) * 180) / Math.PI).toFixed(1)}°`;
  if (wormHolds(s, FRICTION.oiled)) return `${lead}: it holds by itself, oiled too.`;
  return wormHolds(s)
    ? `${lead}: it holds by itself dry; oiled and shaken it may creep back.`
    : `${lead}: it runs back when nothing holds it.`;
}
