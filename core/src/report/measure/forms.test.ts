import { describe, expect, test } from '@jest/globals';
import { applyEdit, newDrive, type Drive } from '../../drive/index.ts';
import { seriesChart, takenFrom } from '../index.ts';
import { measureForms } from './forms.ts';
import { readDrive } from '../../files/index.ts';
import { readFileSync } from 'node:fs';

const read = readDrive(
  readFileSync(new URL('../../../../demo/night-meadow-camera-cradle.pendrix.json', import.meta.url), 'utf8'),
);
const cradle: Drive = read.ok ? read.value : newDrive('none');
const form = (id: string, drive = cradle) => measureForms(drive).find((f) => f.id === id)!;

describe('small tests', () => {
  test('a dial forth and back at 60 mm: 0.0116 mm is 40″, taken as measured', () => {
    const answer = form('dial').answer({ f1: 0.1116, b1: 0.1, f2: 0.1116, b2: 0.1, radius: 60 })!;
    expect(answer.text).toMatch(/39\.\d+″ of backlash/);
    const after = answer.edits.reduce((d, e) => {
      const made = applyEdit(d, e);
      return made.ok ? made.value : d;
    }, cradle);
    expect(after.train.stages.at(-1)).toMatchObject({ playArcmin: 0.665, measured: 'playArcmin' });
  });
  test('speed in ppm against the first rate, slow or fast; none without a rate', () => {
    expect(form('speed').answer({ turns: 1 / 86_164.09, seconds: 1.0001 })!.text).toMatch(/ppm slow$/);
    expect(measureForms(newDrive('x')).some((f) => f.id === 'speed')).toBe(false);
  });
  test('3 swings, 6 Hz, 240″ to 5″: 2.79 s; 7 of 9: 45 to 94 %; a figure read three ways', () => {
    expect(form('settling').answer({ swings: 3, hz: 6, from: 240, to: 5 })!.text).toBe('2.79 s');
    expect(form('kept').answer({ kept: 7, taken: 9 })!.text).toBe('45 to 94 %');
    expect(form('kept').answer({ kept: 10, taken: 9 })).toBeNull();
    expect(form('elsewhere').answer({ value: 8 })!.text).toMatch(
      /±8\.0+″; if peak to peak: ±4\.0+″; if rms: ±11\.3/,
    );
  });
});

describe('a component taken over', () => {
  const component = {
    cause: 'worm',
    periodS: 86_164.0905 / 144,
    state: 'ok',
    amplitudeArcsec: 20,
    amplitudeError: 0.1,
    share: 0.9,
  } as const;
  test('the largest cause of its period takes what the others leave, and the value before is told', () => {
    const taken = takenFrom(cradle, component)!;
    expect(taken.title).toMatch(/^worm run-out: 0\.0\d+ mm$/);
    expect(taken.message).toContain('0.020 mm before');
    expect(taken.edits[0]).toMatchObject({ do: 'stage', at: 1, key: 'driverRunoutMm' });
  });
  test('nothing where it was not fitted, or no part has that period', () => {
    expect(takenFrom(cradle, { ...component, amplitudeArcsec: null })).toBeNull();
    expect(takenFrom(cradle, { ...component, periodS: 71.3 })).toBeNull();
  });
  test('a figure read once has no chart', () => {
    const point = { at: '2026-11-02', revision: 1, value: 4, plusMinus: null };
    expect(seriesChart({ name: 'x', unit: 'mm', points: [point] })).toBeNull();
    expect(
      seriesChart({ name: 'x', unit: 'mm', points: [point, { ...point, at: '2026-11-12', value: 5 }] })!
        .series[0]!.points,
    ).toEqual([
      [0, 4],
      [10, 5],
    ]);
  });
});
