import { measured } from '../../../words/index.ts';
import { empty, type VerdictCell } from '../../cell.ts';
import { marginText } from '../../force/words.ts';
import type { DutyReport } from '../duty.ts';
import type { DutyContext } from '../kind.ts';

/** The speed that the load is given, where no range of speeds is asked. */
export function loadSpeedCell({ drive, force }: DutyContext): VerdictCell | null {
  const rpm = drive.job.load?.speedRpm;
  const judged = force();
  if (rpm === undefined || !judged?.range) return null;
  const shown = measured(judged.range[1]);
  return {
    ...empty('speed', 'judged', ''),
    group: 'force',
    figure: {
      key: 'load.speed',
      label: 'speed of the load',
      value: rpm,
      text: [shown, { unit: 'rpm' }],
      exact: true,
      working: () => [
        { label: 'asked', text: [`${rpm} rpm of the work`], exact: true },
        {
          label: 'the motor has',
          text: [judged.motor.margin === null ? 'not known' : marginText(judged.motor.margin)],
          exact: false,
        },
        { label: 'speed of the load', text: [{ strong: `${shown} rpm` }], exact: true },
      ],
    },
    graded: judged.motor.graded,
  };
}

/** The least of the motor's margin over the speeds asked and of the weakest mesh. */
export function forceCell({ force }: DutyContext, loads: readonly DutyReport[]): VerdictCell | null {
  const judged = force();
  if (!judged) return null;
  const known = judged.margin !== null;
  return {
    ...empty('force', 'judged', 'the motor is not known'),
    group: 'force',
    figure: known ? (loads[0]?.lines[0]?.figure ?? null) : null,
    graded: known ? judged.graded : null,
  };
}
