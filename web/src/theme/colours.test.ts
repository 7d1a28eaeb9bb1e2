import { describe, expect, test } from '@jest/globals';
import { palettes, variables, type PaletteName } from './colours.ts';

type Use = keyof (typeof palettes)['day'];

/** Relative luminance and contrast as the accessibility guidelines define them. */
const luminance = (hex: string): number => {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const v = parseInt(hex.slice(i, i + 2), 16) / 255;
    return v <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
};
const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
};

/** What is written on what, anywhere. */
const written: readonly (readonly [Use, Use])[] = [
  ['ink', 'paper'],
  ['ink', 'surface'],
  ['ink', 'rail'],
  ['ink', 'tint'],
  ['ink', 'amberGround'],
  ['quiet', 'paper'],
  ['quiet', 'surface'],
  ['quiet', 'rail'],
  ['quiet', 'tint'],
  ['even', 'paper'],
  ['even', 'surface'],
  ['even', 'tint'],
  ['amber', 'paper'],
  ['amber', 'surface'],
  ['amber', 'amberGround'],
  ['amber', 'tint'],
  ['amberText', 'amberGround'],
  ['red', 'paper'],
  ['red', 'surface'],
  ['red', 'redGround'],
  ['red', 'tint'],
  ['blue', 'paper'],
  ['blue', 'surface'],
  ['blue', 'rail'],
  ['onBlue', 'blue'],
  ['scribe', 'ground'],
  ['scribe', 'groundDeep'],
  ['scribeText', 'ground'],
  ['scribeText', 'groundDeep'],
  ['bright', 'ground'],
];

const names = Object.keys(palettes) as PaletteName[];

describe.each(names)('by %s', (name) => {
  const p = palettes[name];

  test.each(written)('%s can be read on %s', (text, ground) => {
    expect(contrast(p[text], p[ground])).toBeGreaterThanOrEqual(4.5);
  });

  test('every colour is written in full, and becomes a custom property', () => {
    for (const colour of Object.values(p)) expect(colour).toMatch(/^#[0-9A-F]{6}$/);
    expect(variables(p)).toContain(`--p-paper: ${p.paper};`);
    expect(variables(p)).toContain(`--p-on-blue: ${p.onBlue};`);
  });
});

test('the night has no white, no blue and no green, and nothing brighter than its red', () => {
  const limit = luminance('#D9584A');
  for (const [use, colour] of Object.entries({ ...palettes.night })) {
    const part = (at: number): number => parseInt(colour.slice(at, at + 2), 16);
    expect([use, luminance(colour) <= limit]).toEqual([use, true]);
    expect([use, part(1) >= part(3) && part(1) >= part(5)]).toEqual([use, true]);
  }
});
