import { computed, onScopeDispose, shallowRef, watch, type ComputedRef, type Ref } from 'vue';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomTransform } from 'd3-zoom';
import type { Drawing } from '@pendrix/core';

const FINEST = 6;

/** Zoom and pan of a long drawing: with the wheel and Ctrl, by pinching, with two fingers, by keys. At 1 it stands over its columns. */
export interface View {
  readonly zoomed: ComputedRef<boolean>;
  /** the part shown, for the picture; "" at zoom 1 */
  readonly viewBox: ComputedRef<string>;
  /** it is being moved, so that a press that ends a pan chooses nothing */
  readonly moved: () => boolean;
  readonly by: (factor: number) => void;
  readonly pan: (dx: number, dy: number) => void;
  readonly whole: () => void;
  readonly plain: () => void;
}

/** The part of a drawing that a transform shows in a window, as a view box. */
export function viewBoxOf(
  { k, x, y }: Pick<ZoomTransform, 'k' | 'x' | 'y'>,
  width: number,
  height: number,
): string {
  return [-x / k, -y / k, width / k, height / k].map((v) => Number(v.toFixed(3))).join(' ');
}

/** Where the whole of a drawing is seen in a window, in its middle. */
export function wholeOf(
  drawing: Pick<Drawing, 'width' | 'height'>,
  width: number,
): { readonly k: number; readonly x: number; readonly y: number } {
  const k = Math.min(1, width / drawing.width);
  return { k, x: (width - drawing.width * k) / 2, y: (drawing.height * (1 - k)) / 2 };
}

/** Of the pane: `width` is that of the window, px. */
export function useView(
  pane: Ref<HTMLElement | null>,
  drawing: () => Pick<Drawing, 'width' | 'height'>,
  width: () => number,
): View {
  const at = shallowRef<ZoomTransform>(zoomIdentity);
  let moved = false;
  const zoomed = computed(() => at.value.k !== 1 || at.value.x !== 0 || at.value.y !== 0);
  const behaviour = zoom<HTMLElement, unknown>()
    // Plain scrolling and the first press stay with the page and the parts until it is zoomed.
    .filter((e: WheelEvent | MouseEvent | TouchEvent) => {
      if ('touches' in e) return e.touches.length > 1 || zoomed.value;
      if (e.type === 'wheel') return e.ctrlKey || e.metaKey;
      return zoomed.value && e.button === 0;
    })
    .clickDistance(4)
    .on('start', () => (moved = false))
    .on('zoom', (e: { readonly transform: ZoomTransform; readonly sourceEvent: unknown }) => {
      moved = e.sourceEvent !== null && e.sourceEvent !== undefined;
      const near = Math.abs(e.transform.k - 1) < 0.02 && !moved;
      at.value = near ? zoomIdentity : e.transform;
    });

  const on = () => (pane.value ? select<HTMLElement, unknown>(pane.value) : null);
  function bound(): void {
    const { width: w, height: h } = drawing();
    const least = Math.min(1, width() / w);
    behaviour
      .extent([
        [0, 0],
        [width(), h],
      ])
      .scaleExtent([least, FINEST])
      .translateExtent([
        [Math.min(0, (w - width() / least) / 2), Math.min(0, (h - h / least) / 2)],
        [Math.max(w, (w + width() / least) / 2), Math.max(h, (h + h / least) / 2)],
      ]);
  }
  watch(
    pane,
    (el) => {
      if (!el) return;
      bound();
      // a double click is two choices, not a zoom
      on()?.call(behaviour).on('dblclick.zoom', null);
    },
    { flush: 'post' },
  );
  watch([() => drawing().width, () => drawing().height, width], bound);
  onScopeDispose(() => on()?.on('.zoom', null));

  return {
    zoomed,
    viewBox: computed(() => (zoomed.value ? viewBoxOf(at.value, width(), drawing().height) : '')),
    moved: () => moved,
    by: (factor) => void on()?.call((pane) => behaviour.scaleBy(pane, factor)),
    pan: (dx, dy) => void on()?.call((pane) => behaviour.translateBy(pane, dx / at.value.k, dy / at.value.k)),
    whole: () => {
      const { k, x, y } = wholeOf(drawing(), width());
      on()?.call((pane) => behaviour.transform(pane, zoomIdentity.translate(x, y).scale(k)));
    },
    plain: () => void on()?.call((pane) => behaviour.transform(pane, zoomIdentity)),
  };
}
