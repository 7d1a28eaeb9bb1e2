import { readFile, stat } from 'node:fs/promises';
import { refused, type Drive, type Result } from '@pendrix/core';
import { MOST_BYTES, readDrive } from '@pendrix/core/files/index';

/** Reads one drive file named on the command line. */
export const readDriveFile = (files: readonly string[]): Promise<Result<Drive>> =>
  readNamedFile(files, 'demo/tide-dial.pendrix.json', readDrive);

/** Reads the one file named on the command line; what is wrong in it is said with its name. */
export async function readNamedFile<T>(
  files: readonly string[],
  example: string,
  read: (text: string) => Result<T>,
): Promise<Result<T>> {
  const [name, second] = files;
  if (name === undefined) return refused('needsOption', 'the file', { example });
  if (second !== undefined) return refused('twice', 'the file');
  let text: string;
  try {
    const { size } = await stat(name);
    if (size > MOST_BYTES) return refused('fileTooBig', '', { path: name, limit: '20 MB' });
    text = await readFile(name, 'utf8');
  } catch {
    return refused('noFile', name);
  }
  const answer = read(text);
  return answer.ok
    ? answer
    : {
        ok: false,
        refusal: { ...answer.refusal, path: [name, answer.refusal.path].filter(Boolean).join(': ') },
      };
}
