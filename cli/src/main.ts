import { error, refusalSentence, type Refusal } from '@pendrix/core';
import { check } from './check.ts';
import { choose } from './choose.ts';
import type { Command } from './command.ts';
import { exported } from './export.ts';
import { find } from './find.ts';
import { fit } from './fit.ts';
import { make } from './make.ts';
import { pack } from './pack.ts';
import { plates } from './plates.ts';
import { ratio } from './ratio.ts';
import { simulate } from './simulate.ts';
import { targets } from './targets.ts';

/** Every command. One line a command. */
const commands: readonly Command[] = [
  check,
  targets,
  ratio,
  find,
  choose,
  plates,
  exported,
  simulate,
  make,
  pack,
  fit,
];

export interface Streams {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

/** What a terminal would act on, or read backwards, as it is written in JSON: a file may hold anything. */
const printable = (text: string): string =>
  text.replace(
    // eslint-disable-next-line no-control-regex
    /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069]/g,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );

const console_: Streams = {
  out: (text) => process.stdout.write(`${text}\n`),
  err: (text) => process.stderr.write(`${text}\n`),
};

const help = (): string =>
  [
    'pendrix: what comes out even',
    '',
    ...commands.map((c) => `  pendrix ${c.usage.padEnd(68)} ${c.message}`),
  ].join('\n');

/** Exit code 0 with the answer on standard output, 2 for bad input with one sentence on standard error, 1 for an internal error. */
export async function main(words: readonly string[], streams: Streams = console_): Promise<0 | 1 | 2> {
  const { out, err } = streams;
  const safe: Streams = { out: (text) => out(printable(text)), err: (text) => err(printable(text)) };
  return mainOn(words, safe);
}

async function mainOn(words: readonly string[], streams: Streams): Promise<0 | 1 | 2> {
  const [name, ...rest] = words;
  if (name === '--help' || name === '-h' || name === 'help') {
    streams.out(help());
    return 0;
  }
  const command = commands.find((c) => c.name === name);
  if (!command)
    return bad(
      error('noCommand', name ?? '', { limit: commands.map((c) => c.name).join(', ') }).refusal,
      streams,
    );
  try {
    const answer = await command.run(rest, (line) => streams.err(`pendrix: ${line}`));
    if (!answer.ok) return bad(answer.refusal, streams);
    streams.out(answer.value);
    return 0;
  } catch (fault) {
    streams.err(
      `pendrix: internal error, not of your file: ${fault instanceof Error ? fault.message : String(fault)}`,
    );
    return 1;
  }
}

function bad(refusal: Refusal, streams: Streams): 2 {
  streams.err(`pendrix: ${refusalSentence(refusal)}`);
  return 2;
}
