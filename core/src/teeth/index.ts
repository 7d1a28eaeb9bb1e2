export { cutterFor, cutters, type Cutter } from './cutters.ts';
export {
  acrossAngle,
  blankOf,
  chordOf,
  freeingShift,
  halfToothAt,
  isPointed,
  isUndercut,
  leadMm,
  leastShift,
  leastTeeth,
  normalModule,
  pinsOf,
  seenTeeth,
  spanOf,
  tipLand,
  undercutLimit,
  type Blank,
  type Gear,
} from './gear.ts';
export { gearOutline, type XY } from './outline.ts';
export { meshOf, plainDistance, sharedShift, shiftRange, shiftSum, type PairMesh } from './pair.ts';
export { meshesOf, teethOf, workGear, type ShiftFrom, type StageMesh, type Tooth } from './teeth.ts';
export { threadAsWorm, threadCutBlank } from './thread-cut.ts';
export { wormOf, type WormSizes } from './worm.ts';
