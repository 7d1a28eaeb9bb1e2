import { error, ok, readCount, LARGEST_COUNT, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { MAX_ROWS } from '../divide/index.ts';

/** What may be said of how a drive is written; a format takes some of it. */
export interface ExportOptions {
  /** one count, instead of the whole job */
  readonly divisions?: number;
  /** which of the drive's tables */
  readonly of?: string;
  /** "slide=X,pan=A": names of sweeps and their letters; the rest in order */
  readonly axes?: string;
  /** the unit of P in G4; seconds unless said */
  readonly dwell?: 's' | 'ms';
  /** a line that opens the shutter, beside the mark: "M240" */
  readonly shutter?: string;
}

/** One way to write a drive for a machine or a spreadsheet. To add one: a file with this, one line in `formats.ts`. (docs: formats) */
export interface ExportFormat {
  /** on a button: "G-code" */
  readonly title: string;
  /** of the file's name, without the point */
  readonly extension: string;
  /** media type */
  readonly type: string;
  readonly takes: readonly (keyof ExportOptions)[];
  /** the whole file, or why there is nothing to write; deterministic */
  readonly write: (drive: Drive, options: ExportOptions) => Result<string>;
}

/** How each option is read from what was typed, with an example. */
export const exportOptions: {
  readonly [K in keyof ExportOptions]-?: {
    readonly example: string;
    readonly read: (text: string) => Result<NonNullable<ExportOptions[K]>>;
  };
} = {
  divisions: {
    example: '73',
    read: (text) =>
      readCount(text, {
        min: 1,
        max: Math.min(LARGEST_COUNT, MAX_ROWS),
        unit: 'divisions',
        example: '73',
      }),
  },
  of: { example: 'rates', read: ok },
  axes: { example: 'slide=X,pan=A', read: ok },
  dwell: {
    example: 'ms',
    read: (text) =>
      text === 's' || text === 'ms' ? ok(text) : error('notAChoice', text, { limit: 's, ms' }),
  },
  shutter: {
    example: 'M240',
    read: (text) => (/^[A-Za-z][\w. ]{0,30}$/.test(text) ? ok(text) : error('badValue', text)),
  },
};
