import { error, ok, type Result } from '../numbers/index.ts';
import { toTrains, type Unchecked } from './trains-form.ts';

export type { Unchecked } from './trains-form.ts';

/** Current version of each format. */
export const VERSIONS = {
  'pendrix-drive': 2,
  'pendrix-workshop': 1,
  'pendrix-find': 1,
  'pendrix-shelf': 1,
} as const;
export type Format = keyof typeof VERSIONS;

type Migration = (file: Unchecked) => Unchecked;

/**
 * Append-only: the migration at index n − 1 takes version n to n + 1, and each has a kept sample file in its test.
 */
const migrations: { readonly [F in Format]: readonly Migration[] } = {
  'pendrix-drive': [toTrains],
  'pendrix-workshop': [],
  'pendrix-find': [],
  'pendrix-shelf': [],
};

const isFormat = (format: unknown): format is Format =>
  typeof format === 'string' && Object.hasOwn(VERSIONS, format);

/** A file of one of our formats in its current version, and the version it was written in. */
export interface Migrated {
  readonly format: Format;
  readonly file: Unchecked;
  readonly from: number;
}

/** Tells which of our files this is and brings it to the current version. */
export function migrate(value: unknown): Result<Migrated> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return error('notPendrix', '');
  let file = value as Unchecked;
  const { format, version } = file;
  if (format === undefined) return error('notPendrix', '');
  if (!isFormat(format))
    return error('wrongFormat', JSON.stringify(format), {
      path: 'format',
      limit: Object.keys(VERSIONS).join(' or '),
    });
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return error(version === undefined ? 'missing' : 'notWhole', JSON.stringify(version) ?? '', {
      path: 'version',
      example: '1',
    });
  const current = VERSIONS[format];
  if (version > current)
    return error('newerVersion', String(version), { path: 'version', limit: String(current) });
  for (const step of migrations[format].slice(version - 1)) file = step(file);
  return ok({ format, file, from: version });
}
