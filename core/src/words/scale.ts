import { lengthText, limitText } from './text.ts';

/** What an error is measured in. */
export type ErrorUnit = 'arcsec' | 'mm';

/** A scale of an error between ±limit: ticks at even numbers of its unit or their decimals. */
export interface ErrorScale {
  /** at the ends of the drawn scale */
  readonly reach: number;
  readonly limit: number;
  readonly ticks: readonly {
    readonly at: number;
    readonly label: string | null;
    readonly size: 'long' | 'middle' | 'short';
  }[];
}

/** limit > 0. Major ticks are 1, 2 or 5 times a power of ten apart, about three on either side. */
export function errorScale(limit: number, unit: ErrorUnit = 'arcsec'): ErrorScale {
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
      label: whole ? label(at, major, unit) : null,
      size: whole ? 'long' : i % 5 === 0 ? 'middle' : 'short',
    });
  }
  return { reach: Math.max(limit, count * major) * 1.07, limit, ticks };
}

function label(at: number, major: number, unit: ErrorUnit): string {
  if (Math.abs(at) < major / 2) return unit === 'mm' ? '0' : '0″';
  const value = Number(at.toPrecision(6));
  return `${at > 0 ? '+' : ''}${
    unit === 'mm'
      ? lengthText(value)
          .join(' ')
          .replace(/\.?0+ /, ' ')
      : limitText(value)
  }`;
}
