import type { ToothPairs } from './pairs.ts';

/** A kind of gearbox that is often met, by what its label says and what its teeth are. */
export interface KnownBox {
  readonly title: string;
  readonly label: string;
  readonly pairs: ToothPairs;
  /** its pairs stand for sets of sun and ring, which turn their carrier their own way */
  readonly planets?: true;
}

/**
 * Common unbranded boxes. Planetary ones of one sun and ring stand as one pair a set, sun : sun + ring, which multiplies to the
 * same. (handbook: numbers, where a ratio comes from)
 */
export const knownBoxes: readonly KnownBox[] = [
  {
    title: 'Small four-pair geared motor',
    label: '64',
    pairs: [
      [9, 32],
      [11, 22],
      [9, 26],
      [10, 31],
    ],
  },
  { title: 'One planetary set, sun 17, ring 46', label: '3.7', pairs: [[17, 63]], planets: true },
  { title: 'One planetary set, sun 11, ring 46', label: '5.2', pairs: [[11, 57]], planets: true },
  {
    title: 'Two planetary sets, sun 17, ring 46',
    label: '14',
    pairs: [
      [17, 63],
      [17, 63],
    ],
    planets: true,
  },
  {
    title: 'Two planetary sets, suns 17 and 11, ring 46',
    label: '19',
    pairs: [
      [17, 63],
      [11, 57],
    ],
    planets: true,
  },
  {
    title: 'Two planetary sets, sun 11, ring 46',
    label: '27',
    pairs: [
      [11, 57],
      [11, 57],
    ],
    planets: true,
  },
];

/** Do these pairs stand for sets of sun and ring, as those of a box that is known? */
export const isOfPlanets = (pairs: ToothPairs): boolean =>
  knownBoxes.some((b) => b.planets && String(b.pairs) === String(pairs));
