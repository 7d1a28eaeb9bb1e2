/** What the fingers say when the worm or pinion is turned, from too close to too far apart. (handbook: make, adjusting a mesh) */
export const FEELS = ['binds', 'stiff', 'smooth', 'slight', 'rattles'] as const;
export type Feel = (typeof FEELS)[number];

/** One entry of an adjusting log: the screw turned, then what was felt. */
export interface MeshMove {
  /** turns of the screw, above 0 opens; 0 for as found, and for locking */
  readonly turns: number;
  readonly felt: Feel;
  /** the screws are locked */
  readonly locked?: boolean;
  /** the wheel rattles when it is rocked, whatever turning says */
  readonly rocks?: boolean;
  /** felt with the screws not snugged: it does not count */
  readonly loose?: boolean;
}

export interface MeshAsked {
  readonly wanted: Feel;
  /** of the adjusting screw, mm; null when it is not known */
  readonly pitchMm: number | null;
  readonly moduleMm: number;
}

/** Where it stands, and what to do next. */
export interface MeshState {
  /** turns of the screw from where it was found */
  readonly stands: number;
  /** the last that was too close, and too far, in turns; null while there is none */
  readonly tight: number | null;
  readonly loose: number | null;
  readonly next: MeshNext;
  /** how far locking closed it, turns, above 0 closes; null until it was seen */
  readonly shift: number | null;
}

export type MeshNext =
  | { readonly do: 'feel' }
  | {
      readonly do: 'turn';
      readonly turns: number;
      readonly by: 'doubling' | 'halving' | 'locking';
      readonly to: number;
    }
  | { readonly do: 'lock' }
  | { readonly do: 'done' }
  | { readonly do: 'cannot'; readonly why: 'notDistance' | 'noRoom' | 'skips' };

/** First step of a search for the other side; finest step there is any use in; first guess of what locking moves. */
const FIRST = 1 / 8;
const FINEST = 1 / 128;
const LOCKING = 1 / 32;

const rank = (f: Feel): number => FEELS.indexOf(f);

interface Bracket {
  tight: number | null;
  loose: number | null;
}

/** What was felt at a place goes into the bracket; what it contradicts goes out of it, for fingers err near the edge. */
function put(b: Bracket, at: number, felt: Feel, wanted: Feel): void {
  if (rank(felt) < rank(wanted)) {
    b.tight = at;
    if (b.loose !== null && b.loose <= at) b.loose = null;
  } else if (rank(felt) > rank(wanted)) {
    b.loose = at;
    if (b.tight !== null && b.tight >= at) b.tight = null;
  }
}

/** The move that the log asks for: doubling until both sides were felt, halving between them, then locking and what locking moves. Pure. */
export function meshState(log: readonly MeshMove[], { wanted, pitchMm, moduleMm }: MeshAsked): MeshState {
  const open: Bracket = { tight: null, loose: null };
  const locked: Bracket = { tight: null, loose: null };
  let stands = 0;
  let shift: number | null = null;
  let good: number | null = null;
  for (const m of log) {
    stands += m.turns;
    if (m.loose) continue;
    if (m.locked) {
      put(locked, stands, m.felt, wanted);
      if (good !== null && m.felt !== wanted && shift === null)
        shift = rank(m.felt) < rank(wanted) ? LOCKING : -LOCKING;
    } else {
      put(open, stands, m.felt, wanted);
      if (m.felt === wanted) good = stands;
    }
  }
  const last = log.at(-1);
  const state = (next: MeshNext): MeshState => {
    const b = locked.tight !== null || locked.loose !== null ? locked : open;
    return { stands, tight: b.tight, loose: b.loose, shift, next };
  };
  if (!last) return state({ do: 'feel' });
  if (last.rocks && rank(last.felt) < rank('smooth')) return state({ do: 'cannot', why: 'notDistance' });
  const most = pitchMm === null ? Infinity : moduleMm / 2 / pitchMm;
  const turn = (wish: number, by: 'doubling' | 'halving' | 'locking'): MeshState => {
    // never so far apart that teeth skip
    const to = Math.min(wish, most);
    if (wish > most && stands > most - FINEST) return state({ do: 'cannot', why: 'skips' });
    return Math.abs(to - stands) < FINEST
      ? state({ do: 'cannot', why: 'noRoom' })
      : state({ do: 'turn', turns: to - stands, to, by });
  };
  if (last.locked) {
    if (last.felt === wanted) return state({ do: 'done' });
    if (locked.tight !== null && locked.loose !== null)
      return turn((locked.tight + locked.loose) / 2, 'halving');
    const step = LOCKING * 2 ** Math.max(0, log.filter((m) => m.locked).length - 1);
    return turn(stands + (rank(last.felt) < rank(wanted) ? step : -step), 'locking');
  }
  // once locking was tried, every place is judged locked
  if (log.some((m) => m.locked) || last.felt === wanted) return state({ do: 'lock' });
  if (open.tight !== null && open.loose !== null) return turn((open.tight + open.loose) / 2, 'halving');
  const tries = log.filter((m) => m.turns !== 0).length;
  const step = Math.min(FIRST * 2 ** tries, 1);
  return turn(stands + (open.tight !== null ? step : -step), 'doubling');
}

/** What x turns of the screw do: mm of distance, and of play at the pitch line. (handbook: make) */
export const meshMoves = (
  turns: number,
  pitchMm: number,
  alphaDeg = 20,
): { readonly mm: number; readonly playMm: number } => ({
  mm: turns * pitchMm,
  playMm: 2 * turns * pitchMm * Math.tan((alphaDeg * Math.PI) / 180),
});

/** Play as an angle of the wheel, ″: 2Δ·tan α at its pitch radius. */
export const playArcsec = (radialMm: number, radiusMm: number, alphaDeg = 20): number =>
  ((2 * radialMm * Math.tan((alphaDeg * Math.PI) / 180)) / radiusMm) * 206_264.80624709636;

/** Lock screws must be freed by so much before a jack opens by `turns`: x·s_jack/s_lock. */
export const freeLocks = (turns: number, jackPitchMm: number, lockPitchMm: number): number =>
  (turns * jackPitchMm) / lockPitchMm;

/** Distance of a mesh whose carrier turns on a pivot: C² = D² + e² − 2De·cos φ. */
export const pivoted = (pivotMm: number, armMm: number, deg: number): number =>
  Math.sqrt(pivotMm ** 2 + armMm ** 2 - 2 * pivotMm * armMm * Math.cos((deg * Math.PI) / 180));

/** A sprung mesh stays closed with at least this, N: 1.5·(T/ρ)·tan α. */
export const springN = (torqueNm: number, radiusMm: number, alphaDeg = 20): number =>
  1.5 * (torqueNm / (radiusMm / 1000)) * Math.tan((alphaDeg * Math.PI) / 180);
