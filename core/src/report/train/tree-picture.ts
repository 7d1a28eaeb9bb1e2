import {
  kindOf,
  kinematics,
  pathOf,
  trainAt,
  trainsOf,
  treeOrder,
  type Drive,
  type Stage,
} from '../../drive/index.ts';
import { chainRoom, heightAt, treeAngles } from '../../drive/drawing/index.ts';
import { readDivisions } from '../../numbers/index.ts';
import { picture, type Picture } from './picture.ts';

/** One train of a tree, drawn in its row: its own stages alone, in the columns that they have on its path. */
export interface TreeRow {
  readonly at: number;
  readonly name: string;
  readonly picture: Picture;
  /** where the row stands, px */
  readonly x: number;
  readonly y: number;
  /** its shafts among those of all trains */
  readonly shafts: readonly number[];
  /** from the arbor of the other train down to its own; null for a train with a source */
  readonly link: { readonly x: number; readonly y1: number; readonly y2: number } | null;
}

/** All trains of a drive, one below the other at one scale: shafts that are shared stand once, branches leave them. */
export interface TreePicture {
  readonly width: number;
  readonly height: number;
  readonly rows: readonly TreeRow[];
  readonly alt: string;
}

/** A row is never lower, px: a work or a dial has its room. */
const LEAST_ROW = 96;
/** Under this many px a millimetre wheels are dots. */
const LEAST_SCALE = 0.9;

/** `column` px wide for each stage, about `height` px high; higher where the rows would be too low. */
export function treePicture(drive: Drive, column: number, height: number): TreePicture {
  const trains = trainsOf(drive);
  // a little after the start everything that turns has turned the way it does
  const angles = treeAngles(drive)(1e-3);
  let first = 0;
  const chains = trains.map((train, at) => {
    const path = pathOf(drive, at);
    const own = {
      ...path.drive,
      train: { ...path.drive.train, stages: train.stages },
      ...(train.encoder && { encoder: train.encoder }),
    };
    const shafts = train.stages.map((_, i) => first + i + 1);
    const all = [first, ...shafts];
    first += all.length;
    const read = readDivisions(train.job.divisions);
    return {
      own,
      shared: path.shared,
      all,
      k: kinematics(own.train),
      divisions: read.ok ? (read.value[0] ?? 0) : 0,
    };
  });
  const rooms = trains.map((t) =>
    chainRoom(
      t.stages.map((s) => kindOf(s).shape(s)),
      column,
    ),
  );
  const scale = scaleFor(rooms, height);
  const heights = rooms.map(({ mm }) => Math.max(LEAST_ROW, heightAt(mm, scale)));
  const total = heights.reduce((a, b) => a + b, 0);
  // what is left is shared out, so that the rows fill their room
  const more = Math.max(0, (height - total) / trains.length);
  const tops: number[] = [];
  let top = 0;
  for (const at of treeOrder(trains)) {
    tops[at] = top;
    top += heights[at]! + more;
  }
  const draw = (at: number): Picture => {
    const { own, k, all, divisions } = chains[at]!;
    const beside = {
      hangs: trains[at]!.from !== null,
      senses: all.map((shaft) => (angles[shaft] ?? 0) >= 0),
      bar: at === 0,
      scale,
    };
    const high = heights[at]! + more;
    return drawnOnce(
      trains[at]!.stages,
      [column, high, divisions, beside, { ...own.train, stages: 0 }, own.encoder],
      () =>
        picture(own, k, column, high, divisions, false, {
          ...beside,
          sense: (shaft) => beside.senses[shaft] ?? true,
        }),
    );
  };
  const pictures = chains.map((_, at) => draw(at));
  const rows = pictures.map((made, at): TreeRow => {
    const { from, name } = trains[at]!;
    const x = chains[at]!.shared * column;
    const y = tops[at]!;
    const up = from ? trainAt(trains, from.train) : -1;
    const axis = pictures[up]?.drawing.axes[from?.shaft ?? 0];
    const mine = made.drawing.axes[0];
    return {
      at,
      name,
      picture: made,
      x,
      y,
      shafts: chains[at]!.all,
      link: axis && mine ? { x: x + mine.x, y1: tops[up]! + axis.y, y2: y + mine.y } : null,
    };
  });
  return {
    width: Math.max(...rows.map((r) => r.x + r.picture.drawing.width)),
    height: Math.max(height, total),
    rows,
    alt: rows
      .map(({ at, name, picture: { alt } }) => {
        const { from } = trains[at]!;
        return `${name}${from ? `, from shaft ${from.shaft} of ${from.train}` : ''}: ${alt}`;
      })
      .join(' '),
  };
}

const drawn = new WeakMap<readonly Stage[], { readonly how: string; readonly picture: Picture }>();

/** The picture of a chain as it was drawn last, when nothing of it changed: an edit of one train leaves the rows of the others. */
function drawnOnce(stages: readonly Stage[], how: readonly unknown[], make: () => Picture): Picture {
  const key = JSON.stringify(how);
  const known = drawn.get(stages);
  if (known?.how === key) return known.picture;
  const made = make();
  drawn.set(stages, { how: key, picture: made });
  return made;
}

/** The largest scale at which all rows fit into the height, or the least at which teeth can be told. */
function scaleFor(rooms: readonly { readonly mm: number; readonly scale: number }[], height: number): number {
  const most = Math.min(...rooms.map((r) => r.scale));
  const at = (scale: number): number =>
    rooms.reduce((sum, { mm }) => sum + Math.max(LEAST_ROW, heightAt(mm, scale)), 0);
  let [low, high] = [0, most];
  for (let i = 0; i < 24; i++) {
    const middle = (low + high) / 2;
    if (at(middle) <= height) low = middle;
    else high = middle;
  }
  return Math.max(low, Math.min(most, LEAST_SCALE));
}
