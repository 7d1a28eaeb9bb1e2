import { fromEntries } from './data.ts';
import { error, type Refusal } from '../numbers/index.ts';
import { DESIGN_KEYS, type Design, type Drive } from './drive.ts';
import { show } from './inputs.ts';
import { isDay, MAX_WORDS } from './log.ts';

export const MAX_REVISIONS = 200;

type Data = Readonly<Record<string, unknown>>;
const isData = (value: unknown): value is Data =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is wrong with revisions as a file holds them; `designFault` judges each design as a drive. */
export function revisionsFault(
  value: unknown,
  designFault: (design: Data) => Refusal | null,
): Refusal | null {
  if (!Array.isArray(value)) return error('notList', show(value)).refusal;
  if (value.length > MAX_REVISIONS)
    return error('tooLarge', String(value.length), { limit: String(MAX_REVISIONS), unit: 'revisions' })
      .refusal;
  for (const [i, r] of (value as unknown[]).entries()) {
    const at = (key: string, fault: Refusal): Refusal => ({
      ...fault,
      path: `[${i}]${key}${fault.path ? `.${fault.path}` : ''}`,
    });
    if (!isData(r)) return at('', error('notObject', show(r)).refusal);
    if (r['n'] !== i + 1) return at('.n', error('badValue', show(r['n'])).refusal);
    if (!isDay(r['at'])) return at('.at', error('badValue', show(r['at'])).refusal);
    if (typeof r['reason'] !== 'string' || r['reason'].length > MAX_WORDS)
      return at('.reason', error('badValue', show(r['reason'])).refusal);
    if (!isData(r['design'])) return at('.design', error('notObject', show(r['design'])).refusal);
    const fault = designFault(r['design']);
    if (fault) return at('.design', fault);
  }
  return null;
}

/** The design of a drive as it stands. */
export const designOf = (drive: Drive): Design =>
  fromEntries<Design>(DESIGN_KEYS.filter((k) => drive[k] !== undefined).map((k) => [k, drive[k]]));

/** Is it another design? Equal data are equal designs. */
export const designDiffers = (a: Design, b: Design): boolean => JSON.stringify(a) !== JSON.stringify(b);

/** A drive with a design in the place of its own; its name, log, lists and revisions stay. */
export function withDesign(drive: Drive, design: Design): Drive {
  const rest = Object.fromEntries(
    Object.entries(drive).filter(([k]) => !(DESIGN_KEYS as readonly string[]).includes(k)),
  );
  return { ...rest, ...design } as Drive;
}
