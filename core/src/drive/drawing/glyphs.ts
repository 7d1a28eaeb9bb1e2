import type { OutputKind, OutputData } from '../outputs/output.ts';
import type { BeginGlyph } from '../sources/source.ts';
import type { Glyph, Stroke } from './drawing.ts';
import { at, circle, px, threads } from './outline.ts';

const TURN = 2 * Math.PI;
type WorkGlyph = OutputKind<OutputData>['glyph'];

const s1 = (d: string, filled = false): Stroke => ({ d, tone: 's1', filled });
const s2 = (d: string, filled = false): Stroke => ({ d, tone: 's2', filled });
const s3 = (d: string): Stroke => ({ d, tone: 's3' });

/** A plate with clipped corners. */
const plate = (x: number, y: number, h: number): string =>
  `M${px(x - h + 5)} ${px(y - h)}h${px(2 * h - 10)}l5 5v${px(2 * h - 10)}l-5 5h-${px(2 * h - 10)}l-5 -5v-${px(2 * h - 10)}z`;

const screws = (x: number, y: number, h: number): string =>
  [
    [-1, -1],
    [1, -1],
    [-1, 1],
    [1, 1],
  ]
    .map(([a, b]) => circle(x + a! * h * 0.72, y + b! * h * 0.72, 3.4))
    .join('');

/** The source around (x, y), `half` px to its edge; a small one without its details. */
export function sourceGlyph(kind: BeginGlyph, x: number, y: number, half: number, small = false): Glyph {
  const mark = s2(`M${at(x, y, half * 0.2, -Math.PI / 2)}L${at(x, y, half * 0.48, -Math.PI / 2)}`);
  const parts: Record<BeginGlyph, () => readonly [readonly Stroke[], readonly Stroke[]]> = {
    arbor: () => [
      [],
      [s1(circle(x, y, 6), true), s2(`M${at(x, y, 1.5, -Math.PI / 2)}L${at(x, y, 6, -Math.PI / 2)}`)],
    ],
    motor: () => [
      [s2(plate(x, y, half), true), ...(small ? [] : [s3(screws(x, y, half))])],
      small ? [] : [s2(circle(x, y, half * 0.52)), mark],
    ],
    encoderMotor: () => [
      [s2(circle(x, y, half), true)],
      small ? [] : [s3(ticks(x, y, half * 0.9, half * 0.76, 36)), s2(circle(x, y, half * 0.52)), mark],
    ],
    crank: () => [
      [s3(circle(x, y, half))],
      [
        s1(circle(x, y, half * 0.2), true),
        s1(`M${at(x, y, half * 0.2, -Math.PI / 2)}L${at(x, y, half * 0.84, -Math.PI / 2)}`),
        s1(circle(x, y - half * 0.9, Math.max(2, half * 0.14)), true),
      ],
    ],
    spring: () => [
      [s2(circle(x, y, half), true)],
      [s2(spiral(x, y, half * 0.9, small ? 2 : 4)), s1(circle(x, y, half * 0.16), true)],
    ],
    synchronous: () => [
      [
        s2(circle(x, y, half), true),
        ...(small
          ? []
          : [
              s3(
                `M${px(x - half * 0.5)} ${px(y + half * 0.74)}q${px(half * 0.25)} ${px(-half * 0.3)} ${px(half * 0.5)} 0t${px(half * 0.5)} 0`,
              ),
            ]),
      ],
      small ? [] : [s2(circle(x, y, half * 0.52)), mark],
    ],
  };
  const [still, turning] = parts[kind]();
  return { x, y, half, still, turning };
}

function ticks(x: number, y: number, out: number, inn: number, n: number, longer = 0): string {
  let d = '';
  for (let i = 0; i < n; i++) {
    const a = (TURN * i) / n - Math.PI / 2;
    d += `M${at(x, y, out, a)}L${at(x, y, i === 0 ? inn - longer : inn, a)}`;
  }
  return d;
}

