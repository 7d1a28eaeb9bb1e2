import {
  abs,
  at,
  compare,
  error,
  exactly,
  nearPi,
  ok,
  piText,
  rational,
  readDivisions,
  scalePi,
  toNumber,
  toText,
  type PiValue,
  type Rational,
  type Refusal,
  type Result,
} from '../numbers/index.ts';
import {
  kinematicsOf,
  lostMotion,
  readMoves,
  sourceKindOf,
  STOP_WINDOW,
  type Drive,
  type Kinematics,
  type Move,
} from '../drive/index.ts';
import { doubtOfStops, roomOf, steeredCounts, stopsOf, turnsOfTravel } from '../motion/index.ts';
import { differentials, plateChart, turnsOf, wheelRatios } from '../divide/index.ts';
import { passesRoom, type PlatePlan, type RunPlan } from '../run/index.ts';
import { doubtText } from '../words/index.ts';

/** The worm that the plates are used on: its own ratio, else the train's. */
export const wormOf = (drive: Drive, k: Kinematics): Rational =>
  drive.plates?.wormRatio === undefined ? abs(k.reduction) : exactly(drive.plates.wormRatio);

/** Is this drive divided by hand, with plates? */
export const byPlates = (drive: Drive): boolean =>
  drive.train.source.kind === 'crank' && (drive.plates?.plates.length ?? 0) > 0;

/**
 * The plan for D divisions with the drive as it stands: by its plates where it is divided by hand, by rests where a wheel locks,
 * else by what its source counts. null when nothing can: `noRun` tells why. (handbook: run)
 */
export function planRun(drive: Drive, divisions: number): RunPlan | null {
  const k = kinematicsOf(drive);
  return byPlates(drive) ? platePlan(drive, k, divisions) : stepPlan(drive, k, divisions);
}

/** The plans of the counts that the job asks for and that can be run, no more than `most`. */
export function runsOf(drive: Drive, most: number): readonly RunPlan[] {
  const read = readDivisions(drive.job.divisions);
  return (read.ok ? read.value : [])
    .slice(0, most)
    .flatMap((divisions) => (noRun(drive, divisions) === null ? (planRun(drive, divisions) ?? []) : []));
}

/** What every plan of a drive has: whose output, its ratio, its room and what all of it rests on. */
function sharedOf(
  drive: Drive,
  k: Kinematics,
  as: 'arcsec' | 'ppm' = 'arcsec',
): Pick<RunPlan, 'train' | 'reduction' | 'room' | 'doubt'> {
  const doubt = doubtText(doubtOfStops(drive, k), as).trim();
  const { limits, name } = drive.train;
  return {
    ...(name !== undefined && { train: name }),
    reduction: toText(k.reduction),
    ...(limits && {
      room: { back: limits.back, forth: limits.forth, ...(limits.why && { why: limits.why }) },
    }),
    ...(doubt && { doubt }),
  };
}

function stepPlan(drive: Drive, k: Kinematics, divisions: number): RunPlan | null {
  const stops = stopsOf(drive, k);
  if (!stops) return null;
  if (stops.by === 'rest')
    return {
      divisions,
      by: 'rest',
      stepsPerTurn: toText(k.stepsPerTurn ?? stops.perTurn),
      places: toText(stops.perTurn),
      ...sharedOf(drive, k),
    };
  return {
    divisions,
    ...(stops.by !== 'step' && { by: stops.by }),
    stepsPerTurn: toText(stops.perTurn),
    ...sharedOf(drive, k),
    playCounts: playCounts(drive),
    ...windowOf(drive),
  };
}

const piAsText = ({ q, piPower }: PiValue): { readonly q: string; readonly piPower: PiValue['piPower'] } => ({
  q: toText(q),
  piPower,
});

/**
 * The plan for marks along a slide, one every `move`, the first where it stands; null when `noScale` tells why there is none.
 * (handbook: numbers, π stays a symbol; run)
 */
export function planScale(drive: Drive, move: Move, marks: number): RunPlan | null {
  const k = kinematicsOf(drive);
  const plan = noScale(drive, move, marks) ? null : stepPlan(drive, k, marks);
  if (!plan) return null;
  const { doubt: _, ...rest } = plan;
  const { doubt } = sharedOf(drive, k, 'ppm');
  const scale = { move: moveLabel(move), mm: piAsText(move.mm), travel: piAsText(k.travel!) };
  return { ...rest, ...(doubt && { doubt }), scale };
}

/** Why no such marks can be made; null when they can. */
export function noScale(drive: Drive, move: Move, marks: number): Refusal | null {
  const k = kinematicsOf(drive);
  if (!k.travel) return error('noSlide', drive.train.output.kind, { path: 'train.output' }).refusal;
  const one = turnsOfTravel(move.mm, k.travel);
  if (!one) return error('noTravel', move.text, { path: 'train.output' }).refusal;
  if (!stopsOf(drive, k)) return noSteps(drive);
  const room = roomOf(drive.train);
  const needs = scalePi(one, rational(marks - 1));
  return room && compare(nearPi(needs), room.forth) > 0
    ? error('scaleLimits', String(marks), {
        path: 'train.limits',
        limit: toText(room.forth),
        example: piText(needs),
      }).refusal
    : null;
}

/** A move as it is called: "0.5 mm", "2π mm". */
export const moveLabel = ({ text }: Move): string => (/mm|in|µ|π|pi/i.test(text) ? text : `${text} mm`);

