import { ok } from '../numbers/index.ts';
import { plainSigns } from '../words/index.ts';
import { LAYERS, type Drawing, type DrawnMark, type Layer } from './drawing.ts';
import { drawingOf, drawingOffers } from './drawings.ts';
import type { ExportFormat } from './export.ts';

const mm = (n: number): string => String(Number(n.toFixed(4)));

/** Text that may stand in XML. */
export const escaped = (text: string): string =>
  plainSigns(text)
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');

/** Millimetres as user units, y turned down. */
function written(mark: DrawnMark, { low, high }: Drawing): string {
  const x = (v: number): string => mm(v - low.x);
  const y = (v: number): string => mm(high.y - v);
  switch (mark.is) {
    case 'circle':
      return `<circle cx="${x(mark.at.x)}" cy="${y(mark.at.y)}" r="${mm(mark.r)}"${mark.behind ? ' stroke-dasharray="2 1"' : ''}/>`;
    case 'line':
      return `<line x1="${x(mark.from.x)}" y1="${y(mark.from.y)}" x2="${x(mark.to.x)}" y2="${y(mark.to.y)}"/>`;
    case 'path':
      return `<path d="M${mark.points.map(([px, py]) => `${x(px)} ${y(py)}`).join('L')}Z"/>`;
    case 'text':
      return `<text x="${x(mark.at.x)}" y="${y(mark.at.y)}" font-size="${mm(mark.height)}">${escaped(mark.text)}</text>`;
  }
}

const STROKES: Readonly<Record<Layer, string>> = {
  OUTLINE: 'stroke="#1b2f6b" stroke-width="0.2" fill="none"',
  HOLES: 'stroke="#b3371f" stroke-width="0.2" fill="none"',
  CENTRE: 'stroke="#6f7b77" stroke-width="0.1" stroke-dasharray="4 1 0.6 1" fill="none"',
  TEXT: 'stroke="none" fill="#1c2321" font-family="sans-serif"',
};

function svgOf(name: string, sheet: Drawing): string {
  const [w, h] = [sheet.high.x - sheet.low.x, sheet.high.y - sheet.low.y].map(mm);
  const layers = LAYERS.map((layer) => {
    const marks = sheet.marks.filter((m) => m.layer === layer);
    const control = marks.filter((m) => m.is === 'line' && layer === 'TEXT');
    const rest = marks.filter((m) => !control.includes(m));
    return [
      `<g id="${layer}" ${STROKES[layer]}>`,
      ...rest.map((m) => written(m, sheet)),
      ...control.map((m) => written(m, sheet).replace('<line', '<line stroke="#1c2321" stroke-width="0.2"')),
      '</g>',
    ].join('\n');
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}">\n<title>${escaped(name)}: ${escaped(sheet.title)}</title>\n${layers.join('\n')}\n</svg>\n`;
}

/** A drawing at 1:1: width and height in mm, the same as its view box. (docs: formats) */
export const svg: ExportFormat = {
  title: 'SVG 1:1',
  extension: 'svg',
  type: 'image/svg+xml',
  takes: ['of', 'circle', 'radius', 'lines', 'parts'],
  offers: drawingOffers,
  write: (drive, options) => {
    const drawing = drawingOf(drive, options);
    return drawing.ok ? ok(svgOf(drive.name, drawing.value)) : drawing;
  },
};
