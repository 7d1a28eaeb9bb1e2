import { readFile, stat } from 'node:fs/promises';
import { refused, type Drive, type Result } from '@pendrix/core';
import { MOST_BYTES, readDrive } from '@pendrix/core/files/index';

/** Reads one drive file named on the command line. */
export async function readDriveFile(files: readonly string[]): Promise<Result<Drive>> {
  const [name, second] = files;
  if (name === undefined)
    return refused('needsOption', 'the file', { example: 'demo/tide-dial.pendrix.json' });
  if (second !== undefined) return refused('twice', 'the file');
  let text: string;
  try {
    const { size } = await stat(name);
    if (size > MOST_BYTES) return refused('fileTooBig', '', { path: name, limit: '20 MB' });
    text = await readFile(name, 'utf8');
  } catch {
    return refused('noFile', name);
  }
  const drive = readDrive(text);
  return drive.ok
    ? drive
    : {
        ok: false,
        refusal: { ...drive.refusal, path: [name, drive.refusal.path].filter(Boolean).join(': ') },
      };
}
