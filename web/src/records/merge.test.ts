import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { merge } from './merge.ts';

const base = {
  name: 'Tide dial',
  job: { divisions: '59, 62' },
  stages: [
    { kind: 'spur', z1: 20, z2: 76 },
    { kind: 'worm', starts: 1, wheel: 90 },
  ],
};

describe('a merge of two changes of one thing', () => {
  test('keeps both where they are of different places', () => {
    const ours = { ...base, name: 'Tide dial 2' };
    const theirs = { ...base, job: { divisions: '73' } };
    expect(merge(base, ours, theirs, 'ours')).toEqual({
      value: { ...base, name: 'Tide dial 2', job: { divisions: '73' } },
      clashes: 0,
    });
  });

  test('where both changed the same, one is kept and it is counted', () => {
    const ours = { ...base, name: 'ours' };
    const theirs = { ...base, name: 'theirs' };
    expect(merge(base, ours, theirs, 'ours')).toEqual({ value: ours, clashes: 1 });
    expect(merge(base, ours, theirs, 'theirs')).toEqual({ value: theirs, clashes: 1 });
  });

  test('a stage that was put in elsewhere does not shift a change to its neighbour', () => {
    const [spur, worm] = base.stages;
    const ours = { ...base, stages: [spur, { ...worm, wheel: 91 }] };
    const theirs = { ...base, stages: [{ kind: 'belt', z1: 15, z2: 60 }, spur, worm] };
    const { value, clashes } = merge<unknown>(base, ours, theirs, 'theirs');
    expect(clashes).toBe(0);
    expect(value).toEqual({
      ...base,
      stages: [{ kind: 'belt', z1: 15, z2: 60 }, spur, { ...worm, wheel: 91 }],
    });
  });

  test('things of another kind are changed whole or not at all', () => {
    const from = { source: { kind: 'stepper', fullSteps: 200, mode: 16 } };
    const ours = { source: { kind: 'crank', marks: 100 } };
    const theirs = { source: { kind: 'stepper', fullSteps: 400, mode: 16 } };
    expect(merge<unknown>(from, ours, theirs, 'theirs')).toEqual({ value: theirs, clashes: 1 });
  });

  test('nor is anything made of two kinds when the other side has changed it', () => {
    const from = { source: { kind: 'stepper', fullSteps: 200, mode: 16 } };
    const ours = { source: { kind: 'stepper', fullSteps: 400, mode: 16 } };
    const theirs = { source: { kind: 'crank', marks: 100 } };
    expect(merge<unknown>(from, ours, theirs, 'theirs')).toEqual({ value: theirs, clashes: 1 });
    // neither a crank with full steps
    expect(merge<unknown>(from, ours, theirs, 'ours')).toEqual({ value: ours, clashes: 1 });
  });

  test('what was put in right behind what was replaced is another place', () => {
    const merged = { value: [7, 8, 9, 2, 3], clashes: 0 };
    expect(merge<unknown>([1, 2, 3], [7, 8, 2, 3], [1, 9, 2, 3], 'ours')).toEqual(merged);
    expect(merge<unknown>([1, 2, 3], [1, 9, 2, 3], [7, 8, 2, 3], 'ours')).toEqual(merged);
  });

  test('what was taken away stays away, what was added stays', () => {
    const from: Record<string, unknown> = { a: 1, b: 2 };
    expect(merge<Record<string, unknown>>(from, { a: 1 }, { ...from, c: 3 }, 'ours').value).toEqual({
      a: 1,
      c: 3,
    });
  });

  const json = fc.jsonValue({ maxDepth: 3 });

  test('with one side unchanged it is the other side, whatever the data', () => {
    fc.assert(
      fc.property(json, json, (from, to) => {
        expect(merge<unknown>(from, to, from, 'ours')).toEqual({ value: to, clashes: 0 });
        expect(merge<unknown>(from, from, to, 'ours')).toEqual({ value: to, clashes: 0 });
      }),
    );
  });

  test('it is the same from either side when nothing clashes', () => {
    const data = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), fc.integer({ min: 0, max: 3 }));
    fc.assert(
      fc.property(data, data, data, (from, a, b) => {
        const ab = merge<unknown>(from, a, b, 'ours');
        if (ab.clashes === 0) expect(merge<unknown>(from, b, a, 'ours').value).toEqual(ab.value);
      }),
    );
  });

  test('two that were put in at one place both stay', () => {
    const { value, clashes } = merge<unknown>([1, 2], [1, 8, 2], [1, 9, 2], 'ours');
    expect([[...(value as number[])].sort(), clashes]).toEqual([[1, 2, 8, 9], 0]);
  });
});

describe('drives of several trains', () => {
  const spur = (z2: number): object => ({ kind: 'spur', z1: 20, z2 });
  const train = (name: string, z2: number): object => ({ name, from: null, stages: [spur(z2)] });
  const drive = (...others: object[]): object => ({ name: 'slide', others });

  test('one tab edits a train, another puts one in before it: both stand', () => {
    const base = drive(train('pan', 60));
    const ours = drive(train('pan', 61));
    const theirs = drive(train('tilt', 40), train('pan', 60));
    expect(merge(base, ours, theirs, 'ours').value).toEqual(drive(train('tilt', 40), train('pan', 61)));
  });

  test('one names a train anew, another changes its stage', () => {
    const base = drive(train('pan', 60), train('tilt', 40));
    const ours = drive(train('turn', 60), train('tilt', 40));
    const theirs = drive(train('pan', 66), train('tilt', 40));
    expect(merge(base, ours, theirs, 'ours').value).toEqual(drive(train('turn', 66), train('tilt', 40)));
  });
});
