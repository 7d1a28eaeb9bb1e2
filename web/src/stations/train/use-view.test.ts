import { describe, expect, test } from '@jest/globals';
import { effectScope, ref } from 'vue';
import type { Drawing } from '@pendrix/core';
import { useView, type View } from './use-view.ts';

const drawing = ref({ width: 2050, height: 314 } as Drawing);
const view = (room = 820): View =>
  effectScope().run(() =>
    useView(
      () => drawing.value,
      () => room,
    ),
  )!;
const box = (v: View): number[] => v.viewBox.value.split(' ').map(Number);

describe('zoom and pan of a long drawing', () => {
  test('at first it stands over its columns', () => {
    expect(view().viewBox.value).toBe('');
  });

  test('the whole train fits the window, and goes no smaller', () => {
    const v = view();
    v.whole();
    expect(v.zoom.value).toBeCloseTo(0.4, 9);
    const [x, , w] = box(v);
    expect([x, w]).toEqual([0, 2050]);
    v.by(0.1);
    expect(v.zoom.value).toBeCloseTo(0.4, 9);
  });

  test('larger shows less, up to six times', () => {
    const v = view();
    v.by(2);
    expect(box(v)[2]).toBe(410);
    for (let i = 0; i < 10; i++) v.by(2);
    expect(v.zoom.value).toBe(6);
  });

  test('a window never leaves the drawing', () => {
    const v = view();
    v.by(2);
    v.pan(1e6, 1e6);
    expect(box(v).slice(0, 2)).toEqual([0, 0]);
    v.pan(-1e6, -1e6);
    const [x, y, w, h] = box(v) as [number, number, number, number];
    expect([x + w, y + h]).toEqual([2050, 314]);
  });

  test('panning moves by what the pointer moved, whatever the zoom', () => {
    const v = view();
    v.by(4, [1000, 157]);
    const before = box(v)[0]!;
    v.pan(-40, 0);
    expect(box(v)[0]! - before).toBeCloseTo(10, 9);
  });

  test('near to 1 it is 1 again, and so with the key', () => {
    const v = view();
    v.by(1.25);
    v.by(0.8);
    expect([v.zoom.value, v.viewBox.value]).toEqual([1, '']);
    v.by(2);
    v.plain();
    expect(v.viewBox.value).toBe('');
  });

  test('a train that grows shorter takes the window along', async () => {
    const v = view();
    v.by(2);
    v.pan(-1e6, 0);
    drawing.value = { width: 615, height: 314 } as Drawing;
    await Promise.resolve();
    const [x, , w] = box(v) as [number, number, number];
    expect(x + w).toBeLessThanOrEqual(615);
    drawing.value = { width: 2050, height: 314 } as Drawing;
  });
});
