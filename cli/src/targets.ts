import {
  ARCSEC_PER_TURN,
  at,
  crankTurns,
  div,
  dmsText,
  MOST_ROWS,
  mul,
  planRun,
  rational,
  readCount,
  refused,
  stepsToArcsec,
  taken,
  targets as targetRows,
  toText,
  signedAngle,
  dividerOf,
  kinematicsOf,
  LARGEST_COUNT,
} from '@pendrix/core';
import { sheetCsv, targetsAnswer } from '@pendrix/core/files/index';
import { table, type Command } from './command.ts';
import { readOptions } from './options.ts';
import { readDriveFile } from './read.ts';

/** `pendrix targets FILE --divisions 73 [--json|--csv]`: the run sheet. */
export const targets: Command = {
  name: 'targets',
  usage: 'targets FILE --divisions 73 [--json | --csv]',
  says: 'where to go for each division, in steps, degrees and turns of the crank',
  run: async (words) => {
    const given = readOptions(words, { json: 'flag', csv: 'flag', divisions: 'text' });
    if (!given.ok) return given;
    const { files, flags, texts } = given.value;
    if (flags.has('json') && flags.has('csv')) return refused('twice', 'the way to print');
    const drive = await readDriveFile(files);
    if (!drive.ok) return drive;
    const asked = texts.get('divisions');
    if (asked === undefined) return refused('needsOption', '--divisions', { example: '--divisions 73' });
    const read = readCount(asked, { min: 1, max: LARGEST_COUNT, unit: 'divisions', example: '73' });
    if (!read.ok) return { ok: false, refusal: at('--divisions', read.refusal) };
    if (read.value > MOST_ROWS)
      return refused('tooManyRows', String(read.value), { path: '--divisions', limit: String(MOST_ROWS) });
    const divider = dividerOf(kinematicsOf(drive.value), null);
    const plan = planRun(drive.value, read.value);
    if (!divider || !plan)
      return refused('badValue', drive.value.train.source.kind, { path: 'train.source.kind' });
    if (flags.has('json')) return taken(JSON.stringify(targetsAnswer(divider, read.value), null, 2));
    if (flags.has('csv')) return taken(sheetCsv(plan).trimEnd());
    const N = divider.stepsPerTurn;
    const rows = targetRows(N, read.value).map((t) => [
      String(t.index + 1),
      String(t.index),
      t.target.toString(),
      toText(t.errorSteps),
      signedAngle(stepsToArcsec(t.errorSteps, N)),
      dmsText(mul(div(t.exact, N), rational(ARCSEC_PER_TURN))),
      toText(crankTurns(kinematicsOf(drive.value).reduction, read.value, t.index)),
    ]);
    return taken(
      table(['gap', 'move', 'target', 'error', '', 'angle', 'crank turns'], rows, new Set()).replaceAll(
        '\u2009',
        ' ',
      ),
    );
  },
};
