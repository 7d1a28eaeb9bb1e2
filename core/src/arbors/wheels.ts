import { kindOf, type Stage, type TrainOf } from '../drive/index.ts';
import { blankOf, normalModule, teethOf, threadCutBlank, wormOf, type Gear } from '../teeth/index.ts';
import type { PlanWheel } from './arbor.ts';

/** A wheel before it has a place. */
export type Bare = Pick<PlanWheel, 'form' | 'teeth' | 'pitchMm' | 'outsideMm'>;

/** Wall of a ring round its roots, modules of the section. (estimate) */
const RING_WALL = 1.25;

/** Over all, mm: of a ring its body outside its teeth. */
const bodyOf = (gear: Gear): number => {
  const { outsideMm, rootMm } = blankOf(gear);
  return gear.inner ? rootMm + 2 * RING_WALL * normalModule(gear) : outsideMm;
};

/** The two wheels of a stage; null where both its shafts are on one axis. */
export function wheelsOf(stage: Stage): readonly [Bare, Bare] | null {
  const shape = kindOf(stage).shape(stage);
  switch (shape.form) {
    case 'mesh': {
      const teeth = teethOf(stage);
      const [a, b] = [shape.driver, shape.driven].map((w, i): Bare => {
        const gear = teeth[i]?.gear;
        if (gear) return { form: gear.inner ? 'ring' : 'wheel', ...w, outsideMm: bodyOf(gear) };
        return {
          form: w.teeth === 0 ? 'rim' : 'wheel',
          ...w,
          outsideMm: w.pitchMm * (1 + 2 / (w.teeth || Infinity)),
        };
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
      const [tooth] = teethOf(stage);
      const worm: Bare = {
        form: 'worm',
        teeth: shape.starts,
        pitchMm: wormMm,
        outsideMm: wormOf(stage)?.outsideMm ?? wormMm,
      };
      const outsideMm = tooth?.gear
        ? blankOf(tooth.gear).outsideMm
        : threadCutBlank(stage.threadPitchMm ?? (Math.PI * wheel.pitchMm) / wheel.teeth, wheel.teeth)
            .outsideMm;
      const large: Bare = { form: 'wheel', ...wheel, outsideMm };
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
  if (w.outsideMm !== one.outsideMm) return false;
  const { train, stage: at } = w.of[0]!;
  return trains[train]!.stages[at]!.layer === stage.layer;
}
