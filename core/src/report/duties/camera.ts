import { toNumber } from '../../numbers/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import {
  arcsecAnHour,
  axisRates,
  clockOff,
  longestExposure,
  onChip,
  path,
  pixelScale,
  pointingOf,
  polarDrift,
  turningExposure,
  undrivenExposure,
  zenithCap,
} from '../../follow/index.ts';
import { measured, timeText } from '../text.ts';
import { figureOf, line, worked, type DutyReport } from './duty.ts';
import type { RateReport } from './rate-way.ts';

const LOOKS = ['main', 'second', 'third'] as const;

const time = (seconds: number): string =>
  Number.isFinite(seconds) ? timeText(seconds).join('\u00a0') : 'as long as you like';

/** What a camera on the drive sees while it follows: trails, and the longest exposure that stays round. (handbook: follow) */
export function cameraReport(drive: Drive, rates: readonly RateReport[]): DutyReport | null {
  const { camera } = drive.job;
  if (!camera) return null;
  const { timer } = drive;
  const declination = camera.declinationDeg ?? 0;
  const trail = camera.trailPx ?? 1;
  const exposure = camera.exposureSeconds ?? 60;
  const scale = pixelScale(camera.pixelUm, camera.focalMm);
  const [rate] = rates;
  const drift = rate?.chosen ? Math.abs(arcsecAnHour(rate.chosen.off, rate.period)) / 3600 : null;
  const clock = rate && timer ? arcsecAnHour(clockOff(timer), rate.period) / 3600 : 0;
  const polar = polarDrift(camera.polarArcmin ?? 0);
  const causes = [
    ...(drift === null ? [] : [{ key: 'rate', label: 'the rate alone', drift }]),
    ...(clock === 0 ? [] : [{ key: 'clock', label: 'the clock at its worst', drift: clock }]),
    ...(polar === 0 ? [] : [{ key: 'polar', label: 'the polar axis', drift: polar }]),
  ];
  const all = causes.reduce((n, c) => n + c.drift, 0);
  const longest = longestExposure(all, trail, scale, declination);
  const round = longest >= exposure;
  const base = [
    worked('one pixel', `206.264806 × ${camera.pixelUm} µm ÷ ${camera.focalMm} mm = ${measured(scale)}″`),
    worked('seen at', `declination ${declination}°, a trail of ${trail} px allowed`),
  ];
  return {
    key: 'camera',
    title: 'What the camera sees',
    graded:
      drift === null
        ? { grade: 'unknown', word: 'No rate asked' }
        : round
          ? { grade: 'even', word: `Round for ${time(exposure)}` }
          : { grade: 'misses', word: `Round only for ${time(longest)}` },
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
        const px = onChip(c.drift * exposure, scale, declination);
        const alone = longestExposure(c.drift, trail, scale, declination);
        return line(
          figureOf({
            key: `camera.${c.key}`,
            label: `${c.label}: trail in ${time(exposure)}`,
            value: px,
            text: [px === 0 ? '0' : measured(px), { unit: 'px' }],
            from: [...base, worked('moves by', `${measured(c.drift)}″ a second at most`)],
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
            ...causes.map((c) => worked(c.label, `${measured(c.drift)}″ a second`)),
            worked('all together', `${measured(all)}″ a second`),
          ],
        }),
        'all at their worst; the periodic errors of worm and wheels are not in it yet',
      ),
    ],
    says: [
      ...(drift === null ? ['Ask for a rate to follow, and the trail with the drive is reckoned too.'] : []),
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
            points: [0, 600].map((t): [number, number] => [t, onChip(c.drift * t, scale, declination)]),
            look: LOOKS[i] ?? 'third',
          })),
          {
            name: `${trail} px`,
            points: [
              [0, trail],
              [600, trail],
            ],
            look: 'limit' as const,
          },
        ],
        says: `A trail of ${trail} px is reached after ${time(longest)} when all are at their worst.`,
      },
    ],
    table: null,
  };
}

