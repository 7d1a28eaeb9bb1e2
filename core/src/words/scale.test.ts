import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newDrive, type Drive, type Stage } from '../drive/index.ts';
import { isRunState, nextState, sequenceOf, startRun, targetOf, type RunState } from '../run/index.ts';
import { sheetCsv } from '../exports/dividing.ts';
import { targetsAnswer } from '../files/index.ts';
import { driveOf } from '../testing/samples.ts';
import { benchError } from '../report/run/bench-error.ts';
import { benchReport } from '../report/run/bench.ts';
import { drivenReport, standsAt, windowMeaning } from '../report/run/driven.ts';
import { report } from '../report/report.ts';
import { placeSpoken, placeText, planAgain, planFor, planRun, sheet } from '../plans/index.ts';
import { planName } from './run-words.ts';
import { plainText } from './rich.ts';

/** 200 steps at 1/16, belt 16:40, a screw of 4 mm: 2 000 microsteps a mm. */
const slide = (job: Partial<Drive['job']> = {}, limits?: { back: string; forth: string }): Drive => ({
  ...newDrive('rule'),
  job: { divisions: '', moves: '0.5', ...job },
  train: {
    ...driveOf(200, 16, [{ kind: 'belt', z1: 16, z2: 40 }]).train,
    output: { kind: 'screw', leadMm: '4' },
    ...(limits && { limits }),
  },
});
const rack = (): Drive => ({
  ...slide(),
  train: { ...slide().train, stages: [], output: { kind: 'rack', teeth: 20, moduleMm: '1' } },
});
const plan = (drive: Drive, count: number, move: string) => {
  const read = planFor(drive, count, move);
  if (!read.ok) throw new Error(read.refusal.code);
  return read.value;
};
const refusal = (drive: Drive, count: number, move: string): string => {
  const read = planFor(drive, count, move);
  return read.ok ? 'ok' : read.refusal.code;
};
const plain = (text: string): string => text.replaceAll('\u2009', ' ');

