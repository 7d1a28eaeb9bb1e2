import { error, ok, type Result } from '../numbers/index.ts';

/** What browsers and Node both have; the core asks for nothing else of them. */
declare class TextDecoder {
  constructor(label: string, options?: { readonly fatal?: boolean });
  decode(bytes: Uint8Array): string;
}

/**
 * The bytes of an unread file as text: UTF-8, UTF-16 where its mark says so, and what is neither as an older spreadsheet writes it
 * (windows-1252), so that é stays é. Refuses an archive, a picture or a program. (docs: formats)
 */
export function decodeText(bytes: Uint8Array): Result<string> {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return ok(new TextDecoder('utf-16le').decode(bytes));
  if (a === 0xfe && b === 0xff) return ok(new TextDecoder('utf-16be').decode(bytes));
  if ((a === 0x50 && b === 0x4b) || bytes.subarray(0, 4096).includes(0)) return error('fileNotText', '');
  try {
    return ok(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return ok(new TextDecoder('windows-1252').decode(bytes));
  }
}
