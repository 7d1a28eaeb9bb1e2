export * from './numbers/index.ts';
export * from './drive/index.ts';
export { cutWheel, type CutWheel, type Drawing, type DrawnWheel } from './drive/drawing/index.ts';
export * from './divide/index.ts';
export * from './run/index.ts';
export * from './report/index.ts';
