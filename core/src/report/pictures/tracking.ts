import { pixelScale, type Drive } from '../../drive/index.ts';
import { fieldRotation } from '../../follow/index.ts';
import { wavesOf, type Wave } from '../../errors/index.ts';
import { shares, simulateTracking, starField, type ShareAt, type StarField } from '../../simulate/index.ts';
import { fitWaves } from '../../measure/index.ts';
import { type Graded, measured } from '../../words/index.ts';
import { following, thinned, type Following } from './model.ts';

/** Exposures that are pictured, s. */
export const EXPOSURES = [30, 60, 120, 300] as const;
/** A picture of so many pixels. */
const FIELD = { width: 44, height: 36 } as const;
/** Lengths of exposure on the curve: every second of ten minutes. */
const LONGEST = 600;
/** Samples of the record, s apart. */
export const EVERY = 0.1;

/** One wave of the record, and what a fit finds of it. */
export interface WaveFound extends Wave {
  readonly found: number | null;
}

export interface StarPicture {
  readonly seconds: number;
  readonly title: string;
  /** where in the record it begins, s */
  readonly start: number;
  readonly place: 'middle' | 'corner';
  readonly px: number;
  readonly graded: Graded;
  readonly field: StarField;
}

export interface TrackingPicture {
  readonly kind: 'track';
  readonly title: string;
  readonly seed: number;
  readonly seconds: number;
  /** s, ″, thinned for a chart */
  readonly record: readonly (readonly [number, number])[];
  readonly peakToPeak: number;
  readonly rms: number;
  readonly waves: readonly WaveFound[];
  /** ″ of one pixel at the axis, and what stays round; null without a camera */
  readonly camera: { readonly scale: number; readonly allowed: number; readonly seen: number } | null;
  readonly shares: readonly ShareAt[];
  readonly stars: readonly StarPicture[];
  /** the length that is asked, s; null without a camera */
  readonly exposure: number | null;
  readonly message: string;
}

const time = (seconds: number): string =>
  seconds < 60
    ? `${seconds} s`
    : seconds % 60 === 0
      ? `${seconds / 60} min`
      : `${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s`;

/** Of a wave with less than this many turns in the record nothing can be said. (handbook: errors, reading a measurement) */
const TURNS = 1.5;
const MOST_FITTED = 12;

function found(of: Following, values: Float64Array, seconds: number): readonly WaveFound[] {
  const waves = wavesOf(of.tracked.rows, of.tracked.turnSeconds);
  const told = waves
    .filter((w) => seconds / w.periodSeconds >= TURNS && w.periodSeconds > 2 * EVERY)
    .slice(0, MOST_FITTED);
  const fit = fitWaves(
    Float64Array.from(values, (_, i) => i * EVERY),
    values,
    told.map((w) => w.periodSeconds),
  );
  return waves.map((w) => {
    const at = told.indexOf(w);
    return { ...w, found: fit && at >= 0 ? fit.amplitudes[at]! : null };
  });
}

/** How the sensor sees the axis: ″ of sky for one of the axis, ″ a pixel, and what may be seen of motion. */
function cameraOf(drive: Drive, half: boolean): TrackingPicture['camera'] {
  const { camera } = drive.job;
  if (!camera) return null;
  const scale = pixelScale(camera.pixelUm, camera.focalMm);
  const seen = Math.cos(((camera.declinationDeg ?? 0) * Math.PI) / 180) * (half ? 2 : 1);
  return { scale, seen, allowed: (camera.trailPx ?? 1) * scale };
}

/** How finely a star's way is drawn. */
const DRAWN = 90;

interface Exposed {
  readonly values: Float64Array;
  readonly at: ShareAt;
  readonly camera: NonNullable<TrackingPicture['camera']>;
  readonly acrossPerSecond: number;
  readonly declinationDeg: number;
  readonly turnPerSecond: number;
  readonly cornerPx: number;
}

/** The stars of one exposure from its worst start: in the middle, or out in a corner where the picture turns about it. */
function exposed(e: Exposed, place: StarPicture['place'], seed: number): StarPicture {
  const { values, at, camera } = e;
  const first = Math.round(at.worstStart / EVERY);
  const length = Math.round(at.seconds / EVERY);
  const spin =
    Math.sin((e.declinationDeg * Math.PI) / 180) /
    206_264.806 /
    Math.max(1e-9, Math.cos((e.declinationDeg * Math.PI) / 180));
  const sample = (i: number): { x: number; y: number; turn: number } => {
    const t = (i / (DRAWN - 1)) * length;
    const moved = values[first + Math.round(t)]! - values[first]!;
    const turn = e.turnPerSecond * t * EVERY + moved * spin;
    return {
      x: moved / camera.scale,
      y: (e.acrossPerSecond * t * EVERY) / camera.scale + (place === 'corner' ? turn * e.cornerPx : 0),
      turn,
    };
  };
  const way = Array.from({ length: DRAWN }, (_, i) => sample(i));
  const range = (key: 'x' | 'y'): number =>
    Math.max(...way.map((w) => w[key])) - Math.min(...way.map((w) => w[key]));
  const px = place === 'middle' ? at.worst / camera.scale : Math.hypot(range('x'), range('y'));
  const middle = (key: 'x' | 'y'): number =>
    (Math.max(...way.map((w) => w[key])) + Math.min(...way.map((w) => w[key]))) / 2;
  const [mx, my] = [middle('x'), middle('y')];
  const allowed = camera.allowed / camera.scale;
  return {
    seconds: at.seconds,
    title: place === 'corner' ? `${time(at.seconds)}, corner` : time(at.seconds),
    start: at.worstStart,
    place,
    px,
    graded:
      px <= allowed
        ? { grade: 'passes', word: 'Round' }
        : { grade: 'misses', word: `Misses by ${measured(px - allowed)} px` },
    field: starField(
      {
        x: Float64Array.from(way, (w) => w.x - mx),
        y: Float64Array.from(way, (w) => w.y - my),
        turn: Float64Array.from(way, (w) => w.turn),
      },
      seed + (place === 'corner' ? 1 : 0),
      FIELD.width,
      FIELD.height,
    ),
  };
}

