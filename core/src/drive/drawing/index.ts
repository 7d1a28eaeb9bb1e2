export { cutWheel, type CutWheel } from './cut-wheel.ts';
export { columnDrawing } from './columns.ts';
export type { Drawing, DrawnWheel, DrawnWorm } from './drawing.ts';
export { arrowArc } from './outline.ts';
export { rowDrawing } from './row.ts';