describe('marks along a slide', () => {
  test('41 marks of half a millimetre: the last at 20 mm, then home', () => {
    const s = sheet(plan(slide(), 41, '0.5'));
    const last = s.row(40);
    expect([s.length, s.place, plainText(s.step)]).toEqual([42, 'mark', '1 000']);
    expect([plain(last.target), placeText(last.position), last.error]).toEqual([
      '40 000',
      '20.0000 mm',
      '0 mm',
    ]);
    expect(placeSpoken(s.row(3).wanted)).toBe('1.5000 mm');
    expect([s.row(41).is, plain(s.row(41).moved)]).toEqual(['rewind', '−40 000']);
  });

  test('a rack keeps π as a symbol: marks of 1 mm are never on a step, and no error gathers', () => {
    // 3 200 steps on 20π mm: 10 mm are 509.2958 steps, 509 of them 5.81 µm short
    const made = plan(rack(), 11, '1 mm');
    const s = sheet(made);
    expect([s.row(10).target, s.row(10).error]).toEqual(['509', '−5.81 µm']);
    expect(plainText(s.row(10).exact)).toBe('509');
    const answer = targetsAnswer(made) as {
      rows: { target: number; exact: string | null; errorMm: number }[];
    };
    expect(answer.rows[10]).toMatchObject({ target: 509, exact: null });
    expect(answer.rows[10]!.errorMm).toBeCloseTo((509 * 20 * Math.PI) / 3200 - 10, 12);
    // moves that are multiples of π are whole again
    expect(sheet(plan(rack(), 3, '2π')).row(2)).toMatchObject({ target: '640', off: 0 });
    const [head, first] = sheetCsv(made)
      .replace(/^\uFEFF/, '')
      .split(/\r?\n/);
    expect(head).toContain('error (mm),place (mm)');
    expect(first!.split(',').slice(0, 4)).toEqual(['1', '0', '0.000000000', '0']);
  });

  test('property: every mark is within half a step of where it belongs, whatever the screw', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4000 }),
        fc.integer({ min: 1, max: 90 }),
        fc.integer({ min: 1, max: 400 }),
        (lead, move, mark) => {
          const drive = {
            ...slide(),
            train: { ...slide().train, output: { kind: 'screw' as const, leadMm: `${lead}/100` } },
          };
          const made = plan(drive, mark + 1, `${move}/7 mm`);
          const step = lead / 100 / 8000;
          const at = Number(sequenceOf(made).at(mark).counts) * step;
          expect(Math.abs(at - (mark * move) / 7)).toBeLessThanOrEqual(step / 2 + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('what cannot be marked is refused in words of its own', () => {
    const short = slide({}, { back: '0', forth: '2' });
    expect([refusal(short, 17, '0.5'), refusal(short, 18, '0.5')]).toEqual(['ok', 'scaleLimits']);
    expect(refusal(slide(), 5, '')).toBe('noTravel');
    expect(refusal(slide(), 5, '1, 2')).toBe('noTravel');
    expect(refusal(slide(), 5, 'moon')).toBe('noTravel');
    expect(refusal({ ...slide(), train: { ...slide().train, output: { kind: 'rotary' } } }, 5, '1')).toBe(
      'noSlide',
    );
    expect(
      refusal(
        {
          ...slide(),
          train: {
            ...slide().train,
            source: { kind: 'spring', storedTurns: '6', arborPerBarrelTurn: '60', rpm: '2' },
          },
        },
        5,
        '1',
      ),
    ).toBe('noSteps');
  });

  test('at the bench it says marks, errs in µm, and a controller is asked in counts of its own', () => {
    const drive = rack();
    let s: RunState = startRun(plan(drive, 3, '1 mm'), 0);
    expect(isRunState(JSON.parse(JSON.stringify(s)))).toBe(true);
    expect(benchReport(s)).toMatchObject({ place: 'Mark 1', go: 'Marked, go on' });
    s = nextState(s, { do: 'next', at: 1 });
    const bench = benchReport(s);
    expect([bench.message, bench.then.title]).toEqual(['On by 51 microsteps; clamp, mark.', 'Mark 3']);
    const off = benchError(report(drive), s, bench.row, null);
    // 51 steps are 1.00138 mm
    expect([off.text, off.allowed, off.graded.word]).toEqual([
      '+1.38 µm',
      'half a microstep ±9.82 µm',
      'Rounded',
    ]);
    const tight = benchError(
      report({ ...drive, job: { ...drive.job, toleranceMm: '0.001' } }),
      s,
      bench.row,
      null,
    );
    expect([tight.allowed, tight.graded.grade]).toEqual(['tolerance ±1.00 µm', 'misses']);
    const driven = nextState(
      nextState(nextState(s, { do: 'attach', boot: 'b', counts: 1000, at: 2 }), { do: 'next', at: 3 }),
      { do: 'reached', error: -1, at: 4 },
    );
    expect(targetOf(driven)).toBe(1000 - 51 + 102);
    expect([placeText(standsAt(driven, 1051)!), standsAt(s, 1051)]).toEqual(['2.0028 mm', null]);
    expect(drivenReport(driven, false, 'Marked')?.error?.text).toBe('−19.6 µm');
    expect(windowMeaning(drive, s.plan, 4)).toBe('±78.5 µm along the slide');
    for (let i = 0; i < 3; i++) s = nextState(s, { do: 'next', at: 5 + i });
    expect([s.finished, benchReport(s).title]).toEqual([true, 'All marked']);
  });

  test('a plan is made again from its words, and is called after them', () => {
    const made = plan(slide(), 41, '0.5');
    expect(planAgain(slide(), made)).toEqual(made);
    expect([planName(made), planName({ ...made, train: 'slide' })]).toEqual([
      '41 marks of 0.5 mm',
      'slide, 41 marks of 0.5 mm',
    ]);
    const broken = {
      ...startRun(made, 0),
      plan: { ...made, scale: { ...made.scale, mm: { q: 'x', piPower: 0 } } },
    };
    expect(isRunState(broken)).toBe(false);
  });
});

describe('how a place of a divided turn stands', () => {
  const cutter = (reduction: Stage = { kind: 'worm', starts: 1, wheel: 90 }): Drive => ({
    ...driveOf(200, 16, [reduction], '73'),
    job: { divisions: '73', toleranceArcsec: '3' },
  });
  const at = (drive: Drive, gap: number, landed?: number) => {
    let s = startRun(planRun(drive, 73)!, 0);
    while (s.gap < gap) s = nextState(s, { do: 'next', at: 0 });
    if (landed !== undefined)
      for (const act of [
        { do: 'attach', boot: 'b', counts: targetOf(s)!, at: 1 },
        { do: 'next', at: 2 },
        { do: 'reached', error: landed, at: 3 },
      ] as const)
        s = nextState(s, act);
    const { row } = benchReport(s);
    const { grade, word } = benchError(report(drive), s, row, drivenReport(s, false, '', row.off)).graded;
    return `${grade}: ${word}`;
  };
  test('by its own error, not by that of the worst: the first is exact, the others rounded', () => {
    expect([1, 2].map((gap) => at(cutter(), gap))).toEqual(['even: Exact', 'rounded: Rounded']);
  });
  test('where a controller came to rest too far off, it misses', () => {
    // a count is 4.5 ″ at the work
    expect([0, 3].map((landed) => at(cutter(), 1, landed))).toEqual(['rounded: Rounded', 'misses: Misses']);
  });
  test('what nobody has counted is told with it, but for the first', () => {
    const labelled = cutter({ kind: 'ratio', value: '90', provenance: 'nominal' });
    expect([1, 2].map((gap) => at(labelled, gap))).toEqual([
      'even: Exact',
      'rounded: Rounded if exactly 90 : 1',
    ]);
  });
});
