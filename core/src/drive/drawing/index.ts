export { cutWheel, type CutWheel } from './cut-wheel.ts';
export { columnDrawing, type ColumnsAsked } from './columns.ts';
export type { Drawing, DrawnWheel, Glyph, Motion, Stroke } from './drawing.ts';
export { arrowArc, px } from './outline.ts';
export { rowDrawing } from './row.ts';
export { shaftAngles } from './turning.ts';
