import { describe, expect, test } from '@jest/globals';
import { newDrive, report, type Drive, type Job } from '@pendrix/core';
import { firstTab, isTab, tabs } from './tabs.ts';

const drive = (job: Partial<Job>, more: Partial<Drive> = {}): Drive => ({
  ...newDrive('x'),
  job: { divisions: '', ...job },
  ...more,
});
const crank = (d: Drive): Drive => ({
  ...d,
  train: { ...d.train, source: { kind: 'crank', marks: 1 } as never },
});

describe('the tabs of Check', () => {
  test.each<[string, Drive, string]>([
    ['nothing asked', drive({}), 'divisions'],
    ['divisions before all', drive({ divisions: '60', rates: [{ kind: 'sun' }] }), 'divisions'],
    ['a rate', drive({ rates: [{ kind: 'sun' }] }), 'rate'],
    ['a camera', drive({ camera: { focalMm: 50, pixelUm: 4 } }), 'camera'],
    [
      'an arm',
      drive(
        {},
        {
          train: {
            ...newDrive('x').train,
            output: { kind: 'tangentArm', leadMm: '1', armMm: '200', geometry: 'curved' },
          },
        },
      ),
      'arm',
    ],
    [
      'a sweep',
      drive({ sweeps: [{ from: '0', to: '1', unit: 'deg', frames: 2, easing: 'linear' }] }),
      'sweep',
    ],
    ['a knob', drive({ knob: { turnsOut: '1', marks: 10 } }), 'spin'],
    ['plates and a motor', drive({}, { plates: { plates: [[15]] } }), 'plates'],
    [
      'plates and a crank, with divisions',
      crank(drive({ divisions: '60' }, { plates: { plates: [[15]] } })),
      'plates',
    ],
    ['a crank without plates', crank(drive({ divisions: '60' })), 'divisions'],
  ])('%s opens at its own', (_, d, want) => expect(firstTab(report(d))).toBe(want));

  test('the outputs of several open where nothing else is asked of the one looked at', () => {
    expect(firstTab(report(drive({})), true)).toBe('outputs');
    expect(firstTab(report(drive({ divisions: '60' })), true)).toBe('divisions');
  });

  test('only known ones are taken from an address', () => {
    expect(tabs.map((t) => t.id)).toEqual([
      'outputs',
      'divisions',
      'plates',
      'rate',
      'camera',
      'arm',
      'sweep',
      'spin',
      'errors',
      'force',
      'picture',
    ]);
    expect(tabs.every((t) => isTab(t.id))).toBe(true);
    expect([isTab('toString'), isTab(null), isTab(['rate'])]).toEqual([false, false, false]);
  });
});
