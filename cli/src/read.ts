import { readFile, stat } from 'node:fs/promises';
import { error, type Drive, type Result } from '@pendrix/core';
import { decodeText, MAX_BYTES, readDrive } from '@pendrix/core/files/index';

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
  if (name === undefined) return error('needsOption', 'the file', { example });
  if (second !== undefined) return error('twice', 'the file');
  let text: string;
  try {
    const { size } = await stat(name);
    if (size > MAX_BYTES) return error('fileTooBig', '', { path: name, limit: '20 MB' });
    const decoded = decodeText(await readFile(name));
    if (!decoded.ok) return { ok: false, refusal: { ...decoded.refusal, path: name } };
    text = decoded.value;
  } catch {
    return error('noFile', name);
  }
  const answer = read(text);
  return answer.ok
    ? answer
    : {
        ok: false,
        refusal: { ...answer.refusal, path: [name, answer.refusal.path].filter(Boolean).join(': ') },
      };
}
