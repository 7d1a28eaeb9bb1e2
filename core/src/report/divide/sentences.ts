import { abs, compare, divisionRuns, rational, mul, isWhole, div } from '../../numbers/index.ts';
import type { Kinematics } from '../../drive/index.ts';
import { stepsToArcsec, type Divider, type Division } from '../../divide/index.ts';
import { UNITS } from './division-working.ts';
import { angleText, grouped, inLine, type Rich, shortList, whole } from '../../words/index.ts';

/** What a drive is for, in a few words for its title: "divides 57–60, 73 and 97". */
export function purpose(counts: readonly number[], moves = '', duties: readonly string[] = []): string {
  const pieces = moves
    .split(/[,;]/)
    .map((p) => p.trim())
    .filter((p) => p !== '');
  const runs = counts.length === 0 ? [] : divisionRuns(counts).split(', ');
  const all = [
    ...(runs.length > 0 ? [`divides ${shortList(runs, duties.length > 0 ? 4 : 7)}`] : []),
    ...(runs.length === 0 && pieces.length > 0 ? [`moves by ${shortList(pieces, 5)}`] : []),
    ...duties,
  ];
  return all.length === 0 ? 'nothing asked yet' : shortList(all, 3);
}

/** Which counts do not come out, why, and what to do about it; strong part first. null when all do. */
export function divisionsSay(k: Kinematics, divider: Divider, divisions: readonly Division[]): Rich | null {
  const off = divisions.filter((d) => d.step.d > 1n);
  if (off.length === 0) return null;
  const N = inLine(divider.stepsPerTurn);
  const names = shortList(off.map((d) => grouped(String(d.divisions))));
  const verb = off.length === 1 ? 'does' : 'do';
  if (k.lock) {
    return [
      { strong: `The work rests at ${N} places a turn:` },
      ` ${names} ${verb} not go into them. The Geneva decides alone, whatever the motor does; change its slots or what comes after it.`,
    ];
  }
  const worstClosing = off.reduce((a, b) =>
    compare(abs(b.closingErrorSteps), abs(a.closingErrorSteps)) > 0 ? b : a,
  );
  const closing = stepsToArcsec(worstClosing.closingErrorSteps, divider.stepsPerTurn);
  const repeat = `repeat one count and ${grouped(String(worstClosing.divisions))} closes ${angleText(Math.abs(closing))} ${closing > 0 ? 'over' : 'short'}`;
  if (k.turnsToClose !== null && k.turnsToClose > 1n)
    return [
      { strong: `One turn is ${N} steps, not a whole number:` },
      ` nothing comes out even until ${whole(k.turnsToClose)} turns are done. Send each tooth to its own ${UNITS[divider.by]} and nothing adds up; ${repeat}.`,
    ];
  const lacking = [...new Set(off.map((d) => whole(d.missingFactor)))];
  const finer = finerMode(off, divider);
  const cure = finer
    ? ` Microsteps of 1/${finer.mode} would do for ${shortList(finer.counts.map((D) => grouped(String(D))))}.`
    : '';
  return [
    { strong: `${names} ${verb} not divide ${N}:` },
    ` the train has no ${shortList(lacking, 5, 'or')}. Send each tooth to its own ${UNITS[divider.by]} and nothing adds up; ${repeat}.${cure}`,
  ];
}

/** The mode of the driver in which most of the counts would be whole, and just those; the coarsest of equals. */
function finerMode(
  off: readonly Division[],
  { fullStepsPerTurn, modes }: Divider,
): { readonly mode: number; readonly counts: readonly number[] } | null {
  const whole = (mode: number, D: number): boolean =>
    isWhole(div(mul(fullStepsPerTurn, rational(mode)), rational(D)));
  return modes
    .map((mode) => ({ mode, counts: off.map((d) => d.divisions).filter((D) => whole(mode, D)) }))
    .reduce<{ readonly mode: number; readonly counts: readonly number[] } | null>(
      (best, m) => (m.counts.length > (best?.counts.length ?? 0) ? m : best),
      null,
    );
}

/** Said of counts greater than the steps of a turn: several share one place. */
export function idleSay(divisions: readonly Division[]): string | null {
  const idle = divisions.filter((d) => d.idle);
  if (idle.length === 0) return null;
  return `${shortList(idle.map((d) => grouped(String(d.divisions))))} ${idle.length === 1 ? 'is' : 'are'} more than the steps of a turn: some places do not move at all.`;
}
