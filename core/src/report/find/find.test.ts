import { describe, expect, test } from '@jest/globals';
import { exactly, rational } from '../../numbers/index.ts';
import { kinematics, newDrive, type Drive } from '../../drive/index.ts';
import { foundCsv } from '../../files/index.ts';
import { find, joined, runNow, type FindAnswer, type FindRequest } from '../../find/index.ts';
import { findShare } from '../../find/index.ts';
import {
  creepMessage,
  findCertificate,
  findReport,
  foundMessage,
  foundTrain,
  pairsText,
  periodicText,
  reasonMessage,
  report,
  searchMessage,
  withFound,
  type FindReport,
} from '../index.ts';
import { ppmText, ticksMustHold, turnErrorText } from './find.ts';
import { foundAtWork } from './found-at-work.ts';
import { plainText } from '../../words/index.ts';
import { askedMessage } from './find.ts';

const range = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, i) => ({ teeth: from + i, own: i % 2, buy: true }));
const request = (more: Partial<FindRequest> & Pick<FindRequest, 'asked'>): FindRequest => ({
  source: { fullSteps: 200, modes: [1, 2, 4, 8, 16, 32] },
  kit: { families: [{ pair: 'spur', sizeMm: null, wheels: range(12, 127) }], parts: [], mostBought: null },
  maxStages: 3,
  steps: [rational(10_000), rational(200_000)],
  ratio: [null, null],
  maxErrorPpm: exactly('23.148'),
  interval: null,
  rank: 'both',
  count: 24,
  ...more,
});
const divisions = request({ asked: { question: 'divisions', divisions: [73n, 97n] } });
const answer = runNow(find(divisions));
const list = (all: boolean): FindReport => findReport(divisions, answer, all);
const drive: Drive = { ...newDrive('Orrery wheel cutter'), job: { divisions: '73, 97' } };
const row = answer.rows[0]!;

describe('the list of what was found', () => {
  test('groups by the number of pairs, each saying what is in it and that it is proven', () => {
    const { groups, proven, certificate } = list(false);
    expect(groups.map((g) => [g.title, g.state, g.rows.length > 0])).toEqual([
      ['1 pair', 'proven', false],
      ['2 pairs', 'proven', true],
      ['3 pairs', 'proven', true],
      ['Rounded, fewer teeth', 'proven', true],
    ]);
    expect(groups[0]!.message).toBe('none come out even');
    expect(groups[1]!.message).toContain('20 sets of wheels come out even at 3 different steps a turn');
    expect(groups[3]!.message).toMatch(/back on a step after [\d\u2009]+, .* turns/);
    expect(proven).toBe(true);
    expect(certificate).toContain(
      'In your ranges no 1, 2 or 3 pairs come out even for 73 and 97 with under 202 teeth.',
    );
  });

  test('unbeaten rows are a part of all rows; an idle pair is said', () => {
    const [few, all] = [list(false), list(true)];
    expect(few.shown).toBeLessThan(few.all);
    expect(all.groups.flatMap((g) => g.rows)).toHaveLength(all.all);
    const rows = all.groups.flatMap((g) => g.rows);
    expect(rows.some((r) => r.idle === 'as with two pairs, and a 1 : 1 pair')).toBe(true);
    expect(new Set(rows.map((r) => r.key)).size).toBe(rows.length);
  });

  test('a row has its grade in words, its pairs, steps and what is owned', () => {
    const [first] = list(false).groups[1]!.rows;
    expect(first).toMatchObject({ pairs: '16:97 · 16:73', teeth: '202', wheels: '4' });
    expect(first!.graded).toEqual({ grade: 'evenMicrostep', word: 'Even at 1/32' });
    expect(plainText(first!.steps).replace(/\s/g, '')).toBe('177025');
    const near = list(false).groups[3]!.rows[0]!;
    expect(near.graded.word).toMatch(/^Rounded ±0\.\d+″$/);
    expect(creepMessage(near.row)).toMatch(
      /^It creeps .* each turn, and is back on a step after .* turns\.$/,
    );
    expect(creepMessage(first!.row)).toBeNull();
  });

  test('points are rows; what comes out even is at no error', () => {
    const { points, groups } = list(false);
    const keys = groups.flatMap((g) => g.rows.map((r) => r.key));
    expect(points.every((p) => keys.includes(p.key))).toBe(true);
    expect(points.filter((p) => p.error === 0).length).toBe(
      groups.flatMap((g) => g.rows).filter((r) => r.row.kind === 'even').length,
    );
  });

  test.each([
    ['teeth', (r: FindReport) => r.groups[2]!.rows.map((x) => x.row.teeth)],
    ['mode', (r: FindReport) => r.groups[2]!.rows.map((x) => x.row.mode ?? 0)],
    ['owned', (r: FindReport) => r.groups[2]!.rows.map((x) => x.row.wheels - x.row.owned)],
    ['cost', (r: FindReport) => r.groups[2]!.rows.map((x) => x.row.cost)],
  ] as const)('put in the order of %s', (order, of) => {
    const values = of(findReport(divisions, answer, true, order));
    expect(values).toEqual([...values].sort((a, b) => a - b));
  });

  test('a search that was stopped is provisional and says so', () => {
    const part: FindAnswer = {
      ...answer,
      proven: false,
      gone: answer.gone.map((g) => ({ ...g, proven: g.stages < 3 })),
    };
    const { groups, certificate } = findReport(divisions, part, false);
    expect(groups[2]!.state).toBe('provisional');
    expect(certificate).toContain('With three pairs it was stopped: what stands there is provisional.');
    const nothing = { ...part, gone: answer.gone.map((g) => ({ ...g, proven: false })) };
    expect(findCertificate(divisions, nothing)).toContain('Nothing is proven yet');
  });
});

