import { describe, expect, test } from '@jest/globals';
import { refusalSentence } from '../../numbers/index.ts';
import { newDrive, type Drive, type Stage } from '../../drive/index.ts';
import { driveOf, wheelCutter } from '../../testing/samples.ts';
import { compareReports, report } from '../index.ts';
import { type Figure, plainText, workingAsText } from '../../words/index.ts';
import { noRun } from '../../plans/index.ts';

const pair: Stage = { kind: 'spur', z1: 12, z2: 60, moduleMm: 0.5 };
const RANGE = { from: 12, to: 127 };
const withTrain = (drive: Drive, train: Partial<Drive['train']>): Drive => ({
  ...drive,
  train: { ...drive.train, ...train },
});

describe('great reductions', () => {
  const century = report(
    withTrain(
      driveOf(
        1,
        1,
        Array.from({ length: 11 }, () => pair),
      ),
      { source: { kind: 'crank', marks: 100, rpm: '60' } },
    ),
  );

  test('the time of one turn in words, and what play costs the one who cranks', () => {
    const said = century.built.work.facts.join(' ');
    expect(said).toContain('At 60 rpm one turn of the work takes 565.14 days (1.55 years).');
    expect(said).toMatch(/the source makes [\d\u2009]+ turns that only take up backlash \(estimated\)/);
    expect(said).not.toContain('slow end');
    const stages = [...century.drive.train.stages.slice(0, 10), { ...pair, playArcmin: 60 }];
    const loose = report(withTrain(century.drive, { stages })).built.work.facts.join(' ');
    expect(loose).toContain('more than a day’s motion');
    expect(loose).toContain('Never drive such a train from its slow end');
    expect(century.built.source.word).toBe('marks a turn');
  });

  test('a short train has nothing surprising to say', () => {
    expect(report(wheelCutter()).built.work.facts.join()).not.toContain('takes');
  });
});

describe('the sense of turning', () => {
  const senseOf = (stages: readonly Stage[]): string => {
    const line = report(driveOf(200, 16, stages))
      .built.ratio.working()
      .find((l) => l.label === 'sense')!;
    return `${line.exact ? 'sure: ' : ''}${plainText(line.text)}`;
  };

  test('is that of the thread and of the pairs of a box, and says what it rests on', () => {
    expect(senseOf([pair])).toBe('sure: the work turns against the motor');
    expect(senseOf([{ kind: 'worm', starts: 1, wheel: 90 }])).toBe(
      'the work turns with the motor, by a right-hand thread: seen from the wheel’s other face it is the other way; look before you trust it',
    );
    expect(senseOf([{ kind: 'worm', starts: 1, wheel: 90, hand: 'left' }])).toMatch(
      /against the motor, by a left/,
    );
    expect(
      senseOf([
        {
          kind: 'box',
          pairs: [
            [9, 32],
            [11, 22],
            [9, 26],
          ],
        },
      ]),
    ).toMatch(/against the motor, if the 3 pairs of its box are plain ones/);
  });
});

describe('sources without steps', () => {
  test.each([
    { kind: 'spring', storedTurns: '6', arborPerBarrelTurn: '60', rpm: '2' } as const,
    { kind: 'synchronous', hz: '50', poles: 12 } as const,
  ])('$kind: no steps where they would be, times all the same', (source) => {
    const r = report(withTrain(wheelCutter(), { source }));
    expect(r.verdict.slice(0, 2).map((c) => c.graded?.grade ?? c.absent)).toEqual(['no steps', 'unknown']);
    expect(r.built.shafts[2]?.rows.map((row) => row.label)).toEqual([
      'turns per work turn',
      'speed',
      'one turn',
      'backlash added',
    ]);
    expect(r.built.strip.list).toBe('');
    expect(r.built.cures(73n, RANGE)?.cures ?? []).toEqual([]);
    expect(r.built.shafts.flatMap((s) => s.rows).every((row) => row.figure.working().length > 1)).toBe(true);
  });
});

