import { describe, expect, test } from '@jest/globals';
import { newDrive, type Drive } from '../../drive/index.ts';
import {
  nextSession,
  slackOf,
  startFollowing,
  startFrames,
  startRun,
  type FollowingState,
  type FramesState,
} from '../../run/index.ts';
import { planShot } from '../../travel/index.ts';
import { driveOf } from '../../testing/samples.ts';
import { shotAxes } from '../../plans/index.ts';
import { report } from '../report.ts';
import { clockText, runDone, runName, runPlace } from '../../words/index.ts';
import { planFollowing, planFrames, sessionDiffers } from './session-plan.ts';
import { exposureEntry, followingReport, framesReport } from './sessions.ts';

/** A screw of 2 mm on 3 200 steps a turn: 0 to 100 mm in 5 frames are 40 000 steps a frame; its motor does 10 s for each. */
const slide = (sweep: object = {}): Drive => ({
  ...newDrive('film'),
  job: {
    divisions: '',
    sweeps: [
      {
        from: '0',
        to: '100',
        unit: 'mm',
        frames: 5,
        easing: 'linear',
        intervalSeconds: 20,
        exposureSeconds: 2,
        writeSeconds: 1,
        settleSeconds: 0.5,
        topStepRate: 5000,
        stepAccel: 2500,
        ...sweep,
      },
    ],
  },
  train: { ...driveOf(200, 16, []).train, output: { kind: 'screw', leadMm: '2' } },
});
const tracker = (more: Partial<Drive> = {}): Drive => ({
  ...newDrive('cradle'),
  job: {
    divisions: '',
    rates: [{ kind: 'stars' }],
    camera: { focalMm: 135, pixelUm: 3.9, exposureSeconds: 120 },
  },
  train: driveOf(200, 64, [{ kind: 'worm', starts: 1, wheel: 144 }]).train,
  timer: { tickHz: '2000000', bits: 16 },
  ...more,
});

describe('a shot as a session', () => {
  const plan = (drive: Drive) => {
    const made = planFrames(drive, report(drive));
    if (!made.ok) throw new Error(made.refusal.code);
    return made.value;
  };
  test('targets, places, and the time each move takes', () => {
    const made = plan(slide());
    expect(made.axes[0]).toMatchObject({
      targets: [0, 40_000, 80_000, 120_000, 160_000],
      places: ['0.000 mm', '25.000 mm', '50.000 mm', '75.000 mm', '100.000 mm'],
    });
    // 40 000 steps at 5 000 a second, and 2 s to get up to them
    expect([...new Set(made.moves)]).toEqual([0, 10]);
    expect(made.interval).toBe(20);
  });

  test('says what is counted down, what is left of the interval, and where the next goes', () => {
    let s: FramesState = startFrames(plan(slide()), 0);
    expect(framesReport(s, 0)).toMatchObject({ title: 'Frame 1', go: 'Start', left: '5 to go, about 1 min' });
    s = nextSession(s, { do: 'go', at: 0 }) as FramesState;
    const r = framesReport(s, 1000);
    expect([r.phase, r.big, r.slack?.text]).toEqual([
      'Shutter opens in',
      { figure: '4.0', unit: 's' },
      '6.50 s of the interval left after the next move',
    ]);
    s = nextSession(s, { do: 'shot', at: 0 }) as FramesState;
    expect(framesReport(s, 9000).axes[0]).toMatchObject({ place: '25.000 mm' });
    expect(framesReport(s, 9000).message).toBe(
      'film to 25.000 mm: hands off.'.replace('film', s.plan.axes[0]!.name),
    );
    expect(framesReport(s, 9000).last).toEqual([{ at: 5000, frame: 1, message: 'on its mark' }]);
  });

  test('the bench and the check of the sweep reckon one slack, the margin in both', () => {
    const drive = slide({ marginSeconds: 1.5 });
    const axes = shotAxes(drive);
    const shot = axes.ok ? planShot(axes.value, drive.timer) : axes;
    expect(shot.ok && shot.value.slack).toBe(5);
    expect(slackOf(startFrames(plan(drive), 0))).toBe(5);
  });

  test('no sweep, and an interval that its own moves break, are refused', () => {
    const none = { ...slide(), job: { divisions: '' } };
    const made = [none, slide({ intervalSeconds: 12 })].map((d) => planFrames(d, report(d)));
    expect(made.map((m) => (m.ok ? 'ok' : m.refusal.code))).toEqual(['noShot', 'shotTooShort']);
  });
});

