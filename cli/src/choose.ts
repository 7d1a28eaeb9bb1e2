import { error, ok, plainText, type Result } from '@pendrix/core';
import { choose as search, chooseReport, type Chosen, type ChooseRequest } from '@pendrix/core/choose/index';
import { chooseAnswer, readChooseRequest, readShelf } from '@pendrix/core/files/index';
import { runTold, table, type Command, type Told } from './command.ts';
import { readOptions } from './options.ts';
import { readNamedFile } from './read.ts';

/** Drives that are told unless somebody asks for more. */
const COUNT = 5;

/** `pendrix choose REQUEST.json [--shelf SHELF.json] [--count 5] [--json]`: whole drives that do a job, compared. (handbook: choose) */
export const choose: Command = {
  name: 'choose',
  usage: 'choose REQUEST.json [--shelf SHELF.json] [--count 5] [--json]',
  message: 'whole drives that do a job: nothing else is as good in all that counts',
  run,
};

async function run(words: readonly string[], progress: Told): Promise<Result<string>> {
  const given = readOptions(words, { json: 'flag', shelf: 'text', count: 'text' });
  if (!given.ok) return given;
  const { texts, flags, files } = given.value;
  const told = Number(texts.get('count') ?? COUNT);
  if (!Number.isInteger(told) || told < 1)
    return error('notWhole', texts.get('count')!, { path: '--count', example: '5' });
  const named = texts.get('shelf');
  const shelf =
    named === undefined ? null : await readNamedFile([named], 'demo/lantern-hill.shelf.json', readShelf);
  if (shelf && !shelf.ok) return shelf;
  const request = await readNamedFile(files, 'demo/choose-sundial.request.json', (text) =>
    readChooseRequest(text, shelf && shelf.value, told),
  );
  if (!request.ok) return request;
  const chosen = runTold(
    search(request.value),
    progress,
    (p) => `${p.done} of ${p.of} stages at the work, ${p.stages} stages`,
  );
  if (flags.has('json')) return ok(JSON.stringify(chooseAnswer(request.value, chosen), null, 2));
  return ok(readable(request.value, chosen).replaceAll('\u2009', ' '));
}

function readable(request: ChooseRequest, chosen: Chosen): string {
  const r = chooseReport(request, chosen, null, request.count);
  const parts: string[] = [];
  if (r.columns.length > 0) {
    parts.push(
      table(
        ['', ...r.columns.map((_, i) => String(i + 1))],
        r.rows.map((row) => [
          `${row.counts === null ? '  ' : `${row.counts} `}${row.title}`,
          ...row.cells.map(({ text, graded, note }) =>
            [plainText(text), graded?.word, note].filter(Boolean).join(' '),
          ),
        ]),
        new Set([0, ...r.columns.map((_, i) => i + 1)]),
      ),
      r.columns.map((c, i) => `${i + 1}  ${c.drive.name}. ${c.decides}`).join('\n'),
    );
  }
  if (r.window.length > 0) parts.push(`Reductions: ${r.window.join('; ')}.`);
  if (r.turns.length > 0) parts.push(r.turns.join(' '));
  if (r.conflict !== '') parts.push(r.conflict);
  if (r.dropped.length > 0)
    parts.push(['Dropped out:', ...r.dropped.map((d) => `  ${d.family}: ${d.by}`)].join('\n'));
  parts.push(r.certificate);
  return parts.join('\n\n');
}
