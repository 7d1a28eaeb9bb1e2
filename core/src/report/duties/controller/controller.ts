import { counterBits } from '../../../drive/index.ts';
import { exactly, toNumber } from '../../../numbers/index.ts';
import type { Drive, Kinematics } from '../../../drive/index.ts';
import { gradeReach } from '../../../motion/index.ts';
import { longestWait } from '../../../follow/index.ts';
import { speedOf } from '../../../travel/index.ts';
import { type Graded, grouped, measured } from '../../../words/index.ts';
import { figureOf, line, worked, type DutyLine, type DutyReport } from '../duty.ts';
import type { RateReport } from '../rates/way.ts';
import { only, type DutyKind } from '../kind.ts';

/** What one duty asks of the controller: the work's speed, and the steps a second it takes. */
interface Load {
  readonly of: string;
  /** turns of the work a second */
  readonly turns: number;
  readonly steps: number | null;
}

/** The budgets of the controller: step rate, counter width, interrupts of an encoder; its memory stands with the tables. (handbook: run) */
function controllerReport(drive: Drive, k: Kinematics, rates: readonly RateReport[]): DutyReport | null {
  const { timer, encoder } = drive;
  if (!timer) return null;
  const loads = loadsOf(drive, k, rates);
  const fastest = loads.reduce<Load | null>((a, b) => (!a || (b.steps ?? 0) > (a.steps ?? 0) ? b : a), null);
  const quickest = loads.reduce<Load | null>((a, b) => (!a || b.turns > a.turns ? b : a), null);
  const widest = rates.flatMap((r) => (r.timing ? [r.timing] : []));
  const longest = widest.reduce((n, t) => (t.spread.q + 1n > n ? t.spread.q + 1n : n), 0n);
  const most = timer.maxStepsPerSecond === undefined ? null : toNumber(exactly(timer.maxStepsPerSecond));
  // a motor that is counted is watched, not stepped: what comes in is what must be served
  const counted = drive.train.source.kind === 'encoderMotor';
  const lines: DutyLine[] = [];
  if (fastest?.steps)
    lines.push(
      line(
        figureOf({
          key: 'controller.steps',
          label: counted ? 'interrupts a second from the motor’s encoder' : 'greatest step rate asked',
          value: fastest.steps,
          text: [measured(fastest.steps), { unit: counted ? 'a second' : 'steps/s' }],
          from: [worked('asked by', fastest.of)],
        }),
        most === null || counted
          ? `asked by ${fastest.of}`
          : `asked by ${fastest.of}; it makes ${measured(most)}`,
        most === null || counted ? null : enough(most, fastest.steps, 'steps/s'),
      ),
    );
  if (longest > 0n)
    lines.push(
      line(
        figureOf({
          key: 'controller.counter',
          label: 'longest wait, ticks',
          value: longest.toString(),
          text: [grouped(longest.toString())],
          exact: true,
          from: [
            worked(
              'counter',
              `${counterBits(timer)} bits hold ${grouped(longestWait(timer).toString())}`,
              true,
            ),
          ],
        }),
        `${counterBits(timer)} bits hold ${grouped(longestWait(timer).toString())}`,
        widest.every((t) => t.fits)
          ? { grade: 'enough', word: 'Fits' }
          : { grade: 'short', word: 'Too narrow' },
      ),
    );
  if (encoder && quickest) {
    const shaft = k.shafts[encoder.shaft];
    const perSecond =
      encoder.lines * encoder.decode * quickest.turns * (shaft ? toNumber(shaft.turnsPerOutputTurn) : 0);
    lines.push(
      line(
        figureOf({
          key: 'controller.interrupts',
          label: 'interrupts a second from the encoder',
          value: perSecond,
          text: [measured(perSecond), { unit: 'a second' }],
          from: [
            worked('encoder', `${encoder.lines} lines × ${encoder.decode}, on shaft ${encoder.shaft}`, true),
            worked('fastest', quickest.of),
          ],
        }),
        'each must be served before the next',
      ),
    );
  }
  const short = lines.find((l) => l.graded?.grade === 'short');
  return {
    key: 'controller',
    title: 'Controller',
    graded: short?.graded ?? null,
    lines,
    message:
      lines.length === 0
        ? ['Ask for a rate, a speed range or a sweep in the Job, and its budgets are told here.']
        : [],
    charts: [],
    table: null,
  };
}

function enough(top: number, wanted: number, unit: string): Graded {
  const grade = gradeReach(top, wanted);
  return { grade, word: grade === 'enough' ? 'Enough' : `Short by ${measured(wanted - top)} ${unit}` };
}

/** Everything that makes the motor step, with how fast. */
function loadsOf(drive: Drive, k: Kinematics, rates: readonly RateReport[]): readonly Load[] {
  const N = k.stepsPerTurn && toNumber(k.stepsPerTurn);
  const { spins = [], sweeps = [] } = drive.job;
  return [
    ...rates.map((r) => ({
      of: r.name,
      turns: r.arm ? r.arm.turnsPerSecond : 1 / toNumber(r.period),
      steps: r.timing && toNumber(r.timing.stepsPerSecond),
    })),
    ...spins.map((s, i) => {
      const turns = toNumber(exactly(s.maxRpm)) / 60;
      return { of: `speed range ${i + 1}`, turns, steps: N && turns * N };
    }),
    ...sweeps
      .filter((s) => s.intervalSeconds !== undefined && s.stepsPerUnit === undefined)
      .map((s) => {
        const { top } = speedOf(s, drive.timer);
        return { of: s.name ?? 'a sweep', turns: N ? top / N : 0, steps: top };
      }),
  ];
}

/** The budgets of the controller, which follow from everything that makes the motor step. */
export const controller: DutyKind = {
  group: { id: 'rate', title: 'Rate' },
  asked: () => false,
  many: false,
  reports: ({ drive, k, rates }) => only(drive.timer ? controllerReport(drive, k, rates()) : null),
  rests: () => false,
};
