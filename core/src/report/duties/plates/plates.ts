import type { Rational } from '../../../numbers/index.ts';
import { platesText, type Drive, type Edit, type Kinematics } from '../../../drive/index.ts';
import {
  compoundMoves,
  differentials,
  newPlates,
  pairsOf,
  plateChart,
  simpleMoves,
  turnsOf,
  wheelRatios,
  type Differential,
  type NewPlates,
  type PlateAnswer,
  type PlateSet,
} from '../../../divide/index.ts';
import {
  counted,
  type Figure,
  fraction,
  type Graded,
  grouped,
  inWords,
  type Rich,
  shortList,
} from '../../../words/index.ts';
import { wormOf } from '../../../plans/index.ts';
import { lazy } from '../../lazy.ts';
import { compoundText, differentialText, movedFigure, procedure, simpleText, wheelsText } from './words.ts';
import { platePicture, type PlatePicture } from './picture.ts';

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
  readonly message: string;
  readonly rows: readonly PlateRow[];
  /** all of 2 to 400 */
  readonly chart: readonly PlateAnswer[];
  readonly tally: { readonly circle: number; readonly compound: number; readonly none: number };
  readonly fresh: NewPlates;
  readonly freshMessage: { readonly strong: string; readonly rest: string } | null;
  /** the source does not go by these plates, or goes by nothing: what would */
  readonly offer: { readonly message: string; readonly title: string; readonly edit: Edit } | null;
  opened(divisions: number): OpenedPlate;
}

export const CHART_TO = 400;
const MAX_HOLES = 100;
/** Ways of each kind that are listed. */
const LISTED = 5;

/** Plates are turned by a crank: with a motor the strip, the sheet and Run go by its steps. And back, where there are no circles. */
function offerOf({ train: { source } }: Drive, circles: number): PlatesReport['offer'] {
  if (circles > 0 && source.kind !== 'crank')
    return {
      message: 'A motor turns this head: strip, sheet and Run go by its steps, not by these plates.',
      title: 'Turn it by a crank',
      edit: { do: 'sourceKind', kind: 'crank' },
    };
  return circles === 0 && source.kind === 'crank'
    ? {
        message: 'A crank turns it, and there is no plate.',
        title: 'Turn it by a stepper',
        edit: { do: 'sourceKind', kind: 'stepper' },
      }
    : null;
}

/** How the plates make the wanted counts; null while there are none. (handbook: divide, index plates) */
export function platesReport(drive: Drive, k: Kinematics, wanted: readonly number[]): PlatesReport | null {
  const set = drive.plates;
  if (!set) return null;
  const worm = wormOf(drive, k);
  const plates = set.plates;
  const mostHoles = set.mostHoles ?? MAX_HOLES;
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
  const wheelsFor = (a: PlateAnswer): Differential | null =>
    a.how === 'none' && set.gears ? (differentials(worm, a.divisions, plates, ratios())[0] ?? null) : null;
  const circles = plates.reduce((n, p) => n + p.length, 0);
  return {
    worm,
    wormField: set.wormRatio ?? '',
    fromTrain: set.wormRatio === undefined,
    circles: platesText(plates),
    gears: (set.gears ?? []).join(' '),
    mostHoles,
    message: `${circles} on ${counted(plates.length, 'plate')}`,
    offer: offerOf(drive, circles),
    get rows() {
      return answers().map((a) => rowOf(a, worm, wheelsFor(a)));
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
    get freshMessage() {
      return freshMessage(answers(), fresh(), mostHoles);
    },
    opened: (divisions) => openedPlate(worm, plates, divisions, ratios()),
  };
}

function rowOf(a: PlateAnswer, worm: Rational, wheels: Differential | null): PlateRow {
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
        graded: { grade: 'even', word: 'Even by compound' },
        move: compoundText(a.move),
        plate: `plate ${a.move.plate + 1}`,
        arms: '',
        also: '',
      };
    case 'none':
      if (wheels)
        return {
          ...base,
          graded: { grade: 'even', word: 'Even with wheels' },
          move: [`as ${wheels.near}: `, ...simpleText(wheels.move)],
          plate: `plate ${wheels.move.plate + 1}`,
          arms: wheels.move.holes === 0 ? '' : String(wheels.move.holes + 1),
          also: `wheels ${wheelsText(wheels)}`,
        };
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

function freshMessage(
  answers: readonly PlateAnswer[],
  fresh: NewPlates,
  mostHoles: number,
): PlatesReport['freshMessage'] {
  const open = answers.filter((a) => a.how === 'none').map((a) => grouped(String(a.divisions)));
  if (open.length === 0) return null;
  const beyond =
    fresh.beyond.length === 0
      ? ''
      : ` ${shortList(fresh.beyond.map((n) => grouped(String(n))))} ${fresh.beyond.length === 1 ? 'wants' : 'want'} more than ${mostHoles} holes.`;
  const [choice] = fresh.choices;
  if (!choice && fresh.most) {
    const { circles, left } = fresh.most;
    const [first] = circles;
    return {
      strong: `No plate of ${inWords(circles.length)} circles serves all of ${shortList(open)}.`,
      rest: `A circle of ${first!.holes} alone serves ${counted(first!.serves.length, 'count')}; these ${inWords(circles.length)} serve all but ${left.length === 0 ? 'none' : shortList(left.map(String))}.${beyond}`,
    };
  }
  if (!choice) return { strong: `No new plate serves ${shortList(open)}.`, rest: beyond.trim() };
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
  const shown = move ?? three?.move ?? null;
  const graded: Graded = one
    ? { grade: 'even', word: 'Even' }
    : two
      ? { grade: 'even', word: 'Even by compound' }
      : three
        ? { grade: 'even', word: 'Even with wheels' }
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
    picture: shown && platePicture(plates, shown),
    procedure: procedure(turns, one ?? null, two ?? null, three ?? null),
    simple: simple.slice(0, LISTED).map(simpleText),
    compound: compound.slice(0, LISTED).map(compoundText),
    differential: differential.slice(0, LISTED).map(differentialText),
  };
}
