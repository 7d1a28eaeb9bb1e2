import { describe, expect, test } from '@jest/globals';
import { wheelCutter } from '../../testing/samples.ts';
import { applyEdit, dutiesIn, editLabel, platesText, type Drive, type Edit } from '../index.ts';

const base = wheelCutter();
const after = (drive: Drive, ...edits: Edit[]): Drive =>
  edits.reduce((d, e) => {
    const r = applyEdit(d, e);
    if (!r.ok) throw new Error(r.refusal.code);
    return r.value;
  }, drive);
const code = (edit: Edit, drive = base): string => {
  const r = applyEdit(drive, edit);
  return r.ok ? 'taken' : r.refusal.code;
};
const screw = (leadMm: string): Drive => ({
  ...base,
  train: { ...base.train, output: { kind: 'screw', leadMm } },
});

describe('duties', () => {
  test('a rate is added, named, halved and taken away; nothing of it stays', () => {
    const one = after(
      base,
      { do: 'addDuty', duty: 'rates' },
      { do: 'duty', duty: 'rates', at: 0, key: 'half', text: 'true' },
    );
    expect(one.job.rates).toEqual([{ kind: 'stars', half: true }]);
    const whole = after(one, { do: 'duty', duty: 'rates', at: 0, key: 'half', text: '' });
    expect(whole.job.rates).toEqual([{ kind: 'stars' }]);
    expect(after(whole, { do: 'removeDuty', duty: 'rates', at: 0 })).toEqual(base);
  });

  test('another period comes with its seconds, a named one loses them', () => {
    const free = after(base, { do: 'addDuty', duty: 'rates', with: { kind: 'period', seconds: '60' } });
    const day = after(free, { do: 'duty', duty: 'rates', at: 0, key: 'seconds', text: '24 h' });
    expect(day.job.rates).toEqual([{ kind: 'period', seconds: '86400' }]);
    const tide = after(day, { do: 'duty', duty: 'rates', at: 0, key: 'kind', text: 'tide' });
    expect(tide.job.rates).toEqual([{ kind: 'tide' }]);
    expect(after(tide, { do: 'duty', duty: 'rates', at: 0, key: 'kind', text: 'period' }).job.rates).toEqual([
      { kind: 'period', seconds: '86400' },
    ]);
  });

  test('mm a minute is the time of a turn where a turn travels without π', () => {
    const free: Edit = { do: 'addDuty', duty: 'rates', with: { kind: 'period', seconds: '60' } };
    const slow: Edit = { do: 'duty', duty: 'rates', at: 0, key: 'seconds', text: '0.5 mm/min' };
    expect(after(screw('2'), free, slow).job.rates).toEqual([{ kind: 'period', seconds: '240' }]);
    expect(code(slow, after(base, free))).toBe('notTravelling');
    const rack: Drive = {
      ...base,
      train: { ...base.train, output: { kind: 'rack', teeth: 20, moduleMm: '1' } },
    };
    expect(code(slow, after(rack, free))).toBe('piSpeed');
  });

  test('a timer stands beside the job, one only; its clock may be behind a prescaler', () => {
    const timed = after(
      base,
      { do: 'addDuty', duty: 'timer' },
      { do: 'duty', duty: 'timer', at: 0, key: 'tickHz', text: '16 MHz / 64' },
    );
    expect(timed.timer).toMatchObject({ tickHz: '250000' });
    expect(after(timed, { do: 'addDuty', duty: 'timer' })).toEqual(timed);
    expect(dutiesIn(timed, 'timer')).toEqual([timed.timer]);
  });

  test.each<[Edit, string]>([
    [{ do: 'duty', duty: 'rates', at: 0, key: 'kind', text: 'sun' }, 'noSuchDuty'],
    [{ do: 'removeDuty', duty: 'sweeps', at: 3 }, 'noSuchDuty'],
  ])('%j is refused: %s', (edit, want) => expect(code(edit)).toBe(want));

  test('fields refuse what they cannot take, and what stood there stays', () => {
    const d = after(base, { do: 'addDuty', duty: 'sweeps' }, { do: 'addDuty', duty: 'camera' });
    const sweep = (key: string, text: string): string =>
      code({ do: 'duty', duty: 'sweeps', at: 0, key, text }, d);
    expect([
      sweep('frames', '1'),
      sweep('frames', '2.5'),
      sweep('from', 'here'),
      sweep('easing', 'soft'),
    ]).toEqual(['tooSmall', 'notWhole', 'notNumber', 'notAChoice']);
    expect(sweep('from', '-12.5')).toBe('taken');
    const camera = (text: string): string =>
      code({ do: 'duty', duty: 'camera', at: 0, key: 'declinationDeg', text }, d);
    expect([camera('-45'), camera('95'), camera('up')]).toEqual(['taken', 'tooLarge', 'notNumber']);
    const eased = after(d, { do: 'duty', duty: 'sweeps', at: 0, key: 'easing', text: 'trapezoid' });
    expect(code({ do: 'duty', duty: 'sweeps', at: 0, key: 'speedUp', text: '90' }, eased)).toBe(
      'shortStages',
    );
  });

  test('no more than twenty of a kind', () => {
    const many = after(base, ...Array.from({ length: 20 }, (): Edit => ({ do: 'addDuty', duty: 'spins' })));
    expect(code({ do: 'addDuty', duty: 'spins' }, many)).toBe('tooManyDuties');
  });

  test('each says what it did', () => {
    const edit: Edit = { do: 'duty', duty: 'spins', at: 0, key: 'maxRpm', text: '4' };
    expect([editLabel({ do: 'addDuty', duty: 'knob' }, base), editLabel(edit, base)]).toEqual([
      'new hand knob',
      'speed range: to 4',
    ]);
  });
});

describe('plates', () => {
  const set = (key: 'plates' | 'wormRatio' | 'gears' | 'mostHoles', text: string): Edit => ({
    do: 'plates',
    key,
    text,
  });
  test('circles of one plate, runs of them, plates set apart', () => {
    const d = after(
      base,
      set('plates', '15-17 / 23, 21 ; 49'),
      set('wormRatio', '40:1'),
      set('gears', '24 24 48'),
    );
    expect(d.plates).toEqual({
      plates: [[15, 16, 17], [21, 23], [49]],
      wormRatio: '40',
      gears: [24, 24, 48],
    });
    expect(platesText(d.plates!.plates)).toBe('15-17 / 21 23 / 49');
    expect(after(d, set('plates', ''), set('wormRatio', ''), set('gears', ''))).toEqual(base);
  });
  test.each([
    ['plates', '15 to 20', 'notCircles'],
    ['plates', '20-15', 'backwards'],
    ['plates', '1', 'tooSmall'],
    ['plates', '9000', 'tooLarge'],
    ['plates', '2-300', 'tooMany'],
    ['wormRatio', 'forty', 'notRatio'],
    ['wormRatio', '-40', 'negative'],
    ['gears', '24 x', 'notWhole'],
    ['mostHoles', '0', 'zero'],
  ] as const)('%s "%s" is refused: %s', (key, text, want) => expect(code(set(key, text))).toBe(want));
});
