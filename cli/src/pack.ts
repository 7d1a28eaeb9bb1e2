import { mkdir, readdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { error, ok, type Result, type ShelfPart } from '@pendrix/core';
import { packFiles } from '@pendrix/core/exports/index';
import { readShelf } from '@pendrix/core/files/index';
import type { Command } from './command.ts';
import { readOptions } from './options.ts';
import { readDriveFile, readNamedFile } from './read.ts';

/** `pendrix pack FILE --out DIR [--shelf SHELF]`: everything for the bench in one folder. (handbook: make) */
export const pack: Command = {
  name: 'pack',
  usage: 'pack FILE --out DIR [--shelf SHELF.json]',
  message: 'the build pack: a document to print, tables, run sheets, drawings, drilling lists',
  run: async (words) => {
    const given = readOptions(words, { out: 'text', shelf: 'text' });
    if (!given.ok) return given;
    const { files, texts } = given.value;
    const out = texts.get('out');
    if (out === undefined) return error('needsOption', '--out', { example: '--out pack' });
    const drive = await readDriveFile(files);
    if (!drive.ok) return drive;
    const shelf = await shelfOf(texts.get('shelf'));
    if (!shelf.ok) return shelf;
    const made = packFiles(drive.value, shelf.value);
    if (!made.ok) return made;
    try {
      await mkdir(out, { recursive: true });
      // what is there already is somebody's: a pack goes into a folder of its own
      if ((await readdir(out)).length > 0) return error('notEmptyFolder', out, { path: '--out' });
      for (const { name, text } of made.value) {
        const path = join(out, name);
        await mkdir(dirname(path), { recursive: true });
        await writeFile(path, text);
      }
    } catch (fault) {
      return error('cannotWrite', (fault as { code?: string }).code ?? 'unknown', { path: out });
    }
    return ok(`${made.value.length} files written to ${out}; build-pack.html is the one to print`);
  },
};

async function shelfOf(name: string | undefined): Promise<Result<readonly ShelfPart[]>> {
  return name === undefined ? ok([]) : readNamedFile([name], 'demo/lantern-hill.shelf.json', readShelf);
}