describe('cures and comparison', () => {
  const cutter = report(wheelCutter());

  test('a cure says what to do, what becomes of every count, and what is lost', () => {
    const block = cutter.built.cures(73n, RANGE)!;
    expect([block.prime, block.lacking]).toEqual(['73', '73']);
    const belt = block.cures.find((c) => c.message === 'Change the belt’s driven 76 for 73')!;
    expect(belt.outcome.map((o) => `${o.graded.word} ${o.counts}`)).toEqual([
      'Even 60 and 73',
      'Rounded 95 and 97',
    ]);
    expect(belt.loses).toBe('loses 95');
    expect(block.cures.some((c) => /^Add a pair \d+ : \d+ after the belt$/.test(c.message))).toBe(true);
    expect(cutter.built.cures(19n, RANGE)).toBeNull();
    expect(report(wheelCutter('16637')).built.cures(127n, { from: 12, to: 60 })?.none).toContain(
      'Widen the range',
    );
  });

  test('two trains side by side: what differs is marked, what is equal is not', () => {
    const cure = cutter.built.cures(73n, RANGE)!.cures.find((c) => c.message.includes('76 for 73'))!;
    const rows = compareReports(cutter, report({ ...wheelCutter(), train: cure.train }));
    const row = (label: string) => rows.find((r) => r.label === label)!;
    expect([row('stage 1').differs, row('stage 2').differs]).toEqual([true, false]);
    expect([plainText(row('steps per turn').a.text), plainText(row('steps per turn').b.text)]).toEqual([
      '1 094 400',
      '1 051 200',
    ]);
    expect([row('divide by 73').a.graded?.grade, row('divide by 73').b.graded?.grade]).toEqual([
      'rounded',
      'even',
    ]);
    expect(row('divide by 60').b.graded?.grade).toBe('even');
    expect(compareReports(cutter, cutter).some((r) => r.differs)).toBe(false);
  });
});

test('the strip of 2 to 400: exactly the counts that divide whole', () => {
  const { strip } = report(wheelCutter()).built;
  const even = strip.map.filter((m) => m.grade !== 'rounded').map((m) => m.divisions);
  expect(even).toEqual(Array.from({ length: 399 }, (_, i) => i + 2).filter((D) => 1_094_400 % D === 0));
  expect(strip.even + strip.microstep).toBe(even.length);
  expect(strip.list.startsWith('2–6, 8–10, 12')).toBe(true);
});

describe('the encoder', () => {
  test('counts a turn with its working, and how they divide', () => {
    const r = report({ ...wheelCutter(), encoder: { lines: 600, decode: 4, shaft: 1 } });
    const encoder = r.built.encoder!;
    expect(plainText(encoder.counts.text)).toBe('216 000');
    expect(workingAsText(encoder.counts)).toContain('600 lines × 4, on shaft 1');
    expect(encoder.groups.map((g) => `${g.graded.word}: ${g.counts}`)).toEqual([
      'Even: 60',
      'Rounded: 73, 95 and 97',
    ]);
    expect(r.figure('encoder.counts')?.value).toBe('216000');
    expect(r.picture(205, 314).encoder?.message.replaceAll('\u2009', ' ')).toBe('600 × 4');
    expect(report(wheelCutter()).built.encoder).toBeNull();
  });
});

