import { onScopeDispose, watch, type Ref } from 'vue';
import type { Motion } from '@pendrix/core';

/** A train, or all trains of a drive, set turning: where the shafts stand, in turns, as `perSecond` goes by each second. */
export interface Turning {
  readonly angles: (gone: number) => readonly number[];
  /** for each drawn shaft the shaft of the train, where some are folded away */
  readonly shafts?: readonly number[];
  readonly perSecond: number;
}

interface Moving {
  readonly at: (angles: readonly number[]) => void;
}

const attribute = (el: Element, name: string, value: string): void => el.setAttribute(name, value);

/** Everything in the drawing that moves, with how. */
function movingIn(svg: SVGSVGElement): readonly Moving[] {
  const found: Moving[] = [];
  for (const el of svg.querySelectorAll('[data-moves]')) {
    const m = JSON.parse(el.getAttribute('data-moves')!) as Motion;
    found.push({
      at: (angles) => {
        const a = (angles[m.shaft] ?? 0) * 360;
        const orbit = m.orbit === 0 ? '' : `rotate(${(a * m.orbit) % 360} ${m.cx} ${m.cy}) `;
        attribute(el, 'transform', `${orbit}rotate(${(a * (m.spin - m.orbit)) % 360} ${m.mx} ${m.my})`);
      },
    });
  }
  for (const el of svg.querySelectorAll('[data-slides]')) {
    const s = JSON.parse(el.getAttribute('data-slides')!) as { shaft: number; px: number };
    found.push({
      at: (angles) => {
        const turn = (angles[s.shaft] ?? 0) % 1;
        attribute(el, 'transform', `translate(${turn * s.px} 0)`);
      },
    });
  }
  for (const el of svg.querySelectorAll('[data-runs]')) {
    const s = JSON.parse(el.getAttribute('data-runs')!) as { shaft: number; px: number; period: number };
    found.push({
      at: (angles) => {
        const run = ((angles[s.shaft] ?? 0) * s.px) % s.period;
        attribute(el, 'stroke-dashoffset', String(-run));
      },
    });
  }
  return found;
}

/**
 * Turns what moves in a drawing, frame by frame, while there is a turning; else everything stands as it was drawn. `drawing` is
 * what is drawn: when it changes, its parts turn about other middles.
 */
export function useTurning(
  svg: Ref<SVGSVGElement | null>,
  turning: () => Turning | null,
  drawing: () => unknown,
): void {
  let parts: readonly Moving[] = [];
  let frame = 0;
  let turns = 0;
  let before = 0;

  function still(): void {
    cancelAnimationFrame(frame);
    frame = 0;
    turns = 0;
    for (const el of svg.value?.querySelectorAll('[data-moves], [data-slides]') ?? [])
      el.removeAttribute('transform');
  }

  function start({ angles, perSecond, shafts }: Turning): void {
    cancelAnimationFrame(frame);
    before = performance.now();
    const step = (now: number): void => {
      if (svg.value && parts.length === 0) parts = movingIn(svg.value);
      turns += (Math.min(250, now - before) / 1000) * perSecond;
      before = now;
      const all = angles(turns);
      const at = shafts ? shafts.map((s) => all[s] ?? 0) : all;
      for (const part of parts) part.at(at);
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
  }

  watch(turning, (now) => (now ? start(now) : still()), { immediate: true, flush: 'post' });
  watch(drawing, () => (parts = []), { flush: 'post' });
  onScopeDispose(() => cancelAnimationFrame(frame));
}
