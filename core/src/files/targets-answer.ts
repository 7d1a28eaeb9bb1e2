import { ARCSEC_PER_TURN, mul, rational, toNumber, toText } from '../numbers/index.ts';
import { sequenceOf, type RunPlan } from '../run/index.ts';

const countAnswer = (n: bigint): number | string =>
  Number.isSafeInteger(Number(n)) ? Number(n) : n.toString();

/**
 * What `pendrix targets --json` prints: rows 0…D, absolute from home and signed, with what is wound back before each. A wheel that
 * locks gives the rests and their true errors; plates give holes. (docs: formats)
 */
export function targetsAnswer(plan: RunPlan): object {
  const sequence = sequenceOf(plan);
  const { stops } = sequence;
  const rests = stops.by === 'rest';
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
      exact: rests ? null : toText(mul(s.wanted, stops.perTurn)),
      target: countAnswer(s.counts ?? s.stop),
      errorSteps: rests ? null : toText(mul(s.error, stops.perTurn)),
      errorArcsec: toNumber(mul(s.error, rational(ARCSEC_PER_TURN))),
      ...(rests && { rest: countAnswer(s.stop) }),
      ...((wound || (last && s.is === 'rewind')) && { rewind: true }),
    });
    wound = false;
  }
  return {
    divisions: plan.divisions,
    by: stops.by,
    stepsPerTurn: plan.stepsPerTurn,
    ...(plan.places !== undefined && { places: plan.places }),
    ...(plan.doubt && { doubt: plan.doubt }),
    rows,
  };
}
