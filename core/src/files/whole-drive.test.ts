import { describe, expect, test } from '@jest/globals';
import { newDrive, type Drive } from '../drive/index.ts';
import { find, findForm, requestFor, runNow } from '../find/index.ts';
import { benchReport, findCertificate, reasonMessage, report, type VerdictCell } from '../report/index.ts';
import { plainText } from '../words/index.ts';
import { planRun, sheet } from '../plans/index.ts';
import { fromShelf, type ShelfPart } from '../shelf/index.ts';
import { planSweep } from '../travel/index.ts';
import { rational } from '../numbers/index.ts';
import { nextState, startRun, type RunState } from '../run/index.ts';
import { divisionsCsv } from '../exports/index.ts';
import { checkAnswer, readDrive, targetsAnswer, writeDrive } from './index.ts';

/** Whole drives through everything that shows a figure: what one page says every page and file says. */

type Stages = Drive['train']['stages'];
interface More {
  readonly job?: Partial<Drive['job']>;
  readonly train?: Partial<Drive['train']>;
  readonly timer?: Drive['timer'];
  readonly plates?: unknown;
}
const stepper = (mode = 16, fullSteps = 200): Drive['train']['source'] => ({
  kind: 'stepper',
  fullSteps,
  modes: [1, mode],
  mode,
});
const drive = (
  divisions: string,
  stages: Stages,
  { job, train, ...rest }: More = {},
  source: Drive['train']['source'] = stepper(),
): Drive =>
  ({
    ...newDrive('whole'),
    job: { divisions, ...job },
    train: { source, stages, output: { kind: 'rotary' }, ...train },
    ...rest,
  }) as Drive;
const cell = (d: Drive, id: VerdictCell['cell']): VerdictCell =>
  report(d).verdict.find((c) => c.cell === id)!;
const rate = (d: Drive) => report(d).duties.rates[0]!;
const rowsOf = (d: Drive, D: number) =>
  (
    targetsAnswer(planRun(d, D)!) as {
      readonly rows: readonly {
        readonly target: number;
        readonly errorArcsec: number;
        readonly rewind?: boolean;
      }[];
    }
  ).rows;
const steps = (state: RunState, ...events: readonly ('next' | 'back')[]): RunState =>
  events.reduce((s, what, at) => nextState(s, { do: what, at }), state);
const worm = { kind: 'worm', starts: 1, wheel: 40, moduleMm: 1 } as const;

