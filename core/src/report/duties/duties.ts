import { counted, type Figure, inWords } from '../../words/index.ts';
import type { Drive, Kinematics, Rate, Spin, Sweep } from '../../drive/index.ts';
import { fails } from '../../motion/index.ts';
import { lazy } from '../lazy.ts';
import type { DutyReport } from './duty.ts';
import { followsSay, rateReports } from './rates.ts';
import type { RateReport } from './rate-way.ts';
import { dutyKinds, type DutyKindId } from './kinds.ts';
import { togetherMessage } from './together.ts';

/** Every duty besides dividing, each judged when it is first asked for. */
export interface DutiesReport {
  readonly rates: readonly RateReport[];
  /** of one kind, one after the other */
  readonly of: (kind: DutyKindId) => readonly DutyReport[];
  /** of a kind of which there is one; null when it is not asked */
  readonly one: (kind: DutyKindId) => DutyReport | null;
  /** why the sweeps are no shot together; null when they are */
  readonly together: string | null;
  /** of all kinds, one after the other */
  readonly all: readonly DutyReport[];
  /** the first that misses, in words; null when none does */
  readonly attention: string | null;
}

/** Computed when first asked for. */
export function dutiesReport(drive: Drive, k: Kinematics): DutiesReport {
  const rates = lazy(() => rateReports(drive, k));
  const made = new Map<DutyKindId, readonly DutyReport[]>();
  const of = (id: DutyKindId): readonly DutyReport[] => {
    const known = made.get(id) ?? dutyKinds[id].reports({ drive, k, rates });
    made.set(id, known);
    return known;
  };
  const together = lazy(() => togetherMessage(drive));
  const all = lazy(() => (Object.keys(dutyKinds) as DutyKindId[]).flatMap(of));
  return {
    get rates() {
      return rates();
    },
    of,
    one: (id) => of(id)[0] ?? null,
    get together() {
      return together();
    },
    get all() {
      return all();
    },
    get attention() {
      const rate = rates().find((r) => fails(r.graded.grade));
      if (rate) return `${rate.name}: ${rate.graded.word.toLowerCase()}`;
      const duty = all().find((d) => d.graded && fails(d.graded.grade));
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
