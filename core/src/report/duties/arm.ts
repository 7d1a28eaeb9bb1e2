import { exactly, toNumber } from '../../numbers/index.ts';
import type { ArmKind, Drive } from '../../drive/index.ts';
import { armError, armExceeds, armFor, corrections, speedAt, type TurningArm } from '../../follow/index.ts';
import { toleranceArcsec, toleranceOf } from '../../divide/index.ts';
import { angleText, limitText, measured, signedAngle } from '../text.ts';
import { figureOf, line, worked, type DutyReport } from './duty.ts';
import type { RateReport } from './rate-way.ts';

const SCREWS: Readonly<Record<ArmKind, readonly [string, string]>> = {
  straight: ['straight screw square to the fixed arm', 'x = ρ·tan θ'],
  isosceles: ['straight screw pivoted at both ends', 'x = 2ρ·sin(θ/2)'],
  curved: ['curved rod', 'x = ρ·θ'],
};

/** What is allowed at an arm when the job names nothing, ″. */
const ALLOWED = 20;
/** A line of the correction table, s. */
const EVERY = 60;

/** A tangent arm that follows the job's first rate, else the stars. (handbook: follow) */
export function armReport(drive: Drive, rates: readonly RateReport[]): DutyReport | null {
  const { arm } = drive.job;
  if (!arm) return null;
  const period = rates[0] ? toNumber(rates[0].period) : 86_164.0905;
  const rate = (2 * Math.PI) / period;
  const lead = toNumber(exactly(arm.leadMm));
  const rpm = toNumber(exactly(arm.rpm));
  const right = armFor(lead, rpm / 60, rate);
  const radius = arm.radiusMm === undefined ? right : toNumber(exactly(arm.radiusMm));
  const turning: TurningArm = {
    kind: arm.geometry,
    radiusMm: radius,
    leadMm: lead,
    turnsPerSecond: rpm / 60,
    rate,
  };
  const tolerance = toleranceOf(drive.job);
  const allowed = tolerance ? toleranceArcsec(tolerance) : ALLOWED;
  const session = arm.minutes * 60;
  const end = armError(turning, session);
  const passes = armExceeds(turning, allowed, session);
  const every = Array.from({ length: 121 }, (_, i) => (session * i) / 120);
  const table = corrections(turning, EVERY, Math.min(session, 24 * 3600));
  const left = Math.max(0, ...table.map((c) => Math.abs(c.leftArcsec)));
  const [screw, formula] = SCREWS[arm.geometry];
  const base = [
    worked('screw', `${screw}: ${formula}`),
    worked('lead, speed', `${measured(lead)} mm at ${measured(rpm)} rpm`),
    worked('one turn of the hinge in', `${period.toFixed(4)} s`),
  ];
  return {
    key: 'arm',
    title: 'Tangent arm',
    graded:
      passes === null
        ? { grade: 'even', word: `Within ±${limitText(allowed)}` }
        : { grade: 'misses', word: `Misses after ${measured(passes / 60)} min` },
    lines: [
      line(
        figureOf({
          key: 'arm.radius',
          label: 'hinge to screw, right at the start',
          value: right,
          text: [right.toFixed(3), { unit: 'mm' }],
          from: [...base, worked('ρ', 'lead × turns a second ÷ (2π ÷ period)')],
        }),
        arm.radiusMm === undefined ? 'in force' : `the arm has ${measured(radius)} mm`,
      ),
      line(
        figureOf({
          key: 'arm.error',
          label: `error after ${measured(arm.minutes)} min of a steady screw`,
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
          value: speedAt(arm.geometry, rate * session),
          text: [(100 * speedAt(arm.geometry, rate * session)).toFixed(3), { unit: '%' }],
          from: [
            ...base,
            worked(
              'right speed goes with',
              { straight: '1/cos²θ', isosceles: 'cos(θ/2)', curved: '1, always' }[arm.geometry],
            ),
          ],
        }),
        'of that at the start',
      ),
    ],
    says: [
      arm.geometry === 'curved'
        ? 'A curved rod keeps the rate at a steady speed; the others want the table.'
        : `Steps by the table leave at most ${angleText(left)}${left <= allowed ? ', within what is allowed' : ', more than is allowed: change the speed more often'}; the speed changes each minute.`,
    ],
    charts: [
      {
        key: 'arm.error',
        title: 'Error of a steady screw',
        x: 'min',
        y: '″',
        series: [
          {
            name: SCREWS[arm.geometry][0],
            points: every.map((t) => [t / 60, armError(turning, t)] as const),
            look: 'main',
          },
          {
            name: `±${limitText(allowed)}`,
            points: [
              [0, allowed],
              [arm.minutes, allowed],
            ],
            look: 'limit',
          },
          {
            name: '',
            points: [
              [0, -allowed],
              [arm.minutes, -allowed],
            ],
            look: 'limit',
          },
        ],
        says: `${signedAngle(end)} after ${measured(arm.minutes)} min.`,
      },
    ],
    table: {
      title: 'Correction table',
      head: ['from, s', 'screw turns a second', 'steps a second', 'left, ″'],
      rows: table.map((c) => [
        String(c.seconds),
        c.turnsPerSecond.toFixed(8),
        stepsOf(drive, c.turnsPerSecond),
        c.leftArcsec.toFixed(4),
      ]),
    },
  };
}

/** Steps a second of a motor that turns the screw through the train; the whole train counts as what is before the screw. */
function stepsOf(drive: Drive, turnsPerSecond: number): string {
  const { source } = drive.train;
  return source.kind === 'stepper' ? (turnsPerSecond * source.fullSteps * source.mode).toFixed(5) : '';
}
