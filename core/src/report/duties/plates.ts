import { abs, exactly, factors, mul, rational, toText, type Rational } from '../../numbers/index.ts';
import { platesText, type Drive, type Kinematics } from '../../drive/index.ts';
import {
  compoundMoves,
  differentials,
  newPlates,
  pairsOf,
  plateChart,
  simpleMoves,
  smallestCircle,
  sumOf,
  turnsOf,
  wheelRatios,
  type CompoundMove,
  type Differential,
  type NewPlates,
  type PlateAnswer,
  type PlateSet,
  type SimpleMove,
} from '../../divide/index.ts';
import type { Figure, Graded } from '../figure.ts';
import { lazy } from '../lazy.ts';
import type { Rich } from '../rich.ts';
import { counted, fraction, grouped, inWords, listed, mixed, shortList } from '../text.ts';
import { figureOf, worked } from './duty.ts';
import { platePicture, type PlatePicture } from './plate-picture.ts';

/** One wanted count by the plates. */
export interface PlateRow {
  readonly divisions: number;
  readonly turns: Rich;
  readonly graded: Graded;
  readonly move: Rich;
  readonly plate: string;
  /** holes under the sector arms */
  readonly arms: string;
  readonly also: string;
}

/** One count opened: every way to make it, its working, its picture. */
export interface OpenedPlate {
  readonly divisions: number;
  readonly title: string;
  readonly graded: Graded;
  readonly figure: Figure;
  readonly picture: PlatePicture | null;
  /** what is done at each division, step by step */
  readonly procedure: readonly string[];
  readonly simple: readonly Rich[];
  readonly compound: readonly Rich[];
  readonly differential: readonly Rich[];
}

export interface PlatesReport {
  /** the worm's ratio in force, exact */
  readonly worm: Rational;
  readonly wormField: string;
  /** it is the train's own */
  readonly fromTrain: boolean;
  readonly circles: string;
  readonly gears: string;
  readonly mostHoles: number;
  readonly says: string;
  readonly rows: readonly PlateRow[];
  /** all of 2 to 400 */
  readonly chart: readonly PlateAnswer[];
  readonly tally: { readonly circle: number; readonly compound: number; readonly none: number };
  readonly fresh: NewPlates;
  readonly freshSays: { readonly strong: string; readonly rest: string } | null;
  opened(divisions: number): OpenedPlate;
}

export const CHART_TO = 400;
const MOST_HOLES = 100;
/** Ways of each kind that are listed. */
const LISTED = 5;

/** The worm that the plates are used on: its own ratio, else the train's. */
export const wormOf = (drive: Drive, k: Kinematics): Rational =>
  drive.plates?.wormRatio === undefined ? abs(k.reduction) : exactly(drive.plates.wormRatio);

/** Is this drive divided by hand, with plates? */
export const byPlates = (drive: Drive): boolean =>
  drive.train.source.kind === 'crank' && (drive.plates?.plates.length ?? 0) > 0;

/** How the plates make the wanted counts; null while there are none. (handbook: divide, index plates) */
export function platesReport(drive: Drive, k: Kinematics, wanted: readonly number[]): PlatesReport | null {
  const set = drive.plates;
  if (!set) return null;
  const worm = wormOf(drive, k);
  const plates = set.plates;
  const mostHoles = set.mostHoles ?? MOST_HOLES;
  const answers = lazy(() => plateChart(worm, plates, wanted));
  const chart = lazy(() =>
    plateChart(
      worm,
      plates,
      Array.from({ length: CHART_TO - 1 }, (_, i) => i + 2),
    ),
  );
  const fresh = lazy(() => newPlates(worm, plates, wanted, mostHoles));
  const ratios = lazy(() => wheelRatios(set.gears ?? []));
  const circles = plates.reduce((n, p) => n + p.length, 0);
  return {
    worm,
    wormField: set.wormRatio ?? '',
    fromTrain: set.wormRatio === undefined,
    circles: platesText(plates),
    gears: (set.gears ?? []).join(' '),
    mostHoles,
    says: `${circles} on ${counted(plates.length, 'plate')}`,
    get rows() {
      return answers().map((a) => rowOf(a, worm));
    },
    get chart() {
      return chart();
    },
    get tally() {
      const of = (how: PlateAnswer['how']): number => chart().filter((a) => a.how === how).length;
      return { circle: of('circle'), compound: of('compound'), none: of('none') };
    },
    get fresh() {
      return fresh();
    },
    get freshSays() {
      return freshSays(answers(), fresh(), mostHoles);
    },
    opened: (divisions) => openedPlate(worm, plates, divisions, ratios()),
  };
}

