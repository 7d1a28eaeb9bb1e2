import { sourceKindOf, trainAt, treeOrder, type TrainOf } from '../drive/index.ts';
import type { ShaftOf } from './arbor.ts';
import { distanceOf } from './mesh.ts';

const SOURCE_LETTERS = { motor: 'M', encoderMotor: 'M', crank: 'C', spring: 'S', synchronous: 'M' } as const;

/** Which shafts share an axis, and how the axes are called. */
export interface Axes {
  readonly list: readonly (readonly ShaftOf[])[];
  readonly names: readonly string[];
  readonly arborOf: (shaft: ShaftOf) => number;
  /** a branch begins on the shaft of another train: the shaft by the train that has it */
  readonly owner: (shaft: ShaftOf) => ShaftOf;
}

export function axesOf(trains: readonly TrainOf[]): Axes {
  const owner = ({ train, shaft }: ShaftOf): ShaftOf => {
    const { from } = trains[train]!;
    return shaft > 0 || !from
      ? { train, shaft }
      : owner({ train: trainAt(trains, from.train), shaft: from.shaft });
  };
  const groups: { shafts: ShaftOf[]; axis: string | undefined }[] = [];
  const group = new Map<string, number>();
  const key = ({ train, shaft }: ShaftOf): string => `${train}.${shaft}`;
  const join = (shaft: ShaftOf, at: number): void => {
    groups[at]!.shafts.push(shaft);
    group.set(key(shaft), at);
  };
  const arborOf = (of: ShaftOf): number => group.get(key(owner(of)))!;
  const add = (shaft: ShaftOf, named: string | undefined): void => {
    const axis = named?.trim().toLowerCase() || undefined;
    const there = axis === undefined ? -1 : groups.findIndex((g) => g.axis === axis);
    if (there < 0) groups.push({ shafts: [], axis });
    join(shaft, there < 0 ? groups.length - 1 : there);
  };
  // a train may hang on a later one: what has a source first, then what hangs on what is there
  for (const train of treeOrder(trains)) {
    const { from, source, stages } = trains[train]!;
    if (!from) add({ train, shaft: 0 }, source?.axis);
    for (const [at, stage] of stages.entries())
      if (distanceOf(stage).is === 'coaxial') join({ train, shaft: at + 1 }, arborOf({ train, shaft: at }));
      else add({ train, shaft: at + 1 }, stage.axis);
  }
  let number = 0;
  const letters = new Map<string, number>();
  const names = groups.map(({ shafts: [first] }) => {
    const source = first!.shaft === 0 ? trains[first!.train]!.source : undefined;
    if (!source) return String(++number);
    const letter = SOURCE_LETTERS[sourceKindOf(source).glyph];
    const n = (letters.get(letter) ?? 0) + 1;
    letters.set(letter, n);
    return n === 1 ? letter : `${letter}${n}`;
  });
  return {
    list: groups.map((g) => g.shafts),
    names,
    owner,
    arborOf,
  };
}
