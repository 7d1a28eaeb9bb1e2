import { seeded } from './random.ts';

/** How a picture moves on the sensor while it is exposed: px, and radians about its middle, evenly in time. */
export interface PictureMotion {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly turn: Float64Array;
}

/** Pixels in grey, row by row. */
export interface StarField {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8Array;
}

/** Width of a star at half its height, px, and what that is as a standard deviation. */
export const STAR_PX = 1.7;
const SIGMA = STAR_PX / 2.3548;
/** A spot is drawn so many px about its middle. */
const REACH = 3;
const STARS = 14;
const SKY = 16;
const NOISE = 12;

/** Made-up stars by a seed, each a spot drawn along its way, on a sky with noise. One seed and one motion give one picture, byte for byte. */
export function starField(motion: PictureMotion, seed: number, width: number, height: number): StarField {
  const random = seeded(seed);
  const light = new Float64Array(width * height);
  const [cx, cy] = [width / 2, height / 2];
  const n = motion.x.length;
  for (let s = 0; s < STARS; s++) {
    const [x0, y0] = [random() * width, random() * height];
    const bright = (0.25 + 5 * random() ** 3) / n;
    for (let i = 0; i < n; i++) {
      const [c, si] = [Math.cos(motion.turn[i]!), Math.sin(motion.turn[i]!)];
      const x = cx + (x0 - cx) * c - (y0 - cy) * si + motion.x[i]!;
      const y = cy + (x0 - cx) * si + (y0 - cy) * c + motion.y[i]!;
      spot(light, width, height, x, y, bright);
    }
  }
  const pixels = Uint8Array.from(light, (v) =>
    Math.min(255, Math.round(SKY + NOISE * random() + 232 * (1 - Math.exp(-2.2 * v)))),
  );
  return { width, height, pixels };
}

function spot(
  light: Float64Array,
  width: number,
  height: number,
  x: number,
  y: number,
  bright: number,
): void {
  for (let py = Math.max(0, Math.floor(y - REACH)); py <= Math.min(height - 1, y + REACH); py++)
    for (let px = Math.max(0, Math.floor(x - REACH)); px <= Math.min(width - 1, x + REACH); px++) {
      const r2 = (px + 0.5 - x) ** 2 + (py + 0.5 - y) ** 2;
      light[py * width + px]! += bright * Math.exp(-r2 / (2 * SIGMA ** 2));
    }
}
