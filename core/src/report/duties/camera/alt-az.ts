import { exactly, toNumber } from '../../../numbers/index.ts';
import type { AltAz, Drive, Kinematics } from '../../../drive/index.ts';
import { doubtOf, gradeReach } from '../../../motion/index.ts';
import {
  axisRates,
  greatestRates,
  path,
  pointingOf,
  setsAfter,
  turningExposure,
  zenithCap,
  type PathPoint,
} from '../../../follow/index.ts';
import { doubtText, type Graded, grouped, measured } from '../../../words/index.ts';
import { time } from './moving.ts';
import { figureOf, line, worked, type DutyChart, type DutyReport, type DutyTable } from '../duty.ts';
import { only, type DutyKind } from '../kind.ts';

const perSecond = (v: number): string => (Number.isFinite(v) ? grouped(v.toFixed(2)) : 'no bound');

/** Altitude and azimuth: the rates along a path, the blind spot at the zenith, how the picture turns. (handbook: follow) */
function altAzReport(drive: Drive, k: Kinematics): DutyReport | null {
  const given = drive.job.altAz;
  if (!given) return null;
  const { latitudeDeg, hourAngleDeg, declinationDeg, hours } = given;
  const at = pointingOf(latitudeDeg, hourAngleDeg, declinationDeg);
  const now = axisRates(latitudeDeg, at);
  const sets = setsAfter(latitudeDeg, hourAngleDeg, declinationDeg);
  const way = path(latitudeDeg, hourAngleDeg, declinationDeg, hours);
  const most = greatestRates(latitudeDeg, hourAngleDeg, declinationDeg, hours);
  const corner = given.cornerPx ?? 2000;
  const trail = drive.job.camera?.trailPx ?? 1;
  const top = topSpeed(drive, k, given);
  const base = [
    worked('stands at', `azimuth ${at.azimuthDeg.toFixed(3)}°, altitude ${at.altitudeDeg.toFixed(3)}°`),
    worked('star rate', '15.041″ a second'),
  ];
  const N = k.stepsPerWorkTurn && k.stepsPerTurn && !k.hinge ? toNumber(k.stepsPerTurn) : null;
  const doubt = doubtText(doubtOf(k), 'ppm');
  const stepRate = (arcsec: number): string =>
    N === null || !Number.isFinite(arcsec)
      ? ''
      : `, ${measured((arcsec / 1_296_000) * N)} steps/s with this train${doubt}`;
  const speed = (key: 'azimuth' | 'altitude' | 'turning', label: string): DutyReport['lines'][number] =>
    line(
      figureOf({
        key: `altAz.${key}`,
        label,
        value: Number.isFinite(now[key]) ? now[key] : null,
        text: [perSecond(now[key]), { unit: '″/s' }],
        from: [...base, worked('greatest on the way', `${perSecond(most[key])} ″/s, at transit by formula`)],
      }),
      sets === 0
        ? ''
        : Number.isFinite(most[key])
          ? `at most ${perSecond(most[key])} ″/s on the way${key === 'turning' ? '' : stepRate(most[key])}`
          : 'it passes the zenith itself: no speed suffices',
    );
  return {
    key: 'altAz',
    title: 'Altitude and azimuth',
    graded: gradeOf(sets, most, top),
    lines: [
      speed('azimuth', 'azimuth axis'),
      speed('altitude', 'altitude axis'),
      speed('turning', 'field rotation'),
      line(
        figureOf({
          key: 'altAz.exposure',
          label: `a corner ${corner} px out stays within ${trail} px`,
          value: finite(turningExposure(most.turning, corner, trail)),
          text: [time(turningExposure(most.turning, corner, trail))],
          from: [...base, worked('turns by at most', `${perSecond(most.turning)}″ a second`)],
        }),
      ),
      ...(top === null
        ? []
        : [
            line(
              figureOf({
                key: 'altAz.cap',
                label: 'zenith blind spot',
                value: zenithCap(latitudeDeg, top),
                text: [zenithCap(latitudeDeg, top).toFixed(2), { unit: '°' }],
                from: [
                  worked('top speed', `${measured(top)}″ a second`),
                  worked('latitude', `${latitudeDeg}°`),
                ],
              }),
              'measured from the zenith, on the meridian',
            ),
          ]),
    ],
    message:
      sets === 0
        ? ['The star stands below the horizon at this hour angle.']
        : sets < hours
          ? [`It sets after ${measured(sets)} h.`]
          : [],
    charts: way.length < 2 ? [] : [chart(way, most.azimuth)],
    table: way.length < 2 ? null : table(way),
  };
}

