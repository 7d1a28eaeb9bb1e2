import { abs, exactly, rational, error, toText, type Rational, type Refusal } from '../numbers/index.ts';
import { kinematicsOf, lostMotion, sourceKindOf, type Drive, type Kinematics } from '../drive/index.ts';
import { doubtOf, roomOf, stopsOf } from '../motion/index.ts';
import { differentials, plateChart, turnsOf, wheelRatios } from '../divide/index.ts';
import { passesRoom, type PlatePlan, type RunPlan } from '../run/index.ts';
import { doubtText } from './doubt-words.ts';

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
  const doubt = doubtText(doubtOf(k), 'arcsec').trim();
  const { limits } = drive.train;
  const { name } = drive.train;
  const more = {
    ...(name !== undefined && { train: name }),
    reduction: toText(k.reduction),
    ...(limits && {
      room: { back: limits.back, forth: limits.forth, ...(limits.why && { why: limits.why }) },
    }),
    ...(doubt && { doubt }),
  };
  if (byPlates(drive)) return platePlan(drive, k, divisions, more);
  const stops = stopsOf(drive.train, k);
  if (!stops) return null;
  if (stops.by === 'rest')
    return {
      divisions,
      by: 'rest',
      stepsPerTurn: toText(k.stepsPerTurn ?? stops.perTurn),
      places: toText(stops.perTurn),
      ...more,
    };
  return {
    divisions,
    ...(stops.by !== 'step' && { by: stops.by }),
    stepsPerTurn: toText(stops.perTurn),
    ...more,
    playCounts: playCounts(drive),
  };
}

/** Lost motion in counts of the source, rounded up; null while some of it is not known. */
function playCounts(drive: Drive): number | null {
  const lost = lostMotion(drive.train);
  const source = sourceKindOf(drive.train.source);
  const perTurn = (source.fullSteps(drive.train.source) ?? 0) * source.mode(drive.train.source);
  return lost.unknown > 0 ? null : Math.ceil(lost.atSource * perTurn);
}

function platePlan(
  drive: Drive,
  k: Kinematics,
  divisions: number,
  more: Omit<RunPlan, 'divisions' | 'stepsPerTurn'>,
): RunPlan | null {
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
    ...more,
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

/** Why there is no run of D divisions; null when there is one. (handbook: drive, limits of turning; divide, index plates) */
export function noRun(drive: Drive, divisions: number): Refusal | null {
  const k = kinematicsOf(drive);
  const count = String(divisions);
  if (byPlates(drive)) {
    const worm = wormOf(drive, k);
    if (!plateFor(drive, worm, divisions))
      return error('noCircle', count, { limit: turnsOf(worm, divisions).d.toString() }).refusal;
  } else if (k.hinge) return error('noTurn', drive.train.output.kind).refusal;
  else if (!stopsOf(drive.train, k))
    return error('noSteps', sourceKindOf(drive.train.source).title.toLowerCase(), {
      path: 'train.source.kind',
    }).refusal;
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