/** Two axes that are not polar: their rates along a path, the cap they cannot follow, the turning of the picture. */
export function altAzReport(drive: Drive, k: Kinematics): DutyReport | null {
  const given = drive.job.altAz;
  if (!given) return null;
  const { latitudeDeg, hourAngleDeg, declinationDeg, hours } = given;
  const at = pointingOf(latitudeDeg, hourAngleDeg, declinationDeg);
  const now = axisRates(latitudeDeg, at);
  const way = path(latitudeDeg, hourAngleDeg, declinationDeg, hours);
  const most = {
    azimuth: Math.max(0, ...way.map((p) => Math.abs(p.azimuth))),
    altitude: Math.max(0, ...way.map((p) => Math.abs(p.altitude))),
    turning: Math.max(0, ...way.map((p) => Math.abs(p.turning))),
  };
  const top = given.topArcsecPerSecond;
  const reach = top === undefined || most.azimuth <= top;
  const corner = given.cornerPx ?? 2000;
  const trail = drive.job.camera?.trailPx ?? 1;
  const base = [
    worked('stands at', `azimuth ${at.azimuthDeg.toFixed(3)}°, altitude ${at.altitudeDeg.toFixed(3)}°`),
    worked('star rate', '15.041″ a second'),
  ];
  const N = k.stepsPerTurn && toNumber(k.stepsPerTurn);
  const stepRate = (arcsec: number): string =>
    N === null ? '' : `, ${measured((arcsec / 1_296_000) * N)} steps/s with this train`;
  const speed = (key: string, label: string, value: number, greatest: number) =>
    line(
      figureOf({ key: `altAz.${key}`, label, value, text: [perSecond(value), { unit: '″/s' }], from: base }),
      way.length > 0
        ? `at most ${perSecond(greatest)} ″/s on the way${key === 'turning' ? '' : stepRate(greatest)}`
        : '',
    );
  const perSecond = (v: number): string => v.toFixed(2).replace('-', '−');
  return {
    key: 'altAz',
    title: 'Two axes, altitude and azimuth',
    graded:
      way.length === 0
        ? { grade: 'misses', word: 'Below the horizon' }
        : top === undefined
          ? null
          : reach
            ? { grade: 'even', word: 'In reach' }
            : { grade: 'misses', word: `Short by ${perSecond(most.azimuth - top)} ″/s` },
    lines: [
      speed('azimuth', 'azimuth axis', now.azimuth, most.azimuth),
      speed('altitude', 'altitude axis', now.altitude, most.altitude),
      speed('turning', 'the picture turns by', now.turning, most.turning),
      line(
        figureOf({
          key: 'altAz.exposure',
          label: `a corner ${corner} px out stays within ${trail} px`,
          value: turningExposure(most.turning, corner, trail),
          text: [time(turningExposure(most.turning, corner, trail))],
          from: [...base, worked('turns by at most', `${perSecond(most.turning)}″ a second`)],
        }),
      ),
      ...(top === undefined
        ? []
        : [
            line(
              figureOf({
                key: 'altAz.cap',
                label: 'cap at the zenith it cannot follow',
                value: zenithCap(latitudeDeg, top),
                text: [zenithCap(latitudeDeg, top).toFixed(2), { unit: '°' }],
                from: [worked('top speed', `${top}″ a second`), worked('latitude', `${latitudeDeg}°`)],
              }),
              'measured from the zenith, on the meridian',
            ),
          ]),
    ],
    says:
      way.length === 0
        ? ['The star stands below the horizon at this hour angle.']
        : way.at(-1)!.hours < hours - hours / 200
          ? [`It sets after ${measured(way.at(-1)!.hours)} h.`]
          : [],
    charts:
      way.length < 2
        ? []
        : [
            {
              key: 'altAz.path',
              title: 'Rates along the path',
              x: 'h',
              y: '″/s',
              series: [
                { name: 'azimuth', points: way.map((p) => [p.hours, p.azimuth] as const), look: 'main' },
                { name: 'altitude', points: way.map((p) => [p.hours, p.altitude] as const), look: 'second' },
                { name: 'turning', points: way.map((p) => [p.hours, p.turning] as const), look: 'limit' },
              ],
              says: `The azimuth axis needs ${perSecond(Math.min(...way.map((p) => Math.abs(p.azimuth))))} to ${perSecond(most.azimuth)} ″/s.`,
            },
          ],
    table:
      way.length < 2
        ? null
        : {
            title: 'Rates along the path',
            head: ['hours', 'azimuth °', 'altitude °', 'azimuth ″/s', 'altitude ″/s', 'turning ″/s'],
            rows: way.map((p) =>
              [p.hours, p.azimuthDeg, p.altitudeDeg, p.azimuth, p.altitude, p.turning].map((v) =>
                v.toFixed(4),
              ),
            ),
          },
  };
}
