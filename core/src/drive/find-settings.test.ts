import { describe, expect, test } from '@jest/globals';
import {
  applyEdit,
  findInputs,
  newDrive,
  readBetween,
  readFindInput,
  readWheels,
  standingAlone,
  type Drive,
} from './index.ts';

const edited = (drive: Drive, key: string, text: string): Drive | string => {
  const done = applyEdit(drive, { do: 'find', key, text });
  return done.ok ? done.value : done.refusal.code;
};

describe('from and to', () => {
  test.each([
    ['10000-200000', ['10000', '200000']],
    ['10 000 – 200 000', ['10000', '200000']],
    ['500-', ['500', null]],
    ['-400', [null, '400']],
    ['1/3 to 5:1', ['1/3', '5']],
    ['2 1/2 - 30', ['5/2', '30']],
    ['', [null, null]],
    ['any', [null, null]],
    ['0.5-2', ['1/2', '2']],
  ])('"%s"', (text, want) => {
    const read = readBetween(text);
    const shown = read.ok ? read.value.map((r) => r && (r.d === 1n ? `${r.n}` : `${r.n}/${r.d}`)) : null;
    expect(shown).toEqual(want);
  });
  test.each([
    ['200-100', 'backwards'],
    ['5', 'notRange'],
    ['a-b', 'notNumber'],
    ['1-2-3', 'notRange'],
  ])('"%s" is refused', (text, code) => {
    const read = readBetween(text);
    expect(read.ok ? null : read.refusal.code).toBe(code);
  });

  test('wheels: one size, two ends, either dash', () => {
    expect(readWheels('12–127')).toEqual({ ok: true, value: { from: 12, to: 127 } });
    expect(readWheels('40')).toEqual({ ok: true, value: { from: 40, to: 40 } });
    for (const bad of ['127-12', '2-50', '12-5000', 'many', '', '1-2-3'])
      expect([bad, readWheels(bad).ok]).toEqual([bad, false]);
  });
});

describe('fields of a search', () => {
  test.each(findInputs.map((i) => i.key))(
    '%s: emptied it is free again; rubbish is refused, nothing changes',
    (key) => {
      const drive = newDrive('x');
      for (const rubbish of ['@', '1e999', '--'])
        if (!['divisions'].includes(key) || rubbish !== '--')
          expect([rubbish, readFindInput(key, rubbish).ok]).toEqual([rubbish, false]);
      const emptied = edited(drive, key, '');
      if (typeof emptied === 'string') throw new Error(emptied);
      expect(Object.keys(emptied.find ?? {}).filter((k) => k !== key)).toEqual([]);
    },
  );

  test('what is set is kept, one field beside the other, and undone by its own emptying', () => {
    let drive = newDrive('x');
    for (const [key, text] of [
      ['question', 'ratio'],
      ['target', '365.24219'],
      ['maxStages', '4'],
      ['kinds', 'worm, spur'],
      ['steps', ' 10 000 – 20 000 '],
    ] as const) {
      const next = edited(drive, key, text);
      if (typeof next === 'string') throw new Error(`${key}: ${next}`);
      drive = next;
    }
    expect(drive.find).toEqual({
      question: 'ratio',
      target: '365.24219',
      maxStages: 4,
      kinds: ['spur', 'worm'],
      steps: '10000-20000',
    });
    for (const key of ['question', 'target', 'maxStages']) drive = edited(drive, key, '') as Drive;
    expect(Object.keys(drive.find!)).toEqual(['kinds', 'steps']);
  });

  test.each([
    ['kinds', 'flywheels', 'unknownKind'],
    ['divisions', '7.5', 'notWhole'],
    ['maxStages', '9', 'tooLarge'],
    ['target', '-3', 'negative'],
    ['made', 'thin air', 'notAChoice'],
    ['colour', 'red', 'unknownEdit'],
  ])('%s of "%s" is refused', (key, text, code) => {
    expect(edited(newDrive('x'), key, text)).toBe(code);
  });
});

describe('what follows the shelf', () => {
  const pair = { kind: 'spur', z1: 20, z2: 60, driverPartId: 'a', drivenPartId: 'b', name: 'first' } as const;
  const drive: Drive = { ...newDrive('x'), train: { ...newDrive('x').train, stages: [pair] } };
  const stageOf = (d: Drive | string) => (typeof d === 'string' ? null : d.train.stages[0]);

  test('a tooth count by hand lets go; a name does not', () => {
    const by = (key: string, text: string): Drive | string => {
      const done = applyEdit(drive, { do: 'stage', at: 0, key, text });
      return done.ok ? done.value : done.refusal.code;
    };
    expect(stageOf(by('z2', '61'))).toEqual({ kind: 'spur', z1: 20, z2: 61, name: 'first' });
    expect(stageOf(by('name', 'last'))).toMatchObject({ driverPartId: 'a', drivenPartId: 'b' });
    expect(standingAlone(pair)).toEqual({ kind: 'spur', z1: 20, z2: 60, name: 'first' });
  });

  test('steps by hand let the motor go, modes the driver', () => {
    const source = {
      ...newDrive('x').train.source,
      partId: 'm',
      driverPartId: 'd',
    } as Drive['train']['source'];
    const linked: Drive = { ...drive, train: { ...drive.train, source } };
    const steps = applyEdit(linked, { do: 'source', key: 'fullSteps', text: '400' });
    expect(steps.ok && steps.value.train.source).toMatchObject({ fullSteps: 400, driverPartId: 'd' });
    expect(steps.ok && steps.value.train.source.partId).toBeUndefined();
    const modes = applyEdit(linked, { do: 'modes', text: '1, 2' });
    expect(modes.ok && modes.value.train.source).toMatchObject({ modes: [1, 2], partId: 'm' });
    expect(modes.ok && modes.value.train.source.driverPartId).toBeUndefined();
    const rpm = applyEdit(linked, { do: 'source', key: 'rpm', text: '90' });
    expect(rpm.ok && rpm.value.train.source).toMatchObject({ partId: 'm', rpm: '90' });
  });

  test('a stage taken in the place of another keeps its name and takes the bores of the shelf', () => {
    const done = applyEdit(drive, {
      do: 'replaceStage',
      at: 0,
      kind: 'worm',
      with: { starts: 1, wheel: 90, partId: 'w', inBoreMm: 8 },
    });
    expect(done.ok && done.value.train.stages[0]).toMatchObject({
      kind: 'worm',
      wheel: 90,
      partId: 'w',
      name: 'first',
      inBoreMm: 8,
    });
  });
});
