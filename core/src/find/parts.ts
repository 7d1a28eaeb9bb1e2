import { abs, type Rational } from '../numbers/index.ts';
import { kindOf, type Stage } from '../drive/index.ts';

/** A stage that is used as it is: a worm with its wheel, a box, a belt sold as a set. */
export interface FixedPart {
  readonly stage: Stage;
  readonly quantity: number;
  /** how many of them are owned; all of them unless said */
  readonly own?: number;
}

export const ownOf = ({ own, quantity }: FixedPart): number => own ?? quantity;

/** Reckoned once for each stage: a search asks for it with every shape it tries. */
const ratios = new WeakMap<Stage, Rational>();

export function partRatio({ stage }: FixedPart): Rational {
  let ratio = ratios.get(stage);
  if (!ratio) {
    ratio = abs(kindOf(stage).reduction(stage));
    ratios.set(stage, ratio);
  }
  return ratio;
}

/** The same stage given twice in the parts is one part with both quantities; the key says when it is the same. */
export const partKey = (part: FixedPart): string => JSON.stringify(part.stage);

/** Teeth of every wheel in a stage: the starts of a worm are none, the planets of a set are. */
export function stageWheels(stage: Stage): readonly number[] {
  const shape = kindOf(stage).shape(stage);
  switch (shape.form) {
    case 'mesh':
    case 'belt':
      return [shape.driver.teeth, shape.driven.teeth].filter((z) => z > 1);
    case 'worm':
      return [shape.wheel.teeth];
    case 'set':
      return shape.members.flatMap((m) => (m.as !== 'arms' && m.wheel.teeth > 0 ? [m.wheel.teeth] : []));
    case 'box': {
      const { driven, drivers } = toothed(stage);
      return [...drivers, ...driven];
    }
    case 'geneva':
      return [];
  }
}

/** Teeth of the wheels of a part that are counted with a train's. */
export const partTeeth = (part: FixedPart): number => stageWheels(part.stage).reduce((n, z) => n + z, 0);

/** The largest wheel of a part; 0 where it has none. */
export const partLargest = (part: FixedPart): number => Math.max(0, ...stageWheels(part.stage));

/** A part as driven and driving teeth, where it is a quotient of such: a worm's starts drive its wheel. */
export function toothed(stage: Stage): {
  readonly driven: readonly number[];
  readonly drivers: readonly number[];
} {
  return kindOf(stage).toothed?.(stage) ?? { driven: [], drivers: [] };
}
