import { kindOf, type Stage, type TrainOf } from '../drive/index.ts';
import type { PlanWheel } from './arbor.ts';

/** A wheel before it has a place. */
export type Bare = Pick<PlanWheel, 'form' | 'teeth' | 'pitchMm' | 'outsideMm'>;

/** The two wheels of a stage; null where both its shafts are on one axis. */
export function wheelsOf(stage: Stage): readonly [Bare, Bare] | null {
  const shape = kindOf(stage).shape(stage);
  switch (shape.form) {
    case 'mesh': {
      const module = (w: { readonly teeth: number; readonly pitchMm: number }): number =>
        w.teeth > 0 ? w.pitchMm / w.teeth : 0;
      const [a, b] = [shape.driver, shape.driven].map((w, i): Bare => {
        const other = i === 0 ? shape.driven : shape.driver;
        const ring = shape.inner && w.pitchMm > other.pitchMm;
        const form = w.teeth === 0 ? 'rim' : ring ? 'ring' : 'wheel';
        // a ring has its body outside its teeth
        return { form, ...w, outsideMm: w.pitchMm + module(w) * (ring ? 5 : 2) };
      });
      return [a!, b!];
    }
    case 'belt': {
      const pulley = (w: { readonly teeth: number; readonly pitchMm: number }): Bare => ({
        form: w.teeth > 0 ? 'pulley' : 'rim',
        ...w,
        outsideMm: w.pitchMm + 1,
      });
      return [pulley(shape.driver), pulley(shape.driven)];
    }
    case 'worm': {
      const { wormMm, wheel } = shape;
      const worm: Bare = { form: 'worm', teeth: shape.starts, pitchMm: wormMm, outsideMm: wormMm };
      const large: Bare = { form: 'wheel', ...wheel, outsideMm: wheel.pitchMm * (1 + 2 / wheel.teeth) };
      return shape.byWheel ? [large, worm] : [worm, large];
    }
    case 'geneva': {
      const crank = 2 * shape.centreMm * Math.sin(Math.PI / shape.slots);
      const slots = 2 * shape.centreMm * Math.cos(Math.PI / shape.slots);
      return [
        { form: 'crank', teeth: 1, pitchMm: crank, outsideMm: crank },
        { form: 'slots', teeth: shape.slots, pitchMm: slots, outsideMm: slots },
      ];
    }
    default:
      return null;
  }
}

/** One wheel that turns two: on the same shaft, with the same teeth and size, in no other layer. */
export function sameWheel(
  w: Omit<PlanWheel, 'layer'>,
  one: Omit<PlanWheel, 'id' | 'layer' | 'arbor'>,
  trains: readonly TrainOf[],
  stage: Stage,
): boolean {
  if (w.shaft.train !== one.shaft.train || w.shaft.shaft !== one.shaft.shaft) return false;
  if (w.form !== one.form || w.teeth !== one.teeth || w.pitchMm !== one.pitchMm) return false;
  const { train, stage: at } = w.of[0]!;
  return trains[train]!.stages[at]!.layer === stage.layer;
}
