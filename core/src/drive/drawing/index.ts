export { cutRule, type CutRule } from './cut-rule.ts';
export { cutWheel, type CutWheel } from './cut-wheel.ts';
export { chainRoom, columnDrawing, heightAt, type ColumnsAsked } from './columns.ts';
export type { Drawing, DrawnWheel, Glyph, Motion, Stroke, Tag } from './drawing.ts';
export { clearOf, layWords, roomOf, type Solid } from './labels.ts';
export { arrowArc, px, toothed } from './outline.ts';
export { rowDrawing } from './row.ts';
export { shaftAngles, treeAngles } from './turning.ts';
