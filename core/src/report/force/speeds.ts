import { shakes, type AtSpeed, type Force } from '../../force/index.ts';
import { type Graded, grouped, measured } from '../../words/index.ts';
import { marginGrade, marginText, worse } from './words.ts';

export interface SpeedRow {
  readonly rpm: string;
  readonly stepRate: string;
  readonly needs: string;
  readonly has: string;
  readonly margin: string;
  readonly graded: Graded;
  readonly message: string;
  /** the job asks for it */
  readonly asked: boolean;
  /** it runs where it shakes */
  readonly shakes: boolean;
}

/** Speeds that are told: those asked, a few between, and the limits beyond. */
export function speedRows(force: Force, range: readonly [number, number] | null): readonly SpeedRow[] {
  const [low, high] = range ?? [null, null];
  const between = low !== null && high !== null && high > low * 1.5 ? [Math.sqrt(low * high)] : [];
  const asked = low === null || high === null ? [] : [...new Set([low, ...between, high])];
  const limits = (
    [
      [force.pullInRpm, 'last start without a ramp'],
      [force.cornerRpm, 'corner: torque falls from here'],
      [force.stallRpm, 'nothing left'],
    ] as const
  ).flatMap(([rpm, message]) =>
    rpm === null || !Number.isFinite(rpm) ? [] : [{ rpm, message, asked: false }],
  );
  const rows = [
    ...asked.map((rpm) => ({
      rpm,
      message:
        low === high ? 'the job' : rpm === high ? 'top of the job' : rpm === low ? 'slowest of the job' : '',
      asked: true,
    })),
    ...limits,
  ].sort((a, b) => a.rpm - b.rpm);
  return rows.map(({ rpm, message, asked }): SpeedRow => {
    const at = force.at(rpm);
    const rough = shakes(force, at);
    return {
      rpm: measured(rpm),
      stepRate: at.stepRate === null ? '' : grouped(String(Number(at.stepRate.toPrecision(3)))),
      needs: measured(force.motorNm * 1000),
      has: at.availableNm === null ? '–' : measured(at.availableNm * 1000),
      margin: at.margin === null ? '' : marginText(at.margin),
      graded: rpm === force.stallRpm ? { grade: 'short', word: 'Stalls' } : gradeAt(force, at),
      message: at.inBand
        ? `in the resonance band${rough ? '' : `, ${push(force)} of a full step’s push`}`
        : message,
      asked,
      shakes: rough,
    };
  });
}

const push = (force: Force): string => `${Number(((force.resonance?.push ?? 1) * 100).toPrecision(2))} %`;

/** In the band what there is is not to be relied on: no better than close. */
export const gradeAt = (force: Force, at: AtSpeed): Graded => {
  const graded = marginGrade(at.margin);
  return shakes(force, at) ? worse(graded, { grade: 'close', word: 'Close' }) : graded;
};
