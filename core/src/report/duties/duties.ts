import { inWords, counted } from '../text.ts';
import type { Drive, Kinematics, Rate, Spin, Sweep } from '../../drive/index.ts';
import { fails } from '../../motion/index.ts';
import type { Figure } from '../figure.ts';
import { lazy } from '../lazy.ts';
import { armReport } from './arm.ts';
import { altAzReport } from './alt-az.ts';
import { cameraReport } from './camera.ts';
import { controllerReport } from './controller.ts';
import type { DutyReport } from './duty.ts';
import { followsSay, rateReports } from './rates.ts';
import type { RateReport } from './rate-way.ts';
import { handKnobReport, spinReports } from './spins.ts';
import { rampReport } from './ramp.ts';
import { togetherMessage } from './shot.ts';
import { sweepReports } from './sweeps.ts';

/** Every duty besides dividing, each judged. */
export interface DutiesReport {
  readonly rates: readonly RateReport[];
  readonly camera: DutyReport | null;
  readonly altAz: DutyReport | null;
  readonly arm: DutyReport | null;
  readonly sweeps: readonly DutyReport[];
  readonly together: string | null;
  readonly ramp: DutyReport | null;
  readonly spins: readonly DutyReport[];
  readonly knob: DutyReport | null;
  /** budgets of the controller */
  readonly controller: DutyReport | null;
  /** of all of them, one after the other */
  readonly all: readonly DutyReport[];
  /** the first that misses, in words; null when none does */
  readonly attention: string | null;
}

/** Computed when first asked for. */
export function dutiesReport(drive: Drive, k: Kinematics): DutiesReport {
  const rates = lazy(() => rateReports(drive, k));
  const camera = lazy(() => cameraReport(drive, k, rates()));
  const altAz = lazy(() => altAzReport(drive, k));
  const arm = lazy(() => armReport(drive, k));
  const sweeps = lazy(() => sweepReports(drive, k));
  const ramp = lazy(() => rampReport(drive));
  const spins = lazy(() => spinReports(drive, k));
  const knob = lazy(() => handKnobReport(drive, k));
  const controller = lazy(() => controllerReport(drive, k, rates()));
  const all = lazy(() =>
    [camera(), altAz(), arm(), ...sweeps(), ramp(), ...spins(), knob(), controller()].filter(
      (d) => d !== null,
    ),
  );
  return {
    get rates() {
      return rates();
    },
    get camera() {
      return camera();
    },
    get altAz() {
      return altAz();
    },
    get arm() {
      return arm();
    },
    get sweeps() {
      return sweeps();
    },
    get together() {
      return togetherMessage(drive, k);
    },
    get ramp() {
      return ramp();
    },
    get spins() {
      return spins();
    },
    get knob() {
      return knob();
    },
    get controller() {
      return controller();
    },
    get all() {
      return all();
    },
    get attention() {
      const rate = rates().find((r) => fails(r.graded.grade));
      if (rate) return `${rate.name}: ${rate.graded.word.toLowerCase()}`;
      const judged = [camera(), altAz(), arm(), ...sweeps(), ...spins(), controller()];
      const duty = judged.find((d) => d?.graded && fails(d.graded.grade));
      return duty ? `${duty.title}: ${duty.graded!.word.toLowerCase()}` : null;
    },
  };
}

/** A figure of a duty by its key: "rate.0.ticks", "camera.longest". */
export const dutyFigure = (duties: DutiesReport, key: string): Figure | null =>
  [
    ...duties.rates.flatMap((r) => [...r.figures, ...r.causes.map((c) => c.figure)]),
    ...duties.all.flatMap((d) => d.lines.map((l) => l.figure)),
  ].find((f) => f.key === key) ?? null;

/** Is anything asked but dividing? */
export const asksDuties = (drive: Drive): boolean => {
  const { rates, sweeps, spins, altAz, knob } = drive.job;
  return (
    [rates, sweeps, spins].some((l) => (l?.length ?? 0) > 0) ||
    [altAz, knob].some((d) => d !== undefined) ||
    drive.train.output.kind === 'tangentArm'
  );
};

interface Asked {
  readonly rates?: readonly Rate[];
  readonly sweeps?: readonly Sweep[];
  readonly spins?: readonly Spin[];
}

const UNIT = { deg: '°', mm: ' mm', turns: ' turns' } as const;

/** "follows the stars", "sweeps 0 to 90° in 240 frames": what else a drive is for. */
export function dutiesSay({ rates = [], sweeps = [], spins = [] }: Asked): readonly string[] {
  const [sweep] = sweeps;
  const [spin] = spins;
  return [
    ...(rates.length > 0 ? [followsSay(rates)] : []),
    ...(sweep
      ? [
          sweeps.length > 1
            ? `sweeps ${inWords(sweeps.length)} axes in ${counted(sweep.frames, 'frame')}`
            : `sweeps ${sweep.from} to ${sweep.to}${UNIT[sweep.unit]} in ${counted(sweep.frames, 'frame')}`,
        ]
      : []),
    ...(spin ? [`turns at ${spin.minRpm} to ${spin.maxRpm} rpm`] : []),
  ];
}
