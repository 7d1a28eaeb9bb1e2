import { refusalSentence, type Drive, type Refusal, type Result } from '@pendrix/core';
import type { ExportId, ExportOptions, Offer } from '@pendrix/core/exports/index';
import { useNotices } from '../stores/notices.ts';
import { fileStem, save } from './files.ts';

/** The formats are loaded when something is first written. */
const exportsRoom = () => import('@pendrix/core/exports/index');

/** A file that a drive has, with its extension, and in which format. */
export type PageOffer = Offer & { readonly as: ExportId };

/** Every file that a drive has. */
export async function offersOf(drive: Drive): Promise<readonly PageOffer[]> {
  const { exportFormats, offersOf: offered } = await exportsRoom();
  return offered(drive).map((o) => ({ ...o, file: `${o.file}.${exportFormats[o.as].extension}` }));
}

/** A drive written in one of our formats, as text. */
export async function exportText(
  drive: Drive,
  as: ExportId,
  options: ExportOptions = {},
): Promise<Result<string>> {
  const { exportDrive } = await exportsRoom();
  return exportDrive(drive, as, options);
}

/** The same as a file to keep, called after the drive unless said otherwise. Gives back why there is nothing to write. */
export async function saveExport(
  drive: Drive,
  as: ExportId,
  options: ExportOptions = {},
  stem?: string,
): Promise<Refusal | null> {
  const { exportDrive, exportFormats } = await exportsRoom();
  const text = exportDrive(drive, as, options);
  if (!text.ok) return text.refusal;
  const { extension, type } = exportFormats[as];
  save(`${stem ?? (await fileStem(drive))}.${extension}`, text.value, type);
  return null;
}

/** The same from a key that has no place of its own for words: what cannot be written is said as a notice. */
export function useSaveExport(): (...asked: Parameters<typeof saveExport>) => Promise<void> {
  const notices = useNotices();
  return async (...asked) => {
    const refused = await saveExport(...asked);
    if (refused) notices.tell({ message: refusalSentence(refused), tone: 'bad' });
  };
}