describe('where the work stops', () => {
  const calendar = (D: string): Drive =>
    drive(D, [
      { kind: 'geneva', slots: 6 },
      { kind: 'spur', z1: 12, z2: 62 },
    ]);

  test('a Geneva rests at 31 places: sheet, terminal and check say the same of 62', () => {
    const errors = rowsOf(calendar('62'), 62).map((r) => Math.abs(r.errorArcsec));
    expect(Math.max(...errors)).toBeCloseTo(20_903.2258, 3);
    expect(cell(calendar('62'), 'error').graded!.word).toBe('Misses by 5.81°');
    expect(rowsOf(calendar('31'), 31).every((r) => r.errorArcsec === 0)).toBe(true);
  });

  test('nothing is followed or swept through a wheel that stands still', () => {
    const d = drive('', [{ kind: 'geneva', slots: 4 }], {
      timer: { tickHz: '1000000' },
      job: { rates: [{ kind: 'sun' }] },
    });
    expect(rate(d).graded).toMatchObject({ grade: 'misses', word: 'Stands still' });
  });

  test('what stands before the lock adds no backlash; the turn closes with steps and places', () => {
    const d = drive('7', [
      { kind: 'spur', z1: 18, z2: 51, playArcmin: 60 },
      { kind: 'spur', z1: 14, z2: 45, playArcmin: 60 },
      { kind: 'geneva', slots: 7, playArcmin: 1.5 },
    ]);
    expect((checkAnswer(d) as { lostMotionArcsec: number }).lostMotionArcsec).toBeCloseTo(90, 6);
  });

  test('back is told as it is made: past the backlash and forward again', () => {
    const state = steps(startRun(planRun(drive('37', [worm]), 37)!, 0), 'next', 'next', 'next', 'back');
    expect(benchReport(state).message.replaceAll('\u2009', ' ')).toMatch(
      /^Back by 3 459 microsteps: \d+ beyond that, past the backlash, and forward again/,
    );
  });

  test('limits are kept: a job that has no room forward begins at the far end; a cord is wound back', () => {
    const back = drive('9', [worm], { train: { limits: { back: '1', forth: '0' } } });
    for (const r of rowsOf(back, 9)) expect(r.target).toBeLessThanOrEqual(0);
    const cord = drive('9', [worm], { train: { limits: { back: '0', forth: '1' } } });
    const rows = rowsOf(cord, 9);
    expect(rows.at(-1)).toMatchObject({ target: 0, rewind: true });
    for (const r of rows) expect(r.target).toBeLessThanOrEqual(128_000);
    let state = startRun(planRun(cord, 9)!, 0);
    for (let i = 0; i < 9; i++) state = nextState(state, { do: 'next', at: i });
    expect(benchReport(state).title).toContain('Rewind');
  });

  test('spacing and the worst gap are those of the first turn', () => {
    const d = drive('9', [
      { kind: 'planetary', sun: 13, ring: 47, planets: 3, fixed: 'ring', in: 'sun', out: 'carrier' },
    ]);
    const [row] = (checkAnswer(d) as { divisions: readonly { spacingErrorSteps: string }[] }).divisions;
    expect(row!.spacingErrorSteps).toBe('8/39');
    expect((8 / 39 / (192_000 / 13)) * 1_296_000).toBeCloseTo(18, 2);
  });

  const plates = {
    plates: [
      [15, 16, 17, 18, 19, 20],
      [21, 23, 27, 29, 31, 33],
    ],
  };
  const head = drive('7, 95', [worm], { plates }, { kind: 'crank', marks: 1 });

  test('a crank with plates is divided by its plates: strip, sheet and bench', () => {
    expect(cell(head, 'divisions').graded).toMatchObject({ grade: 'even' });
    // nothing is rounded: what is left is of the worm and its wheel
    const { figure, graded } = cell(head, 'error');
    const error = figure!;
    expect(graded).toBeNull();
    const strict = { ...head, job: { ...head.job, toleranceArcsec: '20' } };
    expect(cell(strict, 'error').graded!.grade).toBe('misses');
    expect(plainText(error.text)).toBe(plainText(report(head).of.errors.of('divide.7')!.worst.figure.text));
    expect(
      error
        .working()
        .flatMap((l) => plainText(l.text))
        .join(' '),
    ).toContain('rounded by nothing');
    const plan = planRun(head, 7)!;
    expect(plan.by).toBe('hole');
    expect(plainText(sheet(plan).row(2).crank)).toBe('11 turns and 9 on 21');
    const bench = benchReport(steps(startRun(plan, 0), 'next'));
    expect([bench.plate!.move, bench.plate!.hole]).toEqual(['5 turns and 15 on 21', '15 on 21']);
  });
});

describe('how sure it is', () => {
  const printed = { kind: 'box', ratio: '45', provenance: 'nominal' } as const;

  test('a printed box says so in the strip, the rate and the terminal', () => {
    const d = drive('96', [printed], {
      timer: { tickHz: '1000000', bits: 32 },
      job: { rates: [{ kind: 'stars' }] },
    });
    for (const id of ['steps', 'divisions', 'error', 'rate'] as const)
      expect([id, cell(d, id).graded!.word]).toEqual([id, expect.stringContaining('if exactly 45 : 1')]);
    expect(checkAnswer(d)).toMatchObject({ divisions: [{ ifExact: true }], rates: [{ ifExact: true }] });
    expect(divisionsCsv(report(d).divider!, [96])).toContain('if exactly 45 : 1');
  });

  test('a measured ratio keeps its ±', () => {
    const d = drive('7', [{ kind: 'ratio', value: '336960/5', provenance: 'measured', plusMinus: '4/5' }]);
    expect(checkAnswer(d)).toMatchObject({
      divisions: [{ plusMinusArcsec: expect.closeTo(15.3846, 3) as unknown }],
    });
    expect(cell(d, 'divisions').graded!.word).toContain('as measured');
  });

  test('lost motion that nobody knows is null, not 0; a rate that does not fit misses', () => {
    const d = drive('', [{ kind: 'spur', z1: 20, z2: 60 }], {
      timer: { tickHz: '1000000', bits: 8 },
      job: { rates: [{ kind: 'stars' }] },
    });
    expect(checkAnswer(d)).toMatchObject({
      lostMotionArcsec: null,
      rates: [{ fits: false, grade: 'misses' }],
    });
  });
});

