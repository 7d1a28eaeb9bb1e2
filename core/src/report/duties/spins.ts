import { exactly, toNumber, toText, type Rational } from '../../numbers/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import { knobReport as knobOf, SMOOTH_STEPS, spinReport } from '../../travel/index.ts';
import { lengthText, measured, mixed } from '../text.ts';
import { ratioFigure, stepsFigure } from '../train.ts';
import { figureOf, line, worked, type DutyLine, type DutyReport } from './duty.ts';

const range = ([low, high]: readonly [Rational, Rational]): string =>
  toText(low) === toText(high)
    ? measured(toNumber(low))
    : `${measured(toNumber(low))} to ${measured(toNumber(high))}`;

/** Speeds at the work, and what they ask of the motor. (handbook: travel) */
export function spinReports(drive: Drive, k: Kinematics): readonly DutyReport[] {
  const radius = drive.job.radiusMm === undefined ? null : exactly(drive.job.radiusMm);
  return (drive.job.spins ?? []).map((spin, at) => {
    const key = `spin.${at}`;
    const r = spinReport(spin, k, radius);
    const ratio = worked(
      'through the train',
      [...ratioFigure(drive, k).text, ' : 1'],
      k.inexact.length === 0,
    );
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
        r.reach === null
          ? null
          : r.reach >= 1
            ? { grade: 'even', word: 'Enough' }
            : { grade: 'misses', word: `Short by ${measured(toNumber(r.motorRpm[1]) - spin.motorRpm!)} rpm` },
      ),
    ];
    if (r.stepRate)
      lines.push(
        line(
          figureOf({
            key: `${key}.steps`,
            label: 'microsteps a second',
            value: toText(r.stepRate[1]),
            text: [range(r.stepRate), { unit: 'steps/s' }],
            from: [speed, worked('steps a turn', stepsFigure(drive, k).text, true)],
          }),
        ),
      );
    if (r.perTenth !== null)
      lines.push(
        line(
          figureOf({
            key: `${key}.smooth`,
            label: 'microsteps in 0.1° of the work',
            value: r.perTenth,
            text: [measured(r.perTenth)],
            from: [worked('steps a turn', stepsFigure(drive, k).text, true)],
          }),
          `smooth slow turning wants about ${SMOOTH_STEPS}, an estimate`,
          r.perTenth >= SMOOTH_STEPS ? { grade: 'even', word: 'Smooth' } : { grade: 'rounded', word: 'Seen' },
        ),
      );
    if (r.rimUm !== null)
      lines.push(
        line(
          figureOf({
            key: `${key}.rim`,
            label: 'one microstep at the rim',
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
    const short = lines.find((l) => l.graded?.grade === 'misses');
    return {
      key,
      title: `Spin ${at + 1}`,
      graded: short?.graded ?? (r.reach === null ? null : { grade: 'even', word: 'Enough' }),
      lines,
      says:
        toNumber(exactly(spin.maxRpm)) < toNumber(exactly(spin.minRpm))
          ? ['The lower speed is above the upper one.']
          : [],
      charts: [],
      table: null,
    };
  });
}

/** A hand knob on the motor's shaft. */
export function handKnobReport(drive: Drive, k: Kinematics): DutyReport | null {
  const { knob } = drive.job;
  if (!knob) return null;
  const r = knobOf(knob, k);
  const ratio = worked('through the train', [...ratioFigure(drive, k).text, ' : 1'], k.inexact.length === 0);
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
          exact: true,
          from: [worked('range', `${knob.turnsOut} of a turn of the work`, true), ratio],
        }),
      ),
      line(
        figureOf({
          key: 'knob.mark',
          label: 'one mark at the work',
          value: toText(r.markArcsec),
          text: [measured(toNumber(r.markArcsec)), { unit: '″' }],
          exact: true,
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
    says: [],
    charts: [],
    table: null,
  };
}