/** What is asked for: so many divisions of a turn, or with a move so many marks along a slide; a plan, or why there is none. */
export function planFor(drive: Drive, count: number, move?: string): Result<RunPlan> {
  const moves = move === undefined ? null : readMoves(move);
  if (moves && !moves.ok) return { ok: false, refusal: at('move', moves.refusal) };
  const [one, more] = moves?.ok ? moves.value : [];
  if (moves && (!one || more)) return error('noTravel', move!, { path: 'move' });
  const refusal = one ? noScale(drive, one, count) : noRun(drive, count);
  if (refusal) return { ok: false, refusal };
  const plan = one ? planScale(drive, one, count) : planRun(drive, count);
  return plan ? ok(plan) : error('badValue', drive.train.source.kind, { path: 'train.source.kind' });
}

/** The moves that a job along a slide asks for, as they were typed. */
export function movesAsked({ job }: Drive): readonly string[] {
  const read = readMoves(job.moves ?? '');
  return read.ok ? read.value.map((m) => m.text) : [];
}

/** The plan that a run begun now would follow for what an old one was for. */
export function planAgain(drive: Drive, { divisions, scale }: RunPlan): RunPlan | null {
  const plan = planFor(drive, divisions, scale?.move);
  return plan.ok ? plan.value : null;
}

/** The stop window is the motor's: it stands on its card, and everywhere else is that one. (handbook: run) */
const windowOf = ({ train: { source } }: Drive): Pick<RunPlan, 'windowCounts'> =>
  source.kind === 'encoderMotor' ? { windowCounts: source.windowCounts ?? STOP_WINDOW } : {};

/** Lost motion in counts of what steers, rounded up; null while some of it is not known. */
function playCounts(drive: Drive): number | null {
  const lost = lostMotion(drive.train);
  if (lost.unknown > 0) return null;
  const counts = steeredCounts(drive, kinematicsOf(drive));
  if (counts) return Math.ceil(lost.atWork * toNumber(counts));
  const source = sourceKindOf(drive.train.source);
  const perTurn = (source.fullSteps(drive.train.source) ?? 0) * source.mode(drive.train.source);
  return Math.ceil(lost.atSource * perTurn);
}

function platePlan(drive: Drive, k: Kinematics, divisions: number): RunPlan | null {
  const worm = wormOf(drive, k);
  const plate = plateFor(drive, worm, divisions);
  if (!plate) return null;
  // what one gap moves, in holes of the circle; of two circles in holes that both have
  const [first, second] = plate.circles as readonly [number, number?];
  const each =
    second === undefined
      ? rational(BigInt(plate.wholeTurns) * BigInt(first) + BigInt(plate.holes[0]!))
      : rational(plate.holes[0]! * second + plate.holes[1]! * first);
  return {
    divisions,
    by: 'hole',
    stepsPerTurn: toText(rational(each.n * BigInt(divisions))),
    ...sharedOf(drive, k),
    reduction: toText(worm),
    plate,
  };
}

/** How the plates of a drive make a count: one circle, two, or with change wheels; null when nothing of it does. */
function plateFor(drive: Drive, worm: Rational, divisions: number): PlatePlan | null {
  const { plates, gears } = drive.plates!;
  const [answer] = plateChart(worm, plates, [divisions]);
  if (answer?.how === 'circle') {
    const { plate, circle, holes, wholeTurns } = answer.move;
    return { way: 'circle', plate, circles: [circle], holes: [holes], wholeTurns };
  }
  if (answer?.how === 'compound')
    return {
      way: 'compound',
      plate: answer.move.plate,
      circles: answer.move.circles,
      holes: answer.move.holes,
      wholeTurns: 0,
    };
  const wheels = gears && differentials(worm, divisions, plates, wheelRatios(gears))[0];
  if (!wheels) return null;
  const { plate, circle, holes, wholeTurns } = wheels.move;
  return {
    way: 'wheels',
    plate,
    circles: [circle],
    holes: [holes],
    wholeTurns,
    near: wheels.near,
    drivers: wheels.drivers,
    driven: wheels.driven,
    ...(wheels.ratio.s < 0n && { against: true as const }),
  };
}

const noSteps = ({ train }: Drive): Refusal =>
  error('noSteps', sourceKindOf(train.source).title.toLowerCase(), { path: 'train.source.kind' }).refusal;

/** Why there is no run of D divisions; null when there is one. (handbook: drive, limits of turning; divide, index plates) */
export function noRun(drive: Drive, divisions: number): Refusal | null {
  const k = kinematicsOf(drive);
  const count = String(divisions);
  if (byPlates(drive)) {
    const worm = wormOf(drive, k);
    if (!plateFor(drive, worm, divisions))
      return error('noCircle', count, { limit: turnsOf(worm, divisions).d.toString() }).refusal;
  } else if (k.hinge) return error('noTurn', drive.train.output.kind).refusal;
  else if (!stopsOf(drive, k)) return noSteps(drive);
  const room = roomOf(drive.train);
  const passes = passesRoom(room, divisions);
  return passes
    ? error('passesLimits', count, {
        path: 'train.limits',
        limit: toText(passes.room),
        example: toText(passes.needs),
        ...(room?.why && { unit: room.why }),
      }).refusal
    : null;
}