/** Starts over whole turns of the slowest wave that an hour holds, so that no part of it counts twice. */
function startsOver(of: Following): number {
  const hour = 3600;
  const slowest = Math.max(
    0,
    ...wavesOf(of.tracked.rows, of.tracked.turnSeconds)
      .map((w) => w.periodSeconds)
      .filter((p) => p <= hour),
  );
  return slowest > 0 ? slowest * Math.floor(hour / slowest) : hour;
}

/**
 * The record of following, and what a camera makes of it: the share of exposures that stay round against their length, and stars from the
 * worst start of each. Gives way with how far it has come; null while nothing is followed. (handbook: follow, what the camera sees)
 */
export function* trackingPicture(
  drive: Drive,
  seed: number,
): Generator<number, TrackingPicture | null, boolean | undefined> {
  const of = following(drive, seed);
  if (!of) return null;
  const rate = of.of.duties.rates[0]!.rate;
  const seconds = startsOver(of) + LONGEST;
  const run = simulateTracking({ ...of.tracked, seconds, stepSeconds: EVERY });
  let step = run.next();
  while (!step.done) step = run.next(yield step.value * 0.3);
  const values = step.value;
  const mean = values.reduce((n, v) => n + v, 0) / values.length;
  const camera = cameraOf(drive, rate.half ?? false);
  const seen = camera ? values.map((v) => v * camera.seen) : values;
  let curve: readonly ShareAt[] = [];
  if (camera) {
    const search = shares({
      values: seen,
      stepSeconds: EVERY,
      exposures: Array.from({ length: LONGEST }, (_, i) => i + 1),
      allowed: camera.allowed,
      acrossPerSecond: of.acrossPerSecond,
    });
    let at = search.next();
    while (!at.done) at = search.next(yield 0.3 + at.value * 0.65);
    curve = at.value;
  }
  const turnPerSecond = ((drive.job.altAz ? fieldRotation(drive.job.altAz) : 0) * Math.PI) / 180 / 3600;
  const stars = camera
    ? EXPOSURES.flatMap((s) => {
        const at = curve.find((c) => c.seconds === s);
        if (!at) return [];
        const e: Exposed = {
          values: seen,
          at,
          camera,
          acrossPerSecond: of.acrossPerSecond,
          declinationDeg: drive.job.camera?.declinationDeg ?? 0,
          turnPerSecond,
          cornerPx: drive.job.altAz?.cornerPx ?? 0,
        };
        const corner = turnPerSecond !== 0 && e.cornerPx > 0;
        return [exposed(e, 'middle', seed), ...(corner ? [exposed(e, 'corner', seed)] : [])];
      })
    : [];
  return {
    kind: 'track',
    title: of.title,
    seed,
    seconds: (values.length - 1) * EVERY,
    record: thinned(values, EVERY),
    peakToPeak:
      values.reduce((m, v) => Math.max(m, v), -Infinity) - values.reduce((m, v) => Math.min(m, v), Infinity),
    rms: Math.sqrt(values.reduce((n, v) => n + (v - mean) ** 2, 0) / values.length),
    waves: found(of, values, seconds),
    camera,
    shares: curve,
    stars,
    exposure: drive.job.camera ? (drive.job.camera.exposureSeconds ?? 60) : null,
    message: roundMessage(drive, curve),
  };
}

/** "At 120 s, 84 % stay round; up to 36 s all of them." */
function roundMessage({ job: { camera } }: Drive, curve: readonly ShareAt[]): string {
  if (!camera) return 'Say which camera looks along, and the stars are drawn as its sensor sees them.';
  if (curve.length === 0) return '';
  const wanted = Math.round(camera.exposureSeconds ?? 60);
  const at = curve.find((c) => c.seconds === wanted);
  const whole = curve.filter((c) => c.share < 1)[0];
  const all = whole ? whole.seconds - 1 : LONGEST;
  return [
    ...(at ? [`At ${time(wanted)}, ${percent(at.share)} stay round`] : []),
    all >= LONGEST
      ? `all of them up to ${time(LONGEST)}`
      : all > 0
        ? `up to ${time(all)} all of them`
        : 'none is sure at any length',
  ]
    .join('; ')
    .concat('.');
}

/** "84 %", "99.7 %": 100 only when none is lost */
export const percent = (share: number): string =>
  `${share >= 1 ? 100 : share > 0.99 ? Math.floor(share * 1000) / 10 : Math.round(share * 100)} %`;
