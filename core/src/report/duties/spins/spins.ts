import { exactly, toNumber, toText, type Rational } from '../../../numbers/index.ts';
import type { Drive, Kinematics, Spin } from '../../../drive/index.ts';
import { FELT, inBand, resonanceAtWork } from '../../../turning/index.ts';
import { knobReport as knobOf, SMOOTH_STEPS, spinReport, type SpinReport } from '../../../travel/index.ts';
import {
  doubtful,
  doubtText,
  type Graded,
  grouped,
  lengthText,
  measured,
  mixed,
  trimmed,
} from '../../../words/index.ts';
import { doubtOf, doubtOfAll, fails, gradeReach, isSure } from '../../../motion/index.ts';
import { ratioFigure, stepsFigure, stepUnit } from '../../train/train.ts';
import { figureOf, line, worked, type DutyLine, type DutyReport } from '../duty.ts';
import { only, type DutyKind } from '../kind.ts';
import { speedCell } from './cell.ts';

const range = ([low, high]: readonly [Rational, Rational]): string =>
  toText(low) === toText(high)
    ? measured(toNumber(low))
    : `${measured(toNumber(low))} to ${measured(toNumber(high))}`;

/** The motor's top speed against what is wanted of the shaft it is told of. */
function reached({ top, wanted }: NonNullable<SpinReport['reach']>, shaft: number): Graded {
  const grade = gradeReach(top, wanted);
  const where = shaft === 0 ? '' : ` at shaft ${shaft}`;
  return {
    grade,
    word: grade === 'enough' ? `Enough${where}` : `Short by ${measured(wanted - top)} rpm${where}`,
  };
}

/** The controller's greatest step rate against the fastest that is wanted; null while it is not known. */
function fastEnough({ timer }: Drive, wanted: number): Graded | null {
  if (timer?.maxStepsPerSecond === undefined) return null;
  const top = toNumber(exactly(timer.maxStepsPerSecond));
  const grade = gradeReach(top, wanted);
  return {
    grade,
    word: grade === 'enough' ? 'Enough' : `Short by ${grouped(String(Math.ceil(wanted - top)))} steps/s`,
  };
}

/** Where the motor shakes by itself, beside the speeds that are asked; null where nobody can tell. (handbook: force, resonance) */
function resonanceLine(drive: Drive, k: Kinematics, spin: Spin, key: string): DutyLine | null {
  const band = resonanceAtWork(drive, k);
  if (!band) return null;
  const [low, high] = [spin.minRpm, spin.maxRpm].map((rpm) => toNumber(exactly(rpm))) as [number, number];
  const rough = inBand(band, low, high);
  return line(
    figureOf({
      key: `${key}.resonance`,
      label: 'resonance band',
      value: band.rpm,
      text: [`${measured(band.fromRpm)} to ${measured(band.toRpm)}`, { unit: 'rpm' }],
      from: [
        worked(
          band.measured ? 'measured at the motor' : 'by torque and inertia',
          `${measured(band.stepRate)} full steps/s, a quarter about it`,
        ),
        worked('through the train', [...ratioFigure(drive, k).text, ' : 1'], isSure(doubtOfAll(k))),
      ],
    }),
    !rough
      ? 'at the work; none of it is asked'
      : `pushes ${Number((band.push * 100).toPrecision(2))} % of a full step’s: ${band.push >= FELT ? 'go through it quickly, or take a finer mode' : 'little of it is felt'}`,
    !rough
      ? { grade: 'passes', word: 'Clear' }
      : band.push >= FELT
        ? { grade: 'close', word: 'Shakes' }
        : { grade: 'passes', word: 'Slight' },
  );
}

