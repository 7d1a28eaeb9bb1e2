import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newDrive } from '../drive/index.ts';
import { driveOf, plainRatio, wheelCutter } from '../testing/samples.ts';
import { leftOutMessage, piecesReport, report } from './index.ts';
import { errorScale, type Figure, plainText, workingAsText } from '../words/index.ts';
import { placeText, planRun, sheet, timeLeft } from '../plans/index.ts';

const cutter = report(wheelCutter('60, 73, 95, 97', { toleranceArcsec: '30', radiusMm: '36.5' }));
const lastLine = (f: Figure): string => plainText(f.working().at(-1)!.text);

describe('the verdict strip', () => {
  test('always six cells in the same order; what is not asked says so', () => {
    const cells = cutter.verdict.map((c) => [
      c.cell,
      c.figure ? plainText(c.figure.text) : c.absent,
      c.graded?.word ?? '',
    ]);
    expect(cells).toEqual([
      ['steps', '1 094 400', 'Even'],
      ['divisions', '2 of 4', 'Rounded'],
      ['error', '±95.10″', 'Misses by 65″'],
      ['rate', 'no rate asked', ''],
      ['speed', 'no speed asked', ''],
      ['force', 'no load given', ''],
    ]);
  });

  test('a job without divisions has nothing to judge, and leads to the Job', () => {
    const cells = report(newDrive('x')).verdict;
    expect(cells.map((c) => [c.figure === null, c.concern])).toEqual([
      [false, 'built'],
      [true, 'asked'],
      [true, 'asked'],
      [true, 'asked'],
      [true, 'asked'],
      [true, 'asked'],
    ]);
  });

  test('out of tolerance is said with its amount, on the strip, the mark and the list', () => {
    const r = report(wheelCutter('60, 97', { toleranceArcsec: '0.5' }));
    // each wheel 45.84, each pulley 0.947, a full step 0.947 and ½ microstep 0.59, less ½
    expect(r.verdict[2]?.graded?.word).toBe('Misses by 95″');
    expect(r.attention).toBe('97 misses by 0.09″');
    expect(r.marks(0).find((m) => m.concern === 'judged')).toMatchObject({ mark: 'diamond' });
  });

  test('an open turn closes after so many', () => {
    const r = report(driveOf(32, 1, [plainRatio('25792/405')], '10'));
    expect([plainText(r.built.steps.text), r.verdict[0]?.graded?.word]).toEqual([
      '2 037 359/405',
      'Repeats after 405 turns',
    ]);
  });

  test('a load without a motor’s torque is said, not hidden', () => {
    const drive = wheelCutter('60', { load: { workNm: 1, speedRpm: '2' } });
    expect(report(drive).verdict[5]?.absent).toBe('the motor is not known');
  });
});

describe('figures and workings', () => {
  const figures = (): Figure[] => {
    const r = report(wheelCutter('60, 73, 95, 97, 64', { toleranceArcsec: '30', radiusMm: '36.5' }));
    const open = [60, 73, 97, 64, 5000].map((d) => r.opened(d)!);
    return [
      r.built.ratio,
      r.built.steps,
      ...r.built.shafts.flatMap((s) => s.rows.map((x) => x.figure)),
      ...r.asked.asks.lines.map((l) => l.figure),
      ...open.flatMap((o) => [o.worst, o.spacing, o.closing]),
      ...r.verdict.flatMap((c) => (c.figure ? [c.figure] : [])),
    ];
  };

  test('the last line of every working is the figure shown', () => {
    expect(figures().length).toBeGreaterThan(25);
    for (const f of figures()) {
      const shown = plainText(f.text).replace(/^±(?=0″)/, '');
      expect(lastLine(f)).toContain(shown);
    }
  });

  test('the report finds each figure again by its key', () => {
    const r = report(wheelCutter('60, 73', { toleranceArcsec: '30' }));
    for (const key of [
      'train.steps',
      'train.ratio',
      'shaft.1.turns',
      'shaft.0.step',
      'shaft.2.play',
      'work.time',
      'divide.97.worst',
      'divide.73.closing',
      'divide.all',
      'job.even',
      'job.tolerance',
    ])
      expect(r.figure(key)?.key).toBe(key);
    for (const key of [
      'shaft.9.turns',
      'divide.0.worst',
      'divide.x.worst',
      'divide.60.nothing',
      'nowhere',
      '',
    ])
      expect(r.figure(key)).toBeNull();
  });

  test('the working of 97 goes line by line, with the wheels as they stand', () => {
    const text = workingAsText(cutter.opened(97)!.worst);
    expect(text.split('\n').map((l) => l.trim())).toEqual([
      'worst error of 97',
      'one turn           200 × 16 × 76/20 × 90 = 1 094 400 steps  (exact)',
      'one of 97          1 094 400/97 = 11 282 46/97  (exact)',
      'why not whole      1 094 400 = 2^8·3^2·5^2·19, no 97  (exact)',
      'gap 40, move 39    440 016 48/97 goes to 440 016: 48/97 short  (exact)',
      'one microstep      1 296 000″ ÷ 1 094 400 = 45/38″  (exact)',
      'so it is off       48/97 × 45/38″ = 1 080/1 843″  (exact)',
      'worst error of 97  ±0.59″ from 0.586001″',
      '',
    ]);
  });

  test('closing errors tell thin from thick, and what cutting off would do', () => {
    expect(lastLine(cutter.opened(73)!.closing)).toBe('+18.95″ one thin tooth');
    expect(lastLine(cutter.opened(97)!.closing)).toBe('−54.47″ one thick tooth');
    expect(workingAsText(cutter.opened(73)!.closing)).toContain('14 991 each time: −57 = −67.50″');
  });

  test('a nominal ratio makes no promise', () => {
    const r = report({ ...driveOf(48, 4, [{ kind: 'ratio', value: '45', provenance: 'nominal' }], '90') });
    expect(r.judged.rows[0]?.graded.word).toBe('Even if exactly 45 : 1');
    expect(r.built.ratio.exact).toBe(false);
    expect(r.marks(0).find((m) => m.concern === 'built')?.mark).toBe('diamond');
  });
});

