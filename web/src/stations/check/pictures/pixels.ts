import type { StarPicture } from '@pendrix/core';

type Field = StarPicture['field'];

/** Each pixel of the sensor so many times as large. */
export const TIMES = 5;

/** A field in greys, or in reds for the night, a canvas pixel for each of the sensor's. */
export function imageOf({ width, height, pixels }: Field, night: boolean): ImageData {
  const data = new ImageData(width, height);
  pixels.forEach((v, i) => {
    data.data.set(night ? [v * 0.85, v * 0.2, v * 0.16, 255] : [v * 0.96, v * 0.98, v, 255], i * 4);
  });
  return data;
}

/** Draws a field at a place of a canvas, its pixels as squares. */
export function drawField(
  to: CanvasRenderingContext2D,
  field: Field,
  night: boolean,
  [x, y]: readonly [number, number],
): void {
  const small = document.createElement('canvas');
  small.width = field.width;
  small.height = field.height;
  small.getContext('2d')!.putImageData(imageOf(field, night), 0, 0);
  to.imageSmoothingEnabled = false;
  to.drawImage(small, x, y, field.width * TIMES, field.height * TIMES);
}

const GAP = 12;
const WORDS = 26;

/** All fields on one sheet, each named, as a picture to keep. */
export async function starSheet(stars: readonly StarPicture[], night: boolean): Promise<Blob | null> {
  const [first] = stars;
  if (!first) return null;
  const [w, h] = [first.field.width * TIMES, first.field.height * TIMES];
  const columns = 2;
  const rows = Math.ceil(stars.length / columns);
  const canvas = document.createElement('canvas');
  canvas.width = GAP + columns * (w + GAP);
  canvas.height = GAP + rows * (h + WORDS + GAP);
  const to = canvas.getContext('2d')!;
  to.fillStyle = night ? '#0B0707' : '#F4F5F0';
  to.fillRect(0, 0, canvas.width, canvas.height);
  to.font = '600 15px "Atkinson Hyperlegible Next Variable", sans-serif';
  stars.forEach((s, i) => {
    const [x, y] = [GAP + (i % columns) * (w + GAP), GAP + Math.floor(i / columns) * (h + WORDS + GAP)];
    drawField(to, s.field, night, [x, y]);
    to.fillStyle = night ? '#D9584A' : '#18222B';
    to.fillText(`${s.title}: ${s.px.toFixed(1)} px, ${s.graded.word}`, x, y + h + 18);
  });
  return new Promise((done) => canvas.toBlob(done, 'image/png'));
}