describe('a night as a session', () => {
  test('the limit of turning ends it: half a turn of the sky is 43 082 s', () => {
    const drive = tracker({
      train: { ...tracker().train, limits: { back: '0', forth: '1/2', why: 'the cable' } },
    });
    const plan = planFollowing(report(drive), 0)!;
    expect(plan.ends).toEqual({ seconds: 86_164.0905 / 2, why: 'the cable' });
    expect(plan.exposure).toEqual({ seconds: 120, focalMm: 135 });
    expect(planFollowing(report(drive), 1)).toBeNull();
    expect(planFollowing(report(tracker()), 0)!.ends).toBeNull();
  });

  test('an arm ends it where it leaves what is allowed', () => {
    const drive = tracker({
      job: { ...tracker().job, toleranceArcsec: '20' },
      train: {
        ...driveOf(200, 64, []).train,
        output: { kind: 'tangentArm', geometry: 'isosceles', armMm: '228.557', leadMm: '1' },
      },
    });
    const { ends } = planFollowing(report(drive), 0)!;
    // handbook: 20″ at 30.27 min
    expect(ends!.seconds / 60).toBeCloseTo(30.27, 1);
  });

  test('it tells the first check, warns before the end, and its exposures become one entry of the log', () => {
    const drive = tracker();
    const plan = { ...planFollowing(report(drive), 0)!, ends: { seconds: 3600, why: 'the cord' } };
    let s: FollowingState = startFollowing(plan, Date.UTC(2026, 10, 28, 21));
    const at = s.startedAt;
    expect(followingReport(s, at)).toMatchObject({
      next: 'Set up',
      message: 'Set up first, and tick it.',
      go: 'Start',
    });
    const say = (what: 'follow' | 'kept' | 'lost' | 'end', after: number): void => {
      s = nextSession(s, { do: what, at: at + after * 1000 }) as FollowingState;
    };
    say('follow', 0);
    expect(followingReport(s, at + 1000 * 600).ends).toMatchObject({
      text: '50:00 until the cord',
      soon: false,
    });
    expect(followingReport(s, at + 1000 * 3100).ends).toMatchObject({ soon: true, graded: { word: 'Soon' } });
    expect(followingReport(s, at + 1000 * 3601).ends!.graded.grade).toBe('misses');
    for (let i = 0; i < 7; i++) say('kept', 130 * (i + 1));
    say('lost', 1000);
    say('lost', 1200);
    // handbook: 7 of 9 are 45 to 94 %
    expect(followingReport(s, at).kept).toBe('7 of 9: 45 to 94 %');
    const entry = exposureEntry(s, 'e1')!;
    expect(entry).toMatchObject({
      kind: 'exposure',
      at: '2026-11-28 21:20',
      words: 'followed stars for 20:00',
      exposure: { focalMm: 135, seconds: 120, kept: 7, taken: 9 },
    });
    say('end', 1300);
    expect(exposureEntry(s, 'e2')).toBeNull();
    expect([runPlace(s, at), runDone(s), runName(s)]).toEqual([
      '21:40 followed, 9 exposures',
      '21:40 followed, 9 exposures',
      'stars',
    ]);
  });
});

test('clocks, names and places of all kinds of run', () => {
  expect([4.25, 59.96, 84, 7449].map(clockText)).toEqual(['4.3 s', '1:00', '1:24', '2:04:09']);
  const run = startRun({ divisions: 73, stepsPerTurn: '200', reduction: '1' }, 0, 5);
  expect([runName(run), runPlace(run, 0), runDone(run)]).toEqual([
    '73 divisions',
    'gap 5 of 73',
    '0 of 73 cut, 4 before it began',
  ]);
  const made = planFrames(slide(), report(slide()));
  const frames = startFrames(made.ok ? made.value : (null as never), 0);
  expect([runName(frames), runPlace(frames, 0)]).toEqual(['5 frames', 'frame 1 of 5']);
});

describe('a drive that is changed under a session', () => {
  const framed = (drive: Drive) => {
    const made = planFrames(drive, report(drive));
    if (!made.ok) throw new Error(made.refusal.code);
    return startFrames(made.value, 0);
  };
  test.each([
    ['nothing', {}, false],
    ['the way', { to: '90' }, true],
    ['the frames', { frames: 6 }, true],
    ['the interval', { intervalSeconds: 21 }, true],
    ['the exposure', { exposureSeconds: 3 }, true],
    ['the speed of the moves', { topStepRate: 6000 }, true],
    ['a shot that cannot be made any more', { intervalSeconds: 12 }, true],
  ])('a shot: %s', (_what, sweep, differs) =>
    expect(sessionDiffers(slide(sweep), report(slide(sweep)), framed(slide()))).toBe(differs),
  );
  test('another lead sends every frame elsewhere; another name of the drive does not', () => {
    const other: Drive = {
      ...slide(),
      train: { ...slide().train, output: { kind: 'screw', leadMm: '4' } },
    };
    expect(sessionDiffers(other, report(other), framed(slide()))).toBe(true);
    const named = { ...slide(), name: 'another' };
    expect(sessionDiffers(named, report(named), framed(slide()))).toBe(false);
  });
  test.each([
    ['nothing', {}, false],
    ['the worm', { train: driveOf(200, 64, [{ kind: 'worm', starts: 1, wheel: 145 }]).train }, true],
    ['the timer', { timer: { tickHz: '1000000', bits: 16 } }, true],
    ['another rate', { job: { divisions: '', rates: [{ kind: 'moon' }] } }, true],
    ['no camera', { job: { divisions: '', rates: [{ kind: 'stars' }] } }, true],
  ] as const)('a night: %s', (_what, more, differs) => {
    const session = startFollowing(planFollowing(report(tracker()), 0)!, 0);
    const drive = tracker(more);
    expect(sessionDiffers(drive, report(drive), session)).toBe(differs);
  });
  test('a night by the second of two rates of one name: nothing was changed', () => {
    const own = (seconds: string) => ({ kind: 'period', seconds }) as const;
    const drive = tracker({ job: { divisions: '', rates: [own('86000'), own('87000')] } });
    const reported = report(drive);
    const [first, second] = [0, 1].map((at) => planFollowing(reported, at)!);
    expect([second!.rate, second!.constants === first!.constants]).toEqual([first!.rate, false]);
    expect(sessionDiffers(drive, reported, startFollowing(second!, 0))).toBe(false);
  });
});
