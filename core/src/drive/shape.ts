/** How a stage is drawn: real tooth counts and pitch diameters in millimetres. Geometry only; the strokes are the pen's. */
export type Shape =
  | { readonly form: 'mesh'; readonly driver: Wheel; readonly driven: Wheel; readonly inner: boolean }
  | { readonly form: 'belt'; readonly driver: Wheel; readonly driven: Wheel }
  | { readonly form: 'worm'; readonly starts: number; readonly wheel: Wheel; readonly wormMm: number }
  | { readonly form: 'box'; readonly label: string };

export interface Wheel {
  readonly teeth: number;
  readonly pitchMm: number;
}

/** Pitch diameter of a wheel by module: m·z mm. */
export const byModule = (teeth: number, moduleMm: number): Wheel => ({ teeth, pitchMm: moduleMm * teeth });

/** Pitch diameter of a belt pulley or sprocket by tooth pitch: p·z/π mm. */
export const byPitch = (teeth: number, pitchMm: number): Wheel => ({
  teeth,
  pitchMm: (pitchMm * teeth) / Math.PI,
});
