import { error, ok, readNumber, toNumber, type Result } from '../numbers/index.ts';
import type { LogValue } from '../drive/index.ts';

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
