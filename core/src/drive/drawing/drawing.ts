/** A train as it is drawn: placed parts in pixels, at true relative pitch diameters. The page adds ink, nothing else. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  /** pixels a millimetre */
  readonly scale: number;
  readonly source: { readonly x: number; readonly y: number; readonly half: number };
  readonly work: { readonly x: number; readonly y: number; readonly r: number; readonly divisions: number };
  readonly wheels: readonly DrawnWheel[];
  readonly belts: readonly { readonly stage: number; readonly path: string }[];
  readonly worms: readonly DrawnWorm[];
  readonly boxes: readonly {
    readonly stage: number;
    readonly x: number;
    readonly y: number;
    readonly half: number;
    readonly label: string;
  }[];
  readonly tags: readonly Tag[];
  /** shafts seen from the side, from one part to the next */
  readonly shafts: readonly {
    readonly x1: number;
    readonly x2: number;
    readonly y: number;
    readonly far: boolean;
  }[];
}

/** Where the words for a part go: its tooth count and what it brings or takes. */
export interface Tag {
  readonly stage: number;
  readonly role: 'driver' | 'driven' | 'whole';
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
}

export interface DrawnWheel {
  readonly stage: number;
  readonly role: 'driver' | 'driven';
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly teeth: number;
  /** the ring of an internal pair: its teeth point inwards */
  readonly ring: boolean;
  /** toothed rim; "" when too small to show, then the rim is a dashed circle */
  readonly rim: string;
  readonly dash: string;
}

export interface DrawnWorm {
  readonly stage: number;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly threads: string;
}
