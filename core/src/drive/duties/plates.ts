/** The plates of a dividing head: hole circles of each, the worm, change wheels. (handbook: divide, index plates) */
export interface Plates {
  /** exact; the train's own reduction when absent */
  readonly wormRatio?: string;
  readonly plates: readonly (readonly number[])[];
  readonly gears?: readonly number[];
  /** the most holes that can be made in one circle */
  readonly mostHoles?: number;
}
