import { at, error, ok, readCount, readNumber, readSize, toNumber, type Result } from '../numbers/index.ts';
import type { LogEntry, LogValue } from '../drive/index.ts';

/** "play at 60 mm 40 ± 6 ″; noise 52 dB": the last number of each piece is its value, what stands before it its name, behind it its unit. */
export function readValues(text: string): Result<readonly LogValue[]> {
  const out: LogValue[] = [];
  for (const piece of text
    .split(/[;\n]+/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const [, name, value, plusMinus, unit] =
      /^(.*?)\s*([-+−]?\d[\d.,]*)\s*(?:±\s*(\d[\d.,]*))?\s*([^\d±]*)$/u.exec(piece) ?? [];
    const read = value === undefined ? null : readNumber(value.replace('−', '-').replace(',', '.'));
    const more = plusMinus === undefined ? null : readNumber(plusMinus.replace(',', '.'));
    if (!read?.ok || (more && !more.ok) || !/\p{L}/u.test(name ?? ''))
      return error('notFigure', piece.slice(0, 40), { example: 'play at 60 mm 40 ± 6 ″' });
    out.push({
      name: name!.trim().replace(/[:=]$/, '').trim().slice(0, 60),
      value: toNumber(read.value),
      unit: (unit ?? '').trim().slice(0, 20),
      ...(more?.ok && { plusMinus: toNumber(more.value) }),
    });
  }
  return ok(out);
}

/** As it is typed again. */
export const valuesText = (values: readonly LogValue[]): string =>
  values
    .map((v) =>
      `${v.name} ${v.value}${v.plusMinus === undefined ? '' : ` ± ${v.plusMinus}`} ${v.unit}`.trim(),
    )
    .join('; ');

/** Fields of an exposure as typed: lens in mm, s, and how many of those taken were kept. */
export function readExposure(typed: {
  readonly focalMm: string;
  readonly seconds: string;
  readonly kept: string;
  readonly taken: string;
}): Result<NonNullable<LogEntry['exposure']>> {
  const focal = readSize(typed.focalMm, { min: 0.1, max: 100_000, unit: 'mm', example: '135' });
  if (!focal.ok) return { ok: false, refusal: at('lens', focal.refusal) };
  const seconds = readSize(typed.seconds, { min: 0.0001, max: 1_000_000, unit: 's', example: '60' });
  if (!seconds.ok) return { ok: false, refusal: at('each', seconds.refusal) };
  const taken = readCount(typed.taken, { min: 1, max: 1_000_000, unit: 'exposures', example: '40' });
  if (!taken.ok) return { ok: false, refusal: at('taken', taken.refusal) };
  const none = typed.kept.trim() === '0';
  const kept = none
    ? ok(0)
    : readCount(typed.kept, { min: 1, max: taken.value, unit: 'exposures', example: '38' });
  if (!kept.ok) return { ok: false, refusal: at('kept', kept.refusal) };
  return ok({ focalMm: focal.value, seconds: seconds.value, kept: kept.value, taken: taken.value });
}
