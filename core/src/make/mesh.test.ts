import { describe, expect, test } from '@jest/globals';
import {
  FEELS,
  freeLocks,
  meshMoves,
  meshState,
  pivoted,
  playArcsec,
  springN,
  type Feel,
  type MeshMove,
} from './index.ts';

const asked = { wanted: 'smooth' as Feel, pitchMm: 0.7, moduleMm: 1 };
const felt = (turns: number, f: Feel, more: Partial<MeshMove> = {}): MeshMove => ({
  turns,
  felt: f,
  ...more,
});

describe('the next turn of the screw', () => {
  test('as found, then by doubling until both sides are felt, then by halving', () => {
    expect(meshState([], asked).next).toEqual({ do: 'feel' });
    const a = [felt(0, 'binds')];
    expect(meshState(a, asked).next).toMatchObject({ do: 'turn', turns: 1 / 8, by: 'doubling' });
    const b = [...a, felt(1 / 8, 'stiff')];
    expect(meshState(b, asked).next).toMatchObject({ turns: 1 / 4, to: 3 / 8 });
    const c = [...b, felt(1 / 4, 'rattles')];
    expect(meshState(c, asked)).toMatchObject({ stands: 3 / 8, tight: 1 / 8, loose: 3 / 8 });
    expect(meshState(c, asked).next).toMatchObject({ turns: -1 / 8, to: 1 / 4, by: 'halving' });
  });
  test('from tight: +½ loose, −¼ tight, +⅛ loose, −1⁄16 smooth: stands at 5⁄16, and is to be locked', () => {
    const log = [
      felt(0, 'binds'),
      felt(1 / 2, 'rattles'),
      felt(-1 / 4, 'stiff'),
      felt(1 / 8, 'slight'),
      felt(-1 / 16, 'smooth'),
    ];
    expect(meshState(log.slice(0, 4), asked).next).toMatchObject({ turns: -1 / 16 });
    expect(meshState(log, asked)).toMatchObject({ stands: 5 / 16, next: { do: 'lock' } });
    const tight = [...log, felt(0, 'stiff', { locked: true })];
    expect(meshState(tight, asked)).toMatchObject({
      shift: 1 / 32,
      next: { do: 'turn', turns: 1 / 32, by: 'locking' },
    });
    // moved, and locked again before it is felt
    const again = [...tight, felt(1 / 32, 'slight')];
    expect(meshState(again, asked).next).toEqual({ do: 'lock' });
    expect(meshState([...again, felt(0, 'smooth', { locked: true })], asked).next).toEqual({ do: 'done' });
  });
  test('stiff and rattling together is not a matter of distance; loose screws do not count; it never opens past half a module', () => {
    expect(meshState([felt(0, 'stiff', { rocks: true })], asked).next).toEqual({
      do: 'cannot',
      why: 'notDistance',
    });
    expect(meshState([felt(0, 'binds'), felt(1 / 8, 'rattles', { loose: true })], asked).loose).toBeNull();
    expect(meshState([felt(0, 'binds'), felt(0.712, 'binds')], asked).next).toEqual({
      do: 'cannot',
      why: 'skips',
    });
  });
  test('what a finger said wrongly is overruled by what is felt later', () => {
    const log = [felt(0, 'binds'), felt(1 / 4, 'rattles'), felt(1 / 8, 'stiff')];
    const s = meshState(log, asked);
    expect([s.tight, s.loose]).toEqual([3 / 8, null]);
    // no further than half a module: 0.714 turns of 0.7
    expect(s.next).toMatchObject({ do: 'turn', by: 'doubling', to: 1 / 1.4 });
  });
});

describe('by hand', () => {
  test('1⁄16 turn of 0.7: 0.04375 mm, play 0.0318 mm', () => {
    const m = meshMoves(1 / 16, 0.7);
    expect(m.mm).toBeCloseTo(0.04375, 8);
    expect(m.playMm).toBeCloseTo(0.0318, 4);
  });
  test('0.02 mm at a radius of 40: 75.07″', () => expect(playArcsec(0.02, 40)).toBeCloseTo(75.07, 2));
  test('¼ turn of a jack of 0.8: its locks of 0.7 are freed by 0.286', () =>
    expect(freeLocks(0.25, 0.8, 0.7)).toBeCloseTo(0.286, 3));
  test('a motor on a pivot, D 40, e 12, from 100° to 101°: +0.188 mm, play +0.137', () => {
    const d = pivoted(40, 12, 101) - pivoted(40, 12, 100);
    expect(d).toBeCloseTo(0.188, 3);
    expect(2 * d * Math.tan(Math.PI / 9)).toBeCloseTo(0.137, 3);
  });
  test('2 N·m at 40 mm: a spring of 27.3 N', () => expect(springN(2, 40)).toBeCloseTo(27.3, 1));
});

/** A mesh of 0.7 mm screw: play grows with the screw, locking shifts it, the wheel is felt at its tightest, and fingers err near an edge. */
function trial(seed: number): { moves: number; done: boolean } {
  let state = seed * 2654435761;
  const random = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let x = state;
    x = Math.imul(x ^ (x >>> 15), x | 1);
    x ^= x + Math.imul(x ^ (x >>> 7), x | 61);
    return ((x ^ (x >>> 14)) >>> 0) / 4_294_967_296;
  };
  // the good place lies so far from where it was found, and is so wide, in turns
  const place = (random() - 0.5) * 0.7;
  const wide = 0.07 + 0.06 * random();
  const closes = (random() - 0.35) * 0.06;
  const eccentric = 0.01 * random();
  const feel = (at: number): Feel => {
    const x = (at - place - eccentric) / wide + (random() - 0.5) * 0.16;
    return x < -2.5 ? 'binds' : x < 0 ? 'stiff' : x < 1 ? 'smooth' : x < 2 ? 'slight' : 'rattles';
  };
  const log: MeshMove[] = [];
  let stands = 0;
  let moves = 0;
  for (let i = 0; i < 40; i++) {
    const { next } = meshState(log, asked);
    if (next.do === 'done') return { moves, done: true };
    if (next.do === 'cannot') return { moves, done: false };
    if (next.do === 'feel') log.push({ turns: 0, felt: feel(stands) });
    else if (next.do === 'lock') log.push({ turns: 0, felt: feel(stands - closes), locked: true });
    else {
      stands += next.turns;
      moves++;
      log.push({ turns: next.turns, felt: feel(stands) });
    }
  }
  return { moves, done: false };
}

describe('200 simulated meshes', () => {
  const all = Array.from({ length: 200 }, (_, i) => trial(i + 1));
  test('at least 95 % come to smooth, no rattle, locked, within 8 moves', () => {
    expect(all.filter((t) => t.done && t.moves <= 8).length).toBeGreaterThanOrEqual(190);
  });
  test('those that do not, say so or take longer; none says done when it is not', () => {
    expect(all.filter((t) => t.done).length).toBeGreaterThan(190);
    expect(FEELS).toHaveLength(5);
  });
});
