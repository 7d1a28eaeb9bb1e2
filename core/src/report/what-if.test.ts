import { describe, expect, test } from '@jest/globals';
import { applyEdit, type Drive } from '../drive/index.ts';
import { wheelCutter } from '../testing/samples.ts';
import { report } from './report.ts';
import { forceCures } from './force/cures.ts';
import { whatIf, type WhatIfSlider } from './what-if.ts';

const motor = {
  holdingNm: 0.45,
  rotorInertiaKgM2: 5.4e-6,
  currentA: 1.5,
  inductanceMh: 3.2,
  supplyV: 24,
};
const loaded = (job: Partial<Drive['job']> = {}, source: object = {}): Drive => {
  const d = wheelCutter('73', {
    toleranceArcsec: '60',
    load: { workNm: 1.5, frictionNm: 0.2, speedRpm: '2' },
    ...job,
  });
  return { ...d, train: { ...d.train, source: { ...d.train.source, ...motor, ...source } } };
};
const of = (sliders: readonly WhatIfSlider[], id: string): WhatIfSlider => sliders.find((s) => s.id === id)!;

describe('what if, of errors', () => {
  const d = loaded();
  const w = whatIf(d, { of: 'errors', key: 'divide.73' });
  test('mode and the quality of each stage can be tried', () => {
    expect(w.sliders.map((s) => s.id)).toEqual(['mode', 'quality.0', 'quality.1']);
    expect(of(w.sliders, 'quality.1').places.map((p) => p.text)).toEqual([
      'printed',
      'home-cut',
      'bought',
      'precise',
    ]);
  });
  test('each place is what the report makes of the edited drive', () => {
    for (const s of w.sliders)
      s.places.forEach((p, i) => {
        const after = applyEdit(d, p.edit);
        const sum = after.ok && report(after.value).judged.errors.of('divide.73')!.worst.figure.text[0];
        expect(s.at(i).text).toBe(sum);
      });
  });
  test('as it is, it says so; elsewhere it says what it is now', () => {
    const worm = of(w.sliders, 'quality.1');
    expect(worm.at(worm.now).message).toBe('as it is');
    expect(worm.at(3).message).toBe(`now ${worm.at(worm.now).text}`);
  });
  test('together they are one edit each, and nothing while nothing is tried', () => {
    expect(w.edits({ mode: of(w.sliders, 'mode').now })).toEqual([]);
    expect(w.edits({ mode: 5, 'quality.1': 3 })).toHaveLength(2);
    expect(w.together({}).message).toBe('as it is');
    expect(w.together({ mode: 5, 'quality.1': 3 }).text).not.toBe(w.together({}).text);
  });
  test('a preload is offered only where it can help, and takes lost motion out from where it holds', () => {
    const both = loaded({ approach: 'both' } as never);
    const p = of(whatIf(both, { of: 'errors', key: 'divide.73' }).sliders, 'preload');
    expect(p.places[p.now]!.text).toBe('0');
    const held = p.places.findIndex((x) => Number(x.text) > 0.2 + 1.5);
    expect(p.at(held).text).not.toBe(p.at(p.now).text);
  });
  test('a run-out that was measured is no longer a matter of quality', () => {
    const after = applyEdit(d, { do: 'stage', at: 1, key: 'runoutMm', text: '0.01' });
    expect(
      after.ok && whatIf(after.value, { of: 'errors', key: 'divide.73' }).sliders.map((s) => s.id),
    ).toEqual(['mode', 'quality.0']);
  });
});

describe('what if, of force', () => {
  const w = whatIf(loaded(), { of: 'force' });
  test('mode, supply, the heaviest of the load, and speed, each with its present value among the places', () => {
    expect(w.sliders.map((s) => s.id)).toEqual(['mode', 'supply', 'load.workNm', 'speed']);
    expect(w.sliders.map((s) => s.places[s.now]!.text)).toEqual(['1/16', '24', '1.5', '2']);
  });
  test('less to turn, more margin', () => {
    const tool = of(w.sliders, 'load.workNm');
    expect(Number.parseFloat(tool.at(0).text)).toBeGreaterThan(Number.parseFloat(tool.at(tool.now).text));
  });
  test('without a load or a motor there is little to try, and nothing breaks', () => {
    expect(whatIf(wheelCutter(), { of: 'force' }).sliders.map((s) => s.id)).toEqual(['mode']);
    expect(whatIf(wheelCutter(), { of: 'force' }).together({ mode: 0 }).text).toBe('Unknown');
  });
});

describe('what mends a force', () => {
  test('nothing while there is enough', () => {
    expect(forceCures(loaded())).toEqual([]);
    expect(forceCures(wheelCutter())).toEqual([]);
  });
  test('off its axis, weak teeth, the resonance band: each with what it comes to', () => {
    const d = loaded({ load: { massKg: 60, offsetMm: 300, speedRpm: '0.29', elevationDeg: 0 } }, { mode: 4 });
    const worm = { ...d.train.stages[1]!, material: 'printed' } as never;
    const cures = forceCures({ ...d, train: { ...d.train, stages: [d.train.stages[0]!, worm] } });
    expect(cures.map((c) => c.title)).toEqual(
      expect.arrayContaining([
        expect.stringContaining('mm off its axis'),
        expect.stringContaining('Teeth of brass'),
      ]),
    );
    for (const c of cures) expect(c.message).toMatch(/\d×/);
  });
});
