import { readFile, stat, writeFile } from 'node:fs/promises';
import { error, ok, pathOf, trainAt, trainsOf, type Drive, type Result } from '@pendrix/core';
import { decodeText, MAX_BYTES, readDrive } from '@pendrix/core/files/index';

/** Reads one drive file named on the command line. */
export const readDriveFile = (files: readonly string[]): Promise<Result<Drive>> =>
  readNamedFile(files, 'demo/tide-dial.pendrix.json', readDrive);

/** Which train `--train NAME` chooses; null when nobody chose. */
export function chosenTrain(drive: Drive, name: string | undefined): Result<number | null> {
  if (name === undefined) return ok(null);
  const trains = trainsOf(drive);
  const at = trainAt(trains, name);
  return at < 0
    ? error('noSuchTrain', name, { path: '--train', limit: trains.map((t) => t.name).join(', ') })
    : ok(at);
}

/** Reads one drive file and gives the chosen output of it as a drive of one train; the first unless one is chosen. */
export async function readOutput(
  files: readonly string[],
  train: string | undefined,
): Promise<Result<Drive>> {
  const drive = await readDriveFile(files);
  if (!drive.ok) return drive;
  const at = chosenTrain(drive.value, train);
  return at.ok ? ok(pathOf(drive.value, at.value ?? 0).drive) : at;
}

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

/** Into a file, or back to be printed. */
export async function put(text: string, out: string | undefined): Promise<Result<string>> {
  if (out === undefined) return ok(text.trimEnd());
  try {
    await writeFile(out, text);
  } catch (fault) {
    return error('cannotWrite', (fault as { code?: string }).code ?? 'unknown', { path: out });
  }
  return ok(`written to ${out}`);
}