describe('one clock, the whole drive', () => {
  test('the clock counts against what a rate may be off by', () => {
    const d = drive('', [{ kind: 'worm', starts: 1, wheel: 144 }], {
      timer: { tickHz: '1000000', tolerancePpm: 5000, withinPpm: 10, bits: 32 },
      job: { rates: [{ kind: 'stars' }] },
    });
    expect(rate(d).graded.word.replaceAll('\u2009', ' ')).toBe('Misses by 4 990 ppm');
    expect(rate(d).largest).toContain('clock');
  });

  const door = (stages: Stages, lead = '1', arm = '228.557'): Drive =>
    drive(
      '',
      stages,
      {
        timer: { tickHz: '1000000', bits: 32 },
        job: { rates: [{ kind: 'stars' }] },
        train: { output: { kind: 'tangentArm', leadMm: lead, armMm: arm, geometry: 'isosceles' } as never },
      },
      stepper(1),
    );

  test('a barn door counts every stage before its screw', () => {
    const message = report(door([{ kind: 'belt', z1: 20, z2: 60 }])).duties.one('arm')!.lines[0]!;
    expect(plainText(message.figure.text)).toContain('1.00000');
    expect(message.message).toContain('10.0000 steps a second');
  });

  test('its screw turns at 1.15945 rpm for 212 mm and 0.8 mm; a plain screw is no sky', () => {
    const screw = report(door([], '0.8', '212')).duties.one('arm')!.lines[0]!;
    expect(plainText(screw.figure.text)).toContain('1.15945');
    const plain = drive('', [], {
      timer: { tickHz: '1000000' },
      job: { rates: [{ kind: 'stars' }] },
      train: { output: { kind: 'screw', leadMm: '0.8' } as never },
    });
    expect(rate(plain).graded.grade).toBe('unknown');
  });

  test('at the zenith, and near it, the greatest rates are told by formula', () => {
    const altAz = (declinationDeg: number): string => {
      const d = drive('', [worm], {
        job: {
          camera: { focalMm: 135, pixelUm: 3.9 },
          altAz: { latitudeDeg: 50, hourAngleDeg: -30, declinationDeg, hours: 4 },
        },
      });
      return JSON.stringify(report(d).duties.one('altAz'), (_, v: unknown) =>
        typeof v === 'function' ? undefined : v,
      );
    };
    expect(altAz(50.02).replaceAll('\u2009', '')).toContain('2768');
    expect(altAz(50)).not.toContain('e+17');
  });
});

