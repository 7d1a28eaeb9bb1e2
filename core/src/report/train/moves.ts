import { exactly, piText, piToNumber } from '../../numbers/index.ts';
import { readMoves, type Drive, type Kinematics } from '../../drive/index.ts';
import { judgeMove, type JudgedMove } from '../../divide/index.ts';
import {
  doubtful,
  type Figure,
  type Graded,
  lengthText,
  measured,
  mixed,
  type Rich,
  strong,
  whole,
} from '../../words/index.ts';
import { moveLabel } from '../../plans/index.ts';
import { turnLine } from './train.ts';

/** One wanted move of a linear output. */
export interface MoveReport {
  readonly label: string;
  readonly graded: Graded;
  readonly figure: Figure;
}

/** The wanted moves of a linear output, judged. */
export function moveReports(drive: Drive, k: Kinematics): readonly MoveReport[] {
  const read = readMoves(drive.job.moves ?? '');
  if (!k.travel || !read.ok) return [];
  const tolerance = drive.job.toleranceMm === undefined ? null : exactly(drive.job.toleranceMm);
  return read.value.flatMap((move, i) => {
    const judged = judgeMove(drive, k, move, tolerance);
    return judged ? [moveReport(drive, k, judged, i)] : [];
  });
}

function moveReport(drive: Drive, k: Kinematics, m: JudgedMove, i: number): MoveReport {
  const error = lengthText(Math.abs(m.errorMm)).join(' ');
  const words: Record<string, string> = {
    even: 'Even',
    evenMicrostep: `Even at 1/${m.coarsestMode ?? '?'}`,
    rounded: `Rounded ±${error}`,
    misses: m.stopped ? `Stopped by the limit, ${error} short` : `Misses, off by ${error}`,
  };
  const label = moveLabel(m.move);
  const steps: Rich = m.steps.piPower === 0 ? mixed(m.steps.q) : [measured(piToNumber(m.steps))];
  const exactSteps = piText(m.steps);
  return {
    label,
    graded: doubtful({ grade: m.grade, word: words[m.grade] ?? 'Unknown' }, m.doubt, 'ppm'),
    figure: {
      key: `work.move${i}`,
      label: `steps for ${label}`,
      value: exactSteps,
      text: steps,
      exact: m.steps.piPower === 0,
      working: () => [
        turnLine(drive, k),
        { label: 'travel a turn', text: [`${piText(k.travel!)} mm`], exact: true },
        { label: 'the move', text: [`${piText(m.move.mm)} mm`], exact: true },
        { label: 'steps, exactly', text: [exactSteps], exact: true },
        ...(m.errorMm === 0
          ? []
          : [
              {
                label: 'goes to',
                text: [`${whole(m.nearest)}: ${error} ${m.errorMm > 0 ? 'too far' : 'short'}`],
                exact: false,
              },
            ]),
        { label: `steps for ${label}`, text: strong(steps), exact: m.steps.piPower === 0 },
      ],
    },
  };
}
