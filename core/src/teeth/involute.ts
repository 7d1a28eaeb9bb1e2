export const RAD = Math.PI / 180;

/** inv α = tan α − α; rad. */
export const involute = (angle: number): number => Math.tan(angle) - angle;

/** The angle whose involute is this, by Newton's steps from a good guess; 0 for nothing and less. */
export function inverseInvolute(value: number): number {
  if (value <= 0) return 0;
  let angle = Math.min(1.4, Math.cbrt(3 * value));
  for (let i = 0; i < 60; i++) {
    const next = angle - (involute(angle) - value) / Math.tan(angle) ** 2;
    if (Math.abs(next - angle) < 1e-15) return next;
    angle = Math.max(1e-9, next);
  }
  return angle;
}
