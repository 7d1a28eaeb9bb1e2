import { Colors, DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { error, ok } from '../numbers/index.ts';
import type { ExportFormat } from './export.ts';
import { planSheet, PLAN_LAYERS, type PlanSheet } from './plan-sheet.ts';

const COLOURS = {
  OUTLINE: Colors.Blue,
  HOLES: Colors.Red,
  CENTRE: Colors.Green,
  TEXT: Colors.White,
} as const satisfies Record<(typeof PLAN_LAYERS)[number], number>;

function dxfOf(sheet: PlanSheet): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.setVariable('$LASTSAVEDBY', { 1: 'Pendrix' });
  dxf.addLType('DASHED', '__ __ __', [2, -1]);
  dxf.addLType('CHAIN', '____ _ ____ _', [4, -1, 0.6, -1]);
  for (const layer of PLAN_LAYERS)
    dxf.addLayer(layer, COLOURS[layer], layer === 'CENTRE' ? 'CHAIN' : 'Continuous');
  for (const mark of sheet.marks) {
    dxf.setCurrentLayerName(mark.layer);
    if (mark.is === 'circle')
      dxf.addCircle(point3d(mark.at.x, mark.at.y), mark.r, mark.behind ? { lineType: 'DASHED' } : {});
    else if (mark.is === 'line')
      dxf.addLine(point3d(mark.from.x, mark.from.y), point3d(mark.to.x, mark.to.y));
    else dxf.addText(point3d(mark.at.x, mark.at.y), mark.height, mark.text);
  }
  return dxf.stringify();
}

/** The arbor plan for a machine that drills or cuts: mm, y up, layers OUTLINE, HOLES, CENTRE, TEXT. (docs: formats) */
export const dxf: ExportFormat = {
  title: 'DXF 1:1',
  extension: 'dxf',
  type: 'image/vnd.dxf',
  takes: ['of'],
  write: (drive, { of }) => {
    if (of !== undefined && of !== 'arbors')
      return error('notAChoice', of, { path: '--of', limit: 'arbors' });
    const sheet = planSheet(drive);
    return sheet ? ok(dxfOf(sheet)) : error('nothingToExport', 'wheels in mesh');
  },
};
