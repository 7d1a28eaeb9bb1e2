import { fails } from '../../../motion/index.ts';
import { empty, type VerdictCell } from '../../cell.ts';
import { worse } from '../../force/words.ts';
import type { DutyReport } from '../duty.ts';
import type { DutyContext } from '../kind.ts';

/** What speeds at the work ask of the motor: the first that it cannot reach, else the first. */
export function speedCell({ force }: DutyContext, spins: readonly DutyReport[]): VerdictCell | null {
  const spin = spins.find((s) => s.graded && fails(s.graded.grade)) ?? spins[0];
  if (!spin) return null;
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
