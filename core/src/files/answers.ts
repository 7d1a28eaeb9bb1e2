import {
  ARCSEC_PER_TURN,
  abs,
  div,
  exactly,
  mul,
  rational,
  toNumber,
  toText,
  type PiValue,
} from '../numbers/index.ts';
import { judgeMove, stepsToArcsec, type Divider, type Division } from '../divide/index.ts';
import {
  countsPerTurn,
  knownPlay,
  lostMotion,
  readMoves,
  type Drive,
  type Kinematics,
} from '../drive/index.ts';
import { arcsecAnHour, ppm, secondsADay } from '../follow/index.ts';
import { doubtKeys, doubtOf, doubtOfAll, SURE, type Doubt } from '../motion/index.ts';
import {
  treeReport,
  dutyKindIds,
  errorsAnswer,
  forceAnswer,
  kindOfDuty,
  type DutyReport,
  type OutputReport,
  type Report,
  type PlateRow,
  type RateReport,
  type VerdictCell,
} from '../report/index.ts';
import { plainText } from '../words/index.ts';
import { byPlates } from '../plans/index.ts';

const piAnswer = (a: PiValue): object => ({ q: toText(a.q), piPower: a.piPower });

/** What is told of a drive: one line a key, in the order they are printed; undefined is left out. To add one is to add a line. */
const answers: Readonly<Record<string, (r: Report, shared: number) => unknown>> = {
  ratio: ({ kinematics: { reduction, hinge } }) =>
    hinge ? { q: toText(mul(reduction, hinge.q)), piPower: hinge.piPower } : toText(reduction),
  stepsPerTurn: ({ kinematics: { hinge, stepsPerTurn, stepsPerWorkTurn } }) =>
    hinge ? stepsPerWorkTurn && piAnswer(stepsPerWorkTurn) : stepsPerTurn && toText(stepsPerTurn),
  countsPerTurn: ({ drive: { encoder }, kinematics }) => {
    const counts = encoder && countsPerTurn(kinematics, encoder);
    return counts ? toText(counts) : null;
  },
  turnsToClose: ({ kinematics: { turnsToClose } }) => turnsToClose?.toString() ?? null,
  shafts: ({ kinematics }, shared) =>
    kinematics.shafts
      .slice(shared)
      .map((s, index) => ({ index, turnsPerOutputTurn: toText(s.turnsPerOutputTurn) })),
  secondsPerTurn: ({ kinematics: { hinge, reduction, speed } }) =>
    hinge ? null : toNumber(div(mul(rational(60), abs(reduction)), speed.rpm)),
  travelPerTurnMm: ({ kinematics: { travel } }) => travel && piAnswer(travel),
  divisions: divisionAnswers,
  moves: ({ drive, kinematics }) => (kinematics.travel ? moveAnswers(drive, kinematics) : undefined),
  rates: ({ duties, kinematics }) => duties.rates.map((rate) => rateAnswer(rate, kinematics)),
  ...dutyAnswers(),
  misfits: ({ built }, shared) =>
    built.stages.slice(shared).flatMap((s, stage) => s.warns.map((message) => ({ stage, message }))),
  lostMotionArcsec: ({ drive }) => {
    const play = knownPlay(lostMotion(drive.train));
    return play === null ? null : play * Number(ARCSEC_PER_TURN);
  },
  errors: ({ judged, drive }) => errorsAnswer(judged.errors, drive),
  force: ({ judged }) => forceAnswer(judged.force),
  verdict: (r) => r.verdict.map(verdictAnswer),
};

/**
 * What `pendrix check --json` prints: of one train, or of the one that was chosen, its answer; of several each under its name, and what
 * holds between them. Exact quantities are text, angles doubles. (docs: formats)
 */
export function checkAnswer(drive: Drive, chosen: number | null = null): object {
  const tree = treeReport(drive);
  const one = tree.outputs[chosen ?? (tree.several ? -1 : 0)];
  if (one) return outputAnswer(one);
  return {
    trains: tree.outputs.map((output) => ({ name: output.name, ...outputAnswer(output) })),
    between: tree.between.map((b) => ({
      from: b.from,
      to: b.to,
      ratio: b.ratio,
      wanted: b.wanted,
      ppm: b.ppm,
      daysIn100Years: b.days,
      grade: b.graded.grade,
      ...doubtKeys(b.doubt),
    })),
    verdict: tree.verdict.map(verdictAnswer),
  };
}