/** Speeds at the work, and what they ask of motor and controller. (handbook: travel) */
function spinReports(drive: Drive, k: Kinematics): readonly DutyReport[] {
  const radius = drive.job.radiusMm === undefined ? null : exactly(drive.job.radiusMm);
  const unit = stepUnit(drive, k);
  return (drive.job.spins ?? []).map((spin, at) => {
    const key = `spin.${at}`;
    const r = spinReport(spin, k, radius);
    const ratio = worked('through the train', [...ratioFigure(drive, k).text, ' : 1'], isSure(doubtOfAll(k)));
    const speed = worked('at the work', `${spin.minRpm} to ${spin.maxRpm} rpm`, true);
    const lines: DutyLine[] = [
      line(
        figureOf({
          key: `${key}.motor`,
          label: 'motor at the fastest',
          value: toText(r.motorRpm[1]),
          text: [measured(toNumber(r.motorRpm[1])), { unit: 'rpm' }],
          from: [speed, ratio],
        }),
        `${measured(toNumber(r.motorRpm[0]))} rpm at the slowest`,
        r.reach && reached(r.reach, spin.motorShaft ?? 0),
      ),
    ];
    const shaking = resonanceLine(drive, k, spin, key);
    if (shaking) lines.push(shaking);
    if (r.stepRate)
      lines.push(
        line(
          figureOf({
            key: `${key}.steps`,
            label: `${unit}s a second`,
            value: toText(r.stepRate[1]),
            text: [range(r.stepRate), { unit: `${unit === 'microstep' ? 'step' : unit}s/s` }],
            from: [speed, worked('steps a turn', stepsFigure(drive, k).text, true)],
          }),
          '',
          fastEnough(drive, toNumber(r.stepRate[1])),
        ),
      );
    if (r.perTenth !== null)
      lines.push(
        line(
          figureOf({
            key: `${key}.smooth`,
            label: `${unit}s in 0.1° of the work`,
            value: r.perTenth,
            text: [measured(r.perTenth)],
            from: [worked('steps a turn', stepsFigure(drive, k).text, true)],
          }),
          `smooth slow turning wants about ${SMOOTH_STEPS}, an estimate`,
          r.perTenth >= SMOOTH_STEPS
            ? { grade: 'passes', word: 'Smooth' }
            : { grade: 'close', word: 'Visible' },
        ),
      );
    if (r.rimUm !== null)
      lines.push(
        line(
          figureOf({
            key: `${key}.rim`,
            label: `one ${unit} at the rim`,
            value: r.rimUm,
            text: [lengthText(r.rimUm / 1000).join(' ')],
            from: [
              worked('radius', `${drive.job.radiusMm} mm`),
              worked('steps a turn', stepsFigure(drive, k).text, true),
            ],
          }),
        ),
      );
    if (r.knobPercent !== null)
      lines.push(
        line(
          figureOf({
            key: `${key}.knob`,
            label: 'one step of the knob at the low end',
            value: r.knobPercent,
            text: [measured(r.knobPercent), { unit: '%' }],
            from: [speed, worked('readings', `2^${spin.knobBits} − 1 = ${2 ** spin.knobBits! - 1}`, true)],
          }),
          'of the speed there',
        ),
      );
    const short = lines.find((l) => l.graded && fails(l.graded.grade));
    const judged = lines.some((l) => l.graded?.grade === 'enough');
    const rough = shaking?.graded?.grade === 'close' ? shaking.graded : null;
    const doubt = doubtOf(k);
    return {
      key,
      title: `Speed range ${at + 1}`,
      graded:
        short?.graded ??
        rough ??
        (judged ? doubtful({ grade: 'enough', word: 'Enough' }, doubt, 'ppm') : null),
      lines,
      message: [
        ...(toNumber(exactly(spin.maxRpm)) < toNumber(exactly(spin.minRpm))
          ? ['The lower speed is above the upper one.']
          : []),
        ...(k.lock
          ? ['A Geneva moves the work by jerks: these are the mean speeds, it stands still in between.']
          : []),
        ...(isSure(doubt) ? [] : [`The speeds of motor and work go together${doubtText(doubt, 'ppm')}.`]),
      ],
      charts: [],
      table: null,
    };
  });
}

/** A hand knob on the motor's shaft. */
function handKnobReport(drive: Drive, k: Kinematics): DutyReport | null {
  const { knob } = drive.job;
  if (!knob) return null;
  const r = knobOf(knob, k);
  const ratio = worked('through the train', [...ratioFigure(drive, k).text, ' : 1'], isSure(doubtOfAll(k)));
  const sure = isSure(doubtOf(k)) && !k.lock;
  const doubt = doubtText(doubtOf(k), 'ppm');
  return {
    key: 'knob',
    title: 'Hand knob',
    graded: null,
    lines: [
      line(
        figureOf({
          key: 'knob.turns',
          label: 'turns across the range',
          value: toText(r.turns),
          text: mixed(r.turns),
          exact: sure,
          from: [worked('range', `${knob.turnsOut} of a turn of the work`, true), ratio],
        }),
      ),
      line(
        figureOf({
          key: 'knob.mark',
          label: 'one mark at the work',
          value: toText(r.markArcsec),
          text: [measured(toNumber(r.markArcsec)), { unit: '″' }],
          exact: sure,
          from: [worked('marks', String(knob.marks), true), ratio],
        }),
      ),
      ...(r.windowTurns === null
        ? []
        : [
            line(
              figureOf({
                key: 'knob.window',
                label: 'turns in one window',
                value: toText(r.windowTurns),
                text: mixed(r.windowTurns),
                exact: true,
                from: [worked('window', `${knob.windowArcsec}″`, true), ratio],
              }),
              `${measured(toNumber(r.windowTurns) * knob.marks)} marks`,
            ),
          ]),
    ],
    message: [
      ...(doubt ? [`Turns and marks are right${doubt}.`] : []),
      ...(k.lock ? ['A Geneva jumps from rest to rest: between them the knob turns nothing.'] : []),
    ],
    charts: [],
    table: null,
  };
}

/** As it would be written, not as a fraction. */
const plainRpm = (rpm: string): string => trimmed(toNumber(exactly(rpm)), 6);

const group = { id: 'spin', title: 'Speed' };

/** Ranges of speed at the work. (handbook: travel) */
export const spins: DutyKind = {
  group,
  ask: {
    title: 'Speed range',
    purpose: 'how fast the motor must turn for the speeds at the work',
    edit: { do: 'addDuty', duty: 'spins' },
    empty: {
      title: 'No speed is asked',
      message: 'A range of speeds at the work: what the motor must turn at, and how smooth it looks.',
      add: 'Ask for a range of speeds',
    },
  },
  asked: ({ job }) => (job.spins ?? []).length > 0,
  many: true,
  reports: ({ drive, k }) => spinReports(drive, k),
  says: ({ job: { spins: [spin] = [] } }) =>
    spin ? `turns at ${plainRpm(spin.minRpm)} to ${plainRpm(spin.maxRpm)} rpm` : null,
  job: { word: 'Speed range', inputs: ['minRpm', 'maxRpm'] },
  cells: { speed: speedCell },
};

/** A knob on the motor’s shaft. (handbook: travel) */
export const knob: DutyKind = {
  group,
  ask: {
    title: 'Hand knob',
    purpose: 'a knob on the shaft: how far one mark turns the work',
    edit: { do: 'addDuty', duty: 'knob' },
    empty: {
      title: 'Turned by hand',
      message:
        'A knob on the motor’s shaft: how far one mark turns the work, and how many turns go across a range.',
      add: 'Add a hand knob',
    },
  },
  asked: ({ job }) => job.knob !== undefined,
  many: false,
  reports: ({ drive, k }) => only(handKnobReport(drive, k)),
};
