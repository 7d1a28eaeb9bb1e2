import {
  at,
  componentRows,
  dividedBy,
  divisionRecordReport,
  error,
  ok,
  readableRate,
  recordSentences,
  report,
  type Drive,
  type Result,
} from '@pendrix/core';
import { fitDividing, fitTracking, type TrackingFit } from '@pendrix/core/measure/index';
import { readDivisionRecord, readHeads, readTrackingRecord, type Heads } from '@pendrix/core/files/index';
import { runTold, table, type Command, type Told } from './command.ts';
import { readOptions } from './options.ts';
import { readNamedFile, readOutput } from './read.ts';

/** `pendrix fit FILE RECORD.csv [--rate stars | --divided] [--columns HEADS] [--train NAME] [--json]`: what a record says of its drive. (handbook: errors) */
export const fit: Command = {
  name: 'fit',
  usage:
    'fit FILE RECORD.csv [--rate stars | --divided] [--columns time_min,error_px] [--train NAME] [--json]',
  message: 'what a record of following, or of a divided wheel, says of its drive',
  run: async (words, progress) => {
    const given = readOptions(words, {
      rate: 'text',
      columns: 'text',
      train: 'text',
      json: 'flag',
      divided: 'flag',
    });
    if (!given.ok) return given;
    const { files, flags, texts } = given.value;
    const [file, record, third] = files;
    if (third !== undefined) return error('twice', 'the record');
    if (record === undefined) return error('needsOption', 'the record', { example: 'record.csv' });
    const drive = await readOutput(file === undefined ? [] : [file], texts.get('train'));
    if (!drive.ok) return drive;
    const heads = readHeads(texts.get('columns') ?? '');
    if (!heads.ok) return { ok: false, refusal: at('--columns', heads.refusal) };
    const asked = { name: record, heads: heads.value, json: flags.has('json') };
    return flags.has('divided')
      ? divided(drive.value, asked)
      : tracked(drive.value, asked, texts.get('rate'), progress);
  },
};

/** A record as it is asked for. */
interface Asked {
  readonly name: string;
  readonly heads: Heads;
  readonly json: boolean;
}

async function tracked(
  drive: Drive,
  { name, heads, json }: Asked,
  rate: string | undefined,
  progress: Told,
): Promise<Result<string>> {
  const by = readableRate(drive, rate);
  if (!by)
    return rate === undefined
      ? error('noRateToFollow', '')
      : error('notAChoice', rate, {
          path: '--rate',
          limit: report(drive)
            .duties.rates.map((r) => r.name)
            .join(', '),
        });
  const record = await readNamedFile([name], 'record.csv', (text) =>
    readTrackingRecord(text, by.arcsecPerPx, heads),
  );
  if (!record.ok) return record;
  const found = runTold(
    fitTracking(record.value, by.periods),
    progress,
    (done) => `${Math.floor(100 * done)} % fitted`,
  );
  if (!found) return error('tooFewReadings', String(record.value.times.length), { path: name, limit: '8' });
  if (json) return ok(JSON.stringify(answer(found), null, 2));
  return ok(words(found, by.turnSeconds).replaceAll('\u2009', ' '));
}

const answer = (f: TrackingFit): object => ({
  driftArcsecPerHour: f.driftArcsecPerHour,
  driftError: f.driftError,
  components: f.components.map((c) => ({
    cause: c.cause,
    periodS: c.periodS,
    amplitudeArcsec: c.amplitudeArcsec,
    amplitudeError: c.amplitudeError,
    share: c.share,
    state: c.state,
  })),
  residualRmsArcsec: f.residualRmsArcsec,
  unexplained: f.unexplained.map((p) => ({
    periodS: p.periodS,
    amplitudeArcsec: p.amplitudeArcsec,
    ...(p.folded && { folded: p.folded }),
  })),
  outliers: f.outliers,
});

function words(f: TrackingFit, turnSeconds: number): string {
  const { rows, untold } = componentRows(f);
  return [
    table(
      ['Comes again', 'every', 'makes', 'σ', 'share'],
      rows.map((r) => [r.cause, r.period, r.amplitude, r.error, r.share]),
      new Set([0]),
    ),
    ...untold.map((u) => `${u.reason.replace(/^./, (c) => c.toUpperCase())}: ${u.causes}.`),
    ...recordSentences(f, turnSeconds),
  ].join('\n\n');
}

async function divided(drive: Drive, { name, heads, json }: Asked): Promise<Result<string>> {
  const record = await readNamedFile([name], 'record.csv', (text) => readDivisionRecord(text, heads));
  if (!record.ok) return record;
  const found = fitDividing(record.value, dividedBy(drive));
  if (!found) return error('tooFewReadings', String(record.value.errors.length), { path: name, limit: '6' });
  if (json) return ok(JSON.stringify(found, null, 2));
  const told = divisionRecordReport(found, null);
  return ok(
    [
      `${told.best.title}${told.best.explains ? `, ${told.best.explains}` : ''}. ${told.best.message}`,
      ...told.others.map((o) => `or ${o.title}, ${o.explains}`),
      `${told.rms} root mean square about the mean.`,
    ]
      .join('\n')
      .replaceAll('\u2009', ' '),
  );
}
