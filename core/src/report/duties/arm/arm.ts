import {
  abs,
  decimal,
  div,
  exactly,
  isZero,
  rational,
  toNumber,
  type Rational,
} from '../../../numbers/index.ts';
import {
  periodOf,
  type ArmKind,
  type Drive,
  type Kinematics,
  type TangentArm,
  tickHz,
} from '../../../drive/index.ts';
import { doubtOf, gradeWithin, isSure, toleranceArcsec, toleranceOf } from '../../../motion/index.ts';
import {
  armError,
  armExceeds,
  armFor,
  corrections,
  screwFor,
  speedAt,
  turningArm,
  type Correction,
  type TurningArm,
} from '../../../follow/index.ts';
import {
  angleText,
  doubtText,
  type Graded,
  grouped,
  limitText,
  measured,
  signedAngle,
} from '../../../words/index.ts';
import { lazy } from '../../lazy.ts';
import { figureOf, line, worked, type DutyChart, type DutyReport, type DutyTable } from '../duty.ts';
import { ARM_ALLOWED, sessionOf } from '../rates/rates.ts';
import { only, type DutyKind } from '../kind.ts';

const SCREWS: Readonly<Record<ArmKind, readonly [string, string]>> = {
  straight: ['straight screw square to the fixed arm', 'x = ρ·tan θ'],
  isosceles: ['straight screw pivoted at both ends', 'x = 2ρ·sin(θ/2)'],
  curved: ['curved rod', 'x = ρ·θ'],
};
const RIGHT = { straight: '1/cos²θ', isosceles: 'cos(θ/2)', curved: '1, always' } as const;

const STARS = { kind: 'stars' } as const;
/** A line of the correction table, s. */
const EVERY = 60;
/** A table is made for at most so long, s. */
const LONGEST = 24 * 3600;

/** A steady screw against what is allowed; where nobody said what is, what it leaves is told and not judged. */
function judged(end: number, passes: number | null, minutes: number, allowed: number | null): Graded {
  if (end === 0) return { grade: 'passes', word: 'Keeps the rate' };
  if (allowed === null) return { grade: 'rounded', word: `${signedAngle(end)} in ${measured(minutes)} min` };
  return passes === null && gradeWithin(end, allowed) === 'passes'
    ? { grade: 'passes', word: `Within ±${limitText(allowed)}` }
    : { grade: 'misses', word: `Misses after ${measured((passes ?? 0) / 60)} min` };
}

/** The tangent arm that is the output: it follows the job's first rate, else the stars, through the whole train. (handbook: follow) */
function armReport(drive: Drive, k: Kinematics): DutyReport | null {
  const { output } = drive.train;
  if (output.kind !== 'tangentArm') return null;
  const period = periodOf(drive.job.rates?.[0] ?? STARS);
  const arm = turningArm(output, period);
  const tolerance = toleranceOf(drive.job);
  const allowed = tolerance ? toleranceArcsec(tolerance) : ARM_ALLOWED;
  const session = sessionOf(drive);
  const minutes = session / 60;
  const end = armError(arm, session);
  const passes = armExceeds(arm, allowed, session);
  const every = lazy(() => corrections(arm, EVERY, Math.min(session, LONGEST)));
  const left = Math.max(0, ...every().map((c) => Math.abs(c.leftArcsec)));
  const rpm = screwFor(arm.radiusMm, arm.leadMm, arm.rate) * 60;
  const [screw, formula] = SCREWS[output.geometry];
  const doubt = doubtText(doubtOf(k), 'ppm').replace(/^,? /, '');
  const base = [
    worked('screw', `${screw}: ${formula}`),
    worked('lead, arm', `${output.leadMm} mm, ${output.armMm} mm`, true),
    worked('one turn of the hinge in', `${toNumber(period).toFixed(4)} s`),
  ];
  return {
    key: 'arm',
    title: 'Tangent arm',
    graded: judged(end, passes, minutes, tolerance && allowed),
    lines: [
      line(
        figureOf({
          key: 'arm.screw',
          label: 'right speed of the screw at the start',
          value: rpm,
          text: [rpm.toFixed(5), { unit: 'rpm' }],
          from: [...base, worked('turns a second', '2πρ ÷ lead ÷ the time of one turn')],
        }),
        stepsMessage(drive, k, rpm / 60, doubt),
      ),
      ...wantedArm(output, arm, base),
      line(
        figureOf({
          key: 'arm.error',
          label: `error after ${measured(minutes)} min of a steady screw`,
          value: end,
          text: [signedAngle(end)],
          from: base,
        }),
        end > 0 ? 'fast' : end < 0 ? 'slow' : '',
      ),
      line(
        figureOf({
          key: 'arm.passes',
          label: `passes ±${limitText(allowed)}`,
          value: passes,
          text: passes === null ? ['never in the session'] : [(passes / 60).toFixed(2), { unit: 'min' }],
          from: base,
        }),
        tolerance ? 'the job’s tolerance' : 'until the job names a tolerance',
      ),
      line(
        figureOf({
          key: 'arm.speed',
          label: 'right speed of the screw at the end',
          value: speedAt(arm.kind, arm.rate * session),
          text: [(100 * speedAt(arm.kind, arm.rate * session)).toFixed(3), { unit: '%' }],
          from: [...base, worked('right speed goes with', RIGHT[output.geometry])],
        }),
        'of that at the start',
      ),
    ],
    message: [
      output.geometry === 'curved'
        ? 'A curved rod keeps the rate at a steady speed; the others want the table.'
        : `Steps by the table leave at most ${angleText(left)}${left <= allowed ? ', within what is allowed' : ', more than is allowed: change the speed more often'}; the speed changes each minute.`,
      ...(doubt ? [`The steps are right ${doubt}.`] : []),
    ],
    charts: [errorChart(arm, session, allowed, end)],
    get table() {
      return correctionTable(drive, k, every(), doubt);
    },
  };
}

