import { pixelScale } from '../../../drive/index.ts';
import { movedIn } from '../../../errors/index.ts';
import { doubtOf } from '../../../motion/index.ts';
import type { Drive, Kinematics } from '../../../drive/index.ts';
import {
  fieldRotation,
  longestExposure,
  onChip,
  turningExposure,
  undrivenExposure,
} from '../../../follow/index.ts';
import { doubtful, doubtText, measured } from '../../../words/index.ts';
import { longestText, movingLines, movingWith, roundUntil, time, unknownWords } from './moving.ts';
import { figureOf, line, worked, type DutyReport } from '../duty.ts';
import { CAUSES } from '../rates/causes.ts';
import type { RateReport } from '../rates/way.ts';
import { only, type DutyKind } from '../kind.ts';

const LOOKS = ['main', 'second', 'third'] as const;
/** Of the picture, px from its middle, when nobody says. */
const CORNER = 2000;

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
  // a mirror at half the rate turns the picture twice as far as itself
  const mirror = rate?.rate.half ? 2 : 1;
  const cos = Math.cos((declination * Math.PI) / 180);
  const causes = (rate?.kept ?? [])
    .filter((c) => c.arcsecPerSecond > 0 || c.id === 'rounding' || c.id === 'speed')
    .map((c) => {
      const axis = c.arcsecPerSecond * (c.across ? 1 : mirror);
      return {
        key: c.id,
        label: CAUSES[c.id].label,
        across: c.across,
        axis: c.across ? 0 : axis,
        seen: c.across ? axis : axis * cos,
      };
    });
  const sum = (across: boolean): number => causes.reduce((n, c) => n + (c.across === across ? c.seen : 0), 0);
  const [along, across] = [sum(false), sum(true)];
  const all = Math.hypot(along, across);
  const straight = longestExposure(all, trail, scale, 0);
  // near the pole a trail shrinks, but the picture turns about it; on two axes it turns by itself
  const corner = drive.job.altAz?.cornerPx ?? CORNER;
  const field = drive.job.altAz ? Math.abs(fieldRotation(drive.job.altAz)) : 0;
  const spin =
    causes.reduce((n, c) => n + c.axis, 0) * Math.abs(Math.sin((declination * Math.PI) / 180)) + field;
  const turning = turningExposure(spin, corner, trail);
  // steps, worm and wheels, from the start at which they run fastest
  const moving = movingWith(drive, k, rate);
  const seenWaves = mirror * cos;
  const moved = (seconds: number): number =>
    Math.hypot(movedIn(moving, seconds, seenWaves > 0 ? along / seenWaves : 0) * seenWaves, across * seconds);
  const worst = Math.min(turning, roundUntil(moved, trail * scale, straight));
  const round = worst >= exposure;
  const unknown = unknownWords(moving.unknown);
  const wavers = moving.waves.length > 0 || moving.step > 0;
  const drift = rate?.follows ? all : null;
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
              ? unknown
                ? {
                    grade: 'unknown',
                    word: Number.isFinite(worst)
                      ? `At most ${time(worst)}, without ${unknown}`
                      : `Unknown, without ${unknown}`,
                  }
                : { grade: 'passes', word: `Round for ${time(exposure)}` }
              : {
                  grade: 'misses',
                  word:
                    worst === 0
                      ? `Never round: a step is ${measured((moving.step * seenWaves) / scale)} px`
                      : `Round only for ${time(worst)}`,
                },
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
      ...(rate
        ? [
            line(
              figureOf({
                key: 'camera.longest',
                label: 'longest exposure that stays round',
                value: drift === null || !Number.isFinite(worst) ? null : worst,
                text: [drift === null ? 'Unknown' : longestText(worst, unknown)],
                from: [
                  ...base,
                  ...causes.map((c) =>
                    worked(c.label, `${measured(c.seen)}″ a second${c.across ? ', across' : ''}`),
                  ),
                  ...movingLines(moving).map(([label, says]) => worked(label, says)),
                  ...(spin > 0
                    ? [
                        worked(
                          'field rotation',
                          `a corner ${corner} px out stays within ${trail} px for ${time(turning)}`,
                        ),
                      ]
                    : []),
                  worked(
                    `in ${time(exposure)}`,
                    `${measured(moved(exposure))}″ of motion is ${measured(moved(exposure) / scale)} px`,
                  ),
                ],
              }),
              `from the worst start; in ${time(exposure)} at most ${measured(moved(exposure) / scale)} px${unknown ? `, without ${unknown}` : ''}; Picture tells how many starts stay round`,
            ),
            line(
              figureOf({
                key: 'camera.drift',
                label: 'of it from the drift alone',
                value: Number.isFinite(straight) ? straight : null,
                text: [drift === null ? 'Unknown' : time(straight)],
                from: [
                  ...base,
                  ...causes.map((c) =>
                    worked(c.label, `${measured(c.seen)}″ a second${c.across ? ', across' : ''}`),
                  ),
                  worked('along and across', `${measured(all)}″ a second`),
                ],
              }),
              'all at its worst, nothing of steps and wheels',
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
            look: (wavers ? LOOKS[i + 1] : LOOKS[i]) ?? 'third',
          })),
          ...(wavers
            ? [
                {
                  name: 'all, with steps and wheels',
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
  judgesOnly: true,
  many: false,
  reports: ({ drive, k, rates }) => only(drive.job.camera ? cameraReport(drive, k, rates()) : null),
};