const holesText = (n: number): string => `${n} ${Math.abs(n) === 1 ? 'hole' : 'holes'}`;

/** "8 holes on 19", "5 turns and 15 holes on 21" */
function simpleText(m: SimpleMove): Rich {
  const turns = m.wholeTurns === 0 ? '' : `${m.wholeTurns} ${m.wholeTurns === 1 ? 'turn' : 'turns'}`;
  if (m.holes === 0) return [{ strong: turns || 'no move' }];
  return [
    turns && `${turns} and `,
    { strong: String(m.holes) },
    ` ${m.holes === 1 ? 'hole' : 'holes'} on `,
    { strong: String(m.circle) },
  ];
}

const compoundText = ({ circles, holes }: CompoundMove): Rich => [
  { strong: String(holes[0]).replace('-', '−') },
  ` on `,
  { strong: String(circles[0]) },
  holes[1] < 0 ? ' less ' : ' and ',
  { strong: String(Math.abs(holes[1])) },
  ' on ',
  { strong: String(circles[1]) },
];

function rowOf(a: PlateAnswer, worm: Rational): PlateRow {
  const turns = fraction(turnsOf(worm, a.divisions));
  const base = { divisions: a.divisions, turns };
  switch (a.how) {
    case 'circle':
      return {
        ...base,
        graded: { grade: 'even', word: 'Even' },
        move: simpleText(a.move),
        plate: `plate ${a.move.plate + 1}`,
        arms: a.move.holes === 0 ? '' : String(a.move.holes + 1),
        also: a.others === 0 ? '' : `or ${counted(a.others, 'other')}`,
      };
    case 'compound':
      return {
        ...base,
        graded: { grade: 'evenMicrostep', word: 'Even by compound' },
        move: compoundText(a.move),
        plate: `plate ${a.move.plate + 1}`,
        arms: '',
        also: '',
      };
    case 'none':
      return {
        ...base,
        graded: { grade: 'unknown', word: 'No circle' },
        move: [`${a.circle} or ${2 * a.circle} holes`],
        plate: '',
        arms: '',
        also: '',
      };
  }
}

function freshSays(
  answers: readonly PlateAnswer[],
  fresh: NewPlates,
  mostHoles: number,
): PlatesReport['freshSays'] {
  const open = answers.filter((a) => a.how === 'none').map((a) => grouped(String(a.divisions)));
  if (open.length === 0) return null;
  const beyond =
    fresh.beyond.length === 0
      ? ''
      : ` ${shortList(fresh.beyond.map((n) => grouped(String(n))))} ${fresh.beyond.length === 1 ? 'wants' : 'want'} more than ${mostHoles} holes.`;
  const [choice] = fresh.choices;
  if (!choice)
    return {
      strong: `No new plate serves ${shortList(open)}.`,
      rest: beyond.trim() || 'More than twelve circles would be wanted: ask for fewer counts.',
    };
  const compound = answers.filter((a) => a.how === 'compound').map((a) => String(a.divisions));
  const served =
    compound.length === 0
      ? ''
      : `; ${shortList(compound)} ${compound.length === 1 ? 'is' : 'are'} served already, by two circles`;
  const more = fresh.choices.length - 1;
  return {
    strong: `Best new plate for ${shortList(open)}`,
    rest: `${inWords(choice.circles.length).replace(/^./, (c) => c.toUpperCase())} ${choice.circles.length === 1 ? 'circle' : 'circles'}, never fewer${served}.${more > 0 ? ` ${counted(more, 'other choice', 'other choices').replace(/^./, (c) => c.toUpperCase())}.` : ''}${beyond}`,
  };
}

