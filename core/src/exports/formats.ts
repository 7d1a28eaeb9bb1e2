import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import type { MadeFrom } from '../report/index.ts';
import { cheader } from './c-header.ts';
import { csv } from './csv.ts';
import { exportOptions, type ExportFormat, type ExportOptions, type Offer } from './export.ts';
import { dxf } from './dxf.ts';
import { gcode } from './gcode.ts';
import { svg } from './svg.ts';

/** Every format, for the page and the terminal alike. One line a format. */
export const exportFormats = { cheader, gcode, csv, svg, dxf } as const satisfies Readonly<
  Record<string, ExportFormat>
>;

export type ExportId = keyof typeof exportFormats;

export const isExportId = (text: string): text is ExportId => Object.hasOwn(exportFormats, text);

/** A drive as a file of that format; refused where it does not take an option, or has nothing to write. */
export function exportDrive(
  drive: Drive,
  as: ExportId,
  options: ExportOptions = {},
  from?: MadeFrom,
): Result<string> {
  const format: ExportFormat = exportFormats[as];
  const given = Object.keys(options) as (keyof ExportOptions)[];
  const idle = given.find((key) => !format.takes.includes(key));
  return idle === undefined
    ? format.write(drive, options, from)
    : error('noOption', `--${idle}`, { limit: format.takes.map((key) => `--${key}`).join(', ') || 'none' });
}

/** Everything that can be written of one train, format by format. */
export const offersOf = (drive: Drive): readonly (Offer & { readonly as: ExportId })[] =>
  (Object.keys(exportFormats) as ExportId[]).flatMap((as) => {
    const format: ExportFormat = exportFormats[as];
    return format.offers(drive).map((o) => ({ ...o, as }));
  });

/** Options as typed; refused at the first that cannot be read. */
export function readExportOptions(texts: ReadonlyMap<string, string>): Result<ExportOptions> {
  const out: Record<string, unknown> = {};
  for (const [key, { read }] of Object.entries(exportOptions)) {
    const text = texts.get(key);
    if (text === undefined) continue;
    const value: Result<unknown> = read(text);
    if (!value.ok) return { ok: false, refusal: { ...value.refusal, path: `--${key}` } };
    out[key] = value.value;
  }
  return ok(out as ExportOptions);
}
