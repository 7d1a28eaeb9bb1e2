import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  followedSeconds,
  followingLeft,
  frameNow,
  framesLeft,
  isAnyRun,
  isSession,
  nextSession,
  shotLength,
  slackOf,
  startFollowing,
  startFrames,
  startRun,
  type FollowingEvent,
  type FollowingPlan,
  type FollowingState,
  type FramesEvent,
  type FramesPlan,
  type FramesState,
} from './index.ts';

/** Ten frames of 4 s: 1 s of exposure, 0.5 s of writing, 1 s of move, 0.5 s until it stands: 1 s of slack. */
const shot = (more: Partial<FramesPlan> = {}): FramesPlan => ({
  axes: [
    {
      name: 'slide',
      targets: Array.from({ length: 10 }, (_, i) => 100 * i),
      places: Array.from({ length: 10 }, (_, i) => `${i} mm`),
    },
  ],
  interval: 4,
  exposure: 1,
  write: 0.5,
  settle: 0.5,
  margin: 0,
  moves: [0, ...Array.from({ length: 9 }, () => 1)],
  ...more,
});
const say = (state: FramesState, ...events: FramesEvent[]): FramesState =>
  events.reduce((s, e) => nextSession(s, e) as FramesState, state);
const phases = (state: FramesState, seconds: readonly number[]): readonly string[] =>
  seconds.map((s) => frameNow(state, s * 1000).phase);

describe('shoot, move, shoot', () => {
  test('it waits for the start, counts down, exposes, writes, and is over', () => {
    const s = startFrames(shot(), 0);
    expect([frameNow(s, 9).phase, framesLeft(s, 0)]).toEqual(['waits', null]);
    const runs = say(s, { do: 'go', at: 0 });
    expect(phases(runs, [0.1, 1, 5.1, 6.2, 6.6])).toEqual(['settle', 'countdown', 'expose', 'write', 'over']);
    expect(frameNow(runs, 2000)).toEqual({ phase: 'countdown', left: 3, toMark: 3 });
    // nine intervals, the exposure and the writing after the first mark
    expect(framesLeft(runs, 0)).toBe(5 + 36 + 1.5);
  });

  test('from mark to mark is the interval, however late the page looks', () => {
    let s = say(startFrames(shot(), 0), { do: 'go', at: 0 });
    for (let i = 0; i < 9; i++) s = say(s, { do: 'shot', at: s.clock!.mark + 1700 + 37 * i });
    expect(s.shots.map((x) => x.at)).toEqual([5, 9, 13, 17, 21, 25, 29, 33, 37].map((t) => t * 1000));
    expect(phases(s, [38.6, 39.6, 40.2])).toEqual(['move', 'settle', 'countdown']);
    s = say(s, { do: 'shot', at: 0 });
    expect([s.finished, s.shots.at(-1)!.at, s.clock]).toEqual([true, 41_000, null]);
    expect(say(s, { do: 'go', at: 1 }, { do: 'shot', at: 2 })).toBe(s);
    expect(say(s, { do: 'back', at: 3 })).toMatchObject({ frame: 10, finished: false, paused: true });
  });

  test('a move that is not over holds the shutter back, says by how much, and all later marks shift', () => {
    const s = say(
      startFrames(shot(), 0),
      { do: 'go', at: 0 },
      { do: 'shot', at: 0 },
      { do: 'late', mark: 9700, at: 8900 },
      { do: 'late', mark: 9500, at: 8950 },
      { do: 'shot', at: 0 },
    );
    expect(s.shots[1]).toEqual({ frame: 2, at: 9700, late: 0.7 });
    expect(s.clock!.mark).toBe(13_700);
  });

  test('a pause stands at its frame and begins anew with a countdown', () => {
    const s = say(
      startFrames(shot(), 0),
      { do: 'go', at: 0 },
      { do: 'shot', at: 0 },
      { do: 'pause', at: 7000 },
      { do: 'shot', at: 8000 },
      { do: 'go', at: 60_000, zero: 40, boot: 'b' },
    );
    expect(s).toMatchObject({ frame: 2, zero: 40, boot: 'b', clock: { from: 60_000, mark: 65_000 } });
    expect(s.shots).toHaveLength(1);
    expect(say(s, { do: 'jump', frame: 9, at: 1 })).toMatchObject({ frame: 9, paused: true, clock: null });
    for (const frame of [0, 11, 1.5, NaN, 2]) expect(say(s, { do: 'jump', frame, at: 1 })).toBe(s);
  });

  test('without an interval the key does it, and nothing is late', () => {
    const s = say(startFrames(shot({ interval: null }), 0), { do: 'go', at: 0 });
    expect([frameNow(s, 100_000).phase, slackOf(s)]).toEqual(['hand', null]);
    expect(say(s, { do: 'shot', at: 77 }).shots).toEqual([{ frame: 1, at: 77 }]);
  });

  test('slack is what the interval leaves before the next mark; the last frame has none', () => {
    const s = startFrames(shot(), 0);
    expect(slackOf(s)).toBeCloseTo(1, 12);
    expect(slackOf({ ...s, frame: 10 })).toBeNull();
    expect(slackOf(startFrames(shot({ margin: 0.25 }), 0))).toBeCloseTo(0.75, 12);
    expect([shotLength(shot()), shotLength(shot(), 1), shotLength(shot({ interval: null }))]).toEqual([
      37.5,
      1.5,
      null,
    ]);
    expect(slackOf(startFrames(shot({ moves: [0, 2.5] }), 0))).toBeCloseTo(-0.5, 12);
  });

  test('property: whatever is pressed, frames stay in their bounds, none is exposed twice in a row by one mark, and it reads back', () => {
    const event = fc.oneof(
      fc.record({ do: fc.constantFrom('go', 'pause', 'back', 'shot'), at: fc.nat(1e6) }),
      fc.record({ do: fc.constant('late'), mark: fc.nat(2e6), at: fc.nat(1e6) }),
      fc.record({ do: fc.constant('jump'), frame: fc.integer({ min: -3, max: 14 }), at: fc.nat(1e6) }),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), (events) => {
        const s = say(startFrames(shot(), 0), ...(events as FramesEvent[]));
        expect(s.frame >= 1 && s.frame <= 10).toBe(true);
        const marks = s.shots.map((x) => `${x.frame} ${x.at}`);
        expect(new Set(marks).size).toBe(marks.length);
        expect(isAnyRun(JSON.parse(JSON.stringify(s)))).toBe(true);
      }),
    );
  });
});

