import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';
import type { Drawing } from '@pendrix/core';

const FINEST = 6;

/** Zoom and pan of a long drawing. At zoom 1 it stands over its columns; else it is a window of its own. */
export interface View {
  readonly zoom: Ref<number>;
  /** the part shown, for the picture; "" at zoom 1 */
  readonly viewBox: ComputedRef<string>;
  readonly by: (factor: number, at?: readonly [number, number]) => void;
  readonly pan: (dx: number, dy: number) => void;
  readonly whole: () => void;
  readonly plain: () => void;
}

/** `width` is that of the window, px. */
export function useView(drawing: () => Drawing, width: () => number): View {
  const zoom = ref(1);
  const middle = ref<readonly [number, number]>([0, 0]);
  const size = (): readonly [number, number] => [width() / zoom.value, drawing().height / zoom.value];
  const clampTo = (v: number, half: number, end: number): number =>
    half * 2 >= end ? end / 2 : Math.max(half, Math.min(end - half, v));

  function settle(x: number, y: number): void {
    const [w, h] = size();
    middle.value = [clampTo(x, w / 2, drawing().width), clampTo(y, h / 2, drawing().height)];
  }
  const least = (): number => Math.min(1, width() / drawing().width);
  function by(factor: number, at: readonly [number, number] = middle.value): void {
    if (zoom.value === 1) middle.value = at[0] === 0 ? [width() / 2, drawing().height / 2] : at;
    const next = Math.max(least(), Math.min(FINEST, zoom.value * factor));
    zoom.value = Math.abs(next - 1) < 0.04 ? 1 : next;
    settle(...middle.value);
  }
  const pan = (dx: number, dy: number): void =>
    settle(middle.value[0] - dx / zoom.value, middle.value[1] - dy / zoom.value);
  const whole = (): void => {
    zoom.value = least();
    settle(drawing().width / 2, drawing().height / 2);
  };
  const plain = (): void => {
    zoom.value = 1;
  };
  const viewBox = computed(() => {
    if (zoom.value === 1) return '';
    const [w, h] = size();
    return `${middle.value[0] - w / 2} ${middle.value[1] - h / 2} ${w} ${h}`;
  });
  watch(
    () => drawing().width,
    () => {
      if (zoom.value !== 1) settle(...middle.value);
    },
  );
  return { zoom, viewBox, by, pan, whole, plain };
}
