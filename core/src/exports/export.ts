import { error, ok, readCount, readSize, LARGEST_COUNT, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { MAX_ROWS } from '../divide/index.ts';
import type { MadeFrom } from '../report/index.ts';

/** What may be said of how a drive is written; a format takes some of it. */
export interface ExportOptions {
  /** one count, instead of the whole job */
  readonly divisions?: number;
  /** of a slide: marks so far apart, `divisions` of them, instead of gaps round a turn */
  readonly move?: string;
  /** which of the drive's tables */
  readonly of?: string;
  /** "slide=X,pan=A": names of sweeps and their letters; the rest in order */
  readonly axes?: string;
  /** the unit of P in G4; seconds unless said */
  readonly dwell?: 's' | 'ms';
  /** one circle of a plate, by its holes; all of them unless said */
  readonly circle?: number;
  /** of a circle or a dial, mm; of several circles the innermost and the outermost */
  readonly radius?: readonly [number, number];
  /** lines of a dial, and parts of its vernier */
  readonly lines?: number;
  readonly parts?: number;
  /** a line that opens the shutter, beside the mark: "M240" */
  readonly shutter?: string;
}

/** A file that a drive has in a format: where it lies in the pack, without its extension, what it is, and what is said to write it. */
export interface Offer {
  /** "drawings/wheel-3" */
  readonly file: string;
  readonly title: string;
  readonly options: ExportOptions;
}

/** Files of one kind that are offered of one train; the rest is named on its pages. */
export const MOST_OFFERED = 60;

/** One way to write a drive for a machine or a spreadsheet. To add one: a file with this, one line in `formats.ts`. (docs: formats) */
export interface ExportFormat {
  /** on a button: "G-code" */
  readonly title: string;
  /** of the file's name, without the point */
  readonly extension: string;
  /** media type */
  readonly type: string;
  readonly takes: readonly (keyof ExportOptions)[];
  /** what there is to write of a drive: page, pack and terminal offer these */
  readonly offers: (drive: Drive) => readonly Offer[];
  /** the whole file, or why there is nothing to write; deterministic. `from` is what tables of Make are made from besides the drive */
  readonly write: (drive: Drive, options: ExportOptions, from?: MadeFrom) => Result<string>;
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
  move: { example: '0.5 mm', read: ok },
  of: { example: 'rates', read: ok },
  axes: { example: 'slide=X,pan=A', read: ok },
  dwell: {
    example: 'ms',
    read: (text) =>
      text === 's' || text === 'ms' ? ok(text) : error('notAChoice', text, { limit: 's, ms' }),
  },
  circle: {
    example: '63',
    read: (text) => readCount(text, { min: 2, max: 1000, unit: 'holes', example: '63' }),
  },
  radius: { example: '40-90', read: readRadii },
  lines: {
    example: '360',
    read: (text) => readCount(text, { min: 2, max: 3600, unit: 'lines', example: '360' }),
  },
  parts: {
    example: '10',
    read: (text) => readCount(text, { min: 2, max: 100, unit: 'parts', example: '10' }),
  },
  shutter: {
    example: 'M240',
    read: (text) => (/^[A-Za-z][\w. ]{0,30}$/.test(text) ? ok(text) : error('badValue', text)),
  },
};

/** "60", or "40-90" from the innermost to the outermost, mm. */
function readRadii(text: string): Result<readonly [number, number]> {
  const parts = text.split(/\s*[-–]\s*/);
  const read = parts.map((t) => readSize(t, { min: 1, max: 5000, unit: 'mm', example: '60' }));
  const bad = read.find((r) => !r.ok);
  if (bad && !bad.ok) return bad;
  const values = read.map((r) => (r.ok ? r.value : 0));
  if (values.length > 2 || values.length === 0) return error('notRange', text, { example: '40-90' });
  const [from, to = from] = values as [number, number?];
  return to < from ? error('backwards', text, { example: '40-90' }) : ok([from, to]);
}
