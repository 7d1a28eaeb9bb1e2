import { dataOf } from '../../drive/index.ts';
import { ONE, decimal, mul, rational, type Rational } from '../../numbers/index.ts';
import {
  kindOf,
  outputKindOf,
  shaftsOfRuns,
  sourceKindOf,
  stageRuns,
  type Drive,
  type Kinematics,
  type Stage,
  type StageRun,
} from '../../drive/index.ts';
import {
  arrowArc,
  columnDrawing,
  layWords,
  px,
  rowDrawing,
  type Drawing,
  type Solid,
  type Tag,
} from '../../drive/drawing/index.ts';
import { exponentsOf } from '../../divide/index.ts';
import { grouped, mixed, plainText, powers, type Rich, THIN } from '../../words/index.ts';

/** Words beside a part: "76" and "brings 2²·19". */
export interface Label {
  readonly stage: number | null;
  readonly x: number;
  readonly y: number;
  readonly title: string;
  /** empty where there is no room for a second line */
  readonly message: Rich;
}

/** The train in columns with its words, senses of turning and a scale bar. */
export interface Picture {
  readonly drawing: Drawing;
  readonly labels: readonly Label[];
  readonly arrows: readonly { readonly line: string; readonly head: string }[];
  readonly bar: {
    readonly x: number;
    readonly y: number;
    /** 0 where there is no true scale */
    readonly length: number;
    readonly message: string;
  } | null;
  /** the disc of the encoder on its shaft, and what it counts */
  readonly encoder: {
    readonly disc: string;
    readonly x: number;
    readonly y: number;
    readonly message: string;
  } | null;
  /** the same in words */
  readonly alt: string;
  /** equal stages in a row are drawn as one: which each drawn stage and shaft is of the whole train */
  readonly runs: readonly StageRun[];
  readonly shafts: readonly number[];
}

const BAR_MM = [1, 2, 5, 10, 20, 40, 50, 100, 200, 400, 500, 1000, 2000, 5000] as const;

/** What a part does to the steps, in primes: "brings 2²·19", "takes 2²·5". */
function does(factor: Rational): Rich {
  if (factor.n === 1n && factor.d === 1n) return ['supplies nothing'];
  if (factor.n === 1n) return ['cancels ', ...powers(exponentsOf(rational(factor.d)))];
  return ['supplies ', ...powers(exponentsOf(factor))];
}

/** Widths of the letters that a drawing is written in, px: the first line's, the second's. */
const LETTER = [9.3, 7.1] as const;
const SMALL_LETTER = 4.6;

function widthOf(rich: Rich, letter: number): number {
  return rich.reduce<number>((sum, piece) => {
    if (typeof piece !== 'string' && 'sup' in piece) return sum + piece.sup.length * SMALL_LETTER;
    return sum + plainText([piece]).length * letter;
  }, 0);
}

/** How wide the two lines of a label are set, px; never less than the browser makes of them. */
export const labelWidths = ({
  title,
  message,
}: Pick<Label, 'title' | 'message'>): readonly [number, number] => [
  widthOf([title], LETTER[0]),
  widthOf(message, LETTER[1]),
];

/** What is said of the part that a tag stands at: its teeth, or its diameter where it has none, and what it does to the steps. */
function wordsOf(stage: Stage, role: Tag['role']): { readonly title: string; readonly message: Rich } {
  const kind = kindOf(stage);
  const parts = kind.parts(stage);
  const shape = kind.shape(stage);
  if (role === 'whole' || (shape.form !== 'mesh' && shape.form !== 'belt')) {
    const factor = parts.reduce((n, p) => mul(n, p.factor), ONE);
    return { title: kind.label(stage).replaceAll(' ', THIN), message: does(factor) };
  }
  const wheel = role === 'driver' ? shape.driver : shape.driven;
  const title =
    wheel.teeth > 0 ? grouped(String(wheel.teeth)) : `${Number(wheel.pitchMm.toFixed(3))}${THIN}mm`;
  // one part for both wheels: the driven one tells it
  const part = role === 'driver' ? (parts.length > 1 ? parts[0] : undefined) : parts.at(-1);
  return { title, message: part ? does(part.factor) : [] };
}

/** Of a run of equal stages the words tell how many they are. */
const timesOf = (words: Pick<Label, 'title' | 'message'>, count: number): Pick<Label, 'title' | 'message'> =>
  count === 1 ? words : { ...words, title: `${words.title} (${count}${THIN}×)` };

/** Are all sizes given that the drawing goes by? Else it shows the parts, and no scale. */
const scaled = (drive: Drive): boolean =>
  drive.train.stages.every((stage) =>
    kindOf(stage).inputs.every(
      (i) => i.type !== 'size' || i.default === null || i.more === true || dataOf(stage)[i.key] !== undefined,
    ),
  );

/** How one train of several is drawn beside the others. */
interface Beside {
  /** px a millimetre, of all of them */
  readonly scale: number;
  /** it begins at an arbor of another train */
  readonly hangs: boolean;
  /** which way each of its shafts turns, true clockwise */
  readonly sense: (shaft: number) => boolean;
  /** the scale bar stands here */
  readonly bar: boolean;
}