function spiral(x: number, y: number, r: number, turns: number): string {
  const points = Array.from({ length: turns * 16 + 1 }, (_, i) => {
    const t = i / (turns * 16);
    return at(x, y, r * (0.2 + 0.8 * t), TURN * turns * t);
  });
  return `M${points.join('L')}`;
}

/** The work around (x, y): a table of radius r with the marks of its divisions, or what travels. */
export function workGlyph(
  kind: WorkGlyph,
  x: number,
  y: number,
  r: number,
  divisions: number,
  small = false,
): Glyph & { readonly r: number } {
  const half = r;
  const n = divisions > 0 && divisions <= (small ? 36 : 150) ? divisions : 24;
  const w = r * 0.95;
  const pulley = (radius: number): readonly Stroke[] => [
    s1(circle(x, y, radius), true),
    s2(`M${at(x, y, radius * 0.8, -Math.PI / 2)}L${at(x, y, radius * 0.3, -Math.PI / 2)}`),
  ];
  const carriage = (top: number, h: number): Stroke =>
    s1(`M${px(x - r * 0.42)} ${px(top)}h${px(r * 0.84)}v${px(h)}h${px(-r * 0.84)}z`, true);
  const parts: Record<WorkGlyph, () => readonly [readonly Stroke[], readonly Stroke[]]> = {
    table: () => [
      [s1(circle(x, y, r), true)],
      [
        s2(ticks(x, y, r - 0.5, r - (small ? 3.5 : 8), n, small ? 0 : 6)),
        s2(circle(x, y, small ? 3 : r * 0.28)),
        ...(small ? [] : [s1(circle(x, y, r * 0.1))]),
      ],
    ],
    screw: () => {
      const h = Math.max(8, r * 0.24);
      return [
        [
          s1(`M${px(x - w)} ${px(y - h / 2)}h${px(2 * w)}v${px(h)}h${px(-2 * w)}z`, true),
          s2(threads(x - w, y - h / 2, 2 * w, h, Math.max(4, r * 0.09))),
          carriage(y - h, h * 2),
          s2(`M${px(x - r * 0.3)} ${px(y - h - 6)}h${px(r * 0.6)}`),
        ],
        [],
      ];
    },
    belt: () => [
      [
        s2(`M${px(x - w)} ${px(y - r * 0.3)}H${px(x + w)}M${px(x - w)} ${px(y + r * 0.3)}H${px(x + w)}`),
        carriage(y - r * 0.46, r * 0.24),
      ],
      pulley(r * 0.3),
    ],
    rack: () => [
      [
        s1(`M${px(x - w)} ${px(y + r * 0.36)}H${px(x + w)}V${px(y + r * 0.56)}H${px(x - w)}z`, true),
        s2(threads(x - w, y + r * 0.3, 2 * w, 7, 7)),
      ],
      pulley(r * 0.3),
    ],
    arm: () => [
      [
        s1(`M${px(x - w)} ${px(y + r * 0.5)}H${px(x + w)}`),
        s1(`M${px(x - w)} ${px(y + r * 0.5)}L${px(x + w)} ${px(y - r * 0.34)}`),
        s1(circle(x - w, y + r * 0.5, Math.max(2, r * 0.09)), true),
        s2(threads(x + w * 0.62, y - r * 0.3, Math.max(3, r * 0.12), r * 0.8, Math.max(4, r * 0.09))),
        s2(
          `M${px(x + w * 0.62)} ${px(y - r * 0.3)}V${px(y + r * 0.62)}h${px(Math.max(3, r * 0.12))}V${px(y - r * 0.3)}`,
        ),
      ],
      [],
    ],
    drum: () => [
      [
        s2(`M${px(x + r * 0.46)} ${px(y)}V${px(y + r * 0.9)}`),
        s1(
          `M${px(x + r * 0.34)} ${px(y + r * 0.9)}h${px(r * 0.24)}l${px(-r * 0.04)} ${px(r * 0.16)}h${px(-r * 0.16)}z`,
        ),
      ],
      [...pulley(r * 0.46), s3(circle(x, y, r * 0.4))],
    ],
  };
  const [still, turning] = parts[kind]();
  return { x, y, half, r, still, turning };
}
