/** How a stage is drawn: real tooth counts and pitch diameters in millimetres. Geometry only; the strokes are the pen's. */
export type Shape =
  | { readonly form: 'mesh'; readonly driver: Wheel; readonly driven: Wheel; readonly inner: boolean }
  | { readonly form: 'belt'; readonly driver: Wheel; readonly driven: Wheel; readonly crossed?: boolean }
  | {
      readonly form: 'worm';
      readonly starts: number;
      readonly wheel: Wheel;
      readonly wormMm: number;
      readonly byWheel?: boolean;
    }
  | { readonly form: 'geneva'; readonly slots: number; readonly centreMm: number }
  | {
      readonly form: 'set';
      readonly radiusMm: number;
      readonly members: readonly SetMember[];
      readonly label: string;
    }
  | { readonly form: 'box'; readonly label: string };

/** A wheel; 0 teeth is a smooth rim. */
export interface Wheel {
  readonly teeth: number;
  readonly pitchMm: number;
}

/**
 * One body of a set whose shafts lie on one axis. `reach` mm from the axis at `place` turns; it goes round the axis `orbit` turns
 * and turns itself `spin` turns, both seen from outside, while the set's output makes one.
 */
export interface SetMember {
  readonly as: 'wheel' | 'ring' | 'arms' | 'lobes' | 'pins' | 'wave';
  readonly wheel: Wheel;
  /** of a carrier */
  readonly arms?: number;
  readonly reach: number;
  readonly place: number;
  readonly orbit: number;
  readonly spin: number;
}

/** Pitch diameter of a wheel by module: m·z mm. */
export const byModule = (teeth: number, moduleMm: number): Wheel => ({ teeth, pitchMm: moduleMm * teeth });

/** Pitch diameter of a belt pulley or sprocket by tooth pitch: p·z/π mm. */
export const byPitch = (teeth: number, pitchMm: number): Wheel => ({
  teeth,
  pitchMm: (pitchMm * teeth) / Math.PI,
});