/** How long the arm must be for a screw speed that is wanted, or that the source has of its own. */
function wantedArm(
  output: TangentArm,
  arm: TurningArm,
  base: readonly ReturnType<typeof worked>[],
): DutyReport['lines'] {
  if (output.screwRpm === undefined) return [];
  const rpm = exactly(output.screwRpm);
  const radius = armFor(arm.leadMm, toNumber(div(rpm, rational(60))), arm.rate);
  return [
    line(
      figureOf({
        key: 'arm.radius',
        label: `hinge to screw for ${output.screwRpm} rpm`,
        value: radius,
        text: [radius.toFixed(3), { unit: 'mm' }],
        from: [...base, worked('ρ', 'lead × turns a second ÷ (2π ÷ the time of one turn)')],
      }),
      `the arm has ${output.armMm} mm`,
    ),
  ];
}

/** Steps a second for so many turns of the screw a second, through the whole train before it. */
function stepsMessage(drive: Drive, k: Kinematics, turns: number, doubt: string): string {
  if (k.stepsPerTurn)
    return `${grouped((turns * toNumber(k.stepsPerTurn)).toFixed(4))} steps a second of the motor${doubt && ` ${doubt}`}`;
  if (k.speed.estimate || isZero(k.reduction)) return '';
  const made: Rational = div(k.speed.rpm, abs(k.reduction));
  return `${drive.train.source.kind === 'synchronous' ? 'the motor' : 'the source'} turns it at ${decimal(made, 5)} rpm`;
}

function errorChart(arm: TurningArm, session: number, allowed: number, end: number): DutyChart {
  const points = Array.from({ length: 121 }, (_, i) => (session * i) / 120);
  const reach = Math.max(Math.abs(end), allowed);
  const [unit, scale] = reach < 120 ? (['″', 1] as const) : (['′', 1 / 60] as const);
  const flat = (at: number): [number, number][] => [
    [0, at * scale],
    [session / 60, at * scale],
  ];
  return {
    key: 'arm.error',
    title: 'Error of a steady screw',
    x: 'min',
    y: unit,
    series: [
      {
        name: SCREWS[arm.kind][0],
        points: points.map((t) => [t / 60, armError(arm, t) * scale] as const),
        look: 'main',
      },
      { name: `±${limitText(allowed)}`, points: flat(allowed), look: 'limit' },
      { name: '', points: flat(-allowed), look: 'limit' },
    ],
    message: `${signedAngle(end)} after ${measured(session / 60)} min.`,
  };
}

/** Speeds that put it right: of the screw, in steps of the motor, and in ticks of its timer where there is one. */
function correctionTable(drive: Drive, k: Kinematics, rows: readonly Correction[], doubt: string): DutyTable {
  const { timer } = drive;
  const steps = k.stepsPerTurn && toNumber(k.stepsPerTurn);
  const hz = timer && toNumber(tickHz(timer));
  const of = (turns: number): number | null => (steps === null ? null : turns * steps);
  return {
    title: doubt && !isSure(doubtOf(k)) ? `Correction table, ${doubt}` : 'Correction table',
    head: [
      'from, s',
      'screw turns a second',
      ...(steps === null ? [] : ['steps a second']),
      ...(steps === null || hz === undefined ? [] : ['ticks']),
      'left, ″',
    ],
    rows: rows.map((c) => {
      const rate = of(c.turnsPerSecond);
      return [
        String(c.seconds),
        c.turnsPerSecond.toFixed(8),
        ...(rate === null ? [] : [rate.toFixed(5)]),
        ...(rate === null || hz === undefined ? [] : [(hz / rate).toFixed(2)]),
        c.leftArcsec.toFixed(4),
      ];
    }),
  };
}

/** The tangent arm that is the output. (handbook: follow) */
export const arm: DutyKind = {
  group: { id: 'arm', title: 'Arm' },
  ask: {
    title: 'Tangent arm',
    purpose: 'a screw that opens a hinge, as in a barn door',
    edit: { do: 'outputKind', kind: 'tangentArm' },
    empty: {
      title: 'The output is no tangent arm',
      message:
        'A screw that opens a hinge, as in a barn door: it follows the job’s first rate, or the stars when none is asked, through the whole train before it.',
      add: 'Make the output a tangent arm',
    },
  },
  asked: ({ train }) => train.output.kind === 'tangentArm',
  many: false,
  reports: ({ drive, k }) => only(armReport(drive, k)),
};
