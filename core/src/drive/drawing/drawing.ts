import type { Line, Solid } from './labels.ts';

/** A train as it is drawn: placed parts in pixels, at true relative pitch diameters. The page adds ink, nothing else. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  /** pixels a millimetre */
  readonly scale: number;
  readonly source: Glyph;
  readonly work: Glyph & { readonly r: number };
  readonly wheels: readonly DrawnWheel[];
  readonly belts: readonly DrawnBelt[];
  readonly worms: readonly DrawnWorm[];
  readonly members: readonly DrawnMember[];
  readonly boxes: readonly DrawnBox[];
  readonly tags: readonly Tag[];
  /** where the axis of each shaft is; empty for a small picture */
  readonly axes: readonly { readonly x: number; readonly y: number }[];
  /** what words keep clear of, and what they had better not cross; empty for a small picture */
  readonly solids: readonly Solid[];
  readonly lines: readonly Line[];
  /** shafts seen from the side, from one part to the next */
  readonly shafts: readonly {
    readonly x1: number;
    readonly x2: number;
    readonly y: number;
    readonly far: boolean;
  }[];
}

export type Tone = 's1' | 's2' | 's3';

/** One line of a drawing; `filled` covers what is behind it. */
export interface Stroke {
  readonly d: string;
  readonly tone: Tone;
  readonly filled?: boolean;
}

/** The source or the work: what stands still, and what turns about (x, y). */
export interface Glyph {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly still: readonly Stroke[];
  readonly turning: readonly Stroke[];
}

/** Where the words for a part go: its tooth count and what it brings or takes. */
export interface Tag {
  readonly stage: number;
  readonly role: 'driver' | 'driven' | 'whole';
  readonly x: number;
  readonly y: number;
}

export interface DrawnWheel {
  readonly stage: number;
  readonly role: 'driver' | 'driven';
  readonly x: number;
  readonly y: number;
  readonly r: number;
  /** 0 for a smooth rim */
  readonly teeth: number;
  /** the ring of an internal pair: its teeth point inwards */
  readonly ring: boolean;
  /** toothed rim; "" when too small to show, then the rim is a dashed circle */
  readonly rim: string;
  readonly dash: string;
}

export interface DrawnBelt {
  readonly stage: number;
  readonly path: string;
  /** of the driver; the belt moves with it */
  readonly r: number;
  readonly toothed: boolean;
}

export interface DrawnWorm {
  readonly stage: number;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly threads: string;
  /** it is turned by its wheel, so it is on the shaft after */
  readonly after?: true;
  /** px from thread to thread: one turn of the worm */
  readonly pitch: number;
}

export interface DrawnBox {
  readonly stage: number;
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly label: string;
}

/** One body of a set or of a Geneva, drawn where it starts. */
export interface DrawnMember extends Stroke {
  readonly stage: number;
  readonly motion: Motion;
}

/** `orbit` turns about (cx, cy) and `spin` turns in all about its own middle (mx, my), for one turn of shaft `shaft`. */
export interface Motion {
  readonly shaft: number;
  readonly cx: number;
  readonly cy: number;
  readonly orbit: number;
  readonly mx: number;
  readonly my: number;
  readonly spin: number;
}