function openedPlate(
  worm: Rational,
  plates: PlateSet,
  divisions: number,
  ratios: ReturnType<typeof wheelRatios>,
): OpenedPlate {
  const turns = turnsOf(worm, divisions);
  const simple = simpleMoves(turns, plates);
  const compound = compoundMoves(turns, pairsOf(plates));
  const differential = differentials(worm, divisions, plates, ratios);
  const [one] = simple;
  const [two] = compound;
  const [three] = differential;
  const move = one ?? two ?? null;
  const graded: Graded = one
    ? { grade: 'even', word: 'Even' }
    : two
      ? { grade: 'evenMicrostep', word: 'Even by compound' }
      : three
        ? { grade: 'evenMicrostep', word: 'Even with wheels' }
        : { grade: 'unknown', word: 'No circle' };
  return {
    divisions,
    title: one
      ? one.holes === 0
        ? `${grouped(String(divisions))} by whole turns`
        : `${grouped(String(divisions))} on the ${one.circle} circle`
      : two
        ? `${grouped(String(divisions))} on two circles`
        : three
          ? `${grouped(String(divisions))} with change wheels`
          : `${grouped(String(divisions))} has no circle`,
    graded,
    figure: movedFigure(worm, divisions, turns, move, three ?? null),
    picture: move && platePicture(plates, move),
    procedure: procedure(turns, one ?? null, two ?? null, three ?? null),
    simple: simple.slice(0, LISTED).map(simpleText),
    compound: compound.slice(0, LISTED).map(compoundText),
    differential: differential.slice(0, LISTED).map(differentialText),
  };
}

const wheelsText = ({ drivers, driven }: Differential): string =>
  `${drivers.join(' × ')} : ${driven.join(' × ')}`;

const differentialText = (d: Differential): Rich => [
  `as ${d.near}: `,
  ...simpleText(d.move),
  `, wheels ${wheelsText(d)}, the plate turns ${d.ratio.s < 0n ? 'against' : 'with'} the crank`,
];

