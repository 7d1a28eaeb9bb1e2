import { ONE, decimal, mul, rational, type Rational } from '../numbers/index.ts';
import {
  kindOf,
  outputKindOf,
  sourceKindOf,
  type Drive,
  type Kinematics,
  type Part,
} from '../drive/index.ts';
import { arrowArc, columnDrawing, px, rowDrawing, type Drawing } from '../drive/drawing/index.ts';
import { exponentsOf } from '../divide/index.ts';
import { plainText, THIN, type Rich } from './rich.ts';
import { grouped, mixed, powers } from './text.ts';

/** Words beside a part: "76" and "brings 2²·19". */
export interface Label {
  readonly stage: number | null;
  readonly x: number;
  readonly y: number;
  readonly title: string;
  readonly says: Rich;
}

/** The train in columns with its words, senses of turning and a scale bar. */
export interface Picture {
  readonly drawing: Drawing;
  readonly labels: readonly Label[];
  readonly arrows: readonly { readonly line: string; readonly head: string }[];
  readonly bar: {
    readonly x: number;
    readonly y: number;
    readonly length: number;
    readonly says: string;
  } | null;
  /** the disc of the encoder on its shaft, and what it counts */
  readonly encoder: {
    readonly disc: string;
    readonly x: number;
    readonly y: number;
    readonly says: string;
  } | null;
  /** the same in words */
  readonly alt: string;
}

const BAR_MM = [1, 2, 5, 10, 20, 40, 50, 100, 200, 400, 500, 1000, 2000, 5000] as const;

/** What a part does to the steps, in primes: "brings 2²·19", "takes 2²·5". */
function does(factor: Rational): Rich {
  if (factor.n === 1n && factor.d === 1n) return ['brings nothing'];
  if (factor.n === 1n) return ['takes ', ...powers(exponentsOf(rational(factor.d)))];
  return ['brings ', ...powers(exponentsOf(factor))];
}

const teethOf = (part: Part): string =>
  grouped((part.factor.n === 1n ? part.factor.d : part.factor.n).toString());

export function picture(
  drive: Drive,
  k: Kinematics,
  column: number,
  height: number,
  divisions: number,
): Picture {
  const { stages, source } = drive.train;
  const drawing = columnDrawing({
    shapes: stages.map((s) => kindOf(s).shape(s)),
    source: sourceKindOf(source).glyph,
    work: outputKindOf(drive.train.output).glyph,
    divisions,
    column,
    height,
  });
  const labels: Label[] = drawing.tags.map((tag) => {
    const stage = stages[tag.stage]!;
    const parts = kindOf(stage).parts(stage);
    const part = tag.role === 'driver' ? parts[0] : parts.at(-1);
    if (tag.role === 'whole' || !part) {
      const factor = parts.reduce((n, p) => mul(n, p.factor), ONE);
      return {
        stage: tag.stage,
        x: tag.x,
        y: tag.y,
        title: kindOf(stage).label(stage).replaceAll(' ', THIN),
        says: does(factor),
      };
    }
    return { stage: tag.stage, x: tag.x, y: tag.y, title: teethOf(part), says: does(part.factor) };
  });
  const sourceParts = sourceKindOf(source).parts(source);
  labels.push({
    stage: null,
    x: 20,
    y: 28,
    title:
      sourceParts.length > 0
        ? sourceParts.map((p) => plainText(mixed(p.factor))).join(`${THIN}×${THIN}`)
        : `${grouped(decimal(k.speed.rpm, k.speed.rpm.d === 1n ? 0 : 2))} rpm`,
    says: sourceParts.length > 0 ? does(sourceParts.reduce((n, p) => mul(n, p.factor), ONE)) : ['no steps'],
  });
  const sense = (shaft: number): boolean => !k.shafts[shaft]?.against;
  const arrows = [
    arrowArc(drawing.source.x, drawing.source.y, drawing.source.half * 0.76, sense(0)),
    ...drawing.wheels
      .filter((w) => w.role === 'driven' && w.r > 40)
      .map((w) => arrowArc(w.x, w.y, w.r * 0.55, sense(w.stage + 1))),
    arrowArc(drawing.work.x, drawing.work.y, drawing.work.r * 0.62, true),
  ];
  const mm = BAR_MM.find((m) => m * drawing.scale >= 60);
  const bar =
    drawing.wheels.length > 0 && mm !== undefined
      ? { x: 20, y: height - 14, length: mm * drawing.scale, says: `${grouped(String(mm))} mm` }
      : null;
  return {
    drawing,
    labels,
    arrows,
    bar,
    encoder: encoderDisc(drive, drawing, column),
    alt: pictureAlt(drive, k),
  };
}

/** An encoder is a thin disc on its shaft, beside the part that the shaft carries. */
function encoderDisc({ encoder }: Drive, drawing: Drawing, column: number): Picture['encoder'] {
  if (!encoder) return null;
  const x = column * (encoder.shaft + 0.5) + column * 0.34;
  const shaft = drawing.shafts.find((s) => s.x1 <= x && x <= s.x2);
  const y = shaft?.y ?? drawing.source.y;
  return {
    disc: `M${px(x - 3)} ${px(y - 19)}h6v38h-6z`,
    x,
    y: y - 26,
    says: `${grouped(String(encoder.lines))}${THIN}×${THIN}${encoder.decode}`,
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
