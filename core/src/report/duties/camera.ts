import { pixelScale } from '../../drive/index.ts';
import { motionOf, runningWaves } from '../../errors/index.ts';
import { toNumber } from '../../numbers/index.ts';
import { doubtOf } from '../../motion/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import { longestExposure, onChip, turningExposure, undrivenExposure } from '../../follow/index.ts';
import { doubtful, doubtText } from '../doubt-words.ts';
import { measured, timeText } from '../text.ts';
import { figureOf, line, worked, type DutyReport } from './duty.ts';
import { CAUSES } from './rate-causes.ts';
import type { RateReport } from './rate-way.ts';
import { only, type DutyKind } from './kind.ts';

const LOOKS = ['main', 'second', 'third'] as const;
/** Of the picture, px from its middle, when nobody says. */
const CORNER = 2000;

export const time = (seconds: number): string =>
  Number.isFinite(seconds) ? timeText(seconds).join('\u00a0') : 'as long as you like';

/** What comes again with a shaft while it follows. */
interface Wavering {
  /** waves in force, and causes that nobody knows the size of */
  readonly waves: number;
  readonly unknown: number;
  /** greatest less least in so many seconds from the worst start, ″ at the axis */
  readonly motion: (seconds: number) => number;
  readonly lines: readonly (readonly [string, string])[];
}

function wavering(drive: Drive, k: Kinematics, rate: RateReport | undefined): Wavering {
  if (!rate?.chosen) return { waves: 0, unknown: 0, motion: () => 0, lines: [] };
  const { waves, unknown } = runningWaves(drive, k, Math.abs(toNumber(rate.period)));
  return {
    waves: waves.length,
    unknown,
    motion: (t) => waves.reduce((n, w) => n + motionOf(w, t), 0),
    lines: waves.map((w) => [w.title, `±${measured(w.arcsec)}″ every ${measured(w.periodSeconds)} s`]),
  };
}

