import { exactly, mul, toNumber, toText, parseRational, abs, rational, div } from '../numbers/index.ts';
import { periodOf, type Rate } from './duties/index.ts';
import { kindOf, isStageKind } from './stages/index.ts';

type Data = Readonly<Record<string, unknown>>;

/**
 * A drive as it was once kept, brought to how it is kept now. Version 1 had one train, which stands where it stood; a tangent arm stood
 * in the job, and is an output. Unchecked data in, unchecked data out. (docs: formats)
 */
export function amendDrive<T extends object>(written: T): T {
  const file = { ...written, ...('version' in written && written.version === 1 && { version: 2 }) };
  const { job, train } = file as { readonly job?: Data; readonly train?: Data };
  const arm = job?.['arm'];
  if (!isData(job) || !isData(train) || !isData(arm)) return file;
  const { arm: _, ...rest } = job;
  const rates =
    Array.isArray(rest['rates']) && rest['rates'].length > 0 ? rest['rates'] : [{ kind: 'stars' }];
  const { geometry, leadMm, radiusMm, rpm, minutes } = arm;
  const output = {
    kind: 'tangentArm',
    geometry,
    leadMm,
    armMm: radiusMm ?? armFor(leadMm, rpm, rates[0]),
    ...(rpm !== undefined && { screwRpm: rpm }),
    ...(minutes !== undefined && { sessionMinutes: minutes }),
  };
  return { ...file, job: { ...rest, rates }, train: { ...train, source: geared(train, rpm), output } };
}

const isData = (value: unknown): value is Data =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The arm that is right for a screw speed at the start, mm, as text: ρ = l·turns/(2π·ω). What cannot be read is left to the check. */
function armFor(lead: unknown, rpm: unknown, rate: unknown): unknown {
  const [l, n] = [lead, rpm].map((t) => parseRational(String(t)));
  if (!l || !n) return lead;
  try {
    const turns = toNumber(mul(n, periodOf(rate as Rate))) / 60;
    return ((toNumber(l) * turns) / (2 * Math.PI)).toFixed(6);
  } catch {
    return lead;
  }
}

/** The screw's speed was typed beside the train; it is what the source makes of it. A speed that the source has already goes before. */
function geared(train: Data, rpm: unknown): unknown {
  const { source, stages } = train;
  const wanted = parseRational(String(rpm));
  if (!isData(source) || !Array.isArray(stages) || !wanted || source['rpm'] !== undefined) return source;
  if (!['stepper', 'crank', 'encoderMotor'].includes(String(source['kind']))) return source;
  try {
    const ratio = (stages as { readonly kind: string }[]).reduce(
      (r, s) => (isStageKind(s.kind) ? mul(r, kindOf(s).reduction(s)) : div(r, rational(0))),
      exactly('1'),
    );
    return { ...source, rpm: toText(mul(wanted, abs(ratio))) };
  } catch {
    return source;
  }
}
