import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyOfKind, anyStage } from '../../testing/any-stage.ts';
import { driveOf } from '../../testing/samples.ts';
import { kindOf, type Stage } from '../index.ts';
import { columnDrawing, shaftAngles } from './index.ts';
import { crossedPath } from './outline.ts';
import { measures } from './measures.ts';
import { indexed } from './turning.ts';

const draw = (list: readonly Stage[]) =>
  columnDrawing({
    shapes: list.map((s) => kindOf(s).shape(s)),
    source: 'crank',
    work: 'screw',
    divisions: 0,
    column: 205,
    height: 314,
  });

describe('how the shafts turn', () => {
  test('each by its reduction, the work always clockwise', () => {
    const one = fc.oneof(anyOfKind('spur'), anyOfKind('worm'), anyOfKind('planetary'), anyOfKind('stepped'));
    fc.assert(
      fc.property(
        fc.array(one, { maxLength: 5 }),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        (list, t) => {
          const angles = shaftAngles(driveOf(200, 1, list).train)(t);
          expect(angles.length).toBe(list.length + 1);
          expect(Math.abs(angles[0]!)).toBe(t);
          expect(angles.at(-1)! > 0).toBe(true);
          list.forEach((stage, i) => {
            const r = kindOf(stage).reduction(stage);
            // a left-hand thread turns its wheel the other way than the sign that is counted
            const way = Number(r.s) * (kindOf(stage).sense?.(stage)?.turns ?? 1);
            expect(angles[i + 1]! * ((way * Number(r.n)) / Number(r.d))).toBeCloseTo(angles[i]!, 6);
          });
        },
      ),
    );
  });

  test('a Geneva rests while its crank dwells, moves a slot a turn, and never jumps', () => {
    for (const slots of [3, 4, 6, 12]) {
      const dwell = (0.5 + 1 / slots) / 2;
      expect(indexed(dwell * 0.99, slots)).toBe(0);
      expect(indexed(0.5, slots)).toBeCloseTo(0.5 / slots, 9);
      expect(indexed(1, slots)).toBeCloseTo(1 / slots, 9);
      expect(indexed(slots, slots)).toBeCloseTo(1, 9);
      let before = 0;
      for (let i = 1; i <= 4000; i++) {
        const now = indexed((i / 4000) * 2, slots);
        expect(now).toBeGreaterThanOrEqual(before - 1e-12);
        expect(now - before).toBeLessThan(0.01);
        before = now;
      }
    }
  });
});

describe('bodies of a set', () => {
  test('every kind can be drawn, with nothing that is not a number in it', () => {
    fc.assert(
      fc.property(fc.array(anyStage, { minLength: 1, maxLength: 4 }), (list) => {
        const d = draw(list);
        expect(JSON.stringify(d)).not.toMatch(/NaN|Infinity/);
        for (const m of d.members) expect(m.d.startsWith('M')).toBe(true);
      }),
      { numRuns: 80 },
    );
  });

  test('a planetary set shows its ring, carrier, planets and sun, each turning in its own way', () => {
    const d = draw([
      { kind: 'planetary', sun: 13, ring: 47, planets: 4, fixed: 'ring', in: 'sun', out: 'carrier' },
    ]);
    const orbiting = d.members.filter((m) => m.motion.orbit !== 0);
    expect(new Set(orbiting.map((m) => `${m.motion.mx} ${m.motion.my}`)).size).toBe(4);
    expect(orbiting.every((m) => m.motion.orbit === 1)).toBe(true);
    expect(d.members.filter((m) => m.motion.spin === 0).length).toBeGreaterThan(0);
    // A planet rolls back on the ring: 1 − 47/17 turns while the carrier makes one.
    expect(orbiting[0]!.motion.spin).toBeCloseTo(1 - 47 / 17, 9);
  });

  test('the crank of a Geneva reaches into its wheel and no further than its middle', () => {
    fc.assert(
      fc.property(anyOfKind('geneva'), (stage) => {
        const m = measures(kindOf(stage).shape(stage));
        expect(m.before + m.after).toBeGreaterThan(m.offset);
        expect(m.before ** 2 + m.after ** 2).toBeCloseTo(m.offset ** 2, 6);
      }),
    );
  });

  test('a crossed belt touches both pulleys from inside', () => {
    const points = [...crossedPath(0, 0, 20, 200, 0, 40).matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(
      (m) => [Number(m[1]), Number(m[2])] as const,
    );
    const [a, c] = points;
    expect(Math.hypot(...a!)).toBeCloseTo(20, 1);
    expect(Math.hypot(c![0] - 200, c![1])).toBeCloseTo(40, 1);
    // It leaves above one and comes in below the other.
    expect(Math.sign(a![1])).toBe(-Math.sign(c![1]));
  });
});