/** Until when a motion that never grows less stays within what is allowed, s. */
function roundUntil(moved: (seconds: number) => number, allowed: number, most: number): number {
  if (moved(Math.min(most, 1e6)) <= allowed) return most;
  let [low, high] = [0, Math.min(most, 1e6)];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (moved(middle) <= allowed) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * What a camera on the drive sees while it follows: every cause of the rate added at its worst, and the longest exposure that stays
 * round. (handbook: follow, what the camera sees)
 */
function cameraReport(drive: Drive, k: Kinematics, rates: readonly RateReport[]): DutyReport | null {
  const { camera } = drive.job;
  if (!camera) return null;
  const { timer } = drive;
  const declination = camera.declinationDeg ?? 0;
  const trail = camera.trailPx ?? 1;
  const exposure = camera.exposureSeconds ?? 60;
  const scale = pixelScale(camera.pixelUm, camera.focalMm);
  const [rate] = rates;
  const chosen = rate?.chosen ?? null;
  // a mirror at half the rate turns the picture twice as far as itself
  const mirror = rate?.rate.half ? 2 : 1;
  const cos = Math.cos((declination * Math.PI) / 180);
  const causes = (chosen?.causes ?? [])
    .filter((c, i) => i === 0 || c.arcsecPerSecond > 0)
    .map((c) => {
      const axis = c.arcsecPerSecond * (c.across ? 1 : mirror);
      return {
        key: c.id,
        label: CAUSES[c.id].label,
        axis: c.across ? 0 : axis,
        seen: c.across ? axis : axis * cos,
      };
    });
  const all = causes.reduce((n, c) => n + c.seen, 0);
  const straight = longestExposure(all, trail, scale, 0);
  // near the pole a trail shrinks, but the picture turns about it
  const corner = drive.job.altAz?.cornerPx ?? CORNER;
  const spin = causes.reduce((n, c) => n + c.axis, 0) * Math.abs(Math.sin((declination * Math.PI) / 180));
  const turning = turningExposure(spin, corner, trail);
  const longest = Math.min(straight, turning);
  // worm and wheels, from the start at which they run fastest
  const waver = wavering(drive, k, rate);
  const seenWaves = mirror * cos;
  const moved = (seconds: number): number => all * seconds + waver.motion(seconds) * seenWaves;
  const worst = Math.min(turning, waver.waves > 0 ? roundUntil(moved, trail * scale, straight) : straight);
  const round = worst >= exposure;
  const drift = chosen ? all : null;
  const px = (perSecond: number, seconds: number): number => onChip(perSecond * seconds, scale, 0);
  const base = [
    worked('one pixel', `206.264806 × ${camera.pixelUm} µm ÷ ${camera.focalMm} mm = ${measured(scale)}″`),
    worked('seen at', `declination ${declination}°, a trail of ${trail} px allowed`),
    ...(mirror === 2 ? [worked('half-rate mirror', 'the picture turns twice as far: counted double')] : []),
  ];
  return {
    key: 'camera',
    title: 'What the camera sees',
    graded:
      drift === null
        ? { grade: 'unknown', word: rate ? rate.graded.word : 'No rate asked' }
        : doubtful(
            round
              ? { grade: 'passes', word: `Round for ${time(exposure)}` }
              : { grade: 'misses', word: `Round only for ${time(worst)}` },
            doubtOf(k),
            'ppm',
          ),
    lines: [
      line(
        figureOf({
          key: 'camera.scale',
          label: 'one pixel of sky',
          value: scale,
          text: [measured(scale), { unit: '″' }],
          from: base.slice(0, 1),
        }),
      ),
      line(
        figureOf({
          key: 'camera.undriven',
          label: 'longest exposure with no drive',
          value: undrivenExposure(trail, scale, declination),
          text: [time(undrivenExposure(trail, scale, declination))],
          from: [...base, worked('the sky goes by at', '15.041″ a second')],
        }),
        `in ${time(exposure)} the trail is ${measured(onChip(15.041 * exposure, scale, declination))} px long`,
      ),
      ...causes.map((c) => {
        const shown = px(c.seen, exposure);
        const alone = longestExposure(c.seen, trail, scale, 0);
        return line(
          figureOf({
            key: `camera.${c.key}`,
            label: `${c.label}: trail in ${time(exposure)}`,
            value: shown,
            text: [shown === 0 ? '0' : measured(shown), { unit: 'px' }],
            from: [
              ...base,
              worked('moves by', `${measured(c.seen)}″ a second at most`),
              ...(c.axis === 0 && c.seen > 0 ? [worked('at every declination', 'alike: no cos δ')] : []),
            ],
          }),
          Number.isFinite(alone) ? `round for ${time(alone)}` : 'never moves',
        );
      }),
      line(
        figureOf({
          key: 'camera.longest',
          label: 'longest exposure that stays round',
          value: Number.isFinite(longest) ? longest : null,
          text: [drift === null ? 'Unknown' : time(longest)],
          from: [
            ...base,
            ...causes.map((c) => worked(c.label, `${measured(c.seen)}″ a second`)),
            worked('all together', `${measured(all)}″ a second`),
            ...(spin > 0
              ? [
                  worked(
                    'field rotation',
                    `a corner ${corner} px out stays within ${trail} px for ${time(turning)}`,
                  ),
                ]
              : []),
          ],
        }),
        'from the drift alone, all at its worst',
      ),
      ...(rate && waver.waves + waver.unknown > 0
        ? [
            line(
              figureOf({
                key: 'camera.worst',
                label: 'with worm and wheels, from the worst start',
                value: Number.isFinite(worst) ? worst : null,
                text: [drift === null ? 'Unknown' : time(worst)],
                from: [
                  ...base,
                  worked('drift', `${measured(all)}″ a second`),
                  ...waver.lines.map(([label, says]) => worked(label, says)),
                  worked(
                    `in ${time(exposure)}`,
                    `${measured(moved(exposure))}″ of motion is ${measured(moved(exposure) / scale)} px`,
                  ),
                ],
              }),
              `in ${time(exposure)} at most ${measured(moved(exposure) / scale)} px${waver.unknown > 0 ? `, without ${waver.unknown} unknown` : ''}; Picture tells how many starts stay round`,
            ),
          ]
        : []),
    ],
    message: [
      ...(drift === null && !rate
        ? ['Ask for a rate to follow, and the trail with the drive is reckoned too.']
        : []),
      ...(doubtOf(k).printed.length > 0 ? [`All of it holds only${doubtText(doubtOf(k), 'ppm')}.`] : []),
      ...(timer && timer.tolerancePpm === undefined
        ? ['The clock’s tolerance is not given, so it is not counted.']
        : []),
    ],
    charts: [
      {
        key: 'camera.trail',
        title: 'Trail against exposure',
        x: 's',
        y: 'px',
        series: [
          ...causes.map((c, i) => ({
            name: c.label,
            points: [0, 600].map((t): [number, number] => [t, px(c.seen, t)]),
            look: (waver.waves > 0 ? LOOKS[i + 1] : LOOKS[i]) ?? 'third',
          })),
          ...(waver.waves > 0
            ? [
                {
                  name: 'all, with worm and wheels',
                  points: Array.from({ length: 61 }, (_, i): [number, number] => [
                    i * 10,
                    moved(i * 10) / scale,
                  ]),
                  look: 'main' as const,
                },
              ]
            : []),
          {
            name: `${trail} px`,
            points: [
              [0, trail],
              [600, trail],
            ],
            look: 'limit' as const,
          },
        ],
        message: `A trail of ${trail} px is reached after ${time(worst)} when all are at their worst.`,
      },
    ],
    table: null,
  };
}

/** What a camera on the drive sees. (handbook: follow) */
export const camera: DutyKind = {
  group: { id: 'camera', title: 'Camera' },
  ask: {
    title: 'Camera',
    purpose: 'lens and pixels: what a drift looks like in the picture',
    edit: { do: 'addDuty', duty: 'camera' },
    empty: {
      title: 'No camera yet',
      message:
        'Its lens and its pixels: then a drift is a trail, and the longest exposure that stays round is known.',
      add: 'Add a camera',
    },
  },
  asked: ({ job }) => job.camera !== undefined,
  many: false,
  reports: ({ drive, k, rates }) => only(drive.job.camera ? cameraReport(drive, k, rates()) : null),
};
