import { stepsToArcsec, type Division } from '../../divide/index.ts';
import { doubtArcsec, halfStep, stepAtWork } from '../../motion/index.ts';
import type { ErrorTerm, TermKind } from '../../errors/index.ts';
import type { CauseId } from '../../follow/index.ts';
import type { Base } from '../base.ts';
import { UNITS } from '../divide/division-working.ts';
import type { RateReport } from '../duties/rates/way.ts';

/** How long errors of a rate gather when no camera says. (docs: formats) */
const HOUR = 3600;

const own = (
  { k }: Base,
  key: string,
  cause: string,
  kind: TermKind,
  arcsec: number | null,
  known: ErrorTerm['known'],
): ErrorTerm => ({
  id: `job.${key}`,
  cause,
  stage: null,
  shaft: k.shafts.length - 1,
  kind,
  arcsec,
  turnsPerOutputTurn: null,
  known,
  value: null,
});

/** What a count brings of its own: the rounding to whole stops, and what a measured ratio leaves. */
export function dividingTerms(of: Base, d: Division): readonly ErrorTerm[] {
  const { divider } = of;
  if (!divider) return [];
  const doubt = doubtArcsec(divider.doubt);
  return [
    own(
      of,
      'rounding',
      'rounding',
      'rounding',
      stepsToArcsec(d.worstErrorSteps, divider.stepsPerTurn),
      'exact',
    ),
    ...(doubt > 0 ? [own(of, 'measured', 'measured ratio', 'drift', doubt, 'measured')] : []),
  ];
}

/** How a cause of a rate stands in the budget. */
const RATES: Readonly<Record<CauseId, readonly [string, TermKind, ErrorTerm['known']]>> = {
  rounding: ['rate, rounded', 'drift', 'exact'],
  speed: ['speed of the source', 'drift', 'typed'],
  clock: ['clock', 'clock', 'dataSheet'],
  measured: ['measured ratio', 'drift', 'measured'],
  arm: ['arm opens as it turns', 'drift', 'exact'],
  polar: ['polar axis out', 'polar', 'typed'],
};

/** How long the job gathers, s: the camera's exposure, else an hour. */
export const gathered = ({ drive }: Base): number => drive.job.camera?.exposureSeconds ?? HOUR;

/** What following brings of its own: half a microstep, and what drifts for as long as is exposed. */
export function trackingTerms(of: Base, rate: RateReport): readonly ErrorTerm[] {
  const step = stepAtWork(of.drive, of.k);
  const seconds = gathered(of);
  return [
    ...(step ? [own(of, 'rounding', `half a ${UNITS[step.by]}`, 'rounding', halfStep(step), 'exact')] : []),
    ...rate.kept.map(({ id, arcsecPerSecond }) =>
      own(
        of,
        id === 'rounding' ? 'drift' : id,
        RATES[id][0],
        RATES[id][1],
        arcsecPerSecond * seconds,
        RATES[id][2],
      ),
    ),
  ];
}
