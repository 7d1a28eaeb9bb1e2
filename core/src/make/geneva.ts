import type { XY } from '../teeth/index.ts';

/** An external Geneva: slots, distance of its shafts and its pin, mm. (handbook: drive, Geneva) */
export interface GenevaSizes {
  readonly slots: number;
  readonly centreMm: number;
  readonly pinMm: number;
}

/** All that is cut of one, radii in mm. */
export interface GenevaCut extends GenevaSizes {
  /** of the pin about the driver's middle */
  readonly crank: number;
  /** of the wheel's rim */
  readonly rim: number;
  /** from the wheel's middle to the bottom of a slot */
  readonly slotTo: number;
  readonly slotWide: number;
  /** the hollow between two slots, and the round of the driver that lies in it */
  readonly hollow: number;
  readonly lock: number;
  /** what is taken out of that round for the wheel to pass */
  readonly relief: number;
}

/** Room round the pin and the locking round, a part of the distance of the shafts. */
const ROOM = 0.0025;
/** Part of the distance that a pin is wide unless said; less where slots stand close. */
const PIN = 0.1;
const ARC = 24;

/** Sizes of a pin that leave a rim between the slots. */
export const mostGenevaPin = (slots: number, centreMm: number): number => {
  const rim = centreMm * Math.cos(Math.PI / slots);
  const crank = centreMm * Math.sin(Math.PI / slots);
  // a hollow must begin beyond the slot's edge, and the lock must have a round left
  let [low, high] = [0, crank / 1.5];
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (rimLeft(slots, centreMm, mid, rim, crank) > 0) low = mid;
    else high = mid;
  }
  return low;
};

/** Rad of rim between a slot's edge and the hollow beside it. */
function rimLeft(slots: number, centreMm: number, pin: number, rim: number, crank: number): number {
  const hollow = crank - 1.5 * pin;
  const cos = (rim ** 2 + centreMm ** 2 - hollow ** 2) / (2 * rim * centreMm);
  const half = cos >= 1 ? 0 : Math.acos(cos);
  return Math.PI / slots - half - Math.asin(Math.min(1, (pin / 2 + ROOM * centreMm) / rim));
}

export function genevaCut(said: {
  readonly slots: number;
  readonly centreMm: number;
  readonly pinMm: number | null;
}): GenevaCut {
  const { slots, centreMm } = said;
  const pinMm = said.pinMm ?? Math.min(PIN * centreMm, 0.7 * mostGenevaPin(slots, centreMm));
  const crank = centreMm * Math.sin(Math.PI / slots);
  const rim = centreMm * Math.cos(Math.PI / slots);
  const room = ROOM * centreMm;
  const hollow = crank - 1.5 * pinMm;
  const lock = hollow - room;
  return {
    slots,
    centreMm,
    pinMm,
    crank,
    rim,
    slotTo: centreMm - crank - pinMm / 2 - room,
    slotWide: pinMm + 2 * room,
    hollow,
    lock,
    relief: ((rim + 2 * room) * lock) / crank,
  };
}

const turned = ([x, y]: XY, a: number): XY => [
  x * Math.cos(a) - y * Math.sin(a),
  x * Math.sin(a) + y * Math.cos(a),
];

const arc = (middle: XY, r: number, from: number, to: number): readonly XY[] =>
  Array.from({ length: ARC + 1 }, (_, i): XY => {
    const a = from + ((to - from) * i) / ARC;
    return [middle[0] + r * Math.cos(a), middle[1] + r * Math.sin(a)];
  });

/** The wheel's rim as a closed line, counter-clockwise, its first slot on +x. */
export function genevaWheel(cut: GenevaCut): readonly XY[] {
  const half = cut.slotWide / 2;
  const edge = Math.asin(half / cut.rim);
  const bottom = cut.slotTo + half;
  const pitch = (2 * Math.PI) / cut.slots;
  const cos = (cut.rim ** 2 + cut.centreMm ** 2 - cut.hollow ** 2) / (2 * cut.rim * cut.centreMm);
  const open = Math.acos(Math.min(1, cos));
  const one: XY[] = [
    // down the slot's lower edge, round its bottom, and out again
    [cut.rim * Math.cos(edge), -half],
    ...arc([bottom, 0], half, -Math.PI / 2, (-3 * Math.PI) / 2),
    [cut.rim * Math.cos(edge), half],
    ...arc([0, 0], cut.rim, edge, pitch / 2 - open),
  ];
  // the hollow: about a point at the distance of the shafts, between two slots
  const about = turned([cut.centreMm, 0], pitch / 2);
  const first = turned([cut.rim, 0], pitch / 2 - open);
  const last = turned([cut.rim, 0], pitch / 2 + open);
  const from = Math.atan2(first[1] - about[1], first[0] - about[0]);
  let to = Math.atan2(last[1] - about[1], last[0] - about[0]);
  if (to > from) to -= 2 * Math.PI;
  const rest = arc([0, 0], cut.rim, pitch / 2 + open, pitch - edge);
  const sector = [...one, ...arc(about, cut.hollow, from, to), ...rest];
  return Array.from({ length: cut.slots }, (_, i) => sector.map((p) => turned(p, i * pitch))).flat();
}

/** The driver's locking round as a closed line, the pin on +x, relieved where the wheel passes. */
export function genevaLock(cut: GenevaCut): readonly XY[] {
  // the wheel stands on the pin's side while it moves
  // the triangle of its corner is that of shafts and pin, smaller
  const { lock, relief, crank, centreMm } = cut;
  const away = (centreMm * lock) / crank;
  const cos = (lock ** 2 + away ** 2 - relief ** 2) / (2 * lock * away);
  const open = Math.acos(Math.max(-1, Math.min(1, cos)));
  const corner: XY = [lock * Math.cos(open), lock * Math.sin(open)];
  const at = Math.atan2(corner[1], corner[0] - away);
  return [
    ...arc([0, 0], lock, open, 2 * Math.PI - open),
    ...arc([away, 0], relief, -at, -(2 * Math.PI - at)),
  ];
}
