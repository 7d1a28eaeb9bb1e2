import { plainText, report, taken } from '@pendrix/core';
import { checkAnswer } from '@pendrix/core/files/index';
import { table, type Command } from './command.ts';
import { readOptions } from './options.ts';
import { readDriveFile } from './read.ts';

/** `pendrix check FILE [--json]`: what comes out even, and by how much the rest is off. */
export const check: Command = {
  name: 'check',
  usage: 'check FILE [--json]',
  says: 'what comes out even with this drive',
  run: async (words) => {
    const given = readOptions(words, { json: 'flag' });
    if (!given.ok) return given;
    const drive = await readDriveFile(given.value.files);
    if (!drive.ok) return drive;
    if (given.value.flags.has('json')) return taken(JSON.stringify(checkAnswer(drive.value), null, 2));
    const r = report(drive.value);
    const cells = r.verdict.map((c) => [
      c.label,
      c.figure ? plainText(c.figure.text) : c.absent,
      c.graded?.word ?? '',
    ]);
    const shafts = r.train.shafts.map((s) => [
      s.title,
      s.carries,
      ...s.rows.map((row) => plainText(row.figure.text)),
    ]);
    const rows = r.check.rows.map((row) => [
      String(row.divisions),
      row.graded.word,
      `${row.stepWhole}${row.stepRest ? ` ${row.stepRest.join('/')}` : ''}`,
      row.spacing,
      row.closing + (row.closingMisses ? `, ${row.closingMisses.toLowerCase()}` : ''),
      row.mode,
    ]);
    const parts = [
      `${drive.value.name}: ${r.purpose}`,
      table(['', '', ''], cells, new Set([0, 1, 2])).trimStart(),
      table(
        ['Shaft', 'carries', ...(r.train.shafts[0]?.rows.map((row) => row.label) ?? [])],
        shafts,
        new Set([0, 1]),
      ),
    ];
    if (rows.length > 0)
      parts.push(
        table(
          ['Divisions', 'Grade', 'microsteps for each', 'spacing', 'one count repeated', 'exact mode'],
          rows,
          new Set([1]),
        ),
      );
    if (r.check.says) parts.push(plainText(r.check.says));
    if (r.check.idle) parts.push(r.check.idle);
    return taken(parts.join('\n\n').replaceAll('\u2009', ' '));
  },
};
