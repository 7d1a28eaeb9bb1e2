import { limitText } from './text.ts';

/** A scale of an error between ±limit: ticks at even numbers of seconds or their decimals. */
export interface ErrorScale {
  /** arcseconds at the ends of the drawn scale */
  readonly reach: number;
  readonly limit: number;
  readonly ticks: readonly {
    readonly at: number;
    readonly label: string | null;
    readonly size: 'long' | 'middle' | 'short';
  }[];
}

/** limit > 0, arcseconds. Major ticks are 1, 2 or 5 times a power of ten apart, about three on either side. */
export function errorScale(limit: number): ErrorScale {
  const rough = limit / 3;
  const power = 10 ** Math.floor(Math.log10(rough));
  const major = ([1, 2, 5, 10].find((m) => m * power >= rough * 0.999) ?? 10) * power;
  const count = Math.floor(limit / major + 1e-9);
  const fine = 10;
  const ticks: ErrorScale['ticks'][number][] = [];
  for (let i = -count * fine; i <= count * fine; i++) {
    const at = (i * major) / fine;
    const whole = i % fine === 0;
    ticks.push({
      at,
      label: whole ? label(at, major) : null,
      size: whole ? 'long' : i % 5 === 0 ? 'middle' : 'short',
    });
  }
  return { reach: Math.max(limit, count * major) * 1.07, limit, ticks };
}

const label = (at: number, major: number): string =>
  Math.abs(at) < major / 2 ? '0″' : `${at > 0 ? '+' : ''}${limitText(Number(at.toPrecision(6)))}`;
