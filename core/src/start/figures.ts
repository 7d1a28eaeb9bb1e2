import { fails, toleranceArcsec, toleranceOf } from '../motion/index.ts';
import type { CellId, DutyReport, Report } from '../report/index.ts';
import { tellMeasure, type Candidate, type Told } from '../choose/index.ts';
import type { AimId } from './aims/index.ts';

/** What a first drive is looked at for: one figure, and how many times over it does what is asked. */
export interface Main {
  readonly label: string;
  readonly told: Told;
  /** 1 or more does it; null where that is not known */
  readonly reach: number | null;
}

const cell = (report: Report, id: CellId): Told => {
  const c = report.verdict.find((v) => v.cell === id)!;
  return c.figure ? { text: c.figure.text, graded: c.graded } : { text: [], graded: null, note: c.absent };
};

const over = (wanted: number | null | undefined, has: number | null | undefined): number | null =>
  wanted && has ? has / wanted : null;

const round = (candidate: Candidate): Main => {
  const { drive, report } = candidate;
  const seen = report.duties.one('camera');
  const longest = seen?.lines.find((l) => l.figure.key === 'camera.longest')?.figure.value;
  return {
    label: 'stays round',
    told: { ...tellMeasure('round', candidate), graded: seen?.graded ?? null },
    reach: over(drive.job.camera?.exposureSeconds, typeof longest === 'number' ? longest : null),
  };
};

const sweep = ({ report }: Candidate): Main => {
  const [first] = report.duties.of('sweeps');
  const line = first?.lines[0];
  return {
    label: line?.figure.label ?? 'each picture',
    told: { text: line?.figure.text ?? [], graded: first?.graded ?? null },
    reach: first ? 1 : null,
  };
};

const allLand = ({ verdict }: Report): boolean => {
  const grade = verdict.find((c) => c.cell === 'divisions')?.graded?.grade;
  return grade === 'even' || grade === 'evenMicrostep';
};

const mains = {
  divide: ({ drive, report }: Candidate): Main => {
    // what has no circle is not divided, however true the rest is
    if (report.of.byHand && !allLand(report))
      return { label: 'divides', told: cell(report, 'divisions'), reach: 0 };
    const tolerance = toleranceOf(drive.job);
    return {
      label: 'errs',
      told: cell(report, 'error'),
      reach: over(report.of.errors.budgets.dividing?.budget.worst, tolerance && toleranceArcsec(tolerance)),
    };
  },
  sky: round,
  camera: sweep,
  table: ({ report }: Candidate): Main => ({
    label: 'turns it',
    told: cell(report, 'force'),
    reach: report.of.force?.margin ?? null,
  }),
} as const satisfies Readonly<Partial<Record<AimId, (c: Candidate) => Main>>>;

export type BuiltAim = keyof typeof mains;
export const isBuilt = (aim: AimId): aim is BuiltAim => aim in mains;
export const mainOf = (aim: BuiltAim, candidate: Candidate): Main => mains[aim](candidate);

/** What of a drive fails, cell by cell and duty by duty. */
export function failing(report: Report): readonly string[] {
  const cells = report.verdict.filter((c) => c.graded && fails(c.graded.grade)).map((c) => c.graded!.word);
  const duties = report.duties.all.filter((d: DutyReport) => d.graded && fails(d.graded.grade));
  return [...cells, ...duties.map((d) => d.graded!.word)];
}

/** Does it run roughly, or only just? */
export const isRough = (report: Report): boolean =>
  [
    ...report.verdict.map((c) => c.graded),
    ...report.duties.all.flatMap((d) => [d.graded, ...d.lines.map((l) => l.graded)]),
  ].some((g) => g?.grade === 'close');
