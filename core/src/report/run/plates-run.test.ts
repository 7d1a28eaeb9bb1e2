import { describe, expect, test } from '@jest/globals';
import { newDrive, type Drive } from '../../drive/index.ts';
import { logLines } from '../../log/index.ts';
import { nextState, startRun, type RunState } from '../../run/index.ts';
import { benchReport } from './bench.ts';
import { planRun, plateSetup, sheet } from '../../plans/index.ts';
import { runDone } from '../../words/index.ts';

/** A dividing head of 48 with one plate. */
const head = (plates: readonly (readonly number[])[], ratio = '48', gears?: readonly number[]): Drive => ({
  ...newDrive('head'),
  job: { divisions: '44' },
  plates: { plates, ...(gears && { gears }) },
  train: {
    ...newDrive('x').train,
    source: { kind: 'crank', marks: 100 } as never,
    stages: [{ kind: 'worm', starts: 1, wheel: Number(ratio), moduleMm: 1 }],
  },
});
const go = (state: RunState, ...events: readonly (string | number)[]): RunState =>
  events.reduce<RunState>(
    (s, e) =>
      nextState(s, typeof e === 'number' ? { do: 'jump', gap: e, at: 1 } : { do: e as 'next', at: 1 }),
    state,
  );

describe('44 on a worm of 48, circle 22', () => {
  const begin = startRun(planRun(head([[22]]), 44)!, 0);
  const now = (s: RunState) => benchReport(s);

  test('a gap on is 1 turn and 2 holes; back and jumps are told from where the work stands', () => {
    const four = go(begin, 'next', 'next', 'next');
    expect(now(four).message).toBe('On by 1 turn and 2 on 22; pin in the hole, clamp, cut.');
    const back = now(go(four, 'back'));
    expect(back.message).toBe(
      'Back by 1 turn and 2 on 22, past it, and forward to the hole; pin in the hole, clamp, cut.',
    );
    expect(back.plate!.move).toBe('back 1 turn and 2 on 22');
    const jumped = now(go(begin, 'next', 'next', 20));
    expect(jumped.plate!.move).toBe('18 turns and 12 on 22');
    expect(jumped.last[0]!.row.moved).toBe('18 turns and 12 on 22');
    // the pin stands where all moves together bring it
    expect(jumped.plate!.hole).toBe('16 on 22');
  });

  test('Back, Jump 3 → 20, a bad gap, a skipped one: the end says 41 of 44 cut, 2 passed over, 1 bad; the log the same', () => {
    let s = go(begin, 'next', 'next', 'back', 'next', 20);
    while (s.gap < 30) s = go(s, 'next');
    s = go(s, 'bad', 'next', 'skip');
    while (!s.finished) s = go(s, 'next');
    expect(benchReport(s).title).toBe('At the end');
    expect(benchReport(s).message).toContain('25 of 44 cut, 18 passed over, 1 bad.');
    // the large key goes to the first that is left, and from there on to the others
    expect([benchReport(s).left, benchReport(s).go]).toEqual([{ gap: 3, row: 1 }, 'Go to gap 3']);
    s = go(s, 3);
    while (s.gap < 18) s = go(s, 'next');
    s = go(s, 'next', 'skip', 'skip', 'skip');
    expect(s.finished).toBe(true);
    const words = '41 of 44 cut, 2 passed over, 1 bad';
    expect(benchReport(s).message).toMatch(new RegExp(`^${words}\\. Left: gap 19; 30, bad; 31\\.`));
    expect(runDone(s)).toBe(words);
    const [line] = logLines(newDrive('x'), [{ id: 'r', name: 'blank', state: s, done: runDone(s) }]);
    expect(line!.words).toBe(`blank: ${words}`);
  });
});

test('two pins: each told by its own circle, forward and back', () => {
  const plan = planRun(head([[21, 33]], '40'), 77)!;
  expect(plan.plate!.way).toBe('compound');
  const s = go(startRun(plan, 0), 'next', 5);
  const [a, b] = plan.plate!.holes;
  const row = benchReport(s).row;
  expect(row.moved).toBe(
    `${a! * 3} on ${plan.plate!.circles[0]} and ${b! * 3} on ${plan.plate!.circles[1]}`.replace(/-/g, '−'),
  );
  expect(benchReport(go(s, 'back')).row.moved).toMatch(/^back /);
  expect(plateSetup(plan.plate!)).toContain('two pins');
});

test('change wheels stand on the start, the sheet and in the table: 127 as 126', () => {
  const gears = [24, 28, 32, 40, 44, 48, 56, 64, 72, 86, 100];
  const plan = planRun(
    head(
      [
        [15, 16, 17, 18, 19, 20],
        [21, 23, 27, 29, 31, 33],
      ],
      '40',
      gears,
    ),
    127,
  );
  expect(plan?.plate?.way).toBe('wheels');
  const text = plateSetup(plan!.plate!);
  expect(text).toMatch(
    /^divided as \d+ on circle \d+: change wheels [\d ×]+ : [\d ×]+( with an idler more)?, the plate free to turn$/,
  );
  expect(sheet(plan!).plate).toEqual(plan!.plate);
});
