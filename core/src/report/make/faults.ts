import { faults, type Fault, type FaultFigure } from '../../make/index.ts';
import { knownPlay, lostMotion } from '../../drive/index.ts';
import { stepAtWork } from '../../motion/index.ts';
import { resonanceAtWork } from '../../turning/index.ts';
import type { Context } from '../context.ts';
import { mostRounded } from '../divide/divide.ts';
import { closingFigure, UNITS } from '../divide/division-working.ts';
import { angleText, measured, plainText } from '../../words/index.ts';
import { marginText } from '../force/words.ts';

/** A check with what this very drive has to do with it. */
export interface ToldCheck {
  readonly id: string;
  readonly look: string;
  readonly cure: string;
  readonly own: string;
}

/** How a check came out: it was so, or it was not. */
export type Outcome = 'so' | 'not';

export interface FaultReport {
  readonly fault: Fault;
  readonly checks: readonly ToldCheck[];
}

const ARCSEC = 1_296_000;

/** A figure of the drive in words; nothing where it has none. */
function figureText(which: FaultFigure, of: Context): string {
  const { drive, k, errors, force, divider, divisions, duties } = of;
  switch (which) {
    case 'step': {
      const step = stepAtWork(drive, k);
      return step ? `one ${UNITS[step.by]} here is ${angleText(step.arcsec)}` : '';
    }
    case 'deadBand':
      return errors.finest ?? '';
    case 'resonance': {
      const band = resonanceAtWork(drive, k);
      return band ? `here ${measured(band.fromRpm)} to ${measured(band.toRpm)} rpm of the work` : '';
    }
    case 'margin':
      return typeof force?.margin === 'number' ? `here ${marginText(force.margin)}` : '';
    case 'lostMotion': {
      const lost = knownPlay(lostMotion(drive.train));
      return lost === null ? '' : `here ${angleText(lost * ARCSEC)}`;
    }
    case 'closing': {
      const most = mostRounded(divisions);
      return most && divider
        ? `here, for ${most.divisions}, ${plainText(closingFigure({ drive, k, divider, d: most }).text)}`
        : '';
    }
    case 'worstStage':
      return errors.first === null ? '' : (errors.of(errors.first)?.message?.strong ?? '');
    case 'rate':
      return duties.rates[0]?.largest ?? '';
    case 'limits':
      return drive.train.limits
        ? `here ${drive.train.limits.back} back, ${drive.train.limits.forth} forth`
        : 'no limits are set';
    case 'heat': {
      const heat = force?.stand.find((s) => s.id === 'heat');
      return heat?.message ?? '';
    }
  }
}

/** A symptom with its checks in order, the drive's own figures beside them; null for one that is not known. (handbook: make) */
export function faultReport(of: Context, id: string): FaultReport | null {
  const fault = faults.find((f) => f.id === id);
  if (!fault) return null;
  return {
    fault,
    checks: fault.checks.map(({ own, ...c }) => ({ ...c, own: own ? figureText(own, of) : '' })),
  };
}

/** "jerks.mode so 2026-11-28; jerks.friction not": what was tried, as the drive keeps it. */
export function readOutcomes(
  text: string | undefined,
): ReadonlyMap<string, { readonly outcome: Outcome; readonly day: string }> {
  const out = new Map<string, { outcome: Outcome; day: string }>();
  for (const part of (text ?? '').split(';')) {
    const [key = '', outcome, day = ''] = part.trim().split(/\s+/);
    if (outcome === 'so' || outcome === 'not') out.set(key, { outcome, day });
  }
  return out;
}

/** The same text with one more outcome; null takes it away. */
export function withOutcome(
  text: string | undefined,
  key: string,
  outcome: Outcome | null,
  day: string,
): string {
  const all = new Map(readOutcomes(text));
  if (outcome) all.set(key, { outcome, day });
  else all.delete(key);
  return [...all].map(([k, o]) => `${k} ${o.outcome} ${o.day}`.trim()).join('; ');
}
