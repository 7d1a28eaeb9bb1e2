import { ARCSEC_PER_TURN, mul, nearPi, rational, toNumber, toText } from '../numbers/index.ts';
import { exactPi, sequenceOf, type RunPlan } from '../run/index.ts';

const countAnswer = (n: bigint): number | string =>
  Number.isSafeInteger(Number(n)) ? Number(n) : n.toString();

/**
 * What `pendrix targets --json` prints: rows 0…D, absolute from home and signed, with what is wound back before each. A wheel that
 * locks gives the rests and their true errors; plates give holes; marks along a slide are in mm, exact where no π is left. (docs: formats)
 */
export function targetsAnswer(plan: RunPlan): object {
  const sequence = sequenceOf(plan);
  const { stops } = sequence;
  const rests = stops.by === 'rest';
  const { scale } = plan;
  const travel = scale ? nearPi(exactPi(scale.travel)) : null;
  const withPi = scale?.mm.piPower !== scale?.travel.piPower;
  const rows: object[] = [];
  let wound = false;
  for (let i = 0; i < sequence.length; i++) {
    const s = sequence.at(i);
    const last = s.gap > plan.divisions;
    if (s.is === 'rewind' && !last) {
      wound = true;
      continue;
    }
    rows.push({
      index: s.gap - 1,
      exact: rests || withPi ? null : toText(mul(s.wanted, stops.perTurn)),
      target: countAnswer(s.counts ?? s.stop),
      errorSteps: rests || withPi ? null : toText(mul(s.error, stops.perTurn)),
      ...(travel
        ? { placeMm: toNumber(mul(s.wanted, travel)), errorMm: toNumber(mul(s.error, travel)) }
        : { errorArcsec: toNumber(mul(s.error, rational(ARCSEC_PER_TURN))) }),
      ...(rests && { rest: countAnswer(s.stop) }),
      ...((wound || (last && s.is === 'rewind')) && { rewind: true }),
    });
    wound = false;
  }
  return {
    divisions: plan.divisions,
    ...(scale && { move: scale.move }),
    by: stops.by,
    stepsPerTurn: plan.stepsPerTurn,
    ...(plan.places !== undefined && { places: plan.places }),
    ...(plan.doubt && { doubt: plan.doubt }),
    rows,
  };
}
