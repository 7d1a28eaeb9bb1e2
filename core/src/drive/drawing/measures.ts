import type { Shape } from '../shape.ts';

/** What a drawing must know of a shape before it is drawn, mm. */
export interface Measures {
  /** how far it carries the axis aside */
  readonly offset: number;
  /** what stands on the shaft before and on the shaft after, as radii; 0 for nothing round */
  readonly before: number;
  readonly after: number;
  /** the widest it gets */
  readonly width: number;
}

export function measures(shape: Shape): Measures {
  switch (shape.form) {
    case 'mesh': {
      const [before, after] = [shape.driver.pitchMm / 2, shape.driven.pitchMm / 2];
      const offset = shape.inner ? Math.abs(after - before) : before + after;
      // A ring has a body outside its teeth.
      return { offset, before, after, width: 2 * Math.max(before, after) * (shape.inner ? 1.16 : 1) };
    }
    case 'belt': {
      const [before, after] = [shape.driver.pitchMm / 2, shape.driven.pitchMm / 2];
      return { offset: 0, before, after, width: 2 * Math.max(before, after) };
    }
    case 'worm': {
      const after = shape.wheel.pitchMm / 2;
      const worm = shape.wormMm / 2;
      return shape.byWheel
        ? { offset: after + worm, before: after, after: worm, width: 2 * after }
        : { offset: after + worm, before: worm, after, width: 2 * after };
    }
    case 'geneva': {
      const [before, after] = [
        shape.centreMm * genevaCrank(shape.slots),
        shape.centreMm * genevaWheel(shape.slots),
      ];
      return { offset: shape.centreMm, before, after, width: 2 * Math.max(before, after) };
    }
    case 'set':
      return { offset: 0, before: shape.radiusMm, after: shape.radiusMm, width: 2 * shape.radiusMm };
    case 'box':
      return { offset: 0, before: 0, after: 0, width: 0 };
  }
}

/** Radius of the pin's circle and of the slotted wheel, for centres 1 apart. (handbook: drive, Geneva) */
export const genevaCrank = (slots: number): number => Math.sin(Math.PI / slots);
export const genevaWheel = (slots: number): number => Math.cos(Math.PI / slots);