describe('the divisions table', () => {
  test('rows in words', () => {
    const rows = Object.fromEntries(cutter.judged.rows.map((r) => [r.divisions, r]));
    expect(rows[95]).toMatchObject({
      stepWhole: '11\u2009520',
      stepRest: null,
      spacing: '0″',
      closing: '0″',
      closingMisses: null,
      mode: 'Full step',
    });
    expect(rows[73]).toMatchObject({
      stepRest: ['57', '73'],
      spacing: '0.92″',
      closing: '+18.95″',
      closingMisses: null,
      mode: 'lacks 73',
    });
    expect(rows[97]).toMatchObject({ closing: '−54.47″', closingMisses: 'Misses by 24″' });
  });

  test('the sentence names what does not come out and why', () => {
    expect(plainText(cutter.judged.message!)).toBe(
      '73 and 97 do not divide 1 094 400: the train has no 73 or 97. Send each tooth to its own microstep and nothing adds up; repeat one count and 97 closes 54.47″ short.',
    );
    expect(report(wheelCutter('60')).judged.message).toBeNull();
    expect(plainText(report(wheelCutter('512')).judged.message!)).toContain(
      'Microsteps of 1/32 would do for 512.',
    );
    expect(plainText(report(driveOf(200, 1, [plainRatio('60/13')], '12')).judged.message!)).toContain(
      'not a whole number',
    );
  });

  test('counts above the steps of a turn are told', () => {
    expect(report(driveOf(200, 1, [], '360')).judged.idle).toContain('360 is more than the steps of a turn');
  });

  test('the charts: worst at gap 40, out of tolerance at gap 55', () => {
    const chart = cutter.chart(97)!;
    expect([chart.worstMove, chart.leavesAtGap, chart.errors.length]).toEqual([39, 55, 98]);
    expect(chart.halfMicrostep).toBeCloseTo(0.592, 3);
    expect(cutter.chart(73)?.leavesAtGap).toBeNull();
    expect(cutter.chart(9_000_000)).toBeNull();
  });
});

describe('the job', () => {
  test('pieces are read back', () => {
    expect(
      piecesReport('57-60, 73, 2x36, 95, 12.5').map((p) => [p.text, plainText(p.message), p.refused]),
    ).toEqual([
      ['57–60', 'four: 57 58 59 60', false],
      ['73', 'a prime', false],
      ['2 × 36', '72', false],
      ['95', '5·19', false],
      ['12.5', 'left out', true],
    ]);
    expect(leftOutMessage('60, 12.5', 6)?.cure).toContain('stays in force: six counts');
    expect(leftOutMessage('60', 1)).toBeNull();
  });

  test('what it asks of any train', () => {
    const r = report(wheelCutter('57-60, 73, 97', { toleranceArcsec: '30' }));
    expect(r.asked.asks.lines.map((l) => [l.label, plainText(l.figure.text)])).toEqual([
      ['All six Even, a multiple of', '13 811 773 740'],
      ['All within ±30″, at least', '21 600'],
    ]);
    expect(r.asked.asks.honest?.strong).toBe('Even for all six is not practical:');
    expect(r.asked.owes?.primes).toEqual(['2', '3', '5', '19', '29', '59', '73', '97']);
    expect(r.asked.owes?.owes.map((d) => d.kind)).toEqual([
      'met',
      'short',
      'met',
      'short',
      'short',
      'short',
      'short',
      'short',
    ]);
  });

  test('the tolerance is read back both ways', () => {
    expect(cutter.asked.tolerance).toEqual({
      as: 'angle',
      field: '30″',
      radius: '36.5',
      readBack: 'is ±5.31 µm',
    });
    const length = report(wheelCutter('60', { toleranceMm: '1/200', radiusMm: '30' })).asked.tolerance;
    expect(length).toEqual({ as: 'length', field: '5 µm', radius: '30', readBack: 'is ±34.38″ at the work' });
    expect(report(wheelCutter()).asked.tolerance.as).toBe('none');
  });
});