describe('Find', () => {
  const wheel = (id: string, teeth: number, moduleMm: number | undefined, own = 1) => ({
    id,
    kind: 'wheel',
    teeth,
    own,
    ...(moduleMm !== undefined && { moduleMm }),
  });

  test('own 20 and 100 of module 0.5 make 5 : 1 though most wheels are of another module', () => {
    const shelf = [
      wheel('a', 20, 0.5),
      wheel('b', 100, 0.5),
      wheel('c', 30, 1),
      wheel('d', 31, 1),
      wheel('e', 32, 1),
    ] as never;
    const d: Drive = {
      ...drive('', []),
      find: { question: 'ratio', target: '5', made: 'both', wheels: '12-40', maxStages: 1 },
    };
    const asked = requestFor(d, shelf, () => 0);
    if (!asked.ok) throw new Error(asked.refusal.code);
    const found = runNow(find(asked.value));
    expect(found.rows[0]).toMatchObject({ ratio: '5', owned: 2, wheels: 2, error: '0' });
    expect(findCertificate(asked.value, found)).toMatch(/module 0\.5 .*module 1/);
  });

  test('with an empty shelf nothing is owned; a worm of 8 starts on 25 does not hold', () => {
    const d: Drive = {
      ...drive('', []),
      find: {
        question: 'ratio',
        target: '40',
        made: 'ranges',
        wheels: '12-60',
        maxStages: 1,
        kinds: ['worm'],
        holds: 'must',
      },
    };
    const asked = requestFor(d, [], () => 0);
    if (!asked.ok) throw new Error(asked.refusal.code);
    const { rows } = runNow(find(asked.value));
    expect(rows[0]).toMatchObject({ ratio: '40', owned: 0, teeth: 40 });
    for (const r of rows) expect(r.train.every((s) => s.kind === 'worm' && s.starts === 1)).toBe(true);
    const runs = runNow(
      find({
        ...asked.value,
        asked: { question: 'ratio', target: { s: 1n, n: 25n, d: 8n } },
        kit: {
          families: [],
          parts: [
            { stage: { kind: 'worm', starts: 8, wheel: 25, moduleMm: 1, wormDiameterMm: 18 }, quantity: 1 },
          ],
          mostBought: 0,
          mustHold: true,
        },
      }),
    );
    expect(runs.rows).toEqual([]);
  });

  test('what the controller counts in is what Find counts in', () => {
    const d: Drive = {
      ...drive('', []),
      timer: { tickHz: '16000000', bits: 16, waits: 'ms' },
      find: { question: 'rate' },
    };
    const asked = requestFor(d, [], () => 0);
    expect(asked.ok && asked.value.asked).toMatchObject({ question: 'rate', bits: 16, tickHz: { n: 1000n } });
  });

  test('the camera’s pixel is where the steps begin, unless somebody typed where', () => {
    const d = {
      ...drive('', [], { job: { camera: { focalMm: 135, pixelUm: 3.9 } } }),
      find: { question: 'rate' as const },
      timer: { tickHz: '1000000', bits: 32 },
    };
    const asked = requestFor(d, [], () => 0);
    expect(findForm(d)).toMatchObject({
      steps: '217495-4349900',
      stepsBy: ['camera'],
      periodSeconds: '86164.0905',
    });
    const typed = requestFor({ ...d, find: { question: 'rate', steps: '1000-' } }, [], () => 0);
    expect(typed.ok && Number(typed.value.steps[0]!.n)).toBe(1000);
    // 5.9588″ on a pixel: 217 495 steps at least
    expect(asked.ok && Number(asked.value.steps[0]!.n)).toBe(217_495);
  });

  test('a counter that cannot hold what the typed steps leave between two is the reason, not the wheels', () => {
    const d: Drive = {
      ...drive('', [], { job: { rates: [{ kind: 'stars' }] } }),
      timer: { tickHz: '16000000', bits: 16 },
      find: { question: 'rate', steps: '10000-200000', wheels: '20-40', maxStages: 2 },
    };
    const asked = requestFor(d, [], () => 0);
    if (!asked.ok) throw new Error('refused');
    const answer = runNow(find(asked.value));
    // 86164.0905 s · 16 MHz / 65 535
    expect(answer.rows).toEqual([]);
    expect(answer.reason).toMatchObject({ why: 'counterForbids', bits: 16 });
    expect(reasonMessage(asked.value, answer.reason!)).toContain('The counter of 16 bits wants at least');
    const untyped: Drive = { ...d, find: { question: 'rate' } };
    expect(findForm(untyped).stepsBy).toEqual(['counter']);
    // 86164.0905 s · 2 steps a second
    const slow = findForm({ ...untyped, timer: { ...d.timer!, bits: 32, maxStepsPerSecond: '2' } });
    expect([slow.stepsBy, slow.steps]).toEqual([['speed'], '10000-172328']);
  });

  test('what is found goes before a kept head, or where the maker has free stages behind what is kept', () => {
    const worm = { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1, kept: true };
    const keptIn = (stages: readonly object[]): readonly number[] | null => {
      const asked = requestFor(drive('73', stages as Stages), [], () => 0);
      return asked.ok ? [asked.value.kit.kept!.first.length, asked.value.kit.kept!.last.length] : null;
    };
    expect(keptIn([worm])).toEqual([0, 1]);
    expect(keptIn([{ kind: 'belt', z1: 20, z2: 40, pitchMm: 2 }, worm])).toEqual([0, 1]);
    expect(
      keptIn([{ kind: 'box', ratio: '45', kept: true }, { kind: 'spur', z1: 20, z2: 60 }, worm]),
    ).toEqual([1, 1]);
  });
});

