import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from '@jest/globals';
import { main } from './main.ts';

const demo = (name: string): string =>
  fileURLToPath(new URL(`../../demo/${name}.pendrix.json`, import.meta.url));
const CUTTER = demo('orrery-wheel-cutter');

async function run(...words: string[]): Promise<{ code: number; out: string; err: string }> {
  let [out, err] = ['', ''];
  const code = await main(words, { out: (t) => void (out += t), err: (t) => void (err += t) });
  return { code, out, err };
}

const scratch = mkdtempSync(path.join(tmpdir(), 'pendrix-'));
function fileWith(text: string): string {
  const name = path.join(scratch, `${Math.random()}.json`);
  writeFileSync(name, text);
  return name;
}

describe('pendrix check', () => {
  test('--json answers the wheel cutter of the handbook', async () => {
    const { code, out } = await run('check', CUTTER, '--json');
    const answer = JSON.parse(out) as { stepsPerTurn: string; divisions: Record<string, unknown>[] };
    const row = (d: number) => answer.divisions.find((r) => r['divisions'] === d);
    expect([code, answer.stepsPerTurn]).toEqual([0, '1094400']);
    expect(row(95)).toMatchObject({ grade: 'even', coarsestMode: 1, step: '11520' });
    expect(row(60)).toMatchObject({ grade: 'even' });
    expect(row(73)).toMatchObject({
      step: '1094400/73',
      worstErrorSteps: '36/73',
      spacingErrorSteps: '57/73',
      closingErrorSteps: '16',
      missingFactor: '73',
    });
    expect(row(97)).toMatchObject({ closingErrorSteps: '-46' });
  });

  test('without it a table that can be read', async () => {
    const { code, out } = await run('check', CUTTER);
    expect(code).toBe(0);
    for (const part of [
      '1 094 400',
      'Rounded ±0.58″',
      '14 991 57/73',
      '+18.95″',
      'lacks 97',
      '73 and 97 do not divide',
    ])
      expect(out).toContain(part);
    expect(out).not.toContain('\u2009');
  });
});

describe('pendrix targets', () => {
  test('--json, --csv and the table agree', async () => {
    const json = JSON.parse((await run('targets', CUTTER, '--divisions', '73', '--json')).out) as {
      rows: { target: number }[];
    };
    const csv = (await run('targets', CUTTER, '--divisions=73', '--csv')).out.split('\n');
    const table = (await run('targets', CUTTER, '--divisions', '73')).out.split('\n');
    expect([json.rows.length, csv.length, table.length]).toEqual([74, 75, 75]);
    expect(json.rows[30]?.target).toBe(449753);
    expect(csv[31]?.split(',').slice(0, 4)).toEqual(['31', '30', '32832000/73', '449753']);
    expect(table[31]).toContain('147°56′42.7″');
  });
});

describe('bad input ends with 2 and one sentence', () => {
  test.each([
    [[], 'a command is wanted'],
    [['divide'], 'there is no command divide; the commands are check, targets, ratio.'],
    [['check'], 'the file is missing'],
    [['check', 'nowhere.json'], 'the file nowhere.json cannot be read'],
    [['check', CUTTER, '--colour'], 'there is no option --colour here; the options are --json.'],
    [['check', CUTTER, CUTTER], 'the file stands there twice'],
    [['check', CUTTER, '--json', '--json'], '--json stands there twice'],
    [['check', CUTTER, '--json=yes'], 'there is no option --json=yes'],
    [['targets', CUTTER], '--divisions is missing; write it, for example --divisions 73.'],
    [['targets', CUTTER, '--divisions'], 'the value of --divisions is missing'],
    [['targets', CUTTER, '--divisions', '12.5'], '--divisions: 12.5 is not a whole count'],
    [['targets', CUTTER, '--divisions', '0'], '--divisions: 0 is refused here'],
    [['targets', CUTTER, '--divisions=-3'], '--divisions: -3 is negative'],
    [['targets', CUTTER, '--divisions', '5000000'], 'rows are too many for one sheet'],
    [['targets', CUTTER, '--divisions', '7', '--json', '--csv'], 'the way to print stands there twice'],
    [['check', scratch], 'cannot be read'],
  ])('%j', async (words, want) => {
    const { code, out, err } = await run(...words);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(want);
    expect(err.trim().split('\n').length).toBe(1);
  });

  test('a bad file names file and place', async () => {
    const name = fileWith(
      '{"format":"pendrix-drive","version":1,"name":"x","train":{"source":{"kind":"stepper","fullSteps":"two"},"stages":[]}}',
    );
    const { code, err } = await run('check', name);
    expect([code, err]).toEqual([
      2,
      `pendrix: ${name}: train.source.fullSteps: "two" is not a number; write digits, with a point for decimals, for example 200.`,
    ]);
    expect((await run('check', fileWith('{"a": NaN}'))).err).toContain('line 1, column 7');
  });
});

test('npx pendrix really starts', () => {
  const bin = fileURLToPath(new URL('../pendrix.mjs', import.meta.url));
  const out = execFileSync(process.execPath, [bin, 'check', CUTTER, '--json'], { encoding: 'utf8' });
  expect((JSON.parse(out) as { ratio: string }).ratio).toBe('342');
  expect(execFileSync(process.execPath, [bin, '--help'], { encoding: 'utf8' })).toContain('pendrix targets');
  expect(() => execFileSync(process.execPath, [bin, 'check'], { stdio: 'pipe' })).toThrow(
    expect.objectContaining({ status: 2 }),
  );
}, 30_000);
