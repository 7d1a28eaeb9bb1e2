import { byPlates, plainText, ok, treeReport, type OutputReport, type TreeReport } from '@pendrix/core';
import { checkAnswer } from '@pendrix/core/files/index';
import { table, type Command } from './command.ts';
import { readOptions } from './options.ts';
import { chosenTrain, readDriveFile } from './read.ts';

/** `pendrix check FILE [--train NAME] [--json]`: what comes out even, and by how much the rest is off. */
export const check: Command = {
  name: 'check',
  usage: 'check FILE [--train NAME] [--json]',
  message: 'what comes out even with this drive',
  run: async (words) => {
    const given = readOptions(words, { json: 'flag', train: 'text' });
    if (!given.ok) return given;
    const drive = await readDriveFile(given.value.files);
    if (!drive.ok) return drive;
    const chosen = chosenTrain(drive.value, given.value.texts.get('train'));
    if (!chosen.ok) return chosen;
    if (given.value.flags.has('json'))
      return ok(JSON.stringify(checkAnswer(drive.value, chosen.value), null, 2));
    const tree = treeReport(drive.value);
    const told =
      tree.several && chosen.value === null
        ? severalText(tree)
        : outputText(tree.outputs[chosen.value ?? 0]!, drive.value.name);
    return ok(told.replaceAll('\u2009', ' '));
  },
};

/** All outputs, one after the other, the worst of all first, and what holds between them. */
function severalText(tree: TreeReport): string {
  const cells = tree.verdict.map((c) => [
    c.label,
    c.train ?? '',
    c.figure ? plainText(c.figure.text) : c.absent,
    c.graded?.word ?? '',
  ]);
  const parts = [
    `${tree.drive.name}: ${tree.purpose}`,
    table(['', '', '', ''], cells, new Set([0, 1, 2, 3])).trimStart(),
  ];
  if (tree.between.length > 0)
    parts.push(
      table(
        ['Ratio', 'wanted', 'the teeth make', 'off by', 'adds up to', 'Grade'],
        tree.between.map((b) => [
          b.title,
          b.wanted,
          plainText(b.figures.ratio.text),
          plainText(b.figures.off.text),
          b.message,
          b.graded.word,
        ]),
        new Set([0, 5]),
      ),
    );
  return [...parts, ...tree.outputs.map((output) => outputText(output, output.name))].join('\n\n\n');
}

function outputText({ report: r, begins, shared, at: which }: OutputReport, name: string): string {
  const cells = r.verdict.map((c) => [
    c.label,
    c.figure ? plainText(c.figure.text) : c.absent,
    c.graded?.word ?? '',
  ]);
  const columns = [...new Set(r.built.shafts.flatMap((s) => s.rows.map((row) => row.label)))];
  const shafts = r.built.shafts.slice(shared).map((s) => [
    s.title,
    s.carries,
    s.against ? 'against' : 'with',
    ...columns.map((label) => {
      const row = s.rows.find((x) => x.label === label);
      return row ? plainText(row.figure.text) : '';
    }),
  ]);
  const rows = r.judged.rows.map((row) => [
    String(row.divisions),
    row.graded.word,
    `${row.stepWhole}${row.stepRest ? ` ${row.stepRest.join('/')}` : ''}`,
    row.spacing,
    row.closing + (row.closingMisses ? `, ${row.closingMisses.toLowerCase()}` : ''),
    row.mode,
  ]);
  const parts = [
    `${name}${which > 0 ? ` (${begins})` : ''}: ${r.purpose}`,
    table(['', '', ''], cells, new Set([0, 1, 2])).trimStart(),
    table(['Shaft', 'carries', 'the work', ...columns], shafts, new Set([0, 1, 2])),
  ];
  if (rows.length > 0 && !byPlates(r.drive))
    parts.push(
      table(
        ['Divisions', 'Grade', `${r.judged.unit}s for each`, 'spacing', 'one count repeated', 'exact mode'],
        rows,
        new Set([1]),
      ),
    );
  if (r.duties.rates.length > 0)
    parts.push(
      table(
        ['Rate', 'way', 'ticks', 'off by', 'an hour', 'Grade'],
        r.duties.rates.flatMap((rate) =>
          rate.ways.map((w) => [
            rate.name,
            w.title,
            plainText(w.ticks),
            `${w.ppm} ppm`,
            w.hour,
            w.graded.word,
          ]),
        ),
        new Set([0, 1, 5]),
      ),
      ...r.duties.rates.flatMap((rate) => [
        ...rate.causes.map(
          (c) =>
            `  ${rate.name}: ${c.figure.label} ${plainText(c.figure.text)}${c.message ? ` (${c.message})` : ''}`,
        ),
        ...(rate.largest ? [rate.largest] : []),
        ...rate.message,
      ]),
    );
  for (const duty of r.duties.all)
    parts.push(
      [
        duty.title + (duty.graded ? `: ${duty.graded.word}` : ''),
        ...duty.lines.map(
          (l) => `  ${l.figure.label}: ${plainText(l.figure.text)}${l.message ? ` (${l.message})` : ''}`,
        ),
        ...duty.message,
      ].join('\n'),
    );
  if (r.plates)
    parts.push(
      table(
        ['Divisions', 'Grade', 'by plates', 'plate', 'arms over'],
        r.plates.rows.map((row) => [
          String(row.divisions),
          row.graded.word,
          plainText(row.move),
          row.plate,
          row.arms,
        ]),
        new Set([1, 2, 3]),
      ),
    );
  if (r.built.work.moves.length > 0)
    parts.push(
      table(
        ['Move', 'Grade', `${r.unit}s`],
        r.built.work.moves.map((m) => [m.label, m.graded.word, plainText(m.figure.text)]),
        new Set([0, 1]),
      ),
    );
  if (r.built.encoder)
    parts.push(
      `Encoder: ${plainText(r.built.encoder.counts.text)} counts a turn of the work. ${r.built.encoder.groups.map((g) => `${g.graded.word}: ${g.counts}`).join('; ')}`,
    );
  const told = [
    ...r.built.source.facts,
    ...r.built.stages.flatMap((s, i) => [...s.warns, ...s.facts].map((f) => `${i + 1}. ${s.title}: ${f}`)),
    ...r.built.work.facts,
  ];
  if (told.length > 0) parts.push(told.join('\n'));
  if (r.judged.message) parts.push(plainText(r.judged.message));
  if (r.judged.idle) parts.push(r.judged.idle);
  return parts.join('\n\n');
}
