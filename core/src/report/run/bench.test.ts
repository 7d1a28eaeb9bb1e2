import { describe, expect, test } from '@jest/globals';
import { nextState, startRun, type RunPlan } from '../../run/index.ts';
import { benchReport } from '../index.ts';

const plan = (
  circles: readonly number[],
  holes: readonly number[],
  way: 'circle' | 'compound' = 'compound',
): RunPlan => ({
  divisions: 87,
  stepsPerTurn: '840',
  reduction: '40',
  plate: { way, plate: 0, circles, holes, wholeTurns: 0 },
});
const slip = (of: RunPlan, gap: number) => {
  let s = startRun(of, 0);
  while (s.gap < gap) s = nextState(s, { do: 'next', at: 0 });
  return benchReport(s).plate!.slip;
};

describe('a slip of a hole', () => {
  const two = plan([21, 29], [14, -6]);
  test('14 on 21 comes round each third move, −6 on 29 each twenty-ninth', () => {
    expect([1, 2, 3].map((g) => slip(two, g))).toEqual([null, null, null]);
    expect(slip(two, 4)).toMatchObject({
      since: 1,
      message: expect.stringContaining('The pin on 21 must be in hole 0'),
    });
    expect(slip(two, 7)!.since).toBe(4);
    expect(slip(two, 30)).toMatchObject({ since: 1, message: expect.stringContaining('on 29 must') });
  });
  test('a single circle comes round when its holes do; whole turns alone tell nothing', () => {
    expect(slip(plan([20], [8], 'circle'), 6)).toMatchObject({ since: 1 });
    expect(slip(plan([20], [8], 'circle'), 5)).toBeNull();
    expect(slip(plan([20], [0], 'circle'), 6)).toBeNull();
  });
});
