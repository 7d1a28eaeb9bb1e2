import {
  duties,
  kindOf,
  partKinds,
  stages,
  type InputSpec,
  type StageKindId,
} from '../core/src/index.ts';
import { exportFormats } from '../core/src/exports/index.ts';

/** Tables of formats.md that are made from the registries: `npm run docs` writes them, a test holds them. */

const code = (text: string): string => `\`${text}\``;

/** What stands in a file as the text of an exact number. */
const EXACT = new Set<InputSpec['type']>(['ratio', 'exact', 'signed', 'clock', 'period']);

/** "`fixed`: `"ring"`, `"sun"`, `"carrier"`" */
function key(spec: InputSpec): string {
  if (spec.type === 'choice' && !spec.number)
    return `${code(spec.key)}: ${spec.options.map((o) => code(JSON.stringify(o.value))).join(', ')}`;
  if (EXACT.has(spec.type)) return `${code(spec.key)}, exact text`;
  return spec.type === 'pairs' ? `${code(spec.key)}: ${code('[[9, 32], …]')}` : code(spec.key);
}

const keys = (inputs: readonly InputSpec[]): string => inputs.map(key).join('; ');
const row = (...cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
const head = (...titles: readonly string[]): readonly string[] => [
  row(...titles),
  `|${titles.map(() => '---|').join('')}`,
];

const stageTable = (): readonly string[] => [
  ...head('kind', 'needs', 'may have', 'reduction, turns in for one turn out'),
  ...(Object.keys(stages) as StageKindId[]).map((id) => {
    const { inputs, written } = kindOf({ kind: id });
    return row(
      code(id),
      keys(inputs.filter((i) => !i.optional)),
      keys(inputs.filter((i) => i.optional)),
      written,
    );
  }),
];

const partTable = (): readonly string[] => [
  ...head('kind', 'needs', 'may have'),
  ...Object.entries(partKinds).map(([id, { inputs }]) =>
    row(code(id), keys(inputs.filter((i) => !i.optional)), keys(inputs.filter((i) => i.optional))),
  ),
];

const dutyTable = (): readonly string[] => [
  ...head('key', 'needs', 'may have'),
  ...Object.entries(duties).map(([id, { of, many, inputs }]) =>
    row(
      code(`${of === 'job' ? 'job.' : ''}${id}`) + (many ? ', a list' : ''),
      keys(inputs.filter((i) => !i.optional)),
      keys(inputs.filter((i) => i.optional)),
    ),
  ),
];

const exportTable = (): readonly string[] => [
  ...head('`--as`', 'file', 'takes'),
  ...Object.entries(exportFormats).map(([id, format]) =>
    row(code(id), `${format.title}, ${code(`.${format.extension}`)}`, format.takes.map((t) => code(`--${t}`)).join(', ')),
  ),
];

const tables = { duties: dutyTable, stages: stageTable, parts: partTable, exports: exportTable };

/** The text of formats.md with its tables as the registries have them now. Each stands between two marks of its name. */
export const withTables = (text: string): string =>
  Object.entries(tables).reduce((all, [name, make]) => {
    const between = new RegExp(`(([ ]*)<!-- ${name} -->\\n)[^]*?([ ]*<!-- /${name} -->)`);
    return all.replace(between, (_, open: string, indent: string, close: string) => {
      const lines = make().map((line) => `${indent}${line}\n`);
      return `${open}${lines.join('')}${close}`;
    });
  }, text);
