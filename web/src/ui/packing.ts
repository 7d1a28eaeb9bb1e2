import { h } from 'vue';
import { refusalSentence, type Drive, type ShelfPart } from '@pendrix/core';
import { useNotices } from '../stores/notices.ts';
import { fileStem, save } from './files.ts';
import { usePrintSheet } from './printing.ts';

/** A build pack of the open drive: printed as one document, or kept as a ZIP of open files. What writes them is loaded when it is wanted. */
export function usePack(
  drive: () => Drive | null,
  shelf: () => readonly ShelfPart[],
): { readonly print: () => Promise<void>; readonly zip: () => Promise<void> } {
  const notices = useNotices();
  let body: string | null = null;
  const printSheet = usePrintSheet(() =>
    body === null ? null : h('div', { class: 'pack', innerHTML: body }),
  );
  return {
    print: async () => {
      const at = drive();
      if (!at) return;
      const { packBody } = await import('@pendrix/core/exports/index');
      // every word of a drive in it is escaped where it is written
      body = packBody(at, shelf());
      printSheet();
      body = null;
    },
    zip: async () => {
      const at = drive();
      if (!at) return;
      const [{ packFiles }, { strToU8, zipSync }] = await Promise.all([
        import('@pendrix/core/exports/index'),
        import('fflate'),
      ]);
      const files = packFiles(at, shelf());
      if (!files.ok) {
        notices.tell({ message: refusalSentence(files.refusal), tone: 'bad' });
        return;
      }
      const zip = zipSync(Object.fromEntries(files.value.map((f) => [f.name, strToU8(f.text)])));
      save(`${await fileStem(at)}-pack.zip`, new Blob([zip.slice()], { type: 'application/zip' }), '');
    },
  };
}