describe('great figures and small ones', () => {
  test('13 : 71 sixteen times keeps two figures everywhere', () => {
    const d = drive(
      '',
      Array.from({ length: 16 }, () => ({ kind: 'spur', z1: 13, z2: 71 }) as const),
      {
        train: { source: { ...stepper(), rpm: '85' } as never },
      },
    );
    const speed = report(d)
      .built.shafts.at(-1)!
      .rows.find((r) => r.label === 'speed')!;
    expect(plainText(speed.figure.text)).toMatch(/^\d\.\d × 10⁻[⁰¹²³⁴-⁹]+\srpm$/);
    const turn = report(d).built.work.rows.find((r) => r.label === 'one turn takes')!;
    expect(plainText(turn.figure.text)).toMatch(/\d \d* ?years|× 10\S+ ?years|\d{2,} ?years/);
  });

  test('a planetary set says one reason at a time', () => {
    const d = drive('', [
      { kind: 'planetary', sun: 12, ring: 51, planets: 3, fixed: 'ring', in: 'sun', out: 'carrier' },
    ]);
    const [stage] = report(d).built.stages;
    expect(stage!.warns).toHaveLength(1);
    expect(stage!.facts.join(' ')).not.toMatch(/planets fit/);
  });

  test('stepped planets that foul are told; pulleys never meet', () => {
    const d = drive('', [
      {
        ...{ kind: 'stepped', fixed: 61, out: 60, planetFixed: 18, planetOut: 18 },
        ...{ meshFixed: 'inner', meshOut: 'inner', planets: 10, moduleMm: 1 },
      } as never,
      { kind: 'belt', z1: 20, z2: 60 },
      { kind: 'internal', z1: 72, z2: 78 },
    ]);
    const [set, belt, ring] = report(d).built.stages;
    expect(set!.warns[0]).toMatch(/10 planets foul.*13\.29/);
    expect(belt!.facts.join(' ')).not.toMatch(/meet/);
    expect(ring!.warns.join(' ')).toContain('10 teeth');
  });
});

