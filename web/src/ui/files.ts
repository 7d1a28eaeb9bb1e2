import { error, refusalSentence, type Drive, type FindRow, type Result, type ShelfPart } from '@pendrix/core';
import type { TableLine, Workshop, WorkshopRead } from '@pendrix/core/files/index';
import { newId } from '../records/new-id.ts';

/** The reading and writing of files is loaded when it is first wanted: it brings a validator that the first screen does not need. */
const filesRoom = () => import('@pendrix/core/files/index');

/** The text of a file the user chose, dropped or pasted; refused when it is too big or no text. */
export async function readText(file: File): Promise<Result<string>> {
  const { decodeText, MAX_BYTES } = await filesRoom();
  if (file.size > MAX_BYTES) return error('fileTooBig', '', { limit: '20 MB' });
  try {
    return decodeText(new Uint8Array(await file.arrayBuffer()));
  } catch {
    return error('noFile', file.name);
  }
}

/** What is in a file the user chose or dropped: drives, lines of the shelf, runs, and what of it is not good. */
export async function readWorkshopFile(file: File): Promise<Result<WorkshopRead>> {
  const { readWorkshop } = await filesRoom();
  const text = await readText(file);
  return text.ok ? readWorkshop(text.value) : text;
}

export const fileRefusal = (name: string, result: Result<unknown>): string =>
  result.ok ? '' : `${name} is left out. ${refusalSentence(result.refusal)}`;

/** A file's name from a drive's, without an ending: "orrery-wheel-cutter". */
export async function fileStem(drive: Drive): Promise<string> {
  const { driveFileName } = await filesRoom();
  return driveFileName(drive).replace(/\.pendrix\.json$/, '');
}

export async function saveDrive(drive: Drive): Promise<void> {
  const { driveFileName, writeDrive } = await filesRoom();
  save(driveFileName(drive), writeDrive(drive), 'application/json');
}

export async function saveBackup(workshop: Workshop): Promise<void> {
  const { writeWorkshop } = await filesRoom();
  save('workshop.pendrix.json', writeWorkshop(workshop), 'application/json');
}

/** A record that cannot be read, as it was found. */
export const saveRaw = (name: string, raw: unknown): void =>
  save(
    `${name.replace(/[^\w-]+/g, '-') || 'record'}.json`,
    `${JSON.stringify(raw, null, 2)}\n`,
    'application/json',
  );

/** Hands a text, or bytes, to the browser as a file to keep. */
export function save(name: string, content: string | Blob, type: string): void {
  const blob = typeof content === 'string' ? new Blob([content], { type: `${type};charset=utf-8` }) : content;
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

const demoFiles = import.meta.glob<string>(['../../../demo/*.pendrix.json', '../../../demo/*.shelf.json'], {
  query: '?raw',
  import: 'default',
});

/** The Lantern Hill demo workshop: its drives and its shelf. */
export async function demoWorkshop(): Promise<Workshop> {
  const { readWorkshop } = await filesRoom();
  const loaders = Object.entries(demoFiles).sort(([a], [b]) => (a < b ? 1 : -1));
  const texts = await Promise.all(loaders.map(([, load]) => load()));
  const read = texts.flatMap((text) => {
    const one = readWorkshop(text);
    return one.ok ? [one.value] : [];
  });
  return {
    drives: read.flatMap((w) => w.drives),
    parts: read.flatMap((w) => w.parts),
    runs: [],
  };
}

/** The lines of a table, each read by itself. */
export async function readShelfTable(
  text: string,
  shelf: readonly ShelfPart[],
): Promise<readonly TableLine[]> {
  const { readTable } = await filesRoom();
  return readTable(text, shelf, newId);
}

export async function saveShelf(parts: readonly ShelfPart[], as: 'csv' | 'json'): Promise<void> {
  const { shelfCsv, writeShelf } = await filesRoom();
  if (as === 'csv') save('shelf.csv', shelfCsv(parts), 'text/csv');
  else save('workshop.shelf.json', writeShelf(parts), 'application/json');
}

/** The trains that were found, as a table. */
export async function saveFound(rows: readonly FindRow[]): Promise<void> {
  const { foundCsv } = await filesRoom();
  save('trains.csv', foundCsv(rows), 'text/csv');
}