describe('the train', () => {
  test('shafts, cards and the ledger', () => {
    expect(cutter.built.shafts.map((s) => `${s.title} ${s.carries}`)).toEqual([
      'Shaft 0 motor',
      'Shaft 1 belt, worm',
      'Shaft 2 worm, work',
    ]);
    expect(cutter.built.shafts[0]?.rows.map((r) => plainText(r.figure.text))).toEqual([
      '342',
      '60.0 rpm',
      '1.00 s',
      '6′45.0″',
    ]);
    expect(cutter.built.stages.map((s) => plainText(s.stepsSoFar))).toEqual(['12 160', '1 094 400']);
    expect(cutter.built.ledger.missing.map((m) => `${m.strong} ${m.rest}`)).toEqual([
      '73 is missing: any driven wheel with 73 or 146 teeth supplies it.',
      '97 is missing: any driven wheel with 97 or 194 teeth supplies it.',
    ]);
    expect(cutter.built.work.rows.map((r) => `${r.label} ${plainText(r.figure.text)}`)).toEqual([
      'one of 60 6°00′00.0″',
      'step at rim 0.21 µm',
      'one turn takes 5.70 min',
      'total lost motion 3.82′',
    ]);
  });

  test('the picture says in words what it shows', () => {
    const p = cutter.picture(205, 314);
    expect(p.alt).toBe(
      'Stepper motor, then belt 20 : 76 to shaft 1, which makes 90 turns a turn of the work, then worm 1 : 90 to shaft 2, which carries the work, then table. Train reduction 342 : 1.',
    );
    expect(p.labels.map((l) => plainText(l.message))).toEqual([
      'supplies 2^7·5^2',
      'cancels 2^2·5',
      'supplies 2^2·19',
      'supplies 2·3^2·5',
    ]);
  });
});

describe('the run sheet', () => {
  test('gap 31 of 73', () => {
    const row = sheet(planRun(wheelCutter(), 73)!).row(30);
    expect([row.target, row.moved, row.error].map((t) => t.replaceAll('\u2009', ' '))).toEqual([
      '449 753',
      '+14 991',
      '−0.50″',
    ]);
    expect([row.wanted, row.position].map(placeText)).toEqual(['147°56′42.7″', '147°56′42.2″']);
    expect(plainText(row.crank)).toBe('140 40/73');
  });

  test('seconds carry into minutes and degrees', () => {
    const full = sheet({ divisions: 1, stepsPerTurn: '1094400', reduction: '342' }).row(1);
    expect(full.wanted).toEqual({ d: '360', m: '00', s: '00.0', back: false });
    const near = sheet({ divisions: 25_920_001, stepsPerTurn: '25920000', reduction: '1' });
    expect(near.row(25_920_000).wanted).toMatchObject({ m: '00', s: '00.0' });
  });

  test.each([
    [null, ''],
    [20, 'under a minute'],
    [150, 'about 3 min'],
    [4920, 'about 1 h 22 min'],
  ])('%s seconds are "%s"', (s, want) => {
    expect(timeLeft(s)).toBe(want);
  });
});

test('an error scale has even ticks, the limit on it, and 0 in the middle', () => {
  const s = errorScale(30);
  expect(s.ticks.filter((t) => t.label).map((t) => t.label)).toEqual([
    '−30″',
    '−20″',
    '−10″',
    '0″',
    '+10″',
    '+20″',
    '+30″',
  ]);
  fc.assert(
    fc.property(fc.double({ min: 1e-4, max: 1e6, noNaN: true }), (limit) => {
      const scale = errorScale(limit);
      const majors = scale.ticks.filter((t) => t.label).length;
      expect(majors).toBeGreaterThanOrEqual(3);
      expect(majors).toBeLessThanOrEqual(9);
      expect(scale.reach).toBeGreaterThan(limit);
    }),
  );
});
