import { kinematicsOf, type Drive } from '../../drive/index.ts';
import { runningWaves } from '../../errors/index.ts';
import type { FindRequest, FoundRow } from '../../find/index.ts';
import { stepAtWork } from '../../motion/index.ts';
import { withFound } from './found-train.ts';
import { angleText } from '../../words/index.ts';

/** What a found train is at the work of the drive that it would be put in: the errors page's own figures, ″. */
export interface FoundAtWork {
  /** one step, mark or count; null where the source has none */
  readonly stepArcsec: number | null;
  /** of a turn one way, all that is known of it at its worst, ±; null while nothing of it is known */
  readonly periodicArcsec: number | null;
  /** causes nobody knows the size of */
  readonly unknown: number;
}

const kept = new WeakMap<Drive, Map<string, FoundAtWork>>();

/** The figures of one row, reckoned when first asked for and kept while the drive stands. (handbook: errors) */
export function foundAtWork(drive: Drive, request: FindRequest, row: FoundRow, key: string): FoundAtWork {
  const known = kept.get(drive) ?? new Map<string, FoundAtWork>();
  kept.set(drive, known);
  const before = known.get(key);
  if (before) return before;
  const made = withFound(drive, request, row);
  const k = kinematicsOf(made);
  const { waves, unknown } = runningWaves(made, k, 1);
  const found = {
    stepArcsec: stepAtWork(made, k)?.arcsec ?? null,
    periodicArcsec: waves.length === 0 && unknown > 0 ? null : waves.reduce((n, w) => n + w.arcsec, 0),
    unknown,
  };
  known.set(key, found);
  return found;
}

export const stepText = ({ stepArcsec }: FoundAtWork): string =>
  stepArcsec === null ? '–' : angleText(stepArcsec);

/** "±12.3″", with +? where something of it is not known; never a figure where nothing is. */
export const periodicText = ({ periodicArcsec, unknown }: FoundAtWork): string =>
  periodicArcsec === null ? 'Unknown' : `±${angleText(periodicArcsec)}${unknown > 0 ? '+?' : ''}`;
