import { ARCSEC_PER_TURN, abs, div, exactly, mul, rational, toNumber, toText } from '../numbers/index.ts';
import { judgeMove, stepsToArcsec, targets, type Divider, type Division } from '../divide/index.ts';
import { countsPerTurn, lostMotion, readMoves, type Drive, type Kinematics } from '../drive/index.ts';
import { arcsecAnHour, ppm, secondsADay } from '../follow/index.ts';
import { plainText, report, type DutyReport, type RateReport, type VerdictCell } from '../report/index.ts';

/** What `pendrix check --json` prints. Exact quantities are text, angles doubles. (docs: formats) */
export function checkAnswer(drive: Drive): object {
  const r = report(drive);
  const k = r.kinematics;
  const encoder = drive.encoder && countsPerTurn(k, drive.encoder);
  return {
    ratio: toText(k.reduction),
    stepsPerTurn: k.stepsPerTurn && toText(k.stepsPerTurn),
    countsPerTurn: encoder ? toText(encoder) : null,
    turnsToClose: k.turnsToClose === null ? null : k.turnsToClose.toString(),
    shafts: k.shafts.map((s) => ({ index: s.index, turnsPerOutputTurn: toText(s.turnsPerOutputTurn) })),
    secondsPerTurn: toNumber(div(mul(rational(60), abs(k.reduction)), k.speed.rpm)),
    travelPerTurnMm: k.travel && { q: toText(k.travel.q), piPower: k.travel.piPower },
    divisions: r.divider
      ? r.divisions.map((d) => divisionAnswer(d, r.divider!))
      : r.counts.map((divisions) => ({ divisions, grade: 'unknown', ...UNKNOWN })),
    ...(k.travel ? { moves: moveAnswers(drive, k) } : {}),
    rates: r.duties.rates.map(rateAnswer),
    sweeps: r.duties.sweeps.map(dutyAnswer),
    spins: r.duties.spins.map(dutyAnswer),
    ...Object.fromEntries(
      (
        [
          ['camera', r.duties.camera],
          ['altAz', r.duties.altAz],
          ['arm', r.duties.arm],
          ['knob', r.duties.knob],
        ] as const
      ).flatMap(([key, duty]) => (duty ? [[key, dutyAnswer(duty)]] : [])),
    ),
    misfits: r.train.stages.flatMap((s, stage) => s.warns.map((says) => ({ stage, says }))),
    lostMotionArcsec: lostMotion(drive.train).atWork * Number(ARCSEC_PER_TURN),
    verdict: r.verdict.map(verdictAnswer),
  };
}

/** A division that cannot be judged: the source has no steps. */
const UNKNOWN = {
  step: null,
  coarsestMode: null,
  missingFactor: null,
  worstErrorSteps: null,
  worstErrorArcsec: null,
  spacingErrorSteps: null,
  closingErrorSteps: null,
  truncatedErrorSteps: null,
  returnErrorSteps: null,
} as const;

function moveAnswers(drive: Drive, k: Kinematics): readonly object[] {
  const read = readMoves(drive.job.moves ?? '');
  const tolerance = drive.job.toleranceMm === undefined ? null : exactly(drive.job.toleranceMm);
  return (read.ok ? read.value : []).flatMap((move) => {
    const m = judgeMove(k, move, tolerance);
    return m
      ? [
          {
            move: move.text,
            steps: { q: toText(m.steps.q), piPower: m.steps.piPower },
            grade: m.grade,
            nearest: m.nearest.toString(),
            errorMm: m.errorMm,
          },
        ]
      : [];
  });
}

const divisionAnswer = (d: Division, divider: Divider): object => ({
  divisions: d.divisions,
  step: toText(d.step),
  grade: d.grade,
  coarsestMode: d.coarsestMode,
  missingFactor: d.missingFactor.toString(),
  worstErrorSteps: toText(d.worstErrorSteps),
  worstErrorArcsec: stepsToArcsec(d.worstErrorSteps, divider.stepsPerTurn),
  spacingErrorSteps: toText(d.spacingErrorSteps),
  closingErrorSteps: toText(d.closingErrorSteps),
  truncatedErrorSteps: toText(d.truncatedErrorSteps),
  returnErrorSteps: toText(d.returnErrorSteps),
  ...(d.ifExact ? { ifExact: true } : {}),
});

/** A rate as the timer keeps it. What no timer keeps has no ticks; a source that runs by itself is off by its own speed. */
function rateAnswer(r: RateReport): object {
  const { timing, chosen } = r;
  const base = {
    name: r.rate.name ?? r.rate.kind,
    periodSeconds: toText(r.period),
    half: r.rate.half === true,
    reverse: r.rate.reverse === true,
  };
  if (!timing)
    return {
      ...base,
      stepsPerSecond: null,
      intervalTicks: null,
      fixedTicks: null,
      fixedPpm: chosen ? ppm(chosen.off) : null,
      spread: null,
      fits: null,
      grade: r.graded.grade,
    };
  return {
    ...base,
    stepsPerSecond: toNumber(timing.stepsPerSecond),
    intervalTicks: toText(timing.interval),
    fixedTicks: timing.fixed && Number(timing.fixed.ticks),
    fixedPpm: timing.fixed && ppm(timing.fixed.off),
    arcsecPerHour: timing.fixed && arcsecAnHour(timing.fixed.off, r.period),
    secondsPerDay: timing.fixed && secondsADay(timing.fixed.off),
    spread: {
      q: timing.spread.q.toString(),
      num: timing.spread.num.toString(),
      den: timing.spread.den.toString(),
    },
    fits: timing.fits,
    grade: timing.even ? 'even' : timing.fits ? r.graded.grade : 'rounded',
  };
}

/** The figures of a duty by the last part of their keys. */
const dutyAnswer = (d: DutyReport): object => ({
  name: d.title,
  ...Object.fromEntries(d.lines.map((l) => [l.figure.key.replace(/^.*\./, ''), l.figure.value])),
  grade: d.graded?.grade ?? null,
});

/** A speed is enough or short, the others are even or miss. */
function gradeOf({ cell, graded }: VerdictCell): string {
  const grade = graded?.grade ?? 'unknown';
  if (cell !== 'speed') return grade;
  return grade === 'even' ? 'enough' : grade === 'misses' ? 'short' : 'unknown';
}

const verdictAnswer = (cell: VerdictCell): object => ({
  cell: cell.cell,
  grade: gradeOf(cell),
  figure: cell.figure ? plainText(cell.figure.text) : cell.absent,
});

/** What `pendrix targets --json` prints: rows 0…D. Throws a RangeError for more rows than a sheet holds. */
export function targetsAnswer(divider: Divider, divisions: number): object {
  return {
    divisions,
    stepsPerTurn: toText(divider.stepsPerTurn),
    rows: targets(divider.stepsPerTurn, divisions).map((t) => ({
      index: t.index,
      exact: toText(t.exact),
      target: Number.isSafeInteger(Number(t.target)) ? Number(t.target) : t.target.toString(),
      errorSteps: toText(t.errorSteps),
      errorArcsec: stepsToArcsec(t.errorSteps, divider.stepsPerTurn),
    })),
  };
}