export function picture(
  drive: Drive,
  k: Kinematics,
  column: number,
  height: number,
  divisions: number,
  fold = true,
  beside: Beside | null = null,
): Picture {
  const { source } = drive.train;
  const runs = stageRuns(drive.train, fold);
  const shafts = shaftsOfRuns(runs);
  const stages = runs.map((r) => drive.train.stages[r.at]!);
  const drawing = columnDrawing({
    shapes: stages.map((s) => kindOf(s).shape(s)),
    source: beside?.hangs ? 'arbor' : sourceKindOf(source).glyph,
    work: outputKindOf(drive.train.output).glyph,
    divisions,
    column,
    height,
    ...(beside && { scale: beside.scale }),
  });
  const sourceParts = sourceKindOf(source).parts(source);
  const ofSource = {
    stage: null,
    x: 20,
    y: 28,
    title:
      sourceParts.length > 0
        ? sourceParts.map((p) => plainText(mixed(p.factor))).join(`${THIN}×${THIN}`)
        : `${grouped(decimal(k.speed.rpm, k.speed.rpm.d === 1n ? 0 : 2))} rpm`,
    message:
      sourceParts.length > 0 ? does(sourceParts.reduce((n, p) => mul(n, p.factor), ONE)) : ['no steps'],
  };
  const sense = beside?.sense ?? ((shaft: number): boolean => !k.shafts[shafts[shaft] ?? 0]?.against);
  const arrows = [
    ...(beside?.hangs
      ? []
      : [arrowArc(drawing.source.x, drawing.source.y, drawing.source.half * 0.76, sense(0))]),
    ...drawing.wheels
      .filter((w) => w.role === 'driven' && w.r > 40)
      .map((w) => arrowArc(w.x, w.y, w.r * 0.55, sense(w.stage + 1))),
    arrowArc(drawing.work.x, drawing.work.y, drawing.work.r * 0.62, sense(runs.length)),
  ];
  const parts = drawing.wheels.length + drawing.members.length;
  const bar = parts > 0 && (beside?.bar ?? true) ? barOf(drive, drawing, height) : null;
  const encoder = encoderDisc(drive, drawing, column, shafts);
  const labels = laid(
    [
      ...(beside?.hangs ? [] : [ofSource]),
      ...drawing.tags.map((t) => ({
        stage: t.stage,
        x: t.x,
        y: t.y,
        ...timesOf(wordsOf(stages[t.stage]!, t.role), runs[t.stage]!.count),
      })),
    ],
    drawing,
    [
      ...(bar
        ? [{ x: 0, y: height - 26, w: bar.length + widthOf([bar.message], LETTER[1]) + 40, h: 26 }]
        : []),
      ...(encoder ? [{ x: encoder.x - 36, y: encoder.y - 12, w: 72, h: 60 }] : []),
    ],
  );
  return { drawing, labels, arrows, bar, encoder, alt: pictureAlt(drive, k), runs, shafts };
}

/** Words where they touch neither one another nor a part; those without room are left to the card below. */
function laid(labels: readonly Label[], drawing: Drawing, others: readonly Solid[]): readonly Label[] {
  const places = layWords(
    labels.map((label) => ({ x: label.x, y: label.y, widths: labelWidths(label) })),
    [...drawing.solids, ...others],
    drawing.lines,
    { x: 4, y: 4, w: drawing.width - 8, h: drawing.height - 8 },
  );
  return labels.flatMap((label, i) => {
    const { x, y, lines } = places[i]!;
    return lines === 0 ? [] : [{ ...label, x, y, message: lines === 1 ? [] : label.message }];
  });
}

function barOf(drive: Drive, drawing: Drawing, height: number): Picture['bar'] {
  const at = { x: 20, y: height - 14 };
  if (!scaled(drive))
    return { ...at, length: 0, message: 'not to scale until every module and pitch is given' };
  const mm = BAR_MM.find((m) => m * drawing.scale >= 60);
  if (mm === undefined) return null;
  return {
    ...at,
    length: mm * drawing.scale,
    message: `${grouped(String(mm))} mm, pitch diameters to scale`,
  };
}

/** An encoder is a thin disc on its shaft, beside the part that the shaft carries. */
function encoderDisc(
  { encoder }: Drive,
  drawing: Drawing,
  column: number,
  shafts: readonly number[],
): Picture['encoder'] {
  if (!encoder) return null;
  const at = shafts.filter((s) => s <= encoder.shaft).length - 1;
  const x = column * (at + 0.5) + column * 0.34;
  const shaft = drawing.shafts.find((s) => s.x1 <= x && x <= s.x2);
  const y = shaft?.y ?? drawing.source.y;
  return {
    disc: `M${px(x - 3)} ${px(y - 19)}h6v38h-6z`,
    x,
    y: y - 26,
    message: `${grouped(String(encoder.lines))}${THIN}×${THIN}${encoder.decode}`,
  };
}

/** What the drawing shows, in words: parts, senses, speeds. */
function pictureAlt(drive: Drive, k: Kinematics): string {
  const { stages, source, output } = drive.train;
  const words = stages.map((s, i) => {
    const shaft = k.shafts[i + 1]!;
    const turns = `makes ${plainText(mixed(shaft.turnsPerOutputTurn))} turns a turn of the work${shaft.against ? ', against it' : ''}`;
    const carries = i === stages.length - 1 ? 'carries the work' : turns;
    return `${kindOf(s).short} ${kindOf(s).label(s)} to shaft ${i + 1}, which ${carries}`;
  });
  const encoder = drive.encoder
    ? ` An encoder of ${drive.encoder.lines} lines is on shaft ${drive.encoder.shaft}.`
    : '';
  const ends = [sourceKindOf(source).title, ...words, outputKindOf(output).title.toLowerCase()];
  return `${ends.join(', then ')}. Train reduction ${plainText(mixed(k.reduction))} : 1.${encoder}`;
}

/** The small picture for a list. */
export const smallPicture = (drive: Drive, width: number, height: number, divisions: number): Drawing =>
  rowDrawing({
    shapes: drive.train.stages.map((s) => kindOf(s).shape(s)),
    source: sourceKindOf(drive.train.source).glyph,
    work: outputKindOf(drive.train.output).glyph,
    divisions,
    column: width,
    height,
  });
