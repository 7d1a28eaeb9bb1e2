import { describe, expect, test } from '@jest/globals';
import { fitForms } from './fit-forms.ts';

const says = (id: string, values: Record<string, number>): string | null =>
  fitForms.find((f) => f.id === id)!.answer(values)?.text ?? null;

describe('fits, by hand', () => {
  test.each<[string, Record<string, number>, string | null]>([
    ['print', { wanted: 22.02, drawn: 22, measured: 21.78 }, 'draw 22.24 mm'],
    ['shaft', { bearings: 10, hubs: 14, collars: 12, spacers: 30, travel: 8, ends: 4 }, '78 mm'],
    ['screw', { grip: 6, diameter: 4, hole: 8 }, '10 to 12 mm'],
    ['screw', { grip: 6, diameter: 4, hole: 5 }, '10 to 11 mm'],
    ['screw', { grip: 6, diameter: 4, hole: 3 }, 'the hole is too shallow: 4 mm at least'],
    ['face', { frame: 17 }, 'pilot 22 mm, holes 31 mm square, on a circle of 43.84 mm'],
    ['face', { frame: 18 }, null],
    ['worm', { pitch: 3, module: 1 }, 'module 0.955, 0.142 mm out each tooth; a trapezoid is 1.5 mm high'],
    ['warm', { a: 70, b: 19, k: 30, c: 40 }, '0.061 mm apart, play 0.045 mm; in frost it may bind'],
    ['balls', { ball: 6, gap: 2, circle: 180 }, 'at most 70 balls'],
    ['jack', { turns: 0.25, jack: 0.8, lock: 0.7 }, 'free the locks by 0.286 turns'],
    ['pivot', { pivot: 40, arm: 12, from: 100, to: 101 }, '0.188 mm apart, play 0.137 mm'],
    ['spring', { torque: 2, radius: 40 }, 'at least 27.3 N'],
  ])('%s %j', (id, values, text) => expect(says(id, values)).toBe(text));

  test('no two forms have one name, and each field has its words', () => {
    expect(new Set(fitForms.map((f) => f.id)).size).toBe(fitForms.length);
    for (const f of fitForms) for (const x of f.fields) expect(x.label.length).toBeGreaterThan(1);
  });
});
