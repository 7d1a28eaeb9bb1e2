import { refusalSentence } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { fitReport, madeTables, treeReport, type OutputReport, type VerdictCell } from '../report/index.ts';
import { doubtText, plainText } from '../words/index.ts';
import { planRun, plateSetup, sheet } from '../plans/index.ts';
import { doubtOf } from '../motion/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import { drawingsOf } from '../make/index.ts';
import { exportDrive } from './formats.ts';
import { escaped as esc } from './svg.ts';

/** Rows of one run sheet, sheets of one train, and drawings on paper; the open files have the rest. */
const MAX_ROWS = 400;
const MAX_SHEETS = 12;
const MAX_DRAWINGS = 24;

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  rows.length === 0
    ? ''
    : `<table><thead><tr>${head.map((h) => `<th>${esc(h)}</th>`).join('')}</tr></thead><tbody>${rows
        .map((r) => `<tr>${r.map((c) => `<td>${esc(c)}</td>`).join('')}</tr>`)
        .join('')}</tbody></table>`;

const part = (title: string, inner: string): string => (inner === '' ? '' : `<h2>${esc(title)}</h2>${inner}`);
const list = (lines: readonly string[]): string =>
  lines.length === 0 ? '' : `<ul>${lines.map((l) => `<li>${esc(l)}</li>`).join('')}</ul>`;

const verdict = (cells: readonly VerdictCell[]): string =>
  table(
    ['', 'figure', 'grade'],
    cells.map((c) => [
      c.train === undefined ? c.label : `${c.label} (${c.train})`,
      c.figure ? plainText(c.figure.text) : c.absent,
      c.graded?.word ?? '',
    ]),
  );

/** The drawing itself, at its own size; its first line tells how wide. */
function drawing(drive: Drive, name: string): string {
  const made = exportDrive(drive, 'svg', { of: name });
  if (!made.ok) return `<h3>${esc(name)}</h3><p>${esc(refusalSentence({ ...made.refusal, path: '' }))}</p>`;
  const svg = made.value.replace(/^<\?xml[^>]*\?>\s*/, '');
  return `<figure><figcaption>${esc(name)}</figcaption>${svg}</figure>`;
}

function runSheets({ report }: OutputReport): string {
  const { drive, counts } = report;
  return counts
    .slice(0, MAX_SHEETS)
    .flatMap((count) => {
      const plan = planRun(drive, count);
      if (!plan) return [];
      const s = sheet(plan);
      const rows = Array.from({ length: Math.min(s.length, MAX_ROWS) }, (_, i) => s.row(i));
      return [
        `<h3>${count} divisions${plan.doubt ? `, ${esc(plan.doubt)}` : ''}</h3><p>${esc(plainText(s.steps))} ${esc(s.unit)} a turn of the work, ${esc(plainText(s.step))} from gap to gap.${plan.plate ? ` Set at the head: ${esc(plateSetup(plan.plate))}.` : ''}</p>${table(
          ['gap', 'target', 'moved', 'error', plan.plate ? 'crank in all' : `${s.source}, turns`, 'done'],
          rows.map((r) => [
            r.is === 'gap' ? String(r.gap) : r.is,
            r.target,
            r.moved,
            r.error,
            plainText(r.crank),
            '☐',
          ]),
        )}${s.length > MAX_ROWS ? `<p>${s.length - MAX_ROWS} more lines in run-sheets/${count}.csv.</p>` : ''}`,
      ];
    })
    .join('');
}

function trainPart(output: OutputReport, shelf: readonly ShelfPart[], several: boolean): string {
  const { drive } = output.report;
  const shared = output.from === null ? null : output.shared;
  const fits = fitReport(drive, shelf, shared);
  /** what stands below a table */
  const said: Readonly<Record<string, string>> = {
    parts: `<p>${esc(fits.costs)}</p>`,
    fits: list([...fits.troubles, ...fits.notes]),
  };
  const names = drawingsOf(drive, true).map((d) => d.name);
  const constants = exportDrive(drive, 'cheader');
  const doubt = doubtText(doubtOf(output.report.kinematics), 'arcsec');
  return [
    several ? `<h1>${esc(output.name)}</h1>${verdict(output.report.verdict)}` : '',
    doubt ? `<p>All figures hold${esc(doubt)}.</p>` : '',
    ...madeTables(drive, { shelf, shared }).map((t) =>
      part(t.title, table(t.head, t.rows) + (said[t.id] ?? '')),
    ),
    part('Run sheets', runSheets(output)),
    part('Constants', constants.ok ? `<pre>${esc(constants.value)}</pre>` : ''),
    part(
      'Drawings, 1:1',
      names
        .slice(0, MAX_DRAWINGS)
        .map((n) => drawing(drive, n))
        .join(''),
    ),
  ].join('');
}

/** The build pack as one document, without head and styles: cover, then each train. */
export function packBody(drive: Drive, shelf: readonly ShelfPart[]): string {
  const tree = treeReport(drive);
  return [
    `<h1>${esc(drive.name)}: build pack</h1>`,
    `<p>${esc(tree.purpose)}</p>`,
    verdict(tree.verdict),
    list([
      'A figure that rests on a label holds only if the label does: count the teeth first.',
      'Measure the line of 100 mm on each drawing before you drill by it.',
      'Spindle stopped before hands, gauges or the clamp are touched; supply off before fingers go in; eye protection when drilling and pressing.',
      'The machine’s maker, local rules and a qualified person come before this pack.',
    ]),
    ...tree.outputs.map((o) => trainPart(o, shelf, tree.outputs.length > 1)),
  ].join('');
}

const STYLES = `body{font:11pt/15pt sans-serif;margin:12mm;color:#1b2321}h1{font-size:16pt;page-break-before:always}h1:first-of-type{page-break-before:auto}
h2{font-size:13pt;page-break-after:avoid}table{border-collapse:collapse;font-size:8.5pt;line-height:11pt;width:100%}thead{display:table-header-group}
tr,figure{page-break-inside:avoid}th,td{border:0.3pt solid #868f8c;padding:1.5pt 3pt;text-align:left;vertical-align:top}figure{margin:6mm 0}pre{font-size:8pt;white-space:pre-wrap}`;

/** The same as a file that any browser opens and prints. */
export const packPage = (drive: Drive, shelf: readonly ShelfPart[]): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>${esc(drive.name)}: build pack</title><style>${STYLES}</style></head><body>${packBody(drive, shelf)}</body></html>\n`;
