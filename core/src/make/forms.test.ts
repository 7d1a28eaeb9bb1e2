import { describe, expect, test } from '@jest/globals';
import { newDrive, type Drive, type Stage } from '../drive/index.ts';
import {
  formRefusal,
  genevaCut,
  genevaLock,
  genevaWheel,
  lobedOf,
  lobedOutline,
  madeForms,
  madeWheels,
  mostPin,
  setupAgain,
  setupOf,
  setupStands,
  tooFine,
} from './index.ts';
import type { XY } from '../teeth/index.ts';

const driveOf = (...stages: readonly Stage[]): Drive => ({
  ...newDrive('x'),
  train: { ...newDrive('x').train, stages },
});
const turned = ([x, y]: XY, a: number): XY => [
  x * Math.cos(a) - y * Math.sin(a),
  x * Math.sin(a) + y * Math.cos(a),
];
const inside = (points: readonly XY[], [px, py]: XY): boolean => {
  let is = false;
  points.forEach(([x, y], i) => {
    const [x2, y2] = points[(i + 1) % points.length]!;
    if (y > py !== y2 > py && px < ((x2 - x) * (py - y)) / (y2 - y) + x) is = !is;
  });
  return is;
};

describe('lobed discs', () => {
  const disc = lobedOf({ lobes: 19, circleMm: 60, pinMm: null, eccentricMm: null });
  test.each([0, 0.3, 1.7, 4])(
    'turned in its pins it touches every one and cuts into none (crank %p)',
    (turn) => {
      const shape = lobedOutline(disc, 360);
      // the crank leads the middle round, and the disc turns back by a lobe a turn
      const at: XY = turned([disc.eccentricMm, 0], turn);
      const placed = shape.map((p) => {
        const [x, y] = turned(p, -turn / disc.lobes);
        return [x + at[0], y + at[1]] as XY;
      });
      const nearest = Array.from({ length: 20 }, (_, i) => {
        const [x, y] = turned([disc.circleMm / 2, 0], (2 * Math.PI * i) / 20);
        return Math.min(...placed.map((p) => Math.hypot(p[0] - x, p[1] - y)));
      });
      expect(Math.min(...nearest)).toBeGreaterThan(disc.pinMm / 2 - 0.002);
      expect(Math.max(...nearest)).toBeLessThan(disc.pinMm / 2 + 0.002);
    },
  );
  test('a pin wider than the tightest bend of its path is refused with one that does', () => {
    const stage = { kind: 'cycloidal', lobes: 19, pins: 20, pitchMm: 5, pinMm: 9 } as Stage;
    const refusal = formRefusal(madeForms(driveOf(stage))[0]!)!;
    expect([refusal.code, refusal.path]).toEqual(['pinTooWide', 'train.stages[0].pinMm']);
    const again = { ...stage, pinMm: Number(refusal.limit) } as Stage;
    expect(formRefusal(madeForms(driveOf(again))[0]!)).toBeNull();
    const path = { lobes: 19, circleMm: 100 / Math.PI, eccentricMm: 0.5 };
    expect(mostPin(path)).toBeGreaterThan(Number(refusal.limit) / 2);
  });
  test('other pairs of lobes and pins, and an eccentric that loops, are refused', () => {
    const of = (more: object): string | undefined =>
      formRefusal(madeForms(driveOf({ kind: 'cycloidal', lobes: 19, pins: 20, ...more }))[0]!)?.code;
    expect(of({ pins: 22 })).toBe('lobesAndPins');
    expect(of({ eccentricMm: 3 })).toBe('eccentricTooFar');
    expect(of({})).toBeUndefined();
  });
});