describe('in words', () => {
  test('what misses the fewest, and why nothing comes out even', () => {
    const asked = request({ asked: { question: 'divisions', divisions: [61n, 67n, 69n, 93n] } });
    const found = runNow(find(asked));
    const r = findReport(asked, found, true);
    expect(r.reason).toBe('23, 31, 61 and 67 each need a driven wheel of their own: four pairs at least.');
    const group = r.groups.find((g) => g.key === 'misses')!;
    expect(group.message).toBe('these leave out one of what is asked');
    expect(group.rows[0]!.graded).toEqual({ grade: 'misses', word: 'Leaves out 67' });
  });

  test.each([
    [{ why: 'nothingToBuildFrom' }, 'nothing to build from'],
    [{ why: 'primesMissing', primes: ['73', '97'] }, '73 and 97 are in none of the wheels'],
    [
      { why: 'tooFewStages', primes: ['7'], stages: 4 },
      '7 cannot be brought by so few driven wheels: four pairs',
    ],
    [{ why: 'stepsOutside', steps: '10–20', stages: 2 }, 'none with 10–20 steps a turn'],
    [{ why: 'cannotCancel' }, 'allow finer modes'],
    [{ why: 'outOfReach', least: 0.1, most: 10, stages: 1 }, 'out of reach'],
    [{ why: 'nothingNear', nearest: null }, 'Nothing is near enough'],
  ] as const)('%j', (reason, message) => {
    expect(reasonMessage(divisions, reason)).toContain(message);
  });

  test('errors as parts of a million or a thousand million, and as an angle over a turn', () => {
    expect(ppmText(rational(153, 474_814_847))).toBe('+0.32 ppm');
    expect(ppmText(rational(-1, 9_707_820_864))).toBe('−0.10 ppb');
    expect(ppmText(rational(0))).toBe('exact');
    expect(turnErrorText(rational(-1, 1_296_000))).toBe('1.00″');
  });

  test('the nearest that can be proven: the last of the best, not of what nothing beats', () => {
    const asked = request({
      asked: { question: 'ratio', target: exactly('365.24219') },
      maxErrorPpm: exactly('1000'),
      count: 3,
    });
    const found = runNow(find(asked));
    expect(found.rows.length).toBeGreaterThan(3);
    expect(findCertificate(asked, found)).toContain('comes nearer than these; the last is off by +1.25 ppm');
    expect(findReport(asked, found, true).groups[2]!.message).toContain('least +0.32 ppm');
    expect(findCertificate(asked, found)).toContain('Only what is within 1\u2009000 ppm was looked for.');
    expect(reasonMessage(asked, { why: 'nothingNear', nearest: null })).toBe(
      'Nothing is near enough, within 1\u2009000 ppm with these limits.',
    );
    const front = { ...asked, rank: 'pareto' as const };
    // the front's own cap is named where nobody gave one
    const alone = { ...front, maxErrorPpm: null };
    expect(findCertificate(alone, runNow(find(alone)))).toContain('within 1\u2009000 ppm was looked for');
    expect(findCertificate(divisions, answer)).not.toContain('was looked for');
    expect(findCertificate(front, runNow(find(front)))).toContain(
      'beats one of these in error, stages, teeth and largest wheel',
    );
  });

  test('each row says what it is at the work, by the errors page’s own figures', () => {
    const { groups } = findReport(divisions, answer, true, 'best', drive);
    const [first] = groups[1]!.rows;
    expect(first!.atWork!.stepArcsec).toBeCloseTo(1_296_000 / Number(first!.row.steps), 9);
    expect(first!.atWork!.unknown).toBeGreaterThan(0);
    expect(periodicText(first!.atWork!)).toMatch(/Unknown|\+\?$/);
    // run-outs of 0.02 mm, half of it to each side, over 20 mm of the driven wheel: 103.13″ of each wheel, 206.26 together
    const wheels = { kind: 'spur', z1: 20, z2: 40, moduleMm: 1, runoutMm: 0.02 } as const;
    const known = foundAtWork(drive, divisions, { ...first!.row, train: [wheels] }, 'known');
    expect(known.periodicArcsec).toBeCloseTo(206.265, 2);
    // what friction and microsteps leave of the motor nobody knows: it has no torque
    expect(known.unknown).toBe(2);
    expect(periodicText(known)).toBe('±3.44′+?');
    expect(list(true).groups[1]!.rows[0]!.atWork).toBeNull();
    const csv = foundCsv([{ ...first!, atWork: known }]).split('\n');
    expect(csv[0]!.split(',').slice(-3)).toEqual([
      'step at the work (arcsec)',
      'periodic error (arcsec)',
      'periodic causes unknown',
    ]);
    expect(csv[1]!.split(',').slice(-3)).toEqual([
      String(known.stepArcsec),
      String(known.periodicArcsec),
      '2',
    ]);
  });

  test('the primes of a rate that the ticks must hold', () => {
    const asked = request({
      asked: { question: 'rate', periodSeconds: exactly('86164.0905'), tickHz: exactly('2000000'), bits: 32 },
    });
    expect(ticksMustHold(asked)!.replaceAll('\u2009', ' ')).toContain(
      '347 and 165 541 are in no wheel, so for no error at all the ticks between two steps must be a multiple of 57 442 727.',
    );
    expect(ticksMustHold(divisions)).toBeNull();
  });

  test('progress: how far, and with how many pairs', () => {
    expect(searchMessage(divisions, { stages: 4, done: 61, of: 100 })).toBe('Four pairs, 61 % checked');
    expect(searchMessage(divisions, { stages: 1, done: 0, of: 0 })).toBe('One pair, 0 % checked');
  });
});

