import {
  refused,
  refusalSentence,
  type Drive,
  type FindRow,
  type Result,
  type ShelfPart,
} from '@pendrix/core';
import type { TableLine } from '@pendrix/core/files/index';

/** The reading and writing of files is loaded when it is first wanted: it brings a validator that the first screen does not need. */
const filesRoom = () => import('@pendrix/core/files/index');

/** Drives from a file the user chose or dropped. All of them, or a refusal that names the place. */
export async function readDriveFile(file: File): Promise<Result<readonly Drive[]>> {
  const { MOST_BYTES, readDrives } = await filesRoom();
  if (file.size > MOST_BYTES) return refused('fileTooBig', '', { limit: '20 MB' });
  try {
    return readDrives(await file.text());
  } catch {
    return refused('noFile', file.name);
  }
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

export async function saveBackup(drives: readonly Drive[]): Promise<void> {
  const { writeWorkshop } = await filesRoom();
  save('workshop.pendrix.json', writeWorkshop(drives), 'application/json');
}

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

const demoFiles = import.meta.glob<string>('../../../demo/*.pendrix.json', {
  query: '?raw',
  import: 'default',
});

/** The drives of the Lantern Hill demo workshop. */
export async function demoDrives(): Promise<readonly Drive[]> {
  const { readDrives } = await filesRoom();
  const loaders = Object.entries(demoFiles).sort(([a], [b]) => (a < b ? 1 : -1));
  const texts = await Promise.all(loaders.map(([, load]) => load()));
  return texts.flatMap((text) => {
    const read = readDrives(text);
    return read.ok ? read.value : [];
  });
}

const demoShelf = import.meta.glob<string>('../../../demo/*.shelf.json', {
  query: '?raw',
  import: 'default',
});

/** The shelf of the Lantern Hill demo workshop. */
export async function demoParts(): Promise<readonly ShelfPart[]> {
  const { readShelf } = await filesRoom();
  const texts = await Promise.all(Object.values(demoShelf).map((load) => load()));
  return texts.flatMap((text) => {
    const read = readShelf(text);
    return read.ok ? read.value : [];
  });
}

/** The lines of a shelf file. All of them, or a refusal that names the place. */
export async function readShelfFile(file: File): Promise<Result<readonly ShelfPart[]>> {
  const { MOST_BYTES, readShelf } = await filesRoom();
  if (file.size > MOST_BYTES) return refused('fileTooBig', '', { limit: '20 MB' });
  return readShelf(await file.text());
}

/** The lines of a table, each read by itself. */
export async function readShelfTable(
  text: string,
  shelf: readonly ShelfPart[],
): Promise<readonly TableLine[]> {
  const { readTable } = await filesRoom();
  return readTable(text, shelf, () => crypto.randomUUID());
}

export async function saveShelf(parts: readonly ShelfPart[], as: 'csv' | 'json'): Promise<void> {
  const { shelfCsv, writeShelf } = await filesRoom();
  if (as === 'csv') save('shelf.csv', shelfCsv(parts), 'text/csv');
  else save('workshop.shelf.json', writeShelf(parts), 'application/json');
}

/** The trains that were found, as a table. */
export async function saveFound(rows: readonly FindRow[]): Promise<void> {
  const { foundCsv } = await filesRoom();
  save('trains.csv', foundCsv(rows.map((r) => r.row)), 'text/csv');
}