/** The answer of one output; shafts and stages are counted along its own train. */
function outputAnswer({ report: r, shared }: OutputReport): object {
  return Object.fromEntries(
    Object.entries(answers)
      .map(([key, answer]) => [key, answer(r, shared)] as const)
      .filter(([, value]) => value !== undefined),
  );
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
    const m = judgeMove(drive, k, move, tolerance);
    return m
      ? [
          {
            move: move.text,
            steps: piAnswer(m.steps),
            grade: m.grade,
            nearest: m.nearest.toString(),
            errorMm: m.errorMm,
            ...doubtKeys(m.doubt),
          },
        ]
      : [];
  });
}

/** How the wanted counts come out: by steps, by rests, or by the plates where it is divided by hand. */
function divisionAnswers(r: Report): readonly object[] {
  const plates = byPlates(r.drive) ? r.plates : null;
  const own = doubtOf(r.kinematics);
  if (plates) return plates.rows.map((row) => plateAnswer(row, own));
  const { divider } = r;
  return divider
    ? r.divisions.map((d) => divisionAnswer(d, divider))
    : r.counts.map((divisions) => ({ divisions, grade: 'unknown', ...UNKNOWN }));
}

const plateAnswer = (row: PlateRow, doubt: Doubt): object => ({
  divisions: row.divisions,
  grade: row.graded.grade,
  ...UNKNOWN,
  ...(row.graded.grade === 'even' && { worstErrorArcsec: 0 }),
  by: 'plates',
  move: plainText(row.move),
  ...doubtKeys(doubt),
});

function divisionAnswer(d: Division, divider: Divider): object {
  const worstErrorArcsec = stepsToArcsec(d.worstErrorSteps, divider.stepsPerTurn);
  const head = { divisions: d.divisions, grade: d.grade };
  const doubt = doubtKeys(divider.doubt);
  if (divider.by === 'rest')
    return {
      ...head,
      ...UNKNOWN,
      missingFactor: d.missingFactor.toString(),
      worstErrorArcsec,
      spacingErrorArcsec: stepsToArcsec(d.spacingErrorSteps, divider.stepsPerTurn),
      by: 'rests',
      ...doubt,
    };
  return {
    ...head,
    step: toText(d.step),
    coarsestMode: d.coarsestMode,
    missingFactor: d.missingFactor.toString(),
    worstErrorSteps: toText(d.worstErrorSteps),
    worstErrorArcsec,
    spacingErrorSteps: toText(d.spacingErrorSteps),
    closingErrorSteps: toText(d.closingErrorSteps),
    truncatedErrorSteps: toText(d.truncatedErrorSteps),
    returnErrorSteps: toText(d.returnErrorSteps),
    ...doubt,
  };
}

/** A rate as the timer keeps it. What no timer keeps has no ticks; a source that runs by itself is off by its own speed. */
function rateAnswer(r: RateReport, k: Kinematics): object {
  const { timing, chosen } = r;
  const base = {
    name: r.rate.name ?? r.rate.kind,
    periodSeconds: toText(r.period),
    half: r.rate.half === true,
    reverse: r.rate.reverse === true,
    causes: chosen ? chosen.causes.map((c) => ({ cause: c.id, ppm: c.ppm })) : [],
    ...doubtKeys(k.stepsPerTurn ? doubtOf(k) : doubtOfAll(k)),
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
    intervalTicks: timing.holdsPi ? null : toText(timing.interval),
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
    grade: r.graded.grade,
  };
}

/** Every kind of duty under its name: a list where there may be several, else the one that there is. Rates have an answer of their own. */
function dutyAnswers(): Readonly<Record<string, (r: Report) => unknown>> {
  return Object.fromEntries(
    dutyKindIds
      .filter((id) => id !== 'rates')
      .map((id) => {
        const { many, rests } = kindOfDuty(id);
        return [
          id,
          ({ drive, duties, kinematics }: Report) => {
            const told = duties
              .of(id)
              .map((d, at) => dutyAnswer(d, (rests?.(drive, at) ?? true) ? doubtOf(kinematics) : SURE));
            return many ? told : told[0];
          },
        ];
      }),
  );
}

/** The figures of a duty by the last part of their keys, and what they rest on. */
const dutyAnswer = (d: DutyReport, doubt: Doubt): object => ({
  name: d.title,
  ...Object.fromEntries(d.lines.map((l) => [l.figure.key.replace(/^.*\./, ''), l.figure.value])),
  grade: d.graded?.grade ?? null,
  ...doubtKeys(doubt),
});

const verdictAnswer = (cell: VerdictCell): object => ({
  cell: cell.cell,
  grade: cell.graded?.grade ?? 'unknown',
  figure: cell.figure ? plainText(cell.figure.text) : cell.absent,
  ...(cell.graded && { word: cell.graded.word }),
  ...(cell.train !== undefined && { train: cell.train }),
});