describe('the work', () => {
  const slide: Drive = {
    ...newDrive('slide'),
    job: { divisions: '', moves: '1, 2π', toleranceMm: '0.0001' },
    train: {
      ...driveOf(200, 16, [{ kind: 'belt', z1: 16, z2: 40 }]).train,
      output: { kind: 'screw', leadMm: '4' },
    },
  };

  test('a linear output tells travel, step and moves, with workings that keep π', () => {
    const r = report(slide);
    expect(r.purpose).toBe('moves by 1 and 2π');
    expect(r.built.work.rows.map((x) => `${x.label} ${plainText(x.figure.text)}`).slice(0, 2)).toEqual([
      'travel a turn 4.00 mm',
      'one step 0.50 µm',
    ]);
    expect(r.built.work.moves.map((m) => `${m.label} ${m.graded.word}`)).toEqual([
      '1 mm Even',
      '2π Misses, off by 0.19 µm',
    ]);
    expect(workingAsText(r.built.work.moves[1]!.figure)).toContain('4000·π');
    expect(r.figure('work.move1')?.label).toBe('steps for 2π');
    expect(r.marks(0).find((m) => m.concern === 'asked')?.mark).toBe('dot');
  });

  test('every figure of every shaft, of the work and of the moves ends its working with itself', () => {
    const odd: Drive = {
      ...slide,
      train: { ...slide.train, stages: [...slide.train.stages, { kind: 'geneva', slots: 5 }, pair] },
    };
    for (const drive of [slide, odd, wheelCutter()]) {
      const r = report(drive);
      const figures: Figure[] = [...r.built.shafts, r.built.work].flatMap((s) => s.rows.map((x) => x.figure));
      for (const f of [
        ...figures,
        ...r.built.work.moves.map((m) => m.figure),
        r.built.steps,
        r.built.ratio,
      ]) {
        expect(r.figure(f.key)?.key).toBe(f.key);
        const last = f.working().at(-1)!;
        expect(plainText(last.text)).toContain(plainText(f.text).split(' ')[0]!);
      }
    }
  });
});

describe('words where a wheel locks', () => {
  test('places, not microsteps, and nothing that adds up', () => {
    const r = report(driveOf(200, 16, [{ kind: 'geneva', slots: 6 }], '3, 4, 12'));
    expect([r.judged.unit, r.unit, r.judged.idle]).toEqual(['rest', 'microstep', null]);
    expect(plainText(r.judged.message!)).toBe(
      'The work rests at 6 places a turn: 4 and 12 do not go into them. The Geneva decides alone, whatever the motor does; change its slots or what comes after it.',
    );
    const crank = report(withTrain(wheelCutter(), { source: { kind: 'crank', marks: 100 } }));
    expect([crank.judged.unit, crank.unit]).toEqual(['mark', 'mark']);
  });

  test('a tolerance along the travel needs no radius', () => {
    const slide = withTrain(
      { ...wheelCutter(), job: { divisions: '', toleranceMm: '1/100' } },
      { output: { kind: 'screw', leadMm: '2' } },
    );
    expect(report(slide).asked.tolerance).toEqual({
      as: 'length',
      field: '10 µm',
      radius: '',
      readBack: 'along its travel',
    });
  });
});

describe('misfits and limits', () => {
  test('a misfit marks the station and stands on the card', () => {
    const r = report(
      driveOf(200, 1, [
        { kind: 'planetary', sun: 13, ring: 47, planets: 5, fixed: 'ring', in: 'sun', out: 'carrier' },
      ]),
    );
    expect(r.built.stages[0]?.warns[0]).toContain('17.63');
    expect(r.marks(0).find((m) => m.concern === 'built')).toMatchObject({
      mark: 'diamond',
      reason: expect.stringContaining('17.63'),
    });
    const bores = report(
      driveOf(200, 1, [
        { ...pair, outBoreMm: 5 },
        { ...pair, inBoreMm: 6 },
      ]),
    );
    expect(bores.built.stages[1]?.warns).toEqual([
      'Shaft 1 would have to be 5 mm and 6 mm at once: its two bores disagree.',
    ]);
  });

  test('pinions that share a wheel mesh alike only if its teeth divide by them', () => {
    const source = { kind: 'stepper', fullSteps: 200, modes: [1], mode: 1, count: 3 } as const;
    const facts = (z2: number): string =>
      report(withTrain(driveOf(200, 1, [{ ...pair, z2 }]), { source })).built.source.facts.join(' ');
    expect(facts(60)).toContain('60/3 = 20: the 3 pinions mesh alike.');
    expect(facts(61)).toContain('stand at 0, 1/3, 2/3 of a tooth');
  });

  test('a run that would pass the limits is refused with what it needs', () => {
    const limited = withTrain(wheelCutter(), { limits: { back: '0', forth: '1/2', why: 'cables' } });
    expect(refusalSentence(noRun(limited, 73)!)).toContain(
      '73 gaps need 72/73 of a turn, but the work may turn only 1/2 (cables);',
    );
    expect(noRun(limited, 2)).toBeNull();
    expect(noRun(wheelCutter(), 73)).toBeNull();
  });
});