function movedFigure(
  worm: Rational,
  divisions: number,
  turns: Rational,
  move: SimpleMove | CompoundMove | null,
  wheels: Differential | null,
): Figure {
  const gap = worked(`one gap of ${divisions}`, [...fraction(turns), ' of a crank turn'], true);
  const key = `plates.${divisions}`;
  const q = smallestCircle(turns);
  if (move && 'circle' in move)
    return figureOf({
      key,
      label: 'each gap',
      value: toText(turns),
      text: simpleText(move),
      exact: true,
      from: [
        gap,
        worked(
          `circles that hold ${q}`,
          `${move.circle}${q === move.circle ? '' : `, ${move.circle / q} times ${q}`}`,
          true,
        ),
        worked(
          'holes to move',
          [...fraction(rational(move.holes, move.circle)), ` × ${move.circle} = ${move.holes}`],
          true,
        ),
        ...(move.holes === 0
          ? []
          : [
              worked(
                'sector arms over',
                `${move.holes} + 1 = ${move.holes + 1}, for both end holes count`,
                true,
              ),
            ]),
        worked('pin is back at 0', `after ${grouped(turns.d.toString())} gaps`, true),
        worked(
          `all ${divisions} together`,
          [
            `${divisions} × `,
            ...fraction(turns),
            ' = ',
            ...mixed(sumOf(move, divisions)),
            ' turns, one turn of the work',
          ],
          true,
        ),
      ],
    });
  if (move)
    return figureOf({
      key,
      label: 'each gap',
      value: toText(turns),
      text: compoundText(move),
      exact: true,
      from: [
        gap,
        worked('on two circles', [...sumText(move), ' = ', ...fraction(turns)], true),
        worked(
          `all ${divisions} together`,
          [
            `${divisions} × (`,
            ...sumText(move),
            ') = ',
            ...mixed(sumOf(move, divisions)),
            ' turns, one turn of the work',
          ],
          true,
        ),
      ],
    });
  if (wheels)
    return figureOf({
      key,
      label: 'each gap',
      value: toText(turns),
      text: differentialText(wheels),
      exact: true,
      from: [
        gap,
        worked(`as ${wheels.near}`, [...fraction(turnsOf(worm, wheels.near)), ' of a crank turn'], true),
        worked(
          'plate for one turn of the spindle',
          [`W × (${wheels.near} − ${divisions}) ÷ ${wheels.near} = `, ...mixed(wheels.ratio)],
          true,
        ),
        worked('wheels', wheelsText(wheels), true),
        worked(
          `all ${divisions} together`,
          [
            ...mixed(mul(rational(divisions), turnsOf(worm, wheels.near))),
            wheels.ratio.s < 0n ? ' less ' : ' and ',
            ...mixed(abs(wheels.ratio)),
            ' turns of the plate are ',
            ...mixed(worm),
          ],
          true,
        ),
      ],
    });
  return figureOf({
    key,
    label: 'circle to make',
    value: String(q),
    text: [{ strong: String(q) }, ` or ${2 * q} holes`],
    exact: true,
    from: [
      gap,
      worked(
        'in lowest terms',
        `${q} below the line: ${listed([...factors(BigInt(q)).keys()].map(String))} must be in the circle`,
        true,
      ),
    ],
  });
}

const sumText = ({ circles, holes }: CompoundMove): Rich => [
  ...fraction(rational(holes[0], circles[0])),
  holes[1] < 0 ? ' − ' : ' + ',
  ...fraction(rational(Math.abs(holes[1]), circles[1])),
];

/** What is done at each division. Two circles want both pins. */
function procedure(
  turns: Rational,
  one: SimpleMove | null,
  two: CompoundMove | null,
  wheels: Differential | null,
): readonly string[] {
  if (one) {
    if (one.holes === 0)
      return [`Turn the crank ${one.wholeTurns} times and drop the pin in the hole it came from.`];
    return [
      `Set the sector arms over ${one.holes + 1} holes of the ${one.circle} circle: ${holesText(one.holes)} and the one the pin is in.`,
      `Draw the pin, turn the crank ${one.wholeTurns === 0 ? '' : `${one.wholeTurns} whole ${one.wholeTurns === 1 ? 'turn' : 'turns'} and then `}to the far arm, drop the pin.`,
      'Bring the arms round to the pin before the next cut.',
      'Always come to the hole from the same side; if you pass it, go back a good part of a turn and come again.',
    ];
  }
  if (two) {
    const [[h1, h2], [n1, n2]] = [two.circles, two.holes];
    const way = (n: number): string => (n > 0 ? 'forward' : 'back');
    return [
      `Crank pin on the ${h1} circle, the back pin holds the plate on the ${h2} circle.`,
      `Draw the crank pin and turn it ${way(n1)} ${holesText(Math.abs(n1))} on ${h1}; drop it.`,
      `Draw the back pin and turn crank and plate together ${way(n2)} ${holesText(Math.abs(n2))} on ${h2}; drop it.`,
      'Come to both holes from the same side each time, and clamp before cutting.',
    ];
  }
  if (wheels)
    return [
      `Wheels from spindle to plate: ${wheelsText(wheels)} (drivers : driven)${wheels.ratio.s < 0n ? ', with one idler more, so that the plate turns against the crank' : ''}.`,
      `Free the plate from its stop and move as for ${wheels.near}: the arms over ${wheels.move.holes + 1} holes of ${wheels.move.circle}.`,
    ];
  return [`Make a circle of ${smallestCircle(turns)} holes, or a multiple.`];
}
