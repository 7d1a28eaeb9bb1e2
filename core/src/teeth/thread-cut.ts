/** Height of a 60° metric thread, in pitches. */
const THREAD_HEIGHT = 0.6134;
/** Height of a trapezoidal thread, in pitches. */
const TRAPEZOID_HEIGHT = 0.5;

/** A worm wheel cut with a tap or thread form: pitch circle p·z/π, its blank one thread height more. (handbook: make) */
export function threadCutBlank(
  pitchMm: number,
  teeth: number,
): { readonly pitchMm: number; readonly outsideMm: number; readonly depthMm: number } {
  const pitchCircle = (pitchMm * teeth) / Math.PI;
  const height = THREAD_HEIGHT * pitchMm;
  return { pitchMm: pitchCircle, outsideMm: pitchCircle + height, depthMm: height };
}

/** A thread at hand as a worm: its module p/π, and how far each tooth is out against a wheel of another module, mm. */
export const threadAsWorm = (
  pitchMm: number,
  moduleMm: number,
): { readonly moduleMm: number; readonly outMm: number; readonly trapezoidMm: number } => ({
  moduleMm: pitchMm / Math.PI,
  outMm: Math.abs(pitchMm - Math.PI * moduleMm),
  trapezoidMm: TRAPEZOID_HEIGHT * pitchMm,
});
