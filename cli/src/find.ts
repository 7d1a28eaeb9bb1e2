import {
  find as search,
  findReport,
  error,
  ok,
  type FindAnswer,
  type FindRequest,
  type Result,
} from '@pendrix/core';
import { findAnswer, readFindRequest } from '@pendrix/core/files/index';
import { runTold, table, type Command, type Told } from './command.ts';
import { readOptions } from './options.ts';
import { readNamedFile } from './read.ts';

/** `pendrix find REQUEST.json [--json]`: which trains come out even, or come nearest, proven. (handbook: find) */
export const find: Command = {
  name: 'find',
  usage: 'find REQUEST.json [--json]',
  message: 'the trains that come out even, or come nearest, from the parts you name',
  run,
};

async function run(words: readonly string[], progress: Told): Promise<Result<string>> {
  const given = readOptions(words, { json: 'flag' });
  if (!given.ok) return given;
  const request = await readNamedFile(given.value.files, 'demo/find-73-97.request.json', readFindRequest);
  if (!request.ok) return request;
  let answer: FindAnswer;
  try {
    answer = runTold(
      search(request.value),
      progress,
      (p) => `${p.stages} stages, ${Math.floor((100 * p.done) / p.of)} % checked`,
    );
  } catch (fault) {
    if (fault instanceof RangeError)
      return error('tooLarge', 'the products', { path: given.value.files[0]!, unit: 'to be exact' });
    throw fault;
  }
  if (given.value.flags.has('json')) return ok(JSON.stringify(findAnswer(request.value, answer), null, 2));
  return ok(readable(request.value, answer));
}

function readable(request: FindRequest, answer: FindAnswer): string {
  const report = findReport(request, answer, true);
  const rows = report.groups.flatMap((g) => g.rows);
  const parts: string[] = [];
  if (rows.length > 0)
    parts.push(
      table(
        ['Driver : driven', 'ratio', 'grade', 'steps a turn', 'mode', 'ticks', 'teeth'],
        rows.map(({ row, pairs, graded, ticks, teeth }) => [
          pairs,
          row.ratio,
          graded.word,
          row.steps ?? '–',
          row.mode === null ? '–' : `1/${row.mode}`,
          ticks || '–',
          teeth,
        ]),
        new Set([0, 2]),
      ),
    );
  if (report.reason) parts.push(report.reason);
  parts.push(report.certificate);
  return parts.join('\n\n');
}