describe('a found train in a drive', () => {
  test('comes out even there as it did in the search, at its own mode', () => {
    const after = withFound(drive, divisions, row);
    expect(after.train.stages).toEqual(row.train);
    expect(after.train.source).toMatchObject({ mode: 32 });
    const steps = kinematics(after.train).stepsPerTurn!;
    expect(String(steps.n / steps.d)).toBe(row.steps);
    expect(report(after).judged.rows.map((r) => r.graded.word)).toEqual(['Even at 1/32', 'Even at 1/32']);
    expect(foundMessage(row)).toBe('16:97 · 16:73, 202 teeth');
  });

  test('a motor other than the drive’s goes in with it and follows the shelf no more', () => {
    const linked: Drive = {
      ...drive,
      train: { ...drive.train, source: { ...drive.train.source, partId: 'm' } },
    };
    const asked = { ...divisions, source: { fullSteps: 400, modes: [1, 2, 4] } };
    const train = foundTrain(linked, asked, { ...row, mode: 4 });
    expect(train.source).toMatchObject({ fullSteps: 400, modes: [1, 2, 4], mode: 4 });
    expect(train.source).not.toHaveProperty('partId');
    expect(foundTrain(linked, divisions, row).source).toMatchObject({ partId: 'm', mode: 32 });
  });

  test('a crank keeps being one', () => {
    const crank: Drive = { ...drive, train: { ...drive.train, source: { kind: 'crank', marks: 60 } } };
    expect(foundTrain(crank, divisions, row).source).toEqual({ kind: 'crank', marks: 60 });
  });

  test('parts that are not pairs say what they are', () => {
    const asked = request({
      asked: { question: 'divisions', divisions: [90n] },
      kit: {
        families: [],
        parts: [{ stage: { kind: 'worm', starts: 1, wheel: 90 }, quantity: 1 }],
        mostBought: null,
      },
      maxStages: 1,
    });
    const [only] = joined(asked, [runNow(findShare(asked, { index: 0, of: 1 }))]).rows;
    expect(pairsText(only!)).toBe('worm 1:90');
    expect(findReport(asked, runNow(find(asked)), true).groups[0]!.title).toBe('1 stage');
  });
});

test('the question of a list is told as it was typed', () => {
  const of = (target: string): string =>
    askedMessage({ ...divisions, asked: { question: 'ratio', target: exactly(target) } }).replace(/\s/g, ' ');
  expect(of('365.24219')).toBe('Ratio 365.24219 : 1');
  expect(of('9')).toBe('Ratio 9 : 1');
  expect(of('60/13')).toBe('Ratio 4 8/13 : 1');
});
