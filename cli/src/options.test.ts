import { describe, expect, test } from '@jest/globals';
import { table } from './command.ts';
import { readOptions } from './options.ts';

const known = { json: 'flag', divisions: 'text' } as const;

describe('the words after a command', () => {
  test.each<[string[], { files: string[]; flags: string[]; texts: [string, string][] }]>([
    [[], { files: [], flags: [], texts: [] }],
    [['a.json'], { files: ['a.json'], flags: [], texts: [] }],
    [['--json', 'a.json'], { files: ['a.json'], flags: ['json'], texts: [] }],
    [['a.json', '--divisions', '73'], { files: ['a.json'], flags: [], texts: [['divisions', '73']] }],
    [
      ['--divisions=73', 'a.json', 'b.json'],
      { files: ['a.json', 'b.json'], flags: [], texts: [['divisions', '73']] },
    ],
    [['--', '--json'], { files: ['--json'], flags: [], texts: [] }],
    [['--divisions='], { files: [], flags: [], texts: [['divisions', '']] }],
  ])('%j', (words, want) => {
    const read = readOptions(words, known);
    expect(read.ok).toBe(true);
    if (read.ok)
      expect({
        files: [...read.value.files],
        flags: [...read.value.flags],
        texts: [...read.value.texts],
      }).toEqual(want);
  });

  test.each([
    [['--colour'], 'noOption', '--colour'],
    [['-x'], 'noOption', '-x'],
    [['--json', '--json'], 'twice', '--json'],
    [['--divisions', '5', '--divisions', '6'], 'twice', '--divisions'],
    [['--divisions'], 'needsOption', 'the value of --divisions'],
    [['--json=1'], 'noOption', '--json=1'],
    [['--toString'], 'noOption', '--toString'],
    [['--__proto__'], 'noOption', '--__proto__'],
  ])('%j is refused: %s', (words, code, given) => {
    const read = readOptions(words, known);
    expect(read.ok ? 'taken' : [read.refusal.code, read.refusal.given]).toEqual([code, given]);
  });
});

describe('tables', () => {
  test('numbers stand under one another to the right, names to the left', () => {
    const text = table(
      ['name', 'steps'],
      [
        ['60', '18 240'],
        ['seventy', '7'],
      ],
    );
    expect(text.split('\n')).toEqual(['name      steps', '60       18 240', 'seventy       7']);
  });

  test('short rows are filled and no line ends in blanks', () => {
    for (const line of table(['a', 'b', 'c'], [['1'], ['2', '']]).split('\n')) expect(line).not.toMatch(/ $/);
  });
});
