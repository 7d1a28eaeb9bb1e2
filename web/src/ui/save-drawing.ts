import { save } from './files.ts';

/** What a drawing needs from its style sheets to stand alone. */
const KEPT = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-dashoffset',
  'stroke-linejoin',
  'opacity',
  'paint-order',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
] as const;

const kept: ReadonlySet<string> = new Set(KEPT);

interface Size {
  readonly width: number;
  readonly height: number;
}

/** All of it, whatever part is shown. */
const sizeOf = (svg: SVGSVGElement): Size => {
  const [width = 0, height = 0] = (svg.dataset['size'] ?? '').split(' ').map(Number);
  return { width, height };
};

/** The drawing as a picture of its own: colours and lines written into each element, letters carried along. */
async function standalone(svg: SVGSVGElement, { width, height }: Size): Promise<string> {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const originals = [svg, ...svg.querySelectorAll('*')];
  const copies = [copy, ...copy.querySelectorAll('*')];
  copies.forEach((el, i) => {
    const style = getComputedStyle(originals[i]!);
    const lines = KEPT.map((name) => `${name}:${style.getPropertyValue(name)}`).join(';');
    for (const { name } of [...el.attributes])
      if (name === 'class' || name.startsWith('data-') || kept.has(name)) el.removeAttribute(name);
    el.setAttribute('style', lines);
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  copy.setAttribute('viewBox', `0 0 ${width} ${height}`);
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  ground.setAttribute('width', String(width));
  ground.setAttribute('height', String(height));
  ground.setAttribute('fill', getComputedStyle(svg).getPropertyValue('--p-ground').trim() || '#1B2F6B');
  copy.prepend(ground);
  const letters = document.createElementNS('http://www.w3.org/2000/svg', 'style');
  letters.textContent = await faces();
  copy.prepend(letters);
  return new XMLSerializer().serializeToString(copy);
}

/** The letters of the page as rules that need no other file. */
async function faces(): Promise<string> {
  const rules: string[] = [];
  for (const sheet of document.styleSheets) {
    for (const rule of sheet.cssRules) {
      if (!(rule instanceof CSSFontFaceRule)) continue;
      const url = /url\("?([^")]+)"?\)/.exec(rule.style.getPropertyValue('src'))?.[1];
      // Latin letters only: the rest are files of their own.
      if (!url || !/latin-wght-normal/.test(url)) continue;
      const bytes = await (await fetch(new URL(url, sheet.href ?? document.baseURI))).blob();
      const data = await new Promise<string>((done, failed) => {
        const reader = new FileReader();
        reader.onload = () => done(reader.result as string);
        reader.onerror = () => failed(new Error('letters'));
        reader.readAsDataURL(bytes);
      });
      rules.push(
        `@font-face{font-family:${rule.style.getPropertyValue('font-family')};font-weight:200 800;src:url(${data}) format("woff2")}`,
      );
    }
  }
  return rules.join('');
}

export async function saveSvg(name: string, svg: SVGSVGElement): Promise<void> {
  save(`${name}.svg`, await standalone(svg, sizeOf(svg)), 'image/svg+xml');
}

/** Twice as fine as on the screen. */
const FINE = 2;

export async function savePng(name: string, svg: SVGSVGElement): Promise<void> {
  const { width, height } = sizeOf(svg);
  const text = await standalone(svg, { width, height });
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = width * FINE;
  canvas.height = height * FINE;
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
  if (!blob) throw new Error('no picture');
  save(`${name}.png`, blob, 'image/png');
}
