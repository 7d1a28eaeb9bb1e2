import { kindOf, moduleOf, type Drive, type Edit } from '../../drive/index.ts';
import {
  meshMoves,
  meshState,
  playArcsec,
  readMeshLog,
  turnText,
  withMeshMove,
  type Feel,
  type MeshMove,
  type MeshState,
} from '../../make/index.ts';
import { angleText, measured } from '../../words/index.ts';

/** A mesh that can be set by a screw. */
export interface MeshChoice {
  /** from 0 along the path */
  readonly stage: number;
  readonly title: string;
}

export interface MeshRow {
  readonly turned: string;
  readonly stands: string;
  readonly felt: string;
  readonly side: 'tight' | 'loose' | 'good';
}

/** The helper beside a mesh: what was done, where it stands, and what to do next. */
export interface MeshReport {
  readonly rows: readonly MeshRow[];
  readonly state: MeshState;
  readonly wanted: Feel;
  readonly next: { readonly title: string; readonly message: string };
  readonly moves: number;
  /** the edits that put one more entry into the log */
  entry(felt: Feel, more: Partial<MeshMove>): Edit;
  /** takes the last entry back, and puts the log away into the past */
  readonly back: Edit | null;
  readonly again: readonly Edit[];
  readonly past: readonly string[];
}

const FELT: Readonly<Record<Feel, string>> = {
  binds: 'binds',
  stiff: 'stiff',
  smooth: 'smooth, no rattle',
  slight: 'slight rattle',
  rattles: 'rattles',
};
export const feelWords: Readonly<Record<Feel, string>> = FELT;

/** Pairs of wheels with a distance to be set. */
export const meshChoices = ({ train: { stages } }: Drive): readonly MeshChoice[] =>
  stages.flatMap((s, stage) => {
    const { form } = kindOf(s).shape(s);
    return form === 'mesh' || form === 'worm'
      ? [{ stage, title: `${kindOf(s).title} ${kindOf(s).label(s)}` }]
      : [];
  });

const WHY = {
  notDistance: [
    'Not a matter of distance',
    'Stiff and rattling together: look at tilt, at a wheel off centre, at a bearing, at end float, in that order.',
  ],
  noRoom: [
    'No finer',
    'Between tight and loose no turn of the screw is left that can be told. Take the nearer of the two, or look whether the wheel is off centre.',
  ],
  skips: [
    'No further',
    'Half a module apart: teeth would skip. Something else holds it: look for a burr, or whose play it is.',
  ],
} as const;

/** One mesh with its log. (handbook: make, adjusting a mesh) */
export function meshReport({ train: { stages } }: Drive, at: number): MeshReport | null {
  const stage = stages[at];
  if (!stage) return null;
  const { meshLog = '', meshPast = '', meshScrewMm, meshWanted: wanted = 'smooth' } = stage;
  const moduleMm = moduleOf(stage).mm;
  const log = readMeshLog(meshLog);
  const state = meshState(log, { wanted, pitchMm: meshScrewMm ?? null, moduleMm });
  let stands = 0;
  const order: readonly Feel[] = ['binds', 'stiff', 'smooth', 'slight', 'rattles'];
  const rows = log.map((m, i): MeshRow => {
    stands += m.turns;
    const by = order.indexOf(m.felt) - order.indexOf(wanted);
    return {
      turned: m.locked
        ? 'locked'
        : i === 0 && m.turns === 0
          ? 'as found'
          : `${m.turns > 0 ? '+' : ''}${turnText(m.turns)}`.replace('-', '−'),
      stands: turnText(stands).replace('-', '−'),
      felt: `${FELT[m.felt]}${m.rocks ? ', rocks' : ''}${m.loose ? ', screws not snugged' : ''}`,
      side: by < 0 ? 'tight' : by > 0 ? 'loose' : 'good',
    };
  });
  const shape = kindOf(stage).shape(stage);
  const driven = shape.form === 'worm' ? shape.wheel : shape.form === 'mesh' ? shape.driven : null;
  const radius = (driven?.pitchMm ?? 0) / 2;
  const edit = (key: string, text: string): Edit => ({ do: 'stage', at, key, text });
  const parts = meshLog
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean);
  return {
    rows,
    state,
    wanted,
    moves: log.filter((m) => m.turns !== 0).length,
    next: nextWords(state, meshScrewMm ?? null, radius),
    entry: (felt, more) =>
      edit(
        'meshLog',
        withMeshMove(meshLog, {
          felt,
          turns: state.next.do === 'turn' ? state.next.turns : 0,
          ...(state.next.do === 'lock' && { locked: true }),
          ...more,
        }),
      ),
    back: parts.length > 0 ? edit('meshLog', parts.slice(0, -1).join('; ')) : null,
    again:
      parts.length > 0
        ? [
            edit(
              'meshPast',
              [
                meshPast,
                `stood at ${turnText(state.stands)}, ${FELT[log.at(-1)?.felt ?? 'binds']}, ${log.length} felt`,
              ]
                .filter(Boolean)
                .slice(-20)
                .join('; '),
            ),
            edit('meshLog', ''),
          ]
        : [],
    past: meshPast
      .split(';')
      .map((p) => p.trim())
      .filter(Boolean),
  };
}

function nextWords(
  { next, shift }: MeshState,
  screwMm: number | null,
  radiusMm: number,
): { readonly title: string; readonly message: string } {
  switch (next.do) {
    case 'feel':
      return {
        title: 'As found',
        message:
          'Turn the wheel to its tightest place, snug the screws, and say what you feel. Zero is where the screw first lifts.',
      };
    case 'lock':
      return {
        title: 'Lock, and feel again',
        message:
          shift === null ? 'Locking moves it: that is seen now.' : 'Lock the screws, then say what you feel.',
      };
    case 'done':
      return {
        title: 'It is set',
        message: 'Locked, and as you wanted it. Check it again after it has run in.',
      };
    case 'cannot': {
      const [title, message] = WHY[next.why];
      return { title, message };
    }
    case 'turn': {
      const way = next.turns > 0 ? 'out' : 'in';
      const by = turnText(Math.abs(next.turns));
      const moved = screwMm === null ? null : meshMoves(next.turns, screwMm);
      const arcsec = moved && radiusMm > 0 ? `, ${angleText(Math.abs(playArcsec(moved.mm, radiusMm)))}` : '';
      return {
        title: `Turn ${way} ${by}, to ${turnText(next.to).replace('-', '−')}`,
        message: [
          ...(next.by === 'locking'
            ? [
                `Unlock first. Locking ${shift !== null && shift > 0 ? 'closed' : 'opened'} it: stop as far wide of the feel you want.`,
              ]
            : []),
          ...(moved
            ? [
                `${measured(Math.abs(moved.mm))} mm ${next.turns > 0 ? 'apart' : 'closer'}, about ${measured(Math.abs(moved.playMm))} mm of play${arcsec}.`,
              ]
            : []),
          'Try the wheel at three places, then say what you feel.',
        ].join(' '),
      };
    }
  }
}