describe('following a rate', () => {
  const plan: FollowingPlan = {
    rate: 'stars',
    constants: 'Alternate 15 582 and 15 583',
    ends: { seconds: 3600, why: 'the cord' },
    exposure: { seconds: 120, focalMm: 135 },
  };
  const hear = (state: FollowingState, ...events: FollowingEvent[]): FollowingState =>
    events.reduce((s, e) => nextSession(s, e) as FollowingState, state);

  test('time is kept while it follows, over a stand, until it is wound back', () => {
    let s = hear(startFollowing(plan, 0), { do: 'follow', at: 1000 }, { do: 'follow', at: 9000 });
    expect([followedSeconds(s, 61_000), followingLeft(s, 61_000)]).toEqual([60, 3540]);
    s = hear(s, { do: 'stand', at: 61_000 });
    expect(followedSeconds(s, 999_000)).toBe(60);
    s = hear(s, { do: 'follow', at: 100_000 });
    expect(followedSeconds(s, 110_000)).toBe(70);
    s = hear(s, { do: 'rewound', at: 120_000 });
    expect(followedSeconds(s, 121_000)).toBe(1);
    // a clock that is put back makes no negative time
    expect(followedSeconds(s, 0)).toBe(0);
    expect(followingLeft(startFollowing({ ...plan, ends: null }, 0), 5)).toBeNull();
  });

  test('checks have their times, exposures are kept or not, the last can be taken back', () => {
    const s = hear(
      startFollowing(plan, 0),
      { do: 'check', index: 1, at: 5 },
      { do: 'check', index: 99, at: 6 },
      { do: 'kept', at: 7 },
      { do: 'lost', at: 8 },
      { do: 'undo', at: 9 },
    );
    expect(s.checks.map((c) => c.at ?? null)).toEqual([null, 5, null, null, null]);
    expect(hear(s, { do: 'check', index: 1, at: 9 }).checks[1]).toEqual({ name: 'Level' });
    expect(s.exposures).toEqual([{ at: 7, kept: true }]);
    expect(hear(startFollowing(plan, 0), { do: 'undo', at: 1 }).exposures).toEqual([]);
  });

  test('an ended night is taken up again where it ended, and knows what is in the log', () => {
    const s = hear(
      startFollowing(plan, 0),
      { do: 'follow', at: 0 },
      { do: 'kept', at: 1 },
      { do: 'end', at: 5000 },
    );
    expect([s.finished, s.before, s.since, s.logged]).toEqual([true, 5, null, 1]);
    expect(hear(s, { do: 'kept', at: 6000 })).toBe(s);
    const on = hear(s, { do: 'follow', at: 10_000 });
    expect([on.finished, followedSeconds(on, 11_000)]).toEqual([false, 6]);
  });
});

test('what comes back from storage is one of the three, whole, or none', () => {
  const run = startRun({ divisions: 5, stepsPerTurn: '200', reduction: '1' }, 0);
  const frames = startFrames(shot(), 0);
  const night = startFollowing({ rate: 'stars', constants: '', ends: null, exposure: null }, 0);
  expect([run, frames, night].map((s) => [isAnyRun(s), isSession(s)])).toEqual([
    [true, false],
    [true, true],
    [true, true],
  ]);
  const bad: readonly unknown[] = [
    null,
    7,
    { session: 'frames' },
    { ...frames, frame: 11 },
    { ...frames, clock: { from: 'now' } },
    { ...frames, shots: [null] },
    { ...frames, plan: shot({ moves: [] }) },
    { ...frames, plan: shot({ axes: [{ name: 'x', targets: [1], places: [] }] }) },
    { ...frames, plan: { ...shot(), interval: -1 } },
    { ...night, before: NaN },
    { ...night, checks: [{ name: 3 }] },
    { ...night, exposures: [{ at: 1 }] },
    { ...night, plan: { ...night.plan, ends: { seconds: 1 } } },
    { ...night, session: 'moon' },
  ];
  expect(bad.map(isAnyRun)).toEqual(bad.map(() => false));
});
