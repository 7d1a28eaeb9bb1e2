import {
  at,
  byPlates,
  LARGEST_COUNT,
  MAX_ROWS,
  placeText,
  plainText,
  planFor,
  readCount,
  error,
  sheet,
  ok,
} from '@pendrix/core';
import { sheetCsv } from '@pendrix/core/exports/index';
import { targetsAnswer } from '@pendrix/core/files/index';
import { table, type Command } from './command.ts';
import { readOptions } from './options.ts';
import { readOutput } from './read.ts';

/** `pendrix targets FILE --divisions 73 [--move "0.5 mm"] [--train NAME] [--json|--csv]`: the run sheet. */
export const targets: Command = {
  name: 'targets',
  usage: 'targets FILE --divisions 73 [--move "0.5 mm"] [--train NAME] [--json | --csv]',
  message:
    'where to go for each division, or for each mark along a slide, in steps, degrees or mm, and turns of the crank',
  run: async (words) => {
    const given = readOptions(words, {
      json: 'flag',
      csv: 'flag',
      divisions: 'text',
      move: 'text',
      train: 'text',
    });
    if (!given.ok) return given;
    const { files, flags, texts } = given.value;
    if (flags.has('json') && flags.has('csv')) return error('twice', 'the way to print');
    const drive = await readOutput(files, texts.get('train'));
    if (!drive.ok) return drive;
    const asked = texts.get('divisions');
    if (asked === undefined) return error('needsOption', '--divisions', { example: '--divisions 73' });
    const read = readCount(asked, { min: 1, max: LARGEST_COUNT, unit: 'divisions', example: '73' });
    if (!read.ok) return { ok: false, refusal: at('--divisions', read.refusal) };
    if (read.value > MAX_ROWS)
      return error('tooManyRows', String(read.value), { path: '--divisions', limit: String(MAX_ROWS) });
    const planned = planFor(drive.value, read.value, texts.get('move'));
    if (!planned.ok) return planned;
    const plan = planned.value;
    if (flags.has('json')) return ok(JSON.stringify(targetsAnswer(plan), null, 2));
    if (flags.has('csv')) return ok(sheetCsv(plan).trimEnd());
    const s = sheet(plan);
    const by = byPlates(drive.value) ? 'hole' : 'target';
    const rows = Array.from({ length: s.length }, (_, i) => s.row(i)).map((r) => [
      r.is === 'gap' ? String(r.gap) : s.place === 'mark' ? 'home' : r.is,
      r.is === 'gap' ? String(r.move) : '',
      r.target,
      r.moved,
      r.error,
      placeText(r.wanted),
      plainText(r.crank),
    ]);
    const told = plan.doubt ? `\n\nIt holds ${plan.doubt}.` : '';
    return ok(
      `${table([s.place, 'move', by, `moved, ${s.unit}`, 'error', plan.scale ? 'place' : 'angle', 'source turns'], rows, new Set())}${told}`.replaceAll(
        '\u2009',
        ' ',
      ),
    );
  },
};
