import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compare, neg, rational, sub, toText } from '../numbers/index.ts';
import {
  beyondOf,
  gapStates,
  gapTally,
  leftPlaces,
  cutCount,
  isRunState,
  mostRows,
  nextState,
  passesRoom,
  placesOf,
  planDiffers,
  rowOf,
  rowsOf,
  secondsLeft,
  startRun,
  sequenceOf,
  stepsBack,
  wayBetween,
  targetOf,
  type RunPlan,
  type Step,
  type RunState,
} from './index.ts';

const plan: RunPlan = { divisions: 95, stepsPerTurn: '1094400', reduction: '342', playCounts: null };
const from = (gap: number, more: Partial<RunState> = {}): RunState => ({
  ...startRun(plan, 0),
  gap,
  ...more,
});
const say = (state: RunState, what: 'next' | 'back' | 'pause' | 'resume', at = 0): RunState =>
  nextState(state, { do: what, at });

describe('a run', () => {
  test('goes to gap 31 in thirty moves, and each is in the list', () => {
    let s = startRun(plan, 1000);
    for (let i = 0; i < 30; i++) s = say(s, 'next', 1000 + i);
    expect([s.gap, gapTally(s).cut, s.moves.length]).toEqual([31, 30, 31]);
  });

  test.each<[string, RunState, 'next' | 'back' | 'pause' | 'resume', Partial<RunState>]>([
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
    const keys = fc.array(
      fc.constantFrom<'next' | 'back' | 'pause' | 'resume'>('next', 'back', 'pause', 'resume'),
      {
        maxLength: 60,
      },
    );
    const small: RunPlan = { ...plan, divisions: 7 };
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

  test('a plan with other numbers is noticed, one that only knows its play better is not', () => {
    expect(planDiffers(plan, { ...plan, playCounts: 12 })).toBe(false);
    expect(planDiffers(plan, { ...plan, reduction: '-342' })).toBe(true);
    expect(planDiffers(plan, { ...plan, room: { back: '0', forth: '1' } })).toBe(true);
    expect(planDiffers(plan, null)).toBe(true);
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

describe('a gap is cut, or it is not', () => {
  const small: RunPlan = { ...plan, divisions: 8 };
  const go = (state: RunState, ...events: readonly (string | number)[]): RunState =>
    events.reduce<RunState>(
      (s, e) =>
        nextState(s, typeof e === 'number' ? { do: 'jump', gap: e, at: 1 } : { do: e as 'next', at: 1 }),
      state,
    );
  const states = (s: RunState): string => Array.from({ length: 8 }, (_, i) => gapStates(s)(i)[0]).join('');

  test('jumped over, skipped and bad ones are not cut, and the end says what is left', () => {
    // 1 and 2 cut, from 3 to 6, 6 bad, 7 skipped, 8 cut
    const end = go(startRun(small, 0), 'next', 'next', 6, 'bad', 'next', 'skip', 'next');
    expect(end.finished).toBe(true);
    expect(states(end)).toBe('ccpppbpc');
    expect(gapTally(end)).toEqual({ cut: 3, bad: 1, passed: 4, before: 0, toDo: 0, all: 8 });
    expect(leftPlaces(end)).toEqual([2, 3, 4, 5, 6]);
  });
  test('from the end what is left is gone to, one after the other, and a bad gap cut again is good', () => {
    const end = go(startRun(small, 0), 'next', 'next', 6, 'bad', 'next', 'skip', 'next');
    let s = go(end, 3);
    const seen = [s.gap];
    while (!s.finished) {
      s = go(s, 'next');
      if (!s.finished) seen.push(s.gap);
    }
    expect(seen).toEqual([3, 4, 5, 6, 7]);
    expect(states(s)).toBe('cccccacc');
    expect(gapTally(s)).toMatchObject({ cut: 8, bad: 0, passed: 0 });
  });
  test('going back and cutting again is cut once, told as again; a gap that is left without a cut stays to do', () => {
    const s = go(startRun(small, 0), 'next', 'next', 'back', 'next');
    expect(states(s)).toBe('catttttt');
    expect(states(go(startRun(small, 0), 'next', 5))).toBe('cttttttt');
  });
  test('a run begun at 6 and ended at once has cut none', () => {
    const s = startRun(small, 0, 6);
    expect(gapTally(s)).toEqual({ cut: 0, bad: 0, passed: 0, before: 5, toDo: 3, all: 8 });
  });
  test('a run of an earlier version: what lies behind it was cut, but for what was passed over', () => {
    const { cut: _, ...old } = { ...startRun(small, 0), gap: 5, skipped: [1] };
    expect(gapTally(old)).toMatchObject({ cut: 3, passed: 1, toDo: 4 });
  });
  test('whatever is pressed, each place has one state and all together are all', () => {
    const keys = fc.array(
      fc.constantFrom<string | number>('next', 'back', 'skip', 'bad', 'pause', 'resume', 3, 8, 1),
      {
        maxLength: 80,
      },
    );
    fc.assert(
      fc.property(keys, (list) => {
        const s = go(startRun(small, 0), ...list);
        const t = gapTally(s);
        expect(t.cut + t.bad + t.passed + t.before + t.toDo).toBe(8);
        if (s.finished) expect(t.toDo).toBe(0);
        expect(isRunState(JSON.parse(JSON.stringify(s)))).toBe(true);
      }),
    );
  });
});

/** 200 steps at 1/16 on a worm of 40: 128 000 steps a turn. */
const worm40 = (divisions: number, more: Partial<RunPlan> = {}): RunPlan => ({
  divisions,
  stepsPerTurn: '128000',
  reduction: '40',
  playCounts: 50,
  ...more,
});
const lines = (p: RunPlan): string[] => {
  const s = sequenceOf(p);
  return Array.from({ length: s.length }, (_, i) => {
    const { is, gap, counts } = s.at(i);
    return `${is} ${gap} ${counts}`;
  });
};

describe('the sequence at the machine', () => {
  test('after Back from gap 4 of 37: back by 3 459, past the play, and forward again', () => {
    const four = nextState(
      {
        ...startRun(worm40(37), 0),
        gap: 4,
        moves: [
          { gap: 1, at: 0 },
          { gap: 4, at: 1 },
        ],
      },
      { do: 'back', at: 2 },
    );
    const [now, before] = stepsBack(four, 2).map((m) => m.step) as [Step, Step];
    expect([before.counts, now.counts]).toEqual([10378n, 6919n]);
    const sequence = sequenceOf(four.plan);
    expect(wayBetween(four.plan, sequence, before, now)).toEqual({ by: -3459n, beyond: 51n, cramped: false });
    expect(wayBetween(four.plan, sequence, now, before)).toEqual({ by: 3459n, beyond: 0n, cramped: false });
    const unknown = { ...worm40(37), playCounts: null };
    // half a turn of the source
    expect(wayBetween(unknown, sequenceOf(unknown), before, now).beyond).toBe(1600n);
  });

  test('with all the room behind, the first gap is cut at home and the rest a turn further back', () => {
    expect(lines(worm40(4, { room: { back: '1', forth: '0' } }))).toEqual([
      'gap 1 0',
      'rewind 2 -96051',
      'gap 2 -96000',
      'gap 3 -64000',
      'gap 4 -32000',
      'rewind 5 0',
    ]);
  });

  test('a cord of one turn is wound back at the end; without one the work goes on round', () => {
    expect(lines(worm40(9, { room: { back: '0', forth: '1' } })).slice(-2)).toEqual([
      'gap 9 113778',
      'rewind 10 0',
    ]);
    expect(lines(worm40(9)).at(-1)).toBe('return 10 128000');
  });

  test('a rewind is a step that is shown and kept', () => {
    let s = startRun(worm40(2, { room: { back: '0', forth: '1' } }), 0);
    s = nextState(s, { do: 'next', at: 1 });
    s = nextState(s, { do: 'next', at: 2 });
    expect([s.gap, s.rewinding, s.finished, stepsBack(s, 1)[0]!.step.is]).toEqual([2, true, false, 'rewind']);
    expect(nextState(s, { do: 'back', at: 3 })).toMatchObject({ gap: 2, finished: false });
    s = nextState(s, { do: 'next', at: 3 });
    expect([s.finished, s.rewinding, stepsBack(s, 1)[0]!.step.counts]).toEqual([true, undefined, 0n]);
    expect(isRunState(JSON.parse(JSON.stringify(s)))).toBe(true);
  });

  test('whatever the limits, no step passes them, and every gap is cut once', () => {
    const parts = fc.integer({ min: 0, max: 40 }).map((n) => rational(n, 20));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), parts, parts, (D, back, forth) => {
        const room = { back, forth, why: '' };
        const passes = passesRoom(room, D);
        const reachable = Array.from({ length: D }, (_, i) => rational(i, D)).every(
          (at) => compare(at, forth) <= 0 || compare(sub(rational(1), at), back) <= 0,
        );
        expect(passes === null).toBe(reachable);
        if (passes) return;
        const s = sequenceOf(worm40(D, { room: { back: toText(back), forth: toText(forth) } }));
        const steps = Array.from({ length: s.length }, (_, i) => s.at(i));
        for (const step of steps) {
          expect(compare(step.at, forth)).toBeLessThanOrEqual(0);
          expect(compare(neg(step.at), back)).toBeLessThanOrEqual(0);
        }
        expect(steps.filter((x) => x.is === 'gap').map((x) => x.gap)).toEqual(
          Array.from({ length: D }, (_, i) => i + 1),
        );
        steps.forEach((step, i) => expect(s.indexOf(step.is, step.gap)).toBe(i));
      }),
    );
  });
});

describe('a grid of two axes', () => {
  const axis = (divisions: number, train: string): RunPlan => ({
    divisions,
    train,
    stepsPerTurn: '3200',
    reduction: '1',
  });
  const plan: RunPlan = { ...axis(3, 'Azimuth'), rows: axis(2, 'Altitude') };
  const walk = (times: number, what: 'next' | 'back' = 'next', from = startRun(plan, 0)): RunState => {
    let state = from;
    for (let i = 0; i < times; i++) state = nextState(state, { do: what, at: i + 1 });
    return state;
  };

  test('row by row, and done after the last place of the last row', () => {
    const places = [0, 1, 2, 3, 4, 5, 6].map((n) => {
      const s = walk(n);
      return [rowOf(s), s.gap, s.finished, gapTally(s).cut, cutCount(s)];
    });
    expect(places).toEqual([
      [1, 1, false, 0, 0],
      [1, 2, false, 1, 1],
      [1, 3, false, 2, 2],
      [2, 1, false, 3, 0],
      [2, 2, false, 4, 1],
      [2, 3, false, 5, 2],
      [2, 3, true, 6, 3],
    ]);
    expect([placesOf(plan), rowsOf(plan), rowsOf(axis(3, 'x'))]).toEqual([6, 2, 1]);
  });

  test('back goes into the row before, and not beyond the first place', () => {
    const back = walk(1, 'back', walk(3));
    expect([rowOf(back), back.gap]).toEqual([1, 3]);
    const start = startRun(plan, 0);
    expect(nextState(start, { do: 'back', at: 1 })).toBe(start);
  });

  test('limits of the inner axis are wound back at the end of each row', () => {
    const limited: RunPlan = { ...plan, room: { back: '0', forth: '1' } };
    let state = startRun(limited, 0);
    const seen: string[] = [];
    for (let i = 0; i < 8; i++) {
      state = nextState(state, { do: 'next', at: i });
      seen.push(`${rowOf(state)}.${state.gap}${state.rewinding ? 'r' : ''}${state.finished ? '!' : ''}`);
    }
    expect(seen).toEqual(['1.2', '1.3', '1.3r', '2.1', '2.2', '2.3', '2.3r', '2.3!']);
  });

  test('no more rows than the other axis has room for, from its home', () => {
    const rows = axis(24, 'Altitude');
    expect([mostRows(rows), mostRows({ ...rows, room: { back: '0', forth: '1/4' } })]).toEqual([24, 7]);
    const some = { ...plan, rows, rowCount: 2 };
    expect([rowsOf(some), placesOf(some)]).toEqual([2, 6]);
    expect(isRunState(startRun({ ...some, rowCount: 25 }, 0))).toBe(false);
  });

  test('comes back from storage, and not with a row that is not there', () => {
    const state = walk(4);
    expect(isRunState(JSON.parse(JSON.stringify(state)))).toBe(true);
    expect(isRunState({ ...state, row: 3 })).toBe(false);
    expect(isRunState({ ...state, plan: { ...plan, rows: { ...plan.rows, stepsPerTurn: 'x' } } })).toBe(
      false,
    );
  });
});

describe('marks, jumps, passes and a controller', () => {
  const at = (state: RunState, ...events: readonly object[]): RunState =>
    events.reduce<RunState>((s, e) => nextState(s, { at: 1, ...e } as never), state);
  test('two passes all the way round: gap 95 of the first leads to gap 1 of the second', () => {
    const twice: RunPlan = { ...plan, divisions: 3, passes: 2 };
    const s = at(startRun(twice, 0), { do: 'next' }, { do: 'next' }, { do: 'next' });
    expect([s.gap, s.row, s.finished]).toEqual([1, 2, false]);
    const end = at(s, { do: 'next' }, { do: 'next' }, { do: 'next' });
    expect([end.finished, gapTally(end).cut]).toEqual([true, 6]);
    expect(at(s, { do: 'back' }).gap).toBe(3);
  });
  test('a gap is marked bad and good again, passed over, jumped to; nonsense does nothing', () => {
    const s = at(startRun(plan, 0), { do: 'bad' }, { do: 'skip' }, { do: 'jump', gap: 40 }, { do: 'bad' });
    expect([s.gap, s.bad, s.skipped]).toEqual([40, [0, 39], [0]]);
    expect(at(s, { do: 'bad' }).bad).toEqual([0]);
    for (const gap of [0, 96, 40, 1.5]) expect(at(s, { do: 'jump', gap }).gap).toBe(40);
  });
  test('attached, clamped, gone on: where it stood off is kept with the place that was left', () => {
    const s = at(
      startRun({ ...plan, windowCounts: 9 }, 0),
      { do: 'attach', boot: 'b', counts: 500 },
      { do: 'holds', on: false },
      { do: 'clamp', raw: 500 },
      { do: 'next' },
      { do: 'reached', error: -3 },
    );
    expect(s.driven).toEqual({ phase: 'clamp', zero: 500, boot: 'b', window: 9, holds: false, error: -3 });
    expect(targetOf(s)).toBe(500 + 11_520);
    const on = at(s, { do: 'clamp', raw: 12_017 }, { do: 'next' });
    expect(on.moves.at(-1)).toMatchObject({ gap: 3, off: -3 });
    expect(at(on, { do: 'detach' }).driven).toBeUndefined();
    expect(at(startRun(plan, 0), { do: 'clamp', raw: 1 }).driven).toBeUndefined();
  });
  test('what comes back from storage is checked', () => {
    const good = at(startRun(plan, 0), { do: 'attach', boot: 'b', counts: 5 });
    expect(isRunState(JSON.parse(JSON.stringify(good)))).toBe(true);
    for (const bad of [
      { driven: { ...good.driven, phase: 'fly' } },
      { driven: { ...good.driven, zero: 1.5 } },
      { driven: { ...good.driven, window: -1 } },
      { driven: 7 },
      { bad: ['x'] },
      { skipped: {} },
      { plan: { ...plan, passes: 0 } },
    ])
      expect([bad, isRunState({ ...good, ...bad })]).toEqual([bad, false]);
  });
});

describe('one rule for hand and controller', () => {
  const nine: RunPlan = { divisions: 9, stepsPerTurn: '34254', reduction: '4.5', playCounts: null };
  const at = (p: RunPlan, gap: number): RunState => ({
    ...startRun(p, 0),
    gap,
    moves: [{ gap, at: 0 }],
  });
  test('unknown play comes from behind by half a turn of the source, as by hand', () => {
    expect(beyondOf(at(nine, 1))).toBe(3806);
    const sequence = sequenceOf(nine);
    expect(wayBetween(nine, sequence, sequence.at(2), sequence.at(0)).beyond).toBe(3806n);
  });
  test('a limit is never passed by the overshoot', () => {
    const limited = { ...nine, playCounts: 73, room: { back: '0', forth: '1' } };
    expect(beyondOf(at(limited, 1))).toBe(0);
    expect(beyondOf(at(limited, 8))).toBe(74);
  });
});
