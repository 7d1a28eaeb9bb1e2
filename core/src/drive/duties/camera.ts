import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

export interface Camera {
  readonly focalMm: number;
  readonly pixelUm: number;
  readonly declinationDeg?: number;
  readonly exposureSeconds?: number;
  readonly trailPx?: number;
  readonly polarArcmin?: number;
}

/** Two axes that are not polar follow a star by its hour angle and declination. */
export interface AltAz {
  readonly latitudeDeg: number;
  readonly hourAngleDeg: number;
  readonly declinationDeg: number;
  readonly hours: number;
  readonly topArcsecPerSecond?: number;
  readonly cornerPx?: number;
}

export const cameraInputs: readonly InputSpec[] = [
  { type: 'number', key: 'focalMm', label: 'Lens', unit: 'mm', min: 1, max: 100_000, default: 135 },
  { type: 'number', key: 'pixelUm', label: 'Pixel', unit: 'µm', min: 0.1, max: 1000, default: 3.9 },
  {
    type: 'number',
    key: 'declinationDeg',
    label: 'Declination',
    unit: '°',
    min: -90,
    max: 90,
    default: 0,
    ...optional,
  },
  {
    type: 'number',
    key: 'exposureSeconds',
    label: 'Exposure',
    unit: 's',
    min: 0.001,
    max: 1e6,
    default: 60,
    ...optional,
  },
  {
    type: 'number',
    key: 'trailPx',
    label: 'Trail',
    unit: 'px',
    min: 0.01,
    max: 1e4,
    default: 1,
    ...optional,
  },
  {
    type: 'number',
    key: 'polarArcmin',
    label: 'Polar axis out',
    unit: '′',
    min: 0,
    max: 600,
    default: 0,
    ...optional,
  },
];

export const altAzInputs: readonly InputSpec[] = [
  { type: 'number', key: 'latitudeDeg', label: 'Latitude', unit: '°', min: -90, max: 90, default: 50 },
  {
    type: 'number',
    key: 'hourAngleDeg',
    label: 'Hour angle',
    unit: '°',
    min: -180,
    max: 180,
    default: -30,
    hint: 'west of the meridian positive',
  },
  { type: 'number', key: 'declinationDeg', label: 'Declination', unit: '°', min: -90, max: 90, default: 20 },
  { type: 'number', key: 'hours', label: 'Followed for', unit: 'h', min: 0.01, max: 24, default: 4 },
  {
    type: 'number',
    key: 'topArcsecPerSecond',
    label: 'Top speed',
    unit: '″/s',
    min: 0.01,
    max: 1e7,
    default: null,
    ...optional,
  },
  {
    type: 'number',
    key: 'cornerPx',
    label: 'Corner',
    unit: 'px',
    min: 1,
    max: 1e6,
    default: 2000,
    hint: 'from the middle of the picture',
    ...optional,
  },
];

const ARCSEC_PER_RADIAN = (180 / Math.PI) * 3600;

/** ″ of sky on one pixel. (handbook: follow) */
export const pixelScale = (pixelUm: number, focalMm: number): number =>
  (ARCSEC_PER_RADIAN / 1000) * (pixelUm / focalMm);
