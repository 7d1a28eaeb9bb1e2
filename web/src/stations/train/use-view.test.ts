import { describe, expect, test } from '@jest/globals';
import { zoomIdentity } from 'd3-zoom';
import { viewBoxOf, wholeOf } from './use-view.ts';

describe('the window on a long drawing', () => {
  test('as it stands it shows its own width from the left', () => {
    expect(viewBoxOf(zoomIdentity, 820, 314)).toBe('0 0 820 314');
  });

  test('twice as large shows half as much; moved to the right shows what is left of it', () => {
    expect(viewBoxOf(zoomIdentity.scale(2), 820, 314)).toBe('0 0 410 157');
    expect(viewBoxOf(zoomIdentity.translate(-100, -40).scale(2), 820, 314)).toBe('50 20 410 157');
  });

  test('the whole of a long train is in the middle of the window', () => {
    const drawing = { width: 3280, height: 314 };
    const whole = wholeOf(drawing, 820);
    expect(whole).toEqual({ k: 0.25, x: 0, y: 117.75 });
    const [x, y, w, h] = viewBoxOf(whole, 820, 314).split(' ').map(Number) as [
      number,
      number,
      number,
      number,
    ];
    expect([x, w]).toEqual([0, 3280]);
    // what is above and below it is the same
    expect(-y).toBeCloseTo(y + h - 314, 6);
  });

  test('a short one is not made larger', () => {
    expect(wholeOf({ width: 600, height: 314 }, 820)).toEqual({ k: 1, x: 110, y: 0 });
  });
});