describe('more of it', () => {
  test('a sweep through a wheel that stands still misses', () => {
    const d = drive('', [{ kind: 'geneva', slots: 4 }], {
      job: { sweeps: [{ unit: 'turns', from: '0', to: '1', frames: 10 }] as never },
    });
    expect(checkAnswer(d)).toMatchObject({ sweeps: [{ grade: 'misses' }] });
  });

  test('change wheels keep their whole turns: 37 as 36 on a worm of 60', () => {
    const d = drive(
      '37',
      [{ kind: 'worm', starts: 1, wheel: 60 }],
      { plates: { plates: [[54]], gears: [24, 24, 28, 32, 36, 40, 44, 48, 56, 60, 64, 72, 86, 100] } },
      { kind: 'crank', marks: 1 },
    );
    const opened = report(d).plates!.opened(37);
    expect(opened.procedure.join(' ')).toContain('1 turn and 36 holes on 54');
    const plan = planRun(d, 37)!;
    expect(plainText(sheet(plan).row(1).crank)).toBe('1 turn and 36 on 54');
  });

  test('where no plate serves all, what one circle of 77 does is told', () => {
    const wanted =
      '7, 11, 77, 14, 22, 154, 28, 44, 308, 35, 55, 31, 37, 41, 43, 47, 61, 67, 71, 73, 79, 83, 89, 97';
    const d = drive(wanted, [worm], { plates: { plates: [[16]] } }, { kind: 'crank', marks: 1 });
    const message = report(d).plates!.freshMessage!;
    expect(`${message.strong} ${message.rest}`).not.toContain('No new plate serves');
    expect(message.rest).toMatch(/A circle of 77 alone serves (eleven|\d+) counts/);
  });

  test('a screw behind a belt has a nut whose backlash nobody knows', () => {
    const d = drive('', [{ kind: 'belt', z1: 20, z2: 60 }], {
      train: { output: { kind: 'screw', leadMm: '2' } as never },
    });
    expect(checkAnswer(d)).toMatchObject({ lostMotionArcsec: null });
    const known = drive('', [{ kind: 'belt', z1: 20, z2: 60 }], {
      train: { output: { kind: 'screw', leadMm: '2', playMm: 0.1 } as never },
    });
    expect((checkAnswer(known) as { lostMotionArcsec: number }).lostMotionArcsec).toBeCloseTo(
      0.05 * 1_296_000,
      0,
    );
  });

  test('a worm’s sense is shown, not promised', () => {
    expect(
      report(drive('', [worm]))
        .built.ratio.working()
        .some((l) => l.label === 'sense' && !l.exact),
    ).toBe(true);
  });

  test('modes of a file in any order; one mode for two counts is the lcm of what they want', () => {
    const d = drive('400, 1000', [], {}, { kind: 'stepper', fullSteps: 200, modes: [16, 1, 5, 2], mode: 2 });
    const rows = (checkAnswer(d) as { divisions: readonly { coarsestMode: number | null }[] }).divisions;
    expect(rows.map((r) => r.coarsestMode)).toEqual([2, 5]);
  });

  test('a mode that is told to do for several counts does for each of them', () => {
    const d = drive('400, 1000', [], {}, { kind: 'stepper', fullSteps: 200, modes: [1, 2, 5, 10], mode: 1 });
    for (const [, mode, counts] of plainText(report(d).judged.message ?? []).matchAll(
      /Microsteps of 1\/(\d+) would do for ([\d ,and\u2009]+)/g,
    ))
      for (const count of counts!.replace(/(\d)\s(?=\d)/g, '$1').match(/\d+/g)!)
        expect([count, (200 * Number(mode)) % Number(count)]).toEqual([count, 0]);
  });

  test('polar misalignment is not less away from the equator', () => {
    const seen = (declinationDeg: number): string =>
      plainText(
        report(
          drive('', [{ kind: 'worm', starts: 1, wheel: 144 }], {
            timer: { tickHz: '1000000', bits: 32 },
            job: {
              rates: [{ kind: 'stars' }],
              camera: { focalMm: 180, pixelUm: 4.3, polarArcmin: 7, exposureSeconds: 150, declinationDeg },
            },
          }),
        )
          .duties.one('camera')!
          .lines.find((l) => l.figure?.label.includes('polar'))!.figure.text,
      );
    expect(seen(0)).toBe(seen(-80));
  });

  test('the error of a move keeps nine true digits, and π of a travel is π', () => {
    const d = drive('', [], {
      job: { moves: '1, π' },
      train: { output: { kind: 'rack', moduleMm: '0.5', teeth: 20 } as never },
    });
    const { moves } = checkAnswer(d) as { readonly moves: readonly { readonly errorMm: number }[] };
    const told = JSON.stringify(moves);
    const N = 3200;
    const step = (Math.PI * 0.5 * 20) / N;
    const off = Math.round(1 / step) * step - 1;
    expect(moves[0]!.errorMm).toBeCloseTo(off, 12);
    expect(told).not.toMatch(/3141592|355\/113/);
  });

  test('ripple is cured by a finer mode of the driver before a greater reduction is asked for', () => {
    const sweep = { unit: 'turns', from: '0', to: '1', frames: 150, easing: 'linear' } as never;
    const said = (mode: number, modes: readonly number[]): string =>
      JSON.stringify(
        report(
          drive('', [], { job: { sweeps: [sweep] } }, {
            kind: 'stepper',
            fullSteps: 200,
            modes,
            mode,
          } as never),
        ).duties.of('sweeps')[0]!.message,
      );
    expect(said(1, [1, 2, 4, 8, 16, 32])).toMatch(/microsteps|1\/\d+/i);
    expect(said(1, [1, 2, 4, 8, 16, 32])).not.toMatch(/times the reduction/);
    expect(said(1, [1])).toMatch(/reduction/);
  });

  test('a turn closes when both steps and places do', () => {
    // 2 1/2 steps a turn, rests at 40/7 places
    const stages = [
      { kind: 'ratio', value: '1/16' },
      { kind: 'geneva', slots: 4 },
      { kind: 'spur', z1: 7, z2: 10 },
    ] as const;
    const d = drive('', stages, {}, { kind: 'stepper', fullSteps: 7, modes: [1], mode: 1 });
    expect(checkAnswer(d)).toMatchObject({ stepsPerTurn: '5/2', turnsToClose: '14' });
    expect(cell(d, 'steps').graded!.word).toContain('14 turns');
  });

  test('a list that is too long is refused by its own name', () => {
    const d = drive('', [], {
      job: { rates: Array.from({ length: 500 }, () => ({ kind: 'stars' })) as never },
    });
    const read = readDrive(writeDrive(d));
    expect(read.ok ? '' : [read.refusal.code, read.refusal.path]).toEqual([
      'listTooLong',
      'trains[0].job.rates',
    ]);
  });

  test('along a screw a rate drifts by a length, not by an angle', () => {
    const d = drive('', [], {
      timer: { tickHz: '1000000', how: 'fixed', bits: 32 },
      job: { rates: [{ kind: 'period', periodSeconds: '700.7' }] as never },
      train: { output: { kind: 'screw', leadMm: '2' } as never },
    });
    for (const way of rate(d).ways) expect(way.hour).toMatch(/mm|µm/);
  });

  test('a ramp is whole: 62 500 intervals are not cut', () => {
    const sweep = { unit: 'turns', from: '0', to: '100', frames: 20, topStepRate: 50_000, stepAccel: 20_000 };
    const d = drive('', [worm], { timer: { tickHz: '16000000' }, job: { sweeps: [sweep] as never } });
    expect(report(d).duties.one('ramp')!.table!.rows.length).toBeGreaterThanOrEqual(62_500);
    const endless = { ...sweep, topStepRate: 500_000, stepAccel: 10 };
    const refused = report({ ...d, job: { ...d.job, sweeps: [endless] as never } }).duties.one('ramp')!;
    expect(refused.table).toBeNull();
    expect(refused.message.join(' ').replace(/\s/g, '')).toContain('atmost1000000aremade');
  });

  test.each(['smoothstep', 'cosine', 'trapezoid', 'linear'])(
    'half a microstep goes up, eased by %s',
    (easing) => {
      const sweep = { unit: 'turns', from: '0', to: '1', frames: 3, easing } as never;
      expect(planSweep(sweep, rational(55)).targets).toEqual([0, 28, 55]);
    },
  );

  test('tables say what they count: counts of an encoder motor, not microsteps', () => {
    const source = { kind: 'encoderMotor', lines: 500, decode: 4 } as const;
    const csv = divisionsCsv(report(drive('7', [worm], {}, source)).divider!, [7]);
    expect(csv).toMatch(/counts/);
    expect(csv).not.toMatch(/microstep/);
  });

  test('a found train takes wheels of the shelf that are free, and none that is taken', () => {
    const wheels = [20, 60].map(
      (teeth, i) => ({ id: `w${i}`, kind: 'wheel', teeth, moduleMm: 1, own: 1 }) as unknown as ShelfPart,
    );
    const pair = { kind: 'spur', z1: 20, z2: 60, moduleMm: 1 } as const;
    expect(fromShelf([pair, pair], wheels, (p) => p.own)).toMatchObject([
      { driverPartId: 'w0', drivenPartId: 'w1' },
      { z1: 20 },
    ]);
    expect(fromShelf([pair], wheels, () => 0)).toEqual([pair]);
  });
});