const finite = (n: number): number | null => (Number.isFinite(n) ? n : null);

/** The slower of what is typed and of what the controller can step with this train, ″ a second; null while neither is known. */
function topSpeed({ timer }: Drive, k: Kinematics, given: AltAz): number | null {
  const byClock =
    timer?.maxStepsPerSecond !== undefined && k.stepsPerTurn && !k.hinge
      ? (toNumber(exactly(timer.maxStepsPerSecond)) * 1_296_000) / toNumber(k.stepsPerTurn)
      : Infinity;
  const least = Math.min(given.topArcsecPerSecond ?? Infinity, byClock);
  return Number.isFinite(least) ? least : null;
}

/** Both axes against their top speed. */
function gradeOf(sets: number, most: ReturnType<typeof greatestRates>, top: number | null): Graded | null {
  if (sets === 0) return { grade: 'misses', word: 'Below the horizon' };
  if (!Number.isFinite(most.azimuth)) return { grade: 'short', word: 'No speed suffices' };
  if (top === null) return null;
  const [axis, wanted] =
    most.azimuth >= most.altitude
      ? (['azimuth', most.azimuth] as const)
      : (['altitude', most.altitude] as const);
  const grade = gradeReach(top, wanted);
  return {
    grade,
    word: grade === 'enough' ? 'Both in reach' : `Short by ${perSecond(wanted - top)} ″/s in ${axis}`,
  };
}

function chart(way: readonly PathPoint[], most: number): DutyChart {
  const least = Math.min(...way.map((p) => Math.abs(p.azimuth)));
  const points = (of: 'azimuth' | 'altitude' | 'turning') => way.map((p) => [p.hours, p[of]] as const);
  return {
    key: 'altAz.path',
    title: 'Rates along the path',
    x: 'h',
    y: '″/s',
    series: [
      { name: 'azimuth', points: points('azimuth'), look: 'main' },
      { name: 'altitude', points: points('altitude'), look: 'second' },
      { name: 'field rotation', points: points('turning'), look: 'limit' },
    ],
    message: `The azimuth axis needs ${perSecond(least)} to ${perSecond(most)} ″/s.`,
  };
}

const table = (way: readonly PathPoint[]): DutyTable => ({
  title: 'Rates along the path',
  head: ['hours', 'azimuth °', 'altitude °', 'azimuth ″/s', 'altitude ″/s', 'field rotation ″/s'],
  rows: way.map((p) =>
    [p.hours, p.azimuthDeg, p.altitudeDeg, p.azimuth, p.altitude, p.turning].map((v) => v.toFixed(4)),
  ),
});

/** Two axes that are not polar. (handbook: follow) */
export const altAz: DutyKind = {
  group: { id: 'camera', title: 'Camera' },
  ask: {
    title: 'Altitude and azimuth',
    purpose: 'two axes that are not polar, and how the picture turns',
    edit: { do: 'addDuty', duty: 'altAz' },
    empty: {
      title: 'Altitude and azimuth',
      message:
        'Two axes that are not polar: how fast each must turn along a star’s path, and how the picture turns.',
      add: 'Add two axes',
    },
  },
  asked: ({ job }) => job.altAz !== undefined,
  many: false,
  reports: ({ drive, k }) => only(altAzReport(drive, k)),
};
