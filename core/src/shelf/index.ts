export {
  commonPartInputs,
  shelfGroups,
  type Known,
  type PartCell,
  type PartData,
  type PartKind,
  type ShelfGroup,
} from './part.ts';
export { isBeltPart, type BeltPart } from './kinds/belt.ts';
export { isPartKind, partKindOf, partKinds, type PartKindId, type ShelfPart } from './kinds/index.ts';
export {
  PART_COLUMNS,
  checkPart,
  editPart,
  editPartInput,
  MAX_PARTS,
  newPart,
  partCell,
  partInputs,
  partLabel,
  samePart,
  type PartColumn,
} from './shelf.ts';
export {
  aloneAt,
  followedDrive,
  fromShelf,
  follows,
  left,
  owns,
  pairOfParts,
  sourceOfPart,
  stageOfPart,
  usesOf,
  type Shelf,
  type Use,
} from './follow.ts';
