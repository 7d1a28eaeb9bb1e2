import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { ok } from '../numbers/index.ts';
import { plainSigns } from '../words/index.ts';
import { LAYERS, type Drawing, type Layer } from './drawing.ts';
import { drawingOf, drawingOffers } from './drawings.ts';
import type { ExportFormat } from './export.ts';

const COLOURS = {
  OUTLINE: Colors.Blue,
  HOLES: Colors.Red,
  CENTRE: Colors.Green,
  TEXT: Colors.White,
} as const satisfies Record<Layer, number>;

function dxfOf(sheet: Drawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.setVariable('$LASTSAVEDBY', { 1: 'Pendrix' });
  dxf.addLType('DASHED', '__ __ __', [2, -1]);
  dxf.addLType('CHAIN', '____ _ ____ _', [4, -1, 0.6, -1]);
  for (const layer of LAYERS)
    dxf.addLayer(layer, COLOURS[layer], layer === 'CENTRE' ? 'CHAIN' : 'Continuous');
  for (const mark of sheet.marks) {
    dxf.setCurrentLayerName(mark.layer);
    if (mark.is === 'circle')
      dxf.addCircle(point3d(mark.at.x, mark.at.y), mark.r, mark.behind ? { lineType: 'DASHED' } : {});
    else if (mark.is === 'line')
      dxf.addLine(point3d(mark.from.x, mark.from.y), point3d(mark.to.x, mark.to.y));
    else if (mark.is === 'path')
      dxf.addLWPolyline(
        mark.points.map(([x, y]) => ({ point: point2d(x, y) })),
        { flags: LWPolylineFlags.Closed },
      );
    else dxf.addText(point3d(mark.at.x, mark.at.y), mark.height, plainSigns(mark.text));
  }
  return dxf.stringify();
}

/** A drawing for a machine that drills or cuts: mm, y up, layers OUTLINE, HOLES, CENTRE, TEXT. (docs: formats) */
export const dxf: ExportFormat = {
  title: 'DXF 1:1',
  extension: 'dxf',
  type: 'image/vnd.dxf',
  takes: ['of', 'circle', 'radius', 'lines', 'parts'],
  offers: drawingOffers,
  write: (drive, options) => {
    const drawing = drawingOf(drive, options);
    return drawing.ok ? ok(dxfOf(drawing.value)) : drawing;
  },
};
