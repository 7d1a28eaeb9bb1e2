import { seeded } from '../simulate/index.ts';

/** Numbers about 0 with σ 1, that one seed always gives again. */
export const noiseOf = (seed: number): (() => number) => normal(seeded(seed));

/** The same from a source of numbers between 0 and 1. */
export const normal =
  (random: () => number): (() => number) =>
  () =>
    Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
