import { describe, expect, test } from '@jest/globals';
import { shaftsOfRuns, stageRuns } from './fold.ts';
import type { Stage } from './stages/index.ts';

const pair = (z2: number, more: object = {}): Stage => ({ kind: 'spur', z1: 12, z2, ...more });

describe('equal stages in a row', () => {
  const stages = [
    pair(40),
    ...Array.from({ length: 11 }, (_, i) => pair(60, i === 3 ? { name: 'the fourth' } : {})),
    pair(40),
    pair(40),
  ];

  test('three and more are one run, two are not; a name makes no difference', () => {
    expect(stageRuns({ stages })).toEqual([
      { at: 0, count: 1 },
      { at: 1, count: 11 },
      { at: 12, count: 1 },
      { at: 13, count: 1 },
    ]);
    expect(shaftsOfRuns(stageRuns({ stages }))).toEqual([0, 1, 12, 13, 14]);
  });

  test('anything that counts makes a difference', () => {
    const odd = [pair(60), pair(60, { playMm: 0.1 }), pair(60)];
    expect(stageRuns({ stages: odd })).toHaveLength(3);
  });

  test('unfolded, each stands by itself', () => {
    expect(stageRuns({ stages }, false).map((r) => r.at)).toEqual(stages.map((_, i) => i));
  });
});
