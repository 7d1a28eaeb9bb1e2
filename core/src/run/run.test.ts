import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { driveOf, plainRatio, wheelCutter } from '../testing/samples.ts';
import {
  doneGaps,
  isRunState,
  nextState,
  passesLimits,
  planDiffers,
  planRun,
  secondsLeft,
  startRun,
  type RunEvent,
  type RunState,
} from './index.ts';

const plan = planRun(wheelCutter(), 95)!;
const from = (gap: number, more: Partial<RunState> = {}): RunState => ({
  ...startRun(plan, 0),
  gap,
  ...more,
});
const say = (state: RunState, what: RunEvent['do'], at = 0): RunState => nextState(state, { do: what, at });

describe('a run', () => {
  test('its plan holds exact numbers of its own', () => {
    expect(plan).toEqual({ divisions: 95, stepsPerTurn: '1094400', reduction: '342' });
  });

  test('goes to gap 31 in thirty moves, and each is in the list', () => {
    let s = startRun(plan, 1000);
    for (let i = 0; i < 30; i++) s = say(s, 'next', 1000 + i);
    expect([s.gap, doneGaps(s), s.moves.length]).toEqual([31, 30, 31]);
  });

  test.each<[string, RunState, RunEvent['do'], Partial<RunState>]>([
    ['next goes on', from(5), 'next', { gap: 6, finished: false }],
    ['next at the last gap finishes', from(95), 'next', { gap: 95, finished: true }],
    ['next after the end does nothing', from(95, { finished: true }), 'next', { gap: 95, finished: true }],
    ['next while paused does nothing', from(5, { paused: true }), 'next', { gap: 5 }],
    ['back goes back', from(5), 'back', { gap: 4 }],
    ['back at the start stays', from(1), 'back', { gap: 1 }],
    ['back while paused stays', from(5, { paused: true }), 'back', { gap: 5 }],
    [
      'back from the end opens the last gap again',
      from(95, { finished: true }),
      'back',
      { gap: 95, finished: false },
    ],
    ['pause', from(5), 'pause', { paused: true }],
    ['resume', from(5, { paused: true }), 'resume', { paused: false }],
    ['resume when not paused', from(5), 'resume', { paused: false }],
    ['a finished run cannot pause', from(95, { finished: true }), 'pause', { paused: false }],
  ])('%s', (_, state, what, want) => {
    expect(say(state, what)).toMatchObject(want);
  });

  test('whatever is pressed, the gap stays within the wheel and the last move is where it stands', () => {
    const keys = fc.array(fc.constantFrom<RunEvent['do']>('next', 'back', 'pause', 'resume'), {
      maxLength: 60,
    });
    const small = planRun(wheelCutter(), 7)!;
    fc.assert(
      fc.property(keys, (list) => {
        const s = list.reduce((state, what, i) => say(state, what, i), startRun(small, 0));
        expect(s.gap).toBeGreaterThanOrEqual(1);
        expect(s.gap).toBeLessThanOrEqual(7);
        expect(s.moves.at(-1)?.gap).toBe(s.gap);
        expect(isRunState(JSON.parse(JSON.stringify(s)))).toBe(true);
      }),
    );
  });

  test('the time left goes by the median of the user’s own pace', () => {
    let s = startRun(plan, 0);
    expect(secondsLeft(s)).toBeNull();
    for (const at of [60_000, 120_000, 180_000, 1_000_000, 1_060_000]) s = say(s, 'next', at);
    expect(secondsLeft(s)).toBe(90 * 60);
  });

  test('a changed train is noticed', () => {
    expect(planDiffers(plan, wheelCutter('5'))).toBe(false);
    expect(planDiffers(plan, driveOf(200, 16, [plainRatio('341')]))).toBe(true);
    expect(planDiffers(plan, driveOf(200, 16, [plainRatio('-342')]))).toBe(true);
  });

  test.each([
    [null],
    [{}],
    [{ plan: {}, moves: [] }],
    [from(0)],
    [from(96)],
    [{ ...from(3), plan: { ...plan, stepsPerTurn: 'x' } }],
    [{ ...from(3), plan: { ...plan, divisions: 1.5 } }],
  ])('what cannot be resumed is told: %j', (value) => {
    expect(isRunState(value)).toBe(false);
  });
});

test('within limits of less than a turn a run is taken back, not round', () => {
  const drive = wheelCutter();
  const limits = { back: '1/4', forth: '3/4' };
  expect(planRun({ ...drive, train: { ...drive.train, limits } }, 73)?.rewind).toBeUndefined();
  const tight = planRun({ ...drive, train: { ...drive.train, limits: { back: '0', forth: '99/100' } } }, 73)!;
  expect(tight.rewind).toBe(true);
  expect(planDiffers(tight, drive)).toBe(true);
  expect(
    passesLimits({ ...drive, train: { ...drive.train, limits: { back: '0', forth: '72/73' } } }, 73),
  ).toBeNull();
});