describe('Genevas', () => {
  const cut = genevaCut({ slots: 6, centreMm: 60, pinMm: 6 });
  test('six slots on 60 mm: crank 30, rim 51.96, the slot ends before the pin turns back', () => {
    expect(cut.crank).toBeCloseTo(30, 9);
    expect(cut.rim).toBeCloseTo(51.962, 3);
    expect(cut.slotTo).toBeLessThan(60 - 30 - 3);
    expect(cut.lock).toBeLessThan(cut.hollow);
  });
  test.each([3, 4, 6, 8, 12])(
    '%p slots: the pin stays out of the metal while it drives, and the lock while it rests',
    (slots) => {
      const g = genevaCut({ slots, centreMm: 60, pinMm: null });
      const wheel = genevaWheel(g);
      const round = (middle: XY, r: number): readonly XY[] =>
        Array.from({ length: 48 }, (_, i) => {
          const [x, y] = turned([r, 0], (2 * Math.PI * i) / 48);
          return [middle[0] + x, middle[1] + y] as XY;
        });
      const half = Math.PI / 2 - Math.PI / slots;
      for (const part of [-0.99, -0.6, -0.2, 0, 0.4, 0.8]) {
        // the driver stands at +x; its pin at an angle from the line of shafts
        const a = part * half;
        const pin: XY = [g.centreMm - g.crank * Math.cos(a), g.crank * Math.sin(a)];
        const wheelTurn = Math.atan2(pin[1], pin[0]);
        const hit = round(pin, g.pinMm / 2).filter((p) => inside(wheel, turned(p, -wheelTurn)));
        expect(hit).toEqual([]);
        // the locking round turned with the pin
        const lock = genevaLock(g).map(([x, y]): XY => {
          const [lx, ly] = turned([x, y], a);
          return [g.centreMm - lx, ly];
        });
        expect(lock.filter((p) => inside(wheel, turned(p, -wheelTurn)))).toEqual([]);
      }
      // at rest a hollow faces the driver
      const lock = genevaLock(g).map(([x, y]): XY => [g.centreMm + x, y]);
      expect(lock.filter((p) => inside(wheel, turned(p, Math.PI / slots)))).toEqual([]);
    },
  );
  test('a pin that leaves no rim between the slots is refused with one that does', () => {
    const stage = { kind: 'geneva', slots: 12, centreMm: 40, pinMm: 20 } as Stage;
    const refusal = formRefusal(madeForms(driveOf(stage))[0]!)!;
    expect(refusal.code).toBe('pinTooWide');
    expect(
      formRefusal(madeForms(driveOf({ ...stage, pinMm: Number(refusal.limit) } as Stage))[0]!),
    ).toBeNull();
  });
});

describe('hands and nozzles', () => {
  test('wheels that mesh are of opposite hands, a ring is of its wheel’s', () => {
    const hands = madeWheels(
      driveOf(
        { kind: 'spur', z1: 20, z2: 60, helixDeg: 15, hand: 'right' },
        {
          kind: 'planetary',
          sun: 12,
          ring: 48,
          planets: 3,
          in: 'sun',
          out: 'carrier',
          helixDeg: 20,
          hand: 'left',
        } as Stage,
        { kind: 'spur', z1: 20, z2: 60, helixDeg: 30, hand: 'herringbone' },
        { kind: 'spur', z1: 20, z2: 60 },
      ),
    ).map((w) => w.helix?.hand ?? '–');
    expect(hands).toEqual([
      'right',
      'left',
      'left',
      'right',
      'right',
      'herringbone',
      'herringbone',
      '–',
      '–',
    ]);
  });
  test('under three nozzle widths a module, then a tooth, is too fine', () => {
    const [coarse] = madeWheels(driveOf({ kind: 'spur', z1: 20, z2: 60, moduleMm: 1.25 }));
    expect(tooFine(coarse!, 0.4)).toBeNull();
    expect(tooFine(coarse!, 0.6)).toMatchObject({ what: 'module', mm: 1.25 });
    const [thin] = madeWheels(driveOf({ kind: 'spur', z1: 20, z2: 60, moduleMm: 1.2, playMm: 1.6 }));
    expect(tooFine(thin!, 0.4)).toMatchObject({ what: 'tooth' });
  });
});

describe('set-up', () => {
  const steps = setupOf(driveOf());
  const day = '2026-11-28';
  test('nothing to sign without a list; signed when all is done, or skipped with a reason', () => {
    expect(setupStands(undefined).signed).toBe(true);
    expect(setupStands({ steps }).signed).toBe(false);
    expect(setupStands({ steps, skipped: '  ' }).signed).toBe(false);
    expect(setupStands({ steps, skipped: 'second wheel of the same blank' }).signed).toBe(true);
    const all = steps.map((s) => ({ ...s, done: day }));
    expect(setupStands({ steps: all }).signed).toBe(true);
    expect(setupAgain(all)).toEqual(steps);
  });
});
