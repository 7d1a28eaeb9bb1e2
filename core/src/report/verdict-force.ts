import { fails } from '../motion/index.ts';
import { marginText, worse } from './force/words.ts';
import { measured } from '../words/index.ts';
import { empty, type Judged, type VerdictCell } from './verdict-cell.ts';

/** What speeds at the work ask of the motor: the first that it cannot reach, else the first; else the load's own. */
export function speedCell({ spins, drive, force }: Judged): VerdictCell {
  const spin = spins.find((s) => s.graded && fails(s.graded.grade)) ?? spins[0];
  const rpm = drive.job.load?.speedRpm;
  if (!spin && rpm !== undefined) {
    const judged = force()!;
    return {
      ...empty('speed', 'judged', ''),
      group: 'force',
      figure: {
        key: 'load.speed',
        label: 'speed of the load',
        value: rpm,
        text: [measured(judged.range![1]), { unit: 'rpm' }],
        exact: true,
        working: () => [
          { label: 'asked', text: [`${rpm} rpm of the work`], exact: true },
          {
            label: 'the motor has',
            text: [judged.motor.margin === null ? 'not known' : marginText(judged.motor.margin)],
            exact: false,
          },
          {
            label: 'speed of the load',
            text: [{ strong: `${measured(judged.range![1])} rpm` }],
            exact: true,
          },
        ],
      },
      graded: judged.motor.graded,
    };
  }
  if (!spin) return empty('speed', 'asked', 'no speed asked');
  // with a load the motor's torque at those speeds is known better than its label
  const motor = force()?.motor;
  const graded =
    typeof motor?.margin !== 'number'
      ? spin.graded
      : spin.graded
        ? worse(spin.graded, motor.graded)
        : motor.graded;
  return {
    ...empty('speed', 'judged', ''),
    group: 'spin',
    figure: spin.lines[0]?.figure ?? null,
    graded: graded ?? { grade: 'unknown', word: 'Unknown' },
  };
}

/** The least of the motor's margin over the speeds asked and of the weakest mesh. */
export function forceCell({ force, loads }: Judged): VerdictCell {
  const judged = force();
  if (!judged) return empty('force', 'asked', 'no load given');
  return {
    ...empty('force', 'judged', 'the motor is not known'),
    group: 'force',
    figure: judged.margin === null ? null : (loads[0]?.lines[0]?.figure ?? null),
    graded: judged.margin === null ? null : judged.graded,
  };
}
