export { columnDrawing } from './columns.ts';
export type { Drawing, DrawnWheel, DrawnWorm } from './drawing.ts';
export { rowDrawing } from './row.ts';
